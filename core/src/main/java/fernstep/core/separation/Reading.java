package fernstep.core.separation;

import fernstep.core.measure.Range;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One site, one condition, one method: one or more repeats, in fingers (steps of a half) or mm.
 *
 * @param siteCm from the navel, + toward the head, -20 to 20
 * @param depthMm how far the finger sinks, or null
 */
public record Reading(
        double siteCm,
        Condition condition,
        Method method,
        List<Double> values,
        @Nullable Double depthMm,
        @Nullable Feel feel) {

    /** @throws IllegalArgumentException without values, outside the ranges, or fingers between half steps */
    public Reading {
        Range.SITE_CM.check(siteCm);
        values = List.copyOf(values);
        if (values.isEmpty()) {
            throw new IllegalArgumentException("a reading needs at least one value");
        }
        for (double value : values) {
            if (method == Method.FINGERS) {
                Range.FINGERS.check(value);
                if (value / FingerCalibration.STEP != Math.rint(value / FingerCalibration.STEP)) {
                    throw new IllegalArgumentException("finger-widths are read in steps of a half");
                }
            } else {
                Range.WIDTH_MM.check(value);
            }
        }
        if (depthMm != null) {
            Range.DEPTH_MM.check(depthMm);
        }
    }

    public static Reading of(double siteCm, Condition condition, Method method, Double... values) {
        return new Reading(siteCm, condition, method, List.of(values), null, null);
    }

    boolean sameSpot(Reading other) {
        return siteCm == other.siteCm && condition == other.condition;
    }
}
