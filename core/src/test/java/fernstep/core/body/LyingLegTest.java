package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Against static sums written out for 70 kg and 1.70 m: thigh 0.4165 m, 7 kg; shank 0.4182 m, 3.255 kg; foot 0.2584 m,
 * 1.015 kg.
 */
class LyingLegTest {
    private static final Body BODY = Body.of(70.0, 170.0);

    @Test
    void a_straight_leg_just_off_the_floor() {
        // thigh 7·0.433·0.4165 = 1.26241; shank 3.255·(0.4165+0.433·0.4182) = 1.94513;
        // foot 1.015·(0.4165+0.4182+0.1292·cos 90°) = 0.84722; sum 4.05476 · 9.81 = 39.7772
        assertThat(new LyingLeg(0, 0, 0).hipMomentNm(BODY)).isCloseTo(39.7772, within(5e-3));
    }

    @Test
    void tabletop_with_hip_and_knee_at_ninety() {
        // thigh upright 0; shank 3.255·0.433·0.4182 = 0.58942; foot 1.015·(0.4182 + 0.1292·cos 90°) = 0.42447
        // sum 1.01389 · 9.81 = 9.94627
        assertThat(new LyingLeg(90, 90, 0).hipMomentNm(BODY)).isCloseTo(9.94627, within(5e-3));
    }

    @Test
    void what_the_floor_carries_does_not_count() {
        assertThat(new LyingLeg(0, 0, 0.75).hipMomentNm(BODY)).isCloseTo(39.7772 / 4, within(5e-3));
        assertThat(new LyingLeg(45, 90, 1).hipMomentNm(BODY)).isZero();
    }

    @Test
    void the_practitioners_order_holds() {
        double past = new LyingLeg(110, 100, 0).hipMomentNm(BODY);
        double tabletop = new LyingLeg(90, 90, 0).hipMomentNm(BODY);
        double high = new LyingLeg(60, 0, 0).hipMomentNm(BODY);
        double low = new LyingLeg(20, 0, 0).hipMomentNm(BODY);
        assertThat(past).isLessThan(tabletop);
        assertThat(tabletop).isLessThan(high);
        assertThat(high).isLessThan(low);
    }

    @Test
    void both_legs_alike_do_not_turn_her_and_load_more_than_one() {
        LyingLeg up = new LyingLeg(90, 90, 0);
        LyingLegs both = new LyingLegs(up, up);
        LyingLegs one = new LyingLegs(up, new LyingLeg(45, 90, 1));
        assertThat(both.turningNm(BODY)).isZero();
        // one leg: 11.27 kg · 9.81 · 0.0955·1.70 m = 17.9491
        assertThat(one.turningNm(BODY)).isCloseTo(17.9491, within(5e-3));
        assertThat(both.bendingNm(BODY)).isCloseTo(2 * one.bendingNm(BODY), within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"50, 160", "90, 185", "120, 200"})
    void the_load_index_compares_clients_of_any_size(double kg, double cm) {
        LyingLegs pose = new LyingLegs(new LyingLeg(30, 10, 0), new LyingLeg(90, 90, 0));
        assertThat(pose.loadIndex(Body.of(kg, cm))).isCloseTo(pose.loadIndex(BODY), within(1e-9));
    }

    @Test
    void heel_height_starts_from_the_hip_above_the_floor() {
        // 0.021·1.70 + 0.4165·sin 90° + 0.4182·sin 0° = 0.4522 m
        assertThat(new LyingLeg(90, 90, 0).heelHeightCm(BODY)).isCloseTo(45.22, within(1e-6));
    }

    @Test
    void missing_mass_or_height_is_assumed_and_marked() {
        assertThat(Body.of(null, 170.0)).isEqualTo(new Body(68, 1.70, true));
        assertThat(Body.of(70.0, 170.0).assumed()).isFalse();
    }

    @Test
    void impossible_angles_are_refused() {
        assertThatThrownBy(() -> new LyingLeg(170, 0, 0)).hasMessage("hip must be from -10 to 130 deg, was 170.0");
        assertThatThrownBy(() -> new LyingLeg(0, -5, 0)).hasMessageContaining("knee must be from 0 to 150 deg");
    }
}
