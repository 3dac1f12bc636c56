package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.Finding;
import fernstep.core.findings.Recorded;
import fernstep.core.measure.Side;
import fernstep.core.progress.ChangeReport.Found;
import fernstep.core.progress.ChangeReport.Key;
import fernstep.core.progress.ChangeReport.Observation;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FollowedTest {
    private final Found found = Found.of(Recorded.of(Map.of(
            new Recorded.Key(Finding.SET_HOLD_S, Side.LEFT), "8",
            new Recorded.Key(Finding.FLOAT_F1, Side.RIGHT), "CLEAN",
            new Recorded.Key(Finding.FLOAT_F2, Side.RIGHT), "SIGN",
            new Recorded.Key(Finding.RIB_IN_CM, null), "84.5",
            new Recorded.Key(Finding.RIB_OUT_CM, null), "80",
            new Recorded.Key(Finding.HOVER_S, null), "5",
            new Recorded.Key(Finding.COUGH, null), "DRAWS_IN",
            new Recorded.Key(Finding.ROD_LEG, Side.LEFT), "KEPT")));

    @Test
    void findings_become_measures_that_can_be_followed() {
        assertThat(found.numbers())
                .containsOnly(
                        Map.entry(new Key(Measure.SET_HOLD_S, Side.LEFT), 8.0),
                        Map.entry(new Key(Measure.FLOAT_SCORE, Side.RIGHT), 1.0),
                        Map.entry(new Key(Measure.RIB_EXCURSION_CM, null), 4.5),
                        Map.entry(new Key(Measure.HOVER_S, null), 5.0));
    }

    @Test
    void codes_are_compared_as_such_but_the_float_tries_are_one_score() {
        assertThat(found.codes())
                .containsOnly(
                        Map.entry(new Observation("COUGH", null), "DRAWS_IN"),
                        Map.entry(new Observation("ROD_LEG", Side.LEFT), "KEPT"));
    }
}
