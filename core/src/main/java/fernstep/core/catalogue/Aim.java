package fernstep.core.catalogue;

/** What a rung is for: where its position is closed, another with the same aim stands in. */
public enum Aim {
    BREATH,
    DEEP_CORE_SET,
    PELVIC_FLOOR,
    PELVIC_CONTROL,
    LEG_LOAD,
    OPPOSITE_LIMB_CONTROL,
    ANTI_EXTENSION_HOLD,
    SIDE_HOLD,
    ROTATION_CONTROL,
    HIP_EXTENSION,
    UPPER_BACK_EXTENSION,
    DAILY_LOAD,
    TRUNK_FLEXION
}
