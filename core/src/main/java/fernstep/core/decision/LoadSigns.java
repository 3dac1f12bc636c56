package fernstep.core.decision;

import fernstep.core.findings.SignCode;
import java.util.EnumSet;
import java.util.Set;

/**
 * Signs that say the load is too much: only less of it answers them, and all of them together count against what an
 * exercise may be eased.
 */
public final class LoadSigns {
    private static final Set<SignCode> ALL = EnumSet.of(
            SignCode.DOME_SOFT,
            SignCode.DOME_FIRM,
            SignCode.WALL_BULGE,
            SignCode.BACK_ARCHES,
            SignCode.BACK_PRESSED,
            SignCode.BELLY_DROPS,
            SignCode.PELVIS_ROCKS,
            SignCode.SET_LOST,
            SignCode.PAIN,
            SignCode.LEAK);

    /** On the midline or of the pressure inside: no side of the body is meant by them. */
    private static final Set<SignCode> WITHOUT_SIDE = EnumSet.of(
            SignCode.DOME_SOFT, SignCode.DOME_FIRM, SignCode.WALL_BULGE, SignCode.BREATH_HELD, SignCode.BEARS_DOWN);

    private LoadSigns() {}

    static boolean isOne(Seen seen) {
        return ALL.contains(seen.sign());
    }

    /** Those that belong to no side of the body. */
    public static Set<SignCode> withoutSide() {
        return Set.copyOf(WITHOUT_SIDE);
    }

    /** All of them. */
    public static Set<SignCode> all() {
        return Set.copyOf(ALL);
    }
}
