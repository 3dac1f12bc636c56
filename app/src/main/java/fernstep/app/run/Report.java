package fernstep.app.run;

import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import fernstep.core.session.Intake;
import fernstep.core.session.SessionEvent;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.Arrays;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What the browser reports; {@code id} is made there, so that a repeat is the same event.
 *
 * @param sign a sign's code, or an emergency answer's
 * @param second seconds into the hold, with a sign
 */
public record Report(
        String id,
        Kind kind,
        @Nullable String sign,
        Seen.@Nullable Severity severity,
        @Nullable Integer painLevel,
        @Nullable Boolean recoverable,
        @Nullable String refersTo,
        @Nullable Move move,
        @Nullable String reason,
        @Nullable Integer value,
        @Nullable Double second) {
    private static final String NO_REASON = "no reason given";

    /**
     * What is to be written down of it; empty where it changes nothing.
     *
     * @throws IllegalArgumentException where it makes no sense: an unknown sign, an effort outside 0 to 10
     */
    Optional<SessionEvent> event(Intake intake) {
        return switch (kind) {
            case REP -> intake.repDone(id);
            case NEXT_SET -> intake.setBegun(id);
            case SIGN, EMERGENCY -> {
                Optional<Answer> emergency = emergency();
                yield emergency.isPresent() ? intake.emergency(id, emergency.get()) : sign(intake);
            }
            case OVERRIDE ->
                refersTo == null || move == null
                        ? Optional.empty()
                        : intake.overridden(
                                id, refersTo, move, reason == null || reason.isBlank() ? NO_REASON : reason.strip());
            case EFFORT -> value == null ? Optional.empty() : intake.effort(id, value);
            case SKIP -> intake.skipped(id, SkipReason.NOT_SAID);
            case UNDO -> intake.undone(id);
            case FINISH -> intake.finished(id);
        };
    }

    /** An emergency called out beside the mat. */
    Optional<Answer> emergency() {
        return kind == Kind.SIGN || kind == Kind.EMERGENCY
                ? Arrays.stream(Answer.values())
                        .filter(Answer::emergency)
                        .filter(a -> a.name().equals(sign))
                        .findFirst()
                : Optional.empty();
    }

    private Optional<SessionEvent> sign(Intake intake) {
        if (sign == null) {
            return Optional.empty();
        }
        return intake.sign(
                id,
                new Seen(
                        SignCode.valueOf(sign),
                        severity == null ? Seen.Severity.CLEAR : severity,
                        null,
                        null,
                        second,
                        painLevel,
                        null,
                        false,
                        recoverable));
    }
}
