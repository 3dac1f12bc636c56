package fernstep.app.run;

import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;

/**
 * Something that happened in a session; never changed once written. A sign carries the advice it got.
 *
 * @param sign a sign code, or an emergency answer's code
 * @param refersTo the event that an undo or an override is about
 * @param numberValue effort, or the item to go to
 * @param holdSecond seconds into the hold when the sign came, or null
 * @param runnerUp the next best move and why it was not chosen, in words
 */
public record EventRow(
        String id,
        String sessionId,
        Kind kind,
        @Nullable String rung,
        @Nullable Integer setNo,
        @Nullable Integer repNo,
        @Nullable String sign,
        Seen.@Nullable Severity severity,
        @Nullable Side side,
        @Nullable Integer painLevel,
        @Nullable Boolean recoverable,
        @Nullable String refersTo,
        @Nullable Move move,
        @Nullable Lever lever,
        @Nullable String leverFrom,
        @Nullable String leverTo,
        @Nullable Double loadChangePct,
        @Nullable RuleId ruleId,
        @Nullable String reason,
        @Nullable Integer numberValue,
        @Nullable String runnerUp,
        @Nullable Double holdSecond) {

    /** What can happen. */
    public enum Kind {
        REP,
        NEXT_SET,
        SIGN,
        OVERRIDE,
        EFFORT,
        SKIP,
        UNDO,
        FINISH
    }
}
