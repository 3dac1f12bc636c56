package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
import fernstep.core.screening.Strand;
import java.util.Map;
import java.util.Set;

/**
 * What binds the sessions of a week beside their minutes.
 *
 * @param restsBetween heavy work needs a day between
 * @param rounds minutes left over are for a second round of foundations
 * @param towardGoal strands on the way to her goal: they take a place before what is never begun
 * @param bestWeeks load index × seconds under load of her best week of late, per kind; none where nothing is followed yet
 */
record WeekRules(boolean restsBetween, boolean rounds, Set<Strand> towardGoal, Map<LoadFamily, Double> bestWeeks) {
    /** So much more than in her best week of late is asked at most (brief 17.1). */
    private static final double RISES_AT_MOST = 1.2;

    WeekRules {
        towardGoal = Set.copyOf(towardGoal);
        bestWeeks = Map.copyOf(bestWeeks);
    }

    /** No set is added that takes a kind of load beyond this. */
    boolean allows(LoadFamily family, double exposureOfWeek) {
        Double best = bestWeeks.get(family);
        return best == null || exposureOfWeek <= RISES_AT_MOST * best;
    }
}
