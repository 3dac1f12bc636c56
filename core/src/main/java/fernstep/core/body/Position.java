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

    boolean frontDown() {
        return this == PRONE || this == HANDS_KNEES;
    }
}
