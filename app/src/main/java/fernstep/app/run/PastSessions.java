package fernstep.app.run;

import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;

/** Sessions of the past that were not run here: over, and without events of their own. */
@Service
public class PastSessions {
    private final SessionMapper mapper;

    PastSessions(SessionMapper mapper) {
        this.mapper = mapper;
    }

    /** What is there under its id stays. */
    public void keep(String sessionId, long clientId, LocalDate heldOn, long staffId, boolean atHome) {
        keep(List.of(new SessionRow(sessionId, clientId, heldOn, staffId, null)), atHome);
    }

    /** Many at once, all at home or all with her practitioner. */
    public void keep(List<SessionRow> sessions, boolean atHome) {
        mapper.insertPast(sessions, atHome);
    }

    /** Those that were brought in go again, with their results. */
    public void remove(List<String> sessions) {
        mapper.removePast(sessions);
    }
}
