package fernstep.core.body;

import fernstep.core.measure.Side;

/**
 * Every joint in metres: forward kinematics of a pose, with bearing limbs settled on the floor. The hips' middle lies at
 * x 0, z 0.
 *
 * @param hip middle of both hip joints
 * @param shoulder middle of both shoulder joints
 * @param lowBack on the spine a quarter of the way from hip to shoulder, moved by its curve
 * @param midBack on the spine at the lower ribs, moved by its curve
 * @param head centre of the head
 * @param pitchDeg of the trunk, settled
 */
public record Skeleton(
        Pose pose,
        Point3 hip,
        Point3 shoulder,
        Point3 lowBack,
        Point3 midBack,
        Point3 head,
        double pitchDeg,
        Leg left,
        Leg right,
        Arm leftArm,
        Arm rightArm) {
    static final double LUMBAR_SHARE = 0.25;
    /** Lying, a neck bent so far has lifted the head off mat and pillow. */
    private static final double HEAD_LIFTED_FROM_DEG = 15;

    /**
     * One leg's joints.
     *
     * @param footArrow from ankle toward the toes, length 1
     * @param hipDeg settled
     * @param kneeDeg settled
     */
    public record Leg(
            Point3 hip,
            Point3 knee,
            Point3 ankle,
            Point3 heel,
            Point3 toe,
            Point3 footArrow,
            double hipDeg,
            double kneeDeg) {

        /** Of the ankle above where a resting one lies, cm; by the bearing table of the body model. */
        public double heelHeightCm(Body body) {
            return 100 * (ankle.y() - body.ankleM());
        }
    }

    /** One arm's joints. */
    public record Arm(Point3 shoulder, Point3 elbow, Point3 wrist, Point3 fingertip) {

        /** Of the wrist above the floor, cm. */
        public double handHeightCm() {
            return 100 * wrist.y();
        }
    }

    /**
     * @throws ImpossiblePose where nothing bears, a limb does not reach what it is said to bear on, or a joint would have
     *     to bend beyond its range
     */
    public static Skeleton of(Body body, Pose pose) {
        return new SkeletonMaker(body, pose).make();
    }

    public Leg leg(Side side) {
        return side == Side.LEFT ? left : right;
    }

    public Arm arm(Side side) {
        return side == Side.LEFT ? leftArm : rightArm;
    }

    TrunkFrame frame() {
        return TrunkFrame.of(pose.position(), pose.lower(), pitchDeg);
    }

    /** On the back with the head off the mat: a curl, or its beginning. */
    boolean headLifted() {
        return headLifted(pose);
    }

    static boolean headLifted(Pose pose) {
        return pose.trunk().on() == TrunkContact.BACK && pose.trunk().neckDeg() >= HEAD_LIFTED_FROM_DEG;
    }

    /** Lumbar section on the straight line from hip to shoulder, as the load is worked out. */
    Point3 lumbar() {
        return hip.along(frame().up(), LUMBAR_SHARE * hip.distance(shoulder));
    }
}
