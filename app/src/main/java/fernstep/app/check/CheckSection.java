package fernstep.app.check;

import fernstep.core.findings.Finding;
import java.util.List;

/** A part of the check: where it is done and what is recorded in it. */
public enum CheckSection {
    SEPARATION(Posture.LYING),
    RIDGE(Posture.LYING, Finding.DOMING, Finding.DOME_WHEN, Finding.DOME_EXTENT_CM),
    COUGH(Posture.LYING, Finding.COUGH, Finding.COUGH_FLOOR),
    DEEP_CORE(Posture.LYING, Finding.SET_GRADE, Finding.SET_HOLD_S, Finding.SET_EFFORT_PCT),
    PELVIC_FLOOR(
            Posture.LYING,
            Finding.PF_LIFT,
            Finding.PF_LET_GO,
            Finding.PF_OVER,
            Finding.PF_HOLD_S,
            Finding.PF_QUICK,
            Finding.PF_INTERNAL),
    BREATH(Posture.LYING, Finding.BREATH_PATTERN, Finding.RIB_IN_CM, Finding.RIB_OUT_CM),
    LOW_BACK(Posture.LYING, Finding.LUMBAR_GAP, Finding.RIB_FLARE, Finding.FLARE_SETTLES),
    ALIGNMENT(Posture.SIDE_VIEW, Finding.RIBS),
    DOME_PROFILE(Posture.SIDE_VIEW),
    TOLERANCE(Posture.MOVING, Finding.TOLERANCE_BREATHS),
    STRAW(Posture.MOVING, Finding.STRAW),
    FLOAT(Posture.MOVING, Finding.FLOAT_F1, Finding.FLOAT_F2, Finding.FLOAT_F3, Finding.FLOAT_F4, Finding.FLOAT_F5),
    SCOOP(Posture.HANDS_KNEES, Finding.SCOOP, Finding.SCOOP_MM),
    ROD(Posture.HANDS_KNEES, Finding.ROD_ARM, Finding.ROD_LEG, Finding.BELLY_DROP, Finding.HIP_DROP),
    HOVER(Posture.HANDS_KNEES, Finding.HOVER_S);

    private final Posture posture;
    private final List<Finding> fields;

    CheckSection(Posture posture, Finding... fields) {
        this.posture = posture;
        this.fields = List.of(fields);
    }

    public Posture posture() {
        return posture;
    }

    public List<Finding> fields() {
        return fields;
    }

    /** Without it a plan can only start at the bottom. */
    public boolean neededForPlan() {
        return this == COUGH || this == DEEP_CORE || this == TOLERANCE || this == FLOAT;
    }
}
