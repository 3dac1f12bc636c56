package fernstep.core.findings;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The screens of the check, in the order in which they are done. */
public enum CheckPosture {
    LYING,
    SIDE_VIEW,
    MOVING,
    HANDS_KNEES,
    /** On her feet, for who wants to run again: no part of the check that everybody has. */
    STANDING;

    /** "hands-knees": the last part of the address. */
    public String path() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<CheckPosture> ofPath(String path) {
        return Arrays.stream(values())
                .filter(posture -> posture.path().equals(path))
                .findFirst();
    }

    public List<CheckSection> sections() {
        return Arrays.stream(CheckSection.values())
                .filter(section -> section.posture() == this)
                .toList();
    }

    public Optional<CheckPosture> next() {
        return ordinal() + 1 < STANDING.ordinal() ? Optional.of(values()[ordinal() + 1]) : Optional.empty();
    }
}
