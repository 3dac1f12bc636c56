package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Where every joint of every pose of the catalogue is: on the floor where it bears, bent as it says, curved as it says. */
class SkeletonLawsTest {
    private static final double H = 1.70;
    private static final Body BODY = Body.of(70.0, 170.0);
    private static final double CLOSE = 1e-6;

    static Stream<Rung> rungs() {
        return ShippedCatalogue.CATALOGUE.rungs().stream();
    }

    /** From its start to its end, at the easiest range and further, for either side. */
    private static List<Pose> poses(Rung rung) {
        List<Pose> all = new ArrayList<>();
        for (double range : new double[] {0, 0.55, 1}) {
            for (double share : new double[] {0, 0.45, 1}) {
                Pose pose = rung.movement().during(range, share);
                all.add(pose);
                all.add(pose.mirrored());
            }
        }
        return all;
    }

    private static double angleDeg(Point3 point, Point3 other) {
        // stable for small angles: by the length of the cross product
        double x = point.y() * other.z() - point.z() * other.y();
        double y = point.z() * other.x() - point.x() * other.z();
        double z = point.x() * other.y() - point.y() * other.x();
        return Math.toDegrees(Math.atan2(Math.sqrt(x * x + y * y + z * z), point.dot(other)));
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void a_leg_that_bears_meets_the_floor_with_what_bears(Rung rung) {
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(BODY, pose);
            boolean twoFeetStand = pose.position().upright()
                    && pose.left().on().onFloor()
                    && pose.right().on().onFloor();
            for (Side side : Side.values()) {
                LegPose leg = pose.leg(side);
                if (!leg.on().onFloor() || leg.outDeg() != 0 || pose.position() == Position.SIDE || twoFeetStand) {
                    continue;
                }
                double height =
                        switch (leg.on()) {
                            case KNEE -> s.leg(side).knee().y();
                            case TOES -> s.leg(side).toe().y();
                            default -> s.leg(side).ankle().y();
                        };
                double bears = leg.on() == LegContact.TOES ? 0 : 0.039 * H;
                assertThat(height).as("%s %s %s", rung.code(), side, leg.on()).isCloseTo(bears, within(CLOSE));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void an_arm_that_bears_meets_what_it_bears_on(Rung rung) {
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(BODY, pose);
            boolean legsBearToo =
                    pose.left().on().onFloor() || pose.right().on().onFloor();
            boolean settled = pose.trunk().on() == TrunkContact.NONE
                    ? !pose.position().upright()
                    : pose.position() != Position.SIDE || pose.trunk().on() == TrunkContact.FLANK;
            for (Side side : Side.values()) {
                ArmPose arm = pose.arm(side);
                // propped, the trunk is turned until the arm that carries meets the floor; the other is posed alike
                boolean carries = side == Side.RIGHT || !pose.rightArm().on().onFloor();
                if (arm.on().onFloor() && settled && carries && legsBearToo) {
                    double height = arm.on() == ArmContact.HAND
                            ? s.arm(side).wrist().y() - 0.02 * H
                            : s.arm(side).elbow().y() - 0.025 * H;
                    assertThat(height)
                            .as("%s %s %s", rung.code(), side, arm.on())
                            .isCloseTo(arm.surfaceShare() * H, within(CLOSE));
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void a_knee_is_bent_as_far_as_it_says_and_a_kneeling_shank_lies_along_the_floor(Rung rung) {
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(BODY, pose);
            for (Side side : Side.values()) {
                Skeleton.Leg leg = s.leg(side);
                Point3 thigh = leg.knee().minus(leg.hip());
                Point3 shank = leg.ankle().minus(leg.knee());
                if (pose.leg(side).sweepDeg() == 0 && pose.leg(side).outDeg() == 0) {
                    assertThat(leg.kneeDeg())
                            .as("%s %s", rung.code(), side)
                            .isCloseTo(angleDeg(thigh, shank), within(1e-4));
                }
                if (pose.leg(side).on() == LegContact.KNEE && pose.position() != Position.SIDE) {
                    assertThat(leg.ankle().y()).isCloseTo(leg.knee().y(), within(CLOSE));
                    assertThat(leg.footArrow().dot(shank.times(1 / shank.length())))
                            .as("the foot lies on along the shank")
                            .isCloseTo(1, within(CLOSE));
                    Point3 belly = s.frame().front();
                    Point3 headward = s.frame().up();
                    double behind = pose.position().upright() ? shank.x() * belly.x() : shank.x() * headward.x();
                    assertThat(behind).as("behind her").isNegative();
                }
            }
        }
    }

    /** A point on a curved spine, by its place on the straight line from hip to shoulder, from 0 to 1, and its height. */
    private static void assertOnArc(Rung rung, Skeleton skeleton, Point3 at, double share) {
        Point3 straight = skeleton.hip().toward(skeleton.shoulder(), share);
        Point3 off = at.minus(straight);
        // the height of an arc of this angle over its chord is half the chord times the tangent of a quarter of it
        double sagitta =
                0.288 * H / 2 * Math.tan(Math.toRadians(skeleton.pose().trunk().spineDeg()) / 4);
        double parabola = 1 - Math.pow(2 * share - 1, 2);
        assertThat(off.dot(skeleton.frame().front()))
                .as("%s at %s, rounded to the back", rung.code(), share)
                .isCloseTo(-sagitta * parabola, within(CLOSE));
        assertThat(off.dot(skeleton.frame().up())).isCloseTo(0, within(CLOSE));
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void a_spine_curves_as_it_says_and_a_curl_comes_up_above_the_low_back(Rung rung) {
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(BODY, pose);
            double spine = pose.trunk().spineDeg();
            boolean curl =
                    pose.trunk().on() == TrunkContact.BACK && pose.trunk().neckDeg() >= 15 && spine > 0;
            if (!curl) {
                assertOnArc(rung, s, s.lowBack(), 0.25);
                assertOnArc(rung, s, s.midBack(), 0.62);
                assertThat(s.shoulder().distance(s.hip())).isCloseTo(0.288 * H, within(CLOSE));
                continue;
            }
            Point3 low = s.lowBack().minus(s.hip());
            Point3 high = s.shoulder().minus(s.lowBack());
            assertThat(low.length()).isCloseTo(0.25 * 0.288 * H, within(CLOSE));
            assertThat(high.length()).isCloseTo(0.75 * 0.288 * H, within(CLOSE));
            assertThat(angleDeg(low, high)).as(rung.code()).isCloseTo(spine, within(1e-4));
            assertThat(high.y()).as("upward").isPositive();
            // the lower ribs are 0.62 of the way: 0.37 of the 0.75 above the low back
            assertThat(s.midBack().distance(s.lowBack().toward(s.shoulder(), 0.37 / 0.75)))
                    .isLessThan(CLOSE);
        }
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void a_head_points_where_neck_and_curl_turn_it_unless_the_floor_is_there(Rung rung) {
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(BODY, pose);
            Point3 head = s.head().minus(s.shoulder());
            assertThat(head.length()).isCloseTo(0.66 * 0.182 * H, within(CLOSE));
            assertThat(s.head().y()).as("no lower than it lies").isGreaterThan(0.06 * H - CLOSE);
            double curl = pose.trunk().on() == TrunkContact.BACK && pose.trunk().neckDeg() >= 15
                    ? Math.max(0, pose.trunk().spineDeg())
                    : 0;
            double turned = pose.trunk().neckDeg() + curl;
            Point3 asked = s.frame()
                    .inTheRoom(new Point3(Math.cos(Math.toRadians(turned)), Math.sin(Math.toRadians(turned)), 0));
            if (s.head().y() > 0.06 * H + CLOSE) {
                assertThat(angleDeg(head, asked)).as(rung.code()).isCloseTo(0, within(1e-3));
            } else {
                assertThat(s.shoulder().along(asked, head.length()).y())
                        .as("it would lie lower")
                        .isLessThan(0.06 * H + CLOSE);
            }
        }
    }

    @Test
    void hips_that_hang_from_an_arm_alone_are_as_high_as_it_reaches() {
        // hanging upright from one hand on a high surface, arm straight down along the trunk: wrist, elbow, shoulder,
        // hip
        Pose hangs = new Pose(
                Position.STANDING,
                TrunkPose.on(TrunkContact.NONE),
                LegPose.free(0, 0),
                LegPose.free(0, 0),
                new ArmPose(0, 0, 0, ArmContact.HAND, 0, 0.5),
                ArmPose.free(0, 0),
                Side.LEFT);
        Skeleton s = Skeleton.of(BODY, hangs);
        // 0.52 H the wrist, the arm 0.332 H up to the shoulder, the trunk 0.288 H down to the hip
        assertThat(s.hip().y()).isCloseTo((0.52 + 0.332 - 0.288) * H, within(CLOSE));
    }

    @ParameterizedTest(name = "seated, feet {0}: hips at {1} of her height")
    @CsvSource({"NONE, 0.27", "FOOT, 0.285"})
    void one_who_sits_is_as_high_as_her_shanks(LegContact feet, double share) {
        LegPose leg = feet == LegContact.NONE ? LegPose.free(90, 90) : LegPose.on(feet, 90, 90);
        Pose sits = new Pose(
                Position.SEATED,
                TrunkPose.on(TrunkContact.SEAT),
                leg,
                leg,
                ArmPose.free(0, 0),
                ArmPose.free(0, 0),
                Side.LEFT);
        // a shank of 0.246 and an ankle of 0.039 of her height under a level thigh
        assertThat(Skeleton.of(BODY, sits).hip().y()).isCloseTo(share * H, within(CLOSE));
    }

    @ParameterizedTest(name = "at {0} degrees, spread {1}, turned {2}: {3} headward, {4} forward, {5} outward")
    @CsvSource({
        "0, 0, 0, -1, 0, 0",
        "90, 0, 0, 0, 1, 0",
        "0, 90, 0, 0, 0, 1",
        "90, 0, 30, 0, 0.866025, 0.5",
        "0, 30, 0, -0.866025, 0, 0.5",
        // spread sixty of a level thigh, turned ninety about the trunk: what was outward points to the back
        "0, 60, 90, -0.5, -0.866025, 0",
        "60, 0, 0, -0.5, 0.866025, 0"
    })
    void a_thigh_points_where_its_angles_say(
            double hip, double out, double sweep, double headward, double forward, double outward) {
        LegPose leg = new LegPose(hip, 0, sweep, out, LegContact.NONE, 0);
        for (Side side : Side.values()) {
            Point3 points = Direction.of(leg, hip, side);
            double left = side == Side.LEFT ? outward : -outward;
            assertThat(points.distance(new Point3(headward, forward, left)))
                    .as(side.name())
                    .isLessThan(CLOSE);
        }
    }
}
