package fernstep.core.body;

/**
 * One arm.
 *
 * @param shoulderDeg 0 along the trunk toward the feet, 90 straight in front, 180 overhead; -60 to 190
 * @param elbowDeg 0 straight; 0 to 150
 * @param outDeg spread sideways, outward positive; -45 to 180
 * @param on what bears
 * @param heldKg weight in the hand, 0 to 20
 */
public record ArmPose(double shoulderDeg, double elbowDeg, double outDeg, ArmContact on, double heldKg) {
    private static final double HEAVIEST_KG = 20;
    private static final double BESIDE_HER_DEG = 10;

    /** @throws ImpossiblePose outside the ranges above */
    public ArmPose {
        ImpossiblePose.angle("shoulder", shoulderDeg, -60, 190);
        ImpossiblePose.angle("elbow", elbowDeg, 0, 150);
        ImpossiblePose.angle("armOut", outDeg, -45, 180);
        if (!(heldKg >= 0 && heldKg <= HEAVIEST_KG)) {
            throw new ImpossiblePose("handWeightKg", "hand weight was " + heldKg + " kg", "from 0 to 20 kg");
        }
    }

    public static ArmPose free(double shoulderDeg, double elbowDeg) {
        return new ArmPose(shoulderDeg, elbowDeg, 0, ArmContact.NONE, 0);
    }

    public static ArmPose on(ArmContact on, double shoulderDeg, double elbowDeg) {
        return new ArmPose(shoulderDeg, elbowDeg, 0, on, 0);
    }

    public ArmPose holding(double kg) {
        return new ArmPose(shoulderDeg, elbowDeg, outDeg, on, kg);
    }

    ArmPose onForearm() {
        return on == ArmContact.HAND ? new ArmPose(shoulderDeg, 90, outDeg, ArmContact.FOREARM, heldKg) : this;
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
                Interpolation.between(heldKg, end.heldKg, share));
    }

    boolean bears() {
        return on != ArmContact.NONE;
    }
}
