package fernstep.app.run;

import fernstep.app.run.Runner.Held;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.session.EarlierSessions;
import fernstep.core.session.Exercise;
import fernstep.core.session.Intake;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SkipReason;
import fernstep.core.session.StaffId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * The answers to everything that could be seen in one exercise, made before it is seen, so that the page answers at once
 * and without a connection.
 */
@Service
class RunAnswers {
    private static final int MILD = Seen.PAIN_STOPS_AT - 1;
    private static final int STRONG = Seen.PAIN_STOPS_AT;

    private final Runner runner;
    private final RunView view;
    private final EarlierLog earlier;

    RunAnswers(Runner runner, RunView view, EarlierLog earlier) {
        this.runner = runner;
        this.view = view;
        this.earlier = earlier;
    }

    /**
     * @param key what they hold for, see {@link RunState#answersKey}
     * @param bySign by sign and how it shows, as in "DOME_FIRM.CLEAR", "PAIN.STRONG", "SET_LOST.GONE"
     */
    record Answers(String key, Map<String, After> bySign) {}

    /**
     * What the session is after the sign.
     *
     * @param items those that change, by their place
     */
    record After(
            String key,
            String phase,
            int at,
            RunState.@Nullable AdviceView advice,
            boolean canRepeat,
            Map<Integer, RunState.Item> items) {}

    /**
     * @param at place of the exercise; one that is not yet in hand is looked at as if those before it were over
     */
    Answers of(String sessionId, int at) {
        Held held = runner.held(sessionId);
        SessionRow row = held.row();
        List<SessionEvent> events = new ArrayList<>(held.events());
        Held from = held;
        for (int i = Runner.place(held.session()); i < at && !from.session().ended(); i++) {
            events.add(new Skipped("ahead " + i, new StaffId(row.staffId()), SkipReason.NOT_SAID));
            from = with(held, events);
        }
        if (from.locked() || from.session().ended() || Runner.place(from.session()) != at) {
            return new Answers("", Map.of());
        }
        EarlierSessions before = earlier.before(row);
        RunState now = view.state(from, before);
        Exercise inHand = from.session().current().orElseThrow();
        Intake intake = runner.intake(row, held.client(), from.session(), row.staffId());
        Map<String, After> bySign = new LinkedHashMap<>();
        Held start = from;
        everySign(
                earlier.painPlaces(row),
                (name, seen) -> after(start, intake, seen)
                        .ifPresent(then -> bySign.put(name, changed(now, view.state(then, before)))));
        return new Answers(AnswersKey.of(at, inHand), bySign);
    }

    private static Held with(Held held, List<SessionEvent> events) {
        Session session = Session.replay(held.catalogue(), held.planned(), events);
        return new Held(
                held.row(),
                session,
                held.client(),
                held.planned(),
                List.copyOf(events),
                held.version(),
                held.lock(),
                held.catalogue());
    }

    private static Optional<Held> after(Held from, Intake intake, Seen seen) {
        return intake.sign("answer", seen).map(event -> {
            List<SessionEvent> then = new ArrayList<>(from.events());
            then.add(event);
            return with(from, then);
        });
    }

    /** @param painBefore where she had pain lately: there it may be answered otherwise than elsewhere */
    private static void everySign(Set<EarlierLog.PainPlace> painBefore, BiConsumer<String, Seen> take) {
        for (SignCode code : SignCode.values()) {
            switch (code) {
                case PAIN -> {
                    take.accept("PAIN.MILD", Seen.clear(code).withPain(MILD, null));
                    take.accept("PAIN.STRONG", Seen.clear(code).withPain(STRONG, null));
                    painBefore.forEach(where -> {
                        take.accept(
                                "PAIN.MILD" + where.name(),
                                where.on(Seen.clear(code).withPain(MILD, where.place())));
                        take.accept(
                                "PAIN.STRONG" + where.name(),
                                where.on(Seen.clear(code).withPain(STRONG, where.place())));
                    });
                }
                case SET_LOST -> {
                    take.accept("SET_LOST.BACK", Seen.clear(code).recoverable(true));
                    take.accept("SET_LOST.GONE", Seen.clear(code).recoverable(false));
                }
                default -> {
                    take.accept(code + ".SLIGHT", Seen.slight(code));
                    take.accept(code + ".CLEAR", Seen.clear(code));
                }
            }
        }
    }

    private static After changed(RunState now, RunState then) {
        Map<Integer, RunState.Item> items = new LinkedHashMap<>();
        for (int i = 0; i < then.items().size(); i++) {
            RunState.Item item = then.items().get(i);
            if (i >= now.items().size() || !now.items().get(i).equals(item)) {
                items.put(i, item);
            }
        }
        return new After(then.answersKey(), then.phase(), then.at(), then.advice(), then.canRepeat(), items);
    }
}
