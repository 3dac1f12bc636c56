package fernstep.core.body;

import fernstep.core.measure.Side;

/**
 * Joint angles, what bears, and what the hands hold.
 *
 * @param lower lying on the side: the side that is down
 */
public record Pose(
        Position position,
        TrunkPose trunk,
        LegPose left,
        LegPose right,
        ArmPose leftArm,
        ArmPose rightArm,
        Side lower) {
    /** Crook lying: how a leg waits when only the other one works. */
    private static final double OVERHEAD_FROM_DEG = 120;

    /** So little of the way that nothing has moved, but what bears has changed. */
    private static final double JUST_OFF = 1e-6;

    private static final LegPose WAITING_LEG = LegPose.on(LegContact.FOOT, 45, 90);

    /** Arms at rest, nothing in the hands. */
    public static Pose lying(LegPose left, LegPose right) {
        return new Pose(
                Position.SUPINE,
                TrunkPose.on(TrunkContact.BACK),
                left,
                right,
                ArmPose.free(0, 0),
                ArmPose.free(0, 0),
                Side.LEFT);
    }

    public Pose withArms(ArmPose leftArm, ArmPose rightArm) {
        return new Pose(position, trunk, left, right, leftArm, rightArm, lower);
    }

    /** So many kilograms in each hand. */
    public Pose withWeights(double kg) {
        return withArms(leftArm.holding(kg), rightArm.holding(kg));
    }

    public Pose withLegs(LegPose left, LegPose right) {
        return new Pose(position, trunk, left, right, leftArm, rightArm, lower);
    }

    public Pose withTrunk(TrunkPose trunk) {
        return new Pose(position, trunk, left, right, leftArm, rightArm, lower);
    }

    /** The same with left and right changed over. */
    @SuppressWarnings("ArgumentSelectionDefectChecker") // Changing the sides over is what it is for.
    public Pose mirrored() {
        return new Pose(position, trunk, right, left, rightArm, leftArm, lower.other());
    }

    /** Half-way and every other way from this pose (share 0) to the end (share 1). */
    public Pose toward(Pose end, double share) {
        return new Pose(
                Interpolation.contact(position, end.position, share),
                trunk.toward(end.trunk, share),
                left.toward(end.left, share),
                right.toward(end.right, share),
                leftArm.toward(end.leftArm, share),
                rightArm.toward(end.rightArm, share),
                lower);
    }

    /** Free legs with the knee bent so much further and the heel at its height or higher: a shorter lever. */
    public Pose withKneesBentBy(double deg, Body body) {
        return withLegs(shortened(left, deg, body), shortened(right, deg, body));
    }

    private static LegPose shortened(LegPose leg, double deg, Body body) {
        boolean lifted = !leg.bears() || leg.floorShare() == 0;
        return lifted ? leg.shortenedBy(deg, body.thighM(), body.shankM()) : leg;
    }

    /**
     * The moment after lift-off: what bears is what bears in the end and nothing has moved yet. A leg that will be free
     * is still where its sole met the floor.
     */
    Pose liftedToward(Pose end) {
        Pose off = toward(end, JUST_OFF);
        return off.withLegs(
                left.bears() && !end.left.bears() ? lifted(left) : off.left,
                right.bears() && !end.right.bears() ? lifted(right) : off.right);
    }

    /** Lying, a foot without weight may still touch the mat; standing it carries nothing more. */
    private LegPose lifted(LegPose leg) {
        return position.upright() ? leg.lifted().on(LegContact.NONE) : leg.lifted();
    }

    /** The limb that does not work goes back to where it bears; the left side works. */
    public Pose oneLimb() {
        if (position == Position.SUPINE || position == Position.INCLINED) {
            return withLegs(left, WAITING_LEG);
        }
        return rightArm.bears() ? this : withArms(leftArm, leftArm);
    }

    /** Flat on the back becomes raised on a wedge. */
    public Pose inclined(double wedgeDeg) {
        TrunkPose raised = new TrunkPose(
                wedgeDeg, trunk.spineDeg(), trunk.neckDeg(), trunk.pelvisDeg(), trunk.on(), trunk.cushionShare());
        return new Pose(
                Position.INCLINED,
                raised,
                raisedWith(left, wedgeDeg),
                raisedWith(right, wedgeDeg),
                leftArm,
                rightArm,
                lower);
    }

    /** A free thigh keeps its direction in the room while the trunk comes up. */
    private static LegPose raisedWith(LegPose leg, double wedgeDeg) {
        return leg.withHip(Math.min(LegPose.HIP_MAX_DEG, leg.hipDeg() + wedgeDeg));
    }

    public Pose onForearms() {
        return withArms(leftArm.onForearm(), rightArm.onForearm());
    }

    public boolean bearsOnHands() {
        boolean inBridge = trunk.on() == TrunkContact.BACK;
        return !inBridge && (leftArm.on() == ArmContact.HAND || rightArm.on() == ArmContact.HAND);
    }

    public boolean reachesOverhead() {
        return Math.max(leftArm.shoulderDeg(), rightArm.shoulderDeg()) > OVERHEAD_FROM_DEG
                && position != Position.PRONE;
    }

    public LegPose leg(Side side) {
        return side == Side.LEFT ? left : right;
    }

    public ArmPose arm(Side side) {
        return side == Side.LEFT ? leftArm : rightArm;
    }
}
