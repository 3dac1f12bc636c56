package fernstep.app.run;

import fernstep.core.session.Exercise;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;

/** Stands for all that the answer to a sign depends on within a session: the exercise, its setting, what was seen in this set. */
final class AnswersKey {
    private AnswersKey() {}

    static String of(int at, Exercise exercise) {
        return key(at, exercise, exercise.otherLevers(), exercise.soFar());
    }

    /** Of a set in which nothing was seen yet. */
    static String unseen(int at, Exercise exercise) {
        return key(at, exercise, List.of(), List.of());
    }

    private static String key(int at, Exercise exercise, List<?> levers, List<?> soFar) {
        List<Object> all = List.of(
                exercise.rung().code(),
                exercise.range(),
                String.valueOf(exercise.dose()),
                List.copyOf(exercise.helpers()),
                levers,
                soFar);
        return at + "." + UUID.nameUUIDFromBytes(all.toString().getBytes(StandardCharsets.UTF_8));
    }
}
