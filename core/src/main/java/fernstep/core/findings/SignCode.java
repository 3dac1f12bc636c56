package fernstep.core.findings;

/** Something seen, felt or reported during an exercise that says control is being lost. */
public enum SignCode {
    DOME_SOFT,
    DOME_FIRM,
    WALL_BULGE,
    BREATH_HELD,
    BEARS_DOWN,
    BACK_ARCHES,
    BACK_PRESSED,
    RIBS_FLARE,
    PELVIS_ROCKS,
    BELLY_DROPS,
    NECK_SHOULDERS,
    HIP_GRIP,
    SET_LOST,
    RUSHED,
    CONTACT_LOST,
    NO_LET_GO,
    TIRED,
    PAIN,
    HEAVY,
    LEAK
}
