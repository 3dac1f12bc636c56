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
 */
public record TrunkPose(double pitchDeg, double spineDeg, double neckDeg, double pelvisDeg, TrunkContact on) {

    /** @throws ImpossiblePose outside the ranges above */
    public TrunkPose {
        ImpossiblePose.angle("trunkPitch", pitchDeg, -60, 90);
        ImpossiblePose.angle("spine", spineDeg, -60, 90);
        ImpossiblePose.angle("neck", neckDeg, -50, 60);
        ImpossiblePose.angle("pelvis", pelvisDeg, -30, 30);
    }

    public static TrunkPose on(TrunkContact on) {
        return new TrunkPose(0, 0, 0, 0, on);
    }

    TrunkPose toward(TrunkPose end, double share) {
        return new TrunkPose(
                Interpolation.between(pitchDeg, end.pitchDeg, share),
                Interpolation.between(spineDeg, end.spineDeg, share),
                Interpolation.between(neckDeg, end.neckDeg, share),
                Interpolation.between(pelvisDeg, end.pelvisDeg, share),
                Interpolation.contact(on, end.on, share));
    }
}
