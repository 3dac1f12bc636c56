/** Credits, places on the strands, fronds. */
@NullMarked
package fernstep.app.progress;

import org.jspecify.annotations.NullMarked;
