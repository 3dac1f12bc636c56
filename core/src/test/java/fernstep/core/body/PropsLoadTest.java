package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.measure.Side;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** The moments of a pose that the floor bears in more than one place. */
class PropsLoadTest extends LoadOfOne {
    /** Shares of mass at shares of height, headward from the hips; what is above the lumbar section is marked so. */
    private static final class Sum {
        private static final double LUMBAR = 0.25 * 0.288;
        private double all;
        private double above;

        Sum above(double mass, double headward) {
            above += mass * (headward - LUMBAR);
            return below(mass, headward);
        }

        Sum below(double mass, double headward) {
            all += mass * headward;
            return this;
        }

        /** Trunk and head in one line at this pitch. */
        Sum trunk(double cosPitch) {
            return below(0.142, 0.14 * 0.288 * cosPitch)
                    .above(0.139, 0.42 * 0.288 * cosPitch)
                    .above(0.216, 0.76 * 0.288 * cosPitch)
                    .above(0.081, (0.288 + 0.091) * cosPitch);
        }
    }

    @Nested
    class Propped {
        private static final double WRIST_UNDER = 0.264; // 0.245 + 0.039 - 0.02: the trunk is level
        private static final double ARM_COS = Math.sqrt(1 - (WRIST_UNDER / 0.332) * (WRIST_UNDER / 0.332));
        private static final double HANDS = 0.288 + 0.332 * ARM_COS;
        private static final ArmPose ARM = ArmPose.on(ArmContact.HAND, 180 - Math.toDegrees(Math.acos(ARM_COS)), 0);
        private static final ArmPose LONG_ARM = ArmPose.free(180, 0);
        private static final LegPose KNEELING = LegPose.on(LegContact.KNEE, 90, 90);
        private static final LegPose LONG_LEG = LegPose.free(0, 0);

        private static Pose on(Position position, LegPose left, LegPose right, ArmPose leftArm, ArmPose rightArm) {
            return new Pose(position, TrunkPose.on(TrunkContact.NONE), left, right, leftArm, rightArm, Side.LEFT);
        }

        private static void bearingArm(Sum sum) {
            sum.above(0.028, 0.288 + 0.436 * 0.186 * ARM_COS)
                    .above(0.016, 0.288 + (0.186 + 0.430 * 0.146) * ARM_COS)
                    .above(0.006, HANDS + 0.506 * 0.108);
        }

        private static void longArm(Sum sum) {
            sum.above(0.028, 0.288 + 0.436 * 0.186)
                    .above(0.016, 0.288 + 0.186 + 0.430 * 0.146)
                    .above(0.006, 0.288 + 0.332 + 0.506 * 0.108);
        }

        /** A thigh that stands over its knee; shank and foot lie on the mat and weigh nothing on the spine. */
        private static void kneelingLeg(Sum sum) {
            sum.below(0.100, 0);
        }

        private static void longLeg(Sum sum) {
            sum.below(0.100, -0.433 * 0.245)
                    .below(0.0465, -0.245 - 0.433 * 0.246)
                    .below(0.0145, -0.491 - 0.076);
        }

        /** What the hands carry with the knees under the hips, share of body weight. */
        private static double handsCarry(Sum sum) {
            return sum.all / HANDS;
        }

        private static double bending(Sum sum) {
            return (handsCarry(sum) * (HANDS - Sum.LUMBAR) - sum.above) * MGH;
        }

        @Test
        void hands_and_knees_with_a_level_trunk() {
            Sum sum = new Sum().trunk(1);
            bearingArm(sum);
            bearingArm(sum);
            kneelingLeg(sum);
            kneelingLeg(sum);
            TrunkLoad load = TrunkLoad.of(BODY, on(Position.HANDS_KNEES, KNEELING, KNEELING, ARM, ARM));
            assertThat(load.bendingNm()).isCloseTo(bending(sum), within(CLOSE));
            assertThat(load.turningNm()).isCloseTo(0, within(1e-9));
            assertThat(load.supports())
                    .filteredOn(support -> support.group() == Support.Group.ARMS)
                    .singleElement()
                    .satisfies(
                            support -> assertThat(support.upN()).isCloseTo(handsCarry(sum) * 70 * 9.81, within(CLOSE)));
        }

        @Test
        void one_arm_lifted_turns_by_what_the_other_hand_carries() {
            Sum sum = new Sum().trunk(1);
            longArm(sum);
            bearingArm(sum);
            kneelingLeg(sum);
            kneelingLeg(sum);
            TrunkLoad load = TrunkLoad.of(BODY, on(Position.HANDS_KNEES, KNEELING, KNEELING, LONG_ARM, ARM));
            assertThat(load.bendingNm()).isCloseTo(bending(sum), within(CLOSE));
            assertThat(Math.abs(load.turningNm())).isCloseTo(handsCarry(sum) * 0.129 * MGH, within(CLOSE));
        }

        @Test
        void one_leg_behind_turns_by_what_the_other_knee_carries() {
            Sum sum = new Sum().trunk(1);
            bearingArm(sum);
            bearingArm(sum);
            longLeg(sum);
            kneelingLeg(sum);
            double knee = 1 - handsCarry(sum);
            TrunkLoad load = TrunkLoad.of(BODY, on(Position.HANDS_KNEES, LONG_LEG, KNEELING, ARM, ARM));
            assertThat(load.bendingNm()).isCloseTo(bending(sum), within(CLOSE));
            assertThat(Math.abs(load.turningNm())).isCloseTo(knee * 0.05 * MGH, within(CLOSE));
        }

        @Test
        void arm_and_opposite_leg_rarely_balance() {
            Sum sum = new Sum().trunk(1);
            bearingArm(sum);
            longArm(sum);
            longLeg(sum);
            kneelingLeg(sum);
            double hand = handsCarry(sum);
            TrunkLoad load = TrunkLoad.of(BODY, on(Position.HANDS_KNEES, LONG_LEG, KNEELING, ARM, LONG_ARM));
            assertThat(load.bendingNm()).isCloseTo(bending(sum), within(CLOSE));
            assertThat(Math.abs(load.turningNm()))
                    .as("the larger side of what hand and knee turn")
                    .isCloseTo(Math.max(hand * 0.129, (1 - hand) * 0.05) * MGH, within(CLOSE));
        }

        /** Headward of the hips: so far along the trunk's line and so far in front of it, at this pitch. */
        private static double headward(double pitch, double along, double front) {
            return along * Math.cos(pitch) + front * Math.sin(pitch);
        }

        /** Forearm and hand, and shank and foot, of one side: on the mat they weigh nothing on the spine. */
        private static final double FOREARM_AND_HAND = 0.022;

        private static final double SHANK_AND_FOOT = 0.061;

        private static double bendingBetween(Sum sum, double arms, double legs, double cosPitch, double onTheMat) {
            double carried = (sum.all - (1 - onTheMat) * legs) / (arms - legs);
            return (carried * (arms - Sum.LUMBAR * cosPitch) - sum.above) * MGH;
        }

        /** Like {@link Sum#trunk} but the lumbar section lies nearer by the cosine. */
        private static Sum pitched(double p) {
            Sum sum = new Sum();
            sum.trunk(Math.cos(p));
            sum.above += (0.139 + 0.216 + 0.081) * (Sum.LUMBAR - Sum.LUMBAR * Math.cos(p));
            return sum;
        }

        private static void above(Sum sum, double p, double mass, double headward) {
            sum.all += mass * headward;
            sum.above += mass * (headward - Sum.LUMBAR * Math.cos(p));
        }

        private static void forearms(Sum sum, double p, double along, double front) {
            for (int i = 0; i < 2; i++) {
                above(sum, p, 0.028, headward(p, 0.288 + 0.436 * 0.186 * along, 0.436 * 0.186 * front));
            }
        }

        @Test
        void a_plank_on_forearms_and_toes() {
            double a = Math.toRadians(81);
            double alongDiff = 0.288 - 0.186 * Math.cos(a) + 0.491;
            double frontDiff = 0.186 * Math.sin(a);
            double p = Math.asin((0.025 - 0.095) / Math.hypot(alongDiff, frontDiff)) + Math.atan2(frontDiff, alongDiff);
            Sum sum = pitched(p);
            forearms(sum, p, -Math.cos(a), Math.sin(a));
            for (int i = 0; i < 2; i++) {
                sum.below(0.100, -0.433 * 0.245 * Math.cos(p))
                        .below(0.0465, -(0.245 + 0.433 * 0.246) * Math.cos(p))
                        .below(0.0145, headward(p, -0.491, 0.076));
            }
            double arms = headward(p, 0.288 - 0.186 * Math.cos(a), 0.186 * Math.sin(a)) + 0.073;
            double toes = -0.491 * Math.cos(p) + 0.071;
            LegPose leg = LegPose.on(LegContact.TOES, 0, 0);
            ArmPose arm = ArmPose.on(ArmContact.FOREARM, 81, 90);
            TrunkLoad load = TrunkLoad.of(BODY, on(Position.HANDS_KNEES, leg, leg, arm, arm));
            assertThat(load.bendingNm())
                    .isPositive()
                    .isCloseTo(bendingBetween(sum, arms, toes, Math.cos(p), 2 * FOREARM_AND_HAND), within(CLOSE));
        }

        @Test
        void a_plank_on_forearms_and_knees_asks_less_than_a_full_one() {
            double a = Math.toRadians(71);
            double alongDiff = 0.288 - 0.186 * Math.cos(a) + 0.245;
            double frontDiff = 0.186 * Math.sin(a);
            double p = Math.asin((0.025 - 0.039) / Math.hypot(alongDiff, frontDiff)) + Math.atan2(frontDiff, alongDiff);
            Sum sum = pitched(p);
            forearms(sum, p, -Math.cos(a), Math.sin(a));
            double knees = -0.245 * Math.cos(p);
            for (int i = 0; i < 2; i++) {
                sum.below(0.100, 0.433 * knees);
            }
            double arms = headward(p, 0.288 - 0.186 * Math.cos(a), 0.186 * Math.sin(a)) + 0.073;
            LegPose leg = LegPose.on(LegContact.KNEE, 0, 0);
            ArmPose arm = ArmPose.on(ArmContact.FOREARM, 71, 90);
            TrunkLoad load = TrunkLoad.of(BODY, on(Position.HANDS_KNEES, leg, leg, arm, arm));
            assertThat(load.bendingNm())
                    .isPositive()
                    .isCloseTo(
                            bendingBetween(sum, arms, knees, Math.cos(p), 2 * FOREARM_AND_HAND + 2 * SHANK_AND_FOOT),
                            within(CLOSE));
        }

        @Test
        void a_hover_with_the_knees_just_off_the_floor() {
            double a = Math.toRadians(79);
            double k = Math.toRadians(79 - 99);
            double ankleAlong = -0.245 * Math.cos(a) - 0.246 * Math.cos(k);
            double ankleFront = 0.245 * Math.sin(a) + 0.246 * Math.sin(k);
            double alongDiff = 0.288 - 0.332 * Math.cos(a) - ankleAlong;
            double frontDiff = 0.332 * Math.sin(a) - ankleFront;
            double p = Math.asin((0.02 - 0.095) / Math.hypot(alongDiff, frontDiff)) + Math.atan2(frontDiff, alongDiff);
            Sum sum = pitched(p);
            double wrist = headward(p, 0.288 - 0.332 * Math.cos(a), 0.332 * Math.sin(a));
            for (int i = 0; i < 2; i++) {
                above(sum, p, 0.028, headward(p, 0.288 - 0.436 * 0.186 * Math.cos(a), 0.436 * 0.186 * Math.sin(a)));
                double forearm = 0.186 + 0.430 * 0.146;
                above(sum, p, 0.016, headward(p, 0.288 - forearm * Math.cos(a), forearm * Math.sin(a)));
                above(sum, p, 0.006, wrist + 0.506 * 0.108);
                sum.below(0.100, headward(p, -0.433 * 0.245 * Math.cos(a), 0.433 * 0.245 * Math.sin(a)))
                        .below(
                                0.0465,
                                headward(
                                        p,
                                        -0.245 * Math.cos(a) - 0.433 * 0.246 * Math.cos(k),
                                        0.245 * Math.sin(a) + 0.433 * 0.246 * Math.sin(k)))
                        // the foot stands square to the shank, toes on the shin's side
                        .below(0.0145, headward(p, ankleAlong + 0.076 * Math.sin(k), ankleFront + 0.076 * Math.cos(k)));
            }
            double toes = headward(p, ankleAlong, ankleFront) + 0.071;
            LegPose leg = LegPose.on(LegContact.TOES, 79, 99);
            ArmPose arm = ArmPose.on(ArmContact.HAND, 79, 0);
            TrunkLoad load = TrunkLoad.of(BODY, on(Position.HANDS_KNEES, leg, leg, arm, arm));
            assertThat(load.bendingNm())
                    .isPositive()
                    .isCloseTo(bendingBetween(sum, wrist, toes, Math.cos(p), 0), within(CLOSE));
        }

        private double side(double armOut, boolean longLever) {
            double o = Math.toRadians(armOut);
            double leg = longLever ? 0.491 : 0.245;
            double alongDiff = 0.288 - 0.186 * Math.cos(o) + leg;
            double downDiff = 0.129 + 0.186 * Math.sin(o) - 0.05;
            double p = Math.asin((0.025 - 0.039) / Math.hypot(alongDiff, downDiff)) + Math.atan2(downDiff, alongDiff);
            Sum sum = pitched(p);
            // the lower arm under her, its forearm toward the one who looks; the upper arm along the trunk
            double elbow = headward(p, 0.288 - 0.186 * Math.cos(o), 0.129 + 0.186 * Math.sin(o));
            above(sum, p, 0.028, headward(p, 0.288 - 0.436 * 0.186 * Math.cos(o), 0.129 + 0.436 * 0.186 * Math.sin(o)));
            above(sum, p, 0.028, headward(p, 0.288 - 0.436 * 0.186, -0.129));
            above(sum, p, 0.016, headward(p, 0.288 - 0.186 - 0.430 * 0.146, -0.129));
            above(sum, p, 0.006, headward(p, 0.288 - 0.332 - 0.506 * 0.108, -0.129));
            for (double down : new double[] {0.05, -0.05}) {
                sum.below(0.100, headward(p, -0.433 * 0.245, down));
                if (longLever) {
                    sum.below(0.0465, headward(p, -0.245 - 0.433 * 0.246, down))
                            .below(0.0145, headward(p, -0.491, down));
                } else if (down < 0) {
                    // the upper shank goes back, away from the one who looks, its foot square; the lower lies on the
                    // mat
                    sum.below(0.0465, headward(p, -0.245, down)).below(0.0145, headward(p, -0.245 - 0.076, down));
                }
            }
            double rear = headward(p, -leg, 0.05);
            return bendingBetween(sum, elbow, rear, Math.cos(p), FOREARM_AND_HAND + (longLever ? 0 : SHANK_AND_FOOT));
        }

        private static TrunkLoad sideSupport(double armOut, LegPose lower, LegPose upper) {
            ArmPose under = new ArmPose(0, 90, armOut, ArmContact.FOREARM, 0, 0);
            return TrunkLoad.of(BODY, on(Position.SIDE, lower, upper, under, ArmPose.free(0, 0)));
        }

        @Test
        void side_supports_bend_sideways_and_the_long_one_more() {
            TrunkLoad shortOne = sideSupport(68, LegPose.on(LegContact.KNEE, 0, 90), LegPose.free(0, 90));
            TrunkLoad longOne = sideSupport(75, LegPose.on(LegContact.FOOT, 0, 0), LegPose.free(0, 0));
            assertThat(Math.abs(shortOne.lateralNm())).isCloseTo(side(68, false), within(CLOSE));
            assertThat(Math.abs(longOne.lateralNm())).isCloseTo(side(75, true), within(CLOSE));
            assertThat(shortOne.loadIndex()).isLessThan(longOne.loadIndex());
        }

        @Test
        void a_bridge_is_held_by_the_back_line() {
            double h = Math.toRadians(6);
            double k = Math.toRadians(6 - 100);
            double footAlong = -0.245 * Math.cos(h) - 0.246 * Math.cos(k);
            double footFront = 0.245 * Math.sin(h) + 0.246 * Math.sin(k);
            double alongDiff = 0.288 - footAlong;
            double p = Math.asin((0.06 - 0.039) / Math.hypot(alongDiff, footFront)) + Math.atan2(footFront, alongDiff);
            Sum sum = pitched(p);
            // the head lies level on the floor, not in the trunk's line
            sum.all += 0.081 * 0.091 * (1 - Math.cos(p));
            sum.above += 0.081 * 0.091 * (1 - Math.cos(p));
            for (int i = 0; i < 2; i++) {
                sum.below(0.100, headward(p, -0.433 * 0.245 * Math.cos(h), -0.433 * 0.245 * Math.sin(h)))
                        .below(
                                0.0465,
                                headward(
                                        p,
                                        -0.245 * Math.cos(h) - 0.433 * 0.246 * Math.cos(k),
                                        -0.245 * Math.sin(h) - 0.433 * 0.246 * Math.sin(k)))
                        .below(0.0145, headward(p, footAlong, -footFront) - 0.076);
            }
            double feet = headward(p, footAlong, -footFront);
            double shoulders = 0.288 * Math.cos(p);
            // arms lie on the floor, so 0.9 of her weight rests on shoulders and feet
            double carried = (sum.all - 0.9 * feet) / (shoulders - feet);
            double expected = carried * (shoulders - Sum.LUMBAR * Math.cos(p)) - sum.above;
            Pose pose = Pose.lying(LegPose.on(LegContact.FOOT, 6, 100), LegPose.on(LegContact.FOOT, 6, 100))
                    .withArms(ArmPose.on(ArmContact.HAND, -15, 0), ArmPose.on(ArmContact.HAND, -15, 0));
            assertThat(TrunkLoad.of(BODY, pose).bendingNm()).isNegative().isCloseTo(-expected * MGH, within(CLOSE));
        }
    }
}
