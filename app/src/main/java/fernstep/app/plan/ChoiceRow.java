package fernstep.app.plan;

import fernstep.core.measure.Side;
import fernstep.core.plan.Choice;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Strand;
import org.jspecify.annotations.Nullable;

/**
 * What was set by hand as stored.
 *
 * @param side empty where it is about both sides, or the rung has none
 */
public record ChoiceRow(
        long clientId,
        Strand strand,
        String side,
        @Nullable String rung,
        @Nullable Integer sets,
        @Nullable Integer reps,
        @Nullable Integer holdS,
        @Nullable Integer breaths,
        @Nullable Integer perDay,
        @Nullable Integer daysPerWeek,
        @Nullable Double rangeFraction,
        boolean locked,
        boolean leftOut) {

    static ChoiceRow of(long clientId, Choice c) {
        Dose d = c.dose();
        return new ChoiceRow(
                clientId,
                c.strand(),
                c.side() == null ? "" : c.side().name(),
                c.rung(),
                d == null ? null : d.sets(),
                d == null ? null : d.reps(),
                d == null ? null : d.holdS(),
                d == null ? null : d.breaths(),
                d == null ? null : d.perDay(),
                d == null ? null : d.daysPerWeek(),
                c.range(),
                c.locked(),
                c.leftOut());
    }

    Choice asChoice() {
        Dose dose = sets == null || perDay == null || daysPerWeek == null
                ? null
                : new Dose(sets, reps, holdS, breaths, perDay, daysPerWeek);
        return new Choice(
                strand, side.isEmpty() ? null : Side.valueOf(side), rung, dose, rangeFraction, locked, leftOut);
    }
}
