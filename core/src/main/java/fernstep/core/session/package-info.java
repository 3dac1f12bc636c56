/**
 * What happens at the mat: typed events, the session replayed from them, what is left of a set, and the record of it.
 * Seconds, repetitions and efforts of 0 to 10. May use everything above it up to progress.
 */
@NullMarked
package fernstep.core.session;

import org.jspecify.annotations.NullMarked;
