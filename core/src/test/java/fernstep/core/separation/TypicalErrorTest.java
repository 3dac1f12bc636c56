package fernstep.core.separation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.screening.Stage;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Two readings that differ by d every time have a typical error of d / √2. */
class TypicalErrorTest {
    private static List<Double> pairs(int howMany, double differenceMm) {
        return Collections.nCopies(howMany, differenceMm);
    }

    private static final double ROOT_2 = 1.41421356;

    @Test
    void nine_pairs_on_one_visit_say_nothing_yet() {
        assertThat(TypicalError.ofPairs(pairs(9, 2), pairs(9, 4))).isEmpty();
    }

    @Test
    void ten_on_one_visit_and_four_on_two_leave_half_as_shared() {
        TypicalError error = TypicalError.ofPairs(pairs(10, 2), pairs(4, 4)).orElseThrow();

        assertThat(error.semMm()).isCloseTo(2 / ROOT_2, within(1e-6));
        assertThat(error.visitShare()).isEqualTo(0.5);
    }

    @Test
    void ten_and_five_say_what_a_visit_shares() {
        TypicalError error = TypicalError.ofPairs(pairs(10, 2), pairs(5, 4)).orElseThrow();

        // variance between visits 16/2 = 8 mm², on one visit 4/2 = 2 mm²: 6 of 8 are shared
        assertThat(error.semMm()).isCloseTo(4 / ROOT_2, within(1e-6));
        assertThat(error.visitShare()).isCloseTo(0.75, within(1e-9));
    }

    @Test
    void visits_that_agree_better_than_one_visit_share_nothing() {
        TypicalError error = TypicalError.ofPairs(pairs(10, 3), pairs(5, 1)).orElseThrow();

        assertThat(error.visitShare()).isZero();
        assertThat(error.semMm()).isCloseTo(3 / ROOT_2, within(1e-6));
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
