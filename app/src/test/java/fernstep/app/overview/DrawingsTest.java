package fernstep.app.overview;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.app.progress.FrondDrawing;
import fernstep.app.support.Languages;
import fernstep.app.support.Words;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Frond;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import fernstep.exchange.casefile.CataloguePackage;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** The pictures of the client's page. */
class DrawingsTest {
    private static final LocalDate BORN = LocalDate.of(2031, 1, 1);
    private static final ClientFacts FACTS = new ClientFacts(
            Status.POSTNATAL,
            null,
            List.of(new Birth(BORN, BirthMode.VAGINAL, 0)),
            List.of(),
            List.of(),
            null,
            null,
            null,
            Set.of());

    private static Screening on(LocalDate day) {
        return Screening.of(Screening.Question.of(FACTS, List.of(), Approach.SLOW_LADDER.stances(), day));
    }

    @Nested
    class The_stage_line {
        private final StageLine line = StageLine.of(on(BORN.plusDays(70)), FACTS, BORN.plusDays(70));

        @Test
        void puts_gates_and_today_on_one_scale_of_weeks() {
            // the last dated gate is the curl on day 168; the line runs 14 days past it: 960 units for 182 days
            double day = 960.0 / 182;
            assertThat(line.todayX()).isCloseTo(20 + 70 * day, within(1e-9));
            assertThat(line.weeks().get(1).x()).isCloseTo(20 + 28 * day, within(1e-9));
            assertThat(line.gates()).anySatisfy(mark -> assertThat(mark.x()).isCloseTo(20 + 84 * day, within(1e-9)));
        }

        @Test
        void keeps_the_words_of_neighbours_apart() {
            assertThat(line.gates().get(0).labelY())
                    .isNotEqualTo(line.gates().get(1).labelY());
            assertThat(line.gates())
                    .allSatisfy(mark -> assertThat(mark.labelX()).isBetween(0.0, 1000.0));
        }

        @Test
        void has_no_dates_without_an_event() {
            ClientFacts general =
                    new ClientFacts(Status.GENERAL, null, List.of(), List.of(), List.of(), null, null, null, Set.of());
            assertThat(StageLine.of(on(BORN), general, BORN).dated()).isFalse();
        }
    }

    @Nested
    class The_frond {
        private final Catalogue catalogue = CataloguePackage.shipped();
        private final List<Place> places = List.of(
                new Place(
                        Strand.LEG_FLOAT,
                        Side.LEFT,
                        "F1",
                        new Dose(1, 10, null, null, 1, 5),
                        1,
                        Reason.of("why.progress")),
                new Place(
                        Strand.LEG_FLOAT,
                        Side.RIGHT,
                        "F3",
                        new Dose(1, 6, null, null, 1, 5),
                        1,
                        Reason.of("why.progress")));
        private final FrondDrawing drawing = FrondDrawing.of(
                Frond.of(
                        catalogue.strand(Strand.LEG_FLOAT).orElseThrow(),
                        places,
                        Set.of(),
                        DoseStance.MASTERY_REPS,
                        new RungGates.Known(
                                catalogue,
                                on(BORN.plusDays(70)),
                                false,
                                Findings.NONE,
                                null,
                                Plan.done(catalogue, Findings.NONE, places),
                                RungGates.History.NONE)),
                new Words(new Languages(false), CataloguePackage::shipped));

        private FrondDrawing.LeafShape leaf(String rung, String side) {
            return drawing.leaves().stream()
                    .filter(shape -> shape.rung().equals(rung) && shape.side().equals(side))
                    .findFirst()
                    .orElseThrow();
        }

        @Test
        void has_a_pair_of_leaflets_for_a_rung_with_sides_and_one_for_a_rung_without() {
            assertThat(drawing.leaves())
                    .filteredOn(shape -> shape.rung().equals("F2"))
                    .hasSize(2);
            assertThat(drawing.leaves())
                    .filteredOn(shape -> shape.rung().equals("F8"))
                    .hasSize(1);
        }

        @Test
        void draws_her_left_on_the_left_and_the_lowest_rung_lowest() {
            // a trained or open leaflet ends in its tip: left of the stem at x = 110, or right of it
            assertThat(leaf("F1", "left").path()).matches("M110 [0-9.]+Q[6-9][0-9.]+ .*");
            assertThat(leaf("F2", "right").path()).matches("M110 [0-9.]+Q1[2-9][0-9.]+ .*");
            assertThat(leaf("F1", "left").labelY())
                    .isGreaterThan(leaf("F2", "left").labelY());
        }

        @Test
        void says_in_words_what_it_draws() {
            assertThat(drawing.summary())
                    .startsWith(
                            "Leg float. F1 left: in training, 100 % through its doses. F1 right: clean at the highest dose.")
                    .contains("F8: not open, From 26 Mar 2031 on, once her midwife or doctor has cleared exercise");
        }

        @Test
        void puts_a_ring_on_the_stem_only_where_a_gate_holds() {
            assertThat(leaf("F8", "").ring()).isTrue();
            assertThat(leaf("F1", "left").ring()).isFalse();
        }
    }
}
