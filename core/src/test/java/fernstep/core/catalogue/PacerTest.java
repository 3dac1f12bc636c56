package fernstep.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.catalogue.Pacer.Breath;
import fernstep.core.catalogue.Pacer.Part;
import fernstep.core.catalogue.Pacer.Phase;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Which part of a repetition has which breath, by the timing she is led by. */
class PacerTest {
    /** Three seconds up, three back, two of rest. */
    private static final Rung F4 = ShippedCatalogue.CATALOGUE.rung("F4");

    private static final Rung BR1 = ShippedCatalogue.CATALOGUE.rung("BR1");

    @ParameterizedTest(name = "{0}: up {1}, held {2}, back {3}, rest {4}")
    @CsvSource({
        "EXHALE_EFFORT_ONLY, OUT, RUNS_ON, IN, RUNS_ON",
        "EXHALE_EVERY_MOVE, OUT, RUNS_ON, OUT, IN",
        "BREATHE_THROUGH, RUNS_ON, RUNS_ON, RUNS_ON, RUNS_ON"
    })
    void a_move_is_breathed_by_the_timing(EffortTiming timing, Breath up, Breath held, Breath back, Breath rest) {
        assertThat(Pacer.phases(F4, timing, 5))
                .containsExactly(
                        new Phase(Part.LIFT, up, F4.tempo().liftS()),
                        new Phase(Part.HOLD, held, 5),
                        new Phase(Part.RETURN, back, F4.tempo().returnS()),
                        new Phase(Part.REST, rest, F4.tempo().restS()));
    }

    @ParameterizedTest
    @EnumSource(EffortTiming.class)
    void a_breath_is_in_and_out_whoever_leads_her(EffortTiming timing) {
        assertThat(Pacer.phases(BR1, timing, 9))
                .as("nothing is held")
                .containsExactly(
                        new Phase(Part.BREATHE_IN, Breath.IN, 3),
                        new Phase(Part.BREATHE_OUT, Breath.OUT, 4),
                        new Phase(Part.REST, Breath.RUNS_ON, 1));
    }

    @Test
    void what_takes_no_time_is_no_part() {
        assertThat(Pacer.phases(F4, EffortTiming.EXHALE_EVERY_MOVE, null))
                .extracting(Phase::part)
                .doesNotContain(Part.HOLD);
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            List<Phase> phases = Pacer.phases(rung, EffortTiming.EXHALE_EFFORT_ONLY, 0);
            assertThat(phases)
                    .as(rung.code())
                    .isNotEmpty()
                    .allSatisfy(phase -> assertThat(phase.seconds()).isPositive());
            assertThat(phases.stream().mapToInt(Phase::seconds).sum())
                    .as(rung.code())
                    .isEqualTo(rung.tempo().liftS()
                            + rung.tempo().returnS()
                            + rung.tempo().restS());
        }
    }
}
