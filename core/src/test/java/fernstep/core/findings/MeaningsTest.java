package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.Findings.Cough;
import fernstep.core.findings.Findings.FloorOnCough;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeaningsTest {
    private static Findings of(Cough cough, FloorOnCough floor, Integer tolerance, Integer left, Integer right) {
        return new Findings(
                cough,
                Map.of(),
                tolerance,
                null,
                left == null ? Map.of() : Map.of(Side.LEFT, left, Side.RIGHT, right),
                null,
                null,
                null,
                floor,
                null);
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
}
