package fernstep.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.client.Birth;
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

class ScreeningTest {
    private static final LocalDate EVENT = LocalDate.of(2031, 3, 20);

    private static ClientFacts birth(BirthMode mode, int tear, Clearance... clearances) {
        return facts(Status.POSTNATAL, null, List.of(new Birth(EVENT, mode, tear)), List.of(), clearances);
    }

    private static ClientFacts surgery(Clearance... clearances) {
        return facts(Status.ABDOMINAL_SURGERY, null, List.of(), List.of(new Surgery(EVENT, "appendix")), clearances);
    }

    private static ClientFacts pregnant(LocalDate due, Clearance... clearances) {
        return facts(Status.PREGNANT, due, List.of(), List.of(), clearances);
    }

    private static ClientFacts general() {
        return facts(Status.GENERAL, null, List.of(), List.of());
    }

    private static ClientFacts facts(
            Status status, LocalDate due, List<Birth> births, List<Surgery> surgeries, Clearance... clearances) {
        return new ClientFacts(status, due, births, surgeries, List.of(clearances), null, null, null, Set.of());
    }

    private static Clearance cleared(Scope scope, LocalDate on) {
        return new Clearance(scope, on, "MIDWIFE", null, null, null);
    }

    private static Screening screen(ClientFacts facts, Approach approach, LocalDate today, Answer... answers) {
        return Screening.of(Screening.Question.of(facts, List.of(answers), approach.stances(), today));
    }

    private static boolean openOnDay(ClientFacts facts, Approach approach, GateCode gate, int day, Answer... answers) {
        return screen(facts, approach, EVENT.plusDays(day), answers).open(gate);
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
    class Early_gentle_gates {
        @ParameterizedTest
        @CsvSource({
            "SEPARATION_CHECK, VAGINAL, 0, false",
            "SEPARATION_CHECK, VAGINAL, 1, true",
            "SEPARATION_CHECK, CAESAREAN, 2, false",
            "SEPARATION_CHECK, CAESAREAN, 3, true",
            "GENTLE_SET, VAGINAL, 0, false",
            "GENTLE_SET, VAGINAL, 1, true",
            "GENTLE_SET, ASSISTED, 1, true",
            "GENTLE_SET, CAESAREAN, 2, false",
            "GENTLE_SET, CAESAREAN, 3, true",
            "GARMENT, VAGINAL, 0, false",
            "GARMENT, VAGINAL, 1, true",
            "GARMENT, CAESAREAN, 2, false",
            "GARMENT, CAESAREAN, 3, true"
        })
        void open_on_the_day_named(GateCode gate, BirthMode mode, int day, boolean open) {
            assertThat(openOnDay(birth(mode, 0), Approach.QUIET_START, gate, day))
                    .isEqualTo(open);
        }

        @ParameterizedTest
        @CsvSource({"6, false", "7, true"})
        void a_sore_scar_moves_the_check_and_the_garment_to_day_seven(int day, boolean open) {
            ClientFacts c = birth(BirthMode.CAESAREAN, 0);
            assertThat(openOnDay(c, Approach.QUIET_START, GateCode.SEPARATION_CHECK, day, Answer.SCAR_TENDER))
                    .isEqualTo(open);
            assertThat(openOnDay(c, Approach.QUIET_START, GateCode.GARMENT, day, Answer.SCAR_TENDER))
                    .isEqualTo(open);
        }

        @Test
        void other_abdominal_surgery_counts_as_a_caesarean() {
            assertThat(openOnDay(surgery(), Approach.QUIET_START, GateCode.GENTLE_SET, 2))
                    .isFalse();
            assertThat(openOnDay(surgery(), Approach.QUIET_START, GateCode.GENTLE_SET, 3))
                    .isTrue();
        }
    }

    @Nested
    class Clearance_first_gates {
        @Test
        void the_gentle_set_waits_for_a_clearance_or_for_six_weeks_and_names_both() {
            ClientFacts c = birth(BirthMode.VAGINAL, 0);
            Gate gate =
                    screen(c, Approach.SLOW_LADDER, EVENT.plusDays(41)).gates().get(GateCode.GENTLE_SET);
            assertThat(gate.open()).isFalse();
            assertThat(gate.opensOn()).isEqualTo(EVENT.plusDays(42));
            assertThat(openOnDay(c, Approach.SLOW_LADDER, GateCode.GENTLE_SET, 42))
                    .isTrue();
        }

        @ParameterizedTest
        @EnumSource(Scope.class)
        void any_clearance_includes_gentle(Scope scope) {
            ClientFacts c = birth(BirthMode.VAGINAL, 0, cleared(scope, EVENT.plusDays(20)));
            assertThat(openOnDay(c, Approach.SLOW_LADDER, GateCode.GENTLE_SET, 20))
                    .isTrue();
            assertThat(openOnDay(c, Approach.SLOW_LADDER, GateCode.SEPARATION_CHECK, 20))
                    .isTrue();
        }

        @Test
        void the_garment_is_free() {
            assertThat(openOnDay(birth(BirthMode.VAGINAL, 0), Approach.SLOW_LADDER, GateCode.GARMENT, 0))
                    .isTrue();
        }
    }

    @Nested
    class First_loaded_rungs {
        @ParameterizedTest
        @CsvSource({
            "VAGINAL, 41, false",
            "VAGINAL, 42, true",
            "VAGINAL, 43, true",
            "ASSISTED, 41, false",
            "ASSISTED, 42, true",
            "CAESAREAN, 55, false",
            "CAESAREAN, 56, true",
            "CAESAREAN, 57, true"
        })
        void open_six_or_eight_weeks_after_with_clearance(BirthMode mode, int day, boolean open) {
            ClientFacts c = birth(mode, 0, cleared(Scope.EXERCISE, EVENT.plusDays(30)));
            assertThat(openOnDay(c, Approach.QUIET_START, GateCode.FIRST_LOADED, day))
                    .isEqualTo(open);
            assertThat(openOnDay(c, Approach.SLOW_LADDER, GateCode.FIRST_LOADED, day))
                    .isEqualTo(open);
        }

        @Test
        void stay_closed_without_an_exercise_clearance_and_say_so() {
            Gate gate = screen(
                            birth(BirthMode.CAESAREAN, 0, cleared(Scope.GENTLE, EVENT.plusDays(41))),
                            Approach.QUIET_START,
                            EVENT.plusDays(43),
                            Answer.SCAR_TENDER)
                    .gates()
                    .get(GateCode.FIRST_LOADED);
            assertThat(gate.open()).isFalse();
            assertThat(gate.opensOn()).isEqualTo("2031-05-15");
            assertThat(gate.needs()).containsExactly(Scope.EXERCISE);
        }

        @Test
        void do_not_count_a_clearance_from_before_the_event() {
            ClientFacts c = birth(BirthMode.VAGINAL, 0, cleared(Scope.FULL, EVENT.minusDays(1)));
            assertThat(openOnDay(c, Approach.SLOW_LADDER, GateCode.FIRST_LOADED, 60))
                    .isFalse();
            ClientFacts same = birth(BirthMode.VAGINAL, 0, cleared(Scope.FULL, EVENT));
            assertThat(openOnDay(same, Approach.SLOW_LADDER, GateCode.FIRST_LOADED, 60))
                    .isTrue();
        }

        @ParameterizedTest
        @CsvSource({"60, true", "61, false"})
        void do_not_count_an_expired_clearance(int day, boolean open) {
            Clearance ends =
                    new Clearance(Scope.EXERCISE, EVENT.plusDays(40), "SURGEON", null, EVENT.plusDays(60), null);
            assertThat(openOnDay(birth(BirthMode.VAGINAL, 0, ends), Approach.SLOW_LADDER, GateCode.FIRST_LOADED, day))
                    .isEqualTo(open);
        }

        @Test
        void wait_for_the_later_of_a_birth_and_an_operation() {
            // operation on day 10 after the birth: day 10 + 56
            ClientFacts both = facts(
                    Status.POSTNATAL,
                    null,
                    List.of(new Birth(EVENT, BirthMode.VAGINAL, 0)),
                    List.of(new Surgery(EVENT.plusDays(10), "hernia")),
                    cleared(Scope.EXERCISE, EVENT.plusDays(20)));
            assertThat(openOnDay(both, Approach.SLOW_LADDER, GateCode.FIRST_LOADED, 65))
                    .isFalse();
            assertThat(openOnDay(both, Approach.SLOW_LADDER, GateCode.FIRST_LOADED, 66))
                    .isTrue();
        }
    }

    @Nested
    class Later_gates {
        private final Clearance exercise = cleared(Scope.EXERCISE, EVENT.plusDays(30));

        @ParameterizedTest
        @CsvSource({
            "OPPOSITE_LIMBS, VAGINAL, 41, false",
            "OPPOSITE_LIMBS, VAGINAL, 42, true",
            "OPPOSITE_LIMBS, CAESAREAN, 83, false",
            "OPPOSITE_LIMBS, CAESAREAN, 84, true",
            "LONG_LEVER, VAGINAL, 83, false",
            "LONG_LEVER, VAGINAL, 84, true",
            "LONG_LEVER, CAESAREAN, 83, false",
            "LONG_LEVER, CAESAREAN, 84, true",
            "CURL, VAGINAL, 167, false",
            "CURL, VAGINAL, 168, true",
            "CURL, CAESAREAN, 168, true"
        })
        void open_on_their_day_with_an_exercise_clearance(GateCode gate, BirthMode mode, int day, boolean open) {
            assertThat(openOnDay(birth(mode, 0, exercise), Approach.SLOW_LADDER, gate, day))
                    .isEqualTo(open);
        }

        @Test
        void a_full_clearance_brings_the_curl_forward_to_the_first_loaded_day_and_not_before() {
            ClientFacts c = birth(BirthMode.VAGINAL, 0, cleared(Scope.FULL, EVENT.plusDays(30)));
            assertThat(openOnDay(c, Approach.GRADED_LOAD, GateCode.CURL, 41)).isFalse();
            assertThat(openOnDay(c, Approach.GRADED_LOAD, GateCode.CURL, 42)).isTrue();
        }

        @Test
        void the_avoid_stance_never_opens_the_curl() {
            ClientFacts c = birth(BirthMode.VAGINAL, 0, cleared(Scope.FULL, EVENT.plusDays(30)));
            assertThat(openOnDay(c, Approach.BREATH_LED, GateCode.CURL, 900)).isFalse();
            assertThat(screen(general(), Approach.QUIET_START, EVENT).open(GateCode.CURL))
                    .isFalse();
            assertThat(screen(general(), Approach.SLOW_LADDER, EVENT).open(GateCode.CURL))
                    .isTrue();
        }

        @Test
        void without_any_event_every_other_gate_is_open() {
            Screening s = screen(general(), Approach.SLOW_LADDER, EVENT);
            assertThat(s.gates().values()).allMatch(Gate::open);
        }

        @Test
        void a_standing_ask_first_keeps_the_date_in_sight() {
            Gate gate = screen(
                            birth(BirthMode.VAGINAL, 0, exercise),
                            Approach.SLOW_LADDER,
                            EVENT.plusDays(50),
                            Answer.HERNIA)
                    .gates()
                    .get(GateCode.FIRST_LOADED);
            assertThat(gate.open()).isFalse();
            assertThat(gate.opensOn()).isEqualTo(EVENT.plusDays(42));
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
            assertThat(pregnant(EVENT.plusDays(301)).problem(EVENT)).hasValueSatisfying(p -> {
                assertThat(p.field()).isEqualTo("dueDate");
                assertThat(p.allowed().facts()).containsExactly("2031-02-20", "2032-01-14");
            });
            assertThat(pregnant(EVENT.plusDays(300)).problem(EVENT)).isEmpty();
            assertThat(birth(BirthMode.VAGINAL, 0).problem(EVENT.minusDays(1)))
                    .hasValueSatisfying(p -> assertThat(p.field()).isEqualTo("birthDate"));
        }
    }

    /** What the practitioner reads beside a gate. */
    @Nested
    class Why_a_gate_is_closed {
        private final LocalDate day = EVENT.plusDays(10);

        private String first(ClientFacts facts, LocalDate today, Answer... answers) {
            return screen(facts, Approach.SLOW_LADDER, today, answers)
                    .gates()
                    .get(GateCode.FIRST_LOADED)
                    .reason()
                    .key();
        }

        @Test
        void names_the_day_the_clearance_or_both() {
            assertThat(first(birth(BirthMode.VAGINAL, 0), day)).isEqualTo("gate.dayAndClearance");
            assertThat(first(birth(BirthMode.VAGINAL, 0, cleared(Scope.EXERCISE, day)), day))
                    .isEqualTo("gate.day");
            assertThat(first(birth(BirthMode.VAGINAL, 0), EVENT.plusDays(42))).isEqualTo("gate.clearance");
            assertThat(first(birth(BirthMode.VAGINAL, 0, cleared(Scope.EXERCISE, day)), EVENT.plusDays(42)))
                    .isEqualTo("gate.open");
            assertThat(first(birth(BirthMode.VAGINAL, 0), EVENT.plusDays(42), Answer.FEVER))
                    .isEqualTo("gate.outcome");
        }

        @Test
        void says_too_old_of_a_clearance_from_before_or_that_has_run_out_and_not_of_one_for_less() {
            assertThat(first(birth(BirthMode.VAGINAL, 0, cleared(Scope.FULL, EVENT.minusDays(1))), EVENT.plusDays(42)))
                    .isEqualTo("gate.clearanceTooOld");
            Clearance ended = new Clearance(Scope.EXERCISE, day, "MIDWIFE", null, EVENT.plusDays(41), null);
            assertThat(first(birth(BirthMode.VAGINAL, 0, ended), EVENT.plusDays(42)))
                    .isEqualTo("gate.clearanceTooOld");
            assertThat(first(birth(BirthMode.VAGINAL, 0, cleared(Scope.GENTLE, day)), EVENT.plusDays(42)))
                    .isEqualTo("gate.clearance");
        }

        @Test
        void names_day_or_clearance_only_where_either_opens_it() {
            ClientFacts uncleared = birth(BirthMode.VAGINAL, 0);
            Gate waits = screen(uncleared, Approach.SLOW_LADDER, day).gates().get(GateCode.GENTLE_SET);
            assertThat(waits.reason().key()).isEqualTo("gate.dayOrClearance");
            assertThat(waits.opensOn()).isEqualTo(EVENT.plusDays(42));
            Gate reached = screen(uncleared, Approach.SLOW_LADDER, EVENT.plusDays(42))
                    .gates()
                    .get(GateCode.GENTLE_SET);
            assertThat(reached.reason().key()).isEqualTo("gate.open");
            Gate emergency = screen(uncleared, Approach.SLOW_LADDER, day, Answer.FEVER)
                    .gates()
                    .get(GateCode.GENTLE_SET);
            assertThat(emergency.reason().key()).isEqualTo("gate.outcome");
        }

        @Test
        void with_a_birth_and_an_operation_opposite_limbs_wait_for_the_longer_of_both() {
            // the operation opens the wall on the day of the birth plus five: 84 days after it
            ClientFacts both = facts(
                    Status.POSTNATAL,
                    null,
                    List.of(new Birth(EVENT, BirthMode.VAGINAL, 0)),
                    List.of(new Surgery(EVENT.plusDays(5), "appendix")),
                    cleared(Scope.EXERCISE, EVENT.plusDays(6)));
            assertThat(screen(both, Approach.SLOW_LADDER, EVENT.plusDays(20))
                            .gates()
                            .get(GateCode.OPPOSITE_LIMBS)
                            .opensOn())
                    .isEqualTo(EVENT.plusDays(89));
            assertThat(screen(birth(BirthMode.VAGINAL, 0), Approach.SLOW_LADDER, day)
                            .gates()
                            .get(GateCode.OPPOSITE_LIMBS)
                            .opensOn())
                    .isEqualTo(EVENT.plusDays(42));
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
}
