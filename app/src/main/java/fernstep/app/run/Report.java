package fernstep.app.run;

import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.session.Intake;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SkipReason;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;

/**
 * What the browser reports; {@code id} is made there, so that a repeat is the same event.
 *
 * @param at place of the exercise that a repetition or an effort was told of, from 0; null where it was not said
 * @param value an effort, 0 to 10
 * @param text a note
 */
public record Report(
        String id,
        Kind kind,
        @Nullable Integer at,
        @Nullable Sign sign,
        @Nullable Chosen chosen,
        @Nullable Integer value,
        @Nullable SkipReason skip,
        @Nullable Added added,
        @Nullable String text) {
    private static final String NO_REASON = "no reason given";

    /**
     * Something seen or called out.
     *
     * @param code a sign's, or an emergency answer's
     * @param severity strong where it was not said
     * @param side where it showed; null for the side in training
     * @param second seconds into the hold
     * @param painLevel 0 to 10, with pain
     * @param sharp with pain: ends the exercise whatever its number
     * @param place with pain: where it hurts; null where nobody said
     * @param recoverable whether the engagement could be found again
     */
    public record Sign(
            String code,
            Seen.@Nullable Severity severity,
            @Nullable Side side,
            @Nullable Double second,
            @Nullable Integer painLevel,
            @Nullable Boolean sharp,
            @Nullable BodyPlace place,
            @Nullable Boolean recoverable) {

        Seen seen() {
            return new Seen(
                    SignCode.valueOf(code),
                    severity == null ? Seen.Severity.CLEAR : severity,
                    side,
                    null,
                    second,
                    painLevel,
                    place,
                    Boolean.TRUE.equals(sharp),
                    recoverable);
        }
    }

    /** Another move than the one advised. */
    public record Chosen(
            String refersTo, Move move, @Nullable String reason) {}

    /** An exercise to add. */
    public record Added(String rung, @Nullable Side side) {}

    /** A report of something that has no more to say than that it happened. */
    public static Report of(String id, Kind kind) {
        return new Report(id, kind, null, null, null, null, null, null, null);
    }

    public static Report sign(String id, String code) {
        return new Report(
                id,
                Kind.SIGN,
                null,
                new Sign(code, null, null, null, null, null, null, null),
                null,
                null,
                null,
                null,
                null);
    }

    public static Report note(String id, String text) {
        return new Report(id, Kind.NOTE, null, null, null, null, null, null, text);
    }

    /** Whether everything is there that its kind needs; what comes over the network may lack any of it. */
    boolean complete() {
        boolean signed = sign == null || emergency().isPresent() || known(sign.code());
        boolean chose = chosen == null || (chosen.refersTo() != null && chosen.move() != null);
        return id != null && kind != null && signed && chose && (added == null || added.rung() != null);
    }

    private static boolean known(@Nullable String sign) {
        return Arrays.stream(SignCode.values()).anyMatch(code -> code.name().equals(sign));
    }

    /** What the plan has for an exercise that is to be added; empty where it has none. */
    interface Plannable extends BiFunction<String, Optional<Side>, Optional<PlannedExercise>> {}

    /**
     * What is to be written down of it; empty where it changes nothing.
     *
     * @throws IllegalArgumentException where it makes no sense: an unknown sign, an effort outside 0 to 10
     */
    Optional<SessionEvent> event(Intake intake, Plannable plan) {
        return switch (kind) {
            case REP -> intake.repDone(id);
            case NEXT_SET -> intake.setBegun(id);
            case SIGN, EMERGENCY -> {
                Optional<Answer> emergency = emergency();
                yield emergency.isPresent()
                        ? intake.emergency(id, emergency.get())
                        : Optional.ofNullable(sign).flatMap(sign -> intake.sign(id, sign.seen()));
            }
            case OVERRIDE ->
                Optional.ofNullable(chosen)
                        .flatMap(chosen -> intake.overridden(id, chosen.refersTo(), chosen.move(), reason(chosen)));
            case EFFORT -> value == null ? Optional.empty() : intake.effort(id, value);
            case SKIP -> intake.skipped(id, skip == null ? SkipReason.NOT_SAID : skip);
            case UNDO -> intake.undone(id);
            case FINISH -> intake.finished(id);
            case REPEAT_SET -> intake.setRepeated(id);
            case ADD ->
                Optional.ofNullable(added)
                        .flatMap(added -> plan.apply(added.rung(), Optional.ofNullable(added.side())))
                        .flatMap(exercise -> intake.added(id, exercise));
            case NOTE -> intake.noted(id, text == null ? "" : text.strip());
        };
    }

    private static String reason(Chosen chosen) {
        String reason = chosen.reason();
        return reason == null || reason.isBlank() ? NO_REASON : reason.strip();
    }

    /** An emergency called out beside the mat. */
    Optional<Answer> emergency() {
        return sign != null && (kind == Kind.SIGN || kind == Kind.EMERGENCY)
                ? Arrays.stream(Answer.values())
                        .filter(Answer::emergency)
                        .filter(answer -> answer.name().equals(sign.code()))
                        .findFirst()
                : Optional.empty();
    }

    /** Whether a stored event can have been this report: told again it is the same, anything else reuses its id. */
    boolean tells(SessionEvent stored) {
        return stored.read(new Same(this));
    }
}
