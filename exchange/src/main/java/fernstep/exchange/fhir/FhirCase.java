package fernstep.exchange.fhir;

import fernstep.exchange.casefile.CaseProblem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.hl7.fhir.r4.model.Reference;
import org.jspecify.annotations.Nullable;

/** A case file while it is put together from a bundle: its objects, the entry each came from, and what has no place in it. */
final class FhirCase {
    /** What she is taken with where a bundle holds no plan of ours; each is told. */
    private static final Map<String, Object> USUAL =
            Map.of("approach", "SLOW_LADDER", "minutesPerDay", 10, "daysPerWeek", 5);

    private final Map<String, Object> file = new LinkedHashMap<>();
    private final Map<String, Object> client = new LinkedHashMap<>();
    private final List<Map<String, Object>> visits = new ArrayList<>();
    private final List<Map<String, Object>> sessions = new ArrayList<>();
    private final Map<String, Map<String, Object>> byAddress = new LinkedHashMap<>();
    private final List<CaseProblem> problems = new ArrayList<>();
    private final IdentityHashMap<Object, String> origins = new IdentityHashMap<>();
    private String place = "";

    FhirCase() {
        file.put("format", "fernstep-case");
        file.put("version", 1);
        file.put("client", client);
        file.put("places", new ArrayList<>());
        file.put("visits", visits);
        file.put("sessions", sessions);
    }

    /** From now on it is about this entry. */
    void at(String entry) {
        place = entry;
    }

    /** @param element of the entry; empty for all of it */
    void unmapped(String element, String what) {
        problem(new CaseProblem(element, what, null));
    }

    /** @param problem at an element of the entry */
    void problem(CaseProblem problem) {
        String path = problem.path().isEmpty() ? place : place + "." + problem.path();
        problems.add(new CaseProblem(path, String.valueOf(problem.getMessage()), problem.allowed()));
    }

    List<CaseProblem> problems() {
        return problems;
    }

    Map<String, Object> file() {
        return file;
    }

    void head(String field, Object value) {
        file.put(field, value);
    }

    void fact(String field, Object value) {
        if (client.put(field, value) != null) {
            unmapped("", "says a second time what stands elsewhere: the last one is kept");
        }
    }

    void factOf(String list, Object value) {
        list(client, list).add(value);
        origins.put(value, place);
    }

    void standing(Map<String, Object> object) {
        keep(file, "places", object);
    }

    /** Puts an object into a list of another, and remembers where it came from. */
    void keep(Map<String, Object> in, String list, Map<String, Object> object) {
        list(in, list).add(object);
        origins.put(object, place);
    }

    @SuppressWarnings("unchecked")
    private static List<Object> list(Map<String, Object> object, String field) {
        return (List<Object>) object.computeIfAbsent(field, key -> new ArrayList<>());
    }

    void answered(Map<String, Object> visit, String code) {
        list(visit, "answers").add(code);
    }

    Map<String, Object> visit(LocalDate day, Set<String> addresses) {
        Map<String, Object> visit = new LinkedHashMap<>(Map.of("date", day.toString()));
        add(visits, visit, addresses);
        return visit;
    }

    void session(LocalDate day, boolean atHome, Set<String> addresses) {
        Map<String, Object> session = new LinkedHashMap<>(Map.of("date", day.toString(), "atHome", atHome));
        session.put("results", new ArrayList<>());
        add(sessions, session, addresses);
    }

    private void add(List<Map<String, Object>> to, Map<String, Object> object, Set<String> addresses) {
        to.add(object);
        origins.put(object, place);
        addresses.forEach(address -> byAddress.put(address, object));
    }

    /** The visit something belongs to, or the one of its day, or a new one. */
    Map<String, Object> visitOf(Reference encounter, LocalDate day) {
        Map<String, Object> named = byAddress.get(String.valueOf(encounter.getReference()));
        if (named != null) {
            return named;
        }
        FhirElements.accept(!encounter.hasReference(), "encounter", "one that is in the bundle and can be taken");
        return visits.stream()
                .filter(visit -> day.toString().equals(visit.get("date")))
                .findFirst()
                .orElseGet(() -> visit(day, Set.of()));
    }

    Optional<Map<String, Object>> sessionOf(List<Reference> parts) {
        return parts.stream()
                .map(reference -> byAddress.get(String.valueOf(reference.getReference())))
                .filter(Objects::nonNull)
                .findFirst();
    }

    /** Says what was not said; from now on the file is whole. */
    void finish() {
        at("CarePlan");
        USUAL.forEach((field, usual) -> {
            if (file.putIfAbsent(field, usual) == null) {
                unmapped("", field + " is not said: she is taken with " + usual);
            }
        });
    }

    /** Where the objects of the file came from, by their path. */
    Map<String, String> places() {
        Map<String, String> places = new LinkedHashMap<>();
        paths("", file, places);
        return places;
    }

    private void paths(String path, @Nullable Object node, Map<String, String> places) {
        Optional.ofNullable(origins.get(node)).ifPresent(origin -> places.put(path, origin));
        if (node instanceof Map<?, ?> object) {
            object.forEach(
                    (thing, each) -> paths(path.isEmpty() ? String.valueOf(thing) : path + "." + thing, each, places));
        } else if (node instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) {
                paths(path + "[" + i + "]", list.get(i), places);
            }
        }
    }
}
