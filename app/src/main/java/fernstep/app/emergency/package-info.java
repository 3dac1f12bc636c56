/** The sheet that goes with a client into other hands: what she said, when, to whom, and whom to call. */
@NullMarked
package fernstep.app.emergency;

import org.jspecify.annotations.NullMarked;
