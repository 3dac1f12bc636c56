/** Breath and pressure signals: what a cuff under the low back and two belts say about each repetition (brief 09). */
@NullMarked
package fernstep.core.trace;

import org.jspecify.annotations.NullMarked;
