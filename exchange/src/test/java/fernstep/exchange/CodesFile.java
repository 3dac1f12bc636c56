package fernstep.exchange;

import fernstep.core.screening.Answer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The codes that the schemas share: the file names the kinds and their types, the codes themselves are the types' own. */
final class CodesFile {
    /** Of the module's folder. */
    static final Path FILE = Path.of("src/main/resources/fernstep/schema/codes.json");

    /** A choice of one type's codes, under the name it has in the file. */
    static final String EMERGENCIES = "EmergencyAnswer";

    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private CodesFile() {}

    /** @return the file's text with each kind's codes as its type has them now */
    static String anew(String text) throws ClassNotFoundException {
        ObjectNode file = (ObjectNode) JSON.readTree(text);
        for (Map.Entry<String, JsonNode> kind : file.get("$defs").properties()) {
            ObjectNode told = (ObjectNode) kind.getValue();
            ArrayNode codes = told.putArray("enum");
            codes(kind.getKey(), told.get("$comment").stringValue()).forEach(codes::add);
        }
        return JSON.writeValueAsString(file).replace("\r\n", "\n") + "\n";
    }

    private static List<String> codes(String kind, String type) throws ClassNotFoundException {
        if (kind.equals(EMERGENCIES)) {
            return Arrays.stream(Answer.values())
                    .filter(Answer::emergency)
                    .map(Answer::name)
                    .toList();
        }
        return Arrays.stream(Class.forName(type).getEnumConstants())
                .map(String::valueOf)
                .toList();
    }

    /** Writes the file of this working tree anew: {@code ./fern codes}, after a code was added. */
    public static void main(String[] args) throws IOException, ClassNotFoundException {
        Path file = Path.of(args[0]).resolve(FILE);
        Files.writeString(file, anew(Files.readString(file)));
    }
}
