package fernstep.core.findings;

import fernstep.core.measure.Point2;

/**
 * How the ribs sit over the pelvis, from four landmarks seen from the side, in mm. Standing: x toward her front, y up.
 * Lying on the back: x toward her head, y up (toward her front).
 */
public record Alignment(Posture posture, Point2 lowestFrontRib, Point2 asis, Point2 symphysis, Point2 heel) {
    private static final double STACKED_WITHIN_MM = 15;
    private static final double NEUTRAL_WITHIN_DEG = 5;

    /** How she was looked at from the side. */
    public enum Posture {
        STANDING,
        LYING
    }

    /** Which way the front of the pelvis tips. */
    public enum Tilt {
        FORWARD,
        NEUTRAL,
        BACKWARD
    }

    /** @throws IllegalArgumentException when ASIS and symphysis lie in one place */
    public Alignment {
        if (asis.minus(symphysis).length() == 0) {
            throw new IllegalArgumentException("ASIS and symphysis must lie apart");
        }
    }

    /** Front rib against ASIS, mm; + when the ribs are ahead. */
    public double ribOffsetMm() {
        Point2 d = lowestFrontRib.minus(asis);
        return posture == Posture.STANDING ? d.x() : d.y();
    }

    /** From the vertical standing, from the horizontal lying, deg; + when the ASIS tips forward. */
    public double tiltDeg() {
        Point2 d = asis.minus(symphysis);
        return Math.toDegrees(posture == Posture.STANDING ? Math.atan2(d.x(), d.y()) : Math.atan2(d.y(), d.x()));
    }

    /** Middle of ASIS and symphysis over the heel, mm; + when the pelvis is ahead. Only standing tells something. */
    public double plumbMm() {
        return (asis.x() + symphysis.x()) / 2 - heel.x();
    }

    public Observed.RibsOverPelvis ribs() {
        if (ribOffsetMm() > STACKED_WITHIN_MM) {
            return Observed.RibsOverPelvis.RIBS_AHEAD;
        }
        return ribOffsetMm() < -STACKED_WITHIN_MM
                ? Observed.RibsOverPelvis.RIBS_BEHIND
                : Observed.RibsOverPelvis.STACKED;
    }

    public Tilt tilt() {
        if (tiltDeg() > NEUTRAL_WITHIN_DEG) {
            return Tilt.FORWARD;
        }
        return tiltDeg() < -NEUTRAL_WITHIN_DEG ? Tilt.BACKWARD : Tilt.NEUTRAL;
    }
}
