package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static fernstep.core.decision.Seen.slight;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.client.Restriction;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The rules that stop: emergency, pain, the pelvic floor, the firm ridge. */
class SafetyRulesTest extends RulesAsked {
    @Nested
    class R1_emergency {
        @Test
        void refers_now_and_locks_whatever_else_is_seen() {
            Advice a = onF4().emergency(Answer.CHEST_PAIN).sees(clear(SignCode.DOME_FIRM), clear(SignCode.HEAVY));
            assertMove(a, RuleId.R1, Move.REFER_NOW, null);
            assertThat(a.locksSession()).isTrue();
            assertThat(a.alsoSeen()).containsExactly("DOME_FIRM", "HEAVY");
            assertThat(a.watchNext()).isNull();
        }
    }

    @Nested
    class An_easier_position {
        @Test
        void is_the_one_the_catalogue_names_and_asks_less() {
            Advice a = onF4().on("DC5").side(null).set(1, 5.0, 8).sees(clear(SignCode.LEAK));
            assertMove(a, RuleId.R3, Move.EASE, Lever.EASIER_POSITION);
            assertThat(a.change().to()).isEqualTo(fernstep.core.body.Position.SEATED);
        }
    }

    @Nested
    class R2_pain {
        @ParameterizedTest
        @CsvSource({"1, EASE", "3, EASE", "4, END_EXERCISE", "10, END_EXERCISE"})
        void ends_the_exercise_from_four(int level, Move move) {
            assertThat(onF4().sees(clear(SignCode.PAIN).withPain(level, BodyPlace.GROIN))
                            .move())
                    .isEqualTo(move);
        }

        @Test
        void sharp_pain_ends_the_exercise_at_any_level() {
            Seen sharp =
                    new Seen(SignCode.PAIN, Seen.Severity.SLIGHT, null, 2, null, 2, BodyPlace.LOW_BACK, true, null);
            assertMove(onF4().sees(sharp), RuleId.R2, Move.END_EXERCISE, null);
        }

        @Test
        void mild_pain_takes_range_first_and_steps_back_the_second_time() {
            Seen mild = clear(SignCode.PAIN).withPain(2, BodyPlace.LOW_BACK);
            assertMove(onF4().sees(mild), RuleId.R2, Move.EASE, Lever.RAISE_RANGE);
            assertMove(
                    onF4().before(2, Move.EASE, Lever.RAISE_RANGE, mild).sees(mild), RuleId.R2, Move.STEP_BACK, null);
        }

        @Test
        void the_same_pain_in_two_sessions_is_referred_another_place_is_not() {
            Seen strong = clear(SignCode.PAIN).withPain(5, BodyPlace.GROIN);
            assertThat(onF4().lastSession(clear(SignCode.PAIN).withPain(5, BodyPlace.GROIN))
                            .sees(strong)
                            .move())
                    .isEqualTo(Move.REFER_NOW);
            assertThat(onF4().lastSession(clear(SignCode.PAIN).withPain(5, BodyPlace.WRIST))
                            .sees(strong)
                            .move())
                    .isEqualTo(Move.END_EXERCISE);
        }

        @Test
        void pain_of_zero_is_no_pain() {
            assertMove(onF4().sees(clear(SignCode.PAIN).withPain(0, null)), RuleId.R12, Move.CARRY_ON, null);
        }
    }

    @Nested
    class R3_pelvic_floor {
        @ParameterizedTest
        @EnumSource(names = {"BEARS_DOWN", "HEAVY"})
        void ends_the_exercise_and_closes_loaded_rungs(SignCode sign) {
            Advice a = onF4().sees(slight(sign));
            assertMove(a, RuleId.R3, Move.END_EXERCISE, null);
            assertThat(a.closesLoadedRungs()).isTrue();
        }

        @Test
        void heaviness_in_two_sessions_ends_the_session_with_a_referral() {
            Advice a = onF4().lastSession(clear(SignCode.HEAVY)).sees(clear(SignCode.HEAVY));
            assertMove(a, RuleId.R3, Move.END_SESSION, null);
            assertThat(a.refers()).isTrue();
        }

        @Test
        void leaking_lying_takes_range_and_the_second_session_goes_on_easier_with_a_referral_without_haste() {
            assertMove(onF4().sees(clear(SignCode.LEAK)), RuleId.R3, Move.EASE, Lever.RAISE_RANGE);
            Advice again = onF4().lastSession(clear(SignCode.LEAK)).sees(clear(SignCode.LEAK));
            assertMove(again, RuleId.R3, Move.EASE, Lever.RAISE_RANGE);
            assertThat(again.refers()).isTrue();
            assertThat(again.closesLoadedRungs()).isFalse();
        }
    }

    @Nested
    class R4_firm_ridge {
        @Test
        void is_eased_by_what_lowers_the_load_most_of_range_and_lever_length() {
            Advice a = onF4().sees(clear(SignCode.DOME_FIRM).inRep(3));
            assertMove(a, RuleId.R4, Move.EASE, Lever.BEND_KNEE);
            assertThat(a.loadChangePct()).isLessThanOrEqualTo(-10);
            assertThat(a.runnerUp().change().lever()).isEqualTo(Lever.RAISE_RANGE);
            assertThat(a.runnerUp().change().from()).isEqualTo(1.0);
            assertThat(a.runnerUp().change().to()).isEqualTo(0.67);
            assertThat(a.runnerUp().change().loadChangePct()).isGreaterThanOrEqualTo(a.loadChangePct());
        }

        @Test
        void again_at_the_eased_setting_steps_back() {
            Advice a = onF4().before(3, Move.EASE, Lever.RAISE_RANGE, clear(SignCode.DOME_FIRM))
                    .set(0.67, 5.0, 8)
                    .sees(clear(SignCode.DOME_FIRM).inRep(4));
            assertMove(a, RuleId.R4, Move.STEP_BACK, null);
            assertThat(a.stepBackTo()).isEqualTo("F3");
        }

        @Test
        void in_pregnancy_steps_back_at_once() {
            assertMove(onF4().pregnant().sees(slight(SignCode.DOME_FIRM)), RuleId.R4, Move.STEP_BACK, null);
        }

        @Test
        void with_no_rung_to_step_back_to_goes_on_at_less_of_its_range_and_without_any_ends_the_exercise() {
            Advice less = onF4().on("F1")
                    .before(1, Move.EASE, Lever.RAISE_RANGE, clear(SignCode.DOME_FIRM))
                    .sees(clear(SignCode.DOME_FIRM));
            assertMove(less, RuleId.R4, Move.STEP_BACK, null);
            assertThat(less.stepBackTo()).isEqualTo("F1");
            assertThat(less.stepBackRange()).isLessThan(1);
            assertThat(less.loadChangePct()).isLessThanOrEqualTo(-10);
            Advice a = onF4().on("F1")
                    .set(0, null, 10)
                    .before(1, Move.EASE, Lever.RAISE_RANGE, clear(SignCode.DOME_FIRM))
                    .sees(clear(SignCode.DOME_FIRM));
            assertMove(a, RuleId.R4, Move.END_EXERCISE, null);
        }

        @Test
        void with_no_load_left_to_take_off_ends_the_exercise_since_a_helper_leaves_the_load_where_it_was() {
            assertMove(
                    onF4().on("F1").set(0, null, 10).sees(clear(SignCode.DOME_FIRM)),
                    RuleId.R4,
                    Move.END_EXERCISE,
                    null);
        }

        @Test
        void tries_first_what_cleared_it_before() {
            assertMove(
                    onF4().worked(SignCode.DOME_FIRM, Lever.RAISE_RANGE).sees(clear(SignCode.DOME_FIRM)),
                    RuleId.R4,
                    Move.EASE,
                    Lever.RAISE_RANGE);
            assertMove(
                    onF4().worked(SignCode.DOME_SOFT, Lever.RAISE_RANGE).sees(clear(SignCode.DOME_FIRM)),
                    RuleId.R4,
                    Move.EASE,
                    Lever.BEND_KNEE);
        }

        @Test
        void skips_a_helper_that_is_on_or_that_a_restriction_closes() {
            Advice a = onF4().on("F2")
                    .set(0, null, 10, Helper.PELVIC_FLOOR_LIFT)
                    .closed(Restriction.NO_WRIST_LOAD)
                    .sees(clear(SignCode.DOME_FIRM));
            assertThat(a.change().lever()).isNotEqualTo(Lever.ADD_HELPER);
        }
    }
}
