package fernstep.app.check;

import fernstep.core.findings.Finding;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

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

    private static final Set<Finding> RARELY = EnumSet.of(
            Finding.DOME_WHEN,
            Finding.DOME_EXTENT_CM,
            Finding.SET_EFFORT_PCT,
            Finding.PF_OVER,
            Finding.PF_HOLD_S,
            Finding.PF_QUICK,
            Finding.PF_INTERNAL,
            Finding.RIB_IN_CM,
            Finding.RIB_OUT_CM,
            Finding.FLARE_SETTLES,
            Finding.SCOOP_MM);

    private final Posture posture;
    private final List<Finding> fields;

    CheckSection(Posture posture, Finding... fields) {
        this.posture = posture;
        this.fields = List.of(fields);
    }

    /** "deep-core": the last part of the address. */
    public String path() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static Optional<CheckSection> ofPath(String path) {
        return Arrays.stream(values()).filter(s -> s.path().equals(path)).findFirst();
    }

    public Optional<CheckSection> previous() {
        return ordinal() > 0 ? Optional.of(values()[ordinal() - 1]) : Optional.empty();
    }

    /** What is asked at once when the check fills the screen. */
    public List<Finding> first() {
        return fields.stream().filter(f -> !RARELY.contains(f)).toList();
    }

    /** What is folded then. */
    public List<Finding> rarely() {
        return fields.stream().filter(RARELY::contains).toList();
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
