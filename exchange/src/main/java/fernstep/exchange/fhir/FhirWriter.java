package fernstep.exchange.fhir;

import fernstep.core.approach.StanceChange;
import fernstep.core.client.Birth;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Surgery;
import fernstep.core.findings.Finding;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Answer;
import fernstep.core.separation.Method;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFile.Found;
import fernstep.exchange.casefile.CaseFile.Read;
import fernstep.exchange.casefile.CaseFile.Standing;
import fernstep.exchange.casefile.CaseFile.Trained;
import fernstep.exchange.casefile.CaseFile.Visited;
import fernstep.exchange.casefile.CaseFile.Went;
import fernstep.exchange.casefile.CaseFileWriter;
import fernstep.exchange.wording.Wording;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Date;
import java.util.Map;
import java.util.UUID;
import org.hl7.fhir.r4.model.BooleanType;
import org.hl7.fhir.r4.model.Bundle;
import org.hl7.fhir.r4.model.CarePlan;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.Coding;
import org.hl7.fhir.r4.model.DateTimeType;
import org.hl7.fhir.r4.model.DateType;
import org.hl7.fhir.r4.model.Encounter;
import org.hl7.fhir.r4.model.Enumerations.AdministrativeGender;
import org.hl7.fhir.r4.model.Flag;
import org.hl7.fhir.r4.model.Goal;
import org.hl7.fhir.r4.model.HumanName;
import org.hl7.fhir.r4.model.IntegerType;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Patient;
import org.hl7.fhir.r4.model.Period;
import org.hl7.fhir.r4.model.Procedure;
import org.hl7.fhir.r4.model.Provenance;
import org.hl7.fhir.r4.model.QuestionnaireResponse;
import org.hl7.fhir.r4.model.Reference;
import org.hl7.fhir.r4.model.Resource;
import org.hl7.fhir.r4.model.StringType;
import org.hl7.fhir.r4.model.Type;
import org.jspecify.annotations.Nullable;

/** Writes a case file as a bundle; {@link FhirReader} reads the same elements and no others. */
final class FhirWriter {
    private static final Wording ENGLISH = Wording.english();
    /** Who wrote a bundle, as its provenance says. */
    static final String AUTHOR = "Fern Step";

    private final Bundle bundle = new Bundle();
    private final UUID seed;
    private final LocalDate today;
    private final Reference her;
    private int count;

    private FhirWriter(CaseFile file, LocalDate today) {
        seed = UUID.nameUUIDFromBytes(CaseFileWriter.written(file, today));
        this.today = today;
        bundle.setType(Bundle.BundleType.COLLECTION);
        her = add(new Patient()
                .addName(new HumanName().setText(file.her().name()))
                .setGender(AdministrativeGender.FEMALE));
    }

    static Bundle bundle(CaseFile file, LocalDate today) {
        FhirWriter w = new FhirWriter(file, today);
        w.facts(file.her());
        w.training(file.training());
        file.visits().forEach(w::visit);
        file.places().forEach(w::place);
        file.sessions().forEach(w::session);
        w.provenance();
        return w.bundle;
    }

    /** Refers to what was added; the same client written on the same day gives the same addresses. */
    private Reference add(Resource resource) {
        String url = "urn:uuid:" + UUID.nameUUIDFromBytes((seed + " " + count++).getBytes(StandardCharsets.UTF_8));
        bundle.addEntry().setFullUrl(url).setResource(resource);
        return new Reference(url);
    }

    private Observation observation(CodeableConcept code, LocalDate day) {
        Observation o = new Observation();
        o.setStatus(Observation.ObservationStatus.FINAL);
        o.setCode(code);
        o.setSubject(her);
        o.setEffective(day(day));
        return o;
    }

    private Observation ours(String kind, LocalDate day) {
        return observation(FhirCodes.concept(FhirCodes.KIND, kind), day);
    }

    private static DateTimeType day(LocalDate day) {
        return new DateTimeType(day.toString());
    }

    private static void part(Observation o, String part, @Nullable Type value) {
        if (value != null) {
            part(o, FhirCodes.concept(FhirCodes.PART, part), value);
        }
    }

    private static void part(Observation o, CodeableConcept part, Type value) {
        o.addComponent(new Observation.ObservationComponentComponent(part).setValue(value));
    }

    private static @Nullable Type code(@Nullable Enum<?> code) {
        return code == null ? null : FhirCodes.rule(code);
    }

    private static @Nullable Type number(@Nullable Number value, Range range) {
        return value == null ? null : FhirCodes.quantity(value.doubleValue(), range.unit());
    }

    private void facts(CaseFile.Her file) {
        ClientFacts f = file.facts();
        Observation status = ours("status", today);
        status.setValue(FhirCodes.rule(f.status()));
        add(status);
        vital(FhirCodes.HEIGHT, f.heightCm(), Range.HEIGHT_CM);
        vital(FhirCodes.WEIGHT, f.massKg(), Range.MASS_KG);
        if (f.age() != null) {
            Observation age = observation(FhirCodes.concept(FhirCodes.LOINC, FhirCodes.AGE), today);
            add(age.setValue(FhirCodes.quantity(f.age(), Range.AGE_YEARS.unit())));
        }
        if (f.dueDate() != null) {
            Observation due = observation(FhirCodes.concept(FhirCodes.LOINC, FhirCodes.DUE_DATE), today);
            add(due.setValue(day(f.dueDate())));
        }
        if (file.dominantHand() != null) {
            Observation hand = ours("dominant-hand", today);
            add(hand.setValue(FhirCodes.concept(FhirCodes.RULES, file.dominantHand())));
        }
        if (!file.note().isBlank()) {
            add(ours("note", today).setValue(new StringType(file.note())));
        }
        f.births().forEach(this::birth);
        f.surgeries().forEach(this::surgery);
        f.clearances().forEach(this::clearance);
        f.restrictions().stream()
                .sorted()
                .forEach(r -> add(new Flag()
                        .setStatus(Flag.FlagStatus.ACTIVE)
                        .setCode(FhirCodes.rule(r))
                        .setSubject(her)));
    }

    private void vital(String code, @Nullable Double value, Range range) {
        if (value != null) {
            Observation o = observation(FhirCodes.concept(FhirCodes.LOINC, code), today);
            o.addCategory(FhirCodes.concept(FhirCodes.OBSERVATION_CATEGORY, "vital-signs"));
            add(o.setValue(FhirCodes.quantity(value, range.unit())));
        }
    }

    private void birth(Birth b) {
        Observation birth = ours("birth", b.date());
        birth.setValue(FhirCodes.rule(b.mode()));
        part(birth, "tear-degree", new IntegerType(b.tearDegree()));
        add(birth);
    }

    private void surgery(Surgery s) {
        CodeableConcept what = FhirCodes.concept(FhirCodes.KIND, "abdominal-surgery");
        if (!s.what().isBlank()) {
            what.setText(s.what());
        }
        add(new Procedure()
                .setStatus(Procedure.ProcedureStatus.COMPLETED)
                .setCode(what)
                .setSubject(her)
                .setPerformed(day(s.date())));
    }

    private void clearance(Clearance c) {
        Observation o = ours("clearance", c.date());
        o.setValue(FhirCodes.rule(c.scope()));
        Period period = new Period().setStartElement(day(c.date()));
        if (c.expiry() != null) {
            period.setEndElement(day(c.expiry()));
        }
        o.setEffective(period);
        if (c.byName() != null && !c.byName().isBlank()) {
            o.addPerformer(new Reference().setDisplay(c.byName()));
        }
        if (!c.byRole().isBlank()) {
            part(o, "by-role", new StringType(c.byRole()));
        }
        if (c.note() != null && !c.note().isBlank()) {
            o.addNote().setText(c.note());
        }
        add(o);
    }

    private void training(CaseFile.Training t) {
        CarePlan plan = new CarePlan()
                .setStatus(CarePlan.CarePlanStatus.ACTIVE)
                .setIntent(CarePlan.CarePlanIntent.PLAN)
                .setSubject(her)
                .setTitle(ENGLISH.of(t.approach()));
        plan.addCategory(FhirCodes.rule(t.approach()));
        if (t.goal() != null) {
            Goal goal = new Goal()
                    .setLifecycleStatus(Goal.GoalLifecycleStatus.ACTIVE)
                    .setDescription(FhirCodes.rule(t.goal()))
                    .setSubject(her);
            if (t.goalDate() != null) {
                goal.addTarget().setDue(new DateType(t.goalDate().toString()));
            }
            plan.addGoal(add(goal));
        }
        Observation settings = ours("training", today);
        part(settings, "minutes-per-day", number(t.minutesPerDay(), Range.MINUTES_PER_DAY));
        part(settings, "days-per-week", number(t.daysPerWeek(), Range.DAYS_PER_WEEK));
        part(settings, "size", number(t.exercisesAtMost(), Range.SIZE));
        part(
                settings,
                "grow-first",
                FhirCodes.concept(FhirCodes.RULES, t.growFirst().name()));
        t.blockedDays().stream().sorted().forEach(d -> part(settings, "blocked-day", code(d)));
        for (Map.Entry<StanceChange, String> change : t.stanceChanges().entrySet()) {
            part(settings, "stance-" + change.getKey().name(), FhirCodes.concept(FhirCodes.RULES, change.getValue()));
        }
        if (t.goal() == null && t.goalDate() != null) {
            part(settings, "goal-date", day(t.goalDate()));
        }
        plan.addSupportingInfo(add(settings));
        add(plan);
    }

    private void visit(Visited v) {
        Reference visit = add(new Encounter()
                .setStatus(Encounter.EncounterStatus.FINISHED)
                .setClass_(new Coding()
                        .setSystem("http://terminology.hl7.org/CodeSystem/v3-ActCode")
                        .setCode("AMB"))
                .setSubject(her)
                .setPeriod(new Period().setStartElement(day(v.date())).setEndElement(day(v.date()))));
        if (v.asked() || !v.answers().isEmpty()) {
            answers(v, visit);
        }
        v.readings().forEach(r -> reading(r, v.date(), visit));
        v.findings().forEach(f -> finding(f, v.date(), visit));
    }

    private void answers(Visited v, Reference visit) {
        QuestionnaireResponse asked = new QuestionnaireResponse()
                .setStatus(
                        v.asked()
                                ? QuestionnaireResponse.QuestionnaireResponseStatus.COMPLETED
                                : QuestionnaireResponse.QuestionnaireResponseStatus.INPROGRESS)
                .setSubject(her)
                .setEncounter(visit)
                .setAuthoredElement(day(v.date()));
        v.answers().stream()
                .sorted()
                .forEach((Answer a) -> asked.addItem()
                        .setLinkId(a.name())
                        .setText(ENGLISH.of(a))
                        .addAnswer()
                        .setValue(new BooleanType(true)));
        add(asked);
    }

    private void reading(Read r, LocalDate day, Reference visit) {
        Observation o = ours("inter-recti-distance", day);
        o.setEncounter(visit);
        o.setMethod(FhirCodes.rule(r.method()));
        Range unit = r.method() == Method.FINGERS ? Range.FINGERS : Range.WIDTH_MM;
        o.setValue(number(r.values().stream().mapToDouble(v -> v).average().orElse(0), unit));
        part(o, "site", number(r.siteCm(), Range.SITE_CM));
        part(o, "condition", code(r.condition()));
        r.values().forEach(v -> part(o, "value", number(v, unit)));
        part(o, "depth", number(r.depthMm(), Range.DEPTH_MM));
        part(o, "depth-felt", code(r.depth()));
        part(o, "feel", code(r.feel()));
        add(o);
    }

    private void finding(Found f, LocalDate day, Reference visit) {
        Finding finding = f.finding();
        Observation o = observation(FhirCodes.concept(FhirCodes.FINDING, finding.name()), day);
        o.setEncounter(visit);
        if (f.side() != null) {
            o.setBodySite(FhirCodes.side(f.side()));
        }
        if (finding.range() != null) {
            o.setValue(FhirCodes.quantity(
                    Double.parseDouble(f.value()), finding.range().unit()));
        } else if (finding.codes().isEmpty()) {
            o.setValue(new StringType(f.value()));
        } else {
            o.setValue(FhirCodes.concept(FhirCodes.RULES, f.value()));
        }
        add(o);
    }

    private void place(Standing p) {
        Observation o = ours("place", p.since());
        o.setValue(rung(p.rung()));
        side(o, p.side());
        Dose d = p.dose();
        part(o, "strand", code(p.strand()));
        part(o, "sets", number(d.sets(), Range.SETS));
        part(o, "reps", number(d.reps(), Range.REPS));
        part(o, "hold", number(d.holdS(), Range.DOSE_HOLD_S));
        part(o, "breaths", number(d.breaths(), Range.DOSE_BREATHS));
        part(o, "per-day", number(d.perDay(), Range.PER_DAY));
        part(o, "days-per-week", number(d.daysPerWeek(), Range.DAYS_PER_WEEK));
        part(o, "range", number(p.range(), Range.RANGE_FRACTION));
        part(o, "change", new StringType(p.change()));
        add(o);
    }

    private static CodeableConcept rung(String rung) {
        return FhirCodes.concept(FhirCodes.RUNG, rung);
    }

    private static void side(Observation o, @Nullable Side side) {
        if (side != null) {
            o.setBodySite(FhirCodes.side(side));
        }
    }

    private void session(Trained s) {
        Procedure session = new Procedure()
                .setStatus(Procedure.ProcedureStatus.COMPLETED)
                .setCode(FhirCodes.concept(FhirCodes.KIND, "training-session"))
                .setCategory(FhirCodes.concept(FhirCodes.KIND, s.atHome() ? "at-home" : "with-her-practitioner"))
                .setSubject(her)
                .setPerformed(day(s.date()));
        Reference reference = add(session);
        s.results().forEach(r -> result(r, s.date(), reference));
    }

    private void result(Went r, LocalDate day, Reference session) {
        Observation o = observation(rung(r.rung()), day);
        o.addPartOf(session);
        side(o, r.side());
        o.setValue(FhirCodes.rule(r.result()));
        part(o, "effort", number(r.effort(), Range.EFFORT));
        part(o, "range", number(r.range(), Range.RANGE_FRACTION));
        signs(o, FhirCodes.SIGN, r.signs());
        if (r.nextDay() != null) {
            part(o, "next-day-asked", new BooleanType(true));
            signs(o, FhirCodes.NEXT_DAY, r.nextDay());
        }
        add(o);
    }

    /** @param codes with commas, a pain with its level behind a colon */
    private static void signs(Observation o, String system, String codes) {
        for (String code : codes.split(",", -1)) {
            String[] parts = code.split(":", 2);
            if (!code.isEmpty()) {
                part(
                        o,
                        FhirCodes.concept(system, parts[0]),
                        parts.length == 1
                                ? new BooleanType(true)
                                : FhirCodes.quantity(Integer.parseInt(parts[1]), Range.PAIN_LEVEL.unit()));
            }
        }
    }

    private void provenance() {
        Provenance p = new Provenance().setRecorded(Date.from(Instant.now().truncatedTo(ChronoUnit.SECONDS)));
        p.addTarget(her);
        p.addAgent().setWho(new Reference().setDisplay(AUTHOR));
        add(p);
    }
}
