package fernstep.app.transfer;

import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/** A case file that was brought in; without a client it was only looked at. */
public record ImportRow(
        String formId,
        long staffId,
        LocalDateTime madeAt,
        String fileName,
        String body,
        @Nullable Long clientId,
        @Nullable LocalDateTime undoneAt) {}
