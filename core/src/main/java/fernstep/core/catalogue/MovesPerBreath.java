package fernstep.core.catalogue;

/** How breath and move go together, as the pacer shows it; the text key is the enum's name. */
public enum MovesPerBreath {
    OUT_ON_LIFT_IN_ON_RETURN,
    IN_AT_REST_OUT_ON_EACH_MOVE,
    BREATHING_RUNS_ON
}
