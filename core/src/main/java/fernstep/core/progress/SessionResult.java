package fernstep.core.progress;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How one rung and side went in one session.
 *
 * @param effort 0 to 10, or null when it was not said
 * @param nextDay what she felt the next day; null while not known
 */
public record SessionResult(
        LocalDate date,
        Kind kind,
        @Nullable Integer effort,
        @Nullable List<Symptom> nextDay) {
    private static final int UNKNOWN_COUNTS_AS_NONE_DAYS = 2;
    private static final int WANTED_EFFORT_MAX = 4;

    /** From best to worst. */
    public enum Kind {
        CLEAN,
        HELPED,
        EASED,
        STEPPED_BACK,
        STOPPED
    }

    /**
     * A next-day symptom; level 0 to 10 with pain, else null.
     *
     * @param level 0 to 10 with pain; null with any other, or where it was not said
     */
    public record Symptom(SignCode code, @Nullable Integer level) {
        private static final int PAIN_HOLDS_AT = 3;

        /** @throws fernstep.core.measure.OutOfRange for a level outside 0 to 10 */
        public Symptom {
            if (level != null) {
                Range.PAIN_LEVEL.check(level);
            }
        }

        /** Heaviness, leaking, or pain of 3 and more: everything is held. Pain without a level counts as such. */
        public boolean holdsEverything() {
            return switch (code) {
                case HEAVY, LEAK -> true;
                case PAIN -> level == null || level >= PAIN_HOLDS_AT;
                default -> false;
            };
        }
    }

    /** @throws fernstep.core.measure.OutOfRange for an effort outside 0 to 10 */
    public SessionResult {
        if (effort != null) {
            Range.EFFORT.check(effort);
        }
        nextDay = nextDay == null ? null : List.copyOf(nextDay);
    }

    /** Clean, at an effort of 4 or less, and nothing felt the next day (unknown counts as none after 48 h). */
    boolean earnsCredit(LocalDate today) {
        boolean light = effort != null && effort <= WANTED_EFFORT_MAX;
        return kind == Kind.CLEAN && light && nothingNextDay(today);
    }

    private boolean nothingNextDay(LocalDate today) {
        return nextDay == null ? !today.isBefore(date.plusDays(UNKNOWN_COUNTS_AS_NONE_DAYS)) : nextDay.isEmpty();
    }

    boolean holdsEverything() {
        return nextDay != null && nextDay.stream().anyMatch(Symptom::holdsEverything);
    }
}
