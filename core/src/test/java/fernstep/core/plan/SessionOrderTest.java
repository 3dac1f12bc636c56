package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.plan.Packing.Room;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The order of a session, and how a week is laid out in days. */
class SessionOrderTest {
    private static Exercise exercise(String code, Role role, int seconds, int need, boolean heavy) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        Dose dose = new Dose(1, 5, null, null, 1, 7);
        return new Exercise(
                List.of(Items.item(rung, null, role, dose, 1, null, seconds, 0)),
                role == Role.FOUNDATION,
                need,
                true,
                heavy);
    }

    private static Exercise exercise(String code, Role role) {
        return exercise(code, role, 60, 10, false);
    }

    private static List<String> order(Exercise... exercises) {
        return codes(SessionOrder.of(List.of(exercises), Set.of()));
    }

    private static List<String> codes(List<PlanItem> items) {
        return items.stream().map(item -> item.rung().code()).toList();
    }

    @Test
    void what_settles_in_comes_first_then_foundations_as_they_are_learnt_then_work_and_upright_at_the_end() {
        assertThat(order(
                        exercise("UP3", Role.CARRY_OVER),
                        exercise("F2", Role.WORK),
                        exercise("PC1", Role.FOUNDATION),
                        exercise("DC1", Role.FOUNDATION),
                        exercise("BR2", Role.SETTLE_IN)))
                .containsExactly("BR2", "DC1", "PC1", "F2", "UP3");
    }

    @Test
    void the_first_place_is_that_of_the_first_foundation_and_work_alone_begins_on_the_back() {
        assertThat(order(exercise("F2", Role.WORK), exercise("HK1", Role.FOUNDATION)))
                .as("learnt on hands and knees")
                .containsExactly("HK1", "F2");
        assertThat(order(exercise("HK1", Role.WORK), exercise("F2", Role.WORK))).containsExactly("F2", "HK1");
        assertThat(order(exercise("HK1", Role.CARRY_OVER), exercise("F2", Role.WORK)))
                .containsExactly("F2", "HK1");
        assertThat(order(exercise("PC6", Role.FOUNDATION), exercise("F2", Role.WORK)))
                .as("what is upright stays at the end")
                .containsExactly("F2", "PC6");
        assertThat(order(exercise("PC6", Role.FOUNDATION), exercise("HK1", Role.FOUNDATION), exercise("F2", Role.WORK)))
                .containsExactly("HK1", "F2", "PC6");
        assertThat(order(exercise("HK1", Role.FOUNDATION), exercise("BR2", Role.SETTLE_IN), exercise("F2", Role.WORK)))
                .as("settling in before the foundation")
                .containsExactly("BR2", "F2", "HK1");
    }

    @Test
    void two_of_one_kind_of_load_do_not_follow_each_other_where_another_can_come_between() {
        Exercise f = exercise("F2", Role.WORK);
        Exercise h = exercise("HS1", Role.WORK);
        Exercise r = exercise("RO1", Role.WORK);
        Exercise b = exercise("BG1", Role.WORK);
        assertThat(f.family()).isEqualTo(h.family());
        assertThat(r.family()).isNotEqualTo(f.family()).isNotEqualTo(b.family());
        assertThat(order(f, h, r, b)).containsExactly("F2", "RO1", "HS1", "BG1");
        assertThat(order(f, h)).as("nothing can come between").containsExactly("F2", "HS1");
        assertThat(order(b, r)).containsExactly("BG1", "RO1");
    }

    @ParameterizedTest(name = "{0} s and {1} s flat: {2}")
    @CsvSource({"90, 90, SUPINE", "90, 91, INCLINED", "180, 1, INCLINED"})
    void lying_flat_lasts_three_minutes_at_a_stretch_where_it_is_limited(int first, int second, Position then) {
        List<Exercise> two =
                List.of(exercise("F2", Role.WORK, first, 10, false), exercise("RO1", Role.WORK, second, 10, false));
        List<PlanItem> limited = SessionOrder.of(two, Set.of(Restriction.SUPINE_LIMITED));
        assertThat(limited).extracting(PlanItem::position).containsExactly(Position.SUPINE, then);
        assertThat(SessionOrder.of(two, Set.of()))
                .extracting(PlanItem::position)
                .containsExactly(Position.SUPINE, Position.SUPINE);
    }

    @Test
    void a_wedge_or_another_place_begins_the_three_minutes_anew() {
        Exercise one = exercise("F2", Role.WORK, 170, 10, false);
        Exercise two = exercise("RO1", Role.WORK, 170, 10, false);
        Exercise three = exercise("HS1", Role.WORK, 170, 10, false);
        assertThat(SessionOrder.of(List.of(one, two, three), Set.of(Restriction.SUPINE_LIMITED)))
                .extracting(PlanItem::position)
                .containsExactly(Position.SUPINE, Position.INCLINED, Position.SUPINE);
        Exercise longOne = exercise("F2", Role.WORK, 181, 10, false);
        assertThat(SessionOrder.of(List.of(longOne), Set.of(Restriction.SUPINE_LIMITED)))
                .extracting(PlanItem::position)
                .containsExactly(Position.INCLINED);
    }

    @Test
    void nothing_is_lost_or_doubled_and_places_are_gone_to_once() {
        List<String> all = List.of(
                "F2", "HS1", "AL1", "RO1", "BG1", "HK3", "HP1", "SS1", "BK2", "UP3", "DC1", "PC1", "BR1", "PF1");
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            List<String> some = new ArrayList<>(all);
            Collections.shuffle(some, random);
            List<Exercise> exercises = some.subList(0, 1 + random.nextInt(8)).stream()
                    .map(text -> exercise(
                            text, Role.of(ShippedCatalogue.CATALOGUE.rung(text).strand(), random.nextInt(4) == 0)))
                    .toList();
            List<PlanItem> order = SessionOrder.of(exercises, Set.of());
            assertThat(codes(order))
                    .as("seed %d", seed)
                    .containsExactlyInAnyOrderElementsOf(exercises.stream()
                            .map(exercise -> exercise.items().get(0).rung().code())
                            .toList());
            Set<PlanItem.Ground> left = new HashSet<>();
            for (int i = 1; i < order.size(); i++) {
                PlanItem.Ground before = order.get(i - 1).ground();
                if (before != order.get(i).ground()) {
                    assertThat(left.add(before)).as("seed %d", seed).isTrue();
                }
                assertThat(left).as("seed %d", seed).doesNotContain(order.get(i).ground());
                if (before == order.get(i).ground()) {
                    assertThat(order.get(i).role())
                            .isGreaterThanOrEqualTo(order.get(i - 1).role());
                }
            }
            assertThat(left).as("seed %d", seed).doesNotContain(PlanItem.Ground.UPRIGHT);
        }
    }

    private static List<Set<String>> week(int days, boolean rests, Room room, Set<Strand> training, Exercise... all) {
        return new Week(List.of(all), room, training, ByHand.NOTHING, new WeekRules(rests, true, Set.of(), Map.of()))
                .sessions(days).stream()
                        .map(exercises -> exercises.stream()
                                .map(exercise -> exercise.items().get(0).rung().code())
                                .collect(Collectors.toSet()))
                        .toList();
    }

    @Test
    void one_session_where_all_fits_and_two_where_a_strand_in_training_would_wait_all_week() {
        Exercise f = exercise("F2", Role.WORK, 60, 900, false);
        Exercise b = exercise("BG1", Role.WORK, 60, 500, false);
        Exercise h = exercise("HK3", Role.WORK, 60, 700, false);
        Room two = new Room(2, 2, 6000, 3);
        Room three = new Room(3, 3, 6000, 3);
        Set<Strand> all = EnumSet.of(Strand.LEG_FLOAT, Strand.BRIDGE, Strand.HANDS_KNEES);
        assertThat(week(3, true, three, all, f, b, h)).containsExactly(Set.of("F2", "BG1", "HK3"));
        List<Set<String>> ab = week(3, true, two, all, f, b, h);
        assertThat(ab).hasSize(2);
        assertThat(ab.get(0)).containsExactlyInAnyOrder("F2", "HK3");
        assertThat(ab.get(1)).contains("BG1").hasSize(2);
        assertThat(week(2, true, two, all, f, b, h)).hasSize(2);
        assertThat(week(3, true, two, Set.of(), f, b, h))
                .as("nothing is in training")
                .hasSize(1);
        assertThat(week(1, true, two, all, f, b, h))
                .as("on one day a week: what is in training first")
                .hasSize(1);
    }

    @Test
    void on_one_day_a_week_what_is_in_training_comes_before_what_is_needed_more() {
        Exercise f = exercise("F2", Role.WORK, 60, 900, false);
        Exercise b = exercise("BG1", Role.WORK, 60, 500, false);
        Room one = new Room(1, 1, 6000, 3);
        assertThat(week(1, true, one, EnumSet.of(Strand.BRIDGE), f, b)).containsExactly(Set.of("BG1"));
        assertThat(week(1, true, one, Set.of(), f, b)).containsExactly(Set.of("F2"));
    }

    @Test
    void heavy_work_has_a_day_between_where_days_follow_each_other() {
        Exercise f = exercise("F5", Role.WORK, 60, 900, true);
        Exercise s = exercise("SS2", Role.WORK, 60, 800, true);
        Exercise h = exercise("HK3", Role.WORK, 60, 700, false);
        Room room = new Room(4, 4, 6000, 3);
        assertThat(f.family()).isNotEqualTo(s.family());
        assertThat(week(4, true, room, Set.of(), f, s, h))
                .as("one kind a day")
                .containsExactly(Set.of("F5", "HK3"), Set.of("SS2", "HK3"));
        assertThat(week(3, true, room, Set.of(), f, s, h)).containsExactly(Set.of("F5", "SS2", "HK3"));
        assertThat(week(5, false, room, Set.of(), f, s, h))
                .as("trained daily by design")
                .containsExactly(Set.of("F5", "SS2", "HK3"));
        assertThat(week(5, true, room, Set.of(), f, h))
                .as("one kind alone: every other day")
                .containsExactly(Set.of("F5", "HK3"), Set.of("HK3"));
        assertThat(week(5, true, room, Set.of(), h)).containsExactly(Set.of("HK3"));
    }

    @Test
    void what_must_be_in_is_in_on_every_day_heavy_or_not() {
        Exercise f = exercise("F5", Role.WORK, 60, 900, true);
        Exercise locked = new Exercise(exercise("SS2", Role.WORK).items(), true, 100, true, true);
        Exercise b = exercise("BG2", Role.WORK, 60, 800, true);
        List<Set<String>> ab = week(5, true, new Room(4, 4, 6000, 3), Set.of(), f, locked, b);
        assertThat(ab.get(0)).contains("SS2");
    }

    @ParameterizedTest(name = "{0} days: A on {1}, B on {2}")
    @CsvSource({"2, 1, 1", "3, 2, 1", "5, 3, 2", "7, 4, 3"})
    void days_a_week_are_shared_by_a_and_b_and_each_exercise_says_on_how_many_it_comes(int days, int a, int b) {
        Exercise f = exercise("F2", Role.WORK);
        Exercise h = exercise("HK3", Role.WORK);
        Exercise g = exercise("BG1", Role.WORK);
        PlanDays laid = new PlanDays(List.of(List.of(f, h), List.of(g, h)), days, Set.of());
        assertThat(laid.days()).extracting(Plan.Day::name).containsExactly("A", "B");
        assertThat(laid.days()).extracting(Plan.Day::perWeek).containsExactly(a, b);
        assertThat(codes(laid.items())).containsExactly("F2", "BG1", "HK3");
        assertThat(laid.items())
                .extracting(item -> item.dose().daysPerWeek())
                .containsExactly(a, b, Math.min(7, a + b));
        assertThat(laid.days().get(1).items()).hasSize(2);
        PlanDays one = new PlanDays(List.of(List.of(f, h)), days, Set.of());
        assertThat(one.days()).extracting(Plan.Day::perWeek).containsExactly(days);
        assertThat(one.items()).allMatch(item -> item.dose().daysPerWeek() == days);
    }

    @Test
    void what_lies_on_a_wedge_on_its_day_is_told_so_among_all() {
        List<Exercise> a = IntStream.range(0, 1)
                .mapToObj(index -> exercise("F2", Role.WORK, 181, 10, false))
                .toList();
        PlanDays laid = new PlanDays(List.of(a), 3, Set.of(Restriction.SUPINE_LIMITED));
        assertThat(laid.items()).extracting(PlanItem::position).containsExactly(Position.INCLINED);
        assertThat(laid.items()).isEqualTo(laid.days().get(0).items());
    }
}
