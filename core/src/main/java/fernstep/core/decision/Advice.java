package fernstep.core.decision;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The next safe move.
 *
 * @param change the lever with its size; null where the move has none
 * @param stepBackTo code of the rung to go back to, with STEP_BACK (and EASE_ONE_SIDE without a lever left)
 * @param stepBackRange where on that rung to go on: no heavier than now, where that can be
 * @param loadChangePct see {@link LeverChange}; also for a step back where both loads are known
 * @param watchNext the sign to look for next; null where nothing is left to watch
 * @param closesLoadedRungs no loaded rung for the rest of this session
 * @param refers whoever is qualified must see her
 */
public record Advice(
        Move move,
        @Nullable LeverChange change,
        @Nullable String stepBackTo,
        @Nullable Double stepBackRange,
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

    public boolean locksSession() {
        return move == Move.REFER_NOW;
    }
}
