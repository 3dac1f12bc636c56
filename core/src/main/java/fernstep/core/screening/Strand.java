package fernstep.core.screening;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The families of exercise in catalogue order, each with the gate that opens its first loaded or engaged rung (none: always
 * open). Some hold posture or breath that is for everyone from the first day.
 */
public enum Strand {
    BREATH(null),
    DEEP_CORE(GateCode.GENTLE_SET),
    PELVIC_FLOOR(GateCode.GENTLE_SET),
    PELVIC_CONTROL(GateCode.GENTLE_SET),
    LEG_FLOAT(GateCode.FIRST_LOADED),
    HEEL_SLIDE(GateCode.FIRST_LOADED),
    ARM_LEG(GateCode.FIRST_LOADED),
    ROTATION(GateCode.FIRST_LOADED),
    BRIDGE(GateCode.FIRST_LOADED),
    HANDS_KNEES(GateCode.GENTLE_SET),
    HOVER_PLANK(GateCode.FIRST_LOADED),
    SIDE_SUPPORT(GateCode.FIRST_LOADED),
    BACK_LINE(GateCode.GENTLE_SET),
    UPRIGHT(null),
    CURL(GateCode.CURL),
    /** From brisk walking to running, after a birth. */
    IMPACT(GateCode.FIRST_LOADED);

    private final @Nullable GateCode opensWith;

    Strand(@Nullable GateCode opensWith) {
        this.opensWith = opensWith;
    }

    /** Holds rungs that no gate but an emergency closes: breath, posture, getting up. */
    public boolean fromDayOne() {
        return this == BREATH || this == PELVIC_CONTROL || this == BACK_LINE || this == UPRIGHT;
    }

    public Optional<GateCode> opensWith() {
        return Optional.ofNullable(opensWith);
    }
}
