package fernstep.app.examiners;

/** When the two readings of a pair were taken. */
public enum Repeat {
    /** One after the other: they differ by what is left to each reading. */
    WITHIN_VISIT,
    /** On two visits at most two weeks apart: they differ by what each visit shares as well. */
    BETWEEN_VISITS
}
