package fernstep.app.client;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A client's facts by name, as the record keeps what they were. */
final class Facts {
    private Facts() {}

    static Map<String, String> of(ClientFile file) {
        ClientRow r = file.row();
        Map<String, String> facts = new LinkedHashMap<>();
        put(facts, "name", r.name());
        put(facts, "status", r.status());
        put(facts, "dueDate", r.dueDate());
        put(facts, "heightCm", r.heightCm());
        put(facts, "massKg", r.massKg());
        put(facts, "age", r.age());
        put(facts, "dominantHand", r.dominantHand());
        put(facts, "approach", r.approach());
        put(facts, "minutesPerDay", r.minutesPerDay());
        put(facts, "daysPerWeek", r.daysPerWeek());
        put(facts, "restrictions", r.restrictions());
        put(facts, "note", r.note());
        put(facts, "growFirst", file.settings().growFirst());
        put(
                facts,
                "blockedDays",
                file.settings().blocked().stream().sorted().map(Enum::name).collect(Collectors.joining(",")));
        put(facts, "goal", file.settings().goal());
        put(facts, "goalDate", file.settings().goalDate());
        put(facts, "exercisesAtMost", file.settings().exercisesAtMost());
        for (EventRow e : file.events()) {
            put(facts, e.kind() + " " + e.happenedOn(), written(e));
        }
        return facts;
    }

    static String written(EventRow row) {
        String how = row.birthMode() == null ? "" : " " + row.birthMode();
        String tear = row.tearDegree() == 0 ? "" : " " + row.tearDegree();
        return (row.happenedOn() + how + tear + " " + row.what()).strip();
    }

    static String written(ClearanceRow row) {
        String until = row.expiresOn() == null ? "" : " – " + row.expiresOn();
        return (row.scope() + " " + row.givenOn() + until + " " + row.byRole() + " " + row.byName()).strip();
    }

    private static void put(Map<String, String> facts, String name, @Nullable Object value) {
        if (value != null && !value.toString().isEmpty()) {
            facts.put(name, value.toString());
        }
    }
}
