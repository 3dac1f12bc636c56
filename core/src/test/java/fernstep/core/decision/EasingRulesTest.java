package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static fernstep.core.decision.Seen.slight;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The rules that ease, remind or let go on. */
class EasingRulesTest extends RulesAsked {
    @Nested
    class R5_soft_ridge {
        private final Seen ridge = slight(SignCode.DOME_SOFT);

        @Test
        void where_none_is_allowed_is_eased_twice_by_the_same_lever_and_then_steps_back() {
            assertMove(onF4().sees(ridge), RuleId.R5, Move.EASE, Lever.BEND_KNEE);
            Case eased = onF4().before(1, Move.EASE, Lever.RAISE_RANGE, ridge).set(0.67, 5.0, 8);
            Advice second = eased.sees(ridge);
            assertMove(second, RuleId.R5, Move.EASE, Lever.RAISE_RANGE);
            assertThat(second.change().to()).isEqualTo(0.33);
            assertMove(
                    eased.before(2, Move.EASE, Lever.RAISE_RANGE, ridge)
                            .set(0.33, 5.0, 8)
                            .sees(ridge),
                    RuleId.R5,
                    Move.STEP_BACK,
                    null);
        }

        @Nested
        class Where_tolerated {
            private Case tolerant() {
                return onF4().by(Approach.GRADED_LOAD).set(1, 20.0, 8);
            }

            @ParameterizedTest
            @CsvSource({"10, CARRY_ON", "9, EASE"}) // 20 s held: 10 s left in it, or 11
            void may_stay_ten_seconds_a_repetition(double second, Move move) {
                assertThat(tolerant().sees(ridge.inRep(2).atSecond(second)).move())
                        .isEqualTo(move);
            }

            @Test
            void is_eased_by_range_where_the_rung_has_one_else_by_its_easier_place_or_by_hold() {
                assertMove(tolerant().sees(ridge.inRep(2).atSecond(7)), RuleId.R5, Move.EASE, Lever.RAISE_RANGE);
                assertMove(
                        tolerant().on("SS3").sees(ridge.inRep(2).atSecond(7)),
                        RuleId.R5,
                        Move.EASE,
                        Lever.EASIER_POSITION);
                Advice a = tolerant().on("DC2").sees(ridge.inRep(2).atSecond(7));
                assertMove(a, RuleId.R5, Move.EASE, Lever.SHORTEN_HOLD);
                assertThat(a.change().to()).isEqualTo(7.0);
                assertThat(a.loadChangePct()).isNull();
            }

            @Test
            void is_eased_when_it_grows() {
                assertMove(
                        tolerant().before(1, Move.CARRY_ON, null, ridge).sees(clear(SignCode.DOME_SOFT)),
                        RuleId.R5,
                        Move.EASE,
                        Lever.RAISE_RANGE);
                assertThat(tolerant()
                                .before(1, Move.CARRY_ON, null, ridge.atSecond(18))
                                .before(2, Move.CARRY_ON, null, ridge.atSecond(16))
                                .sees(ridge.inRep(3).atSecond(14))
                                .move())
                        .isEqualTo(Move.EASE);
                assertThat(tolerant()
                                .before(1, Move.CARRY_ON, null, ridge.atSecond(14))
                                .before(2, Move.CARRY_ON, null, ridge.atSecond(16))
                                .sees(ridge.inRep(3).atSecond(15))
                                .move())
                        .isEqualTo(Move.CARRY_ON);
            }

            @ParameterizedTest
            @CsvSource({"4, EASE", "5, CARRY_ON", "6, CARRY_ON"})
            void is_eased_when_it_comes_earlier_than_last_session(int rep, Move move) {
                assertThat(tolerant()
                                .lastSession(ridge.inRep(5))
                                .sees(ridge.inRep(rep))
                                .move())
                        .isEqualTo(move);
            }
        }
    }

    @Nested
    class R6_control_slips {
        @ParameterizedTest
        @EnumSource(names = {"WALL_BULGE", "RIBS_FLARE", "BACK_ARCHES"})
        void slight_is_cued_then_eased_then_steps_back(SignCode sign) {
            assertMove(onF4().sees(slight(sign)), RuleId.R6, Move.CUE, null);
            Case cued = onF4().before(1, Move.CUE, null, slight(sign));
            assertThat(cued.sees(slight(sign)).move()).isEqualTo(Move.EASE);
            assertThat(cued.before(2, Move.EASE, Lever.RAISE_RANGE, slight(sign))
                            .sees(slight(sign))
                            .move())
                    .isEqualTo(Move.STEP_BACK);
        }

        @Test
        void clear_is_eased_at_once() {
            assertMove(onF4().sees(clear(SignCode.WALL_BULGE)), RuleId.R6, Move.EASE, Lever.RAISE_RANGE);
        }

        @Test
        void ribs_are_eased_by_a_raised_head() {
            Advice a = onF4().on("F5").sees(clear(SignCode.RIBS_FLARE));
            assertMove(a, RuleId.R6, Move.EASE, Lever.SUPPORT);
            assertThat(a.change().to()).isEqualTo(Helper.HEAD_SHOULDERS);
        }

        @Test
        void an_arching_back_at_the_end_of_range_takes_the_imprint_only_by_finding() {
            assertMove(
                    onF4().on("F2").set(0, 5.0, 8).sees(clear(SignCode.BACK_ARCHES)),
                    RuleId.R6,
                    Move.EASE,
                    Lever.BEND_KNEE);
            assertThat(onF4().by(Approach.BREATH_LED)
                            .set(0, 5.0, 8)
                            .sees(clear(SignCode.BACK_ARCHES))
                            .change()
                            .lever())
                    .isNotEqualTo(Lever.CHANGE_SPINE);
        }

        @Test
        void another_sign_cued_before_does_not_count_as_again() {
            assertMove(
                    onF4().before(1, Move.CUE, null, slight(SignCode.NECK_SHOULDERS))
                            .sees(slight(SignCode.RIBS_FLARE)),
                    RuleId.R6,
                    Move.CUE,
                    null);
        }

        @Test
        void pressing_flat_is_a_sign_only_where_the_natural_curve_is_kept() {
            assertMove(onF4().by(Approach.BREATH_LED).sees(slight(SignCode.BACK_PRESSED)), RuleId.R6, Move.CUE, null);
            assertMove(onF4().sees(slight(SignCode.BACK_PRESSED)), RuleId.R12, Move.CARRY_ON, null);
        }

        @Test
        void a_gentle_push_outward_is_the_aim_of_an_all_round_brace() {
            assertMove(
                    onF4().by(Approach.GRADED_LOAD).sees(slight(SignCode.WALL_BULGE)), RuleId.R12, Move.CARRY_ON, null);
            assertThat(onF4().by(Approach.GRADED_LOAD)
                            .sees(clear(SignCode.WALL_BULGE))
                            .rule())
                    .isEqualTo(RuleId.R6);
        }
    }

    @Nested
    class R7_breath_held {
        private final Seen held = clear(SignCode.BREATH_HELD);

        @Test
        void is_cued_then_moved_to_the_out_breath_then_shortened_then_steps_back() {
            Case c = onF4();
            assertMove(c.sees(held), RuleId.R7, Move.CUE, null);
            c.before(1, Move.CUE, null, held);
            assertMove(c.sees(held), RuleId.R7, Move.EASE, Lever.CHANGE_BREATH);
            c.before(2, Move.EASE, Lever.CHANGE_BREATH, held);
            assertMove(c.sees(held), RuleId.R7, Move.EASE, Lever.SHORTEN_HOLD);
            c.before(3, Move.EASE, Lever.SHORTEN_HOLD, held);
            assertMove(c.sees(held), RuleId.R7, Move.STEP_BACK, null);
        }

        @Test
        void skips_a_hold_that_the_rung_does_not_have() {
            Case c = onF4().on("F3")
                    .set(1, null, 8)
                    .before(1, Move.CUE, null, held)
                    .before(2, Move.EASE, Lever.CHANGE_BREATH, held);
            assertMove(c.sees(held), RuleId.R7, Move.STEP_BACK, null);
        }
    }

    @Nested
    class R8_turning {
        @Test
        void on_one_side_eases_that_side_and_then_takes_it_back_a_rung() {
            Advice first = onF4().sees(clear(SignCode.PELVIS_ROCKS));
            assertMove(first, RuleId.R8, Move.EASE_ONE_SIDE, Lever.RAISE_RANGE);
            Advice again = onF4().before(1, Move.EASE_ONE_SIDE, Lever.RAISE_RANGE, clear(SignCode.PELVIS_ROCKS))
                    .sees(clear(SignCode.PELVIS_ROCKS));
            assertMove(again, RuleId.R8, Move.EASE_ONE_SIDE, null);
            assertThat(again.loadChangePct()).isLessThanOrEqualTo(-10);
        }

        @Test
        void on_both_sides_follows_the_sequence_of_control_slips() {
            Seen left = slight(SignCode.PELVIS_ROCKS).on(Side.LEFT);
            Seen right = slight(SignCode.PELVIS_ROCKS).on(Side.RIGHT);
            assertMove(onF4().side(null).on("F8").sees(slight(SignCode.PELVIS_ROCKS)), RuleId.R8, Move.CUE, null);
            assertMove(onF4().before(1, Move.CUE, null, left).sees(right), RuleId.R8, Move.EASE, Lever.RAISE_RANGE);
        }
    }

    @Nested
    class R9_set_lost {
        @Test
        void is_cued_twice_a_set_while_it_comes_back_then_steps_back() {
            Seen lost = clear(SignCode.SET_LOST).recoverable(true);
            Case c = onF4();
            assertMove(c.sees(lost), RuleId.R9, Move.CUE, null);
            c.before(1, Move.CUE, null, lost);
            assertMove(c.sees(lost), RuleId.R9, Move.CUE, null);
            c.before(2, Move.CUE, null, lost);
            assertMove(c.sees(lost), RuleId.R9, Move.STEP_BACK, null);
        }

        @Test
        void steps_back_at_once_when_it_does_not_come_back() {
            assertMove(onF4().sees(clear(SignCode.SET_LOST).recoverable(false)), RuleId.R9, Move.STEP_BACK, null);
        }
    }

    @Nested
    class R10_habits {
        @ParameterizedTest
        @EnumSource(names = {"HIP_GRIP", "NECK_SHOULDERS", "RUSHED", "NO_LET_GO"})
        void are_cued_even_when_clear_then_slowed(SignCode sign) {
            assertMove(onF4().sees(clear(sign)), RuleId.R10, Move.CUE, null);
            assertMove(
                    onF4().before(1, Move.CUE, null, clear(sign)).sees(clear(sign)),
                    RuleId.R10,
                    Move.EASE,
                    Lever.SLOWER);
        }

        @Test
        void go_on_to_support_and_fewer_repetitions() {
            Seen rushed = clear(SignCode.RUSHED).inRep(5);
            Case c = onF4().before(1, Move.CUE, null, rushed).before(2, Move.EASE, Lever.SLOWER, rushed);
            assertMove(c.sees(rushed), RuleId.R10, Move.EASE, Lever.SUPPORT);
            Advice fewer = onF4().on("DC1")
                    .set(1, 3.0, 8)
                    .before(1, Move.CUE, null, rushed)
                    .before(2, Move.EASE, Lever.SUPPORT, rushed)
                    .sees(rushed);
            assertMove(fewer, RuleId.R10, Move.EASE, Lever.FEWER_REPS);
            assertThat(fewer.change().to()).as("to the last clean repetition").isEqualTo(4);
        }
    }

    @Nested
    class R11_to_R13 {
        @Test
        void slight_tiredness_is_the_aim_and_clear_ends_the_set() {
            assertMove(onF4().sees(slight(SignCode.TIRED)), RuleId.R11, Move.CARRY_ON, null);
            assertMove(onF4().sees(clear(SignCode.TIRED)), RuleId.R11, Move.END_SET, null);
        }

        @Test
        void nothing_seen_carries_on() {
            Advice a = onF4().sees();
            assertMove(a, RuleId.R12, Move.CARRY_ON, null);
            assertThat(a.watchNext()).isEqualTo(SignCode.DOME_SOFT);
        }

        @Test
        void two_clear_losses_in_one_repetition_step_back() {
            Advice a = onF4().sees(
                            clear(SignCode.BACK_ARCHES).inRep(2),
                            clear(SignCode.BREATH_HELD).inRep(2));
            assertMove(a, RuleId.R13, Move.STEP_BACK, null);
            assertThat(a.alsoSeen()).containsExactly("BACK_ARCHES", "BREATH_HELD");
        }

        @Test
        void one_clear_and_one_slight_do_not() {
            assertThat(onF4().sees(
                                    clear(SignCode.BACK_ARCHES).inRep(2),
                                    slight(SignCode.WALL_BULGE).inRep(2))
                            .rule())
                    .isEqualTo(RuleId.R6);
        }

        @Test
        void signs_called_one_after_the_other_in_the_same_repetition_count_together() {
            Advice a = onF4().before(2, Move.EASE, Lever.RAISE_RANGE, clear(SignCode.BACK_ARCHES))
                    .sees(clear(SignCode.WALL_BULGE).inRep(2));
            assertMove(a, RuleId.R13, Move.STEP_BACK, null);
        }

        @Test
        void a_stronger_answer_of_one_of_them_wins() {
            Advice a = onF4().sees(
                            clear(SignCode.BACK_ARCHES),
                            clear(SignCode.BREATH_HELD),
                            clear(SignCode.PAIN).withPain(6, null));
            assertMove(a, RuleId.R2, Move.END_EXERCISE, null);
        }

        @Test
        void on_a_tie_the_lower_rule_is_reported_and_the_others_are_listed() {
            Advice a = onF4().sees(clear(SignCode.DOME_FIRM), slight(SignCode.TIRED), clear(SignCode.HIP_GRIP));
            assertThat(a.rule()).isEqualTo(RuleId.R4);
            assertThat(a.alsoSeen()).containsExactly("TIRED", "HIP_GRIP");
        }
    }
}
