package fernstep.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.Seeded;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class MonotoneCubicTest {

    /**
     * Points (0,0) (1,1) (2,4), by hand. Secants 1 and 3; inner slope, equal steps: 6/(3/1+3/3) = 1.5. Ends:
     * ((2+1)·1−1·3)/2 = 0, of no sign, so 0; ((2+1)·3−1·1)/2 = 4.
     */
    @Nested
    class Through_three_points_worked_out_by_hand {
        private final MonotoneCubic curve = new MonotoneCubic(new double[] {0, 1, 2}, new double[] {0, 1, 4});

        @ParameterizedTest
        @CsvSource({
            "0, 0",
            "1, 1",
            "2, 4",
            // Hermite at the middle: (y0+y1)/2 + h(d0−d1)/8
            "0.5, 0.3125", // 0.5 + (0 − 1.5)/8
            "1.5, 2.1875" // 2.5 + (1.5 − 4)/8
        })
        void it_passes_where_expected(double x, double y) {
            assertThat(curve.at(x)).isCloseTo(y, within(1e-12));
        }

        @Test
        void the_area_is_the_exact_integral() {
            // 0.5 + (0−1.5)/12 + 2.5 + (1.5−4)/12 = 3 − 4/12
            assertThat(curve.area()).isCloseTo(3 - 4.0 / 12, within(1e-12));
        }
    }

    /**
     * Points (0,0) (1,2) (4,5): steps 1 and 3, secants 2 and 1. Inner slope: weights 7 and 5, 12/(7/2+5/1) = 1.411765.
     * Ends: ((2+3)·2−1·1)/4 = 2.25; ((6+1)·1−3·2)/4 = 0.25.
     */
    @Nested
    class Through_points_that_lie_unevenly {
        private final MonotoneCubic curve = new MonotoneCubic(new double[] {0, 1, 4}, new double[] {0, 2, 5});

        @ParameterizedTest
        @CsvSource({
            "0.5, 1.104779", // 1 + 1·(2.25 − 1.411765)/8
            "2.5, 3.935662" // 3.5 + 3·(1.411765 − 0.25)/8
        })
        void the_nearer_neighbour_counts_more(double x, double y) {
            assertThat(curve.at(x)).isCloseTo(y, within(1e-6));
        }

        @Test
        void the_area_takes_each_step_by_its_length() {
            // 1 + (2.25−1.411765)/12 + 3·3.5 + 9·(1.411765−0.25)/12
            assertThat(curve.area()).isCloseTo(12.441176, within(1e-6));
        }
    }

    /** Points (0,0) (1,1) (2,−4): at the first end (3·1+5)/2 = 4 is held at three secants, the last stays (−15−1)/2 = −8. */
    @Test
    void an_end_before_a_turn_is_no_steeper_than_three_secants() {
        MonotoneCubic turn = new MonotoneCubic(new double[] {0, 1, 2}, new double[] {0, 1, -4});
        // 0.5 + (3 − 0)/8 and −1.5 + (0 + 8)/8
        assertThat(turn.at(0.5)).isCloseTo(0.875, within(1e-12));
        assertThat(turn.at(1.5)).isCloseTo(-0.5, within(1e-12));
    }

    @Test
    void a_straight_line_stays_straight() {
        MonotoneCubic line = new MonotoneCubic(new double[] {-5, -2, 0, 2, 5}, new double[] {10, 16, 20, 24, 30});
        assertThat(line.at(-3.7)).isCloseTo(12.6, within(1e-9));
        assertThat(line.area()).isCloseTo(200, within(1e-9));
    }

    @Test
    void a_turn_has_no_slope_so_that_the_widest_site_stays_the_widest() {
        MonotoneCubic hill = new MonotoneCubic(new double[] {-2, 0, 2}, new double[] {20, 30, 22});
        assertThat(hill.at(-0.001)).isLessThanOrEqualTo(30);
        assertThat(hill.at(0.001)).isLessThanOrEqualTo(30);
    }

    static Stream<Random> randoms() {
        return Seeded.cases(200, random -> random);
    }

    @ParameterizedTest
    @MethodSource("randoms")
    void it_never_overshoots_its_neighbours(Random random) {
        int n = 2 + random.nextInt(5);
        double[] x = new double[n];
        double[] y = new double[n];
        for (int i = 0; i < n; i++) {
            x[i] = (i == 0 ? -5 : x[i - 1]) + 0.2 + random.nextDouble() * 3;
            y[i] = random.nextDouble() * 60;
        }
        MonotoneCubic curve = new MonotoneCubic(x, y);
        for (int i = 0; i + 1 < n; i++) {
            for (int k = 0; k <= 20; k++) {
                double at = Math.min(x[i] + (x[i + 1] - x[i]) * k / 20, x[i + 1]);
                assertThat(curve.at(at)).isBetween(Math.min(y[i], y[i + 1]) - 1e-9, Math.max(y[i], y[i + 1]) + 1e-9);
            }
        }
    }

    @Test
    void nothing_is_invented_beyond_the_outermost_points() {
        MonotoneCubic curve = new MonotoneCubic(new double[] {0, 2}, new double[] {20, 24});
        assertThatThrownBy(() -> curve.at(2.1)).hasMessageContaining("only from 0.0 to 2.0");
    }

    @Test
    void points_that_do_not_rise_are_refused() {
        assertThatThrownBy(() -> new MonotoneCubic(new double[] {0, 0}, new double[] {1, 2}))
                .hasMessage("x must rise strictly");
    }
}
