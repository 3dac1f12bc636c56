package fernstep.app.run;

import fernstep.core.session.SessionEvent;
import fernstep.core.session.StaffId;
import fernstep.exchange.session.SessionEventJson;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** An event of a session as stored: never changed once written. */
public record StoredEvent(String id, String sessionId, SessionEventJson.Kind kind, long madeBy, String detail) {
    private static final Logger LOG = LoggerFactory.getLogger(StoredEvent.class);

    static StoredEvent of(String sessionId, SessionEvent event) {
        SessionEventJson.Written written = SessionEventJson.write(event);
        return new StoredEvent(
                event.id(), sessionId, written.kind(), event.madeBy().value(), written.detail());
    }

    /** What cannot be read is passed over and logged: one row must never take a session down. */
    static List<SessionEvent> read(List<StoredEvent> rows) {
        return rows.stream().flatMap(event -> event.event().stream()).toList();
    }

    private Optional<SessionEvent> event() {
        try {
            return Optional.of(SessionEventJson.read(kind, id, new StaffId(madeBy), detail));
        } catch (IllegalArgumentException e) {
            LOG.error("event {} of session {} cannot be read and is passed over", id, sessionId, e);
            return Optional.empty();
        }
    }
}
