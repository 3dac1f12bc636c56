package fernstep.app.run;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.RungForm;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Eased;
import fernstep.core.plan.PlanItem;
import fernstep.core.session.PlannedExercise;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One planned item of a session as stored.
 *
 * @param parts levers and helpers in use from its first repetition, with commas; empty or null for none
 */
public record ItemRow(
        String sessionId,
        int ordinal,
        String rung,
        String form,
        String side,
        int sets,
        @Nullable Integer reps,
        @Nullable Integer holdS,
        @Nullable Integer breaths,
        int perDay,
        int daysPerWeek,
        double rangeFraction,
        int kneesBentDeg,
        @Nullable String parts) {

    static ItemRow of(String sessionId, int ordinal, PlanItem item, Catalogue catalogue) {
        Dose dose = item.dose();
        return new ItemRow(
                sessionId,
                ordinal,
                item.rung().code(),
                RungForm.of(item.rung(), catalogue.rung(item.rung().code())).name(),
                item.side() == null ? "" : item.side().name(),
                dose.sets(),
                dose.reps(),
                dose.holdS(),
                dose.breaths(),
                dose.perDay(),
                dose.daysPerWeek(),
                item.range(),
                easing(item).kneesBentDeg(),
                String.join(",", easing(item).parts()));
    }

    private static Easing easing(PlanItem item) {
        Eased eased = item.eased();
        return eased == null ? Easing.NONE : eased.setting().easing();
    }

    /** Levers and helpers in use from its first repetition. */
    List<String> partList() {
        return parts == null || parts.isEmpty() ? List.of() : List.of(parts.split(","));
    }

    PlannedExercise planned() {
        return new PlannedExercise(
                rung,
                RungForm.valueOf(form),
                side.isEmpty() ? null : Side.valueOf(side),
                new Dose(sets, reps, holdS, breaths, perDay, daysPerWeek),
                rangeFraction,
                Easing.of(kneesBentDeg, partList()));
    }
}
