package fernstep.core.session;

import fernstep.core.decision.Advice;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.screening.Answer;
import java.util.Optional;

/**
 * Something that happened in a session; never changed once written. Its id is made where it happened, so that telling it
 * twice is telling it once. Whoever reads events answers every kind.
 */
public sealed interface SessionEvent {
    /** Made where it happened, unique for good. */
    String id();

    /** The member of staff who told it. */
    StaffId madeBy();

    <R> R read(Kinds<R> kinds);

    /** What a rule made of a sign or an emergency, where this event has one. */
    default Optional<Answered> answered() {
        return Optional.empty();
    }

    /** An answer for every kind of event. */
    interface Kinds<R> {
        R repDone(RepDone event);

        R setBegun(SetBegun event);

        R signSeen(SignSeen event);

        R emergencyCalled(EmergencyCalled event);

        R overridden(Overridden event);

        R effortTold(EffortTold event);

        R skipped(Skipped event);

        R undone(Undone event);

        R finished(Finished event);

        R setRepeated(SetRepeated event);

        R exerciseAdded(ExerciseAdded event);

        R noted(Noted event);
    }

    /**
     * Where in the session it was seen.
     *
     * @param set from 1
     */
    record Place(String rung, int set) {
        /** @throws fernstep.core.measure.OutOfRange for a set outside 1 to 10 */
        public Place {
            Range.SETS.check(set);
        }
    }

    /** A sign or an emergency, and what the rules answered. */
    sealed interface Answered extends SessionEvent permits SignSeen, EmergencyCalled {
        Place place();

        /** The sign, or the emergency's answer. */
        Enum<?> code();

        Advice advice();
    }

    /** A repetition, or a breath where breaths count. */
    record RepDone(String id, StaffId madeBy) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.repDone(this);
        }
    }

    /** The rest is over. */
    record SetBegun(String id, StaffId madeBy) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.setBegun(this);
        }
    }

    /** A sign, in the repetition that {@code seen} names. */
    record SignSeen(String id, StaffId madeBy, Place place, Seen seen, Advice advice) implements Answered {
        @Override
        public SignCode code() {
            return seen.sign();
        }

        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.signSeen(this);
        }

        @Override
        public Optional<Answered> answered() {
            return Optional.of(this);
        }
    }

    /** Something that cannot wait: the session is over and locked. */
    record EmergencyCalled(String id, StaffId madeBy, Place place, Answer answer, Advice advice) implements Answered {
        @Override
        public Answer code() {
            return answer;
        }

        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.emergencyCalled(this);
        }

        @Override
        public Optional<Answered> answered() {
            return Optional.of(this);
        }
    }

    /**
     * The practitioner chose otherwise.
     *
     * @param signId the event whose advice it takes the place of
     */
    record Overridden(String id, StaffId madeBy, String signId, Move move, String reason) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.overridden(this);
        }
    }

    /**
     * How hard the exercise was.
     *
     * @param effort 0 to 10
     */
    record EffortTold(String id, StaffId madeBy, int effort) implements SessionEvent {
        /** @throws fernstep.core.measure.OutOfRange outside 0 to 10 */
        public EffortTold {
            Range.EFFORT.check(effort);
        }

        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.effortTold(this);
        }
    }

    /** The exercise in hand is left out. */
    record Skipped(String id, StaffId madeBy, SkipReason reason) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.skipped(this);
        }
    }

    /**
     * An event is taken back.
     *
     * @param eventId the one that never happened
     */
    record Undone(String id, StaffId madeBy, String eventId) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.undone(this);
        }
    }

    /** The set that is over is done once more. */
    record SetRepeated(String id, StaffId madeBy) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.setRepeated(this);
        }
    }

    /** An exercise joins the end of the session. */
    record ExerciseAdded(String id, StaffId madeBy, PlannedExercise exercise) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.exerciseAdded(this);
        }
    }

    /**
     * A note on the session; the last one stands.
     *
     * @param text up to 500 characters
     */
    record Noted(String id, StaffId madeBy, String text) implements SessionEvent {
        public static final int LONGEST = 500;

        /** @throws IllegalArgumentException for more than 500 characters */
        public Noted {
            if (text.length() > LONGEST) {
                throw new IllegalArgumentException("A note has at most " + LONGEST + " characters.");
            }
        }

        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.noted(this);
        }
    }

    /** The session is over, whatever is left of it. */
    record Finished(String id, StaffId madeBy) implements SessionEvent {
        @Override
        public <R> R read(Kinds<R> kinds) {
            return kinds.finished(this);
        }
    }
}
