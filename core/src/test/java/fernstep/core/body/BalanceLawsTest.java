package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Masses.Weight;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Loads of every pose of the catalogue against statics worked out another way: from the other side of the cut, by heights. */
class BalanceLawsTest {
    private static final Body BODY = Body.of(70.0, 170.0).pregnant(24);
    private static final double CLOSE = 1e-6;

    static Stream<Rung> rungs() {
        return ShippedCatalogue.CATALOGUE.rungs().stream();
    }

    private static List<Pose> poses(Rung rung, Predicate<Pose> which) {
        List<Pose> all = new ArrayList<>();
        for (double range : new double[] {0, 0.55, 1}) {
            for (double share : new double[] {0, 0.45, 1}) {
                Pose pose = rung.movement().during(range, share);
                Stream.of(pose, pose.mirrored()).filter(which).forEach(all::add);
            }
        }
        return all;
    }

    private static boolean lies(Pose pose) {
        return switch (pose.trunk().on()) {
            case BACK -> Skeleton.of(BODY, pose).pitchDeg() >= 0;
            case FRONT, FLANK -> true;
            case SEAT, NONE -> false;
        };
    }

    private static Point3 cross(Point3 point, Point3 other) {
        return new Point3(
                point.y() * other.z() - point.z() * other.y(),
                point.z() * other.x() - point.x() * other.z(),
                point.x() * other.y() - point.y() * other.x());
    }

    /** What acts on her below the cut at the low back, about it: weights down, what bears up and level. */
    private static Point3 belowTheCut(Skeleton skeleton, TrunkLoad load) {
        Point3 moment = Point3.ORIGIN;
        for (Weight w : Masses.lower(BODY, skeleton)) {
            moment = moment.plus(cross(w.at().minus(skeleton.lumbar()), new Point3(0, -w.newtons(), 0)));
        }
        for (Support support : load.supports()) {
            boolean above = support.ofUpperBody() || support.group() == Support.Group.ARMS;
            if (!above) {
                Point3 force = new Point3(support.sideN(), support.upN(), 0);
                moment = moment.plus(cross(support.at().minus(skeleton.lumbar()), force));
            }
        }
        return moment;
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void propped_the_cut_at_the_low_back_is_loaded_alike_from_above_and_from_below(Rung rung) {
        for (Pose pose : poses(rung, each -> !lies(each))) {
            Skeleton s = Skeleton.of(BODY, pose);
            TrunkLoad load = TrunkLoad.of(BODY, s);
            double borne = 1 - pose.trunk().cushionShare();
            Point3 below = belowTheCut(s, load);
            // from above it differs by what nobody balances, which turns about the long axis of the mat
            double unbalanced = unbalancedNm(s, load);
            assertThat(load.bendingNm())
                    .as("%s bending", rung.code())
                    .isCloseTo(
                            borne
                                    * (below.dot(s.frame().left())
                                            - unbalanced * s.frame().left().x()),
                            within(CLOSE));
            assertThat(load.lateralNm())
                    .as("%s sideways", rung.code())
                    .isCloseTo(
                            borne
                                    * (unbalanced * s.frame().front().x()
                                            - below.dot(s.frame().front())),
                            within(CLOSE));
            // about her own long axis it acts on one of the two: the worse counts
            double fromBelow = -below.dot(s.frame().up());
            double fromAbove = fromBelow + unbalanced * s.frame().up().x();
            assertThat(Math.abs(load.turningNm()))
                    .as("%s turning", rung.code())
                    .isCloseTo(borne * Math.max(Math.abs(fromBelow), Math.abs(fromAbove)), within(CLOSE));
            if (Math.abs(Math.abs(fromBelow) - Math.abs(fromAbove)) > CLOSE) {
                assertThat(load.turningNm())
                        .isCloseTo(
                                borne * (Math.abs(fromBelow) > Math.abs(fromAbove) ? fromBelow : fromAbove),
                                within(CLOSE));
            }
        }
    }

    private static List<Weight> weights(Skeleton skeleton) {
        List<Weight> all = new ArrayList<>(Masses.upperTrunk(BODY, skeleton));
        boolean onBack = skeleton.pose().trunk().on() == TrunkContact.BACK;
        for (Side side : Side.values()) {
            ArmPose arm = skeleton.pose().arm(side);
            if (!(onBack && arm.bears())) {
                all.addAll(Masses.hangingArm(BODY, skeleton.arm(side), arm));
            }
        }
        all.addAll(Masses.lower(BODY, skeleton));
        return all;
    }

    private static double momentAcross(Skeleton skeleton) {
        return weights(skeleton).stream()
                .mapToDouble(weight -> weight.newtons() * weight.at().z())
                .sum();
    }

    private static double unbalancedNm(Skeleton skeleton, TrunkLoad load) {
        double held = load.supports().stream()
                .filter(support -> support.ofUpperBody() || support.group() != Support.Group.ARMS)
                .mapToDouble(support -> support.upN() * support.at().z())
                .sum();
        return momentAcross(skeleton) - held;
    }

    /** Where limbs of a group touch, across the mat. */
    private static DoubleSummaryStatistics across(Skeleton skeleton, Support support) {
        DoubleSummaryStatistics z = new DoubleSummaryStatistics();
        switch (support.group()) {
            case TRUNK -> {
                double half = skeleton.pose().trunk().on() == TrunkContact.SEAT ? 0.05 * 1.70 : 0.129 * 1.70;
                z.accept(-half);
                z.accept(half);
            }
            case ARMS -> {
                for (Side side : Side.values()) {
                    ArmContact on = skeleton.pose().arm(side).on();
                    Skeleton.Arm arm = skeleton.arm(side);
                    if (on == ArmContact.HAND) {
                        z.accept(arm.wrist().z());
                    } else if (on == ArmContact.FOREARM) {
                        z.accept((arm.elbow().z() + arm.wrist().z()) / 2);
                    }
                }
            }
            case LEGS -> {
                for (Side side : Side.values()) {
                    Skeleton.Leg leg = skeleton.leg(side);
                    switch (skeleton.pose().leg(side).on()) {
                        case KNEE -> z.accept(leg.knee().z());
                        case TOES -> z.accept(leg.toe().z());
                        case FOOT, HEEL -> z.accept(leg.ankle().z());
                        case NONE, WALL -> {}
                    }
                }
            }
            case WALL -> throw new IllegalArgumentException("a wall carries nothing");
        }
        return z;
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void propped_each_group_carries_within_its_contacts_and_balances_all_it_can(Rung rung) {
        for (Pose pose : poses(rung, each -> !lies(each))) {
            Skeleton s = Skeleton.of(BODY, pose);
            TrunkLoad load = TrunkLoad.of(BODY, s);
            double least = 0;
            double most = 0;
            boolean onBack = pose.trunk().on() == TrunkContact.BACK;
            for (Support p : load.supports()) {
                if (p.group() == Support.Group.WALL || (onBack && p.group() == Support.Group.ARMS)) {
                    continue;
                }
                DoubleSummaryStatistics z = across(s, p);
                assertThat(p.at().z())
                        .as("%s %s", rung.code(), p.group())
                        .isBetween(z.getMin() - CLOSE, z.getMax() + CLOSE);
                least += Math.min(p.upN() * z.getMin(), p.upN() * z.getMax());
                most += Math.max(p.upN() * z.getMin(), p.upN() * z.getMax());
            }
            double pulls = momentAcross(s);
            double beyond = pulls > most ? pulls - most : pulls < least ? pulls - least : 0;
            assertThat(unbalancedNm(s, load)).as(rung.code()).isCloseTo(beyond, within(CLOSE));
        }
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void alone_a_group_carries_under_her_weight_and_against_a_wall_the_feet_carry_under_themselves(Rung rung) {
        for (Pose pose :
                poses(RungForm.OFF_THE_FLOOR.of(rung), each -> each.position().upright())) {
            Skeleton s = Skeleton.of(BODY, pose);
            List<Support> supports = TrunkLoad.of(BODY, s).supports();
            List<Weight> weights = weights(s);
            double weight = weights.stream().mapToDouble(Weight::newtons).sum();
            double centre = weights.stream()
                            .mapToDouble(each -> each.newtons() * each.at().x())
                            .sum()
                    / weight;
            if (supports.size() == 1) {
                assertThat(supports.get(0).at().x()).as(rung.code()).isCloseTo(centre, within(CLOSE));
                assertThat(supports.get(0).group())
                        .isEqualTo(pose.trunk().on() == TrunkContact.SEAT ? Support.Group.TRUNK : Support.Group.LEGS);
                assertThat(supports.get(0).ofUpperBody()).isFalse();
            }
            Support wall = supports.stream()
                    .filter(support -> support.group() == Support.Group.WALL)
                    .findFirst()
                    .orElse(null);
            if (wall != null) {
                Support feet = supports.stream()
                        .filter(support -> support.group() == Support.Group.LEGS)
                        .findFirst()
                        .orElseThrow();
                double handsX = 0;
                double handsY = 0;
                double feetX = 0;
                int hands = 0;
                int legs = 0;
                for (Side side : Side.values()) {
                    if (pose.arm(side).on() == ArmContact.WALL) {
                        handsX += s.arm(side).wrist().x();
                        handsY += s.arm(side).wrist().y();
                        hands++;
                    }
                    LegContact on = pose.leg(side).on();
                    if (on.onFloor()) {
                        Skeleton.Leg leg = s.leg(side);
                        Point3 touches =
                                on == LegContact.KNEE ? leg.knee() : on == LegContact.TOES ? leg.toe() : leg.ankle();
                        feetX += touches.x();
                        legs++;
                    }
                }
                assertThat(wall.at().x()).isCloseTo(handsX / hands, within(CLOSE));
                assertThat(wall.at().y()).isCloseTo(handsY / hands, within(CLOSE));
                assertThat(wall.upN()).isZero();
                assertThat(wall.sideN()).isNotPositive();
                assertThat(feet.upN()).isCloseTo(weight, within(CLOSE));
                if (wall.sideN() < 0) {
                    assertThat(feet.at().x()).as(rung.code()).isCloseTo(feetX / legs, within(CLOSE));
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void lying_what_bears_balances_across_the_mat_too(Rung rung) {
        for (Pose pose : poses(rung, BalanceLawsTest::lies)) {
            Skeleton s = Skeleton.of(BODY, pose);
            List<Weight> all = new ArrayList<>(Masses.upper(BODY, s));
            all.addAll(Masses.lower(BODY, s));
            double pulls = all.stream()
                    .mapToDouble(weight -> weight.newtons() * weight.at().z())
                    .sum();
            double held = TrunkLoad.of(BODY, s).supports().stream()
                    .mapToDouble(support -> support.upN() * support.at().z())
                    .sum();
            assertThat(held).as(rung.code()).isCloseTo(pulls, within(CLOSE));
        }
    }

    /** Height of what a limb weighs, times its weight, N·m: by how it grows with an angle, its moment is known. */
    private static double energy(List<Weight> weights) {
        return weights.stream()
                .mapToDouble(weight -> weight.newtons() * weight.at().y())
                .sum();
    }

    private static double perRadian(double more, double less, double deg) {
        return (more - less) / Math.toRadians(2 * deg);
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void on_the_back_free_limbs_bend_by_the_work_of_lifting_them(Rung rung) {
        double step = 1e-3;
        for (Pose pose :
                poses(rung, each -> each.trunk().on() == TrunkContact.BACK && lies(each) && freeOrWaiting(each))) {
            double bending = 0;
            double turning = 0;
            Skeleton s = Skeleton.of(BODY, pose);
            for (Side side : Side.values()) {
                if (!pose.leg(side).bears()) {
                    List<Weight> more =
                            Masses.leg(BODY, withHip(pose, side, step).leg(side));
                    List<Weight> less =
                            Masses.leg(BODY, withHip(pose, side, -step).leg(side));
                    bending += perRadian(energy(more), energy(less), step);
                    turning += Masses.leg(BODY, s.leg(side)).stream()
                            .mapToDouble(
                                    weight -> weight.newtons() * weight.at().z())
                            .sum();
                }
                ArmPose arm = pose.arm(side);
                boolean rests = arm.bears() || Math.abs(arm.shoulderDeg()) <= 10;
                if (!rests) {
                    List<Weight> more = arm(pose, side, step);
                    List<Weight> less = arm(pose, side, -step);
                    bending -= perRadian(energy(more), energy(less), step);
                    turning += Masses.arm(BODY, s.arm(side), arm.heldKg()).stream()
                            .mapToDouble(
                                    weight -> weight.newtons() * weight.at().z())
                            .sum();
                }
            }
            TrunkLoad load = TrunkLoad.of(BODY, s);
            assertThat(load.bendingNm()).as("%s bending", rung.code()).isCloseTo(bending, within(1e-3));
            assertThat(load.turningNm()).as("%s turning", rung.code()).isCloseTo(turning, within(CLOSE));
        }
    }

    /** Head down, legs either free and not turned aside or at rest with the floor carrying all of them. */
    private static boolean freeOrWaiting(Pose pose) {
        boolean headLifted = pose.trunk().neckDeg() >= 15;
        return !headLifted
                && Stream.of(pose.left(), pose.right())
                        .allMatch(legPose -> legPose.bears()
                                ? legPose.on() == LegContact.FOOT && legPose.floorShare() == 1
                                : legPose.sweepDeg() == 0 && legPose.outDeg() == 0)
                && Stream.of(pose.leftArm(), pose.rightArm()).allMatch(armPose -> armPose.outDeg() == 0)
                && Stream.of(Side.values())
                        .allMatch(side ->
                                Skeleton.of(BODY, pose).arm(side).fingertip().y() > 0.001);
    }

    private static Skeleton withHip(Pose pose, Side side, double byDeg) {
        LegPose turned = pose.leg(side).withHip(pose.leg(side).hipDeg() + byDeg);
        return Skeleton.of(
                BODY, side == Side.LEFT ? pose.withLegs(turned, pose.right()) : pose.withLegs(pose.left(), turned));
    }

    private static List<Weight> arm(Pose pose, Side side, double byDeg) {
        ArmPose a = pose.arm(side);
        ArmPose turned = new ArmPose(a.shoulderDeg() + byDeg, a.elbowDeg(), 0, a.on(), a.heldKg(), a.surfaceShare());
        Pose with = side == Side.LEFT ? pose.withArms(turned, pose.rightArm()) : pose.withArms(pose.leftArm(), turned);
        return Masses.arm(BODY, Skeleton.of(BODY, with).arm(side), a.heldKg());
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void a_curl_hangs_from_the_last_rib_by_how_far_the_blades_are_clear(Rung rung) {
        for (Pose pose : poses(rung, each -> each.trunk().on() == TrunkContact.BACK && lies(each) && legsRest(each))) {
            if (pose.trunk().neckDeg() < 15) {
                continue;
            }
            Skeleton s = Skeleton.of(BODY, pose);
            // flat on the back her head is toward minus x
            double hinge = -s.hip().x() * 0.3 - s.shoulder().x() * 0.7;
            double clear = Math.min(25, Math.max(0, pose.trunk().spineDeg())) / 25;
            double hangs =
                    Masses.head(BODY, s).newtons() * (-Masses.head(BODY, s).at().x() - hinge);
            List<Weight> upper = new ArrayList<>(List.of(Masses.thorax(BODY, s)));
            for (Side side : Side.values()) {
                upper.addAll(Masses.arm(BODY, s.arm(side), pose.arm(side).heldKg()));
            }
            for (Weight w : upper) {
                hangs += clear * w.newtons() * (-w.at().x() - hinge);
            }
            assertThat(TrunkLoad.of(BODY, s).bendingNm()).as(rung.code()).isCloseTo(hangs, within(CLOSE));
        }
    }

    private static boolean legsRest(Pose pose) {
        return Stream.of(pose.left(), pose.right())
                .allMatch(legPose -> legPose.on() == LegContact.FOOT && legPose.floorShare() == 1);
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void face_down_the_back_line_holds_the_heavier_of_legs_and_chest(Rung rung) {
        for (Pose pose : poses(rung, each -> each.trunk().on() == TrunkContact.FRONT)) {
            Skeleton s = Skeleton.of(BODY, pose);
            double legs = 0;
            double arms = 0;
            double turning = 0;
            for (Side side : Side.values()) {
                if (!pose.leg(side).bears()) {
                    for (Weight w : Masses.leg(BODY, s.leg(side))) {
                        legs += w.newtons() * w.at().x();
                        turning += w.newtons() * w.at().z();
                    }
                }
                ArmPose arm = pose.arm(side);
                if (!arm.bears() && Math.abs(arm.shoulderDeg()) > 10) {
                    for (Weight w : Masses.arm(BODY, s.arm(side), arm.heldKg())) {
                        arms += w.newtons() * (s.arm(side).shoulder().x() - w.at().x());
                        turning += w.newtons() * w.at().z();
                    }
                }
            }
            double chest = 0;
            if (s.pitchDeg() > 2) {
                double section = -s.lumbar().x();
                double upper = 0;
                double about = 0;
                for (Weight w : Masses.upper(BODY, s)) {
                    upper += w.newtons();
                    about += w.newtons() * -w.at().x();
                }
                chest = about - upper * section;
                if (pose.leftArm().on().onFloor()) {
                    double elbow = -s.leftArm().elbow().x();
                    double push = about / elbow;
                    chest = Math.abs(chest - push * (elbow - section));
                }
            }
            if (Stream.of(pose.left(), pose.right()).noneMatch(BalanceLawsTest::partlyCarried)) {
                TrunkLoad load = TrunkLoad.of(BODY, s);
                assertThat(load.bendingNm())
                        .as(rung.code())
                        .isCloseTo(-Math.max(legs, chest + Math.max(0, arms)), within(CLOSE));
                assertThat(load.turningNm()).as(rung.code()).isCloseTo(turning, within(CLOSE));
                assertThat(load.lateralNm()).isZero();
            }
        }
    }

    private static boolean partlyCarried(LegPose leg) {
        return leg.on() == LegContact.TOES || (leg.on().onFloor() && leg.floorShare() < 1);
    }
}
