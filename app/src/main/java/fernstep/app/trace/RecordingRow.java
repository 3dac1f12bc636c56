package fernstep.app.trace;

import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/** A recording as stored, without its samples. */
public record RecordingRow(
        long id,
        long clientId,
        @Nullable String sessionId,
        long staffId,
        String title,
        LocalDateTime startedAt,
        @Nullable LocalDateTime endedAt) {}
