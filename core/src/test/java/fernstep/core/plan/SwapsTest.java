package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What a plan may be bent into by hand, and what another approach would make of it. */
class SwapsTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);
    private static final Findings FLOATS_TWO = Findings.NONE
            .with(new Findings.Pressure(Observed.Cough.DRAWS_IN, null, null))
            .with(new Findings.AtRest(null, Observed.LumbarGap.FLAT_HAND, null))
            .with(new Findings.DeepCore(Map.of(Side.LEFT, 4, Side.RIGHT, 4), 8, Map.of(Side.LEFT, 2, Side.RIGHT, 2)))
            .with(Findings.HandsAndKnees.scoop(Observed.Scoop.YES));

    private static Screening screening(Approach approach, Set<Restriction> closed) {
        ClientFacts facts =
                new ClientFacts(Status.GENERAL, null, List.of(), List.of(), List.of(), 168.0, 66.0, 35, closed);
        return Screening.of(Screening.Question.of(facts, List.of(), approach.stances(), TODAY));
    }

    private static Plan.Question question(Approach approach, Set<Restriction> closed, List<Place> places) {
        return new Plan.Question(
                ShippedCatalogue.CATALOGUE,
                new Plan.Her(screening(approach, closed), false, FLOATS_TWO, Body.of(66.0, 168.0)),
                Training.none(TODAY).with(places),
                Wishes.of(approach.stances(), 90));
    }

    private static PlanItem item(Plan.Question question, Strand strand) {
        return Plan.of(question).items().stream()
                .filter(item -> item.strand() == strand)
                .findFirst()
                .orElseThrow();
    }

    private static List<String> swaps(Plan.Question question, Strand strand) {
        return Swaps.of(question, Plan.of(question), item(question, strand)).stream()
                .map(Rung::code)
                .toList();
    }

    @Test
    void a_float_may_be_swapped_for_what_was_clean_and_the_next_that_opens_but_not_beyond() {
        Plan.Question q = question(Approach.SLOW_LADDER, Set.of(), List.of());
        assertThat(item(q, Strand.LEG_FLOAT).rung().code()).isEqualTo("F2");
        assertThat(swaps(q, Strand.LEG_FLOAT)).contains("F1", "F3").doesNotContain("F2", "F4", "F5");
    }

    @Test
    void what_the_plan_has_already_is_not_offered_twice() {
        Plan.Question q = question(Approach.SLOW_LADDER, Set.of(), List.of());
        Plan plan = Plan.of(q);
        plan.items()
                .forEach(item -> assertThat(Swaps.of(q, plan, item))
                        .filteredOn(rung -> rung.strand() != item.strand())
                        .noneMatch(rung -> plan.items().stream()
                                .anyMatch(planItem -> planItem.rung().equals(rung))));
    }

    @Test
    void nothing_in_a_closed_position_is_offered() {
        Plan.Question q = question(Approach.SLOW_LADDER, Set.of(Restriction.NO_KNEELING), List.of());
        assertThat(Swaps.of(q, Plan.of(q), item(q, Strand.LEG_FLOAT)))
                .noneMatch(
                        rung -> rung.closedBy(Set.of(Restriction.NO_KNEELING)).isPresent());
    }

    @Test
    void another_approach_gives_the_same_place_in_its_own_dose() {
        Place float2 = new Place(
                Strand.LEG_FLOAT, Side.LEFT, "F2", new Dose(1, 14, null, null, 1, 5), 1, Reason.of("why.progress"));
        Plan.Question slow = question(Approach.SLOW_LADDER, Set.of(), List.of(float2));
        Plan.Question micro = slow.by(Approach.QUIET_START.stances(), screening(Approach.QUIET_START, Set.of()));
        PlanItem same = item(micro, Strand.LEG_FLOAT);
        assertThat(same.rung().code()).isEqualTo("F2");
        assertThat(same.dose().perDay())
                .as("loaded work is never repeated through the day")
                .isEqualTo(1);
        assertThat(same.dose().daysPerWeek()).isEqualTo(5);
        assertThat(same.dose().reps()).as("ten at most").isEqualTo(10);
    }
}
