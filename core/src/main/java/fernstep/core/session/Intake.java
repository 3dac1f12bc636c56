package fernstep.core.session;

import fernstep.core.decision.Advice;
import fernstep.core.decision.Decisions;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.ExerciseAdded;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Noted;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SetRepeated;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/**
 * Makes events of what is told beside the mat. Empty where there is nothing to write down: a locked session takes nothing
 * but its end, a sign already on record in this repetition is not written twice.
 *
 * @param circumstances what the rules need to know of her; asked for only where a rule is asked
 * @param madeBy the member of staff who tells it
 */
public record Intake(Session session, Supplier<Circumstances> circumstances, StaffId madeBy) {
    public Optional<SessionEvent> repDone(String id) {
        return unlessLocked(new RepDone(id, madeBy));
    }

    public Optional<SessionEvent> setBegun(String id) {
        return unlessLocked(new SetBegun(id, madeBy));
    }

    /** @throws fernstep.core.measure.OutOfRange outside 0 to 10 */
    public Optional<SessionEvent> effort(String id, int effort) {
        return unlessLocked(new EffortTold(id, madeBy, effort));
    }

    public Optional<SessionEvent> skipped(String id, SkipReason reason) {
        return unlessLocked(new Skipped(id, madeBy, reason));
    }

    /** Only where a set has just ended; a set that a sign ended is not done again. */
    public Optional<SessionEvent> setRepeated(String id) {
        return inHand().filter(Exercise::mayRepeat).flatMap(exercise -> unlessLocked(new SetRepeated(id, madeBy)));
    }

    /** Not while loaded rungs are closed for the rest of the session, unless it carries no load. */
    public Optional<SessionEvent> added(String id, PlannedExercise exercise) {
        boolean loaded = circumstances.get().catalogue().rung(exercise.rung()).loaded();
        boolean there = session.exercises().stream()
                .anyMatch(each -> each.plannedRung().equals(exercise.rung()) && each.side() == exercise.side());
        return there || session.ended() || (loaded && session.loadClosed())
                ? Optional.empty()
                : unlessLocked(new ExerciseAdded(id, madeBy, exercise));
    }

    /** @throws IllegalArgumentException for a note that is too long */
    public Optional<SessionEvent> noted(String id, String text) {
        return Optional.of(new Noted(id, madeBy, text));
    }

    public Optional<SessionEvent> finished(String id) {
        return Optional.of(new Finished(id, madeBy));
    }

    /** Takes back the last thing that happened. */
    public Optional<SessionEvent> undone(String id) {
        return session.lastUndoable().flatMap(last -> unlessLocked(new Undone(id, madeBy, last.id())));
    }

    /** Goes on with a session that was ended by hand or by its last exercise; an emergency stays. */
    public Optional<SessionEvent> reopened(String id) {
        return session.ended() ? undone(id) : Optional.empty();
    }

    /** A sign in the repetition in hand, on the side in hand, and the next safe move. */
    public Optional<SessionEvent> sign(String id, Seen told) {
        return inHand().filter(exercise -> !exercise.alreadySeen(told.sign())).map(exercise -> {
            Seen seen = told.inRep(exercise.repInHand());
            Side inTraining = exercise.side();
            // where it hurts has its own side, whichever side is trained
            boolean ownSide = seen.place() != null && seen.side() != null;
            Seen here = inTraining == null || ownSide ? seen : seen.on(inTraining);
            return new SignSeen(id, madeBy, place(exercise), here, next(exercise, Set.of(), List.of(here)));
        });
    }

    /** @throws IllegalArgumentException for an answer that is no emergency */
    public Optional<SessionEvent> emergency(String id, Answer answer) {
        if (!answer.emergency()) {
            throw new IllegalArgumentException(answer + " is no emergency");
        }
        return inHand().map(exercise ->
                new EmergencyCalled(id, madeBy, place(exercise), answer, next(exercise, Set.of(answer), List.of())));
    }

    /**
     * Another move than the one advised; an emergency cannot be overridden beside the mat, and easier it is only made where
     * a lever is left.
     */
    public Optional<SessionEvent> overridden(String id, String signId, Move move, String reason) {
        return session.answered()
                .filter(answered ->
                        answered.id().equals(signId) && answered.advice().move() != Move.REFER_NOW)
                .filter(answered ->
                        move != Move.EASE || answered.advice().easierInstead().isPresent())
                .flatMap(answered -> unlessLocked(new Overridden(id, madeBy, signId, move, reason)));
    }

    private Optional<Exercise> inHand() {
        return session.locked() || session.ended() ? Optional.empty() : session.current();
    }

    private Optional<SessionEvent> unlessLocked(SessionEvent event) {
        return session.locked() ? Optional.empty() : Optional.of(event);
    }

    private static Place place(Exercise exercise) {
        return new Place(exercise.rung().code(), exercise.set());
    }

    private Advice next(Exercise exercise, Set<Answer> emergencies, List<Seen> seen) {
        return Decisions.next(situation(exercise, emergencies, seen));
    }

    /** As the rules would look at a sign in the exercise in hand; empty where none is. */
    public Optional<Situation> situation(Seen told) {
        return inHand().map(exercise -> situation(exercise, Set.of(), List.of(told)));
    }

    private Situation situation(Exercise exercise, Set<Answer> emergencies, List<Seen> seen) {
        Circumstances her = circumstances.get();
        return new Situation(
                her.catalogue(),
                her.stances(),
                her.her(),
                new Situation.Doing(exercise.rung(), exercise.side(), exercise.setting()),
                new Situation.Now(emergencies, seen),
                new Situation.Before(
                        exercise.soFar(),
                        exercise.before(),
                        session.endedForLoad(),
                        her.earlier().levers(exercise.rung().code()),
                        her.earlier().sessions(her.day())));
    }
}
