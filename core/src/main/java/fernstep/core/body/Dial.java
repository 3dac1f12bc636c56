package fernstep.core.body;

/** The one angle that a practitioner names when she says how far. */
public enum Dial {
    HIP,
    KNEE,
    SHOULDER,
    SWEEP,
    OUT,
    TRUNK;

    /** Of the working (left) side, settled, deg. */
    public double angleDeg(Skeleton s) {
        Pose p = s.pose();
        return switch (this) {
            case HIP -> s.left().hipDeg();
            case KNEE -> s.left().kneeDeg();
            case SHOULDER -> p.leftArm().shoulderDeg();
            case SWEEP -> p.left().sweepDeg();
            case OUT -> p.left().outDeg();
            case TRUNK -> s.pitchDeg();
        };
    }

    /** Whether the hand, not the heel, tells how high. */
    public boolean ofTheArm() {
        return this == SHOULDER;
    }
}
