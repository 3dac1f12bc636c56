/** What truly changed since the first and the last visit: report, trend charts, CSV. */
@NullMarked
package fernstep.app.changes;

import org.jspecify.annotations.NullMarked;
