package fernstep.app.run;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.RungForm;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.PlanItem;
import fernstep.core.session.PlannedExercise;
import org.jspecify.annotations.Nullable;

/** One planned item of a session as stored. */
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
        double rangeFraction) {

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
                item.range());
    }

    PlannedExercise planned() {
        return new PlannedExercise(
                rung,
                RungForm.valueOf(form),
                side.isEmpty() ? null : Side.valueOf(side),
                new Dose(sets, reps, holdS, breaths, perDay, daysPerWeek),
                rangeFraction);
    }
}
