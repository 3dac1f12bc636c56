package fernstep.core.trace;

/** What is measured. */
public enum Channel {
    /** Cuff under the low back, mmHg. */
    CUFF,
    /** Belt at the lowest ribs, cm or relative; larger is wider. */
    RIBS,
    /** Belt at the low belly, cm or relative; larger is wider. */
    BELLY
}
