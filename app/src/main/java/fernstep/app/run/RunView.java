package fernstep.app.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.client.ClientFile;
import fernstep.app.run.Runner.Held;
import fernstep.app.support.Words;
import fernstep.core.decision.Move;
import fernstep.core.session.EarlierSessions;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.Answered;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Turns a replayed session into what the runner page shows. */
@Component
class RunView {
    private static final int SESSIONS_KEPT = 100;
    private static final Duration KEPT_FOR = Duration.ofMinutes(2);

    private final Words words;
    private final AdviceWords advice;
    private final EarlierLog earlier;
    private final Cache<String, RunItems> kept = Caffeine.newBuilder()
            .maximumSize(SESSIONS_KEPT)
            .expireAfterAccess(KEPT_FOR)
            .build();

    RunView(Words words, AdviceWords advice, EarlierLog earlier) {
        this.words = words;
        this.advice = advice;
        this.earlier = earlier;
    }

    RunState state(Held held) {
        return state(held, items(held, earlier.before(held.row())));
    }

    /** Makes her exercises; kept by who looks at many states of one session. */
    RunItems items(Held held, EarlierSessions before) {
        return new RunItems(words, advice, held.client(), before);
    }

    /** The same for one state after another: while nothing they are made of has changed, those made before serve again. */
    RunItems keptItems(Held held, EarlierSessions before) {
        RunItems known = kept.getIfPresent(held.row().id());
        if (known == null || !known.madeOf(held.client(), before)) {
            known = items(held, before);
            kept.put(held.row().id(), known);
        }
        return known;
    }

    RunState state(Held held, RunItems made) {
        Session session = held.session();
        List<Exercise> exercises = session.exercises();
        List<RunState.Item> items = new ArrayList<>();
        for (int i = 0; i < exercises.size(); i++) {
            items.add(made.item(i, exercises.get(i)));
        }
        @Nullable Exercise now = session.current().orElse(null);
        return new RunState(
                held.version() + held.lock().mark(),
                now == null ? "" : AnswersKey.of(exercises.indexOf(now), now),
                phase(held),
                Runner.place(session),
                items,
                now == null ? List.of() : seen(now),
                session.answered()
                        .map(answered -> advice(answered, session, held.client()))
                        .orElse(null),
                session.lastUndoable().isPresent() && held.lock() == RunLock.OPEN && !held.locked(),
                now != null && now.mayRepeat(),
                Map.of());
    }

    private static String phase(Held held) {
        Session session = held.session();
        if (held.locked()) {
            return "LOCKED";
        }
        if (session.ended() || held.lock() == RunLock.EARLIER_DAY) {
            return "FINISHED";
        }
        if (held.lock() == RunLock.SPEAK_FIRST) {
            return "WAITS";
        }
        Exercise e = session.current().orElseThrow();
        if (e.asksEffort()) {
            return "EFFORT";
        }
        return e.setDone() ? "REST" : "WORK";
    }

    private static List<RunState.Seen> seen(Exercise exercise) {
        return exercise.soFar().stream()
                .filter(repRecord -> repRecord.rep() == exercise.repInHand())
                .flatMap(repRecord -> repRecord.signs().stream())
                .map(seen ->
                        new RunState.Seen(seen.sign().name(), seen.severity().name()))
                .toList();
    }

    private RunState.AdviceView advice(Answered event, Session session, ClientFile client) {
        String exercise = session.exercises().stream()
                .filter(each -> each.answered().contains(event))
                .filter(each -> session.current().filter(now -> now == each).isEmpty())
                .findFirst()
                .map(each ->
                        (words.name(each.rung()) + " " + (each.side() == null ? "" : words.code(each.side()))).strip())
                .orElse(null);
        boolean open = session.overrideOf(event).isEmpty() && event.advice().move() != Move.REFER_NOW;
        return advice.view(event, session.overrideOf(event), client, exercise, open);
    }
}
