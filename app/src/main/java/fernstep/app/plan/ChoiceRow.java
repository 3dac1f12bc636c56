package fernstep.app.plan;

import fernstep.core.measure.Side;
import fernstep.core.plan.Choice;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
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

    static ChoiceRow of(long clientId, Choice choice) {
        Dose d = choice.dose();
        return new ChoiceRow(
                clientId,
                choice.strand(),
                choice.side() == null ? "" : choice.side().name(),
                choice.rung(),
                d == null ? null : d.sets(),
                d == null ? null : d.reps(),
                d == null ? null : d.holdS(),
                d == null ? null : d.breaths(),
                d == null ? null : d.perDay(),
                d == null ? null : d.daysPerWeek(),
                choice.range(),
                choice.locked(),
                choice.leftOut());
    }

    /** For the record: rung, dose and range as they are, what is locked or left out by its code. */
    static String written(Choice choice) {
        Dose d = choice.dose();
        List<String> parts = new ArrayList<>();
        if (choice.rung() != null) {
            parts.add(choice.rung());
        }
        if (d != null) {
            Integer times = d.reps() == null && d.breaths() == null ? null : Integer.valueOf(d.times());
            parts.add(d.sets() + (times == null ? "" : " × " + times)
                    + (d.holdS() == null ? "" : " × " + d.holdS() + " s") + ", " + d.daysPerWeek() + "/7");
        }
        if (choice.range() != null) {
            parts.add(Math.round(100 * choice.range()) + " %");
        }
        if (choice.locked()) {
            parts.add("LOCKED");
        }
        if (choice.leftOut()) {
            parts.add("LEFT_OUT");
        }
        return parts.isEmpty() ? "NOTHING_SET" : String.join(", ", parts);
    }

    Choice asChoice() {
        Dose dose = sets == null || perDay == null || daysPerWeek == null
                ? null
                : new Dose(sets, reps, holdS, breaths, perDay, daysPerWeek);
        return new Choice(
                strand, side.isEmpty() ? null : Side.valueOf(side), rung, dose, rangeFraction, locked, leftOut);
    }
}
