package fernstep.app.home;

import fernstep.core.progress.HomeReport;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/**
 * How an exercise went at home, as it was said once.
 *
 * @param id made by who said it, so that the same one may come twice
 * @param effort 0 to 10; null where it was not said
 * @param heardBy who put it down; null where she told it on her own page
 */
public record HomeReportRow(
        String id,
        long clientId,
        String sessionId,
        String rung,
        String side,
        HomeReport report,
        @Nullable Integer effort,
        double rangeFraction,
        LocalDateTime reportedAt,
        @Nullable Long heardBy) {}
