package fernstep.core.standing;

/** How much stops her, mildest first. */
public enum Level {
    /** Nothing stands. */
    CLEAR,
    /** Something has to be looked at before she trains what it holds. */
    HELD,
    /** Somebody qualified answers before anything is loaded. */
    ASK_FIRST,
    /** An emergency: nothing goes on. */
    LOCKED
}
