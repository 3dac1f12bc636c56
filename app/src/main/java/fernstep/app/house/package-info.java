/** The house: examiners, their calibration and repeatability, the trainer. */
@NullMarked
package fernstep.app.house;

import org.jspecify.annotations.NullMarked;
