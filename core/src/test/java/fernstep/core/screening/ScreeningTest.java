package fernstep.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Clearance.Scope;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.client.Surgery;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Whether she may train today, what is closed to her, and at which stage she is. */
class ScreeningTest extends ScreenedOnADay {
    private static ClientFacts pregnant(LocalDate due, Clearance... clearances) {
        return facts(Status.PREGNANT, due, List.of(), List.of(), clearances);
    }

    @Nested
    class The_outcome {
        @ParameterizedTest
        @EnumSource(Answer.class)
        void of_one_answer_alone_is_its_own(Answer answer) {
            Screening s = screen(general(), Approach.SLOW_LADDER, EVENT, answer);
            assertThat(s.outcome()).isEqualTo(answer.leadsTo());
            assertThat(s.reasons()).extracting(Screening.Finding::answer).containsExactly(answer);
        }

        @Test
        void of_mixed_answers_is_the_strongest_and_every_reason_is_named() {
            Screening s = screen(
                    general(), Approach.SLOW_LADDER, EVENT, Answer.TIRED, Answer.FEVER, Answer.HERNIA, Answer.CALF);
            assertThat(s.outcome()).isEqualTo(Outcome.REFER_NOW);
            assertThat(s.reasons())
                    .extracting(Screening.Finding::answer)
                    .containsExactly(Answer.CALF, Answer.FEVER, Answer.HERNIA, Answer.TIRED);
        }

        @Test
        void of_nothing_is_go() {
            Screening s = screen(general(), Approach.SLOW_LADDER, EVENT);
            assertThat(s.outcome()).isEqualTo(Outcome.GO);
            assertThat(s.reasons()).isEmpty();
        }

        @ParameterizedTest
        @CsvSource({"83, ASK_FIRST", "84, GO", "85, GO"})
        void a_severe_tear_asks_first_for_twelve_weeks_whoever_cleared_her(int day, Outcome outcome) {
            ClientFacts torn = birth(BirthMode.VAGINAL, 3, cleared(Scope.EXERCISE, EVENT.plusDays(50)));
            Screening s = screen(torn, Approach.SLOW_LADDER, EVENT.plusDays(day));
            assertThat(s.outcome()).isEqualTo(outcome);
        }

        @Test
        void ask_first_leaves_breath_posture_and_getting_up() {
            Screening s = screen(general(), Approach.GRADED_LOAD, EVENT, Answer.HEAVINESS);
            assertThat(s.allowedStrands())
                    .containsExactly(Strand.BREATH, Strand.PELVIC_CONTROL, Strand.BACK_LINE, Strand.UPRIGHT);
            assertThat(s.gates().values()).noneMatch(Gate::open);
        }

        @Test
        void refer_now_leaves_nothing() {
            assertThat(screen(general(), Approach.GRADED_LOAD, EVENT, Answer.BLEEDING)
                            .allowedStrands())
                    .isEmpty();
        }

        @Test
        void a_written_override_of_ask_first_adapts_and_opens_gates_but_never_lifts_an_emergency() {
            Screening.Question heavy = Screening.Question.of(
                            general(), List.of(Answer.HEAVINESS), Approach.SLOW_LADDER.stances(), EVENT)
                    .withOverrides(true, Set.of());
            assertThat(Screening.of(heavy).outcome()).isEqualTo(Outcome.ADAPT);
            assertThat(Screening.of(heavy).open(GateCode.FIRST_LOADED)).isTrue();
            Screening.Question bleeding = Screening.Question.of(
                            general(), List.of(Answer.BLEEDING), Approach.SLOW_LADDER.stances(), EVENT)
                    .withOverrides(true, Set.of());
            assertThat(Screening.of(bleeding).outcome()).isEqualTo(Outcome.REFER_NOW);
        }
    }

    @Nested
    class In_pregnancy {
        private final LocalDate today = LocalDate.of(2031, 6, 1);

        private ClientFacts weeks(int weeks, Clearance... clearances) {
            return pregnant(today.plusDays(280 - weeks * 7L), clearances);
        }

        @ParameterizedTest
        @CsvSource({
            "11, ''",
            "12, NO_PRONE",
            "15, NO_PRONE",
            "16, NO_PRONE SUPINE_LIMITED",
            "19, NO_PRONE SUPINE_LIMITED",
            "20, NO_PRONE SUPINE_INCLINED"
        })
        void positions_close_with_the_weeks(int weeks, String expected) {
            Set<Restriction> closed = EnumSet.noneOf(Restriction.class);
            for (String code : expected.split(" ")) {
                if (!code.isEmpty()) {
                    closed.add(Restriction.valueOf(code));
                }
            }
            assertThat(screen(weeks(weeks), Approach.BREATH_LED, today).closed())
                    .isEqualTo(closed);
        }

        @Test
        void gestation_counts_280_days_back_from_the_due_date() {
            // due in 112 days: 280 − 112 = 168 days = 24+0
            Stage stage = screen(pregnant(today.plusDays(112)), Approach.BREATH_LED, today)
                    .stage();
            assertThat(stage.gestation()).isEqualTo("24+0");
            assertThat(screen(pregnant(today.plusDays(109)), Approach.BREATH_LED, today)
                            .stage()
                            .gestation())
                    .isEqualTo("24+3");
        }

        @Test
        void loaded_rungs_need_a_clearance_given_in_this_pregnancy() {
            LocalDate started = today.minusDays(20 * 7);
            assertThat(screen(weeks(20, cleared(Scope.EXERCISE, started.minusDays(1))), Approach.BREATH_LED, today)
                            .open(GateCode.FIRST_LOADED))
                    .isFalse();
            Screening s = screen(weeks(20, cleared(Scope.EXERCISE, started)), Approach.SLOW_LADDER, today);
            assertThat(s.open(GateCode.FIRST_LOADED)).isTrue();
            assertThat(s.open(GateCode.OPPOSITE_LIMBS)).isTrue();
            assertThat(s.open(GateCode.LONG_LEVER)).isFalse();
            assertThat(s.open(GateCode.CURL)).isFalse();
            assertThat(s.open(GateCode.SEPARATION_CHECK)).isTrue();
            assertThat(s.open(GateCode.GENTLE_SET)).isTrue();
        }

        @Test
        void an_operation_in_pregnancy_keeps_its_own_eight_weeks() {
            ClientFacts c = facts(
                    Status.PREGNANT,
                    today.plusDays(140),
                    List.of(),
                    List.of(new Surgery(today.minusDays(55), "x")),
                    cleared(Scope.EXERCISE, today.minusDays(5)));
            assertThat(screen(c, Approach.SLOW_LADDER, today).open(GateCode.FIRST_LOADED))
                    .isFalse();
            assertThat(screen(c, Approach.SLOW_LADDER, today.plusDays(1)).open(GateCode.FIRST_LOADED))
                    .isTrue();
        }
    }

    @Nested
    class Positions_and_dates {
        @ParameterizedTest
        @CsvSource({"55, true", "56, false"})
        void face_down_is_closed_until_eight_weeks_after_a_caesarean(int day, boolean closed) {
            assertThat(screen(birth(BirthMode.CAESAREAN, 0), Approach.QUIET_START, EVENT.plusDays(day))
                            .closed())
                    .matches(set -> set.contains(Restriction.NO_PRONE) == closed);
        }

        @Test
        void what_hurts_today_closes_its_position_today() {
            Screening s = screen(general(), Approach.SLOW_LADDER, EVENT, Answer.WRIST_PAIN, Answer.KNEE_PAIN);
            assertThat(s.closed()).containsExactly(Restriction.NO_KNEELING, Restriction.NO_WRIST_LOAD);
            assertThat(s.restrictions()).allMatch(Screening.DerivedRestriction::derived);
        }

        @Test
        void the_recheck_is_due_42_days_after_the_last_one() {
            Screening s =
                    Screening.of(Screening.Question.of(general(), List.of(), Approach.SLOW_LADDER.stances(), EVENT)
                            .withLastCheck(EVENT.minusDays(10)));
            assertThat(s.recheckDue()).isEqualTo(EVENT.plusDays(32));
        }

        @Test
        void a_lifted_restriction_is_gone_but_a_recorded_one_stays() {
            Screening.Question q = Screening.Question.of(
                    birth(BirthMode.CAESAREAN, 0), List.of(), Approach.QUIET_START.stances(), EVENT.plusDays(20));
            assertThat(Screening.of(q.withOverrides(false, Set.of(Restriction.NO_PRONE)))
                            .closed())
                    .isEmpty();
        }

        @Test
        void facts_that_contradict_the_calendar_name_the_field_and_what_is_allowed() {
            assertThat(pregnant(EVENT.plusDays(301)).problem(EVENT)).hasValueSatisfying(problem -> {
                assertThat(problem.field()).isEqualTo("dueDate");
                assertThat(problem.allowed().facts()).containsExactly("2031-02-20", "2032-01-14");
            });
            assertThat(pregnant(EVENT.plusDays(300)).problem(EVENT)).isEmpty();
            assertThat(birth(BirthMode.VAGINAL, 0).problem(EVENT.minusDays(1)))
                    .hasValueSatisfying(problem -> assertThat(problem.field()).isEqualTo("birthDate"));
        }
    }

    @Nested
    class Her_stage {
        @ParameterizedTest(name = "day {0}: {1}")
        @CsvSource({"0, POSTNATAL_FIRST_6_WEEKS", "41, POSTNATAL_FIRST_6_WEEKS", "42, POSTNATAL_AFTER_6_WEEKS"})
        void for_a_width_changes_on_the_forty_second_day(int day, Stage.ForWidth expected) {
            assertThat(Stage.forWidth(birth(BirthMode.CAESAREAN, 0), EVENT.plusDays(day)))
                    .isEqualTo(expected);
        }

        @Test
        void for_a_width_is_no_birth_s_after_an_operation_and_pregnant_whatever_came_before() {
            assertThat(Stage.forWidth(surgery(), EVENT.plusDays(3))).isEqualTo(Stage.ForWidth.OTHER);
            assertThat(Stage.forWidth(general(), EVENT)).isEqualTo(Stage.ForWidth.OTHER);
            assertThat(Stage.forWidth(pregnant(EVENT.plusDays(90)), EVENT)).isEqualTo(Stage.ForWidth.PREGNANT);
        }

        @Test
        void is_told_in_weeks_and_days() {
            Stage pregnant = screen(pregnant(EVENT.plusDays(280 - 171)), Approach.SLOW_LADDER, EVENT)
                    .stage();
            assertThat(pregnant.gestation()).isEqualTo("24+3");
            assertThat(pregnant.label().facts()).containsExactly(24, 3);
            assertThat(pregnant.daysSinceEvent()).isNull();
            Stage after = screen(birth(BirthMode.CAESAREAN, 0), Approach.SLOW_LADDER, EVENT.plusDays(17))
                    .stage();
            assertThat(after.gestation()).isNull();
            assertThat(after.daysSinceEvent()).isEqualTo(17);
            assertThat(after.label().key()).isEqualTo("stage.CAESAREAN");
            assertThat(after.label().facts()).containsExactly(2, 3);
        }
    }

    @Test
    void two_answers_open_alike_only_where_no_position_gate_or_strand_differs() {
        ClientFacts she = birth(BirthMode.VAGINAL, 0, cleared(Scope.EXERCISE, EVENT.plusDays(1)));
        LocalDate day = EVENT.plusDays(100);
        Screening well = screen(she, Approach.SLOW_LADDER, day);
        assertThat(well.opensAlike(screen(she, Approach.SLOW_LADDER, day))).isTrue();
        assertThat(well.opensAlike(screen(she, Approach.SLOW_LADDER, day, Answer.TIRED)))
                .as("tired closes nothing")
                .isTrue();
        assertThat(well.opensAlike(screen(she, Approach.SLOW_LADDER, day, Answer.WRIST_PAIN)))
                .as("a position")
                .isFalse();
        assertThat(well.opensAlike(screen(she, Approach.SLOW_LADDER, day, Answer.FEVER)))
                .as("everything")
                .isFalse();
        assertThat(well.opensAlike(screen(birth(BirthMode.VAGINAL, 0), Approach.SLOW_LADDER, day)))
                .as("a gate")
                .isFalse();
    }

    @Nested
    class A_known_operation_that_nobody_cleared {
        @ParameterizedTest
        @CsvSource({"41, ASK_FIRST", "42, GO"})
        void asks_first_for_six_weeks_after_a_caesarean(int day, Outcome outcome) {
            assertThat(screen(birth(BirthMode.CAESAREAN, 0), Approach.QUIET_START, EVENT.plusDays(day))
                            .outcome())
                    .isEqualTo(outcome);
        }

        @ParameterizedTest
        @CsvSource({"35, ASK_FIRST", "55, ASK_FIRST", "56, GO"})
        void asks_first_for_eight_weeks_after_another_operation(int day, Outcome outcome) {
            Screening asked = screen(surgery(), Approach.SLOW_LADDER, EVENT.plusDays(day));
            assertThat(asked.outcome()).isEqualTo(outcome);
            assertThat(asked.reasons())
                    .isEqualTo(
                            outcome == Outcome.GO
                                    ? List.of()
                                    : List.of(new Screening.Finding(Answer.SURGEON_NOT_CLEARED, true)));
        }

        @Test
        void goes_with_a_clearance_given_since_and_not_with_one_from_before() {
            assertThat(screen(
                                    surgery(cleared(Scope.GENTLE, EVENT.plusDays(20))),
                                    Approach.SLOW_LADDER,
                                    EVENT.plusDays(35))
                            .outcome())
                    .isEqualTo(Outcome.GO);
            assertThat(screen(
                                    surgery(cleared(Scope.FULL, EVENT.minusDays(1))),
                                    Approach.SLOW_LADDER,
                                    EVENT.plusDays(35))
                            .outcome())
                    .isEqualTo(Outcome.ASK_FIRST);
        }

        @Test
        void is_no_matter_after_a_vaginal_birth() {
            assertThat(screen(birth(BirthMode.VAGINAL, 0), Approach.QUIET_START, EVENT.plusDays(9))
                            .outcome())
                    .isEqualTo(Outcome.GO);
        }
    }
}
