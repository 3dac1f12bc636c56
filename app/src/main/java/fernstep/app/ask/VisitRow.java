package fernstep.app.ask;

import java.time.LocalDate;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/** One visit as stored; {@code askedAt} is null until the questions were asked. */
public record VisitRow(
        long id,
        long clientId,
        LocalDate heldOn,
        long staffId,
        @Nullable LocalDateTime askedAt,
        @Nullable String askFirstOverride,
        @Nullable Long askFirstOverrideBy) {}
