package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.plan.Packing.Room;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What goes into a session, in what dose, and what gives way first. */
class PackingTest {
    private static Exercise exercise(String code, int sets, int reps, boolean must, int need) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        boolean breaths = rung.window().breaths() != null;
        Dose dose = new Dose(sets, breaths ? null : reps, null, breaths ? reps : null, 1, 5);
        PlanItem item = Items.item(
                rung, null, Role.of(rung.strand(), false), dose, 1, null, SessionTime.seconds(rung, dose), 0);
        return new Exercise(List.of(item), must, need, true, false);
    }

    private static Exercise free(String code, int need) {
        return exercise(code, 1, 5, false, need);
    }

    private static List<List<Exercise>> week(Room room, Exercise... all) {
        return new Week(List.of(all), room, Set.of(), ByHand.NOTHING, new WeekRules(true, true, Set.of(), Map.of()))
                .sessions(1);
    }

    private static List<String> codes(Room room, Exercise... all) {
        return week(room, all).get(0).stream()
                .map(exercise -> exercise.items().get(0).rung().code())
                .toList();
    }

    private static Dose dose(Room room, Exercise... all) {
        return week(room, all).get(0).get(0).items().get(0).dose();
    }

    @Test
    void seated_and_standing_at_the_end_is_no_change_of_position() {
        List<Exercise> all =
                List.of(free("F1", 10), exercise("HK1", 1, 4, false, 10), exercise("UP3", 1, 8, false, 10));
        assertThat(Packing.changes(all)).isEqualTo(1);
        // F1 5 × 10 s; HK1 4 × 8 s; UP3 8 × 8 s; one change of 20 s
        assertThat(Packing.seconds(all)).isEqualTo(50 + 32 + 64 + 20);
    }

    @Test
    void what_fits_to_the_second_fits_and_a_second_less_does_not() {
        // three repetitions of F1 are 30 s, three breaths of HK1 24 s, and 20 s to turn over
        assertThat(codes(new Room(3, 3, 30, 2), free("F1", 10))).containsExactly("F1");
        assertThat(codes(new Room(3, 3, 29, 2), free("F1", 10))).isEmpty();
        Exercise hk1 = free("HK1", 5);
        assertThat(codes(new Room(3, 3, 74, 2), free("F1", 10), hk1)).containsExactly("F1", "HK1");
        assertThat(codes(new Room(3, 3, 73, 2), free("F1", 10), hk1)).containsExactly("F1");
        assertThat(codes(new Room(3, 3, 740, 0), free("F1", 10), hk1))
                .as("no change of position")
                .containsExactly("F1");
        assertThat(codes(new Room(1, 1, 740, 2), free("F1", 10), hk1))
                .as("one exercise")
                .containsExactly("F1");
    }

    @ParameterizedTest(name = "{0} s: {1} sets of {2}")
    // F1: 10 s a repetition, 30 s between sets
    @CsvSource({"30, 1, 3", "79, 1, 3", "80, 1, 8", "189, 1, 8", "190, 2, 8", "299, 2, 8", "300, 3, 8", "900, 3, 8"})
    void sets_give_way_first_then_repetitions_down_to_three(int seconds, int sets, int reps) {
        assertThat(dose(new Room(3, 3, seconds, 2), exercise("F1", 3, 8, false, 10)))
                .isEqualTo(new Dose(sets, reps, null, null, 1, 5));
    }

    @Test
    void sets_give_way_before_an_exercise_does() {
        // two times three sets of F1 and BG1 in full are far more than four minutes; a few repetitions of each are not
        Exercise floats = exercise("F1", 3, 8, false, 20);
        Exercise bridge = exercise("BG1", 3, 8, false, 10);
        assertThat(codes(new Room(3, 3, 240, 2), floats, bridge)).containsExactly("F1", "BG1");
    }

    @ParameterizedTest(name = "{0} minutes: {1} exercises")
    @CsvSource({"5, 3", "6, 3", "7, 4", "10, 4", "11, 5", "45, 5"})
    void few_minutes_hold_few_exercises(int minutes, int exercises) {
        assertThat(codes(
                        new Room(8, 8, 60 * minutes, 2),
                        free("F1", 50),
                        free("HS1", 40),
                        free("AL1", 30),
                        free("RO1", 20),
                        free("BG1", 10)))
                .hasSize(exercises);
    }

    @Test
    void what_must_be_in_comes_first_and_the_need_decides_among_the_rest() {
        Exercise must = exercise("DC1", 1, 5, true, 1);
        Room two = new Room(2, 2, 600, 2);
        assertThat(codes(two, free("F1", 10), free("BG1", 20), must)).containsExactly("BG1", "DC1");
        assertThat(codes(two, free("F1", 30), free("BG1", 20), must)).containsExactly("F1", "DC1");
    }

    @Test
    void a_first_must_stays_though_it_does_not_fit() {
        assertThat(codes(new Room(1, 1, 10, 2), exercise("DC1", 3, 10, true, 1)))
                .containsExactly("DC1");
    }

    @Test
    void minutes_left_over_are_for_a_second_round_of_what_has_to_be_learnt_and_not_of_work() {
        int most = ShippedCatalogue.CATALOGUE.rung("DC1").window().sets().max();
        assertThat(most).isGreaterThan(1);
        assertThat(dose(new Room(3, 3, 1800, 2), exercise("DC1", 1, 5, true, 1)).sets())
                .isEqualTo(most);
        assertThat(dose(new Room(3, 3, 1800, 2), exercise("F1", 1, 5, false, 1)).sets())
                .isEqualTo(1);
    }

    @Test
    void what_was_made_easier_for_her_gets_no_second_round() {
        Exercise must = exercise("DC1", 1, 5, true, 1);
        Eased eased = new Eased(
                new CleanSetting("DC1", 1, Easing.NONE, 3, null), LocalDate.of(2031, 6, 14), SignCode.BREATH_HELD);
        Exercise easier = must.with(must.items().stream()
                .map(item -> item.easedTo(eased, Body.of(null, null)))
                .toList());
        assertThat(easier.items().get(0).eased()).isNotNull();
        assertThat(dose(new Room(3, 3, 1800, 2), easier).sets()).isEqualTo(1);
    }

    @Test
    void a_dose_by_hand_is_neither_lowered_nor_raised() {
        Exercise byHand = exercise("DC1", 2, 5, true, 1);
        ByHand dosed = new ByHand(Set.of(), Set.of(Strand.DEEP_CORE));
        for (int seconds : new int[] {60, 3600}) {
            assertThat(new Week(
                                    List.of(byHand),
                                    new Room(3, 3, seconds, 2),
                                    Set.of(),
                                    dosed,
                                    new WeekRules(true, true, Set.of(), Map.of()))
                            .sessions(1))
                    .containsExactly(List.of(byHand));
        }
    }

    @ParameterizedTest(name = "kept {0} breaths: {1} sets of {2}")
    // one fewer than she kept; a single breath is done four times with rests between
    @CsvSource({"1, 4, 1", "2, 4, 1", "3, 2, 2", "4, 1, 3"})
    void a_short_breath_is_trained_in_short_sets(int kept, int sets, int breaths) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung("HK1");
        assertThat(rung.window().breaths().min()).isGreaterThanOrEqualTo(3);
        Woman w = Woman.never_pregnant().grade(4, 4).breaths(kept);
        Dose dose = Plan.firstDose(rung, w.stances().dose(), w.findings(), null);
        assertThat(dose.breaths()).isEqualTo(breaths);
        assertThat(dose.sets()).isEqualTo(sets);
        assertThat(DoseRules.leastSets(rung, dose) * breaths).isGreaterThanOrEqualTo(3);
    }
}
