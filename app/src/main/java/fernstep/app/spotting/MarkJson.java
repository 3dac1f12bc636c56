package fernstep.app.spotting;

import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.spotting.Mark;
import fernstep.core.spotting.SimulatedClient;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** What was called out, in writing: {@code [{"sign": "DOME_FIRM", "rep": 3, "move": "EASE"}]}. */
final class MarkJson {
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final int MOST_MARKS = 200;

    private MarkJson() {}

    private record Written(SignCode sign, int rep, @Nullable Move move) {}

    /** @throws IllegalArgumentException for what is no list of marks */
    static List<Mark> read(String text) {
        try {
            List<Mark> marks = Arrays.stream(JSON.readValue(text, Written[].class))
                    .map(written -> new Mark(written.sign(), written.rep(), written.move()))
                    .toList();
            if (marks.size() > MOST_MARKS
                    || marks.stream().anyMatch(mark -> mark.rep() < 1 || mark.rep() > SimulatedClient.REPS)) {
                throw new IllegalArgumentException("no marks of a round");
            }
            return marks;
        } catch (JacksonException | NullPointerException e) {
            throw new IllegalArgumentException("no marks of a round", e);
        }
    }

    static String write(List<Mark> marks) {
        return JSON.writeValueAsString(marks.stream()
                .map(mark -> new Written(mark.sign(), mark.rep(), mark.move()))
                .toList());
    }
}
