package fernstep.app.examiners;

import fernstep.core.measure.MeasurementError;
import fernstep.core.separation.Method;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * How well one examiner repeats herself by one method.
 *
 * @param semMm her typical error; null below {@value MeasurementError#PAIRS_NEEDED} pairs
 * @param biasMm mean of (her reading − truth) on the trainer; null without rounds there
 */
public record Repeatability(
        Method method,
        int pairs,
        @Nullable Double semMm,
        @Nullable Double biasMm) {

    static Repeatability of(Method method, List<PairRow> pairs) {
        Double sem = pairs.size() < MeasurementError.PAIRS_NEEDED
                ? null
                : MeasurementError.semFromPairs(
                        pairs.stream().map(p -> p.secondMm() - p.firstMm()).toList());
        List<PairRow> withTruth =
                pairs.stream().filter(p -> p.truthMm() != null).toList();
        Double bias = withTruth.isEmpty()
                ? null
                : withTruth.stream()
                        .mapToDouble(p -> (p.firstMm() + p.secondMm()) / 2 - Objects.requireNonNull(p.truthMm()))
                        .average()
                        .orElseThrow();
        return new Repeatability(method, pairs.size(), sem, bias);
    }

    /** Between two of her single readings, mm; null without her own error. */
    public @Nullable Double smallestRealChangeMm() {
        return semMm == null ? null : MeasurementError.smallestRealChange(semMm, semMm);
    }
}
