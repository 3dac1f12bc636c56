package fernstep.core.progress;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How one rung and side went in one session.
 *
 * @param effort 0 to 10, or null when it was not said
 * @param nextDay what she felt the next day; null while not known
 * @param cleanAt how she could do it without the sign for which it was made easier; null where it was not, or is not known
 * @param amount how much of it was done; null where that is not on record: then it was her dose
 */
public record SessionResult(
        LocalDate date,
        Kind kind,
        @Nullable Integer effort,
        @Nullable List<Symptom> nextDay,
        @Nullable CleanSetting cleanAt,
        @Nullable Amount amount) {
    /** Nothing was made easier in it, and all of her dose done. */
    public SessionResult(LocalDate date, Kind kind, @Nullable Integer effort, @Nullable List<Symptom> nextDay) {
        this(date, kind, effort, nextDay, null, null);
    }

    public SessionResult withAmount(@Nullable Amount done) {
        return new SessionResult(date, kind, effort, nextDay, cleanAt, done);
    }

    /** So long a credit waits for the answer about the morning after; then it lapses without loss. */
    private static final int MORNING_WAITED_FOR_DAYS = 7;

    private static final int NEXT_TO_NO_EFFORT_MAX = 1;
    private static final int WANTED_EFFORT_MAX = 4;
    private static final int WORK_EFFORT_MAX = 6;

    /** How hard it was, by the number she told. */
    public enum Hard {
        UNTOLD,
        /** 0 or 1. */
        EASY,
        /** Up to 4: what is wanted. */
        WANTED,
        /** 5 or 6: it goes, and earns nothing. */
        WORK,
        /** 7 and more. */
        TOO_HARD
    }

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

    /** Clean, at an effort of 4 or less, and said to be without symptoms the next day: silence earns nothing. */
    boolean earnsCredit() {
        return light() && nextDay != null && nextDay.isEmpty();
    }

    /** Each set was as long as the dose asks for; how many there were is another matter. */
    boolean fullSetsOf(Dose dose) {
        return amount == null || amount.fullSetsOf(dose);
    }

    boolean allSetsOf(Dose dose) {
        return amount == null || amount.allSetsOf(dose);
    }

    /** It would earn one if the morning after was without symptoms, and nobody has said how it was yet. */
    boolean waitsForTheMorning(LocalDate today) {
        return light() && nextDay == null && today.isBefore(date.plusDays(MORNING_WAITED_FOR_DAYS));
    }

    private boolean light() {
        return kind == Kind.CLEAN && (hard() == Hard.EASY || hard() == Hard.WANTED);
    }

    Hard hard() {
        if (effort == null) {
            return Hard.UNTOLD;
        }
        if (effort <= NEXT_TO_NO_EFFORT_MAX) {
            return Hard.EASY;
        }
        if (effort <= WANTED_EFFORT_MAX) {
            return Hard.WANTED;
        }
        return effort <= WORK_EFFORT_MAX ? Hard.WORK : Hard.TOO_HARD;
    }

    boolean holdsEverything() {
        return nextDay != null && nextDay.stream().anyMatch(Symptom::holdsEverything);
    }
}
