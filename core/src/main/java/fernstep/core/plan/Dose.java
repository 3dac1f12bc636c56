package fernstep.core.plan;

import fernstep.core.measure.Range;
import org.jspecify.annotations.Nullable;

/**
 * sets × reps × hold (or breaths) × sessions a day × days a week.
 *
 * @param reps repetitions a set, or null where breaths count
 * @param holdS seconds held per repetition, or in all where there are no repetitions; null where nothing is held
 * @param breaths breaths a set, or null
 * @param sets 1 to 10
 * @param perDay sessions a day, 1 to 6
 * @param daysPerWeek 1 to 7
 */
public record Dose(
        int sets,
        @Nullable Integer reps,
        @Nullable Integer holdS,
        @Nullable Integer breaths,
        int perDay,
        int daysPerWeek) {
    /** @throws fernstep.core.measure.OutOfRange outside the ranges above */
    public Dose {
        Range.SETS.check(sets);
        if (reps != null) {
            Range.REPS.check(reps);
        }
        if (holdS != null) {
            Range.DOSE_HOLD_S.check(holdS);
        }
        if (breaths != null) {
            Range.DOSE_BREATHS.check(breaths);
        }
        Range.PER_DAY.check(perDay);
        Range.DAYS_PER_WEEK.check(daysPerWeek);
    }

    public Dose withDays(int n) {
        return new Dose(sets, reps, holdS, breaths, perDay, n);
    }

    public Dose withSets(int n) {
        return new Dose(n, reps, holdS, breaths, perDay, daysPerWeek);
    }

    public Dose withReps(int n) {
        return new Dose(sets, n, holdS, breaths, perDay, daysPerWeek);
    }

    public Dose withHoldS(int n) {
        return new Dose(sets, reps, n, breaths, perDay, daysPerWeek);
    }

    /** So many repetitions, or breaths where these are counted; a hold alone stays as it is. */
    public Dose withTimes(int n) {
        return reps != null ? withReps(n) : breaths != null ? withBreaths(n) : this;
    }

    public Dose withBreaths(int n) {
        return new Dose(sets, reps, holdS, n, perDay, daysPerWeek);
    }
}
