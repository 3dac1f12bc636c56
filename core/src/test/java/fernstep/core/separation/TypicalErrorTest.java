package fernstep.core.separation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.screening.Stage;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Differences of +d and −d in turn, n of them, have a variance of d² · n / (n − 1); half of it is one reading's. */
class TypicalErrorTest {
    private static List<Double> pairs(int howMany, double differenceMm) {
        return IntStream.range(0, howMany)
                .mapToObj(index -> index % 2 == 0 ? differenceMm : -differenceMm)
                .toList();
    }

    @Test
    void nine_pairs_on_one_visit_say_nothing_yet() {
        assertThat(TypicalError.ofPairs(pairs(9, 2), pairs(8, 4))).isEmpty();
    }

    @Test
    void ten_on_one_visit_and_four_on_two_leave_half_as_shared() {
        TypicalError error = TypicalError.ofPairs(pairs(10, 2), pairs(4, 4)).orElseThrow();

        // 4 · 10/9 / 2 = 2.2222 mm²
        assertThat(error.semMm()).isCloseTo(1.490712, within(1e-6));
        assertThat(error.visitShare()).isEqualTo(0.5);
    }

    @Test
    void ten_and_six_say_what_a_visit_shares() {
        TypicalError error = TypicalError.ofPairs(pairs(10, 2), pairs(6, 4)).orElseThrow();

        // between visits 16 · 6/5 / 2 = 9.6 mm², on one visit 2.2222: 7.3778 of 9.6 are shared
        assertThat(error.semMm()).isCloseTo(3.098387, within(1e-6));
        assertThat(error.visitShare()).isCloseTo(0.768519, within(1e-6));
    }

    @Test
    void visits_that_agree_better_than_one_visit_share_nothing() {
        TypicalError error = TypicalError.ofPairs(pairs(10, 3), pairs(6, 1)).orElseThrow();

        assertThat(error.visitShare()).isZero();
        // 9 · 10/9 / 2 = 5 mm²
        assertThat(error.semMm()).isCloseTo(2.236068, within(1e-6));
    }

    @Test
    void repeats_help_whoever_differs_within_a_visit_and_not_whoever_differs_between_visits() {
        assertThat(limitMm(3, 0)).isCloseTo(limitMm(1, 0) / Math.sqrt(3), within(1e-9));
        assertThat(limitMm(3, 1)).isCloseTo(limitMm(1, 1), within(1e-9));
        // half shared: 4 · (1/2 + 1/2 · 1/3) = 2.667 of 4 mm²
        assertThat(limitMm(3, 0.5)).isCloseTo(limitMm(1, 0.5) * Math.sqrt(2.0 / 3), within(1e-9));
    }

    private static double limitMm(int repeats, double visitShare) {
        Examiner hands = new Examiner(
                null,
                FingerCalibration.NOT_CALIBRATED,
                Map.of(Method.CALIPER, new TypicalError(2, visitShare)),
                Map.of());
        Separation.Check check = new Separation.Check(
                List.of(new Reading(3, Condition.REST, Method.CALIPER, Collections.nCopies(repeats, 24.0), null, null)),
                hands);
        Width width = Separation.of(check, check, GapReading.WIDTH_BY_SITE, Stage.ForWidth.POSTNATAL_AFTER_6_WEEKS)
                .widths()
                .get(0);
        return width.change().smallestRealMm();
    }
}
