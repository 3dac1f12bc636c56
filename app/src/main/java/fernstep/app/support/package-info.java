/** What every feature shares: page helpers, errors, audit, time. */
@NullMarked
package fernstep.app.support;

import org.jspecify.annotations.NullMarked;
