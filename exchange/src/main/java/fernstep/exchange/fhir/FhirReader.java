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
                .filter(component -> component.getResource() instanceof Patient)
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
                resource.children().stream()
                        .noneMatch(property -> property.getName().equals("modifierExtension") && property.hasValues()),
                "modifierExtension",
                "none");
        Set<String> known = Set.of(elements);
        resource.children().stream()
                .filter(property -> property.hasValues() && !ALWAYS.contains(property.getName()))
                .filter(property -> !known.contains(property.getName().replace("[x]", "")))
                .forEach(property -> file.unmapped(property.getName(), "a record here has no place for this"));
    }

    private void visit(Encounter encounter, Set<String> addresses) {
        about(encounter.getSubject());
        FhirElements.accept(encounter.getStatus() == Encounter.EncounterStatus.FINISHED, "status", "finished");
        only(encounter, "status", "class", "subject", "period");
        LocalDate day = FhirElements.day(encounter.getPeriod().getStartElement());
        if (encounter.getPeriod().hasEnd()
                && !FhirElements.day(encounter.getPeriod().getEndElement()).equals(day)) {
            file.unmapped("period.end", "a visit here is of one day: the first is kept");
        }
        file.visit(day, addresses);
    }

    private void procedure(Procedure procedure, Set<String> addresses) {
        about(procedure.getSubject());
        FhirElements.accept(procedure.getStatus() == Procedure.ProcedureStatus.COMPLETED, "status", "completed");
        FhirElements.accept(procedure.getPerformed() instanceof DateTimeType, "performed", "a day");
        LocalDate day = FhirElements.day(procedure.getPerformedDateTimeType());
        String kind = FhirCodes.code(procedure.getCode(), FhirCodes.KIND).orElse("");
        if (kind.equals("abdominal-surgery")) {
            only(procedure, "status", "code", "subject", "performed");
            Map<String, Object> surgery = new LinkedHashMap<>(Map.of("date", day.toString()));
            if (procedure.getCode().hasText()) {
                surgery.put("what", procedure.getCode().getText());
            }
            file.factOf("surgeries", surgery);
        } else if (kind.equals("training-session")) {
            only(procedure, "status", "code", "category", "subject", "performed");
            boolean home = FhirCodes.code(procedure.getCategory(), FhirCodes.KIND)
                    .filter("at-home"::equals)
                    .isPresent();
            file.session(day, home, addresses);
        } else {
            throw new CaseProblem(
                    "code",
                    "a procedure that is not known here"
                            + (procedure.getCode().hasText()
                                    ? ": " + procedure.getCode().getText()
                                    : ""),
                    "abdominal-surgery, training-session");
        }
    }

    private void answers(QuestionnaireResponse response) {
        about(response.getSubject());
        boolean done = response.getStatus() == QuestionnaireResponse.QuestionnaireResponseStatus.COMPLETED
                || response.getStatus() == QuestionnaireResponse.QuestionnaireResponseStatus.AMENDED;
        FhirElements.accept(
                done || response.getStatus() == QuestionnaireResponse.QuestionnaireResponseStatus.INPROGRESS,
                "status",
                "in-progress, completed, amended");
        only(response, "status", "subject", "encounter", "authored", "item");
        Map<String, Object> visit =
                file.visitOf(response.getEncounter(), FhirElements.day(response.getAuthoredElement()));
        boolean known = true;
        for (QuestionnaireResponse.QuestionnaireResponseItemComponent item : response.getItem()) {
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

    private void plan(CarePlan plan) {
        about(plan.getSubject());
        FhirElements.accept(plan.getStatus() == CarePlan.CarePlanStatus.ACTIVE, "status", "active");
        FhirElements.accept(plan.getIntent() == CarePlan.CarePlanIntent.PLAN, "intent", "plan");
        only(plan, "status", "intent", "category", "title", "subject", "goal", "supportingInfo");
        FhirElements.accept(plan.getCategory().size() == 1, "category", "the approach she is trained by");
        Approach approach = Approach.valueOf(FhirElements.code(plan.getCategoryFirstRep(), "category", Approach.class));
        if (plan.hasTitle() && !plan.getTitle().equals(Wording.english().of(approach))) {
            file.unmapped("title", "a plan here has no title of its own");
        }
        file.head("approach", approach.name());
    }

    private void goal(Goal goal) {
        about(goal.getSubject());
        FhirElements.accept(goal.getLifecycleStatus() == Goal.GoalLifecycleStatus.ACTIVE, "lifecycleStatus", "active");
        FhirElements.accept(goal.getTarget().size() <= 1, "target", "one");
        only(goal, "lifecycleStatus", "description", "subject", "target");
        file.head("goal", FhirElements.rule(goal.getDescription(), "description"));
        if (goal.getTargetFirstRep().hasDueDateType()) {
            LocalDate due = FhirElements.day(goal.getTargetFirstRep().getDueDateType());
            file.head("goalDate", due.toString());
        }
    }
}
