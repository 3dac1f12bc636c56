package fernstep.core.trace;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
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
     * @param excursionMmHg greatest change of the cuff against the rest before, with its sign; null without a cuff
     * @param outsideS seconds outside the band that is allowed
     * @param overshootMmHg how far beyond the band at most, from 0
     * @param bellyOut how far the belly goes out while she breathes out under effort, as a share of a breath; null without both belts
     * @param verdict signs it may propose, surest first; empty for a clean repetition
     */
    public record Rep(
            int rep,
            @Nullable Side side,
            double startMs,
            double endMs,
            @Nullable Double leadS,
            @Nullable Double excursionMmHg,
            double outsideS,
            double overshootMmHg,
            @Nullable Double bellyOut,
            List<Verdict> verdict) {
        /** How far the cuff moved either way, mmHg; 0 without one. */
        double moved() {
            return excursionMmHg == null ? 0 : Math.abs(excursionMmHg);
        }

        double surest() {
            return verdict.stream().mapToDouble(Verdict::confidence).max().orElse(0);
        }

        /** No sign one could be sure of. */
        public boolean clean() {
            return verdict.stream().noneMatch(v -> v.confidence() >= SURE);
        }
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
                .filter(r -> reps.size() > 1)
                .filter(r -> best().map(b -> b.startMs() != r.startMs()).orElse(true))
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
