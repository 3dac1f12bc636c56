package fernstep.core.forecast;

import static fernstep.core.forecast.ForecastTest.known;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.client.Restriction;
import fernstep.core.forecast.Forecast.Route;
import fernstep.core.measure.Side;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What her closed positions leave is told; what is only replaced is not promised. */
class ForecastStandInsTest extends ForecastCase {
    private static List<String> ahead(Restriction closed) {
        Case c = floats();
        c.known = known(400, Set.of(closed));
        return c.forecast().routes().stream()
                .map(Route::rung)
                .map(rung -> rung.code())
                .distinct()
                .toList();
    }

    @Test
    void kneeling_closed_promises_what_can_be_done_upright_and_nothing_on_the_knees() {
        assertThat(floats().forecast().routes())
                .extracting(route -> route.rung().code())
                .contains("HK4", "HK8", "HP1", "F2", "BG1");

        assertThat(ahead(Restriction.NO_KNEELING)).contains("F2", "BG1", "HK4").doesNotContain("HK8", "HP1");
    }

    @Test
    void the_floor_closed_still_tells_when_the_floats_open_on_a_bed() {
        assertThat(ahead(Restriction.NO_FLOOR)).contains("F2", "F3", "BG1");
    }

    @Test
    void what_stands_in_brings_her_as_far_as_the_exercise_would() {
        Case open = floats();
        Case kneelingClosed = floats();
        kneelingClosed.known = known(400, Set.of(Restriction.NO_KNEELING));

        assertThat(kneelingClosed.opens("F2", Side.LEFT))
                .isEqualTo(open.opens("F2", Side.LEFT))
                .isEqualTo(8);
    }
}
