/** The house: examiners, their calibration and repeatability, the trainer. */
@NullMarked
package fernstep.app.examiners;

import org.jspecify.annotations.NullMarked;
