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
 * @param loadIndex the three together, in thousandths of her weight times her height, from 0
 */
public record TrunkLoad(
        double bendingNm, double turningNm, double lateralNm, double loadIndex, List<Support> supports) {
    /** A leg this straight lies on the floor with its whole length. */
    private static final double LIES_LONG_DEG = 10;

    private static final double CHEST_LIFTED_DEG = 2;
    /** Where a curl hinges: T12, so far from hip to shoulder. */
    private static final double T12_SHARE = 0.70;
    /** Rounded so far the shoulder blades are clear of the mat and the whole upper trunk hangs. */
    private static final double BLADES_CLEAR_DEG = 25;

    public TrunkLoad {
        supports = List.copyOf(supports);
    }

    /** @throws ImpossiblePose see {@link Skeleton#of} */
    public static TrunkLoad of(Body body, Pose pose) {
        return of(body, Skeleton.of(body, pose));
    }

    public static TrunkLoad of(Body body, Skeleton skeleton) {
        boolean lies =
                switch (skeleton.pose().trunk().on()) {
                    case BACK -> skeleton.pitchDeg() >= 0;
                    case FRONT, FLANK -> true;
                    case SEAT, NONE -> false;
                };
        return lies ? new Lying(body, skeleton).load() : propped(body, skeleton);
    }

    /** Of the same pose with left and right changed over. */
    public TrunkLoad mirrored() {
        return new TrunkLoad(bendingNm, -turningNm, lateralNm, loadIndex, supports);
    }

    /** The index without bending that the back line carries: what pulls at the front wall. */
    public double frontIndex(Body body) {
        return of(body, Math.max(0, bendingNm), turningNm, lateralNm, List.of()).loadIndex();
    }

    private static TrunkLoad of(
            Body body, double bendingNm, double turningNm, double lateralNm, List<Support> supports) {
        double squares = bendingNm * bendingNm + turningNm * turningNm + lateralNm * lateralNm;
        double index = 1000 * Math.sqrt(squares) / (body.massKg() * Body.GRAVITY * body.heightM());
        return new TrunkLoad(bendingNm, turningNm, lateralNm, index, supports);
    }

    private static TrunkLoad propped(Body body, Skeleton skeleton) {
        List<Weight> upper = Masses.upperTrunk(body, skeleton);
        List<Support> supports = new ArrayList<>();
        for (Side side : Side.values()) {
            ArmPose pose = skeleton.pose().arm(side);
            if (skeleton.pose().trunk().on() == TrunkContact.BACK && pose.bears()) {
                supports.add(resting(Masses.arm(body, skeleton.arm(side), pose.heldKg())));
            } else {
                upper.addAll(Masses.hangingArm(body, skeleton.arm(side), pose));
            }
        }
        List<Weight> all = new ArrayList<>(upper);
        all.addAll(Masses.lower(body, skeleton));
        Statics statics = Statics.propped(skeleton, all);
        supports.addAll(statics.supports());
        Point3 section = skeleton.lumbar();
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
        TrunkFrame frame = skeleton.frame();
        double turning = moment.dot(frame.up());
        double fromBelow = turning - statics.unbalancedNm() * frame.up().x();
        double borne = 1 - skeleton.pose().trunk().cushionShare();
        return of(
                body,
                -borne * moment.dot(frame.left()),
                borne * (Math.abs(turning) >= Math.abs(fromBelow) ? turning : fromBelow),
                borne * moment.dot(frame.front()),
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
        private final boolean headIsAtPlusX;
        private final List<Support> heels = new ArrayList<>(2);
        private double legsNm;
        private double armsNm;
        private double turningNm;

        Lying(Body body, Skeleton skeleton) {
            this.b = body;
            this.s = skeleton;
            this.headIsAtPlusX = skeleton.frame().up().x() > 0;
        }

        /** From the hips along the mat toward the head, m; the hips lie at 0. */
        private double headward(Point3 at) {
            return headIsAtPlusX ? at.x() : -at.x();
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
                case FRONT ->
                    of(b, -Math.max(legsNm, chestNm() + Math.max(0, armsNm)), turningNm, 0, statics.supports());
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
                aboutHip -= w.newtons() * headward(w.at());
                aside += w.newtons() * w.at().z();
            }
            Point3 bearing = pose.on() == LegContact.TOES ? leg.toe() : leg.ankle();
            double reach = -headward(bearing);
            double carriedN = pose.on().onFloor() && reach > 0 ? aboutHip / reach : 0;
            double unsupported =
                    switch (pose.on()) {
                        case NONE -> 1;
                        case FOOT -> 1 - pose.floorShare();
                        case HEEL ->
                            1 - pose.floorShare() * (leg.kneeDeg() < LIES_LONG_DEG ? 1 : carriedN / Masses.legN(b));
                        case TOES -> 1 - carriedN / Masses.legN(b);
                        case KNEE, WALL -> 0;
                    };
            if (pose.on().onFloor()) {
                double share = pose.on().onSole() ? pose.floorShare() : 1;
                heels.add(new Support(Support.Group.LEGS, bearing, share * carriedN, 0, false));
            }
            legsNm += unsupported * aboutHip;
            turningNm += unsupported * aside;
        }

        private void arm(Side side) {
            ArmPose pose = s.pose().arm(side);
            if (pose.bears() || pose.besideHer() || s.headLifted()) {
                return;
            }
            Skeleton.Arm arm = s.arm(side);
            for (Weight w : Masses.arm(b, arm, pose.heldKg())) {
                armsNm += w.newtons() * (headward(w.at()) - headward(arm.shoulder()));
                turningNm += w.newtons() * w.at().z();
            }
        }

        /** Only what has left the mat hangs: the head, then arms and upper trunk by how far the blades are clear. */
        private double curlNm() {
            if (!s.headLifted()) {
                return 0;
            }
            double hinge = headward(s.hip().toward(s.shoulder(), T12_SHARE));
            double sum = aboutHinge(Masses.head(b, s), hinge);
            double clear = clearShare();
            for (Side side : Side.values()) {
                for (Weight w : Masses.arm(b, s.arm(side), s.pose().arm(side).heldKg())) {
                    sum += clear * aboutHinge(w, hinge);
                }
            }
            return sum + clear * aboutHinge(Masses.thorax(b, s), hinge);
        }

        private double clearShare() {
            return Math.max(0, Math.min(1, s.pose().trunk().spineDeg() / BLADES_CLEAR_DEG));
        }

        private double aboutHinge(Weight weight, double hinge) {
            return weight.newtons() * (headward(weight.at()) - hinge);
        }

        /** Face down, a lifted chest hangs from the lumbar section, less what the arms carry together with the pelvis. */
        private double chestNm() {
            if (s.pitchDeg() <= CHEST_LIFTED_DEG) {
                return 0;
            }
            double section = headward(s.lumbar());
            double aboutSection = 0;
            double aboutPelvis = 0;
            for (Weight w : Masses.upper(b, s)) {
                aboutSection += w.newtons() * (headward(w.at()) - section);
                aboutPelvis += w.newtons() * headward(w.at());
            }
            if (!s.pose().leftArm().on().onFloor()) {
                return aboutSection;
            }
            double elbow = headward(s.leftArm().elbow());
            return Math.abs(aboutSection - aboutPelvis / elbow * (elbow - section));
        }
    }
}
