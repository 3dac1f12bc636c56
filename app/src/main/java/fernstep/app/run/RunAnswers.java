package fernstep.app.run;

import fernstep.app.run.Runner.Held;
import fernstep.core.decision.Advice;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.session.Exercise;
import fernstep.core.session.Intake;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SkipReason;
import fernstep.core.session.StaffId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
    /** Of a sign that nobody has seen yet. */
    static final String AHEAD = "answer";
    /** Stands in a text for the repetition in which it will be seen. */
    static final String REP_THEN = "{rep}";

    private static final int MILD = Seen.PAIN_STOPS_AT - 1;
    private static final int STRONG = Seen.PAIN_STOPS_AT;

    /** What these do to a session is more than the page knows: which lever or rung it is, and which exercises they close. */
    private static final Set<Move> BEYOND_THE_PAGE = EnumSet.of(Move.EASE, Move.STEP_BACK, Move.END_EXERCISE);

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
     * @param bySign by sign and how it shows, as in "DOME_FIRM.CLEAR", "PAIN.STRONG", "SET_LOST.GONE"; the answer may change
     *     as the set goes on
     */
    record Answers(String key, Map<String, List<Answer>> bySign) {}

    /** @param repsDone holds from so many repetitions of the set on */
    record Answer(int repsDone, RunState.After after) {}

    /** Once so many repetitions of a set are done. */
    private record InSet(int repsDone, Held held, RunState now, Intake intake) {}

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
        RunItems items = view.items(from, earlier.before(row));
        List<InSet> set = throughTheSet(from, items);
        Map<String, List<Answer>> bySign = new LinkedHashMap<>();
        everySign(earlier.painPlaces(row), (name, seen) -> {
            List<Answer> answers = answers(set, seen, items);
            if (!answers.isEmpty()) {
                bySign.put(name, answers);
            }
        });
        return new Answers(AnswersKey.of(at, from.session().current().orElseThrow()), bySign);
    }

    /** The state with what each other move would do instead of the one advised, while one can still be chosen. */
    RunState state(Held held) {
        RunItems items = view.keptItems(held, earlier.before(held.row()));
        RunState now = view.state(held, items);
        RunState.AdviceView advice = now.advice();
        if (advice == null || !advice.open()) {
            return now;
        }
        Intake intake = intake(held);
        Map<Move, RunState.After> instead = new EnumMap<>(Move.class);
        for (Move move : Move.values()) {
            intake.overridden("instead", advice.signEventId(), move, "")
                    .map(event -> with(held, event))
                    .ifPresent(then -> instead.put(move, changed(now, view.state(then, items), Map.of())));
        }
        return now.with(instead);
    }

    /** From the first repetition on where nothing was seen in the set, else from the one in hand. */
    private List<InSet> throughTheSet(Held from, RunItems items) {
        Held start = from.session().current().orElseThrow().soFar().isEmpty() ? atTheStart(from) : from;
        List<InSet> set = new ArrayList<>();
        Optional<Held> next = Optional.of(start);
        while (next.isPresent()) {
            Held held = next.get();
            Exercise inHand = held.session().current().orElseThrow();
            Intake intake = intake(held);
            set.add(new InSet(inHand.repsDone(), held, view.state(held, items), intake));
            next = inHand.setDone()
                    ? Optional.empty()
                    : intake.repDone("ahead rep " + inHand.repsDone())
                            .map(event -> with(held, event))
                            .filter(each -> each.session()
                                            .current()
                                            .filter(exercise -> !exercise.setDone())
                                            .isPresent()
                                    && Runner.place(each.session()) == Runner.place(start.session()));
        }
        return set;
    }

    /** Without the repetitions of the set in hand. */
    private static Held atTheStart(Held held) {
        List<SessionEvent> events = new ArrayList<>(Session.standing(held.events()));
        int reps = held.session().current().orElseThrow().repsDone();
        for (int i = events.size() - 1; i >= 0 && reps > 0; i--) {
            if (events.get(i) instanceof RepDone) {
                events.remove(i);
                reps--;
            }
        }
        return with(held, events);
    }

    /** One for each change of the advice as the set goes on. */
    private List<Answer> answers(List<InSet> set, Seen seen, RunItems items) {
        List<Answer> answers = new ArrayList<>();
        @Nullable Shape last = null;
        for (InSet in : set) {
            Optional<SessionEvent> event = in.intake().sign(AHEAD, seen);
            Shape shape = event.flatMap(SessionEvent::answered)
                    .map(answered -> Shape.of(answered.advice()))
                    .orElse(null);
            if (event.isPresent() && !Objects.equals(shape, last)) {
                Held then = with(in.held(), event.get());
                RunState.After after = changed(in.now(), view.state(then, items), instead(in.now(), then, items));
                answers.add(new Answer(in.repsDone(), after));
                last = shape;
            }
        }
        return answers;
    }

    /** What makes one answer another, but for the repetition it names. */
    private record Shape(
            Move move, @Nullable LeverChange change, Advice.@Nullable StepBack back, RuleId rule, String why) {
        static Shape of(Advice advice) {
            return new Shape(
                    advice.move(),
                    advice.change(),
                    advice.back(),
                    advice.rule(),
                    advice.reason().key());
        }
    }

    /** What each of those moves would do instead of the one that was advised. */
    private Map<Move, RunState.After> instead(RunState now, Held answered, RunItems items) {
        Map<Move, RunState.After> instead = new EnumMap<>(Move.class);
        Intake intake = intake(answered);
        for (Move move : BEYOND_THE_PAGE) {
            intake.overridden("instead", AHEAD, move, "")
                    .map(event -> with(answered, event))
                    .ifPresent(then -> instead.put(move, changed(now, view.state(then, items), Map.of())));
        }
        return instead;
    }

    private Intake intake(Held held) {
        return runner.intake(
                held.row(), held.client(), held.session(), held.row().staffId());
    }

    private static Held with(Held held, SessionEvent event) {
        List<SessionEvent> events = new ArrayList<>(held.events());
        events.add(event);
        return with(held, events);
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

    private static RunState.After changed(RunState now, RunState then, Map<Move, RunState.After> instead) {
        Map<Integer, RunState.Item> items = new LinkedHashMap<>();
        for (int i = 0; i < then.items().size(); i++) {
            RunState.Item item = then.items().get(i);
            if (i >= now.items().size() || !now.items().get(i).equals(item)) {
                items.put(i, item);
            }
        }
        return new RunState.After(
                then.answersKey(), then.phase(), then.at(), then.advice(), then.canRepeat(), items, instead);
    }
}
