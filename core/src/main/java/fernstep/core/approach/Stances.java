package fernstep.core.approach;

/** One practitioner's choices, one per question on which schools differ. */
public record Stances(
        Activation activation,
        Spine spine,
        Breath breath,
        EffortTiming effortTiming,
        Doming doming,
        GapReading gapReading,
        Start start,
        DoseStance dose,
        Flexion flexion,
        Garment garment,
        Size size) {

    /** How many exercises a session holds, both sides of one counted once. */
    public enum Size {
        THREE_TO_FOUR(3, 4),
        THREE_TO_FIVE(3, 5),
        FOUR_TO_SIX(4, 6),
        FIVE_TO_SEVEN(5, 7);

        private final int from;
        private final int to;

        Size(int from, int to) {
            this.from = from;
            this.to = to;
        }

        public int from() {
            return from;
        }

        public int to() {
            return to;
        }
    }

    /** How the deep abdominals are called. */
    public enum Activation {
        DRAW_IN_LIGHT,
        FLOOR_FIRST,
        BRACE_ALL_ROUND
    }

    /** What the low back does under load. */
    public enum Spine {
        NATURAL_CURVE,
        LIGHT_IMPRINT,
        BY_FINDING
    }

    /** Where the in-breath goes. */
    public enum Breath {
        RIBS_WIDE,
        BELLY_SOFT,
        ALL_ROUND,
        STRAW_BLOW
    }

    /** When she breathes out. */
    public enum EffortTiming {
        EXHALE_EFFORT_ONLY,
        EXHALE_EVERY_MOVE,
        BREATHE_THROUGH
    }

    /** How much ridge along the midline is let pass. */
    public enum Doming {
        NONE_ALLOWED,
        SOFT_TOLERATED
    }

    /** From what on a separation is called wide. */
    public enum GapReading {
        MORE_THAN_TWO_FINGERS,
        TWO_OR_MORE_FINGERS,
        WIDTH_BY_SITE,
        FUNCTION_FIRST
    }

    /** When gentle work begins after a birth or an operation. */
    public enum Start {
        EARLY_GENTLE,
        CLEARANCE_FIRST
    }

    /** In what shape the work is dosed. */
    public enum DoseStance {
        MICRO_DAILY,
        SETS_WEEKLY,
        BREATH_COUNTED,
        MASTERY_REPS,
        MINUTES_DAILY
    }

    /** What is held of curling up. */
    public enum Flexion {
        AVOID,
        LATE_GRADED
    }

    /** Whether a support garment is suggested. */
    public enum Garment {
        SUGGEST,
        OPTIONAL
    }
}
