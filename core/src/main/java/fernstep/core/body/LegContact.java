package fernstep.core.body;

/** What of a leg bears. */
public enum LegContact {
    NONE,
    /** The whole foot stands, or the leg lies, at rest. */
    FOOT,
    /** The heel slides: the leg hangs between hip and heel. */
    HEEL,
    /** Tucked toes. */
    TOES,
    /** Kneeling: the knee bears and the shank lies back along the floor. */
    KNEE,
    /** The sole on a wall. */
    WALL;

    public boolean onFloor() {
        return this != NONE && this != WALL;
    }

    /** The floor may carry a part of it. */
    public boolean onSole() {
        return this == FOOT || this == HEEL;
    }

    /** How much of what it could bear it bears, where nothing else is said: all on the sole, nothing otherwise. */
    public double usualShare() {
        return onSole() ? 1 : 0;
    }
}
