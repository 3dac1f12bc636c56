package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.screening.Answer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The schemas hold each kind of code once, and it is the code that the rules know. */
class SchemasTest {
    private static final Path SCHEMAS = Path.of("src/main/resources/fernstep/schema");
    private static final JsonMapper JSON = JsonMapper.builder().build();

    static Stream<String> kinds() throws IOException {
        return codes().propertyNames().stream().filter(propertyName -> !propertyName.equals(CodesFile.EMERGENCIES));
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void a_kind_of_code_is_what_the_rules_know(String kind) throws Exception {
        JsonNode told = codes().get(kind);
        Class<?> type = Class.forName(told.get("$comment").stringValue());
        assertThat(texts(told.get("enum")))
                .containsExactlyElementsOf(Arrays.stream(type.getEnumConstants())
                        .map(String::valueOf)
                        .toList());
    }

    @Test
    void the_emergencies_are_those_of_the_questions() throws IOException {
        assertThat(texts(codes().get(CodesFile.EMERGENCIES).get("enum")))
                .containsExactlyElementsOf(Arrays.stream(Answer.values())
                        .filter(Answer::emergency)
                        .map(Answer::name)
                        .toList());
    }

    @Test
    void the_file_is_what_the_command_writes_from_the_types() throws Exception {
        String text = Files.readString(CodesFile.FILE);
        String stale = text.replace("\"BLEEDING\",", "").replace("\"QUIET_START\"", "\"GONE\"");
        assertThat(stale).isNotEqualTo(text);
        assertThat(CodesFile.anew(stale)).as("./fern codes").isEqualTo(text);
    }

    @Test
    void no_other_file_lists_codes_of_its_own() throws IOException {
        Set<String> lists = new TreeSet<>();
        Set<String> missing = new TreeSet<>();
        Set<String> known = new TreeSet<>();
        codes().propertyNames().forEach(propertyName -> known.add("codes.json#/$defs/" + propertyName));
        try (Stream<Path> files = Files.list(SCHEMAS)) {
            for (Path file : files.filter(path -> !path.endsWith("codes.json")).toList()) {
                for (JsonNode node : nodes(JSON.readTree(Files.readString(file)))) {
                    if (node.has("enum") && node.get("enum").size() > 2) {
                        lists.add(file.getFileName() + ": " + node.get("enum"));
                    }
                    if (node.has("$ref")) {
                        String target = node.get("$ref").stringValue();
                        if (target.startsWith("codes.json") && !known.contains(target)) {
                            missing.add(file.getFileName() + ": " + target);
                        }
                    }
                }
            }
        }
        assertThat(lists).isEmpty();
        assertThat(missing).isEmpty();
    }

    private static JsonNode codes() throws IOException {
        return JSON.readTree(Files.readString(SCHEMAS.resolve("codes.json"))).get("$defs");
    }

    private static List<JsonNode> nodes(JsonNode root) {
        List<JsonNode> all = new ArrayList<>(List.of(root));
        for (JsonNode child : root) {
            all.addAll(nodes(child));
        }
        return all;
    }

    private static List<String> texts(JsonNode list) {
        List<String> all = new ArrayList<>();
        list.forEach(node -> all.add(node.stringValue()));
        return all;
    }
}
