package fernstep.core.body;

/**
 * One leg. A bearing leg keeps its knee; its hip is settled so that it meets the floor.
 *
 * @param hipDeg 0 thigh in line with the trunk, 90 at right angles; -40 to 140
 * @param kneeDeg 0 straight; 0 to 150
 * @param sweepDeg turned about the long axis of the trunk, outward positive: where the thigh points up, the knee goes
 *     sideways; -90 to 90
 * @param outDeg spread sideways, outward positive; -45 to 90
 * @param on what bears
 * @param floorShare the share of a standing foot's leg that the floor carries: 1 at rest, 0 afloat
 */
public record LegPose(double hipDeg, double kneeDeg, double sweepDeg, double outDeg, LegContact on, double floorShare) {
    static final double HIP_MIN_DEG = -40;
    static final double HIP_MAX_DEG = 140;
    static final double KNEE_MAX_DEG = 150;

    /** @throws ImpossiblePose outside the ranges above */
    public LegPose {
        ImpossiblePose.angle("hip", hipDeg, HIP_MIN_DEG, HIP_MAX_DEG);
        ImpossiblePose.angle("knee", kneeDeg, 0, KNEE_MAX_DEG);
        ImpossiblePose.angle("sweep", sweepDeg, -90, 90);
        ImpossiblePose.angle("out", outDeg, -45, 90);
        if (!(floorShare >= 0 && floorShare <= 1)) {
            throw new ImpossiblePose("floor", "floor share was " + floorShare, "from 0 to 1");
        }
    }

    public static LegPose free(double hipDeg, double kneeDeg) {
        return new LegPose(hipDeg, kneeDeg, 0, 0, LegContact.NONE, 0);
    }

    public static LegPose on(LegContact on, double hipDeg, double kneeDeg) {
        return new LegPose(hipDeg, kneeDeg, 0, 0, on, 1);
    }

    LegPose toward(LegPose end, double share) {
        return new LegPose(
                Interpolation.between(hipDeg, end.hipDeg, share),
                Interpolation.between(kneeDeg, end.kneeDeg, share),
                Interpolation.between(sweepDeg, end.sweepDeg, share),
                Interpolation.between(outDeg, end.outDeg, share),
                Interpolation.contact(on, end.on, share),
                Interpolation.between(floorShare, end.floorShare, share));
    }

    LegPose withKneeBentBy(double deg) {
        return new LegPose(hipDeg, Math.min(KNEE_MAX_DEG, kneeDeg + deg), sweepDeg, outDeg, on, floorShare);
    }

    LegPose withHip(double deg) {
        return new LegPose(deg, kneeDeg, sweepDeg, outDeg, on, floorShare);
    }

    boolean bears() {
        return on != LegContact.NONE;
    }
}
