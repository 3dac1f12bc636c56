package fernstep.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Clearance.Scope;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.client.Surgery;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** When each gate opens, and why it is closed. */
class GatesTest extends ScreenedOnADay {
    private static boolean openOnDay(ClientFacts facts, Approach approach, GateCode gate, int day, Answer... answers) {
        return screen(facts, approach, EVENT.plusDays(day), answers).open(gate);
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
            ClientFacts her = birth(mode, 0, cleared(Scope.GENTLE, EVENT));
            assertThat(openOnDay(her, Approach.QUIET_START, gate, day)).isEqualTo(open);
        }

        @ParameterizedTest
        @CsvSource({"6, false", "7, true"})
        void a_sore_scar_moves_the_check_and_the_garment_to_day_seven(int day, boolean open) {
            ClientFacts c = birth(BirthMode.CAESAREAN, 0, cleared(Scope.GENTLE, EVENT));
            assertThat(openOnDay(c, Approach.QUIET_START, GateCode.SEPARATION_CHECK, day, Answer.SCAR_TENDER))
                    .isEqualTo(open);
            assertThat(openOnDay(c, Approach.QUIET_START, GateCode.GARMENT, day, Answer.SCAR_TENDER))
                    .isEqualTo(open);
        }

        @Test
        void other_abdominal_surgery_counts_as_a_caesarean() {
            ClientFacts her = surgery(cleared(Scope.GENTLE, EVENT));
            assertThat(openOnDay(her, Approach.QUIET_START, GateCode.GENTLE_SET, 2))
                    .isFalse();
            assertThat(openOnDay(her, Approach.QUIET_START, GateCode.GENTLE_SET, 3))
                    .isTrue();
        }

        @Test
        void an_operation_that_nobody_cleared_closes_what_is_trained_and_not_what_is_worn() {
            ClientFacts her = birth(BirthMode.CAESAREAN, 0);
            assertThat(openOnDay(her, Approach.QUIET_START, GateCode.GENTLE_SET, 5))
                    .isFalse();
            assertThat(openOnDay(her, Approach.QUIET_START, GateCode.SEPARATION_CHECK, 5))
                    .isFalse();
            assertThat(openOnDay(her, Approach.QUIET_START, GateCode.GARMENT, 5))
                    .isTrue();
            assertThat(openOnDay(her, Approach.QUIET_START, GateCode.GARMENT, 5, Answer.HEAVINESS))
                    .isFalse();
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
}
