package fernstep.core.decision;

import fernstep.core.measure.Reason;
import org.jspecify.annotations.Nullable;

/**
 * A rule that was looked at.
 *
 * @param move what it would have done; null where it did not apply
 * @param why what it says, or why it did not apply or was outranked
 */
public record Considered(
        RuleId rule, Outcome outcome, @Nullable Move move, Reason why) {

    /** What became of a rule. */
    public enum Outcome {
        CHOSEN,
        OUTRANKED,
        DID_NOT_APPLY
    }
}
