package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.progress.ChangeReport.Direction;
import fernstep.core.progress.ChangeReport.Found;
import fernstep.core.progress.ChangeReport.Key;
import fernstep.core.progress.ChangeReport.Observation;
import fernstep.core.screening.Stage.ForWidth;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Separation;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChangeReportTest {
    private static Separation widths(double before, double now) {
        return Separation.of(
                new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.TAPE, now)), Examiner.UNKNOWN),
                new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.TAPE, before)), Examiner.UNKNOWN),
                GapReading.WIDTH_BY_SITE,
                ForWidth.POSTNATAL_AFTER_6_WEEKS);
    }

    private static Found numbers(Map<Key, Double> numbers) {
        return new Found(numbers, Map.of());
    }

    private static Found codes(Map<Observation, String> codes) {
        return new Found(Map.of(), codes);
    }

    private static ChangeReport report(Measure measure, Side side, double before, double now) {
        Key key = new Key(measure, side);
        return ChangeReport.of(widths(30, 30), numbers(Map.of(key, before)), numbers(Map.of(key, now)));
    }

    @ParameterizedTest
    @CsvSource({
        // tolerance: 1.96·√2·1 = 2.77 breaths; hold 5.54 s; excursion 1.386 cm; grades and rungs whole steps
        "TOLERANCE_BREATHS, 5, 7, NO_REAL_CHANGE", "TOLERANCE_BREATHS, 5, 8, HIGHER",
                "SET_HOLD_S, 10, 15, NO_REAL_CHANGE",
        "SET_HOLD_S, 10, 16, HIGHER", "SET_HOLD_S, 16, 10, LOWER", "RIB_EXCURSION_CM, 3, 4.3, NO_REAL_CHANGE",
        "RIB_EXCURSION_CM, 3, 4.4, HIGHER", "FLOAT_SCORE, 2, 3, HIGHER", "FLOAT_SCORE, 3, 3, NO_REAL_CHANGE",
        "SET_GRADE, 4, 3, LOWER"
    })
    void a_measure_changed_only_beyond_its_smallest_real_change(
            Measure measure, double before, double now, Direction direction) {
        assertThat(report(measure, null, before, now).changes().get(0).direction())
                .isEqualTo(direction);
    }

    @Test
    void what_was_not_taken_on_both_visits_is_not_compared() {
        ChangeReport r = ChangeReport.of(
                widths(30, 30),
                numbers(Map.of(new Key(Measure.HOVER_S, null), 4.0)),
                numbers(Map.of(new Key(Measure.FLOAT_SCORE, Side.LEFT), 2.0)));
        assertThat(r.changes()).isEmpty();
        assertThat(r.comparesAnything()).as("the width was").isTrue();
    }

    @Test
    void the_paragraph_names_each_real_change_with_its_numbers_and_counts_the_rest() {
        ChangeReport r = ChangeReport.of(
                widths(40, 30),
                numbers(Map.of(new Key(Measure.FLOAT_SCORE, Side.LEFT), 1.0, new Key(Measure.HOVER_S, null), 4.0)),
                numbers(Map.of(new Key(Measure.FLOAT_SCORE, Side.LEFT), 2.0, new Key(Measure.HOVER_S, null), 5.0)));
        List<Reason> paragraph = r.paragraph();
        assertThat(paragraph)
                .extracting(Reason::key)
                .containsExactly("report.width.NARROWER", "report.valueSide", "report.unchanged");
        // 1.96·√(9 + 9) = 8.3
        assertThat(paragraph.get(0).facts()).containsExactly(Reason.of("condition.REST"), 2.0, 40.0, 30.0, 8.3);
        assertThat(paragraph.get(2).facts()).containsExactly(1);
    }

    @Test
    void a_change_inside_the_limit_is_called_no_real_change() {
        ChangeReport r = ChangeReport.of(widths(30, 26), numbers(Map.of()), numbers(Map.of()));
        assertThat(r.paragraph()).containsExactly(Reason.of("report.nothingReal", 1));
        assertThat(r.comparedWidths().get(0).change().smallestRealMm()).isCloseTo(8.3156, within(1e-4));
    }

    @Test
    void another_answer_to_a_check_is_a_change_and_the_same_one_is_not() {
        Observation cough = new Observation("COUGH", null);
        Observation leg = new Observation("ROD_LEG", Side.RIGHT);
        ChangeReport r = ChangeReport.of(
                widths(30, 30),
                codes(Map.of(cough, "PUSHES_OUT", leg, "SACRUM")),
                codes(Map.of(cough, "DRAWS_IN", leg, "SACRUM")));
        assertThat(r.paragraph())
                .containsExactly(
                        Reason.of(
                                "report.code",
                                Reason.of("field.COUGH"),
                                Reason.of("finding.PUSHES_OUT"),
                                Reason.of("finding.DRAWS_IN"),
                                ""),
                        Reason.of("report.unchanged", 2));
    }

    @ParameterizedTest
    @CsvSource({
        // hold 20 s against 10 s is 50 %; 1.96·√2·2·√(1/20² + 1/20²) = 0.392 must be passed
        "SET_HOLD_S, 10, 20, 20, 20, true", "SET_HOLD_S, 10, 20, 14, 20, false",
        // rungs: 2 of 4 is 50 %, 3 of 4 is 25 %, one whole step
        "FLOAT_SCORE, 2, 4, 3, 4, true", "FLOAT_SCORE, 2, 4, 2, 4, false"
    })
    void sides_grew_more_alike_only_beyond_the_error_of_the_index(
            Measure measure, double leftThen, double rightThen, double leftNow, double rightNow, boolean real) {
        Key left = new Key(measure, Side.LEFT);
        Key right = new Key(measure, Side.RIGHT);
        ChangeReport r = ChangeReport.of(
                widths(30, 30),
                numbers(Map.of(left, leftThen, right, rightThen)),
                numbers(Map.of(left, leftNow, right, rightNow)));
        assertThat(r.symmetry())
                .singleElement()
                .satisfies(change -> assertThat(change.real()).isEqualTo(real));
        assertThat(r.paragraph().stream().anyMatch(reason -> reason.key().equals("report.moreAlike")))
                .isEqualTo(real);
    }
}
