package fernstep.exchange.casefile;

import fernstep.core.measure.OutOfRange;
import fernstep.core.measure.Range;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A JSON object that is read strictly: it knows its path and which of its fields nobody asked for. */
public final class CaseObject {
    private final JsonNode node;
    private final String path;
    private final Set<String> read = new LinkedHashSet<>();

    private CaseObject(JsonNode node, String path) {
        if (!node.isObject()) {
            throw new CaseProblem(path, "expected an object", "{…}");
        }
        this.node = node;
        this.path = path;
    }

    public static CaseObject root(JsonNode node) {
        return new CaseObject(node, "");
    }

    public static CaseObject at(JsonNode node, String path) {
        return new CaseObject(node, path);
    }

    public String path(String field) {
        return path.isEmpty() ? field : path + "." + field;
    }

    public boolean has(String field) {
        return optional(field).isPresent();
    }

    public CaseObject object(String field) {
        return new CaseObject(required(field, () -> "an object"), path(field));
    }

    public Optional<CaseObject> optionalObject(String field) {
        return optional(field).map(node -> new CaseObject(node, path(field)));
    }

    public String text(String field) {
        return text(required(field, () -> "text"), path(field));
    }

    public Optional<String> optionalText(String field) {
        return optional(field).map(node -> text(node, path(field)));
    }

    public Optional<Boolean> optionalFlag(String field) {
        return optional(field).map(node -> {
            if (!node.isBoolean()) {
                throw new CaseProblem(path(field), "'" + field + "' must be true or false", "true, false");
            }
            return node.booleanValue();
        });
    }

    public double number(String field, Range range) {
        return number(required(field, () -> range.allowed()), path(field), range);
    }

    public Optional<Double> optionalNumber(String field, Range range) {
        return optional(field).map(node -> number(node, path(field), range));
    }

    public int whole(String field, Range range) {
        return whole(required(field, () -> range.allowed()), path(field), range);
    }

    public Optional<Integer> optionalWhole(String field, Range range) {
        return optional(field).map(node -> whole(node, path(field), range));
    }

    public LocalDate date(String field) {
        return date(required(field, () -> "a date as YYYY-MM-DD"), path(field));
    }

    public Optional<LocalDate> optionalDate(String field) {
        return optional(field).map(node -> date(node, path(field)));
    }

    public <E extends Enum<E>> E code(String field, Class<E> type) {
        return code(required(field, () -> names(type)), path(field), type);
    }

    public <E extends Enum<E>> Optional<E> optionalCode(String field, Class<E> type) {
        return optional(field).map(node -> code(node, path(field), type));
    }

    /** One of some codes. */
    public Optional<String> optionalOf(String field, List<String> codes) {
        return optional(field).map(node -> {
            String text = text(node, path(field));
            if (!codes.contains(text)) {
                throw new CaseProblem(path(field), "unknown code " + text, String.join(", ", codes));
            }
            return text;
        });
    }

    /** Absent reads as none. */
    public <E extends Enum<E>> Set<E> codes(String field, Class<E> type) {
        Set<E> codes = EnumSet.noneOf(type);
        items(field, (node, at) -> code(node, at, type)).forEach(codes::add);
        return codes;
    }

    public List<Double> numbers(String field, Range range) {
        return items(field, (node, at) -> number(node, at, range));
    }

    public List<CaseObject> objects(String field) {
        return items(field, CaseObject::new);
    }

    /** Reads one item of a list with its path. */
    public interface ItemReader<T> {
        T read(JsonNode item, String path);
    }

    /** Absent reads as empty. */
    public <T> List<T> items(String field, ItemReader<T> reader) {
        Optional<JsonNode> list = optional(field);
        if (list.isEmpty()) {
            return List.of();
        }
        if (!list.get().isArray()) {
            throw new CaseProblem(path(field), "'" + field + "' must be a list", "[…]");
        }
        List<T> items = new ArrayList<>();
        int i = 0;
        for (JsonNode item : list.get()) {
            items.add(reader.read(item, path(field) + "[" + i++ + "]"));
        }
        return items;
    }

    /** Called when all was read: an unknown field is refused with its path. */
    public void nothingElse() {
        for (String name : node.propertyNames()) {
            if (!read.contains(name)) {
                throw new CaseProblem(path(name), "unknown field '" + name + "'", String.join(", ", read));
            }
        }
    }

    /** Runs a constructor of the core and gives its refusal the path of this field. */
    public <T> T checked(String field, Supplier<T> constructor) {
        try {
            return constructor.get();
        } catch (OutOfRange e) {
            throw new CaseProblem(path(field), e.getMessage(), e.range().allowed());
        } catch (IllegalArgumentException e) {
            throw new CaseProblem(path(field), String.valueOf(e.getMessage()), null);
        }
    }

    public CaseProblem problem(String field, String message, @Nullable String allowed) {
        return new CaseProblem(path(field), message, allowed);
    }

    private JsonNode required(String field, Supplier<String> allowed) {
        return optional(field)
                .orElseThrow(() -> new CaseProblem(path(field), "'" + field + "' is missing", allowed.get()));
    }

    private Optional<JsonNode> optional(String field) {
        read.add(field);
        JsonNode found = node.get(field);
        return found == null || found.isNull() ? Optional.empty() : Optional.of(found);
    }

    public static String text(JsonNode node, String at) {
        if (!node.isString()) {
            throw new CaseProblem(at, "expected text", "\"…\"");
        }
        return node.stringValue();
    }

    private static double number(JsonNode node, String at, Range range) {
        if (!node.isNumber()) {
            throw new CaseProblem(at, "expected a number", range.allowed());
        }
        try {
            return range.check(node.doubleValue());
        } catch (OutOfRange e) {
            throw new CaseProblem(at, e.getMessage(), range.allowed());
        }
    }

    private static int whole(JsonNode node, String at, Range range) {
        double value = number(node, at, range);
        if (value != Math.rint(value)) {
            throw new CaseProblem(at, "expected a whole number", range.allowed());
        }
        return (int) value;
    }

    private static LocalDate date(JsonNode node, String at) {
        try {
            return LocalDate.parse(text(node, at));
        } catch (DateTimeParseException e) {
            throw new CaseProblem(at, "not a calendar day: " + node.stringValue(), "a date as YYYY-MM-DD");
        }
    }

    public static <E extends Enum<E>> E code(JsonNode node, String at, Class<E> type) {
        String text = text(node, at);
        return Arrays.stream(type.getEnumConstants())
                .filter(option -> option.name().equals(text))
                .findFirst()
                .orElseThrow(() -> new CaseProblem(at, "unknown code " + text, names(type)));
    }

    public static <E extends Enum<E>> String names(Class<E> type) {
        return String.join(
                ", ", Arrays.stream(type.getEnumConstants()).map(Enum::name).toList());
    }

    /** Whether an item of a list is a bare code rather than an object. */
    public static <T> T codeOrObject(
            JsonNode item, String at, Function<String, T> fromCode, Function<CaseObject, T> fromObject) {
        return item.isString() ? fromCode.apply(item.stringValue()) : fromObject.apply(new CaseObject(item, at));
    }
}
