package fernstep.app.check;

import java.util.List;

/** A part of the check: where it is done and what is recorded in it. */
public enum CheckSection {
    SEPARATION(Posture.LYING),
    RIDGE(Posture.LYING, FindingField.DOMING, FindingField.DOME_WHEN, FindingField.DOME_EXTENT_CM),
    COUGH(Posture.LYING, FindingField.COUGH, FindingField.COUGH_FLOOR),
    DEEP_CORE(Posture.LYING, FindingField.SET_GRADE, FindingField.SET_HOLD_S, FindingField.SET_EFFORT_PCT),
    PELVIC_FLOOR(
            Posture.LYING,
            FindingField.PF_LIFT,
            FindingField.PF_LET_GO,
            FindingField.PF_OVER,
            FindingField.PF_HOLD_S,
            FindingField.PF_QUICK,
            FindingField.PF_INTERNAL),
    BREATH(Posture.LYING, FindingField.BREATH_PATTERN, FindingField.RIB_IN_CM, FindingField.RIB_OUT_CM),
    LOW_BACK(Posture.LYING, FindingField.LUMBAR_GAP, FindingField.RIB_FLARE, FindingField.FLARE_SETTLES),
    ALIGNMENT(Posture.SIDE_VIEW, FindingField.RIBS),
    DOME_PROFILE(Posture.SIDE_VIEW),
    TOLERANCE(Posture.MOVING, FindingField.TOLERANCE_BREATHS),
    STRAW(Posture.MOVING, FindingField.STRAW),
    FLOAT(
            Posture.MOVING,
            FindingField.FLOAT_F1,
            FindingField.FLOAT_F2,
            FindingField.FLOAT_F3,
            FindingField.FLOAT_F4,
            FindingField.FLOAT_F5),
    SCOOP(Posture.HANDS_KNEES, FindingField.SCOOP, FindingField.SCOOP_MM),
    ROD(
            Posture.HANDS_KNEES,
            FindingField.ROD_ARM,
            FindingField.ROD_LEG,
            FindingField.BELLY_DROP,
            FindingField.HIP_DROP),
    HOVER(Posture.HANDS_KNEES, FindingField.HOVER_S);

    private final Posture posture;
    private final List<FindingField> fields;

    CheckSection(Posture posture, FindingField... fields) {
        this.posture = posture;
        this.fields = List.of(fields);
    }

    public Posture posture() {
        return posture;
    }

    public List<FindingField> fields() {
        return fields;
    }

    /** Without it a plan can only start at the bottom. */
    public boolean neededForPlan() {
        return this == COUGH || this == DEEP_CORE || this == TOLERANCE || this == FLOAT;
    }
}
