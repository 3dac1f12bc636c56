/**
 * Starting rungs, dose by stance inside the window, rung gates and time. Times in s or whole minutes as named. May use
 * everything above it up to decision.
 */
@NullMarked
package fernstep.core.plan;

import org.jspecify.annotations.NullMarked;
