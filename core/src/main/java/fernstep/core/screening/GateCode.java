package fernstep.core.screening;

/** What opens by date and clearance, in the order in which things open. */
public enum GateCode {
    SEPARATION_CHECK,
    GENTLE_SET,
    GARMENT,
    FIRST_LOADED,
    OPPOSITE_LIMBS,
    LONG_LEVER,
    CURL
}
