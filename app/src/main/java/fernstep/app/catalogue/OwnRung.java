package fernstep.app.catalogue;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.screening.GateCode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What was typed about a rung in the making, turned into a strand file of one rung. */
final class OwnRung {
    static final List<Lever> LEVERS =
            List.of(Lever.FEWER_REPS, Lever.SHORTEN_HOLD, Lever.SLOWER, Lever.CHANGE_BREATH, Lever.EASIER_POSITION);
    static final List<GateCode> GATES =
            List.of(GateCode.GENTLE_SET, GateCode.FIRST_LOADED, GateCode.OPPOSITE_LIMBS, GateCode.LONG_LEVER);
    private static final String CODE = "[A-Z]{1,4}[0-9]{1,2}";

    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private OwnRung() {}

    /** What is missing before the strand check can look at it. */
    static Optional<Reason> problem(Map<String, String> typed, Catalogue catalogue) {
        String code = typed.getOrDefault("code", "").strip();
        if (!code.matches(CODE)) {
            return Optional.of(Reason.of("ownRung.code"));
        }
        if (catalogue.find(code).isPresent()) {
            return Optional.of(Reason.of("ownRung.taken", code));
        }
        if (typed.getOrDefault("name", "").isBlank()
                || typed.getOrDefault("howTo", "").isBlank()) {
            return Optional.of(Reason.of("ownRung.nameAndHow"));
        }
        if (typed.getOrDefault("caution", "").isBlank()) {
            return Optional.of(Reason.of("ownRung.caution"));
        }
        if (catalogue.find(typed.getOrDefault("branchOf", "")).isEmpty()) {
            return Optional.of(Reason.of("ownRung.branch"));
        }
        for (String field : List.of("setsMin", "setsMax", "lift", "return", "rest")) {
            if (!typed.getOrDefault(field, "").matches("[0-9]{1,3}")) {
                return Optional.of(Reason.of("ownRung.numbers"));
            }
        }
        return Optional.empty();
    }

    /** As it is stored: one strand of one rung, as data. JSON is YAML too, so the strand check reads it as any other file. */
    static String asData(Map<String, String> typed, Catalogue catalogue) {
        Rung branch = catalogue.rung(typed.getOrDefault("branchOf", ""));
        Map<String, Object> strand = new LinkedHashMap<>();
        strand.put("strand", branch.strand().name());
        strand.put("name", branch.strand().name());
        strand.put("rungs", List.of(rung(typed, branch)));
        return JSON.writeValueAsString(strand);
    }

    private static Map<String, Object> rung(Map<String, String> typed, Rung branch) {
        Map<String, Object> rung = new LinkedHashMap<>();
        rung.put("code", text(typed, "code"));
        rung.put("name", text(typed, "name"));
        rung.put("aim", branch.aim().name());
        if (!text(typed, "family").isEmpty()) {
            rung.put("family", text(typed, "family"));
        }
        rung.put("perSide", typed.containsKey("perSide"));
        rung.put("loaded", typed.containsKey("loaded"));
        rung.put("branchOf", branch.code());
        rung.put("window", window(typed));
        rung.put(
                "tempo",
                Map.of("lift", whole(typed, "lift"), "return", whole(typed, "return"), "rest", whole(typed, "rest")));
        List<Object> gates = new ArrayList<>();
        if (!text(typed, "gate").isEmpty()) {
            gates.add(Map.of("opened", text(typed, "gate")));
        }
        gates.add(Map.of("rung", branch.code()));
        rung.put("gates", gates);
        PoseForm end = new PoseForm(text(typed, "posture"), typed);
        rung.put("move", Map.of("start", text(typed, "start"), "full", end.asData()));
        rung.put("watch", codes(typed, "watch", "TIRED"));
        rung.put("levers", codes(typed, "lever", Lever.FEWER_REPS.name()));
        rung.put("howTo", text(typed, "howTo"));
        rung.put("caution", text(typed, "caution"));
        String cue = text(typed, "cue").isEmpty() ? text(typed, "howTo") : text(typed, "cue");
        Map<String, String> cues = new LinkedHashMap<>();
        for (Stances.Activation activation : Stances.Activation.values()) {
            cues.put(activation.name(), cue);
        }
        rung.put("cues", cues);
        return rung;
    }

    private static Map<String, Object> window(Map<String, String> typed) {
        Map<String, Object> window = new LinkedHashMap<>();
        window.put("sets", List.of(whole(typed, "setsMin"), whole(typed, "setsMax")));
        for (String part : List.of("reps", "holdS", "breaths")) {
            String min = text(typed, part + "Min");
            String max = text(typed, part + "Max");
            if (!min.isEmpty() || !max.isEmpty()) {
                window.put(part, List.of(whole(typed, part + "Min"), whole(typed, part + "Max")));
            }
        }
        return window;
    }

    private static List<String> codes(Map<String, String> typed, String field, String otherwise) {
        String text = text(typed, field);
        return Arrays.stream((text.isEmpty() ? otherwise : text).split(","))
                .map(String::strip)
                .toList();
    }

    /** A number where one was typed; the text itself else, for the strand check to refuse. */
    private static Object whole(Map<String, String> typed, String field) {
        String text = text(typed, field);
        return text.matches("[0-9]{1,6}") ? (Object) Integer.valueOf(text) : text;
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "").strip().replaceAll("\\s+", " ");
    }
}
