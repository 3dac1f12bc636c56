package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Window;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.findings.FloatTest;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlanTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);

    private static Findings found(
            Findings.Cough cough, int leftSet, int rightSet, Integer tolerance, Integer leftFloat, Integer rightFloat) {
        return new Findings(
                cough,
                Map.of(Side.LEFT, leftSet, Side.RIGHT, rightSet),
                tolerance,
                null,
                leftFloat == null ? Map.of() : Map.of(Side.LEFT, leftFloat, Side.RIGHT, rightFloat),
                null,
                null,
                null,
                null,
                null);
    }

    private static Plan plan(int daysAfterBirth, boolean cleared, Findings findings, Answer... answers) {
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(TODAY.minusDays(daysAfterBirth), BirthMode.VAGINAL, 0)),
                List.of(),
                cleared
                        ? List.of(new Clearance(
                                Clearance.Scope.EXERCISE, TODAY.minusDays(1), "MIDWIFE", null, null, null))
                        : List.of(),
                166.0,
                66.0,
                30,
                Set.of());
        Screening screening =
                Screening.of(Screening.Question.of(facts, List.of(answers), Approach.SLOW_LADDER.stances(), TODAY));
        return Plan.of(new Plan.Question(
                ShippedCatalogue.CATALOGUE,
                screening,
                false,
                Approach.SLOW_LADDER.stances(),
                findings,
                Body.of(66.0, 166.0),
                List.of(),
                90));
    }

    private static final Set<Strand> THREE = Set.of(Strand.BREATH, Strand.DEEP_CORE, Strand.LEG_FLOAT);

    private static List<PlanItem> ofThree(Plan plan) {
        return plan.items().stream().filter(i -> THREE.contains(i.strand())).toList();
    }

    private static PlanItem item(Plan plan, String rung) {
        return plan.items().stream()
                .filter(i -> i.rung().code().equals(rung))
                .findFirst()
                .orElseThrow();
    }

    /** Of breath, deep core and leg float, which most findings speak about. */
    private static List<String> rungs(Plan plan) {
        return ofThree(plan).stream()
                .map(i -> i.rung().code() + (i.side() == null ? "" : " " + i.side()))
                .toList();
    }

    @Nested
    class Starting_rungs {
        @Test
        void put_the_weaker_side_first_with_one_set_more_and_hold_the_stronger_to_one_rung_ahead() {
            Plan p = plan(70, true, found(Findings.Cough.DRAWS_IN, 3, 4, 5, 1, 3));
            assertThat(rungs(p)).containsExactlyInAnyOrder("BR3", "DC2", "F1 LEFT", "F2 RIGHT");
            assertThat(rungs(p)).containsSubsequence("F1 LEFT", "F2 RIGHT");
            assertThat(item(p, "F1").dose().sets()).isEqualTo(2);
            assertThat(item(p, "F1").baseDose().sets()).isEqualTo(1);
            assertThat(item(p, "F2").why().key()).isEqualTo("why.strongerSideWaits");
        }

        @ParameterizedTest
        @CsvSource({
            // cough, set, tolerance, float → breath, deep core, float
            "PUSHES_OUT, 4, 5, 4, BR1, DC4, F1",
            "DRAWS_IN, 4, 2, 4, BR1, DC4, F1",
            "DRAWS_IN, 3, 5, 0, BR3, DC2, F1",
            "DRAWS_IN, 3, 5, 2, BR3, DC2, F2",
            "DRAWS_IN, 4, 10, 3, BR4, DC4, F3",
            "NO_CHANGE, 5, 9, 5, BR3, DC4, F5"
        })
        void follow_the_findings(
                Findings.Cough cough, int set, int tolerance, int score, String br, String dc, String f) {
            assertThat(rungs(plan(90, true, found(cough, set, set, tolerance, score, score))))
                    .containsExactlyInAnyOrder(br, dc, f + " LEFT", f + " RIGHT");
        }

        @Test
        void load_nothing_on_a_weak_set() {
            Plan p = plan(90, true, found(Findings.Cough.DRAWS_IN, 2, 4, 5, 3, 3));
            assertThat(rungs(p)).containsExactly("BR2", "DC1");
            assertThat(p.notOpen()).extracting(n -> n.strand().name()).contains("LEG_FLOAT", "LEG_FLOAT");
        }

        @Test
        void train_at_the_windows_minimum() {
            PlanItem f3 = item(plan(90, true, found(Findings.Cough.DRAWS_IN, 4, 4, 5, 3, 3)), "F3");
            assertThat(f3.dose()).isEqualTo(new Dose(1, 6, null, null, 1, 5));
        }
    }

    @Nested
    class Gates {
        @Test
        void leave_breath_before_any_clearance_and_name_what_the_rest_waits_for() {
            Plan p = plan(10, false, found(Findings.Cough.DRAWS_IN, 4, 4, 5, 3, 3));
            assertThat(rungs(p)).containsExactly("BR3");
            assertThat(p.notOpen()).anySatisfy(n -> {
                assertThat(n.rung()).isEqualTo("F1");
                assertThat(n.waiting().get(0).opensOn()).isEqualTo(TODAY.plusDays(32));
            });
        }

        @Test
        void leave_only_breath_while_ask_first_stands() {
            assertThat(rungs(plan(90, true, found(Findings.Cough.DRAWS_IN, 4, 4, 5, 3, 3), Answer.HERNIA)))
                    .containsExactly("BR3");
        }
    }

    @Nested
    class Doses {
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
            Dose d = DoseRules.minimum(w, DoseStance.SETS_WEEKLY);
            int notches = 0;
            while (DoseRules.notchUp(d, w).isPresent()) {
                d = DoseRules.notchUp(d, w).get();
                notches++;
            }
            assertThat(d).isEqualTo(DoseRules.top(w, DoseStance.SETS_WEEKLY));
            while (DoseRules.notchDown(d, w).isPresent()) {
                d = DoseRules.notchDown(d, w).get();
                notches--;
            }
            assertThat(notches).isZero();
            assertThat(d).isEqualTo(DoseRules.minimum(w, DoseStance.SETS_WEEKLY));
        }
    }

    @Nested
    class Time {
        @Test
        void is_computed_from_tempo_and_dose() {
            // F3: 10 + 10 + 4 = 24 s a repetition; 2 sets of 6 with 30 s between: 288 + 30
            assertThat(SessionTime.seconds(ShippedCatalogue.CATALOGUE.rung("F3"), new Dose(2, 6, null, null, 1, 5)))
                    .isEqualTo(318);
            assertThat(SessionTime.loadSeconds(ShippedCatalogue.CATALOGUE.rung("F3"), new Dose(2, 6, null, null, 1, 5)))
                    .isEqualTo(240);
        }

        @Test
        void adds_twenty_seconds_a_change_of_position() {
            Plan p = plan(70, true, found(Findings.Cough.DRAWS_IN, 3, 4, 5, 1, 3));
            long positions =
                    p.items().stream().map(PlanItem::position).distinct().count();
            assertThat(p.secondsTotal())
                    .isEqualTo(p.items().stream().mapToInt(PlanItem::seconds).sum() + 20 * ((int) positions - 1));
            assertThat(SessionTime.changesSeconds(
                            List.of(Position.SUPINE, Position.SIDE, Position.SUPINE, Position.SUPINE)))
                    .isEqualTo(40);
        }
    }

    @Test
    void the_float_score_is_the_highest_clean_rung_and_help_is_kept_apart() {
        FloatTest test = new FloatTest(
                Map.of(1, FloatTest.Try.CLEAN, 2, FloatTest.Try.CLEAN, 3, FloatTest.Try.HELPED, 4, FloatTest.Try.SIGN));
        assertThat(test.score()).isEqualTo(2);
        assertThat(test.scoreWithHelp()).isEqualTo(3);
    }
}
