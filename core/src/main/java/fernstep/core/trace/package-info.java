/**
 * Breath and pressure signals: what a cuff under the low back and two belts say about each repetition.
 *
 * <p>The filters are ours: a zero-phase Gaussian and a running mean are a few lines each, need neither spectra nor a matrix,
 * and a library's recursive filters would shift the onsets that are to be found within 150 ms.
 */
@NullMarked
package fernstep.core.trace;

import org.jspecify.annotations.NullMarked;
