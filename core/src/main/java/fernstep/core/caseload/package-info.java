/** What of each client needs a practitioner's eye. */
@NullMarked
package fernstep.core.caseload;

import org.jspecify.annotations.NullMarked;
