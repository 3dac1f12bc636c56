/** Where schools differ: stances, and approaches as named sets of them. Rules ask for a stance, never an approach. */
@NullMarked
package fernstep.core.approach;

import org.jspecify.annotations.NullMarked;
