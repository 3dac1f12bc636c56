/** Who she is: status, events, body, clearances, restrictions. Dates are calendar days; depends on measure. */
@NullMarked
package fernstep.core.client;

import org.jspecify.annotations.NullMarked;
