package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Filters and statistics against their definitions, written out plainly. */
class SignalsTest {
    private static final double EXACT = 1e-12;

    @ParameterizedTest(name = "{1} of {0} is {2}")
    @CsvSource({
        "3 1 2, 0.5, 2",
        "4 1 3 2, 0.5, 2.5",
        "40 10 30 20, 0.25, 17.5",
        "40 10 30 20, 0, 10",
        "40 10 30 20, 1, 40",
        "5 5 5 1, 0.5, 5",
        "9 8 7 6 5 4 3 2 1, 0.9, 8.2",
        "2 1, 0.5, 1.5",
        "7, 0.5, 7"
    })
    void a_quantile_lies_between_its_two_neighbours(String values, double q, double is) {
        double[] x = Arrays.stream(values.split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        double[] before = x.clone();
        assertThat(Signals.quantile(x, q)).isCloseTo(is, within(EXACT));
        assertThat(x).as("left as it was").isEqualTo(before);
    }

    @Test
    void of_nothing_the_quantile_is_nothing() {
        assertThat(Signals.median(new double[0])).isZero();
    }

    @Nested
    class Smoothing {
        /** A width of 0.04 s is one point: reaching three points to either side. */
        private static final double ONE_POINT_S = 0.04;

        private double weight(int number) {
            return Math.exp(-number * number / 2.0);
        }

        @Test
        void spreads_one_point_as_a_bell_and_keeps_the_sum() {
            double[] x = new double[15];
            x[7] = 1;
            double whole = weight(0) + 2 * (weight(1) + weight(2) + weight(3));
            double[] y = Signals.smooth(x, ONE_POINT_S);
            for (int i = 0; i < 15; i++) {
                int away = Math.abs(i - 7);
                assertThat(y[i]).as("point %d", i).isCloseTo(away <= 3 ? weight(away) / whole : 0, within(EXACT));
            }
        }

        @Test
        void weighs_at_an_end_only_what_is_there() {
            double[] x = {1, 0, 0, 0, 0, 0, 0, 2};
            double[] y = Signals.smooth(x, ONE_POINT_S);
            double half = weight(0) + weight(1) + weight(2) + weight(3);
            assertThat(y[0]).isCloseTo(weight(0) / half, within(EXACT));
            assertThat(y[2]).isCloseTo(weight(2) / (half + weight(1) + weight(2)), within(EXACT));
            assertThat(y[7]).isCloseTo(2 * weight(0) / half, within(EXACT));
            assertThat(y[5]).isCloseTo(2 * weight(2) / (half + weight(1) + weight(2)), within(EXACT));
        }

        @Test
        void leaves_what_does_not_change_and_what_is_shorter_than_it_reaches() {
            assertThat(Signals.smooth(new double[] {4, 4, 4, 4, 4, 4, 4, 4, 4, 4}, ONE_POINT_S))
                    .containsOnly(new double[] {4}, within(EXACT));
            assertThat(Signals.smooth(new double[] {4, 4}, 1)).containsOnly(new double[] {4}, within(EXACT));
        }
    }

    @Test
    void drift_is_a_running_mean_taken_twice_over_what_is_there() {
        double[] x = new double[60];
        for (int i = 0; i < x.length; i++) {
            x[i] = (i * 37) % 11;
        }
        // 0.4 s are ten points: five to either side
        double[] plainly = mean(mean(x, 5), 5);
        double[] drift = Signals.drift(x, 0.4);
        assertThat(drift).hasSize(60);
        for (int i = 0; i < x.length; i++) {
            assertThat(drift[i]).as("point %d", i).isCloseTo(plainly[i], within(1e-9));
        }
    }

    private static double[] mean(double[] values, int reach) {
        double[] y = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            int there = 0;
            for (int j = 0; j < values.length; j++) {
                if (Math.abs(j - i) <= reach) {
                    y[i] += values[j];
                    there++;
                }
            }
            y[i] /= there;
        }
        return y;
    }

    @Test
    void a_slope_is_the_change_a_second_over_the_two_neighbours() {
        assertThat(Signals.slope(new double[] {0, 1, 4, 9}))
                .containsExactly(new double[] {25, 50, 100, 125}, within(EXACT));
        assertThat(Signals.slope(new double[] {3})).containsExactly(0);
        assertThat(Signals.minus(new double[] {5, 3}, new double[] {2, 4})).containsExactly(3, -1);
    }

    @Test
    void noise_is_told_from_how_each_point_bends_away_from_its_neighbours() {
        // every second difference is 4: 1.4826 · 4 / √6
        assertThat(Signals.noise(new double[] {1, -1, 1, -1, 1, -1}))
                .isCloseTo(1.4826 * 4 / Math.sqrt(6), within(1e-9));
        assertThat(Signals.noise(new double[] {1, -1, 1})).isCloseTo(1.4826 * 4 / Math.sqrt(6), within(1e-9));
        assertThat(Signals.noise(new double[] {0, 2, 4, 6, 8}))
                .as("a straight line has none")
                .isZero();
        assertThat(Signals.noise(new double[] {0, 1, 3, 6, 10})).isCloseTo(1.4826 / Math.sqrt(6), within(1e-9));
        assertThat(Signals.noise(new double[] {1, -1})).isZero();
    }

    @Nested
    class A_channel {
        private double[] of(int many, double... pattern) {
            double[] x = new double[many];
            for (int i = 0; i < many; i++) {
                x[i] = pattern[i % pattern.length];
            }
            return x;
        }

        @Test
        void is_flat_where_it_knows_two_values_at_most_for_long_enough() {
            assertThat(ChannelCheck.flat(of(201, 5))).isTrue();
            assertThat(ChannelCheck.flat(of(200, 5))).as("not for long enough").isFalse();
            assertThat(ChannelCheck.flat(of(201, 5, 6)))
                    .as("its last digit flickers")
                    .isTrue();
            assertThat(ChannelCheck.flat(of(201, 5, 6, 7))).isFalse();
            assertThat(ChannelCheck.flat(of(402, 5, Double.NaN))).isTrue();
            assertThat(ChannelCheck.flat(of(400, 5, Double.NaN)))
                    .as("two hundred of them are there")
                    .isFalse();
            double[] late = of(300, 5);
            late[298] = 6;
            late[299] = 7;
            assertThat(ChannelCheck.flat(late)).isFalse();
        }

        /** Up and down by one a point, at its top for so many points. */
        private double[] cutOff(int times, int points) {
            double[] x = new double[times * (20 + points) + 20];
            int at = 0;
            for (int t = 0; t < times; t++) {
                for (int i = 0; i < 10; i++) {
                    x[at++] = i;
                }
                for (int i = 0; i < points; i++) {
                    x[at++] = 10;
                }
                for (int i = 9; i >= 0; i--) {
                    x[at++] = i + 0.25 * (t + 1) / times;
                }
            }
            for (int i = 0; at < x.length; i++) {
                x[at++] = 1 + 0.1 * i;
            }
            return x;
        }

        /** Comes up a step a point, and slows down before it rests at its highest. */
        private double[] atRest(int times) {
            double[] x = new double[times * 31 + 20];
            for (int i = 0; i < x.length; i++) {
                int at = i % 31;
                x[i] = i >= times * 31
                        ? 3 + 0.9 * (i - times * 31) % 5
                        : at < 10
                                ? at
                                : at == 10 ? 9.75 : at == 11 ? 9.9 : at < 21 ? 10 : 30 - at + 0.25 * (i / 31 + 1);
            }
            return x;
        }

        @Test
        void is_not_cut_off_where_it_slows_down_before_it_rests() {
            assertThat(ChannelCheck.clips(atRest(4))).isFalse();
        }

        @Test
        void is_cut_off_where_it_meets_its_highest_value_at_speed_and_stays_there_again_and_again() {
            assertThat(ChannelCheck.clips(cutOff(3, 8))).isTrue();
            assertThat(ChannelCheck.clips(cutOff(2, 8))).as("twice").isFalse();
            assertThat(ChannelCheck.clips(cutOff(3, 7))).as("seven points").isFalse();
            assertThat(ChannelCheck.clips(
                            Arrays.stream(cutOff(3, 8)).map(value -> -value).toArray()))
                    .as("at its lowest")
                    .isTrue();
        }
    }
}
