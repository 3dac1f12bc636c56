package fernstep.app.board;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** When a client was last here, and last checked. */
public record LastVisit(
        long clientId, LocalDate lastVisit, @Nullable LocalDate lastCheck) {}
