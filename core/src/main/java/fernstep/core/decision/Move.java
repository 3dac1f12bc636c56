package fernstep.core.decision;

/** What to do next, mildest first. */
public enum Move {
    CARRY_ON,
    CUE,
    EASE,
    EASE_ONE_SIDE,
    END_SET,
    STEP_BACK,
    END_EXERCISE,
    END_SESSION,
    REFER_NOW;

    public boolean eases() {
        return this == EASE || this == EASE_ONE_SIDE;
    }
}
