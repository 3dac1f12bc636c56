package fernstep.core.body;

/**
 * One arm.
 *
 * @param shoulderDeg 0 along the trunk toward the feet, 90 straight in front, 180 overhead; -60 to 190
 * @param elbowDeg 0 straight; 0 to 150
 * @param outDeg spread sideways, outward positive; -45 to 180
 * @param on what bears
 * @param heldKg weight in the hand, 0 to 20
 * @param surfaceShare height of what a bearing hand or forearm rests on above the mat, as a share of her height so that
 *     every body stands alike; 0 to 0.75
 */
public record ArmPose(
        double shoulderDeg, double elbowDeg, double outDeg, ArmContact on, double heldKg, double surfaceShare) {
    private static final double HEAVIEST_KG = 20;
    private static final double HIGHEST_SURFACE = 0.75;
    private static final double BESIDE_HER_DEG = 10;

    /** @throws ImpossiblePose outside the ranges above */
    public ArmPose {
        ImpossiblePose.angle("shoulder", shoulderDeg, -60, 190);
        ImpossiblePose.angle("elbow", elbowDeg, 0, 150);
        ImpossiblePose.angle("armOut", outDeg, -45, 180);
        if (!(heldKg >= 0 && heldKg <= HEAVIEST_KG)) {
            throw new ImpossiblePose("handWeightKg", "hand weight was " + heldKg + " kg", "from 0 to 20 kg");
        }
        if (!(surfaceShare >= 0 && surfaceShare <= HIGHEST_SURFACE)) {
            throw new ImpossiblePose(
                    "surface", "the surface was " + surfaceShare + " of her height", "from 0 to 0.75 of her height");
        }
    }

    public static ArmPose free(double shoulderDeg, double elbowDeg) {
        return new ArmPose(shoulderDeg, elbowDeg, 0, ArmContact.NONE, 0, 0);
    }

    public static ArmPose on(ArmContact on, double shoulderDeg, double elbowDeg) {
        return new ArmPose(shoulderDeg, elbowDeg, 0, on, 0, 0);
    }

    public ArmPose holding(double kg) {
        return new ArmPose(shoulderDeg, elbowDeg, outDeg, on, kg, surfaceShare);
    }

    ArmPose onForearm() {
        return on == ArmContact.HAND
                ? new ArmPose(shoulderDeg, 90, outDeg, ArmContact.FOREARM, heldKg, surfaceShare)
                : this;
    }

    /** Lying, an arm beside the trunk rests on the floor. */
    boolean besideHer() {
        return Math.abs(shoulderDeg) <= BESIDE_HER_DEG;
    }

    ArmPose toward(ArmPose end, double share) {
        return new ArmPose(
                Interpolation.between(shoulderDeg, end.shoulderDeg, share),
                Interpolation.between(elbowDeg, end.elbowDeg, share),
                Interpolation.between(outDeg, end.outDeg, share),
                Interpolation.contact(on, end.on, share),
                Interpolation.between(heldKg, end.heldKg, share),
                Interpolation.between(surfaceShare, end.surfaceShare, share));
    }

    boolean bears() {
        return on != ArmContact.NONE;
    }
}
