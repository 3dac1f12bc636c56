package fernstep.exchange.fhir;

import fernstep.core.approach.Approach;
import fernstep.core.client.Restriction;
import fernstep.core.screening.Answer;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.time.Period;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.hl7.fhir.r4.model.Bundle;
import org.hl7.fhir.r4.model.Bundle.BundleEntryComponent;
import org.hl7.fhir.r4.model.CarePlan;
import org.hl7.fhir.r4.model.DateTimeType;
import org.hl7.fhir.r4.model.Encounter;
import org.hl7.fhir.r4.model.Flag;
import org.hl7.fhir.r4.model.Goal;
import org.hl7.fhir.r4.model.HumanName;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Patient;
import org.hl7.fhir.r4.model.Procedure;
import org.hl7.fhir.r4.model.Provenance;
import org.hl7.fhir.r4.model.QuestionnaireResponse;
import org.hl7.fhir.r4.model.Reference;
import org.hl7.fhir.r4.model.Resource;

/**
 * Turns a bundle into the objects of a case file, whose reader checks every value: this one only says which element is
 * which, and names what has no place. A resource that is not final, is about somebody else or changes its meaning by a
 * modifier is named and left.
 */
final class FhirReader {
    private static final Set<String> ALWAYS = Set.of("id", "meta", "text", "language");

    private final LocalDate today;
    private final FhirCase file = new FhirCase();
    private Set<String> her = Set.of();

    private FhirReader(LocalDate today) {
        this.today = today;
    }

    /** @throws CaseProblem where it is not about one woman */
    static FhirCase read(Bundle bundle, LocalDate today) {
        FhirReader r = new FhirReader(today);
        r.patient(bundle);
        // visits and sessions before what belongs to them
        r.each(bundle, true);
        r.each(bundle, false);
        r.file.finish();
        return r.file;
    }

    private void patient(Bundle bundle) {
        List<BundleEntryComponent> patients = bundle.getEntry().stream()
                .filter(e -> e.getResource() instanceof Patient)
                .toList();
        if (patients.size() != 1) {
            throw new CaseProblem(
                    "Patient",
                    patients.isEmpty() ? "the bundle says of nobody who she is" : "the bundle is about several persons",
                    "one");
        }
        BundleEntryComponent entry = patients.get(0);
        Patient patient = (Patient) entry.getResource();
        her = addresses(entry);
        file.at(place(bundle.getEntry().indexOf(entry), patient));
        only(patient, "name", "gender", "birthDate");
        HumanName name = patient.getNameFirstRep();
        file.head(
                "name",
                name.hasText()
                        ? name.getText()
                        : (name.getGivenAsSingleString() + " " + Objects.requireNonNullElse(name.getFamily(), ""))
                                .strip());
        if (patient.hasBirthDate()) {
            LocalDate born = FhirElements.day(patient.getBirthDateElement());
            file.fact("age", Period.between(born, today).getYears());
            file.unmapped("birthDate", "is kept as her age");
        }
        if (patient.getName().size() > 1) {
            file.unmapped("name", "only the first is kept");
        }
    }

    private static String place(int entry, Resource resource) {
        return "entry[" + entry + "] " + resource.fhirType();
    }

    /** By what others may refer to it. */
    private static Set<String> addresses(BundleEntryComponent entry) {
        Set<String> all = new HashSet<>();
        if (entry.hasFullUrl()) {
            all.add(entry.getFullUrl());
        }
        Resource resource = entry.getResource();
        if (resource.hasIdElement()) {
            all.add(resource.fhirType() + "/" + resource.getIdElement().getIdPart());
        }
        return all;
    }

    private void each(Bundle bundle, boolean early) {
        for (int i = 0; i < bundle.getEntry().size(); i++) {
            BundleEntryComponent entry = bundle.getEntry().get(i);
            Resource resource = entry.getResource();
            if (resource == null) {
                if (early) {
                    file.at("entry[" + i + "]");
                    file.unmapped("", "holds nothing");
                }
                continue;
            }
            boolean first = resource instanceof Encounter || resource instanceof Procedure;
            if (first == early && !(resource instanceof Patient)) {
                file.at(place(i, resource));
                try {
                    take(resource, addresses(entry));
                } catch (CaseProblem p) {
                    file.problem(p);
                }
            }
        }
    }

    private void take(Resource resource, Set<String> addresses) {
        if (resource instanceof Observation o) {
            about(o.getSubject());
            new FhirObservation(file, o).take();
        } else if (resource instanceof Encounter e) {
            visit(e, addresses);
        } else if (resource instanceof Procedure p) {
            procedure(p, addresses);
        } else if (resource instanceof QuestionnaireResponse q) {
            answers(q);
        } else if (resource instanceof Flag f) {
            about(f.getSubject());
            FhirElements.accept(f.getStatus() == Flag.FlagStatus.ACTIVE, "status", "active");
            only(f, "status", "code", "subject");
            file.factOf("restrictions", FhirElements.code(f.getCode(), "code", Restriction.class));
        } else if (resource instanceof CarePlan c) {
            plan(c);
        } else if (resource instanceof Goal g) {
            goal(g);
        } else if (resource instanceof Provenance p) {
            FhirElements.accept(
                    p.getAgent().size() == 1
                            && FhirBundle.AUTHOR.equals(
                                    p.getAgentFirstRep().getWho().getDisplay()),
                    "agent",
                    "only what this program wrote: who kept her record before is not taken over");
            only(p, "target", "recorded", "agent");
        } else {
            throw new CaseProblem("", "a record here has no place for this", null);
        }
    }

    /** @throws CaseProblem where it is about somebody else, or says of nobody that it is about her */
    private void about(Reference subject) {
        FhirElements.accept(
                subject.hasReference() && her.contains(subject.getReference()),
                "subject",
                "the one patient of the bundle");
    }

    private void only(Resource resource, String... elements) {
        only(file, resource, elements);
    }

    /** Whatever else it says is named, and is left out; a modifier, which could turn its meaning, leaves all of it out. */
    static void only(FhirCase file, Resource resource, String... elements) {
        FhirElements.accept(
                resource.children().stream().noneMatch(p -> p.getName().equals("modifierExtension") && p.hasValues()),
                "modifierExtension",
                "none");
        Set<String> known = Set.of(elements);
        resource.children().stream()
                .filter(p -> p.hasValues() && !ALWAYS.contains(p.getName()))
                .filter(p -> !known.contains(p.getName().replace("[x]", "")))
                .forEach(p -> file.unmapped(p.getName(), "a record here has no place for this"));
    }

    private void visit(Encounter e, Set<String> addresses) {
        about(e.getSubject());
        FhirElements.accept(e.getStatus() == Encounter.EncounterStatus.FINISHED, "status", "finished");
        only(e, "status", "class", "subject", "period");
        LocalDate day = FhirElements.day(e.getPeriod().getStartElement());
        if (e.getPeriod().hasEnd()
                && !FhirElements.day(e.getPeriod().getEndElement()).equals(day)) {
            file.unmapped("period.end", "a visit here is of one day: the first is kept");
        }
        file.visit(day, addresses);
    }

    private void procedure(Procedure p, Set<String> addresses) {
        about(p.getSubject());
        FhirElements.accept(p.getStatus() == Procedure.ProcedureStatus.COMPLETED, "status", "completed");
        FhirElements.accept(p.getPerformed() instanceof DateTimeType, "performed", "a day");
        LocalDate day = FhirElements.day(p.getPerformedDateTimeType());
        String kind = FhirCodes.code(p.getCode(), FhirCodes.KIND).orElse("");
        if (kind.equals("abdominal-surgery")) {
            only(p, "status", "code", "subject", "performed");
            Map<String, Object> surgery = new LinkedHashMap<>(Map.of("date", day.toString()));
            if (p.getCode().hasText()) {
                surgery.put("what", p.getCode().getText());
            }
            file.factOf("surgeries", surgery);
        } else if (kind.equals("training-session")) {
            only(p, "status", "code", "category", "subject", "performed");
            boolean home = FhirCodes.code(p.getCategory(), FhirCodes.KIND)
                    .filter("at-home"::equals)
                    .isPresent();
            file.session(day, home, addresses);
        } else {
            throw new CaseProblem(
                    "code",
                    "a procedure that is not known here"
                            + (p.getCode().hasText() ? ": " + p.getCode().getText() : ""),
                    "abdominal-surgery, training-session");
        }
    }

    private void answers(QuestionnaireResponse q) {
        about(q.getSubject());
        boolean done = q.getStatus() == QuestionnaireResponse.QuestionnaireResponseStatus.COMPLETED
                || q.getStatus() == QuestionnaireResponse.QuestionnaireResponseStatus.AMENDED;
        FhirElements.accept(
                done || q.getStatus() == QuestionnaireResponse.QuestionnaireResponseStatus.INPROGRESS,
                "status",
                "in-progress, completed, amended");
        only(q, "status", "subject", "encounter", "authored", "item");
        Map<String, Object> visit = file.visitOf(q.getEncounter(), FhirElements.day(q.getAuthoredElement()));
        boolean known = true;
        for (QuestionnaireResponse.QuestionnaireResponseItemComponent item : q.getItem()) {
            if (!answer(item, visit)) {
                known = false;
            }
        }
        // Questions nobody here knows do not count as today's questions asked.
        if (done && known) {
            visit.put("asked", true);
        }
    }

    private boolean answer(QuestionnaireResponse.QuestionnaireResponseItemComponent item, Map<String, Object> visit) {
        boolean known = false;
        for (Answer a : Answer.values()) {
            known |= a.name().equals(item.getLinkId());
        }
        boolean plain = item.getAnswer().size() == 1
                && item.getAnswerFirstRep().hasValueBooleanType()
                && !item.getAnswerFirstRep().hasItem()
                && !item.hasItem();
        if (!known || !plain) {
            file.unmapped(
                    "item " + item.getLinkId(),
                    known ? "an answer that is more than yes or no" : "a question that is not known here");
            return false;
        }
        if (item.getAnswerFirstRep().getValueBooleanType().booleanValue()) {
            file.answered(visit, item.getLinkId());
        }
        return true;
    }

    private void plan(CarePlan c) {
        about(c.getSubject());
        FhirElements.accept(c.getStatus() == CarePlan.CarePlanStatus.ACTIVE, "status", "active");
        FhirElements.accept(c.getIntent() == CarePlan.CarePlanIntent.PLAN, "intent", "plan");
        only(c, "status", "intent", "category", "title", "subject", "goal", "supportingInfo");
        FhirElements.accept(c.getCategory().size() == 1, "category", "the approach she is trained by");
        Approach approach = Approach.valueOf(FhirElements.code(c.getCategoryFirstRep(), "category", Approach.class));
        if (c.hasTitle() && !c.getTitle().equals(Wording.english().of(approach))) {
            file.unmapped("title", "a plan here has no title of its own");
        }
        file.head("approach", approach.name());
    }

    private void goal(Goal g) {
        about(g.getSubject());
        FhirElements.accept(g.getLifecycleStatus() == Goal.GoalLifecycleStatus.ACTIVE, "lifecycleStatus", "active");
        FhirElements.accept(g.getTarget().size() <= 1, "target", "one");
        only(g, "lifecycleStatus", "description", "subject", "target");
        file.head("goal", FhirElements.rule(g.getDescription(), "description"));
        if (g.getTargetFirstRep().hasDueDateType()) {
            LocalDate due = FhirElements.day(g.getTargetFirstRep().getDueDateType());
            file.head("goalDate", due.toString());
        }
    }
}
