package fernstep.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

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
        assertThat(MeasurementError.semFromPairs(pairs)).isCloseTo(1.49071, within(1e-5));
    }

    @Test
    void fewer_than_ten_pairs_say_too_little() {
        assertThatThrownBy(() -> MeasurementError.semFromPairs(List.of(1.0, 2.0)))
                .hasMessage("needs 10 pairs, got 2");
    }

    @Test
    void a_width_that_cannot_be_names_field_value_and_range() {
        assertThatThrownBy(() -> Range.WIDTH_MM.check(230.0))
                .isInstanceOf(OutOfRange.class)
                .hasMessage("Width was 230 mm; it must be from 0 to 200 mm");
        assertThatThrownBy(() -> Range.WIDTH_MM.check(Double.NaN)).isInstanceOf(OutOfRange.class);
    }
}
