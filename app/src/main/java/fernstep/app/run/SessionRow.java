package fernstep.app.run;

import java.time.LocalDate;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/** A training session as stored. */
public record SessionRow(
        String id,
        long clientId,
        LocalDate heldOn,
        long staffId,
        @Nullable LocalDateTime finishedAt) {}
