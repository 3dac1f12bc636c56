package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static fernstep.core.decision.Seen.slight;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.catalogue.Lever;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which of several levers comes next, which is named beside it, and what several signs at once ask for. */
class LeverChoiceTest extends LeverOffers {
    @Nested
    class Of_several {
        @Test
        void what_cleared_the_sign_before_comes_first_then_the_rung_s_order() {
            Seen grip = clear(SignCode.HIP_GRIP);
            assertThat(offered(onF4(), grip))
                    .extracting(LeverChange::lever)
                    .containsSubsequence(
                            Lever.RAISE_RANGE,
                            Lever.SHORTEN_HOLD,
                            Lever.ADD_HELPER,
                            Lever.SUPPORT,
                            Lever.FEWER_REPS,
                            Lever.SLOWER,
                            Lever.CHANGE_BREATH)
                    .doesNotHaveDuplicates();
            assertThat(offered(onF4().worked(SignCode.HIP_GRIP, Lever.SUPPORT), grip))
                    .extracting(LeverChange::lever)
                    .startsWith(Lever.SUPPORT);
            assertThat(offered(onF4().worked(SignCode.RUSHED, Lever.SUPPORT), grip))
                    .extracting(LeverChange::lever)
                    .as("it cleared another sign")
                    .startsWith(Lever.RAISE_RANGE);
        }

        @Test
        void only_less_load_answers_a_ridge_where_the_rung_has_load_to_give() {
            assertThat(offered(onF4(), clear(SignCode.DOME_FIRM)))
                    .isNotEmpty()
                    .allSatisfy(change -> assertThat(change.loadChangePct()).isLessThanOrEqualTo(-10));
            assertThat(offered(onF4().on("HK3").side(null).set(1, 5.0, 6), clear(SignCode.BELLY_DROPS)))
                    .as("neither a shorter hold nor a helper takes load away")
                    .isEmpty();
        }

        @Test
        void where_no_load_is_followed_the_hold_ends_where_it_was_good_for_three_seconds() {
            assertThat(offered(
                            onF4().on("DC2").side(null).set(1, 10.0, 3),
                            clear(SignCode.DOME_SOFT).atSecond(6)))
                    .filteredOn(change -> change.lever() == Lever.SHORTEN_HOLD)
                    .singleElement()
                    .satisfies(change -> assertThat(change.to()).isEqualTo(6.0));
            assertThat(offered(
                            onF4().on("DC2").side(null).set(1, 10.0, 3),
                            clear(SignCode.DOME_SOFT).atSecond(2)))
                    .extracting(LeverChange::lever)
                    .doesNotContain(Lever.SHORTEN_HOLD, Lever.FEWER_REPS);
        }

        @Test
        void where_no_rung_is_left_the_hold_comes_before_a_helper() {
            Seen gripped = clear(SignCode.HIP_GRIP);
            assertThat(new Levers(onF4().situation(gripped)).holdOrHelper(gripped))
                    .extracting(LeverChange::lever)
                    .containsExactly(Lever.SHORTEN_HOLD, Lever.ADD_HELPER, Lever.SUPPORT);
        }

        @Test
        void the_first_that_is_there_is_taken_in_the_order_of_the_rule() {
            Seen held = clear(SignCode.BREATH_HELD);
            Levers levers = new Levers(onF4().set(1, null, 8).situation(held));
            assertThat(levers.first(held, List.of(Lever.SHORTEN_HOLD, Lever.CHANGE_BREATH)))
                    .hasValueSatisfying(change -> assertThat(change.lever()).isEqualTo(Lever.CHANGE_BREATH));
            assertThat(levers.first(held, List.of(Lever.SHORTEN_HOLD))).isEmpty();
        }
    }

    @Nested
    class The_runner_up {
        @Test
        void of_an_ease_is_the_next_lever_with_how_much_less_it_relieves() {
            Advice a = onF4().on("F8").side(null).sees(clear(SignCode.DOME_FIRM));
            assertThat(a.move()).isEqualTo(Move.EASE);
            Double chosen = a.change().loadChangePct();
            Double second = a.runnerUp().change().loadChangePct();
            assertThat(a.runnerUp().move()).isEqualTo(Move.EASE);
            if (second >= chosen) {
                assertThat(a.runnerUp().reason())
                        .isEqualTo(Reason.of("runner.lessRelief", Math.round(-second), Math.round(-chosen)));
            } else {
                assertThat(a.runnerUp().reason()).isEqualTo(Reason.of("runner.laterInOrder"));
            }
        }

        @Test
        void of_an_ease_without_load_comes_later_in_the_order() {
            Seen rushed = clear(SignCode.RUSHED);
            Advice a = onF4().before(1, Move.CUE, null, rushed).sees(rushed);
            assertThat(a.change().lever()).isEqualTo(Lever.SLOWER);
            assertThat(a.runnerUp().change().lever()).isEqualTo(Lever.SUPPORT);
            assertThat(a.runnerUp().reason()).isEqualTo(Reason.of("runner.laterInOrder"));
        }

        @Test
        void of_the_only_ease_there_is_steps_back() {
            Seen held = clear(SignCode.BREATH_HELD);
            Advice a = onF4().before(1, Move.CUE, null, held).sees(held);
            assertThat(a.move()).isEqualTo(Move.EASE);
            assertThat(a.runnerUp().move()).isEqualTo(Move.STEP_BACK);
            assertThat(a.runnerUp().reason()).isEqualTo(Reason.of("runner.easeFirst"));
        }

        @Test
        void of_a_cue_is_the_first_lever_and_of_nothing_seen_a_cue() {
            Advice cue = onF4().sees(slight(SignCode.HIP_GRIP));
            assertThat(cue.move()).isEqualTo(Move.CUE);
            assertThat(cue.runnerUp().move()).isEqualTo(Move.EASE);
            assertThat(cue.runnerUp().change().lever()).isEqualTo(Lever.SLOWER);
            assertThat(cue.runnerUp().reason()).isEqualTo(Reason.of("runner.cueFirst"));
            Advice nothing = onF4().sees();
            assertThat(nothing.runnerUp().move()).isEqualTo(Move.CUE);
            assertThat(nothing.runnerUp().reason()).isEqualTo(Reason.of("runner.nothingToCorrect"));
        }

        @ParameterizedTest(name = "{0}: {1}")
        @CsvSource({"HEAVY, END_EXERCISE, STEP_BACK, runner.notToday", "TIRED, END_SET, CARRY_ON, runner.formFading"})
        void of_an_end_is_the_milder_one(SignCode sign, Move move, Move runnerUp, String why) {
            Advice a = onF4().sees(clear(sign));
            assertThat(a.move()).isEqualTo(move);
            assertThat(a.runnerUp().move()).isEqualTo(runnerUp);
            assertThat(a.runnerUp().reason()).isEqualTo(Reason.of(why));
        }

        @Test
        void of_an_exercise_that_ends_on_the_first_rung_is_the_end_of_the_session() {
            Advice a = onF4().on("F1").sees(clear(SignCode.HEAVY));
            assertThat(a.runnerUp().move()).isEqualTo(Move.END_SESSION);
            assertThat(a.runnerUp().reason()).isEqualTo(Reason.of("runner.restIsFine"));
        }

        @Test
        void of_a_step_back_is_the_ease_it_takes_the_place_of() {
            Seen ridge = clear(SignCode.DOME_FIRM);
            Advice again = onF4().before(1, Move.EASE, Lever.RAISE_RANGE, ridge).sees(ridge);
            assertThat(again.move()).isEqualTo(Move.STEP_BACK);
            assertThat(again.runnerUp().reason()).isEqualTo(Reason.of("runner.easeNotEnough"));
            Advice many = onF4().sees(clear(SignCode.BACK_ARCHES), clear(SignCode.BREATH_HELD));
            assertThat(many.rule()).isEqualTo(RuleId.R13);
            assertThat(many.runnerUp().reason()).isEqualTo(Reason.of("runner.tooManySigns"));
        }
    }

    @Nested
    class Several_at_once {
        @ParameterizedTest(name = "{0} with {1}: together {2}")
        @CsvSource({
            // losses of control are what the fourth to the ninth rule answer
            "DOME_FIRM, SET_LOST, true",
            "DOME_SOFT, PELVIS_ROCKS, true",
            "DOME_FIRM, RUSHED, false",
            "SET_LOST, HIP_GRIP, false",
            "BREATH_HELD, TIRED, false"
        })
        void are_losses_of_control(SignCode one, SignCode other, boolean together) {
            Advice a = onF4().sees(
                            clear(one).inRep(2).recoverable(true),
                            clear(other).inRep(2).recoverable(true));
            assertThat(a.rule() == RuleId.R13).isEqualTo(together);
        }

        @Test
        void belong_to_one_repetition() {
            assertThat(onF4().before(1, Move.EASE, Lever.RAISE_RANGE, clear(SignCode.BACK_ARCHES))
                            .sees(clear(SignCode.WALL_BULGE).inRep(2))
                            .rule())
                    .as("that was in the repetition before")
                    .isEqualTo(RuleId.R6);
        }

        @Test
        void are_not_made_of_what_the_stance_aims_for() {
            // an imprint presses the back flat on purpose
            assertThat(onF4().sees(clear(SignCode.BACK_PRESSED), clear(SignCode.WALL_BULGE))
                            .rule())
                    .isEqualTo(RuleId.R6);
            assertThat(onF4().by(Approach.BREATH_LED)
                            .sees(clear(SignCode.BACK_PRESSED), clear(SignCode.WALL_BULGE))
                            .rule())
                    .isEqualTo(RuleId.R13);
        }

        @Test
        void name_what_was_seen_once_and_ask_to_watch_for_it() {
            Advice a = onF4().sees(clear(SignCode.DOME_FIRM), slight(SignCode.TIRED));
            assertThat(a.watchNext()).isEqualTo(SignCode.DOME_FIRM);
            assertThat(a.alsoSeen()).containsExactly("TIRED");
            assertThat(onF4().sees(clear(SignCode.HEAVY)).watchNext()).isNull();
        }
    }

    @Nested
    class One_side {
        @Test
        void is_on_both_where_it_was_seen_on_both_or_without_any() {
            Seen left = slight(SignCode.PELVIS_ROCKS).on(fernstep.core.measure.Side.LEFT);
            Seen right = slight(SignCode.PELVIS_ROCKS).on(fernstep.core.measure.Side.RIGHT);
            assertThat(onF4().situation(left).onBothSides(SignCode.PELVIS_ROCKS))
                    .isFalse();
            assertThat(onF4().situation(left, right).onBothSides(SignCode.PELVIS_ROCKS))
                    .isTrue();
            assertThat(onF4().before(1, Move.CUE, null, right).situation(left).onBothSides(SignCode.PELVIS_ROCKS))
                    .isTrue();
            assertThat(onF4().before(1, Move.CUE, null, right).situation(left).onBothSides(SignCode.RUSHED))
                    .isFalse();
            assertThat(onF4().side(null)
                            .situation(slight(SignCode.PELVIS_ROCKS))
                            .onBothSides(SignCode.PELVIS_ROCKS))
                    .isTrue();
        }

        @Test
        void eased_names_the_side_in_hand() {
            Advice a = onF4().sees(clear(SignCode.PELVIS_ROCKS));
            assertThat(a.reason().toString()).contains("R8.oneSide").contains("LEFT");
        }

        @Test
        void what_was_done_for_a_sign_is_counted_for_that_sign() {
            Situation now = onF4().before(1, Move.EASE, Lever.RAISE_RANGE, clear(SignCode.DOME_FIRM))
                    .before(2, Move.EASE_ONE_SIDE, null, clear(SignCode.DOME_FIRM))
                    .before(3, Move.CUE, null, clear(SignCode.DOME_FIRM))
                    .situation();
            assertThat(now.timesEased(SignCode.DOME_FIRM)).isEqualTo(2);
            assertThat(now.timesMoved(SignCode.DOME_FIRM, Move.CUE)).isEqualTo(1);
            assertThat(now.timesEased(SignCode.HIP_GRIP)).isZero();
            assertThat(now.seenBefore(SignCode.HIP_GRIP)).isFalse();
            assertThat(now.closed()).isEqualTo(Set.of());
        }
    }
}
