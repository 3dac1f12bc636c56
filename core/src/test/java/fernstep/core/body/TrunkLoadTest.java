package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.Seeded;
import fernstep.core.measure.Side;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** The moments a pose asks of the trunk and the hips, against statics done by hand. */
class TrunkLoadTest extends LoadOfOne {
    private static final LegPose TABLETOP = LegPose.free(90, 90);

    @Nested
    class Lying_on_the_back {
        @Test
        void one_straight_leg_just_off_the_floor() {
            // thigh 7·0.433·0.4165 = 1.26241; shank 3.255·(0.4165+0.433·0.4182) = 1.94513;
            // foot 1.015·(0.4165+0.4182) = 0.84722; sum 4.05476 · 9.81 = 39.7772
            assertThat(one(LegPose.free(0, 0)).bendingNm()).isCloseTo(39.7772, within(CLOSE));
        }

        @Test
        void one_straight_leg_at_thirty_degrees() {
            // all three times cos 30°, and the foot's own offset 1.015·0.1292·cos 120° = -0.06557
            // 4.05476·0.866025 - 0.06557 = 3.44595 · 9.81 = 33.8048
            assertThat(one(LegPose.free(30, 0)).bendingNm()).isCloseTo(33.8048, within(CLOSE));
        }

        @Test
        void one_leg_at_tabletop_bends_and_turns() {
            // shank 3.255·0.433·0.4182 = 0.58942; foot 1.015·0.4182 = 0.42447; 1.01389 · 9.81 = 9.94627
            // turning 11.27 kg · 9.81 · 0.05·1.70 m = 9.3975; index 1000·√(9.946²+9.398²)/1167.39 = 11.722
            TrunkLoad load = one(TABLETOP);
            assertThat(load.bendingNm()).isCloseTo(9.94627, within(CLOSE));
            assertThat(Math.abs(load.turningNm())).isCloseTo(9.3975, within(CLOSE));
            assertThat(load.loadIndex()).isCloseTo(11.722, within(CLOSE));
        }

        @Test
        void both_legs_at_tabletop_bend_twice_as_much_and_do_not_turn() {
            TrunkLoad load = TrunkLoad.of(BODY, Pose.lying(TABLETOP, TABLETOP));
            assertThat(load.bendingNm()).isCloseTo(2 * 9.94627, within(CLOSE));
            assertThat(load.turningNm()).isCloseTo(0, within(1e-9));
        }

        @Test
        void a_sliding_heel_leaves_the_unsupported_share() {
            // knee 60°: ankle down at hip 27.237°; moment 0.030482·1167.39 = 35.584; heel 0.42470 from the hip carries
            // 0.030482/0.42470 = 0.071773 of 0.161, 44.58 %; what is left is 55.42 % of 35.584
            TrunkLoad load = one(LegPose.on(LegContact.HEEL, 30, 60));
            assertThat(load.bendingNm()).isCloseTo(19.721, within(CLOSE));
            double heelN = load.supports().stream()
                    .filter(support -> support.group() == Support.Group.LEGS)
                    .mapToDouble(Support::upN)
                    .min()
                    .orElseThrow();
            assertThat(heelN).as("the other foot carries a little more").isCloseTo(0.071773 * 70 * 9.81, within(CLOSE));
        }

        @Test
        void both_arms_overhead_with_two_kilograms_each() {
            // an arm at 150°, cos 0.86603: (0.028·0.436·0.186 + 0.016·0.24878 + 0.006·0.38665)·0.86603·1167.39 = 8.665;
            // the weight 2·9.81·0.38665·1.70·0.86603 = 11.168; twice 19.833
            Pose pose = Pose.lying(RESTING, RESTING)
                    .withArms(ArmPose.free(150, 0), ArmPose.free(150, 0))
                    .withWeights(2);
            assertThat(TrunkLoad.of(BODY, pose).bendingNm()).isCloseTo(39.667, within(CLOSE));
        }

        @Test
        void what_the_floor_carries_does_not_count() {
            LegPose quarterLeft = new LegPose(42, 90, 0, 0, LegContact.FOOT, 0.75);
            LegPose afloat = new LegPose(42, 90, 0, 0, LegContact.FOOT, 0);
            assertThat(one(quarterLeft).bendingNm()).isCloseTo(one(afloat).bendingNm() / 4, within(1e-9));
            assertThat(one(RESTING).loadIndex()).isZero();
            assertThat(one(LegPose.on(LegContact.HEEL, 0, 0)).loadIndex())
                    .as("a long leg that lies")
                    .isZero();
        }

        @Test
        void knees_that_sway_turn_by_how_far_they_lean() {
            // hip 90, knee 90, swung 30° to her left: thigh 0.100·0.433·0.245·sin 30°, the rest 0.061·0.245·sin 30°;
            // the foot's toes point up: 0.0145·0.076·sin 30°
            double oneLeg = 0.5 * (0.100 * 0.433 * 0.245 + 0.0465 * 0.245 + 0.0145 * (0.245 + 0.076));
            Pose pose = Pose.lying(
                    new LegPose(90, 90, 30, 0, LegContact.NONE, 0), new LegPose(90, 90, -30, 0, LegContact.NONE, 0));
            assertThat(Math.abs(TrunkLoad.of(BODY, pose).turningNm())).isCloseTo(2 * oneLeg * MGH, within(CLOSE));
        }
    }

    @Nested
    class Whatever_the_pose {
        static Stream<Pose> poses() {
            return Seeded.cases(60, Whatever_the_pose::any);
        }

        private static Pose any(Random random) {
            double hip = 60 + 40 * random.nextDouble();
            LegPose knee = LegPose.on(LegContact.KNEE, hip, 90);
            ArmPose hand = ArmPose.on(ArmContact.HAND, 70 + 20 * random.nextDouble(), 0)
                    .holding(random.nextInt(3));
            LegPose left = random.nextBoolean() ? knee : LegPose.free(60 * random.nextDouble(), 30);
            ArmPose rightArm = random.nextBoolean() ? hand : ArmPose.free(90 + 70 * random.nextDouble(), 10);
            return new Pose(
                    Position.HANDS_KNEES, TrunkPose.on(TrunkContact.NONE), left, knee, hand, rightArm, Side.LEFT);
        }

        private static long kneeling(Pose pose) {
            return Stream.of(pose.left(), pose.right())
                    .filter(leg -> leg.on() == LegContact.KNEE)
                    .count();
        }

        @ParameterizedTest
        @MethodSource("poses")
        void what_bears_carries_all_of_her_and_what_she_holds(Pose pose) {
            Body body = BODY.pregnant(30);
            double held = 9.81 * (pose.leftArm().heldKg() + pose.rightArm().heldKg());
            TrunkLoad load = TrunkLoad.of(body, pose);
            assertThat(load.supports().stream().mapToDouble(Support::upN).sum())
                    .as("all but the shanks and feet that lie on the mat")
                    .isCloseTo(body.weightN() + held - kneeling(pose) * 0.061 * BODY.weightN(), within(1e-9));
        }

        @ParameterizedTest
        @MethodSource("poses")
        void moments_balance_along_the_mat(Pose pose) {
            Skeleton s = Skeleton.of(BODY, pose);
            double weights = Stream.concat(Masses.upper(BODY, s).stream(), Masses.lower(BODY, s).stream())
                    .mapToDouble(weight -> weight.newtons() * weight.at().x())
                    .sum();
            double supports = TrunkLoad.of(BODY, s).supports().stream()
                    .mapToDouble(support -> support.upN() * support.at().x())
                    .sum();
            assertThat(supports).isCloseTo(weights, within(1e-9));
        }

        @ParameterizedTest
        @MethodSource("poses")
        void her_mirror_image_bends_alike_and_turns_the_other_way(Pose pose) {
            TrunkLoad load = TrunkLoad.of(BODY, pose);
            TrunkLoad mirrored = TrunkLoad.of(BODY, pose.mirrored());
            assertThat(mirrored.loadIndex()).isCloseTo(load.loadIndex(), within(1e-6));
            assertThat(mirrored.turningNm()).isCloseTo(-load.turningNm(), within(1e-6));
        }

        @ParameterizedTest
        @CsvSource({"50, 160", "90, 185", "120, 200"})
        void the_index_compares_clients_of_any_size(double kg, double cm) {
            Pose pose = Pose.lying(LegPose.free(30, 10), TABLETOP);
            assertThat(TrunkLoad.of(Body.of(kg, cm), pose).loadIndex())
                    .isCloseTo(TrunkLoad.of(BODY, pose).loadIndex(), within(1e-9));
        }

        @Test
        void lying_heels_and_trunk_carry_all_of_her() {
            TrunkLoad load = one(LegPose.on(LegContact.HEEL, 30, 60));
            assertThat(load.supports().stream().mapToDouble(Support::upN).sum())
                    .isCloseTo(BODY.weightN(), within(1e-9));
        }
    }

    @Nested
    class The_order_practitioners_know {
        @Test
        void a_leg_drawn_past_the_hip_is_lighter_than_tabletop_than_straight_high_than_straight_low() {
            assertThat(Stream.of(LegPose.free(110, 100), TABLETOP, LegPose.free(60, 0), LegPose.free(20, 0))
                            .map(pose -> one(pose).loadIndex())
                            .toList())
                    .isSorted();
        }

        /** In bending always; in the index from about 60° down: near tabletop one leg turns more than two bend. */
        @ParameterizedTest
        @CsvSource({"90, 90", "60, 30", "30, 0", "10, 0"})
        void two_legs_bend_more_than_one(double hip, double knee) {
            LegPose leg = LegPose.free(hip, knee);
            assertThat(TrunkLoad.of(BODY, Pose.lying(leg, leg)).bendingNm()).isGreaterThan(one(leg).bendingNm());
        }

        @Test
        void a_straight_leg_swept_aside_turns_more_than_a_bent_one() {
            TrunkLoad bent = one(new LegPose(90, 90, 30, 0, LegContact.NONE, 0));
            TrunkLoad straight = one(new LegPose(90, 0, 30, 0, LegContact.NONE, 0));
            assertThat(Math.abs(straight.turningNm())).isGreaterThan(Math.abs(bent.turningNm()));
        }

        /**
         * As the physics has it: a lifted arm leaves the whole front on one hand, far from the middle; a lifted leg
         * leaves the rear on one knee, close to it. The leg bends more, the opposite pair turns about as much as the arm.
         */
        @Test
        void on_hands_and_knees_an_arm_turns_more_and_a_leg_bends_more() {
            LegPose knee = LegPose.on(LegContact.KNEE, 77, 90);
            ArmPose hand = ArmPose.on(ArmContact.HAND, 77, 0);
            LegPose legBehind = LegPose.free(0, 0);
            ArmPose armAhead = ArmPose.free(165, 0);
            TrunkLoad arm = onHandsAndKnees(knee, hand, armAhead);
            TrunkLoad leg = onHandsAndKnees(legBehind, hand, hand);
            TrunkLoad pair = onHandsAndKnees(legBehind, hand, armAhead);
            assertThat(Math.abs(leg.turningNm())).isLessThan(Math.abs(arm.turningNm()));
            assertThat(Math.abs(leg.bendingNm())).isGreaterThan(Math.abs(arm.bendingNm()));
            assertThat(Math.abs(pair.turningNm()))
                    .isGreaterThan(Math.abs(leg.turningNm()))
                    .isCloseTo(Math.abs(arm.turningNm()), within(0.3 * Math.abs(arm.turningNm())));
        }

        private TrunkLoad onHandsAndKnees(LegPose left, ArmPose leftArm, ArmPose rightArm) {
            LegPose knee = LegPose.on(LegContact.KNEE, 77, 90);
            return TrunkLoad.of(
                    BODY,
                    new Pose(
                            Position.HANDS_KNEES,
                            TrunkPose.on(TrunkContact.NONE),
                            left,
                            knee,
                            leftArm,
                            rightArm,
                            Side.LEFT));
        }
    }

    @Nested
    class A_body {
        @Test
        void whose_mass_or_height_is_missing_is_assumed_and_marked() {
            assertThat(Body.of(null, 170.0)).isEqualTo(new Body(68, 1.70, 0, true));
            assertThat(BODY.assumed()).isFalse();
        }

        @ParameterizedTest
        @CsvSource({"8, 0", "12, 0", "26, 3.25", "40, 6.5", "42, 6.5"})
        void that_is_pregnant_carries_more_in_front(double week, double kg) {
            assertThat(BODY.pregnant(week).bellyKg()).isCloseTo(kg, within(1e-9));
        }

        @Test
        void that_is_pregnant_sags_more_on_hands_and_knees() {
            LegPose knee = LegPose.on(LegContact.KNEE, 90, 90);
            ArmPose hand = ArmPose.on(ArmContact.HAND, 90, 0);
            Pose pose =
                    new Pose(Position.HANDS_KNEES, TrunkPose.on(TrunkContact.NONE), knee, knee, hand, hand, Side.LEFT);
            assertThat(TrunkLoad.of(BODY.pregnant(36), pose).bendingNm())
                    .isGreaterThan(TrunkLoad.of(BODY, pose).bendingNm());
        }
    }

    @Nested
    class An_impossible_pose {
        @Test
        void has_a_joint_beyond_its_range() {
            assertThatThrownBy(() -> LegPose.free(170, 0)).hasMessage("hip was 170.0 deg, from -40 to 140 deg");
            assertThatThrownBy(() -> LegPose.free(0, -5)).hasMessageContaining("knee was -5.0 deg");
            assertThatThrownBy(() -> ArmPose.free(0, 0).holding(50)).hasMessageContaining("from 0 to 20 kg");
        }

        @Test
        void is_held_up_by_nothing() {
            LegPose up = LegPose.free(90, 90);
            ArmPose arm = ArmPose.free(90, 0);
            Pose floating =
                    new Pose(Position.HANDS_KNEES, TrunkPose.on(TrunkContact.NONE), up, up, arm, arm, Side.LEFT);
            assertThatThrownBy(() -> Skeleton.of(BODY, floating))
                    .isInstanceOf(ImpossiblePose.class)
                    .hasMessageContaining("nothing holds the body up");
        }

        @Test
        void has_a_foot_that_does_not_reach_the_floor() {
            Pose pose = new Pose(
                    Position.STANDING,
                    TrunkPose.on(TrunkContact.NONE),
                    LegPose.on(LegContact.FOOT, 60, 120),
                    LegPose.on(LegContact.FOOT, 0, 0),
                    ArmPose.free(0, 0),
                    ArmPose.free(0, 0),
                    Side.LEFT);
            assertThatThrownBy(() -> Skeleton.of(BODY, pose))
                    .isInstanceOf(ImpossiblePose.class)
                    .hasMessageContaining("does not reach the floor");
        }
    }
}
