package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.core.progress.Progress.GrowFirst;
import fernstep.core.progress.Progress.RangeState;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class RangeGrowthTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);
    private static final Body BODY = Body.of(70.0, 170.0);
    private static final Rung F7 = ShippedCatalogue.CATALOGUE.rung("F7");

    private static RangeState state(double now, double step, List<Capacity.Clean> held) {
        return RangeGrowth.of(ShippedCatalogue.CATALOGUE, F7, Side.LEFT, now, BODY, held, step, GrowFirst.RANGE, TODAY);
    }

    private static double index(double range) {
        return F7.loadAt(range, BODY).orElseThrow().loadIndex();
    }

    private static Capacity.Clean held(double index, int daysAgo) {
        return new Capacity.Clean(TODAY.minusDays(daysAgo), F7.family(), Side.LEFT, index, null);
    }

    @Test
    void the_next_range_loads_a_tenth_more_than_what_she_has_held() {
        RangeState s = state(0.3, Capacity.USUAL_STEP, List.of(held(index(0.3), 0)));
        assertThat(index(s.next())).isLessThanOrEqualTo(1.1 * index(0.3));
        assertThat(index(s.next())).isCloseTo(1.1 * index(0.3), within(0.03 * index(0.3)));
    }

    @Test
    void a_cautious_step_goes_less_far() {
        List<Capacity.Clean> held = List.of(held(index(0.3), 0));
        assertThat(state(0.3, Capacity.CAUTIOUS_STEP, held).next())
                .isLessThan(state(0.3, Capacity.USUAL_STEP, held).next());
    }

    @Test
    void what_was_held_six_weeks_ago_counts_half() {
        RangeState aged = state(0.3, Capacity.USUAL_STEP, List.of(held(1.5 * index(0.3), 42)));
        RangeState unknown = state(0.3, Capacity.USUAL_STEP, List.of());
        assertThat(aged.next()).as("0.75 of it is less than where she stands").isEqualTo(unknown.next());
    }

    @Test
    void the_end_of_the_rung_is_the_end() {
        assertThat(state(1, Capacity.USUAL_STEP, List.of()).next()).isNull();
        assertThat(state(0.99, Capacity.USUAL_STEP, List.of()).next()).isEqualTo(1.0);
    }
}
