package fernstep.core.body;

/** What kind of work the trunk does; capacity is kept for each apart. */
public enum LoadFamily {
    LYING_LEGS,
    LYING_ARMS,
    FRONT,
    SIDE,
    TURNING
}
