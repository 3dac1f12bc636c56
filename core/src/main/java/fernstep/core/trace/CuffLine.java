package fernstep.core.trace;

import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The cuff under the low back: how far it moves in each repetition against the rest before it. */
final class CuffLine {
    private static final double REST_BEFORE_S = 2;
    private static final double SMOOTH_S = 0.2;
    private static final double OUTSIDE_LEAST_S = 0.3;
    private static final double NOISE_SDS = 3;
    private static final double LEAST_MMHG = 3;
    private static final double LEAST_REP_S = 1;
    private static final double BRIDGED_S = 0.7;
    private static final double SETTLES_S = 0.5;

    private final TraceAnalysis.Question q;
    private final Trace trace;
    private final double[] mmHg;
    private final double noise;

    CuffLine(TraceAnalysis.Question question) {
        this.q = question;
        this.trace = question.trace();
        this.mmHg = Signals.smooth(trace.values(Channel.CUFF), SMOOTH_S);
        this.noise =
                Signals.noise(trace.values(Channel.CUFF)) / Math.sqrt(2 * Math.sqrt(Math.PI) * SMOOTH_S * Trace.HZ);
    }

    /** Of the smoothed line, mmHg, as a standard deviation. */
    double noise() {
        return noise;
    }

    /** Repetitions by the cuff alone: where it leaves its slow level by more than its noise, and for long enough. */
    List<TraceAnalysis.Mark> repetitions() {
        List<TraceAnalysis.Mark> marks = new ArrayList<>();
        double[] away = Signals.minus(mmHg, level(mmHg));
        double threshold = Math.max(LEAST_MMHG, 5 * noise);
        int from = -1;
        int last = -1;
        for (int i = 0; i <= away.length; i++) {
            boolean out = i < away.length && Math.abs(away[i]) > threshold;
            if (out) {
                from = from < 0 ? i : from;
                last = i;
            } else if (from >= 0 && (i == away.length || i - last > BRIDGED_S * Trace.HZ)) {
                if (last - from >= LEAST_REP_S * Trace.HZ) {
                    marks.add(new TraceAnalysis.Mark(
                            marks.size() + 1, null, trace.ms(foot(away, from, -1)), trace.ms(foot(away, last, 1))));
                }
                from = -1;
            }
        }
        return marks;
    }

    /** Where the way up to a point began: as long as it goes on falling, down to the noise. */
    private int foot(double[] away, int from, int step) {
        int i = from;
        while (i + step >= 0
                && i + step < away.length
                && Math.abs(away[i + step]) < Math.abs(away[i])
                && Math.abs(away[i]) > 2 * noise) {
            i += step;
        }
        return i;
    }

    /** The level at rest: medians of half minutes, joined straight. */
    private static double[] level(double[] values) {
        int block = 15 * Trace.HZ;
        double[] level = new double[values.length];
        int blocks = Math.max(1, (int) Math.ceil((double) values.length / block));
        double[] medians = new double[blocks];
        for (int b = 0; b < blocks; b++) {
            int from = Math.max(0, b * block - block / 2);
            int to = Math.min(values.length, (b + 1) * block + block / 2);
            medians[b] = Signals.median(Arrays.copyOfRange(values, from, to));
        }
        for (int i = 0; i < values.length; i++) {
            double at = Math.max(0, Math.min(blocks - 1.0, (i - block / 2.0) / block));
            int low = (int) Math.floor(at);
            int high = Math.min(blocks - 1, low + 1);
            level[i] = medians[low] + (at - low) * (medians[high] - medians[low]);
        }
        return level;
    }

    /**
     * @param below how far beyond the band downwards, 0 or less where it stays within; {@code above} upwards
     * @param returnControl see {@link TraceReport.Rep#returnControl}
     */
    record Moved(
            double excursion,
            double outsideS,
            double belowS,
            double aboveS,
            double below,
            double above,
            @Nullable Double returnControl) {}

    @Nullable
    Moved of(TraceAnalysis.Mark mark, TraceAnalysis.@Nullable Mark before) {
        if (trace.broken(mark.startMs(), mark.endMs())) {
            return null;
        }
        double rest = rest(mark, before);
        double unsure = Math.max(1, NOISE_SDS * noise);
        boolean imprint = q.spine() == Stances.Spine.LIGHT_IMPRINT;
        double low = imprint ? -unsure - 1 : -q.toleranceMmHg();
        double high = q.toleranceMmHg();
        int from = trace.at(mark.startMs());
        int to = trace.at(mark.endMs());
        double most = 0;
        int farthest = from;
        int below = 0;
        int above = 0;
        double lowest = Double.POSITIVE_INFINITY;
        double highest = Double.NEGATIVE_INFINITY;
        for (int i = from; i <= to; i++) {
            double moved = mmHg[i] - rest;
            if (Math.abs(moved) > Math.abs(most)) {
                most = moved;
                farthest = i;
            }
            below += moved < low ? 1 : 0;
            above += moved > high ? 1 : 0;
            lowest = Math.min(lowest, moved);
            highest = Math.max(highest, moved);
        }
        return new Moved(
                most,
                (double) (below + above) / Trace.HZ,
                (double) below / Trace.HZ,
                (double) above / Trace.HZ,
                low - lowest,
                highest - high,
                Math.abs(most) < Math.max(LEAST_MMHG, 5 * noise) ? null : returnControl(from, farthest, to));
    }

    /** The fastest way out against the fastest way back, a point each; a drop comes back faster than it went. */
    private @Nullable Double returnControl(int from, int farthest, int to) {
        double out = fastest(from, farthest);
        double back = fastest(farthest, Math.min(mmHg.length - 1, to + (int) (SETTLES_S * Trace.HZ)));
        return out <= 0 || back <= 0 ? null : Math.min(1, out / back);
    }

    private double fastest(int from, int to) {
        double most = 0;
        for (int i = from + 1; i <= to; i++) {
            most = Math.max(most, Math.abs(mmHg[i] - mmHg[i - 1]));
        }
        return most;
    }

    /** Level of the two seconds before, as far as nothing was lifted then; what the cuff was set to where there are none. */
    private double rest(TraceAnalysis.Mark mark, TraceAnalysis.@Nullable Mark before) {
        double from = Math.max(
                mark.startMs() - 1000 * REST_BEFORE_S,
                before == null ? Double.NEGATIVE_INFINITY : before.endMs() + 300);
        int a = trace.at(from);
        int b = trace.at(mark.startMs() - 200);
        if (b - a < Trace.HZ / 2 || trace.broken(from, mark.startMs())) {
            return q.baselineMmHg();
        }
        return Signals.median(Arrays.copyOfRange(mmHg, a, b + 1));
    }

    /** Falling: the back lifts. Rising: it is pressed flat, which only a natural curve minds. */
    void judge(Moved moved, List<TraceReport.Verdict> verdict) {
        double scale = Math.max(1, 2 * noise);
        if (moved.belowS() >= OUTSIDE_LEAST_S) {
            verdict.add(new TraceReport.Verdict(SignCode.BACK_ARCHES, TraceAnalysis.confidence(moved.below(), scale)));
        }
        if (moved.aboveS() >= OUTSIDE_LEAST_S && q.spine() == Stances.Spine.NATURAL_CURVE) {
            verdict.add(new TraceReport.Verdict(SignCode.BACK_PRESSED, TraceAnalysis.confidence(moved.above(), scale)));
        }
    }

    /** Where she is to let go, the cuff comes back to where it was before the lift, within its noise, before she lifts again. */
    void letsGo(
            TraceAnalysis.Mark mark,
            TraceAnalysis.@Nullable Mark before,
            TraceAnalysis.@Nullable Mark after,
            List<TraceReport.Verdict> verdict) {
        double from = mark.endMs() + 1000 * SETTLES_S;
        double to =
                Math.min(from + 1000 * REST_BEFORE_S, after == null ? Double.POSITIVE_INFINITY : after.startMs() - 200);
        int a = trace.at(from);
        int b = trace.at(to);
        if (!q.letsGo() || b - a < Trace.HZ / 2 || trace.broken(mark.endMs(), to)) {
            return;
        }
        double left = Math.abs(Signals.median(Arrays.copyOfRange(mmHg, a, b + 1)) - rest(mark, before));
        double unsure = Math.max(LEAST_MMHG, NOISE_SDS * noise);
        if (left > unsure) {
            verdict.add(new TraceReport.Verdict(
                    SignCode.NO_LET_GO, TraceAnalysis.confidence(left - unsure, Math.max(1, 2 * noise))));
        }
    }
}
