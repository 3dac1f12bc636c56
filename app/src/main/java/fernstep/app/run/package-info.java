/** The mat-side runner and its append-only log. */
@NullMarked
package fernstep.app.run;

import org.jspecify.annotations.NullMarked;
