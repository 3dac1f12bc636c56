package fernstep.core.decision;

import fernstep.core.measure.Reason;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What one rule answers to one sign.
 *
 * @param options the levers that could have been used, best first; the chosen one leads when the move eases
 */
record Candidate(
        RuleId rule,
        Move move,
        @Nullable LeverChange change,
        StepsBack.@Nullable To stepBack,
        Reason reason,
        @Nullable Seen sign,
        List<LeverChange> options,
        boolean closesLoadedRungs,
        boolean refers) {

    static Candidate plain(RuleId rule, Move move, @Nullable Seen sign, String reasonKey, Object... facts) {
        return new Candidate(rule, move, null, null, Reason.of(reasonKey, facts), sign, List.of(), false, false);
    }

    Candidate withOptions(List<LeverChange> levers) {
        return new Candidate(rule, move, change, stepBack, reason, sign, levers, closesLoadedRungs, refers);
    }

    /** With a second lever pulled along, where one is pulled and none goes with it yet. */
    Candidate together(LeverChange also) {
        if (change == null || change.with() != null || change.lever() == also.lever()) {
            return this;
        }
        LeverChange both = new LeverChange(change.lever(), change.from(), change.to(), also, change.loadChangePct());
        List<LeverChange> levers =
                Stream.concat(Stream.of(both), options.stream().skip(1)).toList();
        return new Candidate(rule, move, both, stepBack, reason, sign, levers, closesLoadedRungs, refers);
    }

    Candidate closingLoadedRungs() {
        return new Candidate(rule, move, change, stepBack, reason, sign, options, true, refers);
    }

    Candidate referring() {
        return new Candidate(rule, move, change, stepBack, reason, sign, options, closesLoadedRungs, true);
    }
}
