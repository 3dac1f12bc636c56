package fernstep.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeasurementErrorTest {
    @Test
    void two_single_finger_readings_differ_for_certain_from_eleven_mm_on() {
        // 1.96 · √(16 + 16) = 1.96 · 5.65685 = 11.08743
        assertThat(MeasurementError.smallestRealChange(4, 4)).isCloseTo(11.0874, within(1e-4));
    }

    @Test
    void repeats_shrink_the_error_by_their_root() {
        assertThat(MeasurementError.ofMean(4, 4)).isEqualTo(2);
        assertThat(MeasurementError.ofMean(3, 2)).isCloseTo(2.12132, within(1e-5));
    }

    @Test
    void sem_of_an_examiner_is_the_spread_of_her_differences_over_root_two() {
        // five +2 and five −2: mean 0, variance 40/9, SD 2.10819, over √2 = 1.49071
        List<Double> pairs = List.of(2.0, -2.0, 2.0, -2.0, 2.0, -2.0, 2.0, -2.0, 2.0, -2.0);
        assertThat(MeasurementError.semFromPairs(pairs, 10)).isCloseTo(1.49071, within(1e-5));
    }

    @Test
    void fewer_than_ten_pairs_say_too_little() {
        assertThatThrownBy(() -> MeasurementError.semFromPairs(List.of(1.0, 2.0), 10))
                .hasMessage("needs 10 pairs, got 2");
    }

    @Test
    void a_width_that_cannot_be_names_field_value_and_range() {
        assertThatThrownBy(() -> Range.WIDTH_MM.check(230.0))
                .isInstanceOf(OutOfRange.class)
                .hasMessage("Width was 230 mm; it must be from 0 to 200 mm");
        assertThatThrownBy(() -> Range.WIDTH_MM.check(Double.NaN)).isInstanceOf(OutOfRange.class);
    }

    @Test
    void spread_is_about_their_mean_and_not_about_nothing() {
        // 1 to 10: mean 5.5, squares 82.5, variance 9.16667, SD 3.02765, over √2 = 2.14087
        List<Double> pairs = List.of(1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0, 9.0, 10.0);
        assertThat(MeasurementError.semFromPairs(pairs, 10)).isCloseTo(2.14087, within(1e-5));
    }

    @Test
    void rounding_to_steps_adds_a_twelfth_of_the_step_squared() {
        // √(9 + 36 / 12)
        assertThat(MeasurementError.ofRounded(3, 6)).isCloseTo(3.46410, within(1e-5));
        assertThat(MeasurementError.ofRounded(3, 0)).isEqualTo(3);
    }

    @Test
    void a_mean_of_nothing_has_no_error() {
        assertThatThrownBy(() -> MeasurementError.ofMean(4, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThat(MeasurementError.ofMean(4, 1)).isEqualTo(4);
    }

    /** Tables of the normal distribution: 1 → 0.3173, 1.96 → 0.0500, 2.5758 → 0.0100, 3 → 0.0027. */
    @ParameterizedTest(name = "{0} standard errors: {1}")
    @CsvSource({"0, 1", "1, 0.3173105", "1.959964, 0.05", "2.575829, 0.01", "3, 0.0026998", "4, 0.00006334"})
    void chance_of_a_difference_follows_the_normal_distribution(double z, double chance) {
        double error = Math.sqrt(32);
        assertThat(MeasurementError.chance(z * error, 4, 4)).isCloseTo(chance, within(2e-7));
        assertThat(MeasurementError.chance(-z * error, 4, 4)).isCloseTo(chance, within(2e-7));
    }

    /** Holm: the smallest against 5 % over all, the next against 5 % over one fewer, and none after the first that fails. */
    @ParameterizedTest(name = "{0} stand: {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "0.01 0.02 0.04 | + + +",
                "0.01 0.04 0.03 | + - -",
                "0.03 0.03 | - -",
                "0.02 0.001 | + +",
                "0.04 0.5 0.001 | - - +",
                "0.05 | +",
                "0.0501 | -"
            })
    void of_several_differences_only_those_stand_that_are_sure_together(String chances, String stand) {
        double[] all = Arrays.stream(chances.split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        boolean[] stands = MeasurementError.standTogether(all);
        StringBuilder told = new StringBuilder();
        for (boolean one : stands) {
            told.append(told.isEmpty() ? "" : " ").append(one ? "+" : "-");
        }
        assertThat(told.toString()).isEqualTo(stand);
        assertThat(MeasurementError.standTogether(new double[0])).isEmpty();
    }

    @Test
    void both_ends_of_a_range_are_in_it_and_what_is_allowed_is_said_with_its_unit() {
        assertThat(Range.WIDTH_MM.check(0.0)).isZero();
        assertThat(Range.WIDTH_MM.check(200.0)).isEqualTo(200);
        assertThat(Range.SETS.check(10)).isEqualTo(10);
        assertThatThrownBy(() -> Range.SETS.check(11)).isInstanceOfSatisfying(OutOfRange.class, range -> {
            assertThat(range.range()).isEqualTo(Range.SETS);
            assertThat(range.actual()).isEqualTo(11);
        });
        assertThat(Range.WIDTH_MM.span()).isEqualTo(Reason.of("span.unit", 0.0, 200.0, "mm"));
        assertThat(Range.SETS.span()).isEqualTo(Reason.of("span", 1.0, 10.0));
        assertThat(Range.SETS.allowed()).isEqualTo("from 1 to 10");
    }

    @ParameterizedTest(name = "{0} to {1} decimals is {2}")
    @CsvSource({"2.5, 0, 3, 3", "-2.5, 0, -3, -3", "1.25, 1, 1.3, 1.3", "2.04, 1, 2, 2", "100, 0, 100, 100"})
    void numbers_are_rounded_half_away_from_nothing_and_told_without_needless_noughts(
            double value, int decimals, double rounded, String plain) {
        assertThat(Numbers.rounded(value, decimals)).isEqualTo(rounded);
        assertThat(Numbers.plain(rounded)).isEqualTo(plain);
        assertThat(Numbers.plain(Double.NaN)).isEqualTo("not a number");
        assertThat(Numbers.plain(Double.NEGATIVE_INFINITY)).isEqualTo("not a number");
    }
}
