package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static fernstep.core.decision.Seen.slight;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What each lever offers, in numbers, when it is not offered at all, and which of several comes next. */
class LeversTest {
    private static final Body BODY = Body.of(70.0, 170.0);

    private static Case onF4() {
        return new Case();
    }

    private static List<LeverChange> offered(Case c, Seen sign) {
        return new Levers(c.situation(sign)).offered(sign, List.of());
    }

    private static @Nullable LeverChange of(Lever lever, Case c, Seen sign) {
        return offered(c, sign).stream()
                .filter(o -> o.lever() == lever)
                .findFirst()
                .orElse(null);
    }

    private static Rung rung(String code) {
        return ShippedCatalogue.CATALOGUE.rung(code);
    }

    @Nested
    class A_shorter_hold {
        @ParameterizedTest(name = "held {0} s, seen at {1} s: to {2} s")
        @CsvSource(
                nullValues = "-",
                value = {
                    // to the last clean second; unknown, two seconds less; never below one
                    "8, 5.9, 5",
                    "8, -, 6",
                    "8, 8, 6",
                    "8, 9, 6",
                    "8, 0.4, 1",
                    "2, -, 1",
                    "1.5, -, 1"
                })
        void ends_before_the_sign_came(double hold, @Nullable Double second, double to) {
            Seen held = clear(SignCode.BREATH_HELD);
            LeverChange change =
                    of(Lever.SHORTEN_HOLD, onF4().set(1, hold, 8), second == null ? held : held.atSecond(second));
            assertThat(change.from()).isEqualTo(hold);
            assertThat(change.to()).isEqualTo(to);
            assertThat(change.loadChangePct()).isNull();
        }

        @ParameterizedTest
        @CsvSource(
                nullValues = "-",
                value = {"-", "1"})
        void is_none_where_nothing_is_held_or_it_is_the_shortest(@Nullable Double hold) {
            assertThat(of(Lever.SHORTEN_HOLD, onF4().set(1, hold, 8), clear(SignCode.BREATH_HELD)))
                    .isNull();
        }
    }

    @Nested
    class Fewer_repetitions {
        @ParameterizedTest(name = "of {0}, seen in {1}: {2}")
        @CsvSource(
                nullValues = "-",
                value = {"8, 5, 4", "8, -, 7", "8, 1, 1", "8, 9, 7", "2, 2, 1"})
        void end_before_the_one_in_which_it_came(int reps, @Nullable Integer rep, int to) {
            Seen rushed = clear(SignCode.RUSHED);
            LeverChange change =
                    of(Lever.FEWER_REPS, onF4().set(1, 5.0, reps), rep == null ? rushed : rushed.inRep(rep));
            assertThat(change.from()).isEqualTo(reps);
            assertThat(change.to()).isEqualTo(to);
        }

        @ParameterizedTest
        @CsvSource(
                nullValues = "-",
                value = {"-", "1"})
        void are_none_where_one_is_all_or_breaths_count(@Nullable Integer reps) {
            assertThat(of(Lever.FEWER_REPS, onF4().set(1, 5.0, reps), clear(SignCode.RUSHED)))
                    .isNull();
        }
    }

    @Nested
    class A_helper {
        private final Seen rushed = clear(SignCode.RUSHED);

        @Test
        void is_the_first_of_the_rung_that_is_not_in_use() {
            // F4 names ball, pelvic floor, arms; toe and raised head are supports
            assertThat(of(Lever.ADD_HELPER, onF4(), rushed).to()).isEqualTo(Helper.BALL);
            assertThat(of(Lever.ADD_HELPER, onF4().set(1, 5.0, 8, Helper.BALL), rushed)
                            .to())
                    .isEqualTo(Helper.PELVIC_FLOOR_LIFT);
            assertThat(of(Lever.SUPPORT, onF4(), rushed).to()).isEqualTo(Helper.TOE_DOWN);
            assertThat(of(Lever.SUPPORT, onF4().set(1, 5.0, 8, Helper.TOE_DOWN, Helper.HEAD_SHOULDERS), rushed))
                    .isNull();
        }

        @Test
        void given_in_this_set_is_not_given_again_though_the_setting_does_not_say_so() {
            Case given = onF4().before(1, Move.EASE, Lever.ADD_HELPER, rushed);
            assertThat(of(Lever.ADD_HELPER, given, rushed).to()).isEqualTo(Helper.PELVIC_FLOOR_LIFT);
            assertThat(of(Lever.SUPPORT, given, rushed).to())
                    .as("the other kind is untouched")
                    .isEqualTo(Helper.TOE_DOWN);
            assertThat(of(Lever.ADD_HELPER, given.set(1, 5.0, 8, Helper.BALL), rushed)
                            .to())
                    .as("and counted once where it does")
                    .isEqualTo(Helper.PELVIC_FLOOR_LIFT);
        }

        @Test
        void on_the_arms_is_none_where_the_wrists_bear_nothing() {
            Case two = onF4().set(1, 5.0, 8, Helper.BALL, Helper.PELVIC_FLOOR_LIFT);
            assertThat(of(Lever.ADD_HELPER, two, rushed).to()).isEqualTo(Helper.ARMS_DOWN);
            assertThat(of(Lever.ADD_HELPER, two.closed(Restriction.NO_WRIST_LOAD), rushed))
                    .isNull();
            assertThat(of(Lever.ADD_HELPER, two.closed(Restriction.NO_KNEELING), rushed)
                            .to())
                    .isEqualTo(Helper.ARMS_DOWN);
        }

        @ParameterizedTest
        @CsvSource({
            "NECK_SHOULDERS, HEAD_SHOULDERS",
            "RIBS_FLARE, HEAD_SHOULDERS",
            "HIP_GRIP, TOE_DOWN",
            "RUSHED, TOE_DOWN"
        })
        void raises_the_head_first_for_what_shows_at_the_top(SignCode sign, Helper first) {
            assertThat(of(Lever.SUPPORT, onF4(), clear(sign)).to()).isEqualTo(first);
        }
    }

    @Nested
    class Less_range {
        @Test
        void goes_by_thirds_until_the_load_is_truly_less() {
            LeverChange change = of(Lever.RAISE_RANGE, onF4(), clear(SignCode.DOME_FIRM));
            assertThat(change.from()).isEqualTo(1.0);
            assertThat(change.to()).isEqualTo(0.67);
            double pct = 100 * (rung("F4").indexAt(0.67, BODY) / rung("F4").indexAt(1, BODY) - 1);
            assertThat(change.loadChangePct())
                    .isCloseTo(pct, org.assertj.core.api.Assertions.within(0.06))
                    .isLessThanOrEqualTo(-3);
        }

        @ParameterizedTest(name = "from {0} to {1}")
        @CsvSource({"0.67, 0.33", "0.33, 0", "0.5, 0.33", "0.9, 0.67"})
        void takes_the_third_below_where_she_stands(double now, double to) {
            LeverChange change = of(Lever.RAISE_RANGE, onF4().set(now, 5.0, 8), clear(SignCode.DOME_FIRM));
            assertThat((double) change.to()).isLessThanOrEqualTo(to);
            assertThat(change.from()).isEqualTo(now);
        }

        @Test
        void is_none_at_the_easiest_or_where_the_rung_has_no_range() {
            assertThat(of(Lever.RAISE_RANGE, onF4().set(0, 5.0, 8), clear(SignCode.DOME_FIRM)))
                    .isNull();
            assertThat(of(Lever.RAISE_RANGE, onF4().on("BR1"), clear(SignCode.RUSHED)))
                    .isNull();
        }
    }

    @Nested
    class A_bent_knee_and_one_limb {
        @Test
        void are_offered_once_a_set_with_what_they_relieve() {
            Seen arches = clear(SignCode.BACK_ARCHES);
            LeverChange bent = of(Lever.BEND_KNEE, onF4().on("F8").side(null), arches);
            assertThat(bent.from()).isEqualTo(0);
            assertThat(bent.to()).isIn(30, 60, 90);
            assertThat(bent.loadChangePct()).isLessThanOrEqualTo(-3);
            Case used = onF4().on("F8").side(null).before(1, Move.EASE, Lever.BEND_KNEE, arches);
            assertThat(of(Lever.BEND_KNEE, used, arches)).isNull();
            LeverChange one = of(Lever.ONE_LIMB, onF4().on("F8").side(null), arches);
            assertThat(one.loadChangePct()).isLessThan(bent.loadChangePct());
            assertThat(of(
                            Lever.ONE_LIMB,
                            onF4().on("F8").side(null).before(1, Move.EASE, Lever.ONE_LIMB, arches),
                            arches))
                    .isNull();
        }

        @Test
        void in_use_make_what_she_does_now_lighter_and_a_further_relief_counts_from_there() {
            Seen arches = clear(SignCode.BACK_ARCHES);
            Case plain = onF4().on("F8").side(null);
            double whole = new LoadNow(plain.situation(arches)).index();
            assertThat(whole).isEqualTo(rung("F8").indexAt(1, BODY));
            LeverChange bent = of(Lever.BEND_KNEE, plain, arches);
            Case shortened = onF4().on("F8").side(null).before(1, Move.EASE, Lever.BEND_KNEE, arches);
            double now = new LoadNow(shortened.situation(arches)).index();
            assertThat(100 * (now / whole - 1))
                    .isCloseTo(bent.loadChangePct(), org.assertj.core.api.Assertions.within(0.06));
            Case single = onF4().on("F8").side(null).before(1, Move.EASE, Lever.ONE_LIMB, arches);
            assertThat(new LoadNow(single.situation(arches)).index()).isLessThan(whole);
        }

        @ParameterizedTest
        @CsvSource({"10, 9, -10", "10, 12, 20", "0, 5, 0", "30, 29.1, -3"})
        void change_a_load_by_so_many_percent(double from, double to, double pct) {
            assertThat(LoadNow.changePct(from, to)).isEqualTo(pct);
        }
    }

    @Nested
    class Another_way_with_the_back {
        @ParameterizedTest
        @EnumSource(Approach.class)
        void is_offered_where_the_stance_leaves_it_to_the_finding(Approach approach) {
            boolean byFinding = approach.stances().spine() == Stances.Spine.BY_FINDING;
            LeverChange change = of(Lever.CHANGE_SPINE, onF4().by(approach), clear(SignCode.HIP_GRIP));
            assertThat(change != null).isEqualTo(byFinding);
            if (change != null) {
                assertThat(change.to()).isEqualTo(Stances.Spine.LIGHT_IMPRINT);
                assertThat(of(
                                Lever.CHANGE_SPINE,
                                onF4().by(approach).before(1, Move.EASE, Lever.CHANGE_SPINE, clear(SignCode.HIP_GRIP)),
                                clear(SignCode.HIP_GRIP)))
                        .as("once")
                        .isNull();
                assertThat(of(Lever.CHANGE_SPINE, onF4().by(approach), clear(SignCode.BACK_PRESSED)))
                        .as("it is pressed flat already")
                        .isNull();
            }
        }
    }

    @Nested
    class An_easier_place {
        private final Seen leak = clear(SignCode.LEAK);

        @ParameterizedTest(name = "{0}, closed {1}: {2}")
        @CsvSource(
                nullValues = "-",
                value = {
                    "DC3, -, SIDE",
                    "DC3, NO_FLOOR, -",
                    "DC3, SUPINE_LIMITED, SIDE",
                    "DC5, NO_FLOOR, SEATED",
                    // standing holds of the pelvic floor go to lying flat: not for her who may not, or for minutes only
                    "PC3, -, SUPINE",
                    "PC3, SUPINE_INCLINED, -",
                    "PC3, SUPINE_LIMITED, -",
                    "PC3, NO_FLOOR, -",
                    "F4, -, -"
                })
        void is_where_the_catalogue_says_if_she_may_be_there(
                String on, @Nullable Restriction closed, @Nullable Position place) {
            Case c = onF4().on(on).side(null).set(1, null, 8);
            LeverChange change = of(Lever.EASIER_POSITION, closed == null ? c : c.closed(closed), leak);
            assertThat(change == null ? null : change.to()).isEqualTo(place);
            if (change != null) {
                assertThat(change.from()).isEqualTo(rung(on).position());
                assertThat(of(Lever.EASIER_POSITION, c.before(1, Move.EASE, Lever.EASIER_POSITION, leak), leak))
                        .as("once")
                        .isNull();
            }
        }
    }

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
                    .allSatisfy(c -> assertThat(c.loadChangePct()).isLessThanOrEqualTo(-3));
            assertThat(offered(onF4().on("HK3").side(null).set(1, 5.0, 6), clear(SignCode.BELLY_DROPS)))
                    .as("without a range of load: hold, help, repetitions")
                    .extracting(LeverChange::lever)
                    .isNotEmpty()
                    .isSubsetOf(Lever.SHORTEN_HOLD, Lever.ADD_HELPER, Lever.SUPPORT, Lever.FEWER_REPS);
        }

        @Test
        void where_no_rung_is_left_the_hold_comes_before_a_helper() {
            Seen lost = clear(SignCode.SET_LOST);
            assertThat(new Levers(onF4().situation(lost)).holdOrHelper(lost))
                    .extracting(LeverChange::lever)
                    .containsExactly(Lever.SHORTEN_HOLD, Lever.ADD_HELPER, Lever.SUPPORT);
        }

        @Test
        void the_first_that_is_there_is_taken_in_the_order_of_the_rule() {
            Seen held = clear(SignCode.BREATH_HELD);
            Levers levers = new Levers(onF4().set(1, null, 8).situation(held));
            assertThat(levers.first(held, List.of(Lever.SHORTEN_HOLD, Lever.CHANGE_BREATH)))
                    .hasValueSatisfying(c -> assertThat(c.lever()).isEqualTo(Lever.CHANGE_BREATH));
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
    class Back {
        @Test
        void is_a_rung_she_may_do_in_the_form_she_may_do_it() {
            Advice a = onF4().closed(Restriction.SUPINE_INCLINED)
                    .sees(clear(SignCode.SET_LOST).recoverable(false));
            assertThat(a.move()).isEqualTo(Move.STEP_BACK);
            assertThat(a.back().form()).isEqualTo(fernstep.core.catalogue.RungForm.INCLINED);
        }

        @Test
        void from_a_rung_whose_load_is_not_followed_begins_at_the_easiest_and_says_no_percent() {
            for (Rung each : ShippedCatalogue.CATALOGUE.rungs()) {
                if (each.family() != null) {
                    continue;
                }
                Situation now = onF4().on(each.code()).side(null).situation(clear(SignCode.RUSHED));
                new StepsBack(now).nearest().ifPresent(back -> {
                    assertThat(back.loadChangePct()).as(each.code()).isNull();
                    assertThat(back.range())
                            .as(each.code())
                            .isEqualTo(back.rung().family() == null ? 1 : 0);
                });
            }
        }

        @Test
        void never_asks_for_more_than_now_wherever_she_stands() {
            int followed = 0;
            for (Rung each : ShippedCatalogue.CATALOGUE.rungs()) {
                for (double range : new double[] {0.2, 0.6, 1}) {
                    Situation now =
                            onF4().on(each.code()).side(null).set(range, 5.0, 6).situation(clear(SignCode.RUSHED));
                    StepsBack.To back = new StepsBack(now).nearest().orElse(null);
                    if (back != null && back.loadChangePct() != null) {
                        followed++;
                        assertThat(back.loadChangePct()).as(each.code()).isLessThanOrEqualTo(0);
                        assertThat(back.rung().indexAt(back.range(), BODY))
                                .as(each.code())
                                .isLessThanOrEqualTo(each.indexAt(range, BODY) + 1e-6);
                    }
                }
            }
            assertThat(followed).isGreaterThan(20);
        }

        /** A habit of every day is no exercise to step back to. */
        @Test
        void passes_over_what_is_done_from_day_one_upright() {
            for (Rung each : ShippedCatalogue.CATALOGUE.rungs()) {
                Situation now = onF4().on(each.code()).side(null).situation(clear(SignCode.RUSHED));
                new StepsBack(now)
                        .nearest()
                        .ifPresent(back -> assertThat(back.rung().strand() == fernstep.core.screening.Strand.UPRIGHT
                                        && back.rung().fromDayOne())
                                .as("%s to %s", each.code(), back.rung().code())
                                .isFalse());
            }
        }
    }

    @Nested
    class A_soft_ridge_that_is_tolerated {
        private final Seen ridge = slight(SignCode.DOME_SOFT);

        private Case tolerant() {
            return onF4().by(Approach.GRADED_LOAD).set(1, 20.0, 8);
        }

        @ParameterizedTest(name = "at {0} s of 20: {1}")
        @CsvSource({"9.9, EASE", "10, CARRY_ON", "15, CARRY_ON"})
        void stays_for_ten_seconds_at_most(double second, Move move) {
            assertThat(tolerant().sees(ridge.atSecond(second)).move()).isEqualTo(move);
        }

        @ParameterizedTest(name = "last time in rep {0} at {1} s, now in rep {2} at {3} s: {4}")
        @CsvSource(
                nullValues = "-",
                value = {
                    "5, -, 4, -, EASE",
                    "5, -, 5, -, CARRY_ON",
                    // the same repetition, sooner in it
                    "5, 16, 5, 14, EASE",
                    "5, 14, 5, 16, CARRY_ON",
                    // a later repetition is later, whatever the second
                    "5, 16, 6, 14, CARRY_ON",
                    "-, 16, -, 14, EASE",
                    "-, 16, 3, 14, EASE",
                    "-, -, 3, 14, CARRY_ON"
                })
        void is_eased_where_it_comes_sooner_than_last_time(
                @Nullable Integer repThen,
                @Nullable Double secondThen,
                @Nullable Integer rep,
                @Nullable Double second,
                Move move) {
            Seen then = at(repThen, secondThen);
            assertThat(tolerant().lastSession(then).sees(at(rep, second)).move())
                    .isEqualTo(move);
            assertThat(tolerant()
                            .lastSession(slight(SignCode.HIP_GRIP))
                            .sees(at(rep, second))
                            .move())
                    .as("another sign tells nothing of it")
                    .isEqualTo(Move.CARRY_ON);
        }

        private Seen at(@Nullable Integer rep, @Nullable Double second) {
            Seen seen = rep == null ? ridge : ridge.inRep(rep);
            return second == null ? seen : seen.atSecond(second);
        }

        @Test
        void needs_three_sightings_one_sooner_than_the_other_to_grow() {
            assertThat(tolerant()
                            .before(1, Move.CARRY_ON, null, ridge.atSecond(18))
                            .sees(ridge.inRep(2).atSecond(16))
                            .move())
                    .isEqualTo(Move.CARRY_ON);
            assertThat(tolerant()
                            .before(1, Move.CARRY_ON, null, ridge)
                            .before(2, Move.CARRY_ON, null, ridge.atSecond(16))
                            .sees(ridge.inRep(3).atSecond(14))
                            .move())
                    .as("when it came the first time nobody knows")
                    .isEqualTo(Move.CARRY_ON);
            assertThat(tolerant()
                            .before(1, Move.CARRY_ON, null, ridge.atSecond(11))
                            .before(2, Move.CARRY_ON, null, ridge.atSecond(18))
                            .before(3, Move.CARRY_ON, null, ridge.atSecond(16))
                            .sees(ridge.inRep(4).atSecond(14))
                            .move())
                    .as("the last three count")
                    .isEqualTo(Move.EASE);
        }

        @Test
        void is_never_one_in_pregnancy() {
            assertThat(tolerant().pregnant().sees(ridge).move()).isNotEqualTo(Move.CARRY_ON);
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
