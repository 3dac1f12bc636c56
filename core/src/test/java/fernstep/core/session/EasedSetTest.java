package fernstep.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import fernstep.core.body.Position;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.SessionTime;
import fernstep.core.session.SessionEvent.SetRepeated;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** An easing within a set, and what remains of the set after it. */
class EasedSetTest extends SessionCounted {
    private static PlannedExercise holds(String rung, int reps, int seconds) {
        return new PlannedExercise(rung, RungForm.PLAIN, null, new Dose(1, reps, seconds, null, 1, 5), 1);
    }

    @Nested
    class An_easing {
        @Test
        void stays_for_the_exercise() {
            sign(SignCode.DOME_SOFT, ease(Lever.SUPPORT, Helper.HAND_UNDER_BACK));
            sign(SignCode.BACK_ARCHES, ease(Lever.BEND_KNEE, 40));
            sign(SignCode.RUSHED, ease(Lever.SLOWER, null));
            assertThat(now().helpers()).containsExactly(Helper.HAND_UNDER_BACK);
            assertThat(now().otherLevers()).containsExactly(Lever.BEND_KNEE, Lever.SLOWER);
            assertThat(now().kneesBentDeg()).isEqualTo(40);
            rep(4);
            nextSet();
            assertThat(now().helpers()).containsExactly(Helper.HAND_UNDER_BACK);
            assertThat(now().otherLevers()).containsExactly(Lever.BEND_KNEE, Lever.SLOWER);
            assertThat(now().kneesBentDeg()).isEqualTo(40);
        }

        @Test
        void for_a_sign_without_a_side_begins_the_other_side_as_easy_and_counts_as_pulled_there() {
            planned = List.of(reps("F4", Side.LEFT, 1, 4), reps("F4", Side.RIGHT, 1, 4));
            sign(SignCode.DOME_SOFT, ease(Lever.BEND_KNEE, 30));
            Exercise right = session().exercises().get(1);
            assertThat(right.kneesBentDeg()).isEqualTo(30);
            assertThat(right.notBegun()).isTrue();
            assertThat(right.before())
                    .as("in use, and no sign of this side")
                    .singleElement()
                    .satisfies(rep -> {
                        assertThat(rep.lever()).isEqualTo(Lever.BEND_KNEE);
                        assertThat(rep.signs()).isEmpty();
                    });
        }

        @Test
        void for_a_turning_sign_leaves_the_other_side_as_it_was() {
            planned = List.of(reps("F4", Side.LEFT, 1, 4), reps("F4", Side.RIGHT, 1, 4));
            sign(SignCode.PELVIS_ROCKS, ease(Lever.BEND_KNEE, 30));
            assertThat(session().exercises().get(1).kneesBentDeg()).isZero();
            assertThat(session().exercises().get(1).range()).isEqualTo(1);
        }

        @Test
        void to_another_rung_gives_the_other_side_that_rungs_dose() {
            planned = List.of(reps("F4", Side.LEFT, 1, 4), reps("F4", Side.RIGHT, 1, 4));
            sign(
                    SignCode.DOME_FIRM,
                    advice(Move.STEP_BACK, null, new Advice.StepBack("F2", RungForm.PLAIN, 0.5), false));
            Exercise right = session().exercises().get(1);
            assertThat(right.rung().code()).isEqualTo("F2");
            assertThat(right.range()).isEqualTo(0.5);
            assertThat(right.dose()).isEqualTo(now().dose());
        }

        @Test
        void that_names_no_helper_adds_none() {
            sign(SignCode.DOME_SOFT, ease(Lever.ADD_HELPER, null));
            assertThat(now().helpers()).isEmpty();
            sign(SignCode.BACK_ARCHES, ease(Lever.BEND_KNEE, null));
            assertThat(now().kneesBentDeg()).isZero();
        }

        @Test
        void that_shortens_the_limb_or_changes_the_place_shows_in_what_she_does() {
            assertThat(now().asDone(BODY).indexAt(1, BODY))
                    .isEqualTo(now().rung().indexAt(1, BODY));
            double whole = now().asDone(BODY).indexAt(1, BODY);
            sign(SignCode.BACK_ARCHES, ease(Lever.BEND_KNEE, 40));
            double bent = now().asDone(BODY).indexAt(1, BODY);
            assertThat(bent).isLessThan(whole);
            sign(SignCode.BACK_ARCHES, ease(Lever.ONE_LIMB, null));
            assertThat(now().asDone(BODY).indexAt(1, BODY)).isLessThan(bent);
        }

        @Test
        void into_the_easier_place_lasts_the_exercise() {
            Rung side = CATALOGUE.rungs().stream()
                    .filter(rung -> rung.easier().isPresent())
                    .findFirst()
                    .orElseThrow();
            planned = List.of(reps(side.code(), null, 2, 4));
            Position easier = side.easier().orElseThrow().position();
            sign(SignCode.BACK_ARCHES, ease(Lever.EASIER_POSITION, null));
            assertThat(now().asDone(BODY).position()).isEqualTo(easier);
            assertThat(now().rung().position()).isEqualTo(side.position());
            rep(4);
            nextSet();
            assertThat(now().asDone(BODY).position()).isEqualTo(easier);
        }

        @Test
        void of_the_hold_shortens_it_from_there_on() {
            planned = List.of(holds("DC2", 5, 10));
            sign(SignCode.SET_LOST, ease(Lever.SHORTEN_HOLD, 6));
            assertThat(now().dose().holdS()).isEqualTo(6);
            assertThat(now().setting().holdS()).isEqualTo(6.0);
            sign(SignCode.BREATH_HELD, ease(Lever.SHORTEN_HOLD, null));
            assertThat(now().dose().holdS()).as("never nothing").isEqualTo(1);
        }

        @Test
        void to_fewer_repetitions_ends_the_set_only_where_they_are_done() {
            rep(1);
            sign(SignCode.RUSHED, ease(Lever.FEWER_REPS, 3));
            assertThat(now().setDone()).isFalse();
            assertThat(now().repsLeft()).isEqualTo(2);
            rep(2);
            assertThat(now().setDone()).isTrue();
        }

        @Test
        void is_forgotten_on_the_rung_she_steps_back_to() {
            sign(SignCode.DOME_SOFT, ease(Lever.ADD_HELPER, Helper.ARMS_DOWN));
            sign(SignCode.BACK_ARCHES, ease(Lever.BEND_KNEE, 40));
            sign(SignCode.DOME_FIRM, move(Move.STEP_BACK));
            assertThat(now().rung().code()).isEqualTo("F4");
            assertThat(now().steppedBack()).isTrue();
            assertThat(now().range()).as("at its easiest").isZero();
            assertThat(now().helpers()).isEmpty();
            assertThat(now().kneesBentDeg()).isZero();
            assertThat(now().soFar()).as("seen on the rung above").isEmpty();
        }

        @Test
        void of_one_side_without_a_lever_is_a_step_back() {
            planned = List.of(reps("F4", Side.LEFT, 1, 6));
            sign(SignCode.HIP_GRIP, move(Move.EASE_ONE_SIDE));
            assertThat(now().rung().code()).isEqualTo("F3");
        }

        @Test
        void that_says_nothing_to_change_changes_nothing() {
            rep(1);
            sign(SignCode.DOME_SOFT, move(Move.EASE));
            assertThat(now().rung().code()).isEqualTo("F5");
            assertThat(now().range()).isEqualTo(1);
            assertThat(now().otherLevers()).isEmpty();
        }

        @Test
        void to_a_rung_that_is_no_longer_there_goes_to_the_one_below() {
            sign(
                    SignCode.DOME_FIRM,
                    advice(Move.STEP_BACK, null, new Advice.StepBack("GONE", RungForm.INCLINED, 0.5), false));
            assertThat(now().rung().code()).isEqualTo("F4");
            assertThat(now().form()).isEqualTo(RungForm.PLAIN);
            assertThat(now().range()).isZero();
        }
    }

    @Nested
    class A_set {
        @Test
        void has_fading_at_its_end_and_is_clean_all_the_same() {
            rep(2);
            sign(SignCode.TIRED, move(Move.END_SET));
            assertThat(first().sets())
                    .extracting(SetDone::set, SetDone::done, SetDone::clean)
                    .containsExactly(tuple(1, 2, 2));
        }

        @Test
        void counts_a_repetition_in_which_a_sign_was_only_noted() {
            rep(2);
            sign(SignCode.RIBS_FLARE, move(Move.CARRY_ON));
            rep(2);
            assertThat(first().sets()).extracting(SetDone::clean).containsExactly(4);
        }

        @Test
        void is_clean_up_to_the_first_that_asked_for_something_whatever_came_later() {
            rep(1);
            sign(SignCode.RIBS_FLARE, move(Move.CUE));
            rep(2);
            sign(SignCode.DOME_SOFT, move(Move.CUE));
            rep(1);
            assertThat(first().sets()).extracting(SetDone::done, SetDone::clean).containsExactly(tuple(4, 1));
        }

        @Test
        void in_which_a_sign_was_seen_is_one_though_nothing_was_done() {
            assertThat(first().sets()).isEmpty();
            sign(SignCode.DOME_SOFT, move(Move.CUE));
            assertThat(first().sets()).extracting(SetDone::done, SetDone::clean).containsExactly(tuple(0, 0));
            assertThat(first().secondsUnderLoad()).isZero();
            assertThat(first().loadIndex(BODY)).isZero();
        }

        @Test
        void says_its_time_under_load_from_its_own_repetitions() {
            rep(3);
            Rung rung = now().rung();
            int three = SessionTime.loadSeconds(rung, new Dose(1, 3, null, null, 1, 5));
            assertThat(first().secondsUnderLoad()).isEqualTo(three);
            rep(1);
            nextSet();
            rep(1);
            int four = SessionTime.loadSeconds(rung, new Dose(1, 4, null, null, 1, 5));
            int one = SessionTime.loadSeconds(rung, new Dose(1, 1, null, null, 1, 5));
            assertThat(first().secondsUnderLoad()).isEqualTo(four + one);
            assertThat(three).isPositive().isGreaterThan(one);
        }

        @Test
        void is_not_begun_again_before_it_is_over_nor_while_the_effort_is_asked() {
            rep(1);
            nextSet();
            assertThat(now().set()).isEqualTo(1);
            rep(3);
            nextSet();
            rep(4);
            assertThat(now().asksEffort()).isTrue();
            nextSet();
            assertThat(now().set()).isEqualTo(2);
            assertThat(now().repsDone()).isEqualTo(4);
        }

        @Test
        void can_be_done_once_more_up_to_ten_times() {
            planned = List.of(reps("F1", null, 9, 1));
            for (int set = 1; set <= 9; set++) {
                rep(1);
                nextSet();
            }
            assertThat(now().mayRepeat()).isTrue();
            events.add(new SetRepeated(id(), ILSE));
            assertThat(now().set()).isEqualTo(10);
            assertThat(now().setsLeft()).isZero();
            rep(1);
            assertThat(now().mayRepeat()).as("ten is the most").isFalse();
        }

        @Test
        void once_more_in_the_middle_of_the_dose_adds_none() {
            rep(4);
            events.add(new SetRepeated(id(), ILSE));
            assertThat(now().set()).isEqualTo(2);
            assertThat(now().dose().sets()).isEqualTo(2);
        }
    }
}
