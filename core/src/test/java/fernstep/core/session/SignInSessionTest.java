package fernstep.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SignSeen;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What a sign does to the set it is seen in. */
class SignInSessionTest extends SessionTold {
    @Nested
    class A_sign {
        @Test
        void that_eases_changes_the_setting_and_is_remembered_for_this_set() {
            breathDone().reps(1);
            sign(SignCode.DOME_FIRM, ease(Lever.RAISE_RANGE, 0.67));
            assertThat(now().range()).isEqualTo(0.67);
            assertThat(now().soFar()).hasSize(1);
            assertThat(replay().answered())
                    .hasValueSatisfying(
                            answered -> assertThat(answered.advice().move()).isEqualTo(Move.EASE));
            reps(2);
            events.add(new SetBegun(id(), IMOGEN));
            assertThat(now().soFar()).isEmpty();
            assertThat(now().range()).as("the eased range stays").isEqualTo(0.67);
        }

        @Test
        void that_steps_back_without_a_rung_below_ends_the_exercise_on_both_sides() {
            breathDone();
            sign(SignCode.DOME_FIRM, move(Move.STEP_BACK));
            assertThat(replay().ended()).isTrue();
            assertThat(replay().exercises())
                    .extracting(Exercise::state)
                    .containsExactly(Exercise.State.DONE, Exercise.State.DONE, Exercise.State.CLOSED);
        }

        @Test
        void that_steps_back_goes_to_the_rung_and_the_form_it_named_not_to_the_one_before() {
            List<PlannedExercise> levers =
                    List.of(new PlannedExercise("F5", RungForm.INCLINED, null, new Dose(1, 6, null, null, 1, 5), 1));
            Advice back = new Advice(
                    Move.STEP_BACK,
                    null,
                    new Advice.StepBack("F2", RungForm.INCLINED, 0.25),
                    null,
                    RuleId.R4,
                    Reason.of("R4.back"),
                    null,
                    null,
                    List.of(),
                    false,
                    false);
            SignSeen seen = new SignSeen("a", IMOGEN, new Place("F5", 1), Seen.clear(SignCode.DOME_FIRM), back);
            Exercise now =
                    Session.replay(CATALOGUE, levers, List.of(seen)).current().orElseThrow();
            assertThat(now.rung().code()).isEqualTo("F2");
            assertThat(now.rung().position()).isEqualTo(Position.INCLINED);
            assertThat(now.range()).isEqualTo(0.25);
            assertThat(now.form()).isEqualTo(RungForm.INCLINED);
        }

        @Test
        void that_steps_back_from_her_side_to_her_back_shows_her_inclined_where_the_advice_says_so() {
            List<PlannedExercise> side =
                    List.of(new PlannedExercise("DC2", RungForm.PLAIN, null, new Dose(1, 6, 5, null, 1, 5), 1));
            Advice back = new Advice(
                    Move.STEP_BACK,
                    null,
                    new Advice.StepBack("DC1", RungForm.INCLINED, 0),
                    null,
                    RuleId.R9,
                    Reason.of("R4.back"),
                    null,
                    null,
                    List.of(),
                    false,
                    false);
            SignSeen seen = new SignSeen("a", IMOGEN, new Place("DC2", 1), Seen.clear(SignCode.SET_LOST), back);
            Exercise now =
                    Session.replay(CATALOGUE, side, List.of(seen)).current().orElseThrow();
            assertThat(now.form()).isEqualTo(RungForm.INCLINED);
            assertThat(now.rung().position()).isEqualTo(Position.INCLINED);
        }

        @Test
        void that_closes_all_load_finishes_inclined_for_her_who_lies_flat_for_nothing() {
            List<PlannedExercise> side =
                    List.of(new PlannedExercise("HK1", RungForm.PLAIN, null, new Dose(1, null, null, 4, 1, 5), 1));
            SignSeen seen = new SignSeen(
                    "a", IMOGEN, new Place("HK1", 1), Seen.clear(SignCode.BEARS_DOWN), closing(Move.END_EXERCISE));
            Exercise finish =
                    Session.replay(CATALOGUE, side, List.of(seen)).current().orElseThrow();
            assertThat(finish.rung().position()).isEqualTo(Position.INCLINED);
        }

        @Test
        void that_changes_position_or_bends_her_knees_shows_in_the_next_set_too() {
            Body body = Body.of(null, null);
            List<PlannedExercise> plan =
                    List.of(new PlannedExercise("F5", RungForm.INCLINED, null, new Dose(2, 6, null, null, 1, 5), 1));
            List<SessionEvent> told = new ArrayList<>();
            told.add(new SignSeen(
                    "a", IMOGEN, new Place("F5", 1), Seen.clear(SignCode.BACK_ARCHES), ease(Lever.BEND_KNEE, 30)));
            Exercise bent = Session.replay(CATALOGUE, plan, told).current().orElseThrow();
            assertThat(bent.kneesBentDeg()).isEqualTo(30);
            assertThat(bent.rung().position()).isEqualTo(Position.INCLINED);
            assertThat(bent.asDone(body).position()).isEqualTo(Position.INCLINED);
            for (int i = 0; i < 6; i++) {
                told.add(new RepDone("r" + i, IMOGEN));
            }
            told.add(new SetBegun("s", IMOGEN));
            assertThat(Session.replay(CATALOGUE, plan, told)
                            .current()
                            .orElseThrow()
                            .kneesBentDeg())
                    .isEqualTo(30);
        }

        @Test
        void that_steps_back_goes_on_below_as_far_as_the_advice_said() {
            List<PlannedExercise> slides =
                    List.of(new PlannedExercise("F3", RungForm.PLAIN, Side.LEFT, new Dose(2, 6, null, null, 1, 5), 1));
            String below =
                    CATALOGUE.previous(CATALOGUE.rung("F3")).orElseThrow().code();
            Advice back = new Advice(
                    Move.STEP_BACK,
                    null,
                    new Advice.StepBack(below, RungForm.PLAIN, 0.4),
                    -30.0,
                    RuleId.R4,
                    Reason.of("R4.back"),
                    null,
                    null,
                    List.of(),
                    false,
                    false);
            SignSeen seen = new SignSeen(
                    "a",
                    IMOGEN,
                    new Place("F3", 1),
                    Seen.clear(SignCode.DOME_FIRM).inRep(1),
                    back);
            Session advised = Session.replay(CATALOGUE, slides, List.of(seen));
            assertThat(advised.current()).hasValueSatisfying(exercise -> {
                assertThat(exercise.rung().code()).isEqualTo(below);
                assertThat(exercise.range()).isEqualTo(0.4);
                assertThat(exercise.steppedBack()).isTrue();
            });
            assertThat(advised.results()).singleElement().satisfies(result -> {
                assertThat(result.rung()).as("on record as planned").isEqualTo("F3");
                assertThat(result.kind()).isEqualTo(SessionResult.Kind.STEPPED_BACK);
            });
        }

        @Test
        void with_fewer_repetitions_can_end_the_set() {
            breathDone().reps(2);
            sign(SignCode.RUSHED, ease(Lever.FEWER_REPS, 2));
            assertThat(now().setDone()).isTrue();
        }

        @Test
        void adds_its_helper() {
            breathDone();
            sign(SignCode.DOME_SOFT, ease(Lever.ADD_HELPER, Helper.ARMS_DOWN));
            assertThat(now().helpers()).containsExactly(Helper.ARMS_DOWN);
            assertThat(now().setting().helpers()).containsExactly(Helper.ARMS_DOWN);
        }

        @Test
        void of_the_pelvic_floor_closes_what_is_loaded_and_ends_with_a_lying_breath_rung() {
            breathDone();
            sign(SignCode.BEARS_DOWN, closing(Move.END_EXERCISE));
            assertThat(now().plannedRung()).isEqualTo("BR1");
            assertThat(now().target()).isEqualTo(5);
        }

        @Test
        void of_an_emergency_locks_whatever_comes_after() {
            events.add(new EmergencyCalled(id(), IMOGEN, new Place("BR3", 1), Answer.CHEST_PAIN, move(Move.REFER_NOW)));
            reps(2);
            assertThat(replay().locked()).isTrue();
            assertThat(replay().exercises().get(0).repsDone()).isZero();
        }
    }
}
