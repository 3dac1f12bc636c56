package fernstep.core.trace;

import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What a trace shows. Moments in ms as the recording counts them.
 *
 * @param sampleRateHz as it came
 * @param durationMs from the first sample to the last
 */
public record TraceReport(
        double sampleRateHz,
        double durationMs,
        List<Breath> breaths,
        List<Hold> holds,
        List<Rep> reps,
        Summary summary,
        List<Trace.Gap> gaps,
        List<Trace.Problem> problems) {

    /** Below it a verdict is unsure: shown as such, and nothing is moved by it (brief 9.2). */
    public static final double SURE = 0.6;

    /**
     * @param inMs onset of the in-breath
     * @param outMs onset of the out-breath that follows
     */
    public record Breath(double inMs, double outMs) {}

    /**
     * A breath held under effort.
     *
     * @param startMs where the belt comes to rest
     * @param endMs where it moves again
     */
    public record Hold(double startMs, double endMs) {}

    /**
     * One repetition.
     *
     * @param rep number, from 1
     * @param startMs the lift begins
     * @param endMs the return is over
     * @param leadS effort after the onset of the out-breath, in seconds; positive where the breath goes first; null without one near
     * @param heldS longest breath held under this effort, in seconds; 0 without one
     * @param excursionMmHg greatest change of the cuff against the rest before, with its sign; null without a cuff
     * @param outsideS seconds outside the band that is allowed
     * @param overshootMmHg how far beyond the band at most, from 0
     * @param returnControl how the cuff comes back against how it went: 1 as slowly or slower, 0.5 twice as fast, above 0;
     *     null without a cuff, or where it hardly moved
     * @param bellyOut how far the belly goes out while she breathes out under effort, as a share of a breath; null without both belts
     * @param verdict signs it may propose, surest first; empty for a clean repetition
     */
    public record Rep(
            int rep,
            @Nullable Side side,
            double startMs,
            double endMs,
            @Nullable Double leadS,
            double heldS,
            @Nullable Double excursionMmHg,
            double outsideS,
            double overshootMmHg,
            @Nullable Double returnControl,
            @Nullable Double bellyOut,
            List<Verdict> verdict) {
        /** The lead that is wanted, in seconds (brief 9.2). */
        private static final double LEAST_LEAD_S = 0.1;

        private static final double MOST_LEAD_S = 1.5;

        /**
         * How the breath led the effort.
         *
         * @param timing what she is to do; who breathes through has no lead to keep
         * @return empty where there is nothing to judge
         */
        public Optional<Lead> lead(Stances.EffortTiming timing) {
            if (leadS == null || timing == Stances.EffortTiming.BREATHE_THROUGH) {
                return Optional.empty();
            }
            if (leadS < LEAST_LEAD_S) {
                return Optional.of(Lead.SHORT);
            }
            return Optional.of(leadS > MOST_LEAD_S ? Lead.LONG : Lead.WANTED);
        }

        /** Below it a return is a drop: it comes back more than one and a half times as fast as it went. */
        private static final double LEAST_CONTROL = 0.6;

        /** It fell back rather than being led back; false where that was not measured. */
        public boolean letDrop() {
            return returnControl != null && returnControl < LEAST_CONTROL;
        }

        /** With one sign more, surest first. */
        Rep with(Verdict more) {
            List<Verdict> all = Stream.concat(verdict.stream(), Stream.of(more))
                    .sorted(Comparator.comparingDouble(Verdict::confidence).reversed())
                    .toList();
            return new Rep(
                    rep,
                    side,
                    startMs,
                    endMs,
                    leadS,
                    heldS,
                    excursionMmHg,
                    outsideS,
                    overshootMmHg,
                    returnControl,
                    bellyOut,
                    all);
        }

        /** How far the cuff moved either way, mmHg; 0 without one. */
        double moved() {
            return excursionMmHg == null ? 0 : Math.abs(excursionMmHg);
        }

        double surest() {
            return verdict.stream().mapToDouble(Verdict::confidence).max().orElse(0);
        }

        /** No sign one could be sure of. */
        public boolean clean() {
            return verdict.stream().noneMatch(verdict -> verdict.confidence() >= SURE);
        }
    }

    /** How the out-breath leads the effort. */
    public enum Lead {
        /** The effort comes first, or with the breath. */
        SHORT,
        WANTED,
        /** The breath is half out when the effort comes. */
        LONG
    }

    /** The repetition that moved the cuff least and that nothing can be said against; empty where all have a sign. */
    public Optional<Rep> best() {
        return reps.stream()
                .filter(Rep::clean)
                .min(Comparator.comparingDouble(Rep::moved).thenComparing(Rep::rep));
    }

    /** The repetition with the surest sign, or that moved the cuff most; empty without two to choose from. */
    public Optional<Rep> worst() {
        return reps.stream()
                .filter(rep -> reps.size() > 1)
                .filter(rep ->
                        best().map(each -> each.startMs() != rep.startMs()).orElse(true))
                .max(Comparator.comparingDouble(Rep::surest).thenComparingDouble(Rep::moved));
    }

    /** @param confidence 0 to 1; below 0.6 it is unsure */
    public record Verdict(SignCode sign, double confidence) {}

    /**
     * Over the whole recording.
     *
     * @param breathsPerMin null without a belt
     * @param toleranceBreaths breaths until the first repetition that is not clean, or all
     * @param breaksAtRep the first repetition from which on more are not clean than clean; null where quality holds
     * @param symmetry of the cuff's excursion, (right − left) / larger, −1 to 1; null without both sides
     */
    public record Summary(
            @Nullable Double breathsPerMin,
            int toleranceBreaths,
            @Nullable Integer breaksAtRep,
            @Nullable Double symmetry) {}
}
