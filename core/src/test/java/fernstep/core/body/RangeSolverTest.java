package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.RangeSolver.Answer.NotReachable;
import fernstep.core.body.RangeSolver.Answer.Reached;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RangeSolverTest {
    private static final Body BODY = Body.of(70.0, 170.0);
    private static final LegPose RESTING = LegPose.on(LegContact.FOOT, 42, 90);

    /** A straight leg lowered from upright to level: the load is known in closed form. */
    private static final Movement LOWERING = new Movement(
            Pose.lying(LegPose.free(90, 0), RESTING),
            Pose.lying(LegPose.free(90, 0), RESTING),
            Pose.lying(LegPose.free(90, 0), RESTING),
            Pose.lying(LegPose.free(0, 0), RESTING),
            Dial.HIP);

    /** √((39.777·cos φ − 0.643·sin φ)² + 9.398²)/1167.39·1000: 4.05476 kg·m and the foot's own 1.015·0.1292 kg·m. */
    private static double index(double hipDeg) {
        double f = Math.toRadians(hipDeg);
        double bending = 9.81 * (4.05476 * Math.cos(f) - 1.015 * 0.1292 * Math.sin(f));
        return 1000 * Math.hypot(bending, 9.3975) / 1167.39;
    }

    @ParameterizedTest
    @CsvSource({"80", "60", "45", "20", "5"})
    void finds_the_angle_whose_load_meets_the_ceiling_to_a_tenth_of_a_degree(double hipDeg) {
        assertThat(RangeSolver.solve(LOWERING, BODY, index(hipDeg)))
                .isInstanceOfSatisfying(
                        Reached.class,
                        reached -> assertThat(reached.point().value())
                                .isCloseTo(hipDeg, within(0.1))
                                .isGreaterThanOrEqualTo(hipDeg - 0.01));
    }

    @ParameterizedTest
    @CsvSource({"F3", "F7", "HK4", "HP3", "CU2", "AL4"})
    void comes_within_a_thousandth_of_the_range_of_any_ceiling(String code) {
        Movement movement = ShippedCatalogue.CATALOGUE.rung(code).movement();
        double easiest = movement.peak(BODY, 0).loadIndex();
        double full = movement.peak(BODY, 1).loadIndex();
        for (int i = 1; i <= 40; i++) {
            double ceiling = easiest + (full - easiest) * i / 40;
            RangePoint point = ((Reached) RangeSolver.solve(movement, BODY, ceiling)).point();
            assertThat(point.load().loadIndex()).as("%s %d", code, i).isLessThanOrEqualTo(ceiling);
            if (point.range() < 1) {
                assertThat(movement.peak(BODY, Math.min(1, point.range() + 0.0011))
                                .loadIndex())
                        .as("%s %d: a little further is too much", code, i)
                        .isGreaterThan(ceiling);
            }
        }
    }

    @Test
    void tells_the_heel_height_in_centimetres() {
        // 0.021·170 + 49.1·1.70·sin 30° = 3.57 + 41.735
        assertThat(RangeSolver.solve(LOWERING, BODY, index(30)))
                .isInstanceOfSatisfying(
                        Reached.class,
                        reached -> assertThat(reached.point().heightCm()).isCloseTo(45.3, within(0.2)));
    }

    @Test
    void stops_at_the_rungs_own_end_of_range() {
        assertThat(RangeSolver.solve(LOWERING, BODY, 500))
                .isInstanceOfSatisfying(
                        Reached.class,
                        reached -> assertThat(reached.point().range()).isEqualTo(1));
    }

    @Test
    void says_when_even_the_easiest_range_is_above_the_ceiling() {
        assertThat(RangeSolver.solve(LOWERING, BODY, 1))
                .isInstanceOfSatisfying(
                        NotReachable.class,
                        reachable -> assertThat(reachable.easiestIndex()).isCloseTo(index(90), within(0.01)));
    }

    @Test
    void refuses_a_ceiling_of_nothing() {
        assertThatThrownBy(() -> RangeSolver.solve(LOWERING, BODY, 0)).hasMessageContaining("above 0");
    }

    @Test
    void gives_a_heavier_pregnant_body_the_same_index_but_more_newton_metres() {
        Movement f7 = ShippedCatalogue.CATALOGUE.rung("F7").movement();
        TrunkLoad light = TrunkLoad.of(Body.of(50.0, 170.0), f7.at(1));
        TrunkLoad heavy = TrunkLoad.of(Body.of(100.0, 170.0), f7.at(1));
        assertThat(heavy.bendingNm()).isCloseTo(2 * light.bendingNm(), within(1e-9));
        assertThat(heavy.loadIndex()).isCloseTo(light.loadIndex(), within(1e-9));
    }
}
