package fernstep.core.session;

import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.RungForm;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import org.jspecify.annotations.Nullable;

/**
 * One exercise of a session as it was planned.
 *
 * @param rung its code
 * @param form how she does it
 * @param side null where it has none
 * @param range 0 (easiest) to 1 (the rung's full range)
 * @param easing what makes it easier from its first repetition
 */
public record PlannedExercise(
        String rung, RungForm form, @Nullable Side side, Dose dose, double range, Easing easing) {
    /** Nothing eased from the start. */
    public PlannedExercise(String rung, RungForm form, @Nullable Side side, Dose dose, double range) {
        this(rung, form, side, dose, range, Easing.NONE);
    }

    /** @throws fernstep.core.measure.OutOfRange for a range outside 0 to 1 */
    public PlannedExercise {
        Range.RANGE_FRACTION.check(range);
    }
}
