package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.Observed.Cough;
import fernstep.core.findings.Observed.FloorOnCough;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeaningsTest {
    private static Findings of(Cough cough, FloorOnCough floor, Integer tolerance, Integer left, Integer right) {
        return Findings.NONE
                .with(new Findings.Pressure(cough, floor, null))
                .with(new Findings.DeepCore(
                        Map.of(), tolerance, left == null ? Map.of() : Map.of(Side.LEFT, left, Side.RIGHT, right)));
    }

    @ParameterizedTest
    @CsvSource({
        "PUSHES_OUT, LIFTS, true",
        "DRAWS_IN, DESCENDS, true",
        "NO_CHANGE, NONE, false",
        "DRAWS_IN, LIFTS, false"
    })
    void a_cough_is_reversed_when_the_belly_pushes_out_or_the_floor_goes_down(
            Cough cough, FloorOnCough floor, boolean reversed) {
        Findings f = of(cough, floor, null, null, null);
        assertThat(f.coughReversed()).isEqualTo(reversed);
        assertThat(f.breathComesFirst()).isEqualTo(reversed);
        assertThat(Meanings.of(f))
                .containsExactly(Reason.of(reversed ? "meaning.coughReversed" : "meaning.coughHolds"));
    }

    @ParameterizedTest
    @CsvSource({"1, poor", "2, poor", "3, fair", "4, fair", "5, between", "9, between", "10, good"})
    void breaths_with_the_set_kept_are_poor_fair_or_good(int breaths, String grade) {
        assertThat(Meanings.of(of(null, null, breaths, null, null)))
                .containsExactly(Reason.of("meaning.tolerance." + grade, breaths));
    }

    @Test
    void the_weaker_side_is_named_with_how_far_it_is_behind() {
        assertThat(Meanings.of(of(null, null, null, 1, 3)))
                .containsExactly(Reason.of("meaning.floatSides", Side.LEFT, 2));
        assertThat(Meanings.of(of(null, null, null, 2, 2))).isEmpty();
    }

    @Test
    void nothing_is_said_of_what_was_not_taken() {
        assertThat(Meanings.of(Findings.NONE)).isEmpty();
    }

    @Test
    void what_was_observed_says_what_it_asks_for() {
        Observed o = new Observed(
                40.0,
                Observed.FloorLift.LIFTS,
                Observed.LetGo.PARTLY,
                Observed.YesNo.NO,
                Observed.YesNo.YES,
                Observed.YesNo.NO,
                Observed.Straw.GENTLE,
                Map.of(Side.LEFT, Observed.RodContact.KEPT),
                Map.of(Side.RIGHT, Observed.RodContact.SACRUM),
                Observed.YesNo.NO,
                3.0);
        assertThat(Meanings.of(o))
                .containsExactly(
                        Reason.of("meaning.effort.strong", 40.0),
                        Reason.of("meaning.floor.LIFTS"),
                        Reason.of("meaning.letGo.PARTLY"),
                        Reason.of("meaning.flare.stays"),
                        Reason.of("meaning.straw.GENTLE"),
                        Reason.of("meaning.rodLeg", Side.RIGHT, Reason.of("finding.SACRUM")),
                        Reason.of("meaning.hover.short", 3.0));
    }

    @Test
    void ribs_that_flare_are_not_said_to_stay_where_nobody_raised_her_head() {
        Observed o =
                new Observed(null, null, null, null, Observed.YesNo.YES, null, null, Map.of(), Map.of(), null, null);
        assertThat(Meanings.of(o)).containsExactly(Reason.of("meaning.flare.unknown"));
    }

    @ParameterizedTest
    @CsvSource({"20, light", "33, light", "34, strong"})
    void effort_above_a_third_is_too_strong(double percent, String grade) {
        Observed o = new Observed(percent, null, null, null, null, null, null, Map.of(), Map.of(), null, null);
        assertThat(Meanings.of(o)).containsExactly(Reason.of("meaning.effort." + grade, percent));
    }
}
