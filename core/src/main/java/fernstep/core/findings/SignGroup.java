package fernstep.core.findings;

import java.util.List;

/** Where one looks, or whom one hears: every sign belongs to one group and keeps its place in it. */
public enum SignGroup {
    BREATH(SignCode.BREATH_HELD, SignCode.BEARS_DOWN, SignCode.RIBS_FLARE),
    BELLY(SignCode.DOME_SOFT, SignCode.DOME_FIRM, SignCode.WALL_BULGE, SignCode.BELLY_DROPS, SignCode.SET_LOST),
    BACK_PELVIS(SignCode.BACK_ARCHES, SignCode.BACK_PRESSED, SignCode.PELVIS_ROCKS, SignCode.CONTACT_LOST),
    LIMBS_NECK(SignCode.HIP_GRIP, SignCode.NECK_SHOULDERS, SignCode.RUSHED, SignCode.NO_LET_GO),
    SHE_SAYS(SignCode.PAIN, SignCode.HEAVY, SignCode.LEAK, SignCode.TIRED);

    private final List<SignCode> signs;

    SignGroup(SignCode... signs) {
        this.signs = List.of(signs);
    }

    /** In the order of their places. */
    public List<SignCode> signs() {
        return signs;
    }
}
