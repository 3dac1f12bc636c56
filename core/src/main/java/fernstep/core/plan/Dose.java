package fernstep.core.plan;

import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.measure.Range;
import java.util.Optional;
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

    /** Repetitions or breaths of one set; a hold without repetitions counts as one. */
    public int times() {
        if (reps != null) {
            return reps;
        }
        return breaths != null ? breaths : 1;
    }

    /**
     * As often, on another rung and no longer than it asks for at the least: for going on with an easier one.
     *
     * @param window of that rung
     * @param timesNow repetitions that were asked for, from 1; kept as near as the window allows
     */
    public Dose leastOn(Window window, int timesNow) {
        return new Dose(
                sets,
                Optional.ofNullable(window.reps())
                        .map(span -> span.clamp(timesNow))
                        .orElse(null),
                Optional.ofNullable(window.holdS()).map(Span::min).orElse(null),
                Optional.ofNullable(window.breaths()).map(Span::min).orElse(null),
                perDay,
                daysPerWeek);
    }

    public Dose withDays(int count) {
        return new Dose(sets, reps, holdS, breaths, perDay, count);
    }

    public Dose withSets(int count) {
        return new Dose(count, reps, holdS, breaths, perDay, daysPerWeek);
    }

    public Dose withReps(int count) {
        return new Dose(sets, count, holdS, breaths, perDay, daysPerWeek);
    }

    public Dose withHoldS(int count) {
        return new Dose(sets, reps, count, breaths, perDay, daysPerWeek);
    }

    /** So many repetitions, or breaths where these are counted; a hold alone stays as it is. */
    public Dose withTimes(int count) {
        if (reps != null) {
            return withReps(count);
        }
        return breaths != null ? withBreaths(count) : this;
    }

    public Dose withBreaths(int count) {
        return new Dose(sets, reps, holdS, count, perDay, daysPerWeek);
    }
}
