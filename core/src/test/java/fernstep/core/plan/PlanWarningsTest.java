package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.body.LoadFamily;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PlanWarningsTest {
    private static final Wishes WISHES = Wishes.of(Approach.SLOW_LADDER.stances(), 15);
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);
    private static final Body BODY = Body.of(66.0, 166.0);

    private static PlanItem item(String code, Side side, double range) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        Dose dose = new Dose(
                1, rung.window().reps() == null ? null : 5, null, rung.window().reps() == null ? 4 : null, 1, 5);
        return Items.item(
                rung,
                side,
                Role.of(rung.strand(), false),
                dose,
                range,
                rung.family() == null ? null : rung.movement().point(BODY, range),
                SessionTime.seconds(rung, dose),
                SessionTime.loadSeconds(rung, dose));
    }

    private static Plan plan(int minutes, PlanItem... items) {
        return new Plan(
                List.of(items),
                List.of(new Plan.Day("A", 5, List.of(items))),
                List.of(),
                List.of(),
                List.of(),
                60 * minutes);
    }

    private static final Wishes FLOATS_BY_HAND =
            WISHES.with(List.of(new Choice(Strand.LEG_FLOAT, null, null, null, 1.0, false, false)));

    private static List<String> byHand(Plan plan, List<Capacity.Clean> held) {
        return PlanWarnings.of(plan, FLOATS_BY_HAND, held, TODAY).stream()
                .map(Reason::key)
                .toList();
    }

    private static List<String> keys(Plan plan, List<Capacity.Clean> held) {
        return PlanWarnings.of(plan, WISHES, held, TODAY).stream()
                .map(Reason::key)
                .toList();
    }

    private static double index(String code, double range) {
        return ShippedCatalogue.CATALOGUE
                .rung(code)
                .loadAt(range, BODY)
                .orElseThrow()
                .loadIndex();
    }

    @Test
    void a_plan_longer_than_her_minutes_says_by_how_much() {
        Plan tooLong = plan(1, item("F2", Side.LEFT, 1), item("F2", Side.RIGHT, 1));
        assertThat(PlanWarnings.of(tooLong, WISHES, List.of(), TODAY))
                .contains(Reason.of("warn.overMinutes", tooLong.secondsTotal() - 60));
        assertThat(keys(plan(90, item("F2", Side.LEFT, 1)), List.of())).isEmpty();
    }

    @Test
    void more_than_two_changes_of_position_are_named() {
        Plan lying = plan(90, item("BR1", null, 1), item("HK1", null, 1), item("BR1", null, 1), item("HK1", null, 1));
        assertThat(keys(lying, List.of())).containsExactly("warn.manyChanges");
    }

    @Test
    void two_strands_of_one_load_family_in_a_row_are_named_the_two_sides_of_one_are_not() {
        LoadFamily family = ShippedCatalogue.CATALOGUE.rung("F2").family();
        Rung other = ShippedCatalogue.CATALOGUE.rungs().stream()
                .filter(rung -> rung.family() == family
                        && !rung.strand()
                                .equals(ShippedCatalogue.CATALOGUE.rung("F2").strand()))
                .findFirst()
                .orElseThrow();
        Plan sides = plan(90, item("F2", Side.LEFT, 1), item("F2", Side.RIGHT, 1));
        assertThat(byHand(sides, List.of())).doesNotContain("warn.sameFamily");
        Plan strands = plan(90, item("F2", Side.LEFT, 1), item(other.code(), null, 1));
        assertThat(byHand(strands, List.of())).contains("warn.sameFamily");
        assertThat(keys(strands, List.of()))
                .as("the order is the program's own")
                .isEmpty();
    }

    @Test
    void a_load_more_than_a_step_above_what_she_has_held_clean_is_named() {
        double half = index("F2", 0.5);
        double full = index("F2", 1);
        assertThat(full).isGreaterThan(1.1 * half);
        List<Capacity.Clean> held = List.of(
                new Capacity.Clean(TODAY, ShippedCatalogue.CATALOGUE.rung("F2").family(), Side.LEFT, half, null));
        assertThat(byHand(plan(90, item("F2", Side.LEFT, 1)), held)).containsExactly("warn.aboveCapacity");
        assertThat(keys(plan(90, item("F2", Side.LEFT, 1)), held))
                .as("what the rules made is not warned of")
                .isEmpty();
        assertThat(byHand(plan(90, item("F2", Side.LEFT, 0.5)), held)).isEmpty();
        assertThat(byHand(plan(90, item("F2", Side.RIGHT, 1)), held))
                .as("nothing is known of the right side")
                .isEmpty();
    }

    @Test
    void what_stands_against_going_up_is_said_before_a_dose_is_set_by_hand() {
        ClientFacts facts =
                new ClientFacts(Status.GENERAL, null, List.of(), List.of(), List.of(), 166.0, 66.0, 35, Set.of());
        for (int overdue : new int[] {14, 15}) {
            Screening screening =
                    Screening.of(Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), TODAY)
                            .withLastCheck(TODAY.minusDays(42 + overdue)));
            assertThat(PlanWarnings.ofHer(screening, 0, TODAY))
                    .as(overdue + " days overdue")
                    .hasSize(overdue > 14 ? 1 : 0);
            assertThat(PlanWarnings.ofHer(screening, 1, TODAY)).contains(Reason.of("warn.symptomDays", 1));
        }
    }

    @Test
    void a_week_of_much_more_load_than_the_one_behind_her_is_said_and_a_small_rise_is_not() {
        assertThat(PlanWarnings.ofLoadAgainstBestWeek(49)).isEmpty();
        assertThat(PlanWarnings.ofLoadAgainstBestWeek(-80)).isEmpty();
        assertThat(PlanWarnings.ofLoadAgainstBestWeek(50)).contains(Reason.of("warn.loadJump", 50));
    }

    @Test
    void how_far_a_load_lies_above_what_was_held_is_said_in_percent() {
        double full = index("F2", 1);
        for (double share : new double[] {0.5, 0.8}) {
            List<Capacity.Clean> held = List.of(new Capacity.Clean(
                    TODAY, ShippedCatalogue.CATALOGUE.rung("F2").family(), Side.LEFT, share * full, null));
            // 1/0.5 is 100 % more, 1/0.8 is 25 % more
            assertThat(PlanWarnings.of(plan(90, item("F2", Side.LEFT, 1)), FLOATS_BY_HAND, held, TODAY)
                            .get(0)
                            .facts()
                            .get(1))
                    .isEqualTo(share == 0.5 ? 100L : 25L);
        }
        List<Capacity.Clean> justEnough = List.of(
                new Capacity.Clean(TODAY, ShippedCatalogue.CATALOGUE.rung("F2").family(), Side.LEFT, full / 1.1, null));
        assertThat(byHand(plan(90, item("F2", Side.LEFT, 1)), justEnough)).isEmpty();
    }

    @Test
    void as_many_exercises_and_changes_as_are_wished_are_no_matter() {
        PlanItem[] three = {item("BR1", null, 1), item("HK1", null, 1), item("BR1", null, 1)};
        assertThat(keys(plan(90, three), List.of())).isEmpty();
        Wishes two = new Wishes(Approach.SLOW_LADDER.stances(), 15, 7, Set.of(), 2, null, List.of());
        assertThat(PlanWarnings.of(plan(90, item("BR1", null, 1), item("HK1", null, 1)), two, List.of(), TODAY))
                .isEmpty();
        assertThat(PlanWarnings.of(
                        plan(90, item("BR1", null, 1), item("HK1", null, 1), item("PC6", null, 1)),
                        two,
                        List.of(),
                        TODAY))
                .containsExactly(Reason.of("warn.manyExercises", 3, 2));
    }
}
