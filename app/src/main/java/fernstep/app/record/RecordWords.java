package fernstep.app.record;

import fernstep.app.support.Words;
import fernstep.core.separation.Method;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What was changed in a record and what stands in the audit trail, as people read it; {@code recordWords} on their pages. */
@Component
public class RecordWords {
    /** Codes a stored value may be made of, by where their words stand. */
    private static final List<String> VALUES = List.of(
            "finding.",
            "recordEvent.",
            "method.",
            "feel.",
            "depth.",
            "status.",
            "approach.",
            "restriction.",
            "birth.",
            "scopeName.",
            "clearedBy.",
            "strand.",
            "goal.",
            "weekday.",
            "growFirst.",
            "planChoice.");

    /** A reading as it is stored: its values, then how it was taken. */
    private static final Pattern READING = Pattern.compile("([0-9.]+(?:[ ,]+[0-9.]+)*) ([A-Z]+)");

    private final Words words;

    RecordWords(Words words) {
        this.words = words;
    }

    /**
     * What a change of the record was about.
     *
     * @param kind "finding", "reading", "answer", "fact", "event" or "clearance"
     * @param names what of that kind
     */
    public String part(String kind, List<String> names) {
        String name = names.isEmpty() ? "" : names.get(0);
        return switch (kind) {
            case "finding" ->
                named("field.", name) + (names.size() > 1 ? ", " + named("sideTitle.", names.get(1)) : "");
            case "reading" ->
                words.text("section.SEPARATION") + " " + words.site(Double.parseDouble(name)) + ", "
                        + named("condition.", names.get(1));
            case "answer" -> named("answer.", name);
            // a birth or an operation is named with its day
            case "fact" -> words.knows("fact." + name) ? words.text("fact." + name) : value(name);
            case "plan" ->
                words.text("part.plan", named("strand.", name))
                        + (names.size() > 1 ? ", " + named("sideTitle.", names.get(1)) : "");
            case "skip" -> words.text("part.skip", named("section.", name));
            default -> named("part.", kind);
        };
    }

    /** A value of the record: its codes and days in words, its numbers as they are. */
    public String value(@Nullable String stored) {
        if (stored == null) {
            return "–";
        }
        Matcher reading = READING.matcher(stored);
        if (reading.matches() && words.knows("method." + reading.group(2))) {
            String key = reading.group(2).equals(Method.FINGERS.name()) ? "part.inFingers" : "part.inMm";
            return words.text(key, words.text("method." + reading.group(2)), reading.group(1));
        }
        return Arrays.stream(stored.split("(?<=[ ,])|(?=[ ,])"))
                .map(this::readable)
                .collect(Collectors.joining());
    }

    private String readable(String part) {
        if (part.matches("[0-9]{4}-[0-9]{2}-[0-9]{2}")) {
            try {
                return words.day(LocalDate.parse(part));
            } catch (DateTimeParseException e) {
                return part;
            }
        }
        return VALUES.stream()
                .filter(prefix -> part.matches("[A-Z][A-Z0-9_]+") && words.knows(prefix + part))
                .findFirst()
                .map(prefix -> words.text(prefix + part))
                .orElse(part);
    }

    /** A kind of line in the audit trail. */
    public String audit(String what) {
        return named("audit.", what);
    }

    private String named(String prefix, String code) {
        return words.knows(prefix + code) ? words.text(prefix + code) : code;
    }
}
