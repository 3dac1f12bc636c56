package fernstep.core.progress;

import fernstep.core.measure.Range;
import fernstep.core.plan.Dose;
import org.jspecify.annotations.Nullable;

/**
 * How much of an exercise was done in a session, on one side.
 *
 * @param sets 1 to 10
 * @param times repetitions or breaths of a set, from 1; a hold without repetitions counts as one
 * @param holdS seconds held; null where nothing is held
 */
public record Amount(int sets, int times, @Nullable Integer holdS) {

    /** @throws fernstep.core.measure.OutOfRange for sets outside 1 to 10 */
    public Amount {
        Range.SETS.check(sets);
    }

    /** All of a dose. */
    public static Amount of(Dose dose) {
        return new Amount(dose.sets(), dose.times(), dose.holdS());
    }

    /** As much in each of its sets as the dose asks for. */
    boolean fullSetsOf(Dose dose) {
        Integer asked = dose.holdS();
        return times >= dose.times() && (asked == null || (holdS != null && holdS >= asked));
    }

    boolean allSetsOf(Dose dose) {
        return sets >= dose.sets();
    }
}
