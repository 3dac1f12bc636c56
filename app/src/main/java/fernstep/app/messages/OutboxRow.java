package fernstep.app.messages;

import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/** A message as it lies in the outbox. */
public record OutboxRow(
        long id,
        @Nullable Long clientId,
        MessageKind kind,
        String toAddress,
        String subject,
        String body,
        LocalDateTime madeAt,
        LocalDateTime notBefore,
        int tries,
        State state,
        @Nullable LocalDateTime sentAt,
        String lastError) {

    /** Where it stands. */
    public enum State {
        WAITING,
        /** An instance is handing it over just now. */
        TAKEN,
        SENT,
        /** Refused, or tried as often as is sensible. */
        FAILED,
        /** The instance that was sending it went away in the middle: it may have gone out. Somebody decides. */
        IN_DOUBT
    }

    /** How the tag of its state looks. */
    public String tone() {
        return switch (state) {
            case SENT -> "tag-open";
            case FAILED, IN_DOUBT -> "tag-stop";
            case WAITING, TAKEN -> "";
        };
    }

    public boolean waits() {
        return state == State.WAITING;
    }

    /** It has not gone out, and nobody is sending it just now. */
    public boolean mayBeDropped() {
        return state != State.SENT && state != State.TAKEN;
    }

    /** Somebody decides whether it is sent again. */
    public boolean mayGoAgain() {
        return state == State.FAILED || state == State.IN_DOUBT;
    }
}
