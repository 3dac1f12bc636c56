package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Masses.Weight;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Feet, contacts, and poses on their way into others, piece by piece. */
class PosesTest {
    private static final Body BODY = Body.of(60.0, 170.0);
    private static final double H = 1.70;
    private static final Point3 DOWN = new Point3(0, -1, 0);
    private static final Point3 FORWARD = new Point3(1, 0, 0);

    private static Foot foot(Position position, LegContact on, Point3 ankle, Point3 direction, Point3 shank) {
        return new Foot(BODY, position, TrunkFrame.of(position, Side.LEFT, 0), on, ankle, direction, shank);
    }

    private static void near(Point3 is, double x, double y, double z) {
        assertThat(is.x()).isCloseTo(x, within(1e-9));
        assertThat(is.y()).isCloseTo(y, within(1e-9));
        assertThat(is.z()).isCloseTo(z, within(1e-9));
    }

    @Test
    void a_standing_foot_is_flat_under_its_ankle_however_the_shank_leans() {
        for (Point3 shank : List.of(DOWN, new Point3(0.6, -0.8, 0), new Point3(-0.6, -0.8, 0))) {
            Foot foot = foot(Position.STANDING, LegContact.FOOT, new Point3(0.2, 0.039 * H, 0.1), FORWARD, shank);
            near(foot.toe(), 0.2 + 0.112 * H, 0, 0.1);
            near(foot.heel(), 0.2 - 0.04 * H, 0, 0.1);
        }
    }

    @Test
    void a_free_foot_hangs_at_the_end_of_its_shank() {
        Point3 shank = new Point3(0.6, -0.8, 0);
        Point3 ankle = new Point3(0, 1, 0);
        double a = 0.039 * H;
        Foot tipped = foot(Position.STANDING, LegContact.FOOT, ankle, new Point3(0.8, 0.6, 0), shank);
        near(tipped.toe(), 0.6 * a + 0.8 * 0.112 * H, 1 - 0.8 * a + 0.6 * 0.112 * H, 0);
        near(tipped.heel(), 0.6 * a - 0.8 * 0.04 * H, 1 - 0.8 * a - 0.6 * 0.04 * H, 0);
        Foot level = foot(Position.STANDING, LegContact.NONE, ankle, FORWARD, shank);
        near(level.toe(), 0.6 * a + 0.112 * H, 1 - 0.8 * a, 0);
        near(level.heel(), 0.6 * a - 0.04 * H, 1 - 0.8 * a, 0);
    }

    @Test
    void a_sliding_heel_lies_under_its_ankle() {
        Foot foot = foot(
                Position.SUPINE,
                LegContact.HEEL,
                new Point3(0.3, 0.06, 0.1),
                new Point3(0, 1, 0),
                new Point3(0.96, -0.28, 0));
        near(foot.heel(), 0.3, 0, 0.1);
        near(foot.toe(), 0.3, 0.152 * H, 0.1);
    }

    @Test
    void a_foot_laid_back_goes_on_from_its_ankle() {
        Point3 back = new Point3(-1, 0, 0);
        Foot foot = foot(Position.HANDS_KNEES, LegContact.KNEE, new Point3(0, 0.08, 0), back, back);
        near(foot.toe(), -0.112 * H, 0.08, 0);
        near(foot.heel(), 0.04 * H, 0.08, 0);
        double cos = 0.89;
        Point3 turned = new Point3(-cos, Math.sqrt(1 - cos * cos), 0);
        Foot almost = foot(Position.HANDS_KNEES, LegContact.KNEE, new Point3(0, 1, 0), turned, back);
        near(almost.toe(), -0.039 * H - cos * 0.112 * H, 1 + turned.y() * 0.112 * H, 0);
    }

    @Test
    void tucked_toes_stand_on_the_floor_ahead_of_the_ankle_and_the_heel_follows_the_shank() {
        Point3 ankle = new Point3(0, 0.095 * H, 0);
        Foot standing = foot(Position.STANDING, LegContact.TOES, ankle, FORWARD, DOWN);
        near(standing.toe(), 0.071 * H, 0, 0);
        near(standing.heel(), 0, 0.095 * H - 0.039 * H, 0);
        near(foot(Position.SIDE, LegContact.TOES, ankle, FORWARD, DOWN).toe(), 0, 0, 0.071 * H);
        // on hands and knees her head points along -x
        near(foot(Position.HANDS_KNEES, LegContact.TOES, ankle, FORWARD, DOWN).toe(), -0.071 * H, 0, 0);
    }

    @ParameterizedTest
    @EnumSource(LegContact.class)
    void a_leg_that_is_lifted_keeps_its_sole_where_it_was_and_nothing_else_of_what_bore(LegContact on) {
        boolean sole = on == LegContact.FOOT || on == LegContact.HEEL;
        assertThat(on.onSole()).isEqualTo(sole);
        assertThat(on.onFloor()).isEqualTo(sole || on == LegContact.TOES || on == LegContact.KNEE);
        LegPose lifted = new LegPose(45, 80, 3, 4, on, on == LegContact.NONE ? 0 : 0.7).lifted();
        assertThat(lifted).isEqualTo(new LegPose(45, 80, 3, 4, sole ? on : LegContact.NONE, 0));
    }

    @ParameterizedTest
    @EnumSource(Position.class)
    void flat_is_on_the_back_without_a_wedge(Position position) {
        assertThat(position.flat()).isEqualTo(position == Position.SUPINE);
    }

    @ParameterizedTest(name = "{0} to {1}: pitch {2}")
    @CsvSource({"BACK, FLANK, 40", "FLANK, FLANK, 25", "BACK, BACK, 25", "FLANK, BACK, 25", "NONE, FLANK, 40"})
    void rolled_onto_her_side_the_trunk_lies_as_it_will_lie(TrunkContact from, TrunkContact to, double pitch) {
        TrunkPose way = new TrunkPose(10, 0, 0, 0, from, 0).toward(new TrunkPose(40, 20, 0, 0, to, 0), 0.5);
        assertThat(way.pitchDeg()).isEqualTo(pitch);
        assertThat(way.spineDeg()).isEqualTo(10);
        assertThat(way.on()).isEqualTo(to);
        assertThat(new TrunkPose(10, 0, 0, 0, from, 0)
                        .toward(new TrunkPose(40, 20, 0, 0, to, 0), 0)
                        .pitchDeg())
                .isEqualTo(10);
    }

    private static List<Pose> posesOf(Movement movement) {
        return List.of(movement.startEasiest(), movement.start(), movement.easiest(), movement.full());
    }

    @Test
    void another_form_of_a_movement_is_that_form_of_each_of_its_poses() {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            Movement m = rung.movement();
            if (rung.position() == Position.SUPINE) {
                assertThat(posesOf(m.inclined(20)))
                        .as(rung.code())
                        .isEqualTo(posesOf(m).stream()
                                .map(pose -> pose.inclined(20))
                                .toList());
            }
            assertThat(posesOf(m.onForearms()))
                    .isEqualTo(posesOf(m).stream().map(Pose::onForearms).toList());
            assertThat(posesOf(m.oneLimb()))
                    .isEqualTo(posesOf(m).stream().map(Pose::oneLimb).toList());
            assertThat(m.onForearms().dial()).isEqualTo(m.dial());
            Movement bent = m.withKneesBent(BODY, 15);
            assertThat(posesOf(bent))
                    .isEqualTo(List.of(
                            m.startEasiest(),
                            m.start(),
                            m.easiest().withKneesBentBy(15, BODY),
                            m.full().withKneesBentBy(15, BODY)));
        }
    }

    @Test
    void a_repetition_begins_between_its_easiest_and_its_full_start() {
        int moving = 0;
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            Movement m = rung.movement();
            assertThat(m.startAt(0)).isEqualTo(m.startEasiest());
            if (!m.startEasiest().equals(m.start())) {
                moving++;
                assertThat(m.startAt(0.5)).isNotEqualTo(m.start());
                assertThat(m.startAt(0.5)).isEqualTo(m.startEasiest().toward(m.start(), 0.5));
            }
        }
        assertThat(moving).isPositive();
    }

    @Test
    void the_greatest_load_is_that_of_lift_off_of_the_end_or_of_the_way_between() {
        int before = 0;
        int between = 0;
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            for (double range : new double[] {0, 0.5, 1}) {
                Pose start = rung.movement().startAt(range);
                Pose end = rung.movement().at(range);
                double atTheEnd = TrunkLoad.of(BODY, end).loadIndex();
                double most = atTheEnd;
                if (!start.equals(end)) {
                    double off = TrunkLoad.of(BODY, start.liftedToward(end)).loadIndex();
                    most = Math.max(most, off);
                    before += off > atTheEnd + 1e-6 ? 1 : 0;
                    double[] way =
                            end.trunk().on() == TrunkContact.BACK ? new double[] {0.5} : new double[] {0.25, 0.5, 0.75};
                    for (double share : way) {
                        double there =
                                TrunkLoad.of(BODY, start.toward(end, share)).loadIndex();
                        between += there > most + 1e-6 ? 1 : 0;
                        most = Math.max(most, there);
                    }
                }
                assertThat(rung.movement().peak(BODY, range).loadIndex())
                        .as("%s at %s", rung.code(), range)
                        .isCloseTo(most, within(1e-9));
            }
        }
        assertThat(before).isPositive();
        assertThat(between).isPositive();
    }

    @Test
    void bent_knees_and_one_limb_ask_for_no_more_than_the_whole_movement() {
        Movement both = ShippedCatalogue.CATALOGUE.rung("F7").movement();
        double whole = both.peak(BODY, 1).loadIndex();
        double bent = both.peakWithKneesBent(BODY, 1, 30).loadIndex();
        double one = both.peakOfOneLimb(BODY, 1).loadIndex();
        assertThat(bent).isBetween(1.0, whole);
        assertThat(one).isBetween(1.0, whole);
        assertThat(one).isCloseTo(both.oneLimb().peak(BODY, 1).loadIndex(), within(1e-9));
    }

    @Test
    void what_a_pregnant_belly_weighs_lies_in_front_of_her_and_further_on_a_taller_woman() {
        List<Double> ahead = new ArrayList<>();
        for (double heightCm : new double[] {150, 180}) {
            Body body = Body.of(70.0, heightCm).pregnant(30);
            Skeleton s = Skeleton.of(
                    body, ShippedCatalogue.CATALOGUE.rung("UP3").movement().start());
            List<Weight> with = Masses.upperTrunk(body, s);
            List<Weight> without = Masses.upperTrunk(Body.of(70.0, heightCm), s);
            assertThat(with).hasSize(without.size() + 1);
            Point3 belly = with.get(with.size() - 1).at();
            ahead.add(belly.minus(s.hip()).dot(s.frame().front()));
        }
        assertThat(ahead.get(0)).isCloseTo(0.06 * 1.50, within(1e-9));
        assertThat(ahead.get(1)).isCloseTo(0.06 * 1.80, within(1e-9));
    }

    @ParameterizedTest(name = "trunk {0}° forward")
    @CsvSource({"0", "12", "25", "40"})
    void leaning_on_a_wall_what_pushes_level_and_what_carries_balance_her(double pitchDeg) {
        Pose upright =
                ShippedCatalogue.CATALOGUE.rung("HK1").upright().movement().full();
        assertThat(upright.leftArm().on()).isEqualTo(ArmContact.WALL);
        Pose leaning = upright.withTrunk(new TrunkPose(pitchDeg, 0, 0, 0, TrunkContact.NONE, 0));
        Skeleton s = Skeleton.of(BODY, leaning);
        List<Weight> all = new ArrayList<>(Masses.upper(BODY, s));
        all.addAll(Masses.lower(BODY, s));
        double weight = all.stream().mapToDouble(Weight::newtons).sum();
        double turning =
                all.stream().mapToDouble(each -> each.newtons() * each.at().x()).sum();
        double ankles = (s.left().ankle().x() + s.right().ankle().x()) / 2;
        double hands = (s.leftArm().wrist().y() + s.rightArm().wrist().y()) / 2;
        List<Support> supports = TrunkLoad.of(BODY, s).supports();
        Support wall = supports.get(0);
        Support feet = supports.get(1);
        assertThat(wall.group()).isEqualTo(Support.Group.WALL);
        double push = Math.max(0, (turning - weight * ankles) / hands);
        assertThat(push > 0).isEqualTo(turning / weight > ankles);
        assertThat(wall.sideN()).isCloseTo(-push, within(1e-6));
        assertThat(feet.sideN()).isCloseTo(push, within(1e-6));
        assertThat(feet.upN()).isCloseTo(weight, within(1e-6));
        // under the ankles where the wall holds her, else under her weight
        assertThat(feet.at().x()).isCloseTo(push > 0 ? ankles : turning / weight, within(1e-9));
    }
}
