package fernstep.core.plan;

import static fernstep.core.plan.Woman.weeks_after_birth;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.ImpactTest;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The way back to impact: who may begin it, where, and what it takes of a session (brief 17.5). */
class ImpactStrandTest {
    private static final Rung WALK = ShippedCatalogue.CATALOGUE.rung("IM1");

    /** Five months after a birth, cleared, floats of four on both sides, a pelvic floor that lifts and lets go. */
    private static Woman ready() {
        return weeks_after_birth(20)
                .cleared()
                .grade(5, 5)
                .breaths(10)
                .cough(Observed.Cough.DRAWS_IN)
                .floats(4, 4)
                .floor(Observed.FloorLift.LIFTS, Observed.LetGo.FULLY)
                .wants(Goal.BACK_TO_RUNNING);
    }

    private static List<String> waitsFor(Woman woman) {
        return RungGates.waiting(WALK, null, woman.question().known()).stream()
                .map(waiting -> waiting.reason().key())
                .toList();
    }

    private static List<String> impact(Woman woman) {
        return woman.plan().items().stream()
                .filter(item -> item.strand() == Strand.IMPACT)
                .map(item -> item.rung().code())
                .distinct()
                .toList();
    }

    @Nested
    class May_begin {
        @Test
        void who_has_all_of_it() {
            assertThat(waitsFor(ready())).isEmpty();
            assertThat(impact(ready())).containsExactly("IM1");
        }

        @ParameterizedTest
        @CsvSource({"11, waiting.afterBirth", "6, waiting.afterBirth"})
        void not_before_twelve_weeks(int weeks, String reason) {
            Woman early = weeks_after_birth(weeks)
                    .cleared()
                    .grade(5, 5)
                    .breaths(10)
                    .floats(4, 4)
                    .floor(Observed.FloorLift.LIFTS, Observed.LetGo.FULLY)
                    .wants(Goal.BACK_TO_RUNNING);
            assertThat(waitsFor(early)).containsExactly(reason);
            assertThat(impact(early)).isEmpty();
        }

        @Test
        void not_on_a_pelvic_floor_that_leaked_in_four_weeks() {
            assertThat(waitsFor(ready().leaked_lately())).containsExactly("waiting.floorQuiet");
            assertThat(waitsFor(ready().says(Answer.LEAK_EFFORT))).contains("waiting.floorQuiet");
        }

        @Test
        void not_before_the_pelvic_floor_was_found_to_lift_and_to_let_go() {
            assertThat(waitsFor(ready().floor(Observed.FloorLift.LIFTS, Observed.LetGo.PARTLY)))
                    .containsExactly("waiting.floorReady");
            assertThat(waitsFor(ready().floor(null, null))).containsExactly("waiting.floorReady");
        }

        @Test
        void not_with_one_side_that_carries_less() {
            assertThat(waitsFor(ready().floats(4, 3))).containsExactly("waiting.oneOf");
        }

        @Test
        void not_with_girdle_pain_today() {
            assertThat(impact(ready().says(Answer.GIRDLE_PAIN))).isEmpty();
        }

        @Test
        void nobody_who_is_pregnant() {
            assertThat(waitsFor(Woman.pregnant(20).grade(5, 5).floats(4, 4))).contains("waiting.birth");
        }

        @Test
        void who_never_gave_birth() {
            Woman never = Woman.never_pregnant()
                    .grade(5, 5)
                    .breaths(10)
                    .floats(4, 4)
                    .floor(Observed.FloorLift.LIFTS, Observed.LetGo.FULLY);
            assertThat(waitsFor(never)).isEmpty();
        }
    }

    @Test
    void nobody_is_sent_running_for_want_of_something_else_to_do() {
        Woman w = ready().minutes(45).wants(null);
        assertThat(impact(w)).isEmpty();
        assertThat(w.plan().leftOut())
                .anySatisfy(left -> assertThat(left.strand()).isEqualTo(Strand.IMPACT));
    }

    @ParameterizedTest
    @EnumSource(Approach.class)
    void a_walk_takes_neither_minutes_nor_a_place_of_the_session(Approach approach) {
        Plan with = ready().by(approach).minutes(10).plan();
        Plan without = ready().by(approach).minutes(10).wants(null).plan();
        assertThat(with.items())
                .filteredOn(item -> item.rung().equals(WALK))
                .singleElement()
                .satisfies(item -> {
                    assertThat(item.seconds()).isZero();
                    assertThat(item.dose().daysPerWeek()).isLessThanOrEqualTo(3);
                    // two times five minutes
                    assertThat(item.dose().times() * item.dose().holdS()).isEqualTo(600);
                });
        assertThat(Plan.size(with.days().get(0).items()))
                .isGreaterThanOrEqualTo(Plan.size(without.days().get(0).items()));
    }

    @ParameterizedTest
    @EnumSource(DoseStance.class)
    void it_is_done_on_three_days_a_week_at_most(DoseStance stance) {
        for (Rung rung :
                ShippedCatalogue.CATALOGUE.strand(Strand.IMPACT).orElseThrow().rungs()) {
            assertThat(DoseRules.first(rung, stance).daysPerWeek())
                    .as(rung.code())
                    .isLessThanOrEqualTo(3);
        }
    }

    @Nested
    class The_battery {
        /** All of it, as far as enough goes; hops on the right as given. */
        private ImpactTest.Battery all(int hopsRight, ImpactTest.Felt felt) {
            Map<ImpactTest, Map<Side, Integer>> reached = new EnumMap<>(ImpactTest.class);
            for (ImpactTest test : ImpactTest.values()) {
                reached.put(test, Map.of(Side.LEFT, test.enough(), Side.RIGHT, test.enough()));
            }
            reached.put(ImpactTest.HOPS, Map.of(Side.LEFT, 10, Side.RIGHT, hopsRight));
            return new ImpactTest.Battery(reached, felt);
        }

        @Test
        void passed_in_full_leads_to_running_and_walking_in_turns() {
            assertThat(all(10, ImpactTest.Felt.FELT_NOTHING).heldBackBy()).isEmpty();
            assertThat(impact(ready().battery(all(10, ImpactTest.Felt.FELT_NOTHING))))
                    .containsExactly("IM7");
        }

        @Test
        void is_held_back_by_the_weaker_side() {
            assertThat(all(9, ImpactTest.Felt.FELT_NOTHING).heldBackBy()).contains(ImpactTest.HOPS);
            assertThat(impact(ready().battery(all(9, ImpactTest.Felt.FELT_NOTHING))))
                    .contains("IM6");
        }

        @ParameterizedTest
        @EnumSource(value = ImpactTest.Felt.class, names = "FELT_NOTHING", mode = EnumSource.Mode.EXCLUDE)
        void in_which_something_was_felt_closes_all_of_it_until_it_was_done_without(ImpactTest.Felt felt) {
            assertThat(all(10, felt).heldBackBy()).contains(ImpactTest.HOPS);
            Woman feltInIt = ready().battery(all(10, felt));
            assertThat(impact(feltInIt)).isEmpty();
            assertThat(waitsFor(feltInIt)).containsExactly("waiting.impactFelt");
        }

        @Test
        void in_which_she_leaked_brings_the_pelvic_floor_into_the_plan() {
            Woman leaked = ready().battery(all(10, ImpactTest.Felt.FELT_LEAK));
            assertThat(leaked.plan().items()).anyMatch(item -> item.strand() == Strand.PELVIC_FLOOR);
        }

        @Test
        void shows_nothing_where_nobody_asked_what_she_felt() {
            assertThat(all(10, null).heldBackBy()).contains(ImpactTest.WALK);
            assertThat(impact(ready().battery(all(10, null)))).containsExactly("IM1");
        }

        @Test
        void opens_nothing_by_itself() {
            Woman leaks = ready().leaked_lately().battery(all(10, ImpactTest.Felt.FELT_NOTHING));
            assertThat(impact(leaks)).isEmpty();
        }
    }
}
