/** The catalogue in use: the shipped strands with the house's own rungs. */
@NullMarked
package fernstep.app.rungs;

import org.jspecify.annotations.NullMarked;
