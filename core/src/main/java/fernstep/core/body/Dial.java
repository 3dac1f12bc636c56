package fernstep.core.body;

/** The one thing that a practitioner names when she says how far. */
public enum Dial {
    HIP(Unit.DEG),
    KNEE(Unit.DEG),
    SHOULDER(Unit.DEG),
    SWEEP(Unit.DEG),
    OUT(Unit.DEG),
    /** How far the arms are spread from the head's line toward the sides. */
    ARM_OUT(Unit.DEG),
    TRUNK(Unit.DEG),
    /** How much of the working foot's weight is off the mat. */
    UNLOAD(Unit.PCT),
    /** The same of the second foot, while the first leg is up. */
    SECOND_UNLOAD(Unit.PCT),
    /** How much of the lifted side a cushion still carries. */
    CUSHION(Unit.PCT),
    /** How high the hands or forearms stand above the mat. */
    SURFACE(Unit.CM),
    /** What is in the hand. */
    WEIGHT(Unit.KG);

    /** Degrees, centimetres, kilograms, or percent. */
    public enum Unit {
        DEG,
        CM,
        KG,
        PCT
    }

    private final Unit unit;

    Dial(Unit unit) {
        this.unit = unit;
    }

    public Unit unit() {
        return unit;
    }

    /** Of the working (left) side, settled, in this dial's unit. */
    public double value(Skeleton skeleton, Body body) {
        Pose p = skeleton.pose();
        return switch (this) {
            case HIP -> skeleton.left().hipDeg();
            case KNEE -> skeleton.left().kneeDeg();
            case SHOULDER -> p.leftArm().shoulderDeg();
            case SWEEP -> p.left().sweepDeg();
            case OUT -> p.left().outDeg();
            case ARM_OUT -> p.leftArm().outDeg();
            case TRUNK -> p.trunk().on() == TrunkContact.BACK ? p.trunk().spineDeg() : skeleton.pitchDeg();
            case UNLOAD -> PCT * (1 - p.left().floorShare());
            case SECOND_UNLOAD -> PCT * (1 - p.right().floorShare());
            case CUSHION -> PCT * p.trunk().cushionShare();
            case SURFACE ->
                CM_PER_M
                        * body.heightM()
                        * Math.max(p.leftArm().surfaceShare(), p.rightArm().surfaceShare());
            case WEIGHT -> p.leftArm().heldKg() + p.rightArm().heldKg();
        };
    }

    private static final double PCT = 100;
    private static final double CM_PER_M = 100;

    /** Whether the hand, not the heel, tells how high. */
    public boolean ofTheArm() {
        return this == SHOULDER;
    }

    /** The heel's height says nothing where the heel does not move with the range. */
    public boolean ofTheLeg() {
        return this == HIP || this == KNEE;
    }
}
