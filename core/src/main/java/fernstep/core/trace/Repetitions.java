package fernstep.core.trace;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.trace.TraceReport.Rep;
import fernstep.core.trace.TraceReport.Summary;
import fernstep.core.trace.TraceReport.Verdict;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the repetitions of a recording show together: where she tires, where quality breaks, how the sides compare. */
record Repetitions(List<Rep> all) {
    private static final double NOISE_SDS = 3;
    private static final int REPS_TO_TIRE = 4;
    private static final double TIRING_SHARE = 0.35;

    Repetitions {
        all = List.copyOf(all);
    }

    /**
     * Tired from where on every excursion is larger than those of the fresh half, and they still grow.
     *
     * @param toleranceMmHg how far the cuff may move
     * @param noiseMmHg the cuff's own, as a standard deviation
     */
    Repetitions tiring(double toleranceMmHg, double noiseMmHg) {
        int n = all.size();
        if (n < REPS_TO_TIRE || all.stream().anyMatch(rep -> rep.excursionMmHg() == null)) {
            return this;
        }
        double[] size = all.stream().mapToDouble(Rep::moved).toArray();
        double fresh = Signals.median(Arrays.copyOf(size, Math.max(2, n / 2)));
        double limit = fresh + Math.max(TIRING_SHARE * toleranceMmHg, NOISE_SDS * noiseMmHg);
        int from = n;
        while (from > 0 && size[from - 1] > limit) {
            from--;
        }
        boolean grows = n - from >= 2 && from >= 2 && size[n - 1] > size[from];
        if (!grows) {
            return this;
        }
        List<Rep> tired = new ArrayList<>(all);
        for (int i = from; i < n; i++) {
            double sure = TraceAnalysis.confidence(size[i] - limit + 1, Math.max(1, TIRING_SHARE * toleranceMmHg / 2));
            tired.set(i, all.get(i).with(new Verdict(SignCode.TIRED, sure)));
        }
        return new Repetitions(tired);
    }

    Summary summary(List<TraceReport.Breath> breaths) {
        double lost = all.stream()
                .filter(rep -> !rep.clean())
                .mapToDouble(Rep::startMs)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
        double began = all.isEmpty() ? 0 : all.get(0).startMs();
        int tolerance = (int) breaths.stream()
                .filter(breath -> breath.inMs() >= began && breath.inMs() < lost)
                .count();
        return new Summary(perMin(breaths), tolerance, breaksAt(), symmetry());
    }

    private static @Nullable Double perMin(List<TraceReport.Breath> breaths) {
        if (breaths.size() < 2) {
            return null;
        }
        double ms = breaths.get(breaths.size() - 1).inMs() - breaths.get(0).inMs();
        return 60_000.0 * (breaths.size() - 1) / ms;
    }

    private @Nullable Integer breaksAt() {
        for (int i = 0; i < all.size(); i++) {
            long bad = all.stream().skip(i).filter(rep -> !rep.clean()).count();
            if (!all.get(i).clean() && 2 * bad > all.size() - i) {
                return all.get(i).rep();
            }
        }
        return null;
    }

    private @Nullable Double symmetry() {
        double left = mean(Side.LEFT);
        double right = mean(Side.RIGHT);
        double larger = Math.max(left, right);
        return Double.isNaN(left) || Double.isNaN(right) || larger == 0 ? null : (right - left) / larger;
    }

    private double mean(Side side) {
        return all.stream()
                .filter(rep -> rep.side() == side && rep.excursionMmHg() != null)
                .mapToDouble(Rep::moved)
                .average()
                .orElse(Double.NaN);
    }
}
