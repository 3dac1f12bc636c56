package fernstep.app.catalogue;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.screening.GateCode;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What was typed about a rung in the making, turned into a strand file of one rung. */
final class OwnRung {
    static final List<Lever> LEVERS =
            List.of(Lever.FEWER_REPS, Lever.SHORTEN_HOLD, Lever.SLOWER, Lever.CHANGE_BREATH, Lever.EASIER_POSITION);
    static final List<GateCode> GATES =
            List.of(GateCode.GENTLE_SET, GateCode.FIRST_LOADED, GateCode.OPPOSITE_LIMBS, GateCode.LONG_LEVER);
    private static final String CODE = "[A-Z]{1,4}[0-9]{1,2}";

    private OwnRung() {}

    /** What is missing before the strand check can look at it. */
    static Optional<String> problem(Map<String, String> typed, Catalogue catalogue) {
        String code = typed.getOrDefault("code", "").strip();
        if (!code.matches(CODE)) {
            return Optional.of("The code needs one to four capital letters and a number, as in OW1.");
        }
        if (catalogue.find(code).isPresent()) {
            return Optional.of("There is a rung " + code + " already.");
        }
        if (typed.getOrDefault("name", "").isBlank()
                || typed.getOrDefault("howTo", "").isBlank()) {
            return Optional.of("It needs a name and a line on how it is done.");
        }
        if (typed.getOrDefault("caution", "").isBlank()) {
            return Optional.of("It needs a caution: what must not happen.");
        }
        if (catalogue.find(typed.getOrDefault("branchOf", "")).isEmpty()) {
            return Optional.of("Say which rung it branches off.");
        }
        for (String field : List.of("setsMin", "setsMax", "lift", "return", "rest")) {
            if (!typed.getOrDefault(field, "").matches("[0-9]{1,3}")) {
                return Optional.of("Sets and tempo are whole numbers.");
            }
        }
        return Optional.empty();
    }

    static String asYaml(Map<String, String> typed, Catalogue catalogue) {
        Rung branch = catalogue.rung(typed.getOrDefault("branchOf", ""));
        StringBuilder y = new StringBuilder();
        y.append("strand: ").append(branch.strand()).append('\n');
        y.append("name: ").append(quoted(branch.strand().name())).append('\n');
        y.append("rungs:\n  - code: ")
                .append(typed.getOrDefault("code", "").strip())
                .append('\n');
        field(y, "name", quoted(typed.getOrDefault("name", "")));
        field(y, "aim", branch.aim().name());
        if (!typed.getOrDefault("family", "").isBlank()) {
            field(y, "family", typed.getOrDefault("family", ""));
        }
        field(y, "perSide", String.valueOf(typed.containsKey("perSide")));
        field(y, "loaded", String.valueOf(typed.containsKey("loaded")));
        field(y, "branchOf", branch.code());
        field(y, "window", window(typed));
        field(
                y,
                "tempo",
                "{lift: " + typed.get("lift") + ", return: " + typed.get("return") + ", rest: " + typed.get("rest")
                        + "}");
        String gate = typed.getOrDefault("gate", "");
        field(y, "gates", "[" + (gate.isBlank() ? "" : "{opened: " + gate + "}, ") + "{rung: " + branch.code() + "}]");
        PoseForm end = new PoseForm(typed.getOrDefault("posture", ""), typed);
        field(y, "move", "{start: " + typed.get("start") + ", full: " + end.asYaml() + "}");
        field(y, "watch", "[" + typed.getOrDefault("watch", "TIRED") + "]");
        field(y, "levers", "[" + typed.getOrDefault("lever", Lever.FEWER_REPS.name()) + "]");
        field(y, "howTo", quoted(typed.getOrDefault("howTo", "")));
        field(y, "caution", quoted(typed.getOrDefault("caution", "")));
        String cue = typed.getOrDefault("cue", "").isBlank()
                ? typed.getOrDefault("howTo", "")
                : typed.getOrDefault("cue", "");
        y.append("    cues:\n");
        for (String activation : List.of("DRAW_IN_LIGHT", "FLOOR_FIRST", "BRACE_ALL_ROUND")) {
            y.append("      ")
                    .append(activation)
                    .append(": ")
                    .append(quoted(cue))
                    .append('\n');
        }
        return y.toString();
    }

    private static void field(StringBuilder y, String name, String value) {
        y.append("    ").append(name).append(": ").append(value).append('\n');
    }

    private static String window(Map<String, String> typed) {
        StringBuilder w = new StringBuilder("{sets: [" + typed.get("setsMin") + ", " + typed.get("setsMax") + "]");
        for (String part : List.of("reps", "holdS", "breaths")) {
            String min = typed.getOrDefault(part + "Min", "").strip();
            String max = typed.getOrDefault(part + "Max", "").strip();
            if (!min.isEmpty() || !max.isEmpty()) {
                w.append(", ")
                        .append(part)
                        .append(": [")
                        .append(min)
                        .append(", ")
                        .append(max)
                        .append("]");
            }
        }
        return w.append("}").toString();
    }

    private static String quoted(String text) {
        return "\"" + text.strip().replace("\\", "\\\\").replace("\"", "\\\"").replaceAll("\\s+", " ") + "\"";
    }
}
