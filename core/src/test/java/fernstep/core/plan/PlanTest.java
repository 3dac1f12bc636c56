package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static fernstep.core.plan.Woman.weeks_after_birth;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What can be read of a plan: its order, its places, its time, and what counts as done when it is made. */
class PlanTest {
    private static final Body BODY = Body.of(66.0, 166.0);

    private static PlanItem item(String code, @Nullable Side side, Role role, int seconds, int perDay) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        Dose dose = new Dose(2, 6, null, null, perDay, 5);
        return Items.item(rung, side, role, dose, 0.4, null, seconds, seconds / 2);
    }

    private static Plan plan(int minutes, List<List<PlanItem>> days) {
        List<PlanItem> all = days.stream().flatMap(List::stream).distinct().toList();
        List<Plan.Day> named = new ArrayList<>();
        for (List<PlanItem> day : days) {
            named.add(new Plan.Day("ABC".substring(named.size(), named.size() + 1), 2, day));
        }
        return new Plan(all, named, List.of(), List.of(), List.of(), 60 * minutes);
    }

    @Test
    void in_her_own_order_those_named_come_first_and_the_rest_as_they_were() {
        PlanItem f = item("F2", Side.LEFT, Role.WORK, 100, 1);
        PlanItem b = item("BR2", null, Role.FOUNDATION, 100, 1);
        PlanItem g = item("BG1", null, Role.WORK, 100, 1);
        PlanItem h = item("HK2", null, Role.WORK, 100, 1);
        Plan ordered =
                plan(20, List.of(List.of(f, b, g), List.of(h, f))).inOrder(List.of(Strand.BRIDGE, Strand.BREATH));
        assertThat(ordered.items()).containsExactly(g, b, f, h);
        assertThat(ordered.days().get(0).items()).containsExactly(g, b, f);
        assertThat(ordered.days().get(1).items()).containsExactly(h, f);
        assertThat(ordered.days()).extracting(Plan.Day::name).containsExactly("A", "B");
        assertThat(ordered.secondsAvailable()).isEqualTo(1200);
    }

    @Test
    void her_places_stay_and_what_begins_gets_one_but_settling_in_and_daily_life_do_not() {
        PlanItem left = item("F2", Side.LEFT, Role.WORK, 100, 1);
        PlanItem right = item("F2", Side.RIGHT, Role.WORK, 100, 1);
        PlanItem breath = item("BR1", null, Role.SETTLE_IN, 60, 1);
        PlanItem habit = item("UP1", null, Role.CARRY_OVER, 60, 1);
        PlanItem upper = item("BR4", null, Role.CARRY_OVER, 60, 1);
        PlanItem out = item("BG1", null, Role.WORK, 60, 1);
        Plan plan = new Plan(
                List.of(left, right, breath, habit, upper),
                List.of(),
                List.of(new LeftOut(Strand.BRIDGE, List.of(out), new LeftOut.NoRoom(LeftOut.NoRoom.Limit.MINUTES, 6))),
                List.of(),
                List.of(),
                600);
        Place now = new Place(
                Strand.LEG_FLOAT, Side.LEFT, "F4", new Dose(1, 8, null, null, 1, 3), 0.7, Reason.of("why.progress"));
        List<Place> places = plan.places(List.of(now));
        assertThat(places.get(0)).isSameAs(now);
        assertThat(places)
                .extracting(place -> place.rung() + (place.side() == null ? "" : " " + place.side()))
                .containsExactly("F4 LEFT", "F2 RIGHT", "BR4", "BG1");
        assertThat(places.get(1).dose()).isEqualTo(right.baseDose());
        assertThat(places.get(1).range()).isEqualTo(0.4);
    }

    @Test
    void its_time_is_that_of_the_longest_day_and_is_never_more_than_full() {
        Plan plan = plan(
                10,
                List.of(
                        List.of(item("F2", Side.LEFT, Role.WORK, 100, 1), item("BR2", null, Role.FOUNDATION, 80, 2)),
                        List.of(item("HK2", null, Role.WORK, 60, 1))));
        assertThat(plan.secondsTotal()).isEqualTo(180);
        assertThat(plan.loadSecondsTotal()).isEqualTo(90);
        // once more of what is done twice a day
        assertThat(plan.secondsPerDay()).isEqualTo(260);
        assertThat(plan.minutesAvailable()).isEqualTo(10);
        assertThat(plan.fits()).isTrue();
        // 260 of 600 seconds, whole percent downwards
        assertThat(plan.fillPct()).isEqualTo(43);
        Plan full = plan(4, List.of(List.of(item("F2", Side.LEFT, Role.WORK, 300, 1))));
        assertThat(full.fillPct()).isEqualTo(100);
        assertThat(full.fits()).isFalse();
        assertThat(plan(5, List.of(List.of(item("F2", Side.LEFT, Role.WORK, 300, 1))))
                        .fits())
                .as("to the second")
                .isTrue();
        assertThat(plan.daysPerWeek()).hasValue(4);
        assertThat(plan(5, List.of()).daysPerWeek()).isEmpty();
        assertThat(plan(5, List.of()).secondsTotal()).isZero();
    }

    @Test
    void both_sides_are_one_exercise_and_settling_in_is_none() {
        assertThat(Plan.size(List.of(
                        item("F2", Side.LEFT, Role.WORK, 100, 1),
                        item("F2", Side.RIGHT, Role.WORK, 100, 1),
                        item("BR1", null, Role.SETTLE_IN, 60, 1),
                        item("DC2", null, Role.FOUNDATION, 60, 1))))
                .isEqualTo(2);
    }

    private static Set<RungGates.Done> done(Findings findings) {
        return Plan.done(ShippedCatalogue.CATALOGUE, findings, List.of());
    }

    private static RungGates.Done of(String rung, @Nullable Side side) {
        return new RungGates.Done(rung, side);
    }

    @Test
    void what_a_check_showed_clean_counts_as_done_on_that_side() {
        assertThat(done(Findings.NONE)).isEmpty();
        assertThat(done(never_pregnant().floats(2, 1).findings()))
                .containsExactlyInAnyOrder(of("F1", Side.LEFT), of("F2", Side.LEFT), of("F1", Side.RIGHT));
        assertThat(done(never_pregnant().reaches(Set.of(Side.LEFT), Set.of()).findings()))
                .contains(of("HK4", Side.LEFT), of("HK3", null), of("HK1", null))
                .doesNotContain(of("HK4", Side.RIGHT), of("HK5", Side.LEFT), of("HP1", null));
        assertThat(done(never_pregnant().hovers(4).findings())).contains(of("HP1", null), of("HK1", null));
        assertThat(done(never_pregnant().hovers(3).findings())).isEmpty();
    }

    @ParameterizedTest(name = "grades {0}, {1} breaths, {2}: breaths {3}, tilt {4}")
    @CsvSource({
        "3, 4, FLAT_HAND, true, true",
        "2, 4, FLAT_HAND, false, false",
        "3, 3, FLAT_HAND, false, true",
        "3, 4, FIST, true, false",
        "3, 4, , true, false",
        ", 4, FLAT_HAND, false, false"
    })
    void breaths_and_tilt_count_where_the_set_carries_them(
            @Nullable Integer grade, int breaths, Observed.@Nullable LumbarGap gap, boolean breathsKept, boolean tilt) {
        Woman w = never_pregnant().breaths(breaths).gap(gap);
        if (grade != null) {
            w.grade(grade, 5);
        }
        assertThat(done(w.findings()).contains(of("BR3", null))).isEqualTo(breathsKept);
        assertThat(done(w.findings()).contains(of("PC1", null))).isEqualTo(tilt);
    }

    @Test
    void all_below_where_she_stands_is_done_on_the_side_she_stands_on() {
        Place left = new Place(
                Strand.LEG_FLOAT, Side.LEFT, "F4", new Dose(1, 8, null, null, 1, 3), 0.7, Reason.of("why.progress"));
        assertThat(Plan.done(ShippedCatalogue.CATALOGUE, Findings.NONE, List.of(left)))
                .containsExactlyInAnyOrder(of("F1", Side.LEFT), of("F2", Side.LEFT), of("F3", Side.LEFT));
        Place breath =
                new Place(Strand.BREATH, null, "BR3", new Dose(1, null, null, 5, 1, 3), 1, Reason.of("why.progress"));
        assertThat(Plan.done(ShippedCatalogue.CATALOGUE, Findings.NONE, List.of(breath)))
                .containsExactlyInAnyOrder(of("BR1", null), of("BR2", null));
    }

    @Test
    void a_rung_begins_no_more_than_a_step_above_what_she_is_known_to_hold() {
        Rung f7 = ShippedCatalogue.CATALOGUE.rung("F7");
        double easiest = f7.indexAt(0, BODY);
        double full = f7.indexAt(1, BODY);
        double known = (easiest + full) / 2;
        double range = Plan.firstRange(f7, BODY, known);
        assertThat(range).isBetween(0.01, 1.0);
        assertThat(100 * range).as("whole percents").isCloseTo(Math.rint(100 * range), within(1e-9));
        double step = f7.indexAt(range, BODY) / known;
        double further = f7.indexAt(Math.min(1, range + 0.012), BODY) / known;
        // a step of load is a fixed share above what is known: the range comes as near to it as whole percents allow
        assertThat(step).isLessThanOrEqualTo(further);
        for (double other : new double[] {0.9 * known, 1.1 * known}) {
            double there = Plan.firstRange(f7, BODY, other);
            if (there < 1) {
                assertThat(f7.indexAt(there, BODY) / other).isCloseTo(step, within(0.05));
            }
        }
        assertThat(Plan.firstRange(f7, BODY, 0)).as("nothing known").isZero();
        assertThat(Plan.firstRange(f7, BODY, 10 * full)).isEqualTo(1);
        assertThat(Plan.firstRange(ShippedCatalogue.CATALOGUE.rung("DC1"), BODY, 0))
                .as("no load is followed")
                .isEqualTo(1);
    }

    @ParameterizedTest(name = "sets {0}, reps {1}, hold {2}: {3} of the way")
    @CsvSource({
        // of DC1 by sets a week: 2·7·3 s, 9, 10 repetitions, 5 s, 3 sets: four notches
        "2, 7, 3, 0",
        "2, 9, 3, 0.25",
        "2, 10, 3, 0.5",
        "2, 10, 4, 0.5",
        "2, 10, 5, 0.75",
        "3, 10, 5, 1",
        "1, 5, 2, 0",
        "3, 15, 9, 1",
        "3, 7, 3, 0"
    })
    void a_dose_has_come_so_far_through_its_window(int sets, int reps, int holdS, double share) {
        var window = DoseRules.window(ShippedCatalogue.CATALOGUE.rung("DC1").window(), DoseStance.SETS_WEEKLY);
        assertThat(DoseRules.share(new Dose(sets, reps, holdS, null, 1, 3), window, DoseStance.SETS_WEEKLY))
                .isEqualTo(share);
    }

    @Test
    void first_and_last_of_a_rung_are_as_often_as_its_load_allows() {
        Rung held = ShippedCatalogue.CATALOGUE.rung("DC1");
        Rung loaded = ShippedCatalogue.CATALOGUE.rung("F2");
        Rung counted = ShippedCatalogue.CATALOGUE.rung("PC3");
        assertThat(DoseRules.first(held, DoseStance.MICRO_DAILY).perDay()).isEqualTo(3);
        assertThat(DoseRules.first(held, DoseStance.MICRO_DAILY).daysPerWeek()).isEqualTo(7);
        assertThat(DoseRules.first(loaded, DoseStance.MICRO_DAILY).perDay()).isEqualTo(1);
        assertThat(DoseRules.first(loaded, DoseStance.MICRO_DAILY).daysPerWeek())
                .isEqualTo(5);
        assertThat(DoseRules.first(counted, DoseStance.MICRO_DAILY).perDay())
                .as("only what is held is repeated through the day")
                .isEqualTo(1);
        Dose last = DoseRules.last(held, DoseStance.SETS_WEEKLY);
        assertThat(last).isEqualTo(new Dose(3, 10, 5, null, 1, 3));
        assertThat(DoseRules.last(held, DoseStance.MICRO_DAILY).perDay()).isEqualTo(3);
        assertThat(DoseRules.daysPerWeek(DoseStance.SETS_WEEKLY)).isEqualTo(3);
        assertThat(DoseRules.daysPerWeek(DoseStance.MASTERY_REPS)).isEqualTo(5);
        assertThat(DoseRules.daysPerWeek(DoseStance.MINUTES_DAILY)).isEqualTo(7);
    }

    @Test
    void the_side_she_holds_less_on_comes_first_and_gets_a_set_more() {
        Woman w = weeks_after_birth(40).cleared().strong().floats(3, 3).holds(12, 8);
        List<PlanItem> floats = w.plan().items().stream()
                .filter(item -> item.strand() == Strand.LEG_FLOAT)
                .toList();
        assertThat(floats).extracting(PlanItem::side).containsExactly(Side.RIGHT, Side.LEFT);
        assertThat(floats.get(0).dose().sets())
                .isEqualTo(floats.get(0).baseDose().sets() + 1);
        assertThat(floats.get(1).dose()).isEqualTo(floats.get(1).baseDose());
        Woman uneven = weeks_after_birth(40).cleared().strong().floats(4, 2);
        List<PlanItem> sides = uneven.plan().items().stream()
                .filter(item -> item.strand() == Strand.LEG_FLOAT)
                .toList();
        assertThat(sides).extracting(PlanItem::side).containsExactly(Side.RIGHT, Side.LEFT);
        int weaker = sides.get(0).rung().order();
        assertThat(sides.get(1).rung().order()).as("one rung ahead at most").isLessThanOrEqualTo(weaker + 1);
    }
}
