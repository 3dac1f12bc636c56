/**
 * Credits, notches and what each session's result means for the next; the state of every leaf of a frond. Days are
 * calendar days, effort 0 to 10. May use everything above it up to plan.
 */
@NullMarked
package fernstep.core.progress;

import org.jspecify.annotations.NullMarked;
