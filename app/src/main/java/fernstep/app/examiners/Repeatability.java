package fernstep.app.examiners;

import fernstep.core.measure.MeasurementError;
import fernstep.core.separation.Method;
import fernstep.core.separation.TypicalError;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How well one examiner repeats herself by one method.
 *
 * @param pairs on one visit
 * @param pairsBetween on two visits, re-checks counted
 * @param error her typical error; null below {@value MeasurementError#PAIRS_NEEDED} pairs on one visit
 * @param biasMm mean of (her reading − truth) on the trainer; null without rounds there
 */
public record Repeatability(
        Method method,
        int pairs,
        int pairsBetween,
        @Nullable TypicalError error,
        @Nullable Double biasMm) {

    /** @param rechecksMm differences of her re-checks by this method, mm */
    static Repeatability of(Method method, List<PairRow> pairs, List<Double> rechecksMm) {
        List<Double> within = differences(pairs, Repeat.WITHIN_VISIT);
        List<Double> between = new ArrayList<>(differences(pairs, Repeat.BETWEEN_VISITS));
        between.addAll(rechecksMm);
        List<PairRow> withTruth =
                pairs.stream().filter(pair -> pair.truthMm() != null).toList();
        Double bias = withTruth.isEmpty()
                ? null
                : withTruth.stream()
                        .mapToDouble(
                                pair -> (pair.firstMm() + pair.secondMm()) / 2 - Objects.requireNonNull(pair.truthMm()))
                        .average()
                        .orElseThrow();
        return new Repeatability(
                method,
                within.size(),
                between.size(),
                TypicalError.ofPairs(within, between).orElse(null),
                bias);
    }

    private static List<Double> differences(List<PairRow> pairs, Repeat repeat) {
        return pairs.stream()
                .filter(pair -> pair.repeat() == repeat)
                .map(PairRow::differenceMm)
                .toList();
    }

    public @Nullable Double semMm() {
        return error == null ? null : error.semMm();
    }

    /** In whole percent of the variance; empty while half is taken for want of pairs between visits. */
    public Optional<Long> visitSharePercent() {
        return Optional.ofNullable(error)
                .filter(own -> pairsBetween >= MeasurementError.PAIRS_BETWEEN_NEEDED)
                .map(own -> Math.round(100 * own.visitShare()));
    }

    /** Between two of her single readings, mm; null without her own error. */
    public @Nullable Double smallestRealChangeMm() {
        return error == null ? null : MeasurementError.smallestRealChange(error.semMm(), error.semMm());
    }
}
