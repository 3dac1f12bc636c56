package fernstep.core.body;

import fernstep.core.body.Masses.Weight;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What the supports push back with. Two groups of contacts are solved along the mat by moments; across it each group
 * carries where its contacts allow, and what they cannot balance stays as {@link #unbalancedNm()}.
 *
 * @param supports one or two groups, and a wall
 * @param unbalancedNm about the long axis: what she must hold by shifting her weight
 */
record Statics(List<Support> supports, double unbalancedNm) {

    /** Where a group may carry across the mat. */
    private record Group(double x, double fromZ, double toZ, double y) {
        double clamp(double z) {
            return Math.max(fromZ, Math.min(toZ, z));
        }
    }

    /** Resting on limbs, on the shoulders and feet, on the seat, or on the feet alone. */
    static Statics propped(Skeleton skeleton, List<Weight> all) {
        double weight = 0;
        double momentX = 0;
        double momentZ = 0;
        for (Weight w : all) {
            weight += w.newtons();
            momentX += w.newtons() * w.at().x();
            momentZ += w.newtons() * w.at().z();
        }
        Group front = front(skeleton);
        Group rear = rear(skeleton);
        if (leansOnWall(skeleton) && rear != null) {
            return onWall(skeleton, rear, weight, momentX, momentZ);
        }
        if (front == null || rear == null) {
            return onOneGroup(skeleton, front, rear, weight, momentX, momentZ);
        }
        double atFront = (momentX - weight * rear.x()) / (front.x() - rear.x());
        double atRear = weight - atFront;
        double comZ = momentZ / weight;
        double frontZ = front.clamp(comZ);
        double rearZ = atRear == 0 ? comZ : rear.clamp((momentZ - atFront * frontZ) / atRear);
        if (atFront != 0) {
            frontZ = front.clamp((momentZ - atRear * rearZ) / atFront);
        }
        boolean shoulders = skeleton.pose().trunk().on() == TrunkContact.BACK;
        Support.Group frontName = shoulders ? Support.Group.TRUNK : Support.Group.ARMS;
        return new Statics(
                List.of(
                        new Support(frontName, new Point3(front.x(), front.y(), frontZ), atFront, 0, true),
                        new Support(Support.Group.LEGS, new Point3(rear.x(), rear.y(), rearZ), atRear, 0, false)),
                momentZ - atFront * frontZ - atRear * rearZ);
    }

    private static Statics onOneGroup(
            Skeleton skeleton,
            @Nullable Group front,
            @Nullable Group rear,
            double weight,
            double momentX,
            double momentZ) {
        Group only =
                Objects.requireNonNull(rear != null ? rear : front, "a pose that nothing bears is refused earlier");
        double z = only.clamp(momentZ / weight);
        boolean seat = skeleton.pose().trunk().on() == TrunkContact.SEAT;
        Support.Group limbs = rear != null ? Support.Group.LEGS : Support.Group.ARMS;
        Support support = new Support(
                seat ? Support.Group.TRUNK : limbs, new Point3(momentX / weight, only.y(), z), weight, 0, rear == null);
        return new Statics(List.of(support), momentZ - weight * z);
    }

    /** Leaning on a wall: it pushes level at the hands, the feet answer by friction. */
    private static Statics onWall(Skeleton skeleton, Group rear, double weight, double momentX, double momentZ) {
        Point3 hand = mean(skeleton, true);
        double push = Math.max(0, (momentX - weight * rear.x()) / (hand.y() - rear.y()));
        double z = rear.clamp(momentZ / weight);
        double feetX = (momentX - push * (hand.y() - rear.y())) / weight;
        return new Statics(
                List.of(
                        new Support(Support.Group.WALL, hand, 0, -push, true),
                        new Support(Support.Group.LEGS, new Point3(feetX, rear.y(), z), weight, push, false)),
                momentZ - weight * z);
    }

    /** Lying: what the heels carry is known, the trunk carries the rest where it must. */
    static Statics lying(List<Weight> all, List<Support> heels) {
        double up = 0;
        double momentX = 0;
        double momentZ = 0;
        for (Weight w : all) {
            up += w.newtons();
            momentX += w.newtons() * w.at().x();
            momentZ += w.newtons() * w.at().z();
        }
        for (Support h : heels) {
            up -= h.upN();
            momentX -= h.upN() * h.at().x();
            momentZ -= h.upN() * h.at().z();
        }
        List<Support> supports = new ArrayList<>(heels);
        supports.add(new Support(Support.Group.TRUNK, new Point3(momentX / up, 0, momentZ / up), up, 0, false));
        return new Statics(List.copyOf(supports), 0);
    }

    private static boolean leansOnWall(Skeleton skeleton) {
        return skeleton.pose().position().upright()
                && (skeleton.pose().leftArm().on() == ArmContact.WALL
                        || skeleton.pose().rightArm().on() == ArmContact.WALL);
    }

    private static @Nullable Group front(Skeleton skeleton) {
        if (skeleton.pose().trunk().on() == TrunkContact.BACK) {
            double half = Math.abs(skeleton.leftArm().shoulder().z());
            return new Group(skeleton.shoulder().x(), -half, half, 0);
        }
        return group(skeleton, true);
    }

    private static @Nullable Group rear(Skeleton skeleton) {
        if (skeleton.pose().trunk().on() == TrunkContact.SEAT) {
            double half = Math.abs(skeleton.left().hip().z());
            return new Group(skeleton.hip().x(), -half, half, skeleton.hip().y());
        }
        return group(skeleton, false);
    }

    private static @Nullable Group group(Skeleton skeleton, boolean arms) {
        double x = 0;
        double from = Double.MAX_VALUE;
        double to = -Double.MAX_VALUE;
        int n = 0;
        for (Side side : Side.values()) {
            boolean bears = arms
                    ? skeleton.pose().arm(side).on().onFloor()
                    : skeleton.pose().leg(side).on().onFloor();
            if (bears) {
                Point3 at = arms ? armPoint(skeleton, side) : legPoint(skeleton, side);
                x += at.x();
                from = Math.min(from, at.z());
                to = Math.max(to, at.z());
                n++;
            }
        }
        return n == 0 ? null : new Group(x / n, from, to, 0);
    }

    private static Point3 mean(Skeleton skeleton, boolean arms) {
        Point3 sum = Point3.ORIGIN;
        int n = 0;
        for (Side side : Side.values()) {
            if (arms
                    ? skeleton.pose().arm(side).on() == ArmContact.WALL
                    : skeleton.pose().leg(side).bears()) {
                sum = sum.plus(arms ? skeleton.arm(side).wrist() : legPoint(skeleton, side));
                n++;
            }
        }
        return sum.times(1.0 / n);
    }

    private static Point3 armPoint(Skeleton skeleton, Side side) {
        Skeleton.Arm arm = skeleton.arm(side);
        return skeleton.pose().arm(side).on() == ArmContact.FOREARM
                ? arm.elbow().toward(arm.wrist(), 0.5)
                : arm.wrist();
    }

    private static Point3 legPoint(Skeleton skeleton, Side side) {
        Skeleton.Leg leg = skeleton.leg(side);
        return switch (skeleton.pose().leg(side).on()) {
            case KNEE -> leg.knee();
            case TOES -> leg.toe();
            default -> leg.ankle();
        };
    }
}
