package fernstep.core.catalogue;

/** What happens in a rung that its pose does not show; a figure draws it beside the body. */
public enum ActionMark {
    /** With the breath in. */
    RIBS_WIDEN,
    BREATH_OUT,
    TALK,
    COUGH,
    /** The low belly comes in. */
    ENGAGE,
    FLOOR_LIFT,
    FLOOR_LET_GO,
    /** One short lift after the other. */
    FLOOR_QUICK,
    /** Kept for seconds. */
    HOLD,
    /** The pelvis tips one way and the other. */
    TILT,
    /** The low back goes to the mat. */
    BACK_TO_MAT,
    HEEL_UP,
    OTHER_HEEL_UP,
    NOD
}
