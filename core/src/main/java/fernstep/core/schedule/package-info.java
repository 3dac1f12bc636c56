/** On which days she trains, and what else falls on them. */
@NullMarked
package fernstep.core.schedule;

import org.jspecify.annotations.NullMarked;
