package fernstep.core.decision;

/** The rules in the order of their strength. */
public enum RuleId {
    R1,
    R2,
    R3,
    R4,
    R5,
    R6,
    R7,
    R8,
    R9,
    R10,
    R11,
    R12,
    R13
}
