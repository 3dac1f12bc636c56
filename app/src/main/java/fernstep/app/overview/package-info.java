/** The client's page: stage line, fronds, what changed, next step. */
@NullMarked
package fernstep.app.overview;

import org.jspecify.annotations.NullMarked;
