package fernstep.core.measure;

/** A side of the client's body, hers, not the examiner's. */
public enum Side {
    LEFT,
    RIGHT;

    public Side other() {
        return this == LEFT ? RIGHT : LEFT;
    }
}
