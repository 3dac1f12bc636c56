/** Figures drawn from the body model's own points. */
@NullMarked
package fernstep.app.figure;

import org.jspecify.annotations.NullMarked;
