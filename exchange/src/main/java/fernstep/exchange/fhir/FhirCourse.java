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

    void visit(Visited v) {
        Reference visit = bundle.add(new Encounter()
                .setStatus(Encounter.EncounterStatus.FINISHED)
                .setClass_(new Coding()
                        .setSystem("http://terminology.hl7.org/CodeSystem/v3-ActCode")
                        .setCode("AMB"))
                .setSubject(bundle.her())
                .setPeriod(new Period()
                        .setStartElement(FhirBundle.day(v.date()))
                        .setEndElement(FhirBundle.day(v.date()))));
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
                .setSubject(bundle.her())
                .setEncounter(visit)
                .setAuthoredElement(FhirBundle.day(v.date()));
        v.answers().stream()
                .sorted()
                .forEach((Answer a) -> asked.addItem()
                        .setLinkId(a.name())
                        .setText(ENGLISH.of(a))
                        .addAnswer()
                        .setValue(new BooleanType(true)));
        bundle.add(asked);
    }

    private void reading(Read r, LocalDate day, Reference visit) {
        Observation o = bundle.ours("inter-recti-distance", day);
        o.setEncounter(visit);
        o.setMethod(FhirCodes.rule(r.method()));
        Range unit = r.method() == Method.FINGERS ? Range.FINGERS : Range.WIDTH_MM;
        o.setValue(FhirBundle.number(
                r.values().stream().mapToDouble(v -> v).average().orElse(0), unit));
        FhirBundle.part(o, "site", FhirBundle.number(r.siteCm(), Range.SITE_CM));
        FhirBundle.part(o, "condition", FhirBundle.code(r.condition()));
        r.values().forEach(v -> FhirBundle.part(o, "value", FhirBundle.number(v, unit)));
        FhirBundle.part(o, "depth", FhirBundle.number(r.depthMm(), Range.DEPTH_MM));
        FhirBundle.part(o, "depth-felt", FhirBundle.code(r.depth()));
        FhirBundle.part(o, "feel", FhirBundle.code(r.feel()));
        bundle.add(o);
    }

    private void finding(Found f, LocalDate day, Reference visit) {
        Finding finding = f.finding();
        Observation o = bundle.observation(FhirCodes.concept(FhirCodes.FINDING, finding.name()), day);
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
        bundle.add(o);
    }

    void place(Standing p) {
        Observation o = bundle.ours("place", p.since());
        o.setValue(rung(p.rung()));
        side(o, p.side());
        Dose d = p.dose();
        FhirBundle.part(o, "strand", FhirBundle.code(p.strand()));
        FhirBundle.part(o, "sets", FhirBundle.number(d.sets(), Range.SETS));
        FhirBundle.part(o, "reps", FhirBundle.number(d.reps(), Range.REPS));
        FhirBundle.part(o, "hold", FhirBundle.number(d.holdS(), Range.DOSE_HOLD_S));
        FhirBundle.part(o, "breaths", FhirBundle.number(d.breaths(), Range.DOSE_BREATHS));
        FhirBundle.part(o, "per-day", FhirBundle.number(d.perDay(), Range.PER_DAY));
        FhirBundle.part(o, "days-per-week", FhirBundle.number(d.daysPerWeek(), Range.DAYS_PER_WEEK));
        FhirBundle.part(o, "range", FhirBundle.number(p.range(), Range.RANGE_FRACTION));
        FhirBundle.part(o, "change", new StringType(p.change()));
        bundle.add(o);
    }

    private static CodeableConcept rung(String rung) {
        return FhirCodes.concept(FhirCodes.RUNG, rung);
    }

    private static void side(Observation o, @Nullable Side side) {
        if (side != null) {
            o.setBodySite(FhirCodes.side(side));
        }
    }

    void session(Trained s) {
        Procedure session = new Procedure()
                .setStatus(Procedure.ProcedureStatus.COMPLETED)
                .setCode(FhirCodes.concept(FhirCodes.KIND, "training-session"))
                .setCategory(FhirCodes.concept(FhirCodes.KIND, s.atHome() ? "at-home" : "with-her-practitioner"))
                .setSubject(bundle.her())
                .setPerformed(FhirBundle.day(s.date()));
        Reference reference = bundle.add(session);
        s.results().forEach(r -> result(r, s.date(), reference));
    }

    private void result(Went r, LocalDate day, Reference session) {
        Observation o = bundle.observation(rung(r.rung()), day);
        o.addPartOf(session);
        side(o, r.side());
        o.setValue(FhirCodes.rule(r.result()));
        FhirBundle.part(o, "effort", FhirBundle.number(r.effort(), Range.EFFORT));
        FhirBundle.part(o, "range", FhirBundle.number(r.range(), Range.RANGE_FRACTION));
        done(o, r.done());
        eased(o, r.eased());
        signs(o, FhirCodes.SIGN, r.signs());
        if (r.nextDay() != null) {
            FhirBundle.part(o, "next-day-asked", new BooleanType(true));
            signs(o, FhirCodes.NEXT_DAY, r.nextDay());
        }
        bundle.add(o);
    }

    private static void done(Observation o, @Nullable Amount done) {
        if (done != null) {
            FhirBundle.part(o, "done-sets", FhirBundle.number(done.sets(), Range.SETS));
            FhirBundle.part(o, "done-times", FhirBundle.number(done.times(), Range.REPS));
            FhirBundle.part(o, "done-hold", FhirBundle.number(done.holdS(), Range.DOSE_HOLD_S));
        }
    }

    private static void eased(Observation o, CaseFile.@Nullable WentEased eased) {
        if (eased != null) {
            CleanSetting setting = eased.setting();
            FhirBundle.part(o, "eased-rung", new StringType(setting.rung()));
            FhirBundle.part(o, "eased-range", FhirBundle.number(setting.range(), Range.RANGE_FRACTION));
            FhirBundle.part(o, "eased-knees", FhirBundle.number(setting.easing().kneesBentDeg(), Range.ANGLE_DEG));
            FhirBundle.part(o, "eased-times", FhirBundle.number(setting.times(), Range.REPS));
            FhirBundle.part(o, "eased-hold", FhirBundle.number(setting.holdS(), Range.DOSE_HOLD_S));
            FhirBundle.part(o, "eased-because", FhirBundle.code(eased.because()));
            if (!setting.easing().parts().isEmpty()) {
                FhirBundle.part(
                        o,
                        "eased-parts",
                        new StringType(String.join(",", setting.easing().parts())));
            }
        }
    }

    /** @param codes with commas, a pain with its level behind a colon */
    private static void signs(Observation o, String system, String codes) {
        for (String code : codes.split(",", -1)) {
            String[] parts = code.split(":", 2);
            if (!code.isEmpty()) {
                FhirBundle.part(
                        o,
                        FhirCodes.concept(system, parts[0]),
                        parts.length == 1
                                ? new BooleanType(true)
                                : FhirCodes.quantity(Integer.parseInt(parts[1]), Range.PAIN_LEVEL.unit()));
            }
        }
    }
}
