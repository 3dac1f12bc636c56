package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Strand;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The opening minute. */
class SettleInTest {
    private static Optional<PlanItem> of(Woman woman, Set<Strand> settled, Exercise... beside) {
        Plan.Question q = woman.question();
        return SettleIn.of(q, q.known(), settled, List.of(beside))
                .map(exercise -> exercise.items().get(0));
    }

    private static Exercise foundation(Strand strand) {
        Rung rung =
                ShippedCatalogue.CATALOGUE.strand(strand).orElseThrow().rungs().get(0);
        Dose dose = new Dose(1, 5, null, null, 1, 7);
        return new Exercise(
                List.of(PlanItem.beside(rung, Role.FOUNDATION, dose, Reason.of("why.progress"))), true, 1, true, false);
    }

    private static final Set<Strand> CORE = EnumSet.of(Strand.DEEP_CORE);

    @Test
    void is_there_once_something_is_settled_and_breath_is_not_being_learnt() {
        Woman w = never_pregnant().strong();
        assertThat(of(w, Set.of())).isEmpty();
        assertThat(of(w, CORE)).isPresent();
        assertThat(of(w, CORE, foundation(Strand.BREATH))).isEmpty();
        assertThat(of(w, CORE, foundation(Strand.PELVIC_FLOOR))).isPresent();
    }

    @Test
    void is_the_highest_breath_that_was_learnt() {
        assertThat(of(never_pregnant().strong().at("BR5"), CORE))
                .get()
                .extracting(item -> item.rung().code())
                .isEqualTo("BR4");
        assertThat(of(never_pregnant().strong().at("BR4"), CORE))
                .get()
                .extracting(item -> item.rung().code())
                .isEqualTo("BR3");
        assertThat(of(never_pregnant().at("BR3"), CORE))
                .get()
                .extracting(item -> item.rung().code())
                .isEqualTo("BR2");
    }

    @Test
    void takes_a_minute_at_most_in_one_set_once_a_day() {
        for (int breaths = 1; breaths <= 20; breaths++) {
            for (String at : List.of("BR3", "BR4", "BR5")) {
                Woman w = never_pregnant().grade(5, 5).breaths(breaths).at(at).days(4);
                PlanItem item = of(w, CORE).orElseThrow();
                Dose dose = item.dose();
                assertThat(dose.sets()).isEqualTo(1);
                assertThat(dose.perDay()).isEqualTo(1);
                assertThat(dose.daysPerWeek()).isEqualTo(4);
                assertThat(item.seconds())
                        .as("%s, %d breaths", at, breaths)
                        .isEqualTo(SessionTime.seconds(item.rung(), dose))
                        .isLessThanOrEqualTo(60);
                Dose first = StartingDose.of(item.rung(), w.stances().dose(), w.findings(), null)
                        .dose();
                boolean asFirst = Objects.equals(dose.breaths(), first.breaths());
                assertThat(dose.holdS()).isEqualTo(first.holdS());
                assertThat(asFirst || SessionTime.seconds(item.rung(), dose.withBreaths(dose.breaths() + 1)) > 60)
                        .as("%s, %d breaths: no fewer than fit", at, breaths)
                        .isTrue();
            }
        }
    }

    @Test
    void is_done_on_a_wedge_or_off_the_floor_where_lying_is_closed() {
        assertThat(of(never_pregnant().strong().may_not(Restriction.SUPINE_INCLINED), CORE))
                .get()
                .extracting(PlanItem::position)
                .isEqualTo(Position.INCLINED);
        assertThat(of(never_pregnant().strong().may_not(Restriction.NO_FLOOR, Restriction.NO_FIRM_BED), CORE))
                .get()
                .extracting(PlanItem::ground)
                .isEqualTo(PlanItem.Ground.UPRIGHT);
        assertThat(of(never_pregnant().strong().may_not(Restriction.NO_FLOOR), CORE))
                .as("on a bed")
                .get()
                .extracting(PlanItem::standInKind)
                .isNull();
        PlanItem open = of(never_pregnant().strong(), CORE).orElseThrow();
        assertThat(open.rung())
                .isEqualTo(ShippedCatalogue.CATALOGUE.rung(open.rung().code()));
        assertThat(open.role()).isEqualTo(Role.SETTLE_IN);
    }
}
