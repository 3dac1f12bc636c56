package fernstep.app.ask;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import java.time.LocalDateTime;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Something that came from a client's home page and that somebody must look at.
 *
 * @param code an answer or a sign by its code; of a locked page its number of tries
 * @param attendedAt null while nobody has
 */
public record HomeFlag(
        long id,
        long clientId,
        Kind kind,
        String code,
        LocalDateTime toldAt,
        @Nullable LocalDateTime attendedAt,
        String attendedHow) {

    /** What came. */
    public enum Kind {
        /** One of today's questions answered with yes. */
        ANSWER,
        /** A sign that ended her day. */
        SIGN,
        /** Too many wrong PINs. */
        LOCKED
    }

    /** Empty for what is no answer. */
    public Optional<Answer> answer() {
        return kind == Kind.ANSWER ? Optional.of(Answer.valueOf(code)) : Optional.empty();
    }

    /** It closes until a person with the licence takes it back. */
    public boolean closes() {
        return answer().map(Answer::needsLicenceToTakeBack).orElse(false);
    }

    /** What it was, in words. */
    public Reason what() {
        return switch (kind) {
            case ANSWER -> Reason.of("fromHome.answer", Answer.valueOf(code));
            case SIGN -> Reason.of("fromHome.sign", SignCode.valueOf(code));
            case LOCKED -> Reason.of("fromHome.locked", code);
        };
    }
}
