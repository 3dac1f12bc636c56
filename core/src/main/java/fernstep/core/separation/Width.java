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
 * @param visitErrorMm the part of it that every reading of the visit shares
 * @param fingers the same in the examiner's finger-widths
 * @param calibrated false where fingers were turned into mm by the usual 15 mm
 * @param change against the previous visit, or null without one
 */
public record Width(
        Reading reading,
        double mm,
        double errorMm,
        double visitErrorMm,
        double fingers,
        boolean calibrated,
        @Nullable Change change) {

    /** What a difference means: real only beyond the smallest real change. */
    public enum Kind {
        NARROWER,
        WIDER,
        NO_REAL_CHANGE
    }

    /**
     * Difference now − before and its limit, both mm.
     *
     * @param chance that so large a difference shows where nothing has changed
     * @param confirmed it stands beside all others compared that day (Holm)
     * @param otherExaminer another pair of hands took the earlier reading
     * @param mm now − before
     * @param smallestRealMm from 0
     */
    public record Change(
            double mm, double smallestRealMm, Kind kind, double chance, boolean confirmed, boolean otherExaminer) {
        /** Beyond the smallest real change by itself, but not beside all others of that day. */
        public boolean mayBeChance() {
            return !confirmed && kind != Kind.NO_REAL_CHANGE;
        }

        Change confirmedIf(boolean stands) {
            return new Change(mm, smallestRealMm, kind, chance, stands, otherExaminer);
        }
    }

    static Kind kind(double difference, double limit) {
        if (Math.abs(difference) <= limit) {
            return Kind.NO_REAL_CHANGE;
        }
        return difference < 0 ? Kind.NARROWER : Kind.WIDER;
    }

    static Width of(Reading reading, Examiner examiner) {
        boolean fingers = reading.method() == Method.FINGERS;
        double mm = reading.values().stream()
                .mapToDouble(value -> fingers ? examiner.calibration().toMm(value) : value)
                .average()
                .orElseThrow();
        Range.WIDTH_MM.check(mm);
        double single = examiner.errorMm(reading.method());
        double visitShare = examiner.error(reading.method()).visitShare();
        double visit = MeasurementError.ofVisit(single, visitShare);
        double error = Math.hypot(
                visit,
                MeasurementError.ofCell(single, visitShare, reading.values().size()));
        return new Width(
                reading,
                mm,
                error,
                visit,
                fingers ? mean(reading.values()) : examiner.calibration().toFingers(mm),
                !fingers || examiner.calibration().measured(),
                null);
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(value -> value).average().orElseThrow();
    }

    /** What repeats make smaller, mm. */
    double cellErrorMm() {
        return Math.sqrt(Math.max(0, errorMm * errorMm - visitErrorMm * visitErrorMm));
    }

    /** Between two examiners their known biases are taken off, and what they may differ by is added to each error. */
    Width comparedWith(Width before, Examiner now, Examiner then) {
        Method method = reading.method();
        Method methodThen = before.reading.method();
        boolean others = now.differsFrom(then);
        double difference = mm - before.mm - (others ? now.biasMm(method) - then.biasMm(methodThen) : 0);
        double error = Math.hypot(errorMm, Examiner.betweenMm(now, method, then, methodThen, method));
        double errorThen = Math.hypot(before.errorMm, Examiner.betweenMm(now, method, then, methodThen, methodThen));
        double limit = MeasurementError.smallestRealChange(error, errorThen);
        double chance = MeasurementError.chance(difference, error, errorThen);
        return with(new Change(difference, limit, kind(difference, limit), chance, false, others));
    }

    Width with(Change other) {
        return new Width(reading, mm, errorMm, visitErrorMm, fingers, calibrated, other);
    }
}
