package fernstep.core.body;

import fernstep.core.body.Masses.Weight;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;

/**
 * What a pose asks of the trunk; an estimate for ordering and sizing steps, not a statement about tissue.
 *
 * <p>Lying, bending is the sum of the gravity moments of the lifted limbs about hip and shoulder; propped, it is the
 * moment inside the body at the lumbar section, a quarter of the way from hip to shoulder.
 *
 * @param bendingNm positive where the front wall must resist sagging or arching, negative where the back line does
 * @param turningNm about the long axis of the trunk
 * @param lateralNm sideways, in side support and one-sided carrying
 */
public record TrunkLoad(
        double bendingNm, double turningNm, double lateralNm, double loadIndex, List<Support> supports) {
    /** A leg this straight lies on the floor with its whole length. */
    private static final double LIES_LONG_DEG = 10;

    private static final double CHEST_LIFTED_DEG = 2;

    public TrunkLoad {
        supports = List.copyOf(supports);
    }

    /** @throws ImpossiblePose see {@link Skeleton#of} */
    public static TrunkLoad of(Body body, Pose pose) {
        return of(body, Skeleton.of(body, pose));
    }

    public static TrunkLoad of(Body body, Skeleton s) {
        boolean lies = switch (s.pose().trunk().on()) {
            case BACK -> s.pitchDeg() >= 0;
            case FRONT, FLANK -> true;
            case SEAT, NONE -> false;
        };
        return lies ? new Lying(body, s).load() : propped(body, s);
    }

    private static TrunkLoad of(Body b, double bendingNm, double turningNm, double lateralNm, List<Support> supports) {
        double squares = bendingNm * bendingNm + turningNm * turningNm + lateralNm * lateralNm;
        double index = 1000 * Math.sqrt(squares) / (b.massKg() * Body.GRAVITY * b.heightM());
        return new TrunkLoad(bendingNm, turningNm, lateralNm, index, supports);
    }

    private static TrunkLoad propped(Body b, Skeleton s) {
        List<Weight> upper = Masses.upperTrunk(b, s);
        List<Support> supports = new ArrayList<>();
        for (Side side : Side.values()) {
            List<Weight> arm = Masses.arm(b, s.arm(side), s.pose().arm(side).heldKg());
            if (s.pose().trunk().on() == TrunkContact.BACK && s.pose().arm(side).bears()) {
                supports.add(resting(arm));
            } else {
                upper.addAll(arm);
            }
        }
        List<Weight> all = new ArrayList<>(upper);
        all.addAll(Masses.lower(b, s));
        Statics statics = Statics.propped(s, all);
        supports.addAll(statics.supports());
        Point3 section = s.lumbar();
        double x = 0;
        double y = 0;
        double z = 0;
        for (Weight w : upper) {
            Point3 arm = w.at().minus(section);
            x += arm.z() * w.newtons();
            z -= arm.x() * w.newtons();
        }
        for (Support support : statics.supports()) {
            if (support.ofUpperBody()) {
                Point3 arm = support.at().minus(section);
                x -= arm.z() * support.upN();
                y += arm.z() * support.sideN();
                z += arm.x() * support.upN() - arm.y() * support.sideN();
            }
        }
        Point3 moment = new Point3(x, y, z);
        TrunkFrame frame = s.frame();
        double turning = moment.dot(frame.up());
        double fromBelow = turning - statics.unbalancedNm() * frame.up().x();
        return of(
                b,
                -moment.dot(frame.left()),
                Math.abs(turning) >= Math.abs(fromBelow) ? turning : fromBelow,
                moment.dot(frame.front()),
                supports);
    }

    /** In a bridge an arm beside her lies on the floor and is carried there. */
    private static Support resting(List<Weight> arm) {
        double newtons = 0;
        Point3 sum = Point3.ORIGIN;
        for (Weight w : arm) {
            newtons += w.newtons();
            sum = sum.plus(w.at().times(w.newtons()));
        }
        Point3 centre = sum.times(1 / newtons);
        return new Support(Support.Group.ARMS, new Point3(centre.x(), 0, centre.z()), newtons, 0, false);
    }

    /** On the back, the front or the side: limb by limb. */
    private static final class Lying {
        private final Body b;
        private final Skeleton s;
        private final double footward;
        private final List<Support> heels = new ArrayList<>(2);
        private double legsNm;
        private double armsNm;
        private double turningNm;

        Lying(Body b, Skeleton s) {
            this.b = b;
            this.s = s;
            this.footward = s.frame().up().x() > 0 ? -1 : 1;
        }

        TrunkLoad load() {
            for (Side side : Side.values()) {
                leg(side);
                arm(side);
            }
            List<Weight> all = new ArrayList<>(Masses.upper(b, s));
            all.addAll(Masses.lower(b, s));
            Statics statics = Statics.lying(all, heels);
            return switch (s.pose().trunk().on()) {
                case FRONT -> of(b, -Math.max(legsNm, chestNm()), turningNm, 0, statics.supports());
                case FLANK -> of(b, 0, 0, legsNm, statics.supports());
                default -> of(b, legsNm + armsNm + curlNm(), turningNm, 0, statics.supports());
            };
        }

        private void leg(Side side) {
            LegPose pose = s.pose().leg(side);
            Skeleton.Leg leg = s.leg(side);
            double aboutHip = 0;
            double aside = 0;
            for (Weight w : Masses.leg(b, leg)) {
                aboutHip += w.newtons() * footward * (w.at().x() - leg.hip().x());
                aside += w.newtons() * w.at().z();
            }
            Point3 bearing = pose.on() == LegContact.TOES ? leg.toe() : leg.ankle();
            double reach = footward * (bearing.x() - leg.hip().x());
            double carriedN = pose.on().onFloor() && reach > 0 ? aboutHip / reach : 0;
            double unsupported = switch (pose.on()) {
                case NONE -> 1;
                case FOOT -> 1 - pose.floorShare();
                case HEEL -> leg.kneeDeg() < LIES_LONG_DEG ? 0 : 1 - carriedN / Masses.legN(b);
                case TOES -> 1 - carriedN / Masses.legN(b);
                case KNEE, WALL -> 0;
            };
            if (pose.on().onFloor()) {
                double share = pose.on() == LegContact.FOOT ? pose.floorShare() : 1;
                heels.add(new Support(Support.Group.LEGS, bearing, share * carriedN, 0, false));
            }
            legsNm += unsupported * aboutHip;
            turningNm += unsupported * aside;
        }

        private void arm(Side side) {
            ArmPose pose = s.pose().arm(side);
            if (pose.bears() || pose.besideHer()) {
                return;
            }
            Skeleton.Arm arm = s.arm(side);
            for (Weight w : Masses.arm(b, arm, pose.heldKg())) {
                armsNm += w.newtons() * -footward * (w.at().x() - arm.shoulder().x());
                turningNm += w.newtons() * w.at().z();
            }
        }

        /** A trunk that curls up off the floor hangs from the lumbar section: the front wall holds it. */
        private double curlNm() {
            if (s.pose().trunk().spineDeg() <= Skeleton.CURLED_FROM_DEG) {
                return 0;
            }
            double section = s.lumbar().x();
            double sum = 0;
            for (Weight w : Masses.upper(b, s)) {
                sum += w.newtons() * -footward * (w.at().x() - section);
            }
            return sum;
        }

        /** Face down, a lifted chest hangs from the lumbar section, less what the arms carry together with the pelvis. */
        private double chestNm() {
            if (s.pitchDeg() <= CHEST_LIFTED_DEG) {
                return 0;
            }
            double section = -footward * s.lumbar().x();
            double aboutSection = 0;
            double aboutPelvis = 0;
            for (Weight w : Masses.upper(b, s)) {
                double headward = -footward * w.at().x();
                aboutSection += w.newtons() * (headward - section);
                aboutPelvis += w.newtons() * headward;
            }
            if (!s.pose().leftArm().on().onFloor()) {
                return aboutSection;
            }
            double elbow = -footward * s.leftArm().elbow().x();
            return Math.abs(aboutSection - aboutPelvis / elbow * (elbow - section));
        }
    }
}
