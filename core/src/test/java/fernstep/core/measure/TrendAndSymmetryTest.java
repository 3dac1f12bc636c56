package fernstep.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TrendAndSymmetryTest {

    @Nested
    class The_slope {
        private List<TheilSen.Point> points(double... xy) {
            java.util.ArrayList<TheilSen.Point> list = new java.util.ArrayList<>();
            for (int i = 0; i < xy.length; i += 2) {
                list.add(new TheilSen.Point(xy[i], xy[i + 1]));
            }
            return list;
        }

        @Test
        void of_a_straight_line_is_its_own() {
            assertThat(TheilSen.slope(points(0, 40, 6, 37, 12, 34, 18, 31)))
                    .hasValueSatisfying(value -> assertThat(value).isCloseTo(-0.5, within(1e-12)));
        }

        @Test
        void of_a_straight_line_has_no_spread_and_is_no_chance() {
            assertThat(TheilSen.interval(points(0, 40, 6, 37, 12, 34, 18, 31, 24, 28)))
                    .hasValueSatisfying(interval -> {
                        assertThat(interval.low()).isCloseTo(-0.5, within(1e-12));
                        assertThat(interval.high()).isCloseTo(-0.5, within(1e-12));
                        assertThat(interval.holdsZero()).isFalse();
                    });
        }

        @Test
        void of_readings_that_go_up_and_down_may_be_nothing() {
            assertThat(TheilSen.interval(points(0, 40, 6, 34, 12, 41, 18, 33, 24, 39, 30, 35)))
                    .hasValueSatisfying(
                            interval -> assertThat(interval.holdsZero()).isTrue());
        }

        @Test
        void of_four_points_has_no_interval() {
            assertThat(TheilSen.interval(points(0, 40, 6, 37, 12, 34, 18, 31))).isEmpty();
        }

        @Test
        void is_not_bent_by_one_bad_reading() {
            // pairwise: −.5 −.5 −.5 −.5 −.5 −.5 of the four good ones, and four with the outlier: 6 of 10 are −0.5
            assertThat(TheilSen.slope(points(0, 40, 6, 37, 12, 34, 18, 31, 24, 90)))
                    .hasValueSatisfying(value -> assertThat(value).isCloseTo(-0.5, within(1e-12)));
        }

        @Test
        void of_an_even_number_of_pairs_is_the_mean_of_the_middle_two() {
            // slopes: 1, 2, 3, 4, 5.5, 8 → middle 3 and 4
            assertThat(TheilSen.slope(points(0, 0, 1, 1, 2, 4, 3, 12)))
                    .hasValueSatisfying(value -> assertThat(value).isCloseTo(3.5, within(1e-12)));
            // slopes: 1, 2, 3, 3, 4, 5 → middle 3 and 3
            assertThat(TheilSen.slope(points(0, 0, 1, 1, 2, 4, 3, 9)))
                    .hasValueSatisfying(value -> assertThat(value).isCloseTo(3, within(1e-12)));
        }

        @Test
        void needs_four_visits_on_different_days() {
            assertThat(TheilSen.slope(points(0, 1, 1, 2, 2, 3))).isEmpty();
            assertThat(TheilSen.slope(points(1, 1, 1, 2, 1, 3, 1, 4))).isEmpty();
        }
    }

    @Nested
    class Side_by_side {
        @ParameterizedTest
        @CsvSource({
            "6, 10, 0.4, true",
            "10, 6, -0.4, true",
            "8, 10, 0.2, true",
            "8.1, 10, 0.19, false",
            "0, 0, 0, false",
            "0, 5, 1, true"
        })
        void the_index_is_the_difference_over_the_larger(double left, double right, double index, boolean asymmetric) {
            Symmetry s = new Symmetry(left, right);
            assertThat(s.index()).isCloseTo(index, within(1e-9));
            assertThat(s.asymmetric()).isEqualTo(asymmetric);
        }

        @Test
        void is_told_in_words() {
            assertThat(new Symmetry(6, 10).inWords()).isEqualTo(Reason.of("symmetry.less", Side.LEFT, 40L));
            assertThat(new Symmetry(10, 6).inWords()).isEqualTo(Reason.of("symmetry.less", Side.RIGHT, 40L));
            assertThat(new Symmetry(7, 7).inWords()).isEqualTo(Reason.of("symmetry.alike"));
            assertThat(new Symmetry(1000, 999).inWords())
                    .as("less than a percent")
                    .isEqualTo(Reason.of("symmetry.alike"));
        }
    }

    private static List<TheilSen.Point> squares(int count) {
        return IntStream.range(0, count)
                .mapToObj(x -> new TheilSen.Point(x, x * x))
                .toList();
    }

    /** The slope between two points of a parabola is the sum of their x. */
    @Test
    void a_trend_is_the_median_of_all_slopes_and_its_span_follows_sen() {
        // 1 2 3 3 4 5
        assertThat(TheilSen.slope(squares(4))).contains(3.0);
        // 1 2 3 3 4 4 5 5 5 6 6 7 7 8 9: the eighth; 15 slopes, 1.96·√(6·5·17/18) = 10.43, so the second and the
        // fourteenth
        assertThat(TheilSen.slope(squares(6))).contains(5.0);
        assertThat(TheilSen.interval(squares(6))).contains(new TheilSen.Interval(2, 8));
        // 10 slopes, 8.00: the first and the last
        assertThat(TheilSen.interval(squares(5))).contains(new TheilSen.Interval(1, 7));
        assertThat(TheilSen.interval(squares(4))).as("four say too little").isEmpty();
        assertThat(TheilSen.slope(squares(3))).isEmpty();
    }

    @Test
    void visits_on_one_day_make_no_slope_among_themselves() {
        List<TheilSen.Point> same = List.of(
                new TheilSen.Point(1, 1), new TheilSen.Point(1, 9), new TheilSen.Point(1, 5), new TheilSen.Point(1, 7));
        assertThat(TheilSen.slope(same)).isEmpty();
        List<TheilSen.Point> two = List.of(
                new TheilSen.Point(0, 0), new TheilSen.Point(0, 2), new TheilSen.Point(1, 1), new TheilSen.Point(1, 3));
        // 1, 3, −1, 1: the median is 1
        assertThat(TheilSen.slope(two)).contains(1.0);
    }

    @ParameterizedTest(name = "{0} to {1}: {2}")
    @CsvSource({"-1, 1, true", "0, 1, true", "-1, 0, true", "0.1, 1, false", "-1, -0.1, false"})
    void a_span_that_holds_nothing_tells_no_trend(double low, double high, boolean holdsZero) {
        assertThat(new TheilSen.Interval(low, high).holdsZero()).isEqualTo(holdsZero);
    }
}
