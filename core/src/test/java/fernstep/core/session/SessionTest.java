package fernstep.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.OutOfRange;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.progress.SessionResult;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.ExerciseAdded;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Noted;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SetRepeated;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What a session comes to, entry by entry: sets, efforts, undo, the end. */
class SessionTest extends SessionTold {
    @Test
    void a_set_ends_at_its_target_and_the_last_one_asks_for_the_effort() {
        reps(1);
        assertThat(now().repsDone()).isEqualTo(1);
        assertThat(now().repsLeft()).isEqualTo(1);
        reps(1);
        assertThat(now().asksEffort()).isTrue();
        events.add(new EffortTold(id(), IMOGEN, 3));
        assertThat(now().plannedRung()).isEqualTo("F1");
        assertThat(now().setsLeft()).isEqualTo(1);
        reps(3);
        assertThat(now().setDone()).isTrue();
        assertThat(now().asksEffort()).as("one more set").isFalse();
        assertThat(now().restS()).as("seconds between sets").isEqualTo(30);
        events.add(new SetBegun(id(), IMOGEN));
        assertThat(now().set()).isEqualTo(2);
        assertThat(now().repsDone()).isZero();
        assertThat(now().restS()).isZero();
    }

    @Test
    void a_repetition_told_after_the_set_is_done_counts_for_nothing() {
        breathDone().reps(5);
        assertThat(now().repsDone()).isEqualTo(3);
        assertThat(now().repsLeft()).isZero();
    }

    @Test
    void an_effort_before_the_last_set_is_done_counts_for_nothing() {
        events.add(new EffortTold(id(), IMOGEN, 3));
        assertThat(now().plannedRung()).isEqualTo("BR3");
        assertThatThrownBy(() -> new EffortTold("e", IMOGEN, 11)).isInstanceOf(OutOfRange.class);
    }

    @Nested
    class Undo_and_override {
        @Test
        void undo_takes_back_the_last_thing_and_the_one_before_is_next() {
            breathDone().reps(1);
            String sign = sign(SignCode.DOME_FIRM, ease(Lever.RAISE_RANGE, 0.67));
            events.add(new Undone(id(), IMOGEN, sign));
            assertThat(now().range()).isEqualTo(1);
            assertThat(now().signs()).isEmpty();
            assertThat(replay().lastUndoable()).containsInstanceOf(RepDone.class);
        }

        @Test
        void an_override_takes_the_place_of_the_advice() {
            breathDone().reps(1);
            String sign = sign(SignCode.DOME_FIRM, ease(Lever.RAISE_RANGE, 0.67));
            events.add(new Overridden(id(), IMOGEN, sign, Move.CARRY_ON, "she is laughing"));
            assertThat(now().range()).isEqualTo(1);
            reps(2);
            events.add(new SetBegun(id(), IMOGEN));
            reps(3);
            events.add(new EffortTold(id(), IMOGEN, 4));
            assertThat(replay().results().get(1).kind()).isEqualTo(SessionResult.Kind.CLEAN);
        }

        @Test
        void what_closes_loaded_rungs_does_not_when_she_is_let_go_on() {
            breathDone();
            String sign = sign(SignCode.BEARS_DOWN, closing(Move.END_EXERCISE));
            events.add(new Overridden(id(), IMOGEN, sign, Move.CUE, "it was the breath"));
            assertThat(now().plannedRung()).isEqualTo("F1");
        }

        @Test
        void an_undone_effort_asks_again() {
            breathDone();
            events.add(new Undone(id(), IMOGEN, "e2"));
            assertThat(now().asksEffort()).isTrue();
        }
    }

    @Test
    void a_set_that_was_finished_can_be_done_once_more_and_asks_for_the_effort_after_it() {
        breathDone().reps(3);
        events.add(new SetBegun(id(), IMOGEN));
        reps(3);
        assertThat(now().asksEffort()).isTrue();
        events.add(new SetRepeated(id(), IMOGEN));
        assertThat(now().asksEffort()).isFalse();
        assertThat(now().set()).isEqualTo(3);
        assertThat(now().dose().sets()).isEqualTo(3);
        reps(3);
        assertThat(now().asksEffort()).isTrue();
    }

    @Test
    void a_set_that_a_sign_ended_is_not_done_again() {
        breathDone().reps(1);
        sign(SignCode.TIRED, move(Move.END_SET));
        assertThat(now().setDone()).isTrue();
        assertThat(now().mayRepeat()).isFalse();
        events.add(new SetRepeated(id(), IMOGEN));
        assertThat(now().set()).isEqualTo(1);
        assertThat(now().setDone()).isTrue();
    }

    @Test
    void clean_repetitions_of_a_set_are_those_before_the_first_sign_that_asked_for_something() {
        breathDone().reps(1);
        sign(SignCode.TIRED, move(Move.CARRY_ON));
        sign(SignCode.RIBS_FLARE, move(Move.CUE));
        reps(2);
        events.add(new SetBegun(id(), IMOGEN));
        reps(3);
        assertThat(now().sets())
                .extracting(SetDone::target, SetDone::done, SetDone::clean)
                .containsExactly(tuple(3, 3, 1), tuple(3, 3, 3));
        assertThat(now().answered())
                .extracting(answered -> answered.advice().move())
                .containsExactly(Move.CARRY_ON, Move.CUE);
    }

    @Test
    void after_a_step_back_the_rest_of_the_set_counts_on_its_own() {
        events.clear();
        List<PlannedExercise> f4 =
                List.of(new PlannedExercise("F4", RungForm.PLAIN, Side.LEFT, new Dose(1, 8, null, null, 1, 5), 1));
        reps(3);
        events.add(new SignSeen(
                "s", IMOGEN, new Place("F4", 1), Seen.clear(SignCode.DOME_FIRM).inRep(3), move(Move.STEP_BACK)));
        reps(5);
        Exercise e = Session.replay(CATALOGUE, f4, events).exercises().get(0);
        assertThat(e.steppedBack()).isTrue();
        assertThat(e.sets())
                .extracting(SetDone::first, SetDone::target, SetDone::done, SetDone::clean)
                .containsExactly(tuple(1, 8, 3, 2), tuple(4, 5, 5, 5));
        assertThat(e.asksEffort()).isTrue();
    }

    @Test
    void nothing_done_is_no_set() {
        assertThat(now().sets()).isEmpty();
    }

    @Test
    void an_added_exercise_comes_last_and_can_be_taken_back() {
        PlannedExercise tilt = new PlannedExercise("BK1", RungForm.PLAIN, null, new Dose(1, 5, null, null, 1, 3), 1);
        events.add(new ExerciseAdded(id(), IMOGEN, tilt));
        assertThat(replay().exercises()).extracting(Exercise::plannedRung).containsExactly("BR3", "F1", "F1", "BK1");
        assertThat(now().rung().code()).isEqualTo("BR3");
        events.add(new Undone("u", IMOGEN, "e0"));
        assertThat(replay().exercises()).hasSize(3);
    }

    @Test
    void a_session_ended_by_hand_goes_on_where_it_was_once_the_end_is_taken_back() {
        breathDone().reps(1);
        String end = id();
        events.add(new Finished(end, IMOGEN));
        assertThat(replay().ended()).isTrue();
        events.add(new Undone(id(), IMOGEN, end));
        assertThat(replay().ended()).isFalse();
        assertThat(now().repsDone()).isEqualTo(1);
    }

    @Test
    void the_last_note_stands_and_undo_does_not_reach_for_it() {
        breathDone();
        events.add(new Noted(id(), IMOGEN, "first"));
        events.add(new Noted(id(), IMOGEN, "calm"));
        assertThat(replay().note()).isEqualTo("calm");
        assertThat(replay().lastUndoable()).containsInstanceOf(EffortTold.class);
        assertThatThrownBy(() -> new Noted("n", IMOGEN, "x".repeat(501))).hasMessageContaining("500");
    }

    @Test
    void the_same_events_always_give_the_same_state() {
        breathDone().reps(2);
        sign(SignCode.BACK_ARCHES, ease(Lever.BEND_KNEE, 60));
        events.add(new Skipped(id(), IMOGEN, SkipReason.NO_TIME));
        assertThat(replay().exercises()).usingRecursiveComparison().isEqualTo(replay().exercises());
        assertThat(now().side()).isEqualTo(Side.RIGHT);
    }
}
