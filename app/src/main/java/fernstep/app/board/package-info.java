/** What needs me today: one row per client. */
@NullMarked
package fernstep.app.board;

import org.jspecify.annotations.NullMarked;
