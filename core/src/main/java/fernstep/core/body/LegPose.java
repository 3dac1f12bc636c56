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
 * @param floorShare the share of what the floor carries of a leg on its foot or heel: 1 at rest, 0 afloat
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

    /** The same angles with another contact. */
    LegPose on(LegContact contact) {
        return new LegPose(hipDeg, kneeDeg, sweepDeg, outDeg, contact, floorShare);
    }

    /**
     * The same leg the moment it leaves what it bore on: a foot or heel stays where it is and the mat carries none of it.
     */
    LegPose lifted() {
        return new LegPose(hipDeg, kneeDeg, sweepDeg, outDeg, on.onSole() ? on : LegContact.NONE, 0);
    }

    /** The knee bent so much further while the heel stays at its height: the hip bends with it. */
    LegPose shortenedBy(double deg, double thighM, double shankM) {
        double knee = Math.min(KNEE_MAX_DEG, kneeDeg + deg);
        double height = thighM * sin(hipDeg) + shankM * sin(hipDeg - kneeDeg);
        // thigh·sin h + shank·sin(h - k) = R·sin(h - b) with R and b from the two links
        double along = thighM + shankM * Math.cos(Math.toRadians(knee));
        double across = shankM * Math.sin(Math.toRadians(knee));
        double reach = Math.hypot(along, across);
        double up = Math.toDegrees(Math.asin(Math.max(-1, Math.min(1, height / reach))));
        double turned = Math.toDegrees(Math.atan2(across, along));
        double hip = Math.max(hipDeg, Math.min(HIP_MAX_DEG, up + turned));
        return new LegPose(hip, knee, sweepDeg, outDeg, on, floorShare);
    }

    private static double sin(double deg) {
        return Math.sin(Math.toRadians(deg));
    }

    LegPose withHip(double deg) {
        return new LegPose(deg, kneeDeg, sweepDeg, outDeg, on, floorShare);
    }

    boolean bears() {
        return on != LegContact.NONE;
    }
}
