package fernstep.exchange.session;

import fernstep.core.measure.Reason;
import fernstep.exchange.wording.CodeWords;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A reason and its facts: a number as a number, a text as a text, a code as {@code {"code": "Lever.RAISE_RANGE"}}, a day as
 * {@code {"day": "2031-05-14"}}, a reason inside another as itself.
 */
final class FactJson {
    private static final String CODE = "code";
    private static final String DAY = "day";
    private static final String KEY = "key";
    private static final String FACTS = "facts";
    private static final JsonNodeFactory NODES = JsonMapper.shared().getNodeFactory();
    private static final Map<String, Class<?>> KINDS =
            CodeWords.kinds().stream().collect(Collectors.toMap(FactJson::shortName, Function.identity()));

    private FactJson() {}

    static JsonNode write(Reason reason) {
        ObjectNode node = NODES.objectNode().put(KEY, reason.key());
        ArrayNode facts = node.putArray(FACTS);
        reason.facts().forEach(thing -> facts.add(fact(thing)));
        return node;
    }

    static JsonNode fact(@Nullable Object fact) {
        if (fact == null) {
            return NODES.nullNode();
        }
        if (fact instanceof Reason reason) {
            return write(reason);
        }
        if (fact instanceof Enum<?> code) {
            return NODES.objectNode().put(CODE, shortName(code.getDeclaringClass()) + "." + code.name());
        }
        if (fact instanceof LocalDate day) {
            return NODES.objectNode().put(DAY, day.toString());
        }
        return fact instanceof Number number
                ? NODES.numberNode(number.doubleValue())
                : NODES.stringNode(fact.toString());
    }

    /** @throws IllegalArgumentException for what this never wrote */
    static Reason reason(JsonNode node) {
        List<Object> facts = new ArrayList<>();
        for (JsonNode each : node.path(FACTS)) {
            Object fact = fact(each);
            facts.add(fact == null ? "" : fact);
        }
        return new Reason(text(node, KEY), facts);
    }

    /** @throws IllegalArgumentException for what this never wrote */
    static @Nullable Object fact(JsonNode node) {
        if (node.isNull() || node.isMissingNode()) {
            return null;
        }
        if (node.isNumber()) {
            return node.doubleValue();
        }
        if (node.has(KEY)) {
            return reason(node);
        }
        if (node.has(DAY)) {
            return LocalDate.parse(text(node, DAY));
        }
        return node.has(CODE) ? code(text(node, CODE)) : node.stringValue();
    }

    private static Object code(String text) {
        int dot = text.lastIndexOf('.');
        Class<?> kind = dot < 0 ? null : KINDS.get(text.substring(0, dot));
        if (kind == null) {
            return text;
        }
        return Arrays.stream(kind.getEnumConstants())
                .filter(option -> ((Enum<?>) option).name().equals(text.substring(dot + 1)))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no code " + text));
    }

    private static String text(JsonNode node, String field) {
        JsonNode value = node.path(field);
        if (!value.isString()) {
            throw new IllegalArgumentException("no " + field + " in " + node);
        }
        return value.stringValue();
    }

    /** "Stances.Spine" for a kind inside another. */
    private static String shortName(Class<?> kind) {
        return kind.getName().substring(kind.getPackageName().length() + 1).replace('$', '.');
    }
}
