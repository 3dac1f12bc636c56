package fernstep.core.findings;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A part of the check, in the order in which they are done; each {@link Finding} says in which it is recorded. */
public enum CheckSection {
    SEPARATION(CheckPosture.LYING),
    RIDGE(CheckPosture.LYING),
    COUGH(CheckPosture.LYING),
    DEEP_CORE(CheckPosture.LYING),
    PELVIC_FLOOR(CheckPosture.LYING),
    BREATH(CheckPosture.LYING),
    LOW_BACK(CheckPosture.LYING),
    ALIGNMENT(CheckPosture.SIDE_VIEW),
    DOME_PROFILE(CheckPosture.SIDE_VIEW),
    TOLERANCE(CheckPosture.MOVING),
    STRAW(CheckPosture.MOVING),
    FLOAT(CheckPosture.MOVING),
    SCOOP(CheckPosture.HANDS_KNEES),
    ROD(CheckPosture.HANDS_KNEES),
    HOVER(CheckPosture.HANDS_KNEES),
    /** The battery before running. */
    IMPACT(CheckPosture.STANDING);

    private final CheckPosture posture;

    CheckSection(CheckPosture posture) {
        this.posture = posture;
    }

    /** "deep-core": the last part of the address. */
    public String path() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<CheckSection> ofPath(String path) {
        return Arrays.stream(values())
                .filter(section -> section.path().equals(path))
                .findFirst();
    }

    /** A tap for each breath she keeps it. */
    public boolean countsBreaths() {
        return this == TOLERANCE;
    }

    /** Ten seconds for each leg. */
    public boolean countsToTen() {
        return this == FLOAT;
    }

    /** Marks on a picture from the side: ribs over pelvis. */
    public boolean marksPosture() {
        return this == ALIGNMENT;
    }

    /** Marks along the ridge. */
    public boolean marksRidge() {
        return this == DOME_PROFILE;
    }

    /** Internal findings are for licensed hands. */
    public boolean mayBeInternal() {
        return this == PELVIC_FLOOR;
    }

    public Optional<CheckSection> previous() {
        return ordinal() > 0 ? Optional.of(values()[ordinal() - 1]) : Optional.empty();
    }

    /** What is chosen or typed in it, in order; what is dragged on a picture is not. */
    public List<Finding> fields() {
        return Arrays.stream(Finding.values())
                .filter(finding -> finding.section() == this && !finding.dragged())
                .toList();
    }

    /** What is asked at once when the check fills the screen. */
    public List<Finding> first() {
        return fields().stream().filter(finding -> !finding.rarely()).toList();
    }

    /** What is folded then. */
    public List<Finding> rarely() {
        return fields().stream().filter(Finding::rarely).toList();
    }

    public CheckPosture posture() {
        return posture;
    }

    /** Done only where somebody wants to run again: nobody is led to it. */
    public boolean onlyIfWanted() {
        return this == IMPACT;
    }

    /** Without it a plan can only start at the bottom. */
    public boolean neededForPlan() {
        return this == COUGH || this == DEEP_CORE || this == TOLERANCE || this == FLOAT;
    }
}
