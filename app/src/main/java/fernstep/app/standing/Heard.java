package fernstep.app.standing;

import fernstep.core.standing.SafetyReport.Way;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/**
 * How a report came.
 *
 * @param at when it was said
 * @param by who took it down; null where she told it on her own page
 * @param visitId the visit in which it was said; null elsewhere
 * @param sessionId the session in which it was said; null elsewhere
 */
public record Heard(
        Way way,
        LocalDateTime at,
        @Nullable Long by,
        @Nullable Long visitId,
        @Nullable String sessionId) {

    public static Heard fromHome(LocalDateTime at) {
        return new Heard(Way.HOME, at, null, null, null);
    }

    public static Heard atVisit(LocalDateTime at, long by, long visitId) {
        return new Heard(Way.VISIT, at, by, visitId, null);
    }

    public static Heard inSession(LocalDateTime at, long by, String sessionId) {
        return new Heard(Way.SESSION, at, by, null, sessionId);
    }

    public static Heard inLog(LocalDateTime at, long by) {
        return new Heard(Way.LOG, at, by, null, null);
    }
}
