package fernstep.core.body;

/**
 * The trunk.
 *
 * @param pitchDeg lying: shoulders higher than the hips; upright: leaning forward; -60 to 90. Where two groups of
 *     contacts bear on the floor it is settled from them.
 * @param spineDeg curve of the spine, rounded positive, arched negative; -60 to 90; drawn, and without weight in the load
 * @param neckDeg head toward the chest positive; -50 to 60
 * @param pelvisDeg pelvis tucked under positive, tipped forward negative; -30 to 30; drawn
 * @param on what bears
 * @param cushionShare the share of a lifted trunk that a cushion under it carries, 0 to 1
 */
public record TrunkPose(
        double pitchDeg, double spineDeg, double neckDeg, double pelvisDeg, TrunkContact on, double cushionShare) {

    /** @throws ImpossiblePose outside the ranges above */
    public TrunkPose {
        ImpossiblePose.angle("trunkPitch", pitchDeg, -60, 90);
        ImpossiblePose.angle("spine", spineDeg, -60, 90);
        ImpossiblePose.angle("neck", neckDeg, -50, 60);
        ImpossiblePose.angle("pelvis", pelvisDeg, -30, 30);
        if (!(cushionShare >= 0 && cushionShare <= 1)) {
            throw new ImpossiblePose("cushion", "cushion share was " + cushionShare, "from 0 to 1");
        }
    }

    public static TrunkPose on(TrunkContact on) {
        return new TrunkPose(0, 0, 0, 0, on, 0);
    }

    /** Rolled over, the trunk lies as it will lie: between two sides of her its pitch means nothing. */
    TrunkPose toward(TrunkPose end, double share) {
        boolean rolls = on != end.on && end.on == TrunkContact.FLANK;
        return new TrunkPose(
                rolls
                        ? Interpolation.contact(pitchDeg, end.pitchDeg, share)
                        : Interpolation.between(pitchDeg, end.pitchDeg, share),
                Interpolation.between(spineDeg, end.spineDeg, share),
                Interpolation.between(neckDeg, end.neckDeg, share),
                Interpolation.between(pelvisDeg, end.pelvisDeg, share),
                Interpolation.contact(on, end.on, share),
                Interpolation.between(cushionShare, end.cushionShare, share));
    }
}
