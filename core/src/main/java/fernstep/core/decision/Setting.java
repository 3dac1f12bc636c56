package fernstep.core.decision;

import fernstep.core.catalogue.Helper;
import fernstep.core.measure.Range;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How the rung is being done now.
 *
 * @param range 0 (easiest) to 1 (the rung's full range)
 * @param holdS seconds held per repetition, or null
 * @param reps repetitions of the set, or null where breaths or a hold count
 */
public record Setting(
        double range, @Nullable Double holdS, @Nullable Integer reps, Set<Helper> helpers) {
    public static final Setting FULL = new Setting(1, null, null, Set.of());

    /** @throws fernstep.core.measure.OutOfRange outside the ranges above */
    public Setting {
        Range.RANGE_FRACTION.check(range);
        if (holdS != null) {
            Range.DOSE_HOLD_S.check(holdS);
        }
        if (reps != null) {
            Range.REPS.check(reps);
        }
        helpers = Set.copyOf(helpers);
    }
}
