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

    private static RangeState of(String rung, double now) {
        return RangeGrowth.of(
                ShippedCatalogue.CATALOGUE,
                ShippedCatalogue.CATALOGUE.rung(rung),
                Side.LEFT,
                now,
                BODY,
                List.of(),
                Capacity.USUAL_STEP,
                GrowFirst.REPS,
                TODAY);
    }

    /** Whatever rung she is sent down to asks for no more than the one she comes from, and not for needlessly little. */
    @Test
    void the_rung_before_asks_for_no_more_than_now() {
        int weighed = 0;
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            Rung below = ShippedCatalogue.CATALOGUE.previous(rung).orElse(null);
            double index = rung.indexAt(0.5, BODY);
            double range = of(rung.code(), 0.5).ofRungBefore();
            if (below == null || !below.hasRange() || below.family() == null || !(index > 0)) {
                assertThat(range).as(rung.code()).isEqualTo(1);
                continue;
            }
            weighed++;
            if (range > 0) {
                assertThat(below.indexAt(range, BODY))
                        .as("%s from %s", below.code(), rung.code())
                        .isLessThanOrEqualTo(index + 1e-6);
            }
            if (range < 1) {
                assertThat(below.indexAt(Math.min(1, range + 0.02), BODY))
                        .as("%s from %s", below.code(), rung.code())
                        .isGreaterThan(index);
            }
        }
        assertThat(weighed).isGreaterThan(5);
    }

    /** And the rung after begins where it asks for no more than a step above now, if it can. */
    @Test
    void the_next_rung_begins_near_what_she_does_now() {
        int weighed = 0;
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            Rung above = ShippedCatalogue.CATALOGUE.next(rung).orElse(null);
            double range = of(rung.code(), 1).ofNextRung();
            if (above == null || !above.hasRange() || !above.loaded()) {
                assertThat(range).as(rung.code()).isEqualTo(1);
            } else if (rung.loadAt(1, BODY).isEmpty()) {
                assertThat(range)
                        .as("%s: nothing is known to begin from", rung.code())
                        .isZero();
            } else if (range > 0) {
                weighed++;
                double now = rung.loadAt(1, BODY).orElseThrow().loadIndex();
                assertThat(above.indexAt(range, BODY))
                        .as("%s after %s", above.code(), rung.code())
                        .isLessThanOrEqualTo(1.1 * now + 1e-6);
            }
        }
        assertThat(weighed).isGreaterThan(3);
    }

    @Test
    void a_rung_without_a_range_or_without_a_load_to_follow_has_no_next() {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            if (!rung.hasRange() || rung.family() == null) {
                assertThat(of(rung.code(), 0.5).next()).as(rung.code()).isNull();
            } else {
                assertThat(of(rung.code(), 0.5).next()).as(rung.code()).isBetween(0.5, 1.0);
            }
        }
        assertThat(of("F7", 0.5).now()).isEqualTo(0.5);
        assertThat(of("F7", 0.5).growFirst()).isEqualTo(GrowFirst.REPS);
    }

    @Test
    void where_the_load_rises_too_steeply_the_smallest_step_worth_a_session_is_next() {
        // no step of load at all: two hundredths all the same
        assertThat(state(0.3, 0, List.of()).next()).isEqualTo(0.32);
        assertThat(state(0.5, 0, List.of(held(index(0.5), 0))).next()).isEqualTo(0.52);
    }
}
