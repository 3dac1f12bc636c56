package fernstep.core.plan;

import fernstep.core.screening.Strand;
import java.util.EnumSet;
import java.util.Set;

/** What an exercise is for in a session, in the order of the session. */
public enum Role {
    /** Settled foundations together: a minute of breath with the engagement kept. */
    SETTLE_IN,
    FOUNDATION,
    WORK,
    /** Into the day: upright work, and the upper rungs of settled foundations. */
    CARRY_OVER;

    private static final Set<Strand> FOUNDATIONS =
            EnumSet.of(Strand.BREATH, Strand.DEEP_CORE, Strand.PELVIC_FLOOR, Strand.PELVIC_CONTROL);

    static boolean foundation(Strand strand) {
        return FOUNDATIONS.contains(strand);
    }

    static Role of(Strand strand, boolean settled) {
        if (strand == Strand.UPRIGHT || strand == Strand.IMPACT) {
            return CARRY_OVER;
        }
        if (!foundation(strand)) {
            return WORK;
        }
        return settled ? CARRY_OVER : FOUNDATION;
    }

    /** Work is chosen slot by slot, one of each before a second of any. */
    enum Slot {
        FRONT,
        FOUR_POINT,
        SIDE,
        BACK,
        DAY;

        static Slot of(Strand strand) {
            return switch (strand) {
                case LEG_FLOAT, HEEL_SLIDE, ARM_LEG, HOVER_PLANK, CURL -> FRONT;
                case HANDS_KNEES -> FOUR_POINT;
                case SIDE_SUPPORT, ROTATION -> SIDE;
                case BRIDGE, BACK_LINE -> BACK;
                case BREATH, DEEP_CORE, PELVIC_FLOOR, PELVIC_CONTROL, UPRIGHT, IMPACT -> DAY;
            };
        }
    }
}
