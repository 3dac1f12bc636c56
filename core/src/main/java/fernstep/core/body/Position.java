package fernstep.core.body;

/** How she lies, kneels, sits or stands. */
public enum Position {
    SUPINE,
    INCLINED,
    SIDE,
    PRONE,
    HANDS_KNEES,
    KNEELING,
    SEATED,
    STANDING,
    WALL;

    /** The trunk stands on the pelvis instead of lying along the floor. */
    public boolean upright() {
        return switch (this) {
            case KNEELING, SEATED, STANDING, WALL -> true;
            default -> false;
        };
    }

    /** Flat on the back. */
    public boolean flat() {
        return this == SUPINE;
    }

    /** On the back, flat or propped up: a hand fits under the low back. */
    public boolean onTheBack() {
        return this == SUPINE || this == INCLINED;
    }

    boolean frontDown() {
        return this == PRONE || this == HANDS_KNEES;
    }
}
