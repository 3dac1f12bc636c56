package fernstep.core.body;

/** What of an arm bears. */
public enum ArmContact {
    NONE,
    HAND,
    FOREARM,
    /** Hand or forearm on a wall or door. */
    WALL;

    public boolean onFloor() {
        return this == HAND || this == FOREARM;
    }
}
