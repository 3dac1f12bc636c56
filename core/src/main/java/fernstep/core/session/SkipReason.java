package fernstep.core.session;

/** Why an exercise was left out. */
public enum SkipReason {
    NOT_SAID,
    NO_TIME,
    NOT_TODAY,
    EQUIPMENT,
    SHE_ASKED
}
