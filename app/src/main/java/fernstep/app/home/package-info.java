/** What the client did at home, as she tells it. */
@NullMarked
package fernstep.app.home;

import org.jspecify.annotations.NullMarked;
