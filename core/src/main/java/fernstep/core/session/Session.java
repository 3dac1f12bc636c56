package fernstep.core.session;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Advice;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.LoadSigns;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.session.SessionEvent.Answered;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.ExerciseAdded;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Noted;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SetRepeated;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A session derived from its events: the same events always give the same state, so a repeated, late or undone event is
 * harmless.
 */
public final class Session {
    private static final double LOWER_HALF = 0.5;
    private static final Set<SignCode> WITHOUT_SIDE = LoadSigns.withoutSide();
    private static final Set<SignCode> OF_TOO_MUCH_LOAD = LoadSigns.all();

    private final Catalogue catalogue;
    private final List<Exercise> exercises = new ArrayList<>();
    private final Map<String, Overridden> overrides = new HashMap<>();
    private boolean locked;
    private boolean loadClosed;
    private String note = "";
    private boolean ended;
    private @Nullable Answered answered;
    private @Nullable SessionEvent lastUndoable;

    private Session(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    /**
     * @param events in the order in which they were written
     * @throws java.util.NoSuchElementException for a planned rung that the catalogue does not have
     */
    public static Session replay(Catalogue catalogue, List<PlannedExercise> planned, List<SessionEvent> events) {
        Session session = new Session(catalogue);
        planned.forEach(exercise -> session.exercises.add(session.exercise(exercise)));
        List<SessionEvent> standing = standing(events);
        for (SessionEvent event : standing) {
            if (event instanceof Overridden o) {
                session.overrides.put(o.signId(), o);
            }
        }
        Replay replay = session.new Replay();
        standing.forEach(sessionEvent -> sessionEvent.read(replay).run());
        return session;
    }

    private Exercise exercise(PlannedExercise exercise) {
        return new Exercise(
                catalogue.rung(exercise.rung()),
                exercise.form(),
                exercise.side(),
                exercise.dose(),
                exercise.range(),
                exercise.easing());
    }

    /** Without what was taken back, and without the taking back. */
    public static List<SessionEvent> standing(List<SessionEvent> events) {
        Set<String> undone = events.stream()
                .filter(Undone.class::isInstance)
                .map(event -> ((Undone) event).eventId())
                .collect(Collectors.toSet());
        return events.stream()
                .filter(event -> !(event instanceof Undone) && !undone.contains(event.id()))
                .toList();
    }

    public List<Exercise> exercises() {
        return Collections.unmodifiableList(exercises);
    }

    /** An emergency was called out: nothing goes on. */
    public boolean locked() {
        return locked;
    }

    public boolean ended() {
        return ended || current().isEmpty();
    }

    /** Something seen closed every loaded rung for the rest of this session. */
    public boolean loadClosed() {
        return loadClosed;
    }

    /** The last note; empty for none. */
    public String note() {
        return note;
    }

    /** The exercise in hand. */
    public Optional<Exercise> current() {
        return exercises.stream().filter(Exercise::open).findFirst();
    }

    /** The advice that still stands, if the last thing that happened was a sign. */
    public Optional<Answered> answered() {
        return Optional.ofNullable(answered);
    }

    public Optional<Overridden> overrideOf(Answered sign) {
        return Optional.ofNullable(overrides.get(sign.id()));
    }

    /** What undo would take back. */
    public Optional<SessionEvent> lastUndoable() {
        return Optional.ofNullable(lastUndoable);
    }

    /** One for each exercise that was worked on. */
    public List<ExerciseResult> results() {
        return exercises.stream()
                .flatMap(exercise -> exercise.result().stream())
                .toList();
    }

    /** What each kind of event does to the session. */
    private final class Replay implements SessionEvent.Kinds<Runnable> {
        @Override
        public Runnable repDone(RepDone event) {
            return inHand(event, Exercise::repDone);
        }

        @Override
        public Runnable setBegun(SetBegun event) {
            return inHand(event, Exercise::nextSet);
        }

        @Override
        public Runnable effortTold(EffortTold event) {
            return inHand(event, exercise -> exercise.effort(event.effort()));
        }

        @Override
        public Runnable skipped(Skipped event) {
            return inHand(event, exercise -> exercise.end(Exercise.State.SKIPPED));
        }

        @Override
        public Runnable signSeen(SignSeen event) {
            return inHand(event, exercise -> {
                LeverChange change = changeMade(event);
                exercise.saw(event.seen(), moveMade(event), change);
                answer(exercise, event, event.seen().sign() == SignCode.TIRED);
            });
        }

        @Override
        public Runnable emergencyCalled(EmergencyCalled event) {
            return inHand(event, exercise -> answer(exercise, event, false));
        }

        @Override
        public Runnable overridden(Overridden event) {
            return () -> lastUndoable = event;
        }

        /** Nothing: what it took back was left out before. */
        @Override
        public Runnable undone(Undone event) {
            return () -> {};
        }

        @Override
        public Runnable finished(Finished event) {
            return () -> {
                ended = true;
                answered = null;
                lastUndoable = event;
            };
        }

        @Override
        public Runnable setRepeated(SetRepeated event) {
            return inHand(event, Exercise::repeatSet);
        }

        @Override
        public Runnable exerciseAdded(ExerciseAdded event) {
            return () -> {
                exercises.add(exercise(event.exercise()));
                lastUndoable = event;
            };
        }

        @Override
        public Runnable noted(Noted event) {
            return () -> note = event.text();
        }

        /** On the exercise it is about; none when the session is over. */
        private Runnable inHand(SessionEvent event, Consumer<Exercise> step) {
            return () -> current().filter(exercise -> !ended).ifPresent(exercise -> {
                lastUndoable = event;
                answered = event.answered().orElse(null);
                step.accept(exercise);
            });
        }
    }

    private Move moveMade(Answered event) {
        return overrideOf(event).map(Overridden::move).orElse(event.advice().move());
    }

    /** Where the practitioner chose otherwise, none; where she chose to make it easier, what would have been next. */
    private @Nullable LeverChange changeMade(Answered event) {
        Overridden chosen = overrides.get(event.id());
        if (chosen == null) {
            return event.advice().change();
        }
        return chosen.move() == Move.EASE ? event.advice().easierInstead().orElse(null) : null;
    }

    private void answer(Exercise exercise, Answered event, boolean tired) {
        Move move = moveMade(event);
        LeverChange change = changeMade(event);
        exercise.answered(event);
        exercise.moved(move, change == null ? null : change.lever(), tired);
        switch (move) {
            case EASE, EASE_ONE_SIDE -> {
                if (change != null) {
                    exercise.pull(change);
                } else if (move == Move.EASE_ONE_SIDE) {
                    stepBack(exercise, event.advice());
                }
            }
            case END_SET -> exercise.endSet();
            case STEP_BACK -> stepBack(exercise, event.advice());
            case END_EXERCISE -> endExercise(exercise);
            case END_SESSION -> ended = true;
            case REFER_NOW -> {
                ended = true;
                locked = true;
            }
            default -> {}
        }
        if (event instanceof SignSeen sign) {
            afterwards(exercise, sign.seen().sign(), move);
        }
        if (event.advice().closesLoadedRungs() && move.compareTo(Move.END_EXERCISE) >= 0) {
            closeLoadedRungs();
        }
    }

    /**
     * What a sign of the midline or of pressure makes easier has no side: the other side begins as easy. After a firm ridge
     * has ended an exercise a breath rung comes first, what loads the same family is over, and the rest stays in the lower
     * half of its range.
     */
    private void afterwards(Exercise exercise, SignCode sign, Move move) {
        boolean easier = move.eases() || move == Move.STEP_BACK;
        if (easier && WITHOUT_SIDE.contains(sign) && exercise.side() != null) {
            exercises.stream()
                    .filter(other -> other != exercise
                            && other.notBegun()
                            && other.plannedRung().equals(exercise.plannedRung()))
                    .forEach(other -> other.beginsAs(exercise));
        }
        if (move == Move.END_EXERCISE && sign == SignCode.DOME_FIRM && !loadClosed) {
            exercises.stream()
                    .filter(other -> other.open()
                            && other.rung().family() != null
                            && other.rung().family() == exercise.rung().family())
                    .forEach(other -> other.end(Exercise.State.CLOSED));
            exercises.stream()
                    .filter(other -> other.open() && other.rung().loaded())
                    .forEach(other -> other.atMost(LOWER_HALF));
            FinishingBreath.after(exercises, catalogue)
                    .ifPresent(breath -> exercises.add(exercises.indexOf(exercise) + 1, breath));
        }
    }

    /** How many exercises a sign of too much load has ended. */
    int endedForLoad() {
        return (int) exercises.stream()
                .filter(exercise -> exercise.answered().stream()
                        .filter(SignSeen.class::isInstance)
                        .map(SignSeen.class::cast)
                        .anyMatch(sign -> moveMade(sign) == Move.END_EXERCISE
                                && OF_TOO_MUCH_LOAD.contains(sign.seen().sign())))
                .count();
    }

    /** As the advice said; the rung before at its easiest where a practitioner stepped back on her own. */
    private void stepBack(Exercise exercise, Advice advice) {
        Advice.StepBack advised = advice.back();
        if (advised != null && catalogue.find(advised.rung()).isPresent()) {
            exercise.stepBackTo(catalogue.rung(advised.rung()), advised.form(), advised.range());
            return;
        }
        Optional<Rung> before = catalogue.previous(exercise.rung());
        if (before.isPresent()) {
            exercise.stepBackTo(before.get(), exercise.form(), 0);
        } else {
            endExercise(exercise);
        }
    }

    /** The exercise is over for both sides. */
    private void endExercise(Exercise exercise) {
        exercise.end(Exercise.State.DONE);
        exercises.stream()
                .filter(each ->
                        each.open() && each.rung().strand() == exercise.rung().strand())
                .forEach(each -> each.end(Exercise.State.CLOSED));
    }

    /** Nothing loaded for the rest of the session; it ends with a lying breath rung. */
    private void closeLoadedRungs() {
        loadClosed = true;
        Optional<Exercise> last = exercises.stream()
                .filter(exercise -> !exercise.open() && !exercise.answered().isEmpty())
                .reduce((earlier, later) -> later);
        exercises.stream()
                .filter(exercise -> exercise.open() && exercise.rung().loaded())
                .forEach(exercise -> exercise.end(Exercise.State.CLOSED));
        if (!ended) {
            int next = last.map(exercise -> exercises.indexOf(exercise) + 1).orElse(exercises.size());
            FinishingBreath.after(exercises, catalogue).ifPresent(breath -> exercises.add(next, breath));
        }
    }
}
