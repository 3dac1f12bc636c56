package fernstep.core.trace;

import fernstep.core.findings.SignCode;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Where pressure goes in her trunk, as a cylinder: diaphragm above, belly in front, back behind. From her own numbers; the
 * floor below is not measured by cuff and belts and is drawn as such.
 *
 * @param front how far the belly goes out under effort at most, as a share of a breath; null where not measured
 * @param back mmHg by which the cuff moves at most, negative where the back lifts; null where not measured
 * @param held share of repetitions in which the breath was held, 0 to 1
 */
public record PressureCylinder(
        @Nullable Double front, @Nullable Double back, double held, Way way) {
    private static final double OFTEN = 0.25;
    private static final Set<SignCode> GIVES = Set.of(SignCode.WALL_BULGE, SignCode.BACK_ARCHES, SignCode.BACK_PRESSED);

    /** What it looks like. */
    public enum Way {
        /** The top is pressed down on a held breath. */
        TOP_CRUNCHED,
        /** The middle gives: out in front, or at the back. */
        MIDDLE_SQUEEZED,
        /** Shared but for some repetitions. */
        MOSTLY_SHARED,
        SHARED,
        NOT_MEASURED
    }

    public static PressureCylinder of(TraceReport report) {
        Double front =
                most(report.reps().stream().map(TraceReport.Rep::bellyOut).toList());
        Double back =
                most(report.reps().stream().map(TraceReport.Rep::excursionMmHg).toList());
        double held = share(report, Set.of(SignCode.BREATH_HELD));
        Way way = Way.SHARED;
        if (report.reps().isEmpty() || (front == null && back == null)) {
            way = Way.NOT_MEASURED;
        } else if (held >= OFTEN) {
            way = Way.TOP_CRUNCHED;
        } else if (share(report, GIVES) >= OFTEN) {
            way = Way.MIDDLE_SQUEEZED;
        } else if (report.reps().stream().anyMatch(rep -> !rep.clean())) {
            way = Way.MOSTLY_SHARED;
        }
        return new PressureCylinder(front, back, held, way);
    }

    /** Of the repetitions, those with one of the signs for sure. */
    private static double share(TraceReport report, Set<SignCode> signs) {
        long with = report.reps().stream()
                .filter(rep -> rep.verdict().stream()
                        .anyMatch(
                                verdict -> signs.contains(verdict.sign()) && verdict.confidence() >= TraceReport.SURE))
                .count();
        return report.reps().isEmpty() ? 0 : (double) with / report.reps().size();
    }

    /** The one farthest from nothing: an average would hide the side that gives. */
    private static @Nullable Double most(List<@Nullable Double> values) {
        Double most = null;
        for (Double value : values) {
            if (value != null && (most == null || Math.abs(value) > Math.abs(most))) {
                most = value;
            }
        }
        return most;
    }
}
