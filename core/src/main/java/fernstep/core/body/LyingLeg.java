package fernstep.core.body;

/**
 * One leg of someone lying on her back.
 *
 * @param hipDeg 0 thigh in line with the trunk, 90 at right angles; -10 to 130
 * @param kneeDeg 0 straight; 0 to 150
 * @param floorShare the share of the leg's weight that the floor or a support carries, 0 (free) to 1 (at rest)
 */
public record LyingLeg(double hipDeg, double kneeDeg, double floorShare) {
    private static final double MAX_HIP_DEG = 130;
    private static final double MIN_HIP_DEG = -10;
    private static final double MAX_KNEE_DEG = 150;
    private static final double COM = 0.433;

    /** @throws IllegalArgumentException outside the ranges above */
    public LyingLeg {
        if (!(hipDeg >= MIN_HIP_DEG && hipDeg <= MAX_HIP_DEG)) {
            throw new IllegalArgumentException("hip must be from -10 to 130 deg, was " + hipDeg);
        }
        if (!(kneeDeg >= 0 && kneeDeg <= MAX_KNEE_DEG)) {
            throw new IllegalArgumentException("knee must be from 0 to 150 deg, was " + kneeDeg);
        }
        if (!(floorShare >= 0 && floorShare <= 1)) {
            throw new IllegalArgumentException("floor share must be from 0 to 1, was " + floorShare);
        }
    }

    /** Gravity moment about the hip, N·m, of the share the floor does not carry. */
    public double hipMomentNm(Body b) {
        double thigh = Math.toRadians(hipDeg);
        double shank = Math.toRadians(hipDeg - kneeDeg);
        double kneeX = b.thighM() * Math.cos(thigh);
        double ankleX = kneeX + b.shankM() * Math.cos(shank);
        double footX = ankleX + 0.5 * b.footM() * Math.cos(shank + Math.PI / 2);
        double whole = Body.GRAVITY
                * (b.thighKg() * COM * b.thighM() * Math.cos(thigh)
                        + b.shankKg() * (kneeX + COM * b.shankM() * Math.cos(shank))
                        + b.footKg() * footX);
        return (1 - floorShare) * whole;
    }

    /** Weight the trunk must hold, N. */
    double unsupportedN(Body b) {
        return (1 - floorShare) * b.legKg() * Body.GRAVITY;
    }

    /** Height of the ankle above its resting place on the floor, cm: 2.1 % of height is hip less ankle height. */
    public double heelHeightCm(Body b) {
        double metres = 0.021 * b.heightM()
                + b.thighM() * Math.sin(Math.toRadians(hipDeg))
                + b.shankM() * Math.sin(Math.toRadians(hipDeg - kneeDeg));
        return 100 * metres;
    }

    LyingLeg toward(LyingLeg full, double range) {
        return new LyingLeg(
                hipDeg + range * (full.hipDeg - hipDeg),
                kneeDeg + range * (full.kneeDeg - kneeDeg),
                floorShare + range * (full.floorShare - floorShare));
    }

    LyingLeg withKneeBentBy(double deg) {
        return new LyingLeg(hipDeg, Math.min(MAX_KNEE_DEG, kneeDeg + deg), floorShare);
    }
}
