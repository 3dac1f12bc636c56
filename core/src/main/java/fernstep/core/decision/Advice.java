package fernstep.core.decision;

import fernstep.core.catalogue.RungForm;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The next safe move.
 *
 * @param change the lever with its size; null where the move has none
 * @param back where to go back to, with STEP_BACK (and EASE_ONE_SIDE without a lever left)
 * @param loadChangePct see {@link LeverChange}; also for a step back where both loads are known
 * @param watchNext the sign to look for next; null where nothing is left to watch
 * @param closesLoadedRungs no loaded rung for the rest of this session
 * @param refers whoever is qualified must see her
 */
public record Advice(
        Move move,
        @Nullable LeverChange change,
        @Nullable StepBack back,
        @Nullable Double loadChangePct,
        RuleId rule,
        Reason reason,
        @Nullable SignCode watchNext,
        @Nullable RunnerUp runnerUp,
        List<String> alsoSeen,
        boolean closesLoadedRungs,
        boolean refers) {

    /** The next best move and why it was not chosen. */
    public record RunnerUp(Move move, @Nullable LeverChange change, Reason reason) {}

    /**
     * The rung to go back to.
     *
     * @param rung its code
     * @param form in which it is open to her
     * @param range where on that rung to go on, 0 to 1: no heavier than now, where that can be
     */
    public record StepBack(String rung, RungForm form, double range) {
        /** @throws fernstep.core.measure.OutOfRange for a range outside 0 to 1 */
        public StepBack {
            Range.RANGE_FRACTION.check(range);
        }
    }

    public @Nullable String stepBackTo() {
        return back == null ? null : back.rung();
    }

    public @Nullable Double stepBackRange() {
        return back == null ? null : back.range();
    }

    /** The lever that would make it easier instead; empty where there is none beside the advised one. */
    public Optional<LeverChange> easierInstead() {
        return Optional.ofNullable(runnerUp)
                .filter(next -> next.move().eases())
                .flatMap(next -> Optional.ofNullable(next.change()));
    }

    public boolean locksSession() {
        return move == Move.REFER_NOW;
    }
}
