package fernstep.core.body;

import fernstep.core.body.Skeleton.Arm;
import fernstep.core.body.Skeleton.Leg;
import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;

final class SkeletonMaker {
    private static final double RIBS_SHARE = 0.62;
    private static final double HEAD_CENTRE_SHARE = 0.66;
    private static final double WRIST_SHARE = 0.02;
    private static final double ELBOW_SHARE = 0.025;
    private static final double SEAT_SHARE = 0.27;
    /** A foot that would lie so much lower than where a leg at rest meets the floor: the hips are up. */
    private static final double BRIDGE_FROM_DEG = 12;

    private final Body b;
    private final Pose pose;
    private TrunkFrame frame;
    private double pitchDeg;

    SkeletonMaker(Body body, Pose pose) {
        this.b = body;
        this.pose = pose;
        this.pitchDeg = pose.trunk().pitchDeg();
        this.frame = TrunkFrame.of(pose.position(), pose.lower(), pitchDeg);
    }

    Skeleton make() {
        @Nullable Side rear = bearingLeg();
        @Nullable Side front = bearingArm();
        double hipY = settleTrunk(rear, front);
        Point3 hip = new Point3(0, hipY, 0);
        Point3 shoulder = shoulder(hip);
        return new Skeleton(
                pose,
                hip,
                shoulder,
                onSpine(hip, shoulder, Skeleton.LUMBAR_SHARE),
                onSpine(hip, shoulder, RIBS_SHARE),
                head(shoulder),
                pitchDeg,
                leg(Side.LEFT, hip),
                leg(Side.RIGHT, hip),
                arm(Side.LEFT, shoulder),
                arm(Side.RIGHT, shoulder));
    }

    /** The leg that carries while the left one works, or the left one. */
    private @Nullable Side bearingLeg() {
        if (pose.right().on().onFloor()) {
            return Side.RIGHT;
        }
        return pose.left().on().onFloor() ? Side.LEFT : null;
    }

    private @Nullable Side bearingArm() {
        if (pose.rightArm().on().onFloor()) {
            return Side.RIGHT;
        }
        return pose.leftArm().on().onFloor() ? Side.LEFT : null;
    }

    /** Height of the hips; settles the pitch where two groups of contacts decide it. */
    private double settleTrunk(@Nullable Side rear, @Nullable Side front) {
        return switch (pose.trunk().on()) {
            case BACK -> lying(rear);
            case FRONT -> b.lyingHipM();
            case FLANK -> onFlank(front);
            case SEAT -> rear == null ? SEAT_SHARE * b.heightM() : overFoot(rear);
            case NONE -> propped(rear, front);
        };
    }

    private double lying(@Nullable Side rear) {
        double wedge = Math.max(0, pitchDeg);
        if (rear == null || pose.leg(rear).on() != LegContact.FOOT || wedge > 0) {
            return b.lyingHipM();
        }
        LegPose leg = pose.leg(rear);
        double atRest = hipToReach(leg, hipJoint(rear, new Point3(0, b.lyingHipM(), 0)), b.ankleM(), true);
        if (atRest - leg.hipDeg() < BRIDGE_FROM_DEG) {
            return b.lyingHipM();
        }
        Point3 foot = legArrow(rear);
        Point3 shoulder = new Point3(b.trunkM(), 0, 0);
        turnTo(TrunkFrame.pitchDeg(pose.position(), pose.lower(), shoulder.minus(foot), b.lyingHipM() - b.ankleM()));
        return b.lyingHipM() - frame.inTheRoom(shoulder).y();
    }

    /** On the hip, the trunk comes up over a bearing forearm by bending sideways; the legs stay level. */
    private double onFlank(@Nullable Side front) {
        double hipY = b.hipJointHalfWidthM() + b.ankleM();
        if (front != null) {
            turnTo(TrunkFrame.pitchDeg(pose.position(), pose.lower(), armArrow(front), armBearingM(front) - hipY));
        }
        return hipY;
    }

    private TrunkFrame legFrame() {
        return pose.trunk().on() == TrunkContact.FLANK ? TrunkFrame.of(pose.position(), pose.lower(), 0) : frame;
    }

    private double propped(@Nullable Side rear, @Nullable Side front) {
        if (rear == null && front == null) {
            throw new ImpossiblePose("contacts", "nothing holds the body up", "name what bears on the floor");
        }
        if (rear != null && front != null && !pose.position().upright()) {
            double rise = armBearingM(front) - legBearingM(rear);
            turnTo(TrunkFrame.pitchDeg(
                    pose.position(), pose.lower(), armArrow(front).minus(legArrow(rear)), rise));
        }
        return rear != null
                ? overFoot(rear)
                : armBearingM(front == null ? Side.LEFT : front)
                        - frame.inTheRoom(armArrow(front == null ? Side.LEFT : front))
                                .y();
    }

    private void turnTo(double deg) {
        pitchDeg = ImpossiblePose.angle("trunkPitch", deg, -60, 90);
        frame = TrunkFrame.of(pose.position(), pose.lower(), pitchDeg);
    }

    private double overFoot(Side rear) {
        return legBearingM(rear) - frame.inTheRoom(legArrow(rear)).y();
    }

    private double legBearingM(Side side) {
        return pose.leg(side).on() == LegContact.TOES ? Foot.TOES_ANKLE_SHARE * b.heightM() : b.ankleM();
    }

    private double armBearingM(Side side) {
        double joint = pose.arm(side).on() == ArmContact.HAND ? WRIST_SHARE : ELBOW_SHARE;
        return (joint + pose.arm(side).surfaceShare()) * b.heightM();
    }

    /** From the hips' middle to what bears of this leg, along up, front, left. */
    private Point3 legArrow(Side side) {
        LegPose p = pose.leg(side);
        Point3 joint = new Point3(0, 0, Direction.sign(side) * b.hipJointHalfWidthM());
        Point3 knee = joint.along(Direction.of(p, p.hipDeg(), side), b.thighM());
        return p.on() == LegContact.KNEE
                ? knee
                : knee.along(Direction.of(p, p.hipDeg() - p.kneeDeg(), side), b.shankM());
    }

    private Point3 armArrow(Side side) {
        ArmPose p = pose.arm(side);
        Point3 joint = new Point3(b.trunkM(), 0, Direction.sign(side) * b.shoulderHalfWidthM());
        Point3 elbow = joint.along(Direction.of(p, p.shoulderDeg(), side), b.upperArmM());
        return p.on() == ArmContact.FOREARM
                ? elbow
                : elbow.along(Direction.of(p, p.shoulderDeg() + p.elbowDeg(), side), b.forearmM());
    }

    private Point3 hipJoint(Side side, Point3 hip) {
        return hip.along(legFrame().left(), Direction.sign(side) * b.hipJointHalfWidthM());
    }

    private Leg leg(Side side, Point3 hip) {
        LegPose p = pose.leg(side);
        Point3 joint = hipJoint(side, hip);
        double hipDeg = settledHip(p, joint, side);
        Point3 knee = joint.along(legFrame().inTheRoom(Direction.of(p, hipDeg, side)), b.thighM());
        Point3 shank = shank(p, hipDeg, side);
        Point3 ankle = knee.along(shank, b.shankM());
        Foot foot = new Foot(b, pose.position(), frame, p.on(), ankle, foot(p, hipDeg - p.kneeDeg(), side), shank);
        double kneeDeg = p.on() == LegContact.KNEE ? angleDeg(knee.minus(joint), shank) : p.kneeDeg();
        ImpossiblePose.angle("knee", kneeDeg, 0, LegPose.KNEE_MAX_DEG);
        return new Leg(joint, knee, ankle, foot.heel(), foot.toe(), foot.direction(), hipDeg, kneeDeg);
    }

    private double settledHip(LegPose legPose, Point3 joint, Side side) {
        if (!legPose.on().onFloor() || pose.position() == Position.SIDE) {
            return legPose.hipDeg();
        }
        return legPose.outDeg() != 0
                ? legPose.hipDeg()
                : hipToReach(legPose, joint, legBearingM(side), legPose.on() != LegContact.KNEE);
    }

    /** The hip angle nearest to the one asked for at which ankle (or knee) comes to this height. */
    private double hipToReach(LegPose pose, Point3 joint, double heightM, boolean ankle) {
        Reach reach = new Reach(frame, b.thighM(), ankle ? b.shankM() : 0, -pose.kneeDeg(), heightM - joint.y());
        double hip = reach.nearestTo(pose.hipDeg(), Math.cos(Math.toRadians(pose.sweepDeg())));
        return ImpossiblePose.angle("hip", hip, LegPose.HIP_MIN_DEG, LegPose.HIP_MAX_DEG);
    }

    /** With the trunk lying, or standing at a table, a bearing arm is settled like a leg. */
    private double settledShoulder(ArmPose armPose, Point3 joint, Side side) {
        boolean trunkIsFixed =
                pose.trunk().on() != TrunkContact.NONE || pose.position().upright();
        if (!armPose.on().onFloor() || !trunkIsFixed || pose.position() == Position.SIDE) {
            return armPose.shoulderDeg();
        }
        double forearm = armPose.on() == ArmContact.FOREARM ? 0 : b.forearmM();
        return new Reach(frame, b.upperArmM(), forearm, armPose.elbowDeg(), armBearingM(side) - joint.y())
                .nearestTo(armPose.shoulderDeg(), 1);
    }

    /** Kneeling, the shank lies back along the floor. */
    private Point3 shank(LegPose legPose, double hipDeg, Side side) {
        if (legPose.on() == LegContact.KNEE && pose.position() != Position.SIDE) {
            Point3 back = pose.position().upright() ? frame.front() : frame.up();
            return new Point3(back.x() > 0 ? -1 : 1, 0, 0);
        }
        return legFrame().inTheRoom(Direction.of(legPose, hipDeg - legPose.kneeDeg(), side));
    }

    private static double angleDeg(Point3 thigh, Point3 shank) {
        double cos = thigh.dot(shank) / (thigh.length() * shank.length());
        return Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, cos))));
    }

    /** From ankle toward the toes. */
    private Point3 foot(LegPose legPose, double shankDeg, Side side) {
        boolean legDown = legPose.on() == LegContact.FOOT && Math.abs(legPose.kneeDeg()) > 30;
        if (pose.position().upright() && legPose.on() == LegContact.FOOT) {
            return Floor.level(frame.front());
        }
        if (legPose.on() == LegContact.KNEE) {
            return shank(legPose, shankDeg + legPose.kneeDeg(), side);
        }
        if (legDown && !pose.position().frontDown() && pose.position() != Position.SIDE) {
            return Floor.level(frame.up()).times(-1);
        }
        if (!legPose.on().equals(LegContact.TOES) && pose.position().frontDown()) {
            return frame.inTheRoom(Direction.of(legPose, shankDeg, side));
        }
        return legFrame().inTheRoom(Direction.of(legPose, shankDeg + 90, side));
    }

    private Arm arm(Side side, Point3 shoulder) {
        ArmPose p = pose.arm(side);
        Point3 joint = shoulder.along(frame.left(), Direction.sign(side) * b.shoulderHalfWidthM());
        double shoulderDeg = settledShoulder(p, joint, side);
        Point3 elbow = joint.along(frame.inTheRoom(Direction.of(p, shoulderDeg, side)), b.upperArmM());
        Point3 forearm =
                switch (p.on()) {
                    case FOREARM -> headward();
                    case NONE, HAND, WALL -> frame.inTheRoom(Direction.of(p, shoulderDeg + p.elbowDeg(), side));
                };
        Point3 wrist = elbow.along(forearm, b.forearmM());
        Point3 hand =
                switch (p.on()) {
                    case HAND -> pose.trunk().on() == TrunkContact.SEAT ? forearm : headward();
                    case WALL -> new Point3(0, 1, 0);
                    case NONE, FOREARM -> forearm;
                };
        return new Arm(joint, elbow, wrist, wrist.along(Floor.noLowerThan(hand, -wrist.y() / b.handM()), b.handM()));
    }

    /** Where a bearing forearm or hand points: away from the feet, or forward for one who is on her side. */
    private Point3 headward() {
        return pose.position() == Position.SIDE || pose.position().upright()
                ? Floor.level(frame.front())
                : Floor.level(frame.up());
    }

    private boolean curled() {
        return Skeleton.headLifted(pose) && pose.trunk().spineDeg() > 0;
    }

    /** Lying and rounding, the trunk above the lumbar section comes up. */
    private Point3 shoulder(Point3 hip) {
        if (!curled()) {
            return hip.along(frame.up(), b.trunkM());
        }
        double curl = Math.toRadians(pose.trunk().spineDeg());
        Point3 upward = frame.inTheRoom(new Point3(Math.cos(curl), Math.sin(curl), 0));
        return hip.along(frame.up(), Skeleton.LUMBAR_SHARE * b.trunkM())
                .along(upward, (1 - Skeleton.LUMBAR_SHARE) * b.trunkM());
    }

    private Point3 onSpine(Point3 hip, Point3 shoulder, double share) {
        if (curled()) {
            Point3 lumbar = hip.along(frame.up(), Skeleton.LUMBAR_SHARE * b.trunkM());
            return share <= Skeleton.LUMBAR_SHARE
                    ? lumbar
                    : lumbar.toward(shoulder, (share - Skeleton.LUMBAR_SHARE) / (1 - Skeleton.LUMBAR_SHARE));
        }
        double bulge = b.trunkM() * Math.tan(Math.toRadians(pose.trunk().spineDeg() / 4)) / 2 * 4 * share * (1 - share);
        return hip.toward(shoulder, share).along(frame.front(), -bulge);
    }

    private Point3 head(Point3 shoulder) {
        double neck =
                Math.toRadians(pose.trunk().neckDeg() + (curled() ? pose.trunk().spineDeg() : 0));
        Point3 along = frame.inTheRoom(new Point3(Math.cos(neck), Math.sin(neck), 0));
        double toCentre = HEAD_CENTRE_SHARE * b.headM();
        double rests = (b.lyingHipM() - shoulder.y()) / toCentre;
        return shoulder.along(Floor.noLowerThan(along, rests), toCentre);
    }
}
