package fernstep.core.catalogue;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import org.yaml.snakeyaml.error.MarkedYAMLException;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.NodeTuple;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;

/** A mapping in a catalogue text that knows its file and lines, and which of its fields have been read. */
final class YamlPart {
    private final String file;
    private final Node node;
    private final Map<String, Node> fields = new LinkedHashMap<>();
    private final Set<String> read = new LinkedHashSet<>();

    private YamlPart(String file, Node node) {
        this.file = file;
        this.node = node;
        if (!(node instanceof MappingNode mapping)) {
            throw problem(node, "expected fields");
        }
        for (NodeTuple tuple : mapping.getValue()) {
            String name = ((ScalarNode) tuple.getKeyNode()).getValue();
            if (fields.put(name, tuple.getValueNode()) != null) {
                throw problem(tuple.getKeyNode(), "'" + name + "' stands twice");
            }
        }
    }

    static YamlPart parse(String file, String text) {
        try {
            Node root = new Yaml(new LoaderOptions()).compose(new StringReader(text));
            if (root == null) {
                throw new CatalogueProblem(file, 1, "the file is empty");
            }
            return new YamlPart(file, root);
        } catch (MarkedYAMLException e) {
            int line = e.getProblemMark() == null ? 1 : e.getProblemMark().getLine() + 1;
            throw new CatalogueProblem(file, line, "not readable: " + e.getProblem());
        }
    }

    static YamlPart empty(String file) {
        return parse(file, "{}");
    }

    boolean has(String field) {
        return fields.containsKey(field);
    }

    Set<String> names() {
        return fields.keySet();
    }

    boolean isText(String field) {
        return fields.get(field) instanceof ScalarNode;
    }

    double number(String field, double otherwise) {
        return optional(field).map(node -> number(node, field, false)).orElse(otherwise);
    }

    String text(String field) {
        return scalar(required(field), field);
    }

    Optional<String> optionalText(String field) {
        return optional(field).map(node -> scalar(node, field));
    }

    boolean flag(String field, boolean otherwise) {
        return optional(field)
                .map(node -> switch (scalar(node, field)) {
                    case "true" -> true;
                    case "false" -> false;
                    default -> throw problem(node, "'" + field + "' must be true or false");
                })
                .orElse(otherwise);
    }

    int whole(String field) {
        return (int) number(required(field), field, true);
    }

    <E extends Enum<E>> E code(String field, Class<E> type) {
        return code(required(field), field, type);
    }

    <E extends Enum<E>> List<E> codes(String field, Class<E> type) {
        return optional(field)
                .map(node -> items(node, field).stream()
                        .map(item -> code(item, field, type))
                        .toList())
                .orElse(List.of());
    }

    List<String> texts(String field) {
        return optional(field)
                .map(node -> items(node, field).stream()
                        .map(item -> scalar(item, field))
                        .toList())
                .orElse(List.of());
    }

    Optional<Span> span(String field) {
        return optional(field).map(node -> {
            List<Double> ends = items(node, field).stream()
                    .map(item -> number(item, field, true))
                    .toList();
            if (ends.size() != 2 || ends.get(1) < ends.get(0)) {
                throw problem(node, "'" + field + "' needs two numbers, the smaller first");
            }
            return new Span(ends.get(0).intValue(), ends.get(1).intValue());
        });
    }

    YamlPart part(String field) {
        return new YamlPart(file, required(field));
    }

    Optional<YamlPart> optionalPart(String field) {
        return optional(field).map(node -> new YamlPart(file, node));
    }

    List<YamlPart> parts(String field) {
        return optional(field)
                .map(node -> items(node, field).stream()
                        .map(item -> new YamlPart(file, item))
                        .toList())
                .orElse(List.of());
    }

    <E extends Enum<E>> Map<String, String> textByCode(String field, Class<E> type) {
        return optionalPart(field)
                .map(part -> {
                    Map<String, String> texts = new LinkedHashMap<>();
                    part.fields.forEach((name, node) -> {
                        texts.put(code(name, node, field, type).name(), part.text(name));
                    });
                    return texts;
                })
                .orElse(Map.of());
    }

    /** A field that may stand here even where nobody needs it. */
    void isKnown(String field) {
        read.add(field);
    }

    /** Called when all was read: a field nobody asked for is a spelling mistake. */
    void nothingElse() {
        fields.forEach((name, node) -> {
            if (!read.contains(name)) {
                throw problem(node, "unknown field '" + name + "'");
            }
        });
    }

    CatalogueProblem problem(String field, String reason) {
        return problem(fields.getOrDefault(field, node), reason);
    }

    private CatalogueProblem problem(Node at, String reason) {
        return new CatalogueProblem(file, at.getStartMark().getLine() + 1, reason);
    }

    private Node required(String field) {
        return optional(field).orElseThrow(() -> problem(node, "'" + field + "' is missing"));
    }

    private Optional<Node> optional(String field) {
        read.add(field);
        return Optional.ofNullable(fields.get(field));
    }

    private String scalar(Node node, String field) {
        if (!(node instanceof ScalarNode scalar) || scalar.getValue().isBlank()) {
            throw problem(node, "'" + field + "' needs a value");
        }
        return scalar.getValue();
    }

    private List<Node> items(Node node, String field) {
        if (!(node instanceof SequenceNode sequence)) {
            throw problem(node, "'" + field + "' needs a list");
        }
        return new ArrayList<>(sequence.getValue());
    }

    private double number(Node node, String field, boolean whole) {
        String text = scalar(node, field);
        try {
            double value = Double.parseDouble(text);
            if (whole && value != Math.rint(value)) {
                throw problem(node, "'" + field + "' needs a whole number, was " + text);
            }
            return value;
        } catch (NumberFormatException e) {
            throw problem(node, "'" + field + "' needs a number, was " + text);
        }
    }

    private <E extends Enum<E>> E code(Node node, String field, Class<E> type) {
        return code(scalar(node, field), node, field, type);
    }

    private <E extends Enum<E>> E code(String text, Node node, String field, Class<E> type) {
        return Arrays.stream(type.getEnumConstants())
                .filter(option -> option.name().equals(text))
                .findFirst()
                .orElseThrow(() -> problem(
                        node,
                        "'" + field + "' was " + text + "; it must be one of "
                                + String.join(
                                        ", ",
                                        Arrays.stream(type.getEnumConstants())
                                                .map(Enum::name)
                                                .toList())));
    }
}
