package fernstep.exchange.fhir;

import fernstep.core.findings.Finding;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.progress.Amount;
import fernstep.core.screening.Answer;
import fernstep.core.separation.Method;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFile.Found;
import fernstep.exchange.casefile.CaseFile.Read;
import fernstep.exchange.casefile.CaseFile.Standing;
import fernstep.exchange.casefile.CaseFile.Trained;
import fernstep.exchange.casefile.CaseFile.Visited;
import fernstep.exchange.casefile.CaseFile.Went;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import org.hl7.fhir.r4.model.BooleanType;
import org.hl7.fhir.r4.model.CodeableConcept;
import org.hl7.fhir.r4.model.Coding;
import org.hl7.fhir.r4.model.Encounter;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Period;
import org.hl7.fhir.r4.model.Procedure;
import org.hl7.fhir.r4.model.QuestionnaireResponse;
import org.hl7.fhir.r4.model.Reference;
import org.hl7.fhir.r4.model.StringType;
import org.jspecify.annotations.Nullable;

/** Writes what happened: visits with what was asked, read and found, places, and sessions with how they went. */
final class FhirCourse {
    private static final Wording ENGLISH = Wording.english();

    private final FhirBundle bundle;

    FhirCourse(FhirBundle bundle) {
        this.bundle = bundle;
    }

    void visit(Visited visited) {
        Reference visit = bundle.add(new Encounter()
                .setStatus(Encounter.EncounterStatus.FINISHED)
                .setClass_(new Coding()
                        .setSystem("http://terminology.hl7.org/CodeSystem/v3-ActCode")
                        .setCode("AMB"))
                .setSubject(bundle.her())
                .setPeriod(new Period()
                        .setStartElement(FhirBundle.day(visited.date()))
                        .setEndElement(FhirBundle.day(visited.date()))));
        if (visited.asked() || !visited.answers().isEmpty()) {
            answers(visited, visit);
        }
        visited.readings().forEach(read -> reading(read, visited.date(), visit));
        visited.findings().forEach(found -> finding(found, visited.date(), visit));
    }

    private void answers(Visited visited, Reference visit) {
        QuestionnaireResponse asked = new QuestionnaireResponse()
                .setStatus(
                        visited.asked()
                                ? QuestionnaireResponse.QuestionnaireResponseStatus.COMPLETED
                                : QuestionnaireResponse.QuestionnaireResponseStatus.INPROGRESS)
                .setSubject(bundle.her())
                .setEncounter(visit)
                .setAuthoredElement(FhirBundle.day(visited.date()));
        visited.answers().stream()
                .sorted()
                .forEach((Answer answer) -> asked.addItem()
                        .setLinkId(answer.name())
                        .setText(ENGLISH.of(answer))
                        .addAnswer()
                        .setValue(new BooleanType(true)));
        bundle.add(asked);
    }

    private void reading(Read read, LocalDate day, Reference visit) {
        Observation o = bundle.ours("inter-recti-distance", day);
        o.setEncounter(visit);
        o.setMethod(FhirCodes.rule(read.method()));
        Range unit = read.method() == Method.FINGERS ? Range.FINGERS : Range.WIDTH_MM;
        o.setValue(FhirBundle.number(
                read.values().stream().mapToDouble(value -> value).average().orElse(0), unit));
        FhirBundle.part(o, "site", FhirBundle.number(read.siteCm(), Range.SITE_CM));
        FhirBundle.part(o, "condition", FhirBundle.code(read.condition()));
        read.values().forEach(value -> FhirBundle.part(o, "value", FhirBundle.number(value, unit)));
        FhirBundle.part(o, "depth", FhirBundle.number(read.depthMm(), Range.DEPTH_MM));
        FhirBundle.part(o, "depth-felt", FhirBundle.code(read.depth()));
        FhirBundle.part(o, "feel", FhirBundle.code(read.feel()));
        bundle.add(o);
    }

    private void finding(Found found, LocalDate day, Reference visit) {
        Finding finding = found.finding();
        Observation o = bundle.observation(FhirCodes.concept(FhirCodes.FINDING, finding.name()), day);
        o.setEncounter(visit);
        if (found.side() != null) {
            o.setBodySite(FhirCodes.side(found.side()));
        }
        if (finding.range() != null) {
            o.setValue(FhirCodes.quantity(
                    Double.parseDouble(found.value()), finding.range().unit()));
        } else if (finding.codes().isEmpty()) {
            o.setValue(new StringType(found.value()));
        } else {
            o.setValue(FhirCodes.concept(FhirCodes.RULES, found.value()));
        }
        bundle.add(o);
    }

    void place(Standing standing) {
        Observation o = bundle.ours("place", standing.since());
        o.setValue(rung(standing.rung()));
        side(o, standing.side());
        Dose d = standing.dose();
        FhirBundle.part(o, "strand", FhirBundle.code(standing.strand()));
        FhirBundle.part(o, "sets", FhirBundle.number(d.sets(), Range.SETS));
        FhirBundle.part(o, "reps", FhirBundle.number(d.reps(), Range.REPS));
        FhirBundle.part(o, "hold", FhirBundle.number(d.holdS(), Range.DOSE_HOLD_S));
        FhirBundle.part(o, "breaths", FhirBundle.number(d.breaths(), Range.DOSE_BREATHS));
        FhirBundle.part(o, "per-day", FhirBundle.number(d.perDay(), Range.PER_DAY));
        FhirBundle.part(o, "days-per-week", FhirBundle.number(d.daysPerWeek(), Range.DAYS_PER_WEEK));
        FhirBundle.part(o, "range", FhirBundle.number(standing.range(), Range.RANGE_FRACTION));
        FhirBundle.part(o, "change", new StringType(standing.change()));
        bundle.add(o);
    }

    private static CodeableConcept rung(String rung) {
        return FhirCodes.concept(FhirCodes.RUNG, rung);
    }

    private static void side(Observation observation, @Nullable Side side) {
        if (side != null) {
            observation.setBodySite(FhirCodes.side(side));
        }
    }

    void session(Trained trained) {
        Procedure session = new Procedure()
                .setStatus(Procedure.ProcedureStatus.COMPLETED)
                .setCode(FhirCodes.concept(FhirCodes.KIND, "training-session"))
                .setCategory(FhirCodes.concept(FhirCodes.KIND, trained.atHome() ? "at-home" : "with-her-practitioner"))
                .setSubject(bundle.her())
                .setPerformed(FhirBundle.day(trained.date()));
        Reference reference = bundle.add(session);
        trained.results().forEach(went -> result(went, trained.date(), reference));
    }

    private void result(Went went, LocalDate day, Reference session) {
        Observation o = bundle.observation(rung(went.rung()), day);
        o.addPartOf(session);
        side(o, went.side());
        o.setValue(FhirCodes.rule(went.result()));
        FhirBundle.part(o, "effort", FhirBundle.number(went.effort(), Range.EFFORT));
        FhirBundle.part(o, "range", FhirBundle.number(went.range(), Range.RANGE_FRACTION));
        done(o, went.done());
        eased(o, went.eased());
        signs(o, FhirCodes.SIGN, went.signs());
        if (went.nextDay() != null) {
            FhirBundle.part(o, "next-day-asked", new BooleanType(true));
            signs(o, FhirCodes.NEXT_DAY, went.nextDay());
        }
        bundle.add(o);
    }

    private static void done(Observation observation, @Nullable Amount done) {
        if (done != null) {
            FhirBundle.part(observation, "done-sets", FhirBundle.number(done.sets(), Range.SETS));
            FhirBundle.part(observation, "done-times", FhirBundle.number(done.times(), Range.REPS));
            FhirBundle.part(observation, "done-hold", FhirBundle.number(done.holdS(), Range.DOSE_HOLD_S));
        }
    }

    private static void eased(Observation observation, CaseFile.@Nullable WentEased eased) {
        if (eased != null) {
            CleanSetting setting = eased.setting();
            FhirBundle.part(observation, "eased-rung", new StringType(setting.rung()));
            FhirBundle.part(observation, "eased-range", FhirBundle.number(setting.range(), Range.RANGE_FRACTION));
            FhirBundle.part(
                    observation,
                    "eased-knees",
                    FhirBundle.number(setting.easing().kneesBentDeg(), Range.ANGLE_DEG));
            FhirBundle.part(observation, "eased-times", FhirBundle.number(setting.times(), Range.REPS));
            FhirBundle.part(observation, "eased-hold", FhirBundle.number(setting.holdS(), Range.DOSE_HOLD_S));
            FhirBundle.part(observation, "eased-because", FhirBundle.code(eased.because()));
            if (!setting.easing().parts().isEmpty()) {
                FhirBundle.part(
                        observation,
                        "eased-parts",
                        new StringType(String.join(",", setting.easing().parts())));
            }
        }
    }

    /** @param codes with commas, a pain with its level behind a colon */
    private static void signs(Observation observation, String system, String codes) {
        for (String code : codes.split(",", -1)) {
            String[] parts = code.split(":", 2);
            if (!code.isEmpty()) {
                FhirBundle.part(
                        observation,
                        FhirCodes.concept(system, parts[0]),
                        parts.length == 1
                                ? new BooleanType(true)
                                : FhirCodes.quantity(Integer.parseInt(parts[1]), Range.PAIN_LEVEL.unit()));
            }
        }
    }
}
