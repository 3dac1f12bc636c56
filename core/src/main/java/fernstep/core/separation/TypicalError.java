package fernstep.core.separation;

import fernstep.core.measure.MeasurementError;
import java.util.List;
import java.util.Optional;

/**
 * How far a single reading by one method lies from the next, taken on another visit.
 *
 * @param semMm typical error, mm, above 0
 * @param visitShare how much of its variance every reading of one visit shares: breath, bladder, hand, position; 0 to 1
 */
public record TypicalError(double semMm, double visitShare) {
    private static final double SMALLEST_SEM_MM = 0.1;

    /** With what a visit usually shares. */
    public static TypicalError of(double semMm) {
        return new TypicalError(semMm, MeasurementError.USUAL_VISIT_SHARE);
    }

    /**
     * An examiner's own. Pairs of one visit differ by what is left to each reading; pairs of two visits by what each visit
     * shares as well. Ten and five are needed to tell the two apart; with the first alone half is taken as shared (brief
     * 17.8). Empty with fewer than ten of one visit.
     *
     * @param withinMm differences of two readings of one visit, mm
     * @param betweenMm differences of two readings of visits between which nothing is expected to change, mm
     */
    public static Optional<TypicalError> ofPairs(List<Double> withinMm, List<Double> betweenMm) {
        if (withinMm.size() < MeasurementError.PAIRS_NEEDED) {
            return Optional.empty();
        }
        double within =
                Math.max(SMALLEST_SEM_MM, MeasurementError.semFromPairs(withinMm, MeasurementError.PAIRS_NEEDED));
        if (betweenMm.size() < MeasurementError.PAIRS_BETWEEN_NEEDED) {
            return Optional.of(of(within));
        }
        double between =
                Math.max(within, MeasurementError.semFromPairs(betweenMm, MeasurementError.PAIRS_BETWEEN_NEEDED));
        return Optional.of(new TypicalError(between, 1 - within * within / (between * between)));
    }
}
