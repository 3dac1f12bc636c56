package fernstep.exchange.fhir;

import fernstep.core.approach.StanceChange;
import fernstep.core.client.Birth;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Surgery;
import fernstep.core.measure.Range;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.Map;
import org.hl7.fhir.r4.model.Bundle;
import org.hl7.fhir.r4.model.CarePlan;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.DateType;
import org.hl7.fhir.r4.model.Flag;
import org.hl7.fhir.r4.model.Goal;
import org.hl7.fhir.r4.model.IntegerType;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Period;
import org.hl7.fhir.r4.model.Procedure;
import org.hl7.fhir.r4.model.Reference;
import org.hl7.fhir.r4.model.StringType;
import org.jspecify.annotations.Nullable;

/** Writes a case file as a bundle; {@link FhirReader} reads the same elements and no others. */
final class FhirWriter {
    private static final Wording ENGLISH = Wording.english();

    private final FhirBundle bundle;
    private final LocalDate today;

    private FhirWriter(FhirBundle bundle, LocalDate today) {
        this.bundle = bundle;
        this.today = today;
    }

    static Bundle bundle(CaseFile file, LocalDate today) {
        FhirBundle bundle = new FhirBundle(file, today);
        FhirWriter w = new FhirWriter(bundle, today);
        w.facts(file.her());
        w.training(file.training());
        FhirCourse course = new FhirCourse(bundle);
        file.visits().forEach(course::visit);
        file.places().forEach(course::place);
        file.sessions().forEach(course::session);
        return bundle.signed();
    }

    private void facts(CaseFile.Her file) {
        ClientFacts f = file.facts();
        Observation status = bundle.ours("status", today);
        status.setValue(FhirCodes.rule(f.status()));
        bundle.add(status);
        vital(FhirCodes.HEIGHT, f.heightCm(), Range.HEIGHT_CM);
        vital(FhirCodes.WEIGHT, f.massKg(), Range.MASS_KG);
        if (f.age() != null) {
            Observation age = bundle.observation(FhirCodes.concept(FhirCodes.LOINC, FhirCodes.AGE), today);
            bundle.add(age.setValue(FhirCodes.quantity(f.age(), Range.AGE_YEARS.unit())));
        }
        if (f.dueDate() != null) {
            Observation due = bundle.observation(FhirCodes.concept(FhirCodes.LOINC, FhirCodes.DUE_DATE), today);
            bundle.add(due.setValue(FhirBundle.day(f.dueDate())));
        }
        if (file.dominantHand() != null) {
            Observation hand = bundle.ours("dominant-hand", today);
            bundle.add(hand.setValue(FhirCodes.concept(FhirCodes.RULES, file.dominantHand())));
        }
        if (!file.note().isBlank()) {
            bundle.add(bundle.ours("note", today).setValue(new StringType(file.note())));
        }
        f.births().forEach(this::birth);
        f.surgeries().forEach(this::surgery);
        f.clearances().forEach(this::clearance);
        f.restrictions().stream()
                .sorted()
                .forEach(restriction -> bundle.add(new Flag()
                        .setStatus(Flag.FlagStatus.ACTIVE)
                        .setCode(FhirCodes.rule(restriction))
                        .setSubject(bundle.her())));
    }

    private void vital(String code, @Nullable Double value, Range range) {
        if (value != null) {
            Observation o = bundle.observation(FhirCodes.concept(FhirCodes.LOINC, code), today);
            o.addCategory(FhirCodes.concept(FhirCodes.OBSERVATION_CATEGORY, "vital-signs"));
            bundle.add(o.setValue(FhirCodes.quantity(value, range.unit())));
        }
    }

    private void birth(Birth other) {
        Observation birth = bundle.ours("birth", other.date());
        birth.setValue(FhirCodes.rule(other.mode()));
        FhirBundle.part(birth, "tear-degree", new IntegerType(other.tearDegree()));
        bundle.add(birth);
    }

    private void surgery(Surgery surgery) {
        CodeableConcept what = FhirCodes.concept(FhirCodes.KIND, "abdominal-surgery");
        if (!surgery.what().isBlank()) {
            what.setText(surgery.what());
        }
        bundle.add(new Procedure()
                .setStatus(Procedure.ProcedureStatus.COMPLETED)
                .setCode(what)
                .setSubject(bundle.her())
                .setPerformed(FhirBundle.day(surgery.date())));
    }

    private void clearance(Clearance clearance) {
        Observation o = bundle.ours("clearance", clearance.date());
        o.setValue(FhirCodes.rule(clearance.scope()));
        Period period = new Period().setStartElement(FhirBundle.day(clearance.date()));
        if (clearance.expiry() != null) {
            period.setEndElement(FhirBundle.day(clearance.expiry()));
        }
        o.setEffective(period);
        if (clearance.byName() != null && !clearance.byName().isBlank()) {
            o.addPerformer(new Reference().setDisplay(clearance.byName()));
        }
        if (!clearance.byRole().isBlank()) {
            FhirBundle.part(o, "by-role", new StringType(clearance.byRole()));
        }
        if (clearance.note() != null && !clearance.note().isBlank()) {
            o.addNote().setText(clearance.note());
        }
        bundle.add(o);
    }

    private void training(CaseFile.Training training) {
        CarePlan plan = new CarePlan()
                .setStatus(CarePlan.CarePlanStatus.ACTIVE)
                .setIntent(CarePlan.CarePlanIntent.PLAN)
                .setSubject(bundle.her())
                .setTitle(ENGLISH.of(training.approach()));
        plan.addCategory(FhirCodes.rule(training.approach()));
        if (training.goal() != null) {
            Goal goal = new Goal()
                    .setLifecycleStatus(Goal.GoalLifecycleStatus.ACTIVE)
                    .setDescription(FhirCodes.rule(training.goal()))
                    .setSubject(bundle.her());
            if (training.goalDate() != null) {
                goal.addTarget().setDue(new DateType(training.goalDate().toString()));
            }
            plan.addGoal(bundle.add(goal));
        }
        Observation settings = bundle.ours("training", today);
        FhirBundle.part(
                settings, "minutes-per-day", FhirBundle.number(training.minutesPerDay(), Range.MINUTES_PER_DAY));
        FhirBundle.part(settings, "days-per-week", FhirBundle.number(training.daysPerWeek(), Range.DAYS_PER_WEEK));
        FhirBundle.part(settings, "size", FhirBundle.number(training.exercisesAtMost(), Range.SIZE));
        FhirBundle.part(
                settings,
                "grow-first",
                FhirCodes.concept(FhirCodes.RULES, training.growFirst().name()));
        training.blockedDays().stream()
                .sorted()
                .forEach(blockedDay -> FhirBundle.part(settings, "blocked-day", FhirBundle.code(blockedDay)));
        for (Map.Entry<StanceChange, String> change : training.stanceChanges().entrySet()) {
            FhirBundle.part(
                    settings,
                    "stance-" + change.getKey().name(),
                    FhirCodes.concept(FhirCodes.RULES, change.getValue()));
        }
        if (training.goal() == null && training.goalDate() != null) {
            FhirBundle.part(settings, "goal-date", FhirBundle.day(training.goalDate()));
        }
        plan.addSupportingInfo(bundle.add(settings));
        bundle.add(plan);
    }
}
