/** Separation, float and the other checks of a visit. */
@NullMarked
package fernstep.app.check;

import org.jspecify.annotations.NullMarked;
