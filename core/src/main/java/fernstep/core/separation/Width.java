package fernstep.core.separation;

import fernstep.core.measure.MeasurementError;
import fernstep.core.measure.Range;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A reading in millimetres.
 *
 * @param mm mean of the repeats
 * @param errorMm SEM of that mean
 * @param fingers the same in the examiner's finger-widths
 * @param calibrated false where fingers were turned into mm by the usual 15 mm
 * @param change against the previous visit, or null without one
 */
public record Width(
        Reading reading,
        double mm,
        double errorMm,
        double fingers,
        boolean calibrated,
        @Nullable Change change) {

    /** What a difference means: real only beyond the smallest real change. */
    public enum Kind {
        NARROWER,
        WIDER,
        NO_REAL_CHANGE
    }

    /** Difference now − before and its limit, both mm. */
    public record Change(double mm, double smallestRealMm, Kind kind) {
        static Change of(double mm, double limitMm) {
            Kind kind = Math.abs(mm) <= limitMm ? Kind.NO_REAL_CHANGE : mm < 0 ? Kind.NARROWER : Kind.WIDER;
            return new Change(mm, limitMm, kind);
        }
    }

    static Width of(Reading reading, Examiner examiner) {
        boolean fingers = reading.method() == Method.FINGERS;
        double mm = reading.values().stream()
                .mapToDouble(v -> fingers ? examiner.calibration().toMm(v) : v)
                .average()
                .orElseThrow();
        Range.WIDTH_MM.check(mm);
        double error = MeasurementError.ofMean(
                examiner.semMm(reading.method()), reading.values().size());
        return new Width(
                reading,
                mm,
                error,
                fingers ? mean(reading.values()) : examiner.calibration().toFingers(mm),
                !fingers || examiner.calibration().measured(),
                null);
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(v -> v).average().orElseThrow();
    }

    Width comparedWith(Width before) {
        double limit = MeasurementError.smallestRealChange(errorMm, before.errorMm);
        return new Width(reading, mm, errorMm, fingers, calibrated, Change.of(mm - before.mm, limit));
    }
}
