package fernstep.core.standing;

import fernstep.core.client.Licence;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a report is about, and what it closes until somebody has looked. */
public sealed interface Concern {
    /** From this level on pain holds what loads its place (0 to 10). */
    int PAIN_HOLDS_FROM = 4;
    /** From this level on pain after a session counts; twice in four weeks it holds everything. */
    int PAIN_AFTERWARDS_COUNTS_FROM = 3;

    /** One method for each kind, so that one nobody handles does not compile. */
    interface Reader<T> {
        T emergency(Answer answer);

        T askFirst(Answer answer);

        T adapts(Answer answer);

        T pelvicFloor(PelvicFloor floor);

        T leaking(Leaking leaking);

        T pain(Pain pain);

        T painAfterwards(int painLevel);

        T pageLocked(int wrongPins);
    }

    <T> T read(Reader<T> reader);

    /** What an answer to one of the questions is about. */
    static Concern of(Answer answer) {
        return switch (answer.leadsTo()) {
            case REFER_NOW -> new Emergency(answer);
            case ASK_FIRST -> new AskFirst(answer);
            case ADAPT, GO -> new Adapts(answer);
        };
    }

    /** How much of her training it stops by itself. */
    Level level();

    /** What it holds; nothing where it is only to be looked at. */
    Hold holds();

    /** Who may lift it. */
    default Licence liftedBy() {
        return Licence.COACH;
    }

    /** The question it answers, if it is one. */
    default Optional<Answer> asAnswer() {
        return Optional.empty();
    }

    /** An answer that closes everything until a therapist has lifted it. */
    sealed interface ClosingAnswer extends Concern {
        Answer answer();

        @Override
        default Hold holds() {
            return new Hold.Everything();
        }

        @Override
        default Licence liftedBy() {
            return Licence.THERAPIST;
        }

        @Override
        default Optional<Answer> asAnswer() {
            return Optional.of(answer());
        }
    }

    /** An answer of the emergency list. Only a therapist lifts it. */
    record Emergency(Answer answer) implements ClosingAnswer {
        /** @throws IllegalArgumentException for an answer that is no emergency */
        public Emergency {
            if (!answer.emergency()) {
                throw new IllegalArgumentException(answer + " is no emergency");
            }
        }

        @Override
        public Level level() {
            return Level.LOCKED;
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.emergency(answer);
        }
    }

    /** An answer that somebody qualified has to look at first. Only a therapist lifts it. */
    record AskFirst(Answer answer) implements ClosingAnswer {
        /** @throws IllegalArgumentException for an answer that does not ask first */
        public AskFirst {
            if (answer.leadsTo() != Outcome.ASK_FIRST) {
                throw new IllegalArgumentException(answer + " does not ask first");
            }
        }

        @Override
        public Level level() {
            return Level.ASK_FIRST;
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.askFirst(answer);
        }
    }

    /** An answer with which she goes on with changes: it counts on its day and holds nothing. */
    record Adapts(Answer answer) implements Concern {
        /** @throws IllegalArgumentException for an answer that closes */
        public Adapts {
            if (answer.needsLicenceToTakeBack()) {
                throw new IllegalArgumentException(answer + " closes");
            }
        }

        @Override
        public Level level() {
            return Level.CLEAR;
        }

        @Override
        public Hold holds() {
            return new Hold.Nothing();
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.adapts(answer);
        }
    }

    /**
     * Heaviness or bearing down, during an exercise or after it.
     *
     * @param sign HEAVY or BEARS_DOWN
     * @param rung the exercise; empty for the morning after
     */
    record PelvicFloor(SignCode sign, String rung) implements Concern {
        /** @throws IllegalArgumentException for any other sign */
        public PelvicFloor {
            if (sign != SignCode.HEAVY && sign != SignCode.BEARS_DOWN) {
                throw new IllegalArgumentException(sign + " is no sign of heaviness");
            }
        }

        @Override
        public Level level() {
            return Level.HELD;
        }

        @Override
        public Hold holds() {
            return new Hold.Everything();
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.pelvicFloor(this);
        }
    }

    /**
     * Leaking.
     *
     * @param more new, or more than before; what is not known counts as more
     * @param rung the exercise; empty for the morning after, which holds everything
     */
    record Leaking(boolean more, String rung) implements Concern {
        @Override
        public Level level() {
            return more ? Level.HELD : Level.CLEAR;
        }

        @Override
        public Hold holds() {
            if (!more) {
                return new Hold.Nothing();
            }
            return rung.isEmpty() ? new Hold.Everything() : new Hold.OneExercise(rung);
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.leaking(this);
        }
    }

    /**
     * Pain during an exercise.
     *
     * @param painLevel 1 to 10
     * @param sharp sharp or stabbing
     * @param place null where it was not said: then everything is held
     * @param side null for a place without sides, or where it was not said
     * @param rung the exercise; empty where it was not in one
     */
    record Pain(
            int painLevel,
            boolean sharp,
            @Nullable BodyPlace place,
            @Nullable Side side,
            String rung) implements Concern {
        /** @throws fernstep.core.measure.OutOfRange for a level outside 0 to 10 */
        public Pain {
            Range.PAIN_LEVEL.check(painLevel);
        }

        @Override
        public Level level() {
            return sharp || painLevel >= PAIN_HOLDS_FROM ? Level.HELD : Level.CLEAR;
        }

        @Override
        public Hold holds() {
            if (level() == Level.CLEAR) {
                return new Hold.Nothing();
            }
            return sharp || place == null ? new Hold.Everything() : new Hold.WhatLoads(place);
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.pain(this);
        }
    }

    /**
     * Pain the morning after a session: held where it comes twice in four weeks.
     *
     * @param painLevel 1 to 10
     */
    record PainAfterwards(int painLevel) implements Concern {
        /** @throws fernstep.core.measure.OutOfRange for a level outside 0 to 10 */
        public PainAfterwards {
            Range.PAIN_LEVEL.check(painLevel);
        }

        @Override
        public Level level() {
            return Level.CLEAR;
        }

        @Override
        public Hold holds() {
            return new Hold.Nothing();
        }

        boolean counts() {
            return painLevel >= PAIN_AFTERWARDS_COUNTS_FROM;
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.painAfterwards(painLevel);
        }
    }

    /**
     * Too many wrong PINs on her home page: somebody should know, nothing is held.
     *
     * @param wrongPins how many, 1 and more
     */
    record PageLocked(int wrongPins) implements Concern {
        @Override
        public Level level() {
            return Level.CLEAR;
        }

        @Override
        public Hold holds() {
            return new Hold.Nothing();
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.pageLocked(wrongPins);
        }
    }
}
