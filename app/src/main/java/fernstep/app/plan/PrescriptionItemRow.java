package fernstep.app.plan;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Role;
import fernstep.core.plan.SessionTime;
import fernstep.core.plan.StandIns;
import fernstep.core.screening.Strand;
import org.jspecify.annotations.Nullable;

/** One exercise of a signed plan as stored; an exercise of two days is there twice. */
record PrescriptionItemRow(
        long prescriptionId,
        int ordinal,
        String dayName,
        int perWeek,
        Strand strand,
        Role role,
        String rung,
        RungForm form,
        String side,
        @Nullable String standInFor,
        StandIns.@Nullable Kind standInKind,
        int baseSets,
        int sets,
        @Nullable Integer reps,
        @Nullable Integer holdS,
        @Nullable Integer breaths,
        int perDay,
        int daysPerWeek,
        double rangeFraction,
        @Nullable Helper support) {

    static PrescriptionItemRow of(
            long prescriptionId, int ordinal, String dayName, int perWeek, PlanItem item, Catalogue catalogue) {
        Dose dose = item.dose();
        Rung plain = catalogue.rung(item.rung().code());
        return new PrescriptionItemRow(
                prescriptionId,
                ordinal,
                dayName,
                perWeek,
                item.strand(),
                item.role(),
                plain.code(),
                RungForm.of(item.rung(), plain),
                item.side() == null ? "" : item.side().name(),
                item.standInFor() == null ? null : item.standInFor().code(),
                item.standInKind(),
                item.baseDose().sets(),
                dose.sets(),
                dose.reps(),
                dose.holdS(),
                dose.breaths(),
                dose.perDay(),
                dose.daysPerWeek(),
                item.range(),
                item.support());
    }

    boolean known(Catalogue catalogue) {
        return catalogue.find(rung).isPresent();
    }

    PlanItem item(Catalogue catalogue, Body body) {
        Dose dose = new Dose(sets, reps, holdS, breaths, perDay, daysPerWeek);
        Rung done = form.of(catalogue.rung(rung));
        return new PlanItem(
                strand,
                role,
                done,
                side.isEmpty() ? null : Side.valueOf(side),
                standInFor == null ? null : catalogue.find(standInFor).orElse(null),
                standInKind,
                dose.withSets(baseSets),
                dose,
                rangeFraction,
                done.family() == null ? null : done.movement().point(body, rangeFraction),
                SessionTime.seconds(done, dose),
                SessionTime.loadSeconds(done, dose),
                Reason.of("why.prescribed"),
                Reason.of("whyNot.prescribed"),
                null,
                support,
                null);
    }
}
