package fernstep.core.plan;

import fernstep.core.approach.Stances;
import fernstep.core.measure.Range;
import java.time.DayOfWeek;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How the practitioner and she want to work.
 *
 * @param minutesPerDay 3 to 90
 * @param daysPerWeek she has, 1 to 7
 * @param blocked weekdays on which she cannot
 * @param exercisesAtMost in a session, 2 to 10, or null for what the stance says
 * @param goal what she wants to do again, or null
 * @param choices what the practitioner has set by hand
 */
public record Wishes(
        Stances stances,
        int minutesPerDay,
        int daysPerWeek,
        Set<DayOfWeek> blocked,
        @Nullable Integer exercisesAtMost,
        @Nullable Goal goal,
        List<Choice> choices) {
    private static final int WEEK = 7;
    private static final int MORE_CHANGES_FROM_MINUTES = 20;
    private static final int CHANGES = 2;
    private static final int MORE_CHANGES = 3;
    /** About five minutes a day, whatever time she has. */
    private static final int MINUTES_DAILY_AT_MOST = 6;

    /** @throws fernstep.core.measure.OutOfRange outside the ranges above */
    public Wishes {
        Range.MINUTES_PER_DAY.check(minutesPerDay);
        Range.DAYS_PER_WEEK.check(daysPerWeek);
        if (exercisesAtMost != null) {
            Range.SIZE.check(exercisesAtMost);
        }
        blocked = Set.copyOf(blocked);
        choices = List.copyOf(choices);
    }

    /** Every day free, no goal, nothing set by hand. */
    public static Wishes of(Stances stances, int minutesPerDay) {
        return new Wishes(stances, minutesPerDay, WEEK, Set.of(), null, null, List.of());
    }

    public Wishes with(List<Choice> others) {
        return new Wishes(stances, minutesPerDay, daysPerWeek, blocked, exercisesAtMost, goal, others);
    }

    public Wishes with(Stances others) {
        return new Wishes(others, minutesPerDay, daysPerWeek, blocked, exercisesAtMost, goal, choices);
    }

    /** Exercises in a session at most. */
    public int size() {
        return exercisesAtMost == null ? stances.size().to() : exercisesAtMost;
    }

    /** So many are wanted, whether or not something calls for them. */
    int sizeWanted() {
        return Math.min(size(), stances.size().from());
    }

    /** Days a week at most: hers, as far as blocked days leave them. */
    public int daysAtMost() {
        return Math.max(1, Math.min(daysPerWeek, WEEK - blocked.size()));
    }

    int secondsPerDay() {
        boolean fiveMinutes = stances.dose() == Stances.DoseStance.MINUTES_DAILY;
        return 60 * (fiveMinutes ? Math.min(minutesPerDay, MINUTES_DAILY_AT_MOST) : minutesPerDay);
    }

    /** Changes of position in a session at most. */
    int changesAtMost() {
        return changesIn(minutesPerDay);
    }

    /** With so many minutes. */
    static int changesIn(int minutes) {
        return minutes >= MORE_CHANGES_FROM_MINUTES ? MORE_CHANGES : CHANGES;
    }

    /** Trained on every day by design: rest days between heavy work are not asked for. */
    boolean daily() {
        return stances.dose() == Stances.DoseStance.MICRO_DAILY || stances.dose() == Stances.DoseStance.MINUTES_DAILY;
    }
}
