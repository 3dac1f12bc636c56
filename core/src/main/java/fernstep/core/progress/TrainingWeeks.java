package fernstep.core.progress;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;

/** What the log says over weeks. */
public final class TrainingWeeks {
    private static final int WEEK = 7;

    private TrainingWeeks() {}

    /** Weeks in a row, counted back from today, in each of which she trained and nothing was stopped or stepped back. */
    public static int clean(List<SessionResult> log, LocalDate today) {
        int weeks = 0;
        while (cleanWeek(log, today.minusDays((long) WEEK * weeks))) {
            weeks++;
        }
        return weeks;
    }

    private static boolean cleanWeek(List<SessionResult> log, LocalDate lastDay) {
        List<SessionResult> week = log.stream()
                .filter(r -> !r.date().isAfter(lastDay) && ChronoUnit.DAYS.between(r.date(), lastDay) < WEEK)
                .toList();
        return !week.isEmpty()
                && week.stream()
                        .allMatch(r -> r.kind().compareTo(SessionResult.Kind.EASED) <= 0 && !r.holdsEverything());
    }
}
