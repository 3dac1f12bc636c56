package fernstep.app.run;

import fernstep.core.session.Exercise;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;

/** Stands for all that the answer to a sign depends on within a session: the exercise, its setting, what was seen in this set. */
final class AnswersKey {
    private AnswersKey() {}

    static String of(int at, Exercise e) {
        return key(at, e, e.otherLevers(), e.soFar());
    }

    /** Of a set in which nothing was seen yet. */
    static String unseen(int at, Exercise e) {
        return key(at, e, List.of(), List.of());
    }

    private static String key(int at, Exercise e, List<?> levers, List<?> soFar) {
        List<Object> all =
                List.of(e.rung().code(), e.range(), String.valueOf(e.dose()), List.copyOf(e.helpers()), levers, soFar);
        return at + "." + UUID.nameUUIDFromBytes(all.toString().getBytes(StandardCharsets.UTF_8));
    }
}
