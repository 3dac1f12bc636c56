package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.FloatTest;
import fernstep.core.measure.Side;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DosesTest {
    @ParameterizedTest
    @CsvSource({
        // rung, stance → lowest and highest repetitions, sets
        "F2, SETS_WEEKLY, 10, 15, 2, 3",
        "F3, SETS_WEEKLY, 7, 10, 2, 3",
        "F2, MASTERY_REPS, 10, 20, 1, 1",
        "F3, MASTERY_REPS, 6, 10, 1, 1",
        "F6, MICRO_DAILY, 8, 10, 1, 1"
    })
    void of_a_stance_stay_inside_the_rungs_window(
            String rung, DoseStance stance, int low, int high, int minSets, int maxSets) {
        Window w = DoseRules.window(ShippedCatalogue.CATALOGUE.rung(rung).window(), stance);
        assertThat(w.reps().min()).isEqualTo(low);
        assertThat(w.reps().max()).isEqualTo(high);
        assertThat(w.sets().min()).isEqualTo(minSets);
        assertThat(w.sets().max()).isEqualTo(maxSets);
    }

    @Test
    void go_down_the_way_they_came_up() {
        Window w = DoseRules.window(ShippedCatalogue.CATALOGUE.rung("DC1").window(), DoseStance.SETS_WEEKLY);
        Dose lowest = new Dose(2, 7, 3, null, 1, 3);
        Dose d = lowest;
        int notches = 0;
        while (DoseRules.notchUp(d, w).isPresent()) {
            d = DoseRules.notchUp(d, w).get();
            notches++;
        }
        // repetitions 7, 9, 10; hold 3, 5; sets 2, 3
        assertThat(notches).isEqualTo(4);
        assertThat(d).isEqualTo(new Dose(3, 10, 5, null, 1, 3));
        while (DoseRules.notchDown(d, w).isPresent()) {
            d = DoseRules.notchDown(d, w).get();
        }
        assertThat(d).isEqualTo(lowest);
    }

    /** 15 % of what is done, at least two repetitions, a breath or two seconds; the window in eight at most. */
    @ParameterizedTest
    @CsvSource({
        // rung, stance, from, a notch up, half a notch up
        "F2, MASTERY_REPS, 10, 12, 11",
        "F2, MASTERY_REPS, 14, 17, 16",
        "F3, MASTERY_REPS, 6, 8, 7",
        // (120 - 30) / 8 = 11.25 s
        "BR4, MASTERY_REPS, 30, 42, 36",
        // 15 % of 102 s are 15.3 s
        "BR4, MASTERY_REPS, 102, 118, 110",
        "BR2, MASTERY_REPS, 5, 7, 6"
    })
    void a_notch_is_a_share_of_what_is_done(String rung, DoseStance stance, int from, int up, int halfUp) {
        Window window = DoseRules.window(ShippedCatalogue.CATALOGUE.rung(rung).window(), stance);
        Dose lowest = DoseRules.minimum(window, stance);
        Dose dose = lowest.holdS() != null && lowest.reps() == null ? lowest.withHoldS(from) : lowest.withTimes(from);
        assertThat(counted(DoseRules.notchUp(dose, window).orElseThrow())).isEqualTo(up);
        assertThat(counted(DoseRules.halfNotchUp(dose, window).orElseThrow())).isEqualTo(halfUp);
    }

    private static int counted(Dose dose) {
        return dose.reps() == null && dose.breaths() == null ? dose.holdS() : dose.times();
    }

    @ParameterizedTest
    @CsvSource({
        // longest clean hold → first hold of a side-lying draw-in: four fifths of it, three to ten seconds
        "12, 9",
        "20, 10",
        "5, 4",
        "4, 3",
        "3, 3"
    })
    void begin_at_four_fifths_of_what_was_held(double shown, int hold) {
        Woman w = Woman.weeks_after_birth(12).cleared().grade(3, 3).breaths(5).holds(shown, shown);
        StartingDose start = StartingDose.of(
                ShippedCatalogue.CATALOGUE.rung("DC2"), DoseStance.MASTERY_REPS, w.findings(), Side.LEFT);
        assertThat(start.dose().holdS()).isEqualTo(hold);
    }

    @ParameterizedTest
    @CsvSource({"6, 5", "2, 1", "1, 1", "40, 15"})
    void begin_one_breath_below_what_was_kept(int tolerance, int breaths) {
        Woman w = Woman.weeks_after_birth(12).cleared().grade(3, 3).breaths(tolerance);
        StartingDose start =
                StartingDose.of(ShippedCatalogue.CATALOGUE.rung("BR3"), DoseStance.MASTERY_REPS, w.findings(), null);
        int window = ShippedCatalogue.CATALOGUE.rung("BR3").window().breaths().max();
        assertThat(start.dose().breaths()).isEqualTo(Math.min(breaths, window));
    }

    @Test
    void take_the_time_of_tempo_and_repetitions() {
        // F3: 10 + 10 + 4 = 24 s a repetition; 2 sets of 6 with 30 s between: 288 + 30
        Dose dose = new Dose(2, 6, null, null, 1, 5);
        assertThat(SessionTime.seconds(ShippedCatalogue.CATALOGUE.rung("F3"), dose))
                .isEqualTo(318);
        assertThat(SessionTime.loadSeconds(ShippedCatalogue.CATALOGUE.rung("F3"), dose))
                .isEqualTo(240);
    }

    @Test
    void take_twenty_seconds_more_for_a_change_of_position_but_not_for_getting_up_at_the_end() {
        assertThat(SessionTime.changesSeconds(List.of(
                        PlanItem.Ground.BACK, PlanItem.Ground.SIDE, PlanItem.Ground.BACK, PlanItem.Ground.BACK)))
                .isEqualTo(40);
        assertThat(SessionTime.changesSeconds(List.of(PlanItem.Ground.BACK, PlanItem.Ground.UPRIGHT)))
                .isZero();
    }

    @Test
    void the_float_score_is_the_highest_clean_rung_and_help_is_kept_apart() {
        FloatTest test = new FloatTest(
                Map.of(1, FloatTest.Try.CLEAN, 2, FloatTest.Try.CLEAN, 3, FloatTest.Try.HELPED, 4, FloatTest.Try.SIGN));
        assertThat(test.score()).isEqualTo(2);
        assertThat(test.scoreWithHelp()).isEqualTo(3);
    }

    @Test
    void grow_by_a_breath_where_breaths_are_counted_and_then_by_a_set() {
        Window w = new Window(new Span(1, 2), null, null, new Span(4, 6));
        Dose d = new Dose(1, null, null, 5, 1, 5);
        assertThat(DoseRules.notchUp(d, w)).hasValue(d.withBreaths(6));
        assertThat(DoseRules.notchUp(d.withBreaths(6), w))
                .hasValue(d.withBreaths(6).withSets(2));
        assertThat(DoseRules.notchUp(d.withBreaths(6).withSets(2), w)).isEmpty();
        assertThat(DoseRules.notchDown(d.withBreaths(6).withSets(2), w)).hasValue(d.withBreaths(6));
        assertThat(DoseRules.notchDown(d, w)).hasValue(d.withBreaths(4));
        assertThat(DoseRules.notchDown(d.withBreaths(4), w)).isEmpty();
    }

    @Test
    void of_another_stance_keep_what_its_window_leaves_and_make_no_hold_or_breath_longer() {
        Rung dc1 = ShippedCatalogue.CATALOGUE.rung("DC1");
        Dose mine = new Dose(1, 12, 9, null, 1, 5);
        // by sets a week: 2 to 3 sets, 7 to 10 repetitions, a hold of 3 to 5 s, three days
        assertThat(DoseRules.fitted(mine, dc1, DoseStance.SETS_WEEKLY)).isEqualTo(new Dose(2, 10, 5, null, 1, 3));
        assertThat(DoseRules.fitted(new Dose(1, 5, 2, null, 1, 5), dc1, DoseStance.SETS_WEEKLY))
                .as("a shorter hold stays short")
                .isEqualTo(new Dose(2, 7, 2, null, 1, 3));
        assertThat(DoseRules.fitted(new Dose(1, null, null, 6, 1, 5), dc1, DoseStance.SETS_WEEKLY))
                .as("what was counted in breaths begins at the least")
                .isEqualTo(new Dose(2, 7, 3, null, 1, 3));
        Rung br3 = ShippedCatalogue.CATALOGUE.rung("BR3");
        assertThat(DoseRules.fitted(new Dose(1, null, null, 30, 1, 5), br3, DoseStance.SETS_WEEKLY))
                .isEqualTo(new Dose(2, null, null, 12, 1, 3));
    }
}
