package fernstep.app.client;

import fernstep.app.support.FormProblems;
import fernstep.core.approach.Approach;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.client.Surgery;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** The client form just as it was typed, so that nothing typed is lost on an error. */
public record ClientForm(
        @Nullable String formId,
        @Nullable String name,
        @Nullable String status,
        @Nullable String dueDate,
        @Nullable String birthDate,
        @Nullable String birthMode,
        @Nullable String tearDegree,
        @Nullable String surgeryDate,
        @Nullable String surgeryWhat,
        @Nullable String heightCm,
        @Nullable String massKg,
        @Nullable String age,
        @Nullable String dominantHand,
        @Nullable String approach,
        @Nullable String minutesPerDay,
        @Nullable String daysPerWeek,
        @Nullable List<String> restrictions,
        @Nullable String note) {

    static ClientForm empty() {
        return new ClientForm(
                UUID.randomUUID().toString(),
                "",
                "POSTNATAL",
                "",
                "",
                "",
                "0",
                "",
                "",
                "",
                "",
                "",
                "",
                Approach.SLOW_LADDER.name(),
                "12",
                "5",
                List.of(),
                "");
    }

    static ClientForm of(ClientFile file) {
        ClientRow r = file.row();
        EventRow birth = last(file, EventRow.Kind.BIRTH);
        EventRow surgery = last(file, EventRow.Kind.SURGERY);
        return new ClientForm(
                r.formId(),
                r.name(),
                r.status().name(),
                typed(r.dueDate()),
                birth == null ? "" : typed(birth.happenedOn()),
                birth == null ? "" : typed(birth.birthMode()),
                birth == null ? "0" : String.valueOf(birth.tearDegree()),
                surgery == null ? "" : typed(surgery.happenedOn()),
                surgery == null ? "" : surgery.what(),
                r.heightCm() == null ? "" : Numbers.plain(r.heightCm()),
                r.massKg() == null ? "" : Numbers.plain(r.massKg()),
                typed(r.age()),
                typed(r.dominantHand()),
                r.approach().name(),
                String.valueOf(r.minutesPerDay()),
                String.valueOf(r.daysPerWeek()),
                r.restrictionSet().stream().map(Enum::name).toList(),
                r.note());
    }

    private static @Nullable EventRow last(ClientFile file, EventRow.Kind kind) {
        List<EventRow> some =
                file.events().stream().filter(row -> row.kind() == kind).toList();
        return some.isEmpty() ? null : some.get(some.size() - 1);
    }

    private static String typed(@Nullable Object value) {
        return value == null ? "" : value.toString();
    }

    /** A field that two forms say differently. */
    public record Difference(String name, String theirs, String mine) {}

    /** Where what was typed differs from what is on record by now. */
    public List<Difference> differences(ClientForm onRecord) {
        Map<String, String> mine = byName();
        return onRecord.byName().entrySet().stream()
                .filter(entry -> !entry.getValue().equals(mine.get(entry.getKey())))
                .map(entry ->
                        new Difference(entry.getKey(), entry.getValue(), String.valueOf(mine.get(entry.getKey()))))
                .toList();
    }

    private Map<String, String> byName() {
        Map<String, String> all = new LinkedHashMap<>();
        all.put("name", typed(name));
        all.put("status", typed(status));
        all.put("dueDate", typed(dueDate));
        all.put("birthDate", typed(birthDate));
        all.put("birthMode", typed(birthMode));
        all.put("tearDegree", typed(tearDegree));
        all.put("surgeryDate", typed(surgeryDate));
        all.put("surgeryWhat", typed(surgeryWhat));
        all.put("heightCm", typed(heightCm));
        all.put("massKg", typed(massKg));
        all.put("age", typed(age));
        all.put("dominantHand", typed(dominantHand));
        all.put("approach", typed(approach));
        all.put("minutesPerDay", typed(minutesPerDay));
        all.put("daysPerWeek", typed(daysPerWeek));
        all.put("restrictions", restrictions == null ? "" : String.join(", ", restrictions));
        all.put("note", typed(note));
        return all;
    }

    public boolean restricted(String code) {
        return restrictions != null && restrictions.contains(code);
    }

    /** What the form says, once it can be read. */
    record Read(ClientRow row, List<EventRow> events) {}

    /**
     * @param id of the client being changed, or null for a new one
     * @param problems collects what is wrong, by field
     */
    Read read(@Nullable Long id, LocalDate today, FormProblems problems) {
        Status chosen = problems.neededCode("status", status, Status.class);
        LocalDate due = problems.date("dueDate", dueDate);
        List<EventRow> events = events(id == null ? 0 : id, problems);
        ClientRow row = new ClientRow(
                id,
                formId == null || formId.length() != 36 ? UUID.randomUUID().toString() : formId,
                problems.needed("name", name, 120),
                chosen,
                due,
                problems.number("heightCm", heightCm, Range.HEIGHT_CM),
                problems.number("massKg", massKg, Range.MASS_KG),
                problems.whole("age", age, Range.AGE_YEARS),
                problems.text("dominantHand", dominantHand, 10),
                problems.neededCode("approach", approach, Approach.class),
                problems.neededWhole("minutesPerDay", minutesPerDay, Range.MINUTES_PER_DAY),
                problems.neededWhole("daysPerWeek", daysPerWeek, Range.DAYS_PER_WEEK),
                ClientRow.joined(restrictionSet(problems)),
                problems.text("note", note, 500));
        if (!problems.any()) {
            new ClientFile(row, events, List.of())
                    .facts()
                    .problem(today)
                    .ifPresent(problem -> problems.add(
                            problem.field().equals("surgeries") ? "surgeryDate" : problem.field(),
                            Reason.of("told.factProblem", problem.what(), problem.allowed())));
        }
        return new Read(row, events);
    }

    private List<EventRow> events(long clientId, FormProblems problems) {
        List<EventRow> events = new ArrayList<>();
        LocalDate born = problems.date("birthDate", birthDate);
        int tear = problems.neededWhole("tearDegree", tearDegree, Range.TEAR_DEGREE);
        if (born != null) {
            BirthMode mode = problems.neededCode("birthMode", birthMode, BirthMode.class);
            Birth birth = new Birth(born, mode, tear);
            events.add(new EventRow(clientId, EventRow.Kind.BIRTH, birth.date(), mode, birth.tearDegree(), ""));
        }
        LocalDate operated = problems.date("surgeryDate", surgeryDate);
        if (operated != null) {
            Surgery surgery = new Surgery(operated, problems.text("surgeryWhat", surgeryWhat, 120));
            events.add(new EventRow(clientId, EventRow.Kind.SURGERY, surgery.date(), null, 0, surgery.what()));
        }
        return events;
    }

    private Set<Restriction> restrictionSet(FormProblems problems) {
        Set<Restriction> set = EnumSet.noneOf(Restriction.class);
        if (restrictions != null) {
            restrictions.forEach(restriction -> {
                Restriction code = problems.code("restrictions", restriction, Restriction.class);
                if (code != null) {
                    set.add(code);
                }
            });
        }
        return set;
    }

    /** The longest way a due date may lie ahead, for the field's own limit. */
    static LocalDate latestDueDate(LocalDate today) {
        return today.plusDays(ClientFacts.DUE_DATE_DAYS_AHEAD);
    }
}
