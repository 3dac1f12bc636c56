package fernstep.exchange.fhir;

import fernstep.core.client.Restriction;
import fernstep.core.screening.Answer;
import fernstep.exchange.casefile.CaseProblem;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.hl7.fhir.r4.model.Bundle;
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
import org.jspecify.annotations.Nullable;

/**
 * Turns a bundle into the objects of a case file, whose reader checks every value: this one only says which element is
 * which, and names what has no place. A resource that is not final, is about somebody else or changes its meaning by a
 * modifier is named and left.
 */
final class FhirReader {
    /** What she is taken with where a bundle holds no plan of ours. */
    private static final Map<String, Object> USUAL =
            Map.of("approach", "SLOW_LADDER", "minutesPerDay", 10, "daysPerWeek", 5);

    private final LocalDate today;
    private final Map<String, Object> file = new LinkedHashMap<>();
    private final Map<String, Object> client = new LinkedHashMap<>();
    private final Map<String, Map<String, Object>> visits = new LinkedHashMap<>();
    private final Map<String, Map<String, Object>> sessions = new LinkedHashMap<>();
    private final List<CaseProblem> problems = new ArrayList<>();
    /** Where each object of the file came from. */
    private final IdentityHashMap<Object, String> origins = new IdentityHashMap<>();

    private String place = "";
    private @Nullable String her;

    private FhirReader(LocalDate today) {
        this.today = today;
    }

    /**
     * What a bundle holds.
     *
     * @param caseFile objects, lists, texts and numbers, as a case file has them
     * @param problems what has no place in one, by its entry
     * @param places the entry an object of the file came from, by its path
     */
    record Mapped(Map<String, Object> caseFile, List<CaseProblem> problems, Map<String, String> places) {}

    /** @throws CaseProblem where it is not about one woman */
    static Mapped read(Bundle bundle, LocalDate today) {
        FhirReader r = new FhirReader(today);
        r.header();
        r.patient(bundle);
        r.each(bundle, Set.of(Encounter.class, Procedure.class));
        r.each(bundle, Set.of());
        return new Mapped(r.file, r.problems, r.finished());
    }

    private void header() {
        file.put("format", "fernstep-case");
        file.put("version", 1);
        file.put("client", client);
        file.put("places", new ArrayList<>());
    }

    private void patient(Bundle bundle) {
        List<Bundle.BundleEntryComponent> patients = bundle.getEntry().stream()
                .filter(e -> e.getResource() instanceof Patient)
                .toList();
        if (patients.size() != 1) {
            throw new CaseProblem(
                    "Patient",
                    patients.isEmpty() ? "the bundle says of nobody who she is" : "the bundle is about several persons",
                    "one");
        }
        Bundle.BundleEntryComponent entry = patients.get(0);
        Patient patient = (Patient) entry.getResource();
        her = entry.getFullUrl();
        place = place(bundle.getEntry().indexOf(entry), patient);
        only(patient, "name", "gender", "birthDate");
        HumanName name = patient.getNameFirstRep();
        file.put(
                "name",
                name.hasText()
                        ? name.getText()
                        : (name.getGivenAsSingleString() + " " + Objects.requireNonNullElse(name.getFamily(), ""))
                                .strip());
        if (patient.hasBirthDate()) {
            client.put(
                    "age",
                    Period.between(FhirElements.day(patient.getBirthDateElement()), today)
                            .getYears());
            unmapped("birthDate", "is kept as her age");
        }
        if (patient.getName().size() > 1) {
            unmapped("name", "only the first is kept");
        }
    }

    private static String place(int entry, Resource resource) {
        return "entry[" + entry + "] " + resource.fhirType();
    }

    /** @param first visits and sessions before what belongs to them; with none given, all others */
    private void each(Bundle bundle, Set<Class<?>> first) {
        for (int i = 0; i < bundle.getEntry().size(); i++) {
            Bundle.BundleEntryComponent entry = bundle.getEntry().get(i);
            Resource resource = entry.getResource();
            if (resource == null) {
                if (first.isEmpty()) {
                    problems.add(new CaseProblem("entry[" + i + "]", "holds nothing", null));
                }
                continue;
            }
            boolean early = resource instanceof Encounter || resource instanceof Procedure;
            if (early == first.isEmpty() || resource instanceof Patient) {
                continue;
            }
            place = place(i, resource);
            try {
                take(resource, entry.hasFullUrl() ? entry.getFullUrl() : resource.getId());
            } catch (CaseProblem p) {
                problems.add(new CaseProblem(join(p.path()), String.valueOf(p.getMessage()), p.allowed()));
            }
        }
    }

    private String join(String element) {
        return element.isEmpty() ? place : place + "." + element;
    }

    private void unmapped(String element, String what) {
        problems.add(new CaseProblem(join(element), what, null));
    }

    private void take(Resource resource, @Nullable String url) {
        if (resource instanceof Observation o) {
            new FhirObservation(this, o).take();
        } else if (resource instanceof Encounter e) {
            visit(e, url);
        } else if (resource instanceof Procedure p) {
            procedure(p, url);
        } else if (resource instanceof QuestionnaireResponse q) {
            answers(q);
        } else if (resource instanceof Flag f) {
            about(f.getSubject());
            FhirElements.accept(f.getStatus() == Flag.FlagStatus.ACTIVE, "status", "active");
            only(f, "status", "code", "subject");
            list(client, "restrictions").add(FhirElements.code(f.getCode(), "code", Restriction.class));
        } else if (resource instanceof CarePlan c) {
            plan(c);
        } else if (resource instanceof Goal g) {
            goal(g);
        } else if (resource instanceof Provenance p) {
            FhirElements.accept(
                    p.getAgent().size() == 1
                            && FhirWriter.AUTHOR.equals(
                                    p.getAgentFirstRep().getWho().getDisplay()),
                    "agent",
                    "only what this program wrote: who kept her record before is not taken over");
            only(p, "target", "recorded", "agent");
        } else {
            throw new CaseProblem("", "a record here has no place for this", null);
        }
    }

    /** @throws CaseProblem where it is about somebody else */
    void about(Reference subject) {
        FhirElements.accept(Objects.equals(subject.getReference(), her), "subject", "the one patient of the bundle");
    }

    /** Whatever else it says is named, and is left out; a modifier, which could turn its meaning, leaves all of it out. */
    void only(Resource resource, String... elements) {
        FhirElements.accept(
                resource.children().stream().noneMatch(p -> p.getName().equals("modifierExtension") && p.hasValues()),
                "modifierExtension",
                "none");
        Set<String> known = Set.of(elements);
        Set<String> always = Set.of("id", "meta", "text", "language");
        resource.children().stream()
                .filter(p -> p.hasValues()
                        && !known.contains(p.getName())
                        && !known.contains(p.getName().replace("[x]", ""))
                        && !always.contains(p.getName()))
                .forEach(p -> unmapped(p.getName(), "a record here has no place for this"));
    }

    @SuppressWarnings("unchecked")
    static List<Object> list(Map<String, Object> object, String field) {
        return (List<Object>) object.computeIfAbsent(field, k -> new ArrayList<>());
    }

    private static Map<String, Object> object(@Nullable Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            if (namesAndValues[i + 1] != null) {
                map.put(String.valueOf(namesAndValues[i]), namesAndValues[i + 1]);
            }
        }
        return map;
    }

    /** Keeps an object of the file, and where it came from. */
    void keep(List<Object> list, Map<String, Object> object) {
        list.add(object);
        origins.put(object, place);
    }

    void fact(String field, Object value) {
        if (client.put(field, value) != null) {
            unmapped("", "says a second time what stands elsewhere: the last one is kept");
        }
    }

    void fact(String list, Map<String, Object> object) {
        keep(list(client, list), object);
    }

    void head(String field, Object value) {
        file.put(field, value);
    }

    void standing(Map<String, Object> object) {
        keep(list(file, "places"), object);
    }

    private void visit(Encounter e, @Nullable String url) {
        about(e.getSubject());
        FhirElements.accept(e.getStatus() == Encounter.EncounterStatus.FINISHED, "status", "finished");
        only(e, "status", "class", "subject", "period");
        Map<String, Object> visit =
                object("date", FhirElements.day(e.getPeriod().getStartElement()).toString());
        origins.put(visit, place);
        visits.put(String.valueOf(url), visit);
    }

    /** The visit something belongs to, or the one of its day, or a new one. */
    Map<String, Object> visitOf(Reference encounter, LocalDate day) {
        Map<String, Object> named = visits.get(String.valueOf(encounter.getReference()));
        if (named != null) {
            return named;
        }
        FhirElements.accept(!encounter.hasReference(), "encounter", "one that is in the bundle and can be taken");
        return visits.values().stream()
                .filter(v -> day.toString().equals(v.get("date")))
                .findFirst()
                .orElseGet(() -> {
                    Map<String, Object> visit = object("date", day.toString());
                    origins.put(visit, place);
                    visits.put("of " + day, visit);
                    return visit;
                });
    }

    Optional<Map<String, Object>> sessionOf(List<Reference> parts) {
        return parts.stream()
                .map(p -> sessions.get(String.valueOf(p.getReference())))
                .filter(Objects::nonNull)
                .findFirst();
    }

    private void procedure(Procedure p, @Nullable String url) {
        about(p.getSubject());
        FhirElements.accept(p.getStatus() == Procedure.ProcedureStatus.COMPLETED, "status", "completed");
        FhirElements.accept(p.getPerformed() instanceof DateTimeType, "performed", "a day");
        String day = FhirElements.day(p.getPerformedDateTimeType()).toString();
        String kind = FhirCodes.code(p.getCode(), FhirCodes.KIND).orElse("");
        if (kind.equals("abdominal-surgery")) {
            only(p, "status", "code", "subject", "performed");
            fact("surgeries", object("date", day, "what", p.getCode().getText()));
        } else if (kind.equals("training-session")) {
            only(p, "status", "code", "category", "subject", "performed");
            boolean home = FhirCodes.code(p.getCategory(), FhirCodes.KIND)
                    .filter("at-home"::equals)
                    .isPresent();
            Map<String, Object> session = object("date", day, "atHome", home);
            origins.put(session, place);
            sessions.put(String.valueOf(url), session);
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
        Map<String, Object> visit = visitOf(q.getEncounter(), FhirElements.day(q.getAuthoredElement()));
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
        if (!known || item.getAnswer().size() != 1 || !item.getAnswerFirstRep().hasValueBooleanType()) {
            unmapped("item " + item.getLinkId(), "a question that is not known here");
            return false;
        }
        if (item.getAnswerFirstRep().getValueBooleanType().booleanValue()) {
            list(visit, "answers").add(item.getLinkId());
        }
        return true;
    }

    private void plan(CarePlan c) {
        about(c.getSubject());
        FhirElements.accept(c.getStatus() == CarePlan.CarePlanStatus.ACTIVE, "status", "active");
        only(c, "status", "intent", "category", "title", "subject", "goal", "supportingInfo");
        FhirElements.accept(c.getCategory().size() == 1, "category", "the approach she is trained by");
        file.put("approach", FhirElements.rule(c.getCategoryFirstRep(), "category"));
    }

    private void goal(Goal g) {
        about(g.getSubject());
        FhirElements.accept(g.getLifecycleStatus() == Goal.GoalLifecycleStatus.ACTIVE, "lifecycleStatus", "active");
        only(g, "lifecycleStatus", "description", "subject", "target");
        file.put("goal", FhirElements.rule(g.getDescription(), "description"));
        if (g.getTargetFirstRep().hasDueDateType()) {
            file.put(
                    "goalDate",
                    FhirElements.day(g.getTargetFirstRep().getDueDateType()).toString());
        }
    }

    /** Puts visits and sessions into the file; where its objects came from, by their path. */
    private Map<String, String> finished() {
        file.put("visits", new ArrayList<>(visits.values()));
        sessions.values().forEach(s -> s.putIfAbsent("results", List.of()));
        file.put("sessions", new ArrayList<>(sessions.values()));
        place = "CarePlan";
        USUAL.forEach((field, usual) -> {
            if (file.putIfAbsent(field, usual) == null) {
                unmapped("", field + " is not said: she is taken with " + usual);
            }
        });
        Map<String, String> places = new LinkedHashMap<>();
        paths("", file, places);
        return places;
    }

    private void paths(String path, Object node, Map<String, String> places) {
        Optional.ofNullable(origins.get(node)).ifPresent(origin -> places.put(path, origin));
        if (node instanceof Map<?, ?> object) {
            object.forEach((k, v) -> paths(path.isEmpty() ? String.valueOf(k) : path + "." + k, v, places));
        } else if (node instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) {
                paths(path + "[" + i + "]", list.get(i), places);
            }
        }
    }
}
