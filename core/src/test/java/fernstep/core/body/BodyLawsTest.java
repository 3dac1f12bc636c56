package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Masses.Weight;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds for every body in every pose of the catalogue: bones keep their length, and what bears balances what weighs. */
class BodyLawsTest {
    private static final double EXACT = 1e-9;

    static Stream<Rung> rungs() {
        return ShippedCatalogue.CATALOGUE.rungs().stream();
    }

    private static Body body() {
        return Body.of(70.0, 170.0);
    }

    private static List<Pose> poses(Rung rung) {
        List<Pose> all = new ArrayList<>();
        for (double range : new double[] {0, 0.6, 1}) {
            for (double share : new double[] {0, 0.4, 1}) {
                all.add(rung.movement().during(range, share));
            }
        }
        return all;
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void bones_keep_their_length(Rung rung) {
        double h = 1.70;
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(body(), pose);
            boolean rounded = s.headLifted() && pose.trunk().spineDeg() > 0;
            assertThat(s.hip().distance(s.shoulder()))
                    .as("%s trunk, nearer only where it is rounded", rung.code())
                    .isCloseTo(0.288 * h, within(rounded ? 0.03 * h : 1e-6));
            for (Side side : Side.values()) {
                Skeleton.Leg leg = s.leg(side);
                assertThat(leg.hip().distance(leg.knee()))
                        .as("%s thigh", rung.code())
                        .isCloseTo(0.245 * h, within(1e-6));
                assertThat(leg.knee().distance(leg.ankle()))
                        .as("%s shank", rung.code())
                        .isCloseTo(0.246 * h, within(1e-6));
                assertThat(leg.footArrow().length()).isCloseTo(1, within(1e-6));
                Skeleton.Arm arm = s.arm(side);
                assertThat(arm.shoulder().distance(arm.elbow()))
                        .as("%s arm", rung.code())
                        .isCloseTo(0.186 * h, within(1e-6));
                assertThat(arm.elbow().distance(arm.wrist()))
                        .as("%s forearm", rung.code())
                        .isCloseTo(0.146 * h, within(1e-6));
                assertThat(arm.wrist().distance(arm.fingertip())).isCloseTo(0.108 * h, within(1e-6));
                // the hip joints lie five hundredths of her height to either side, the shoulders thirteen
                assertThat(leg.hip().distance(s.hip())).isCloseTo(0.05 * h, within(1e-6));
                assertThat(arm.shoulder().distance(s.shoulder())).isCloseTo(0.129 * h, within(1e-6));
            }
        }
    }

    /** All that weighs on what bears: kneeling shanks and bearing forearms lie on the mat themselves. */
    private static List<Weight> weighing(Body body, Skeleton skeleton) {
        List<Weight> all = new ArrayList<>(Masses.upperTrunk(body, skeleton));
        boolean lies = skeleton.pose().trunk().on() != TrunkContact.NONE
                && skeleton.pose().trunk().on() != TrunkContact.SEAT;
        for (Side side : Side.values()) {
            ArmPose arm = skeleton.pose().arm(side);
            all.addAll(
                    lies
                            ? Masses.arm(body, skeleton.arm(side), arm.heldKg())
                            : Masses.hangingArm(body, skeleton.arm(side), arm));
        }
        all.addAll(Masses.lower(body, skeleton));
        return all;
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void what_bears_balances_what_weighs(Rung rung) {
        Body body = body().pregnant(26);
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(body, pose);
            List<Weight> weights = weighing(body, s);
            List<Support> supports = TrunkLoad.of(body, s).supports();
            double up = 0;
            double side = 0;
            double along = 0;
            for (Support support : supports) {
                up += support.upN();
                side += support.sideN();
                along += support.upN() * support.at().x()
                        - support.sideN() * support.at().y();
            }
            double weight = 0;
            double pulls = 0;
            for (Weight w : weights) {
                weight += w.newtons();
                pulls += w.newtons() * w.at().x();
            }
            assertThat(up).as("%s upward", rung.code()).isCloseTo(weight, within(1e-6));
            assertThat(side).as("%s sideways", rung.code()).isCloseTo(0, within(1e-6));
            assertThat(along).as("%s about the middle of her hips", rung.code()).isCloseTo(pulls, within(1e-6));
        }
    }

    @ParameterizedTest
    @MethodSource("rungs")
    void across_the_mat_what_the_contacts_cannot_balance_is_said(Rung rung) {
        Body body = body();
        for (Pose pose : poses(rung)) {
            if (pose.trunk().on() != TrunkContact.NONE) {
                continue;
            }
            Skeleton s = Skeleton.of(body, pose);
            List<Weight> weights = weighing(body, s);
            Statics statics = Statics.propped(s, weights);
            double pulls = weights.stream()
                    .mapToDouble(weight -> weight.newtons() * weight.at().z())
                    .sum();
            double held = 0;
            for (Support support : statics.supports()) {
                if (support.group() != Support.Group.WALL) {
                    held += support.upN() * support.at().z();
                }
            }
            assertThat(held + statics.unbalancedNm()).as(rung.code()).isCloseTo(pulls, within(1e-6));
        }
    }

    /** All but the lunge: where two standing legs ask for two heights, the hips hang from the right one. */
    static Stream<Rung> mirrored() {
        return rungs().filter(rung -> !rung.code().equals("UP4"));
    }

    @ParameterizedTest
    @MethodSource("mirrored")
    void her_mirror_image_stands_on_the_other_side(Rung rung) {
        for (Pose pose : poses(rung)) {
            Skeleton s = Skeleton.of(body(), pose);
            Skeleton m = Skeleton.of(body(), pose.mirrored());
            boolean onHerSide = pose.position() == Position.SIDE;
            for (Side side : Side.values()) {
                List<Point3> here = joints(s, side);
                List<Point3> there = joints(m, side.other());
                for (int i = 0; i < here.size(); i++) {
                    Point3 p = here.get(i);
                    Point3 mirrored = onHerSide ? new Point3(-p.x(), p.y(), p.z()) : new Point3(p.x(), p.y(), -p.z());
                    assertThat(there.get(i).distance(mirrored))
                            .as("%s joint %d", rung.code(), i)
                            .isLessThan(1e-6);
                }
            }
        }
    }

    private static List<Point3> joints(Skeleton skeleton, Side side) {
        Skeleton.Leg leg = skeleton.leg(side);
        Skeleton.Arm arm = skeleton.arm(side);
        return List.of(
                leg.hip(),
                leg.knee(),
                leg.ankle(),
                leg.heel(),
                leg.toe(),
                arm.shoulder(),
                arm.elbow(),
                arm.wrist(),
                arm.fingertip(),
                skeleton.head(),
                skeleton.lowBack(),
                skeleton.midBack());
    }

    @ParameterizedTest(name = "hip {0}, knee {1}, bent by {2} more")
    @CsvSource({"30, 0, 20", "45, 10, 40", "80, 60, 30", "20, 5, 60"})
    void a_knee_bent_further_keeps_its_heel_at_its_height(double hip, double knee, double by) {
        double thigh = 0.4165;
        double shank = 0.4182;
        LegPose shorter = LegPose.free(hip, knee).shortenedBy(by, thigh, shank);
        assertThat(shorter.kneeDeg()).isEqualTo(knee + by);
        assertThat(shorter.hipDeg()).isGreaterThanOrEqualTo(hip);
        double before = thigh * sin(hip) + shank * sin(hip - knee);
        double after = thigh * sin(shorter.hipDeg()) + shank * sin(shorter.hipDeg() - shorter.kneeDeg());
        assertThat(after).isCloseTo(before, within(1e-9));
    }

    private static double sin(double deg) {
        return Math.sin(Math.toRadians(deg));
    }

    @Nested
    class A_dial_reads {
        private final LegPose resting = LegPose.on(LegContact.FOOT, 42, 90);

        private double of(Dial dial, Pose pose) {
            return dial.value(Skeleton.of(body(), pose), body());
        }

        private LegPose unloaded(double floorShare) {
            return new LegPose(42, 90, 0, 0, LegContact.FOOT, floorShare);
        }

        @Test
        void how_much_of_a_foot_is_off_the_mat() {
            Pose pose = Pose.lying(unloaded(0.8), unloaded(0.4));
            assertThat(of(Dial.UNLOAD, pose)).isCloseTo(20, within(EXACT));
            assertThat(of(Dial.SECOND_UNLOAD, pose)).isCloseTo(60, within(EXACT));
        }

        @Test
        void angles_of_the_working_side_and_of_the_trunk() {
            Pose pose = Pose.lying(new LegPose(80, 70, 20, 10, LegContact.NONE, 0), resting)
                    .withArms(new ArmPose(100, 15, 30, ArmContact.NONE, 1.5, 0), ArmPose.free(0, 0));
            assertThat(of(Dial.HIP, pose)).isCloseTo(80, within(EXACT));
            assertThat(of(Dial.KNEE, pose)).isCloseTo(70, within(EXACT));
            assertThat(of(Dial.SWEEP, pose)).isEqualTo(20);
            assertThat(of(Dial.OUT, pose)).isEqualTo(10);
            assertThat(of(Dial.SHOULDER, pose)).isEqualTo(100);
            assertThat(of(Dial.ARM_OUT, pose)).isEqualTo(30);
            assertThat(of(Dial.WEIGHT, pose)).isEqualTo(1.5);
            Pose curled = pose.withTrunk(new TrunkPose(0, 22, 30, 0, TrunkContact.BACK, 0.3));
            assertThat(of(Dial.TRUNK, curled)).as("rounded on her back").isEqualTo(22);
            assertThat(of(Dial.CUSHION, curled)).isCloseTo(30, within(EXACT));
        }

        @Test
        void the_lean_of_an_upright_trunk_and_the_height_of_what_she_leans_on() {
            Pose standing = ShippedCatalogue.CATALOGUE.postures().get("STANDING");
            Pose leaning = standing.withTrunk(new TrunkPose(12, 5, 0, 0, TrunkContact.NONE, 0));
            assertThat(of(Dial.TRUNK, leaning)).isCloseTo(12, within(EXACT));
            Pose onATable = ShippedCatalogue.CATALOGUE
                    .postures()
                    .get("ON_HANDS_AND_KNEES")
                    .withArms(
                            new ArmPose(90, 0, 0, ArmContact.HAND, 0, 0.1),
                            new ArmPose(90, 0, 0, ArmContact.HAND, 0, 0.05));
            // a tenth of 170 cm, the higher of the two
            assertThat(of(Dial.SURFACE, onATable)).isCloseTo(17, within(EXACT));
        }

        @ParameterizedTest
        @EnumSource(Dial.class)
        void in_its_own_unit_by_hand_or_by_heel(Dial dial) {
            Dial.Unit unit =
                    switch (dial) {
                        case UNLOAD, SECOND_UNLOAD, CUSHION -> Dial.Unit.PCT;
                        case SURFACE -> Dial.Unit.CM;
                        case WEIGHT -> Dial.Unit.KG;
                        default -> Dial.Unit.DEG;
                    };
            assertThat(dial.unit()).isEqualTo(unit);
            assertThat(dial.ofTheArm()).isEqualTo(dial == Dial.SHOULDER);
            assertThat(dial.ofTheLeg()).isEqualTo(dial == Dial.HIP || dial == Dial.KNEE);
        }

        @Test
        void how_high_a_hand_is() {
            Pose up = Pose.lying(resting, resting).withArms(ArmPose.free(90, 0), ArmPose.free(0, 0));
            Skeleton s = Skeleton.of(body(), up);
            // straight up from a lying shoulder: upper arm and forearm
            assertThat(s.leftArm().handHeightCm())
                    .isCloseTo(100 * (s.leftArm().shoulder().y() + 1.70 * (0.186 + 0.146)), within(1e-6));
        }
    }

    @Nested
    class A_pose {
        private final LegPose resting = LegPose.on(LegContact.FOOT, 45, 90);
        private final LegPose tabletop = LegPose.free(90, 90);
        private final ArmPose free = ArmPose.free(0, 0);

        @Test
        void with_one_limb_leaves_the_other_where_it_bears() {
            Pose both = Pose.lying(tabletop, tabletop);
            assertThat(both.oneLimb().left()).isEqualTo(tabletop);
            assertThat(both.oneLimb().right()).isEqualTo(resting);
            assertThat(both.inclined(20).oneLimb().right()).isEqualTo(resting);
            Pose onHands = ShippedCatalogue.CATALOGUE.postures().get("ON_HANDS_AND_KNEES");
            assertThat(onHands.oneLimb()).isEqualTo(onHands);
            Pose reaching = onHands.withArms(onHands.leftArm(), ArmPose.free(150, 0));
            assertThat(reaching.oneLimb().rightArm()).isEqualTo(onHands.leftArm());
        }

        @Test
        void raised_on_a_wedge_keeps_its_thighs_where_they_point() {
            Pose raised = Pose.lying(tabletop, LegPose.free(130, 90)).inclined(20);
            assertThat(raised.position()).isEqualTo(Position.INCLINED);
            assertThat(raised.trunk().pitchDeg()).isEqualTo(20);
            assertThat(raised.left().hipDeg()).isEqualTo(110);
            assertThat(raised.right().hipDeg())
                    .as("no further than a hip bends")
                    .isEqualTo(140);
        }

        @Test
        void reaches_overhead_beyond_a_hundred_and_twenty_degrees_of_either_arm() {
            Pose lying = Pose.lying(resting, resting);
            assertThat(lying.withArms(ArmPose.free(120, 0), free).reachesOverhead())
                    .isFalse();
            assertThat(lying.withArms(ArmPose.free(121, 0), free).reachesOverhead())
                    .isTrue();
            assertThat(lying.withArms(free, ArmPose.free(121, 0)).reachesOverhead())
                    .isTrue();
            Pose down = ShippedCatalogue.CATALOGUE.postures().get("FACE_DOWN");
            assertThat(down.withArms(ArmPose.free(150, 0), free).reachesOverhead())
                    .as("face down an arm overhead lies on the mat")
                    .isFalse();
        }

        @Test
        void bears_on_hands_but_in_a_bridge_they_only_lie_there() {
            Pose onHands = ShippedCatalogue.CATALOGUE.postures().get("ON_HANDS_AND_KNEES");
            assertThat(onHands.bearsOnHands()).isTrue();
            assertThat(onHands.onForearms().bearsOnHands()).isFalse();
            assertThat(onHands.withArms(ArmPose.free(90, 0), onHands.rightArm()).bearsOnHands())
                    .isTrue();
            assertThat(Pose.lying(resting, resting)
                            .withArms(ArmPose.on(ArmContact.HAND, 0, 0), free)
                            .bearsOnHands())
                    .isFalse();
        }

        @Test
        void at_lift_off_has_let_go_of_what_will_be_free_and_has_not_moved() {
            Pose off = Pose.lying(resting, resting).liftedToward(Pose.lying(tabletop, resting));
            assertThat(off.left().floorShare()).isZero();
            assertThat(off.left().hipDeg()).isEqualTo(45);
            assertThat(off.right()).isEqualTo(resting);
            Pose other = Pose.lying(resting, resting).liftedToward(Pose.lying(resting, tabletop));
            assertThat(other.right().floorShare()).isZero();
            assertThat(other.left()).isEqualTo(resting);
        }

        @Test
        void with_knees_bent_further_bends_those_that_are_free() {
            Pose shorter = Pose.lying(LegPose.free(60, 20), resting).withKneesBentBy(30, body());
            assertThat(shorter.left().kneeDeg()).isEqualTo(50);
            assertThat(shorter.right()).isEqualTo(resting);
            Pose afloat = Pose.lying(new LegPose(45, 60, 0, 0, LegContact.FOOT, 0), resting)
                    .withKneesBentBy(30, body());
            assertThat(afloat.left().kneeDeg()).isEqualTo(90);
        }

        @Test
        void that_cannot_be_says_which_joint_and_what_it_may_be() {
            assertThatThrownBy(() -> LegPose.free(141, 0)).isInstanceOfSatisfying(ImpossiblePose.class, pose -> {
                assertThat(pose.field()).isEqualTo("hip");
                assertThat(pose.allowed()).isEqualTo("from -40 to 140 deg");
                assertThat(pose).hasMessage("hip was 141.0 deg, from -40 to 140 deg");
            });
        }
    }

    @Test
    void a_rung_without_a_range_is_held_as_it_stands() {
        Pose start = Pose.lying(LegPose.on(LegContact.FOOT, 45, 90), LegPose.on(LegContact.FOOT, 45, 90));
        Pose end = Pose.lying(LegPose.free(90, 90), LegPose.on(LegContact.FOOT, 45, 90));
        Movement fixed = Movement.fixed(start, end, Dial.HIP);
        assertThat(fixed.hasRange()).isFalse();
        assertThat(fixed.startAt(0.3)).isEqualTo(start);
        assertThat(fixed.at(0.3)).isEqualTo(end);
        assertThat(fixed.dial()).isEqualTo(Dial.HIP);
        assertThat(fixed.held(body(), 1)).isEqualTo(TrunkLoad.of(body(), end));
    }

    @Test
    void a_load_mirrored_turns_the_other_way_and_weighs_the_same() {
        TrunkLoad load = new TrunkLoad(10, 4, 2, 16, List.of());
        assertThat(load.mirrored()).isEqualTo(new TrunkLoad(10, -4, 2, 16, List.of()));
        TrunkLoad back = new TrunkLoad(-30, 3, 4, 0, List.of());
        // without what the back line carries: 5 N·m of 70 kg · 9.81 · 1.70 m
        assertThat(back.frontIndex(body())).isCloseTo(1000 * 5 / (70 * 9.81 * 1.70), within(1e-9));
    }

    @Test
    void somebody_of_unknown_height_or_weight_is_of_the_usual_one() {
        assertThat(Body.of(null, 180.0).heightM()).isEqualTo(1.80);
        assertThat(Body.of(null, 180.0).massKg()).isEqualTo(68);
        assertThat(Body.of(80.0, null).heightM()).isEqualTo(1.65);
        assertThat(Body.of(80.0, null).assumed()).isTrue();
        assertThat(body().hipHalfBreadthM()).isCloseTo(0.0955 * 1.70, within(EXACT));
    }

    @Nested
    class A_point {
        private final Point3 a = new Point3(1, 2, 3);
        private final Point3 b = new Point3(10, 20, 40);

        @Test
        void is_moved_and_measured_in_each_direction_alone() {
            assertThat(a.plus(b)).isEqualTo(new Point3(11, 22, 43));
            assertThat(b.minus(a)).isEqualTo(new Point3(9, 18, 37));
            assertThat(a.times(3)).isEqualTo(new Point3(3, 6, 9));
            assertThat(a.along(b, 0.5)).isEqualTo(new Point3(6, 12, 23));
            assertThat(a.toward(b, 0.5)).isEqualTo(new Point3(5.5, 11, 21.5));
            assertThat(a.raisedBy(4)).isEqualTo(new Point3(1, 6, 3));
            assertThat(a.dot(b)).isEqualTo(170);
            assertThat(new Point3(2, 3, 6).length()).isEqualTo(7);
            assertThat(new Point3(1, 1, 1).distance(new Point3(3, 4, 7))).isEqualTo(7);
        }

        @Test
        void below_the_floor_is_turned_up_along_its_own_direction() {
            // from 3 above the mat a limb of 5 that points 4 along and 3 under it reaches the mat 4 along
            Point3 end = Floor.aboveFloor(new Point3(0, 3, 0), new Point3(3, -1, 0));
            assertThat(end.y()).isCloseTo(0, within(EXACT));
            assertThat(end.distance(new Point3(0, 3, 0))).isCloseTo(5, within(EXACT));
            assertThat(end.x()).isCloseTo(4, within(EXACT));
            Point3 free = Floor.aboveFloor(new Point3(0, 3, 0), new Point3(3, 1, 6));
            assertThat(free.distance(new Point3(3, 1, 6)))
                    .as("above it nothing changes")
                    .isLessThan(EXACT);
            assertThat(Floor.level(new Point3(3, 7, 4))).isEqualTo(new Point3(0.6, 0, 0.8));
            assertThat(Floor.onFloorUnder(a)).isEqualTo(new Point3(1, 0, 3));
            Point3 aside = Floor.noLowerThan(new Point3(0.48, -0.6, 0.64), 0.6);
            assertThat(aside.distance(new Point3(0.48, 0.6, 0.64))).isLessThan(EXACT);
            assertThat(Floor.noLowerThan(new Point3(0, -1, 0), 0.6).distance(new Point3(0.8, 0.6, 0)))
                    .isLessThan(EXACT);
        }
    }
}
