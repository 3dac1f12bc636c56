/** What was reported of a client's safety, who lifted it, and the lock that every way of training asks. */
@NullMarked
package fernstep.app.standing;

import org.jspecify.annotations.NullMarked;
