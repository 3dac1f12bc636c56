package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What each lever offers, in numbers, and when it is not offered at all. */
class LeversTest extends LeverOffers {
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
}
