package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.KnownOf;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.plan.RungGates;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FrondTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 1);
    private static final ClientFacts PREGNANT = new ClientFacts(
            Status.PREGNANT, TODAY.plusDays(112), List.of(), List.of(), List.of(), null, null, null, Set.of());

    private static Place place(Side side, String rung, int reps) {
        return new Place(
                Strand.LEG_FLOAT, side, rung, new Dose(1, reps, null, null, 1, 5), 1, Reason.of("why.progress"));
    }

    private static Frond frond(Set<RungGates.Done> helped, Place... places) {
        Screening screening =
                Screening.of(Screening.Question.of(PREGNANT, List.of(), Approach.SLOW_LADDER.stances(), TODAY));
        return Frond.of(
                ShippedCatalogue.CATALOGUE.strand(Strand.LEG_FLOAT).orElseThrow(),
                List.of(places),
                helped,
                DoseStance.MASTERY_REPS,
                KnownOf.her(
                        screening,
                        true,
                        Findings.NONE,
                        Plan.done(ShippedCatalogue.CATALOGUE, Findings.NONE, List.of(places))));
    }

    private static Frond.Pair rung(Frond frond, String code) {
        return frond.pairs().stream()
                .filter(pair -> pair.rung().code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void shows_each_side_where_it_stands() {
        Frond f = frond(Set.of(), place(Side.LEFT, "F2", 15), place(Side.RIGHT, "F3", 6));
        assertThat(rung(f, "F1").left().state()).isEqualTo(LeafState.OPEN);
        assertThat(rung(f, "F2").left().state()).isEqualTo(LeafState.UNFURLING);
        assertThat(rung(f, "F2").right().state()).isEqualTo(LeafState.OPEN);
        assertThat(rung(f, "F3").right().state()).isEqualTo(LeafState.UNFURLING);
    }

    @Test
    void a_strand_is_in_training_settled_or_not_begun() {
        assertThat(frond(Set.of()).standing()).isEqualTo(Frond.Standing.NOT_BEGUN);
        assertThat(frond(Set.of(), place(Side.LEFT, "F2", 10), place(Side.RIGHT, "F2", 10))
                        .standing())
                .isEqualTo(Frond.Standing.IN_TRAINING);
        Frond done = frond(Set.of(), place(Side.LEFT, "F2", 10));
        assertThat(new Frond(done.strand(), done.pairs().subList(0, 1)).standing())
                .as("F1 behind her, nothing in training")
                .isEqualTo(Frond.Standing.SETTLED);
        assertThat(done.sided()).isTrue();
    }

    @Test
    void unfurls_with_the_dose() {
        // mastery on F2: 10, 12, 14, 17, 20 repetitions are four notches
        assertThat(rung(frond(Set.of(), place(Side.LEFT, "F2", 10), place(Side.RIGHT, "F2", 17)), "F2"))
                .satisfies(pair -> {
                    assertThat(pair.left().unfurled()).isZero();
                    assertThat(pair.right().unfurled()).isEqualTo(0.75);
                });
    }

    @Test
    void keeps_clean_with_help_apart() {
        Frond f = frond(
                Set.of(new RungGates.Done("F2", Side.LEFT)), place(Side.LEFT, "F2", 12), place(Side.RIGHT, "F2", 12));
        assertThat(rung(f, "F2").left().state()).isEqualTo(LeafState.HELPED);
        assertThat(rung(f, "F2").right().state()).isEqualTo(LeafState.UNFURLING);
    }

    @Test
    void puts_a_ring_where_a_gate_holds_and_says_what_it_waits_for() {
        Frond.Leaf gated = rung(frond(Set.of()), "F8").left();
        assertThat(gated.state()).isEqualTo(LeafState.GATED);
        assertThat(gated.waiting())
                .extracting(waiting -> waiting.code())
                .contains("LONG_LEVER", "BIRTH")
                .doesNotContain("F7");
    }

    @Test
    void leaves_branches_off_the_stem() {
        assertThat(frond(Set.of()).pairs())
                .extracting(pair -> pair.rung().code())
                .doesNotContain("F9");
    }
}
