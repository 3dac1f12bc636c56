/** What to do next, for how long, and why. */
@NullMarked
package fernstep.app.plan;

import org.jspecify.annotations.NullMarked;
