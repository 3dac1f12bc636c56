package fernstep.core.plan;

import fernstep.core.measure.Reason;
import fernstep.core.screening.Strand;
import java.util.List;

/** A strand that is open but not in, and why. */
public record LeftOut(Strand strand, List<PlanItem> items, Because because) {
    public LeftOut {
        items = List.copyOf(items);
    }

    public Reason why() {
        return because.reason();
    }

    /** Nothing speaks against it but that other work came first. */
    public boolean forWantOfRoom() {
        return because instanceof NoRoom || because == Because.Decided.NOTHING_CALLS;
    }

    /** Why it is not in. */
    public sealed interface Because {
        Reason reason();

        /** What was decided about it. */
        enum Decided implements Because {
            BY_HAND("leftOut.byHand"),
            ALREADY_IN("leftOut.alreadyIn"),
            FOUNDATIONS_FIRST("leftOut.foundationsFirst"),
            FOUNDATIONS_IN_TURN("leftOut.foundationsInTurn"),
            NOTHING_CALLS("leftOut.nothingCalls");

            private final String key;

            Decided(String key) {
                this.key = key;
            }

            @Override
            public Reason reason() {
                return Reason.of(key);
            }
        }
    }

    /**
     * The session has no room for it.
     *
     * @param number what its limit counts, from 1
     */
    public record NoRoom(Limit limit, int number) implements Because {
        /** What is full, and what its number counts. */
        public enum Limit {
            /** The minutes it needs at the least. */
            MINUTES("leftOut.minutes"),
            /** Changes of position in a session. */
            CHANGES("leftOut.changes"),
            /** Exercises in a session. */
            SIZE("leftOut.size"),
            /** Exercises in so few minutes. */
            SIZE_OF_MINUTES("leftOut.sizeOfMinutes");

            private final String key;

            Limit(String key) {
                this.key = key;
            }
        }

        @Override
        public Reason reason() {
            return Reason.of(limit.key, number);
        }
    }

    /**
     * Very tired today: so many exercises are enough.
     *
     * @param exercises of a session, from 1
     */
    public record Tired(int exercises) implements Because {
        @Override
        public Reason reason() {
            return Reason.of("leftOut.tired", exercises);
        }
    }
}
