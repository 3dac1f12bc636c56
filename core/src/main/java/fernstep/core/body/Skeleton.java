package fernstep.core.body;

import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;

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
    private static final double RIBS_SHARE = 0.62;
    private static final double HEAD_CENTRE_SHARE = 0.66;
    private static final double FOOT_FORWARD_SHARE = 0.112;
    private static final double HEEL_BEHIND_SHARE = 0.04;
    private static final double TOES_ANKLE_SHARE = 0.095;
    private static final double TOES_REACH_SHARE = 0.071;
    private static final double WRIST_SHARE = 0.02;
    private static final double ELBOW_SHARE = 0.025;
    /** Lying, a neck bent so far has lifted the head off mat and pillow. */
    private static final double HEAD_LIFTED_FROM_DEG = 15;

    private static final double SEAT_SHARE = 0.27;
    /** A foot that would lie so much lower than where a leg at rest meets the floor: the hips are up. */
    private static final double BRIDGE_FROM_DEG = 12;

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
        return new Maker(body, pose).make();
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

    private static boolean headLifted(Pose pose) {
        return pose.trunk().on() == TrunkContact.BACK && pose.trunk().neckDeg() >= HEAD_LIFTED_FROM_DEG;
    }

    /** Lumbar section on the straight line from hip to shoulder, as the load is worked out. */
    Point3 lumbar() {
        return hip.along(frame().up(), LUMBAR_SHARE * hip.distance(shoulder));
    }

    private static final class Maker {
        private final Body b;
        private final Pose pose;
        private TrunkFrame frame;
        private double pitchDeg;

        Maker(Body body, Pose pose) {
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
                    onSpine(hip, shoulder, LUMBAR_SHARE),
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
            return pose.right().on().onFloor() ? Side.RIGHT : pose.left().on().onFloor() ? Side.LEFT : null;
        }

        private @Nullable Side bearingArm() {
            return pose.rightArm().on().onFloor()
                    ? Side.RIGHT
                    : pose.leftArm().on().onFloor() ? Side.LEFT : null;
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
            turnTo(TrunkFrame.pitchDeg(
                    pose.position(), pose.lower(), shoulder.minus(foot), b.lyingHipM() - b.ankleM()));
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
            return pose.leg(side).on() == LegContact.TOES ? TOES_ANKLE_SHARE * b.heightM() : b.ankleM();
        }

        private double armBearingM(Side side) {
            double joint = pose.arm(side).on() == ArmContact.HAND ? WRIST_SHARE : ELBOW_SHARE;
            return (joint + pose.arm(side).surfaceShare()) * b.heightM();
        }

        /** From the hips' middle to what bears of this leg, along up, front, left. */
        private Point3 legArrow(Side side) {
            LegPose p = pose.leg(side);
            Point3 joint = new Point3(0, 0, sign(side) * b.hipJointHalfWidthM());
            Point3 knee = joint.along(direction(p, p.hipDeg(), side), b.thighM());
            return p.on() == LegContact.KNEE
                    ? knee
                    : knee.along(direction(p, p.hipDeg() - p.kneeDeg(), side), b.shankM());
        }

        private Point3 armArrow(Side side) {
            ArmPose p = pose.arm(side);
            Point3 joint = new Point3(b.trunkM(), 0, sign(side) * b.shoulderHalfWidthM());
            Point3 elbow = joint.along(direction(p, p.shoulderDeg(), side), b.upperArmM());
            return p.on() == ArmContact.FOREARM
                    ? elbow
                    : elbow.along(direction(p, p.shoulderDeg() + p.elbowDeg(), side), b.forearmM());
        }

        private static double sign(Side side) {
            return side == Side.LEFT ? 1 : -1;
        }

        /** Along up, front, left: spread outward, then turned about the trunk's long axis. */
        private static Point3 direction(LegPose p, double deg, Side side) {
            double along = -Math.cos(Math.toRadians(deg));
            double front = Math.sin(Math.toRadians(deg));
            if (p.outDeg() == 0 && p.sweepDeg() == 0) {
                return new Point3(along, front, 0);
            }
            double out = Math.toRadians(p.outDeg());
            double sweep = Math.toRadians(p.sweepDeg());
            double aside = -along * Math.sin(out);
            return new Point3(
                    along * Math.cos(out),
                    front * Math.cos(sweep) - aside * Math.sin(sweep),
                    sign(side) * (aside * Math.cos(sweep) + front * Math.sin(sweep)));
        }

        private static Point3 direction(ArmPose p, double deg, Side side) {
            double along = -Math.cos(Math.toRadians(deg));
            double front = Math.sin(Math.toRadians(deg));
            if (p.outDeg() == 0) {
                return new Point3(along, front, 0);
            }
            double out = Math.toRadians(p.outDeg());
            return new Point3(along * Math.cos(out), front, sign(side) * -along * Math.sin(out));
        }

        private Point3 hipJoint(Side side, Point3 hip) {
            return hip.along(legFrame().left(), sign(side) * b.hipJointHalfWidthM());
        }

        private Leg leg(Side side, Point3 hip) {
            LegPose p = pose.leg(side);
            Point3 joint = hipJoint(side, hip);
            double hipDeg = settledHip(p, joint, side);
            Point3 knee = joint.along(legFrame().inTheRoom(direction(p, hipDeg, side)), b.thighM());
            Point3 shank = shank(p, hipDeg, side);
            Point3 ankle = knee.along(shank, b.shankM());
            Point3 foot = foot(p, hipDeg - p.kneeDeg(), side);
            double kneeDeg = p.on() == LegContact.KNEE ? angleDeg(knee.minus(joint), shank) : p.kneeDeg();
            ImpossiblePose.angle("knee", kneeDeg, 0, LegPose.KNEE_MAX_DEG);
            return new Leg(
                    joint, knee, ankle, heel(p, ankle, foot, shank), toe(p, ankle, foot, shank), foot, hipDeg, kneeDeg);
        }

        private double settledHip(LegPose p, Point3 joint, Side side) {
            if (!p.on().onFloor() || pose.position() == Position.SIDE) {
                return p.hipDeg();
            }
            return p.outDeg() != 0 ? p.hipDeg() : hipToReach(p, joint, legBearingM(side), p.on() != LegContact.KNEE);
        }

        /** The hip angle nearest to the one asked for at which ankle (or knee) comes to this height. */
        private double hipToReach(LegPose p, Point3 joint, double heightM, boolean ankle) {
            Reach reach = new Reach(b.thighM(), ankle ? b.shankM() : 0, -p.kneeDeg(), heightM - joint.y());
            double hip = reach.nearestTo(p.hipDeg(), Math.cos(Math.toRadians(p.sweepDeg())));
            return ImpossiblePose.angle("hip", hip, LegPose.HIP_MIN_DEG, LegPose.HIP_MAX_DEG);
        }

        /** With the trunk lying, a bearing arm is settled like a leg. */
        private double settledShoulder(ArmPose p, Point3 joint, Side side) {
            boolean trunkIsFixed = pose.trunk().on() != TrunkContact.NONE;
            if (!p.on().onFloor() || !trunkIsFixed || pose.position() == Position.SIDE) {
                return p.shoulderDeg();
            }
            double forearm = p.on() == ArmContact.FOREARM ? 0 : b.forearmM();
            return new Reach(b.upperArmM(), forearm, p.elbowDeg(), armBearingM(side) - joint.y())
                    .nearestTo(p.shoulderDeg(), 1);
        }

        /** A limb of two links bent by an angle that has to rise so many metres from its joint. */
        private final class Reach {
            private final double first;
            private final double second;
            private final double bendDeg;
            private final double riseM;

            Reach(double first, double second, double bendDeg, double riseM) {
                this.first = first;
                this.second = second;
                this.bendDeg = bendDeg;
                this.riseM = riseM;
            }

            double nearestTo(double askedDeg, double cosSweep) {
                double up = frame.up().y();
                double front = frame.front().y() * cosSweep;
                double cosBend = Math.cos(Math.toRadians(bendDeg));
                double sinBend = Math.sin(Math.toRadians(bendDeg));
                double ofSin = first * front + second * (front * cosBend + up * sinBend);
                double ofCos = -first * up - second * (up * cosBend - front * sinBend);
                double reach = Math.hypot(ofSin, ofCos);
                if (Math.abs(riseM) > reach) {
                    throw new ImpossiblePose("contacts", "a limb does not reach the floor", "straighten it");
                }
                double rise = Math.toDegrees(Math.asin(riseM / reach));
                double turned = Math.toDegrees(Math.atan2(ofCos, ofSin));
                double near = wrapped(rise - turned);
                double far = wrapped(180 - rise - turned);
                return Math.abs(wrapped(near - askedDeg)) <= Math.abs(wrapped(far - askedDeg)) ? near : far;
            }
        }

        private static double wrapped(double deg) {
            double d = deg % 360;
            return d > 180 ? d - 360 : d <= -180 ? d + 360 : d;
        }

        /** Kneeling, the shank lies back along the floor. */
        private Point3 shank(LegPose p, double hipDeg, Side side) {
            if (p.on() == LegContact.KNEE && pose.position() != Position.SIDE) {
                Point3 back = pose.position().upright() ? frame.front() : frame.up();
                return new Point3(back.x() > 0 ? -1 : 1, 0, 0);
            }
            return legFrame().inTheRoom(direction(p, hipDeg - p.kneeDeg(), side));
        }

        private static double angleDeg(Point3 thigh, Point3 shank) {
            double cos = thigh.dot(shank) / (thigh.length() * shank.length());
            return Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, cos))));
        }

        private Point3 level(Point3 arrow) {
            double length = Math.hypot(arrow.x(), arrow.z());
            return new Point3(arrow.x() / length, 0, arrow.z() / length);
        }

        /** From ankle toward the toes. */
        private Point3 foot(LegPose p, double shankDeg, Side side) {
            boolean legDown = p.on() == LegContact.FOOT && Math.abs(p.kneeDeg()) > 30;
            if (pose.position().upright() && p.on() == LegContact.FOOT) {
                return level(frame.front());
            }
            if (p.on() == LegContact.KNEE) {
                return shank(p, shankDeg + p.kneeDeg(), side);
            }
            if (legDown && !pose.position().frontDown() && pose.position() != Position.SIDE) {
                return level(frame.up()).times(-1);
            }
            if (!p.on().equals(LegContact.TOES) && pose.position().frontDown()) {
                return frame.inTheRoom(direction(p, shankDeg, side));
            }
            return legFrame().inTheRoom(direction(p, shankDeg + 90, side));
        }

        private Point3 toe(LegPose p, Point3 ankle, Point3 foot, Point3 shank) {
            if (p.on() == LegContact.TOES) {
                Point3 forward = pose.position().upright()
                        ? level(frame.front())
                        : pose.position() == Position.SIDE ? new Point3(0, 0, 1) : level(frame.up());
                return ankle.along(forward, TOES_REACH_SHARE * b.heightM()).raisedBy(-TOES_ANKLE_SHARE * b.heightM());
            }
            Point3 toe = sole(p, ankle, foot, shank).along(foot, FOOT_FORWARD_SHARE * b.heightM());
            return p.on() == LegContact.HEEL
                    ? onFloorUnder(ankle).along(foot, (FOOT_FORWARD_SHARE + HEEL_BEHIND_SHARE) * b.heightM())
                    : aboveFloor(ankle, toe);
        }

        private Point3 heel(LegPose p, Point3 ankle, Point3 foot, Point3 shank) {
            if (p.on() == LegContact.TOES) {
                return ankle.along(shank, b.ankleM());
            }
            return p.on() == LegContact.HEEL
                    ? onFloorUnder(ankle)
                    : aboveFloor(ankle, sole(p, ankle, foot, shank).along(foot, -HEEL_BEHIND_SHARE * b.heightM()));
        }

        private static Point3 onFloorUnder(Point3 ankle) {
            return new Point3(ankle.x(), 0, ankle.z());
        }

        private static Point3 aboveFloor(Point3 joint, Point3 end) {
            Point3 arrow = end.minus(joint);
            double length = arrow.length();
            return joint.along(noLowerThan(arrow.times(1 / length), -joint.y() / length), length);
        }

        /** Under the ankle: down for a standing foot, along the shank else; a foot laid back has none. */
        private Point3 sole(LegPose p, Point3 ankle, Point3 foot, Point3 shank) {
            if (Math.abs(foot.dot(shank)) > 0.9) {
                return ankle;
            }
            return p.on() == LegContact.FOOT && Math.abs(foot.y()) < 1e-9
                    ? ankle.raisedBy(-b.ankleM())
                    : ankle.along(shank, b.ankleM());
        }

        private Arm arm(Side side, Point3 shoulder) {
            ArmPose p = pose.arm(side);
            Point3 joint = shoulder.along(frame.left(), sign(side) * b.shoulderHalfWidthM());
            double shoulderDeg = settledShoulder(p, joint, side);
            Point3 elbow = joint.along(frame.inTheRoom(direction(p, shoulderDeg, side)), b.upperArmM());
            Point3 forearm =
                    switch (p.on()) {
                        case FOREARM -> headward();
                        case NONE, HAND, WALL -> frame.inTheRoom(direction(p, shoulderDeg + p.elbowDeg(), side));
                    };
            Point3 wrist = elbow.along(forearm, b.forearmM());
            Point3 hand =
                    switch (p.on()) {
                        case HAND -> pose.trunk().on() == TrunkContact.SEAT ? forearm : headward();
                        case WALL -> new Point3(0, 1, 0);
                        case NONE, FOREARM -> forearm;
                    };
            return new Arm(joint, elbow, wrist, wrist.along(noLowerThan(hand, -wrist.y() / b.handM()), b.handM()));
        }

        /** Where a bearing forearm or hand points: away from the feet, or forward for one who is on her side. */
        private Point3 headward() {
            return pose.position() == Position.SIDE || pose.position().upright()
                    ? level(frame.front())
                    : level(frame.up());
        }

        private boolean curled() {
            return headLifted(pose) && pose.trunk().spineDeg() > 0;
        }

        /** Lying and rounding, the trunk above the lumbar section comes up. */
        private Point3 shoulder(Point3 hip) {
            if (!curled()) {
                return hip.along(frame.up(), b.trunkM());
            }
            double curl = Math.toRadians(pose.trunk().spineDeg());
            Point3 upward = frame.inTheRoom(new Point3(Math.cos(curl), Math.sin(curl), 0));
            return hip.along(frame.up(), LUMBAR_SHARE * b.trunkM()).along(upward, (1 - LUMBAR_SHARE) * b.trunkM());
        }

        /** The floor turns up what would go through it: a direction that rises at least so much. */
        private static Point3 noLowerThan(Point3 direction, double rise) {
            if (direction.y() >= rise || rise >= 1) {
                return direction;
            }
            double level = Math.hypot(direction.x(), direction.z());
            double keeps = Math.sqrt(1 - rise * rise);
            return level < 1e-9
                    ? new Point3(keeps, rise, 0)
                    : new Point3(direction.x() / level * keeps, rise, direction.z() / level * keeps);
        }

        private Point3 onSpine(Point3 hip, Point3 shoulder, double share) {
            if (curled()) {
                Point3 lumbar = hip.along(frame.up(), LUMBAR_SHARE * b.trunkM());
                return share <= LUMBAR_SHARE
                        ? lumbar
                        : lumbar.toward(shoulder, (share - LUMBAR_SHARE) / (1 - LUMBAR_SHARE));
            }
            double bulge =
                    b.trunkM() * Math.tan(Math.toRadians(pose.trunk().spineDeg() / 4)) / 2 * 4 * share * (1 - share);
            return hip.toward(shoulder, share).along(frame.front(), -bulge);
        }

        private Point3 head(Point3 shoulder) {
            double neck = Math.toRadians(
                    pose.trunk().neckDeg() + (curled() ? pose.trunk().spineDeg() : 0));
            Point3 along = frame.inTheRoom(new Point3(Math.cos(neck), Math.sin(neck), 0));
            double toCentre = HEAD_CENTRE_SHARE * b.headM();
            double rests = (b.lyingHipM() - shoulder.y()) / toCentre;
            return shoulder.along(noLowerThan(along, rests), toCentre);
        }
    }
}
