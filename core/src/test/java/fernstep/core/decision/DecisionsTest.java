package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static fernstep.core.decision.Seen.slight;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.Seeded;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class DecisionsTest {

    private static Case onF4() {
        return new Case();
    }

    private static void assertMove(Advice advice, RuleId rule, Move move, Lever lever) {
        assertThat(advice.rule()).isEqualTo(rule);
        assertThat(advice.move()).isEqualTo(move);
        assertThat(advice.change() == null ? null : advice.change().lever()).isEqualTo(lever);
    }

    @ParameterizedTest
    @EnumSource(SignCode.class)
    void every_sign_is_answered_by_exactly_one_rule(SignCode sign) {
        assertThat(SignRules.TABLE.stream().filter(r -> r.signs().contains(sign)))
                .hasSize(1);
    }

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
            assertThat(onF4().sees(clear(SignCode.PAIN).withPain(level, "groin"))
                            .move())
                    .isEqualTo(move);
        }

        @Test
        void sharp_pain_ends_the_exercise_at_any_level() {
            Seen sharp = new Seen(SignCode.PAIN, Seen.Severity.SLIGHT, null, 2, null, 2, "back", true, null);
            assertMove(onF4().sees(sharp), RuleId.R2, Move.END_EXERCISE, null);
        }

        @Test
        void mild_pain_takes_range_first_and_steps_back_the_second_time() {
            Seen mild = clear(SignCode.PAIN).withPain(2, "back");
            assertMove(onF4().sees(mild), RuleId.R2, Move.EASE, Lever.RAISE_RANGE);
            assertMove(
                    onF4().before(2, Move.EASE, Lever.RAISE_RANGE, mild).sees(mild), RuleId.R2, Move.STEP_BACK, null);
        }

        @Test
        void the_same_pain_in_two_sessions_is_referred_another_place_is_not() {
            Seen strong = clear(SignCode.PAIN).withPain(5, "groin");
            assertThat(onF4().lastSession(clear(SignCode.PAIN).withPain(5, "groin"))
                            .sees(strong)
                            .move())
                    .isEqualTo(Move.REFER_NOW);
            assertThat(onF4().lastSession(clear(SignCode.PAIN).withPain(5, "wrist"))
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
        void leaking_lying_takes_range_and_is_referred_the_second_session() {
            assertMove(onF4().sees(clear(SignCode.LEAK)), RuleId.R3, Move.EASE, Lever.RAISE_RANGE);
            assertThat(onF4().lastSession(clear(SignCode.LEAK))
                            .sees(clear(SignCode.LEAK))
                            .move())
                    .isEqualTo(Move.REFER_NOW);
        }
    }

    @Nested
    class R4_firm_ridge {
        @Test
        void is_eased_by_what_lowers_the_load_most_of_range_and_lever_length() {
            Advice a = onF4().sees(clear(SignCode.DOME_FIRM).inRep(3));
            assertMove(a, RuleId.R4, Move.EASE, Lever.BEND_KNEE);
            assertThat(a.loadChangePct()).isLessThanOrEqualTo(-3);
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
        void with_no_rung_to_step_back_to_ends_the_exercise() {
            Advice a = onF4().on("F1")
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
            void is_eased_by_range_where_the_rung_has_one_and_by_hold_where_it_has_none() {
                assertMove(tolerant().sees(ridge.inRep(2).atSecond(7)), RuleId.R5, Move.EASE, Lever.RAISE_RANGE);
                Advice a = tolerant().on("SS3").sees(ridge.inRep(2).atSecond(7));
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
            assertThat(again.stepBackTo()).isEqualTo("F3");
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

    private static final Set<SignCode> ASKS_FOR_LESS_LOAD = EnumSet.of(
            SignCode.DOME_FIRM, SignCode.DOME_SOFT, SignCode.WALL_BULGE, SignCode.BACK_ARCHES, SignCode.BELLY_DROPS);
    private static final List<Lever> OF_DOSE_AND_HELP =
            List.of(Lever.SHORTEN_HOLD, Lever.FEWER_REPS, Lever.ADD_HELPER, Lever.SUPPORT, Lever.EASIER_POSITION);

    private static boolean noLoadRange(String rung) {
        var r = ShippedCatalogue.CATALOGUE.rung(rung);
        return r.family() == null || !r.hasRange();
    }

    /** After any easing in the same set the rung gone back to asks no more than what she does now. */
    @ParameterizedTest
    @EnumSource(
            value = Lever.class,
            names = {"BEND_KNEE", "ONE_LIMB"})
    void after_a_shortened_lever_a_step_back_is_still_no_heavier(Lever lever) {
        Body body = Body.of(70.0, 170.0);
        for (var rung : ShippedCatalogue.CATALOGUE.rungs()) {
            if (rung.family() == null || !rung.levers().contains(lever)) {
                continue;
            }
            Seen ridge = clear(SignCode.DOME_FIRM);
            Advice eased = onF4().on(rung.code()).sees(ridge);
            Advice a = onF4().on(rung.code()).before(1, Move.EASE, lever, ridge).sees(ridge.inRep(2));
            boolean offered = eased.change() != null && eased.change().lever() == lever;
            if (offered && a.move() == Move.STEP_BACK) {
                double now = rung.indexAt(1, body) * (1 + eased.loadChangePct() / 100);
                double back = ShippedCatalogue.CATALOGUE.rung(a.stepBackTo()).indexAt(a.stepBackRange(), body);
                boolean followed = a.loadChangePct() != null;
                assertThat(!followed || back <= now * 1.002)
                        .as("%s to %s", rung.code(), a.stepBackTo())
                        .isTrue();
            }
        }
    }

    static Stream<Random> randoms() {
        return Seeded.cases(800, random -> random);
    }

    @ParameterizedTest
    @MethodSource("randoms")
    void no_lever_is_offered_that_the_rung_lacks_or_that_does_not_lower_the_load_it_should(Random random) {
        List<String> rungs =
                ShippedCatalogue.CATALOGUE.rungs().stream().map(r -> r.code()).toList();
        String rung = rungs.get(random.nextInt(rungs.size()));
        SignCode sign = SignCode.values()[random.nextInt(SignCode.values().length)];
        Advice a = onF4().on(rung)
                .by(Approach.values()[random.nextInt(4)])
                .set(random.nextInt(4) / 3.0, 1.0 + random.nextInt(10), 1 + random.nextInt(12))
                .sees(new Seen(
                        sign,
                        Seen.Severity.values()[random.nextInt(2)],
                        null,
                        2,
                        null,
                        random.nextInt(11),
                        null,
                        false,
                        random.nextBoolean()));
        if (a.change() != null) {
            assertThat(ShippedCatalogue.CATALOGUE.rung(rung).levers())
                    .contains(a.change().lever());
            if (a.change().loadChangePct() != null) {
                assertThat(a.change().loadChangePct())
                        .as("%s on %s", a.change().lever(), rung)
                        .isLessThanOrEqualTo(-3);
            } else if (ASKS_FOR_LESS_LOAD.contains(sign)) {
                assertThat(noLoadRange(rung))
                        .as("%s on %s", a.change().lever(), rung)
                        .isTrue();
                assertThat(a.change().lever()).isIn(OF_DOSE_AND_HELP);
            }
        }
        if (a.move() == Move.STEP_BACK && a.loadChangePct() != null) {
            assertThat(a.loadChangePct()).as("back from %s", rung).isLessThanOrEqualTo(0);
        }
        assertThat(a.runnerUp()).isNotNull();
        if (a.move() == Move.STEP_BACK) {
            assertThat(a.stepBackTo()).isNotNull();
        }
    }
}
