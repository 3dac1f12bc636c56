package fernstep.core.progress;

import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** What the log says over weeks, counted from its first session. */
public final class TrainingWeeks {
    private static final int WEEK = 7;

    private TrainingWeeks() {}

    /**
     * One whole week.
     *
     * @param why what made it clean or not
     */
    public record Week(LocalDate from, boolean clean, Reason why) {}

    /** Whole weeks that were clean, since the log began. */
    public static int clean(List<SessionResult> log, int planned, LocalDate today) {
        return (int) of(log, planned, today).stream().filter(Week::clean).count();
    }

    /**
     * Every whole week since the first session. Clean: at least half of the planned sessions done, none stepped back or
     * stopped, no symptom the day after; an eased set does not spoil it. A morning that nobody asked about is not one
     * without symptoms: at least half of the planned ones have to be known.
     *
     * @param planned sessions a week, on different days
     */
    public static List<Week> of(List<SessionResult> log, int planned, LocalDate today) {
        List<Week> weeks = new ArrayList<>();
        LocalDate first =
                log.stream().map(SessionResult::date).min(LocalDate::compareTo).orElse(today);
        for (LocalDate from = first; !from.plusDays(WEEK).isAfter(today.plusDays(1)); from = from.plusDays(WEEK)) {
            LocalDate start = from;
            LocalDate end = from.plusDays(WEEK);
            weeks.add(week(
                    start,
                    log.stream()
                            .filter(result -> !result.date().isBefore(start)
                                    && result.date().isBefore(end))
                            .toList(),
                    planned));
        }
        return List.copyOf(weeks);
    }

    private static Week week(LocalDate from, List<SessionResult> results, int planned) {
        long done = results.stream().map(SessionResult::date).distinct().count();
        if (2 * done < planned) {
            return new Week(from, false, Reason.of("week.tooFew", done, planned));
        }
        boolean wentWrong =
                results.stream().anyMatch(result -> result.kind().compareTo(SessionResult.Kind.STEPPED_BACK) >= 0);
        if (wentWrong) {
            return new Week(from, false, Reason.of("week.steppedBack"));
        }
        boolean symptom = results.stream()
                .anyMatch(
                        result -> result.nextDay() != null && !result.nextDay().isEmpty());
        if (symptom) {
            return new Week(from, false, Reason.of("week.symptom"));
        }
        long said = results.stream()
                .filter(result -> result.nextDay() != null)
                .map(SessionResult::date)
                .distinct()
                .count();
        return 2 * said < planned
                ? new Week(from, false, Reason.of("week.morningsUnknown", said, planned))
                : new Week(from, true, Reason.of("week.clean", done, planned));
    }
}
