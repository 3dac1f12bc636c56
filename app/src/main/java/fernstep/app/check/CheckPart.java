package fernstep.app.check;

import fernstep.core.findings.CheckPosture;
import fernstep.core.findings.CheckSection;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Which part of the check a page shows: one check alone, or all of a posture.
 *
 * @param only null for all of the posture
 */
record CheckPart(CheckPosture posture, @Nullable CheckSection only) {
    CheckPart(CheckPosture posture) {
        this(posture, null);
    }

    CheckPart(CheckSection only) {
        this(only.posture(), only);
    }

    private boolean shows(CheckSection section) {
        return only == null ? section.posture() == posture : section == only;
    }

    /** The widths, which have a grid of their own. */
    public boolean separation() {
        return shows(CheckSection.SEPARATION);
    }

    /** Its other sections, in order. */
    public List<CheckSection> others() {
        return posture.sections().stream()
                .filter(this::shows)
                .filter(section -> section != CheckSection.SEPARATION)
                .toList();
    }

    public boolean floats() {
        return shows(CheckSection.FLOAT);
    }

    public boolean alignment() {
        return shows(CheckSection.ALIGNMENT);
    }

    public boolean ridgeProfile() {
        return shows(CheckSection.DOME_PROFILE);
    }

    public boolean breath() {
        return shows(CheckSection.BREATH);
    }
}
