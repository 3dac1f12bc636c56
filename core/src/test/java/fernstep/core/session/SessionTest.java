package fernstep.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Advice;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation.EarlierSession;
import fernstep.core.decision.Situation.PastLever;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.OutOfRange;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
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
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** The state of a session, derived from its events alone. */
class SessionTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;
    private static final StaffId IMOGEN = new StaffId(1);
    private static final LocalDate DAY = LocalDate.of(2031, 5, 1);

    private final List<SessionEvent> events = new ArrayList<>();

    /** BR3 of 2 breaths, F1 left 2 × 3, F1 right 1 × 3. */
    private final List<PlannedExercise> planned = List.of(
            new PlannedExercise("BR3", RungForm.PLAIN, null, new Dose(1, null, null, 2, 1, 5), 1),
            new PlannedExercise("F1", RungForm.PLAIN, Side.LEFT, new Dose(2, 3, null, null, 1, 5), 1),
            new PlannedExercise("F1", RungForm.PLAIN, Side.RIGHT, new Dose(1, 3, null, null, 1, 5), 1));

    private Session replay() {
        return Session.replay(CATALOGUE, planned, events);
    }

    private Exercise now() {
        return replay().current().orElseThrow();
    }

    private String id() {
        return "e" + events.size();
    }

    private SessionTest reps(int n) {
        for (int i = 0; i < n; i++) {
            events.add(new RepDone(id(), IMOGEN));
        }
        return this;
    }

    private SessionTest breathDone() {
        reps(2);
        events.add(new EffortTold(id(), IMOGEN, 3));
        return this;
    }

    private String sign(SignCode sign, Advice advice) {
        String id = id();
        events.add(new SignSeen(id, IMOGEN, new Place("F1", 1), Seen.clear(sign).inRep(2), advice));
        return id;
    }

    private static Advice move(Move move) {
        return new Advice(move, null, null, null, RuleId.R4, Reason.of("R4.ease"), null, null, List.of(), false, false);
    }

    private static Advice closing(Move move) {
        return new Advice(
                move, null, null, null, RuleId.R3, Reason.of("R3.bearsDown"), null, null, List.of(), true, false);
    }

    private static Advice ease(Lever lever, Object to) {
        return new Advice(
                Move.EASE,
                new LeverChange(lever, null, to, -24.0),
                null,
                -24.0,
                RuleId.R4,
                Reason.of("R4.ease"),
                SignCode.DOME_FIRM,
                null,
                List.of(),
                false,
                false);
    }

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
    class A_sign {
        @Test
        void that_eases_changes_the_setting_and_is_remembered_for_this_set() {
            breathDone().reps(1);
            sign(SignCode.DOME_FIRM, ease(Lever.RAISE_RANGE, 0.67));
            assertThat(now().range()).isEqualTo(0.67);
            assertThat(now().soFar()).hasSize(1);
            assertThat(replay().answered())
                    .hasValueSatisfying(a -> assertThat(a.advice().move()).isEqualTo(Move.EASE));
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
        void that_changes_position_or_bends_her_knees_shows_until_the_set_is_over() {
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
                    .isZero();
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
            assertThat(advised.current()).hasValueSatisfying(e -> {
                assertThat(e.rung().code()).isEqualTo(below);
                assertThat(e.range()).isEqualTo(0.4);
                assertThat(e.steppedBack()).isTrue();
            });
            assertThat(advised.results()).singleElement().satisfies(r -> {
                assertThat(r.rung()).as("on record as planned").isEqualTo("F3");
                assertThat(r.kind()).isEqualTo(SessionResult.Kind.STEPPED_BACK);
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
        assertThat(now().answered()).extracting(a -> a.advice().move()).containsExactly(Move.CARRY_ON, Move.CUE);
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

    @Nested
    class The_record_of_a_session {
        @Test
        void holds_what_was_worked_on_and_nothing_else() {
            breathDone();
            events.add(new Skipped(id(), IMOGEN, SkipReason.NO_TIME));
            events.add(new Finished(id(), IMOGEN));
            assertThat(replay().results())
                    .containsExactly(new ExerciseResult("BR3", null, SessionResult.Kind.CLEAN, 3, Set.of(), 1));
        }

        @Test
        void holds_an_exercise_that_was_broken_off_only_if_a_sign_was_seen_in_it() {
            breathDone().reps(1);
            events.add(new Finished(id(), IMOGEN));
            assertThat(replay().results()).extracting(ExerciseResult::rung).containsExactly("BR3");
            events.remove(events.size() - 1);
            sign(SignCode.DOME_SOFT, ease(Lever.RAISE_RANGE, 0.67));
            events.add(new Finished(id(), IMOGEN));
            assertThat(replay().results()).last().satisfies(r -> {
                assertThat(r.kind()).isEqualTo(SessionResult.Kind.EASED);
                assertThat(r.signs()).containsExactly(SignCode.DOME_SOFT);
                assertThat(r.effort()).isNull();
                assertThat(r.range()).isEqualTo(0.67);
            });
        }
    }

    @Nested
    class What_is_told_beside_the_mat {
        private Intake intake() {
            Circumstances her = new Circumstances(
                    CATALOGUE,
                    Approach.SLOW_LADDER.stances(),
                    false,
                    Set.of(),
                    Body.of(null, null),
                    EarlierSessions.NONE);
            return new Intake(replay(), () -> her, IMOGEN);
        }

        @Test
        void becomes_an_event_with_the_next_safe_move_the_repetition_and_the_side() {
            breathDone().reps(1);
            Optional<SessionEvent> told = intake().sign("s1", Seen.clear(SignCode.DOME_FIRM));
            assertThat(told).hasValueSatisfying(e -> {
                SignSeen sign = (SignSeen) e;
                assertThat(sign.madeBy()).isEqualTo(IMOGEN);
                assertThat(sign.place()).isEqualTo(new Place("F1", 1));
                assertThat(sign.seen().rep()).isEqualTo(2);
                assertThat(sign.seen().side()).isEqualTo(Side.LEFT);
                assertThat(sign.advice().rule()).isEqualTo(RuleId.R4);
            });
        }

        @Test
        void is_written_once_in_a_repetition() {
            breathDone().reps(1);
            events.add(intake().sign("s1", Seen.clear(SignCode.DOME_FIRM)).orElseThrow());
            assertThat(intake().sign("s2", Seen.clear(SignCode.DOME_FIRM))).isEmpty();
            assertThat(intake().sign("s3", Seen.clear(SignCode.BREATH_HELD))).isPresent();
        }

        @Test
        void as_an_emergency_locks_the_session_for_all_but_its_end() {
            events.add(intake().emergency("s1", Answer.CHEST_PAIN).orElseThrow());
            assertThat(replay().locked()).isTrue();
            assertThat(intake().repDone("s2")).isEmpty();
            assertThat(intake().undone("s3")).isEmpty();
            assertThat(intake().overridden("s4", "s1", Move.CARRY_ON, "")).isEmpty();
            assertThat(intake().finished("s5")).isPresent();
            assertThatThrownBy(() -> intake().emergency("s6", Answer.WRIST_PAIN))
                    .isInstanceOf(IllegalArgumentException.class);
        }

        @Test
        void overrides_only_the_advice_that_stands() {
            breathDone().reps(1);
            events.add(intake().sign("s1", Seen.clear(SignCode.DOME_FIRM)).orElseThrow());
            assertThat(intake().overridden("o1", "another", Move.CUE, "")).isEmpty();
            assertThat(intake().overridden("o2", "s1", Move.CUE, "")).isPresent();
        }
    }

    @Nested
    class Earlier_sessions {
        private SignSeen held(String id, int set, SignCode sign, Advice advice) {
            return new SignSeen(
                    id, IMOGEN, new Place("F2", set), Seen.clear(sign).inRep(1), advice);
        }

        private EarlierSessions of(SessionEvent... events) {
            return new EarlierSessions(List.of(new EarlierSessions.Held(DAY, List.of(events))), List.of());
        }

        @Test
        void show_whether_a_lever_cleared_its_sign_in_that_set() {
            EarlierSessions earlier = of(
                    held("a", 1, SignCode.DOME_SOFT, ease(Lever.RAISE_RANGE, 0.67)),
                    held("b", 1, SignCode.DOME_SOFT, ease(Lever.ADD_HELPER, Helper.BALL)),
                    held("c", 2, SignCode.DOME_SOFT, move(Move.CUE)));
            assertThat(earlier.levers("F2"))
                    .containsExactly(
                            new PastLever(SignCode.DOME_SOFT, Lever.RAISE_RANGE, false),
                            new PastLever(SignCode.DOME_SOFT, Lever.ADD_HELPER, true));
            assertThat(earlier.levers("F3")).isEmpty();
        }

        @Test
        void forget_what_was_undone_and_advice_that_was_overridden() {
            EarlierSessions earlier = of(
                    held("a", 1, SignCode.HEAVY, move(Move.END_EXERCISE)),
                    new Undone("b", IMOGEN, "a"),
                    held("c", 1, SignCode.RUSHED, ease(Lever.SLOWER, "")),
                    new Overridden("d", IMOGEN, "c", Move.CARRY_ON, ""));
            assertThat(earlier.levers("F2")).isEmpty();
            assertThat(earlier.sessions())
                    .singleElement()
                    .satisfies(s -> assertThat(s.signs()).extracting(Seen::sign).containsExactly(SignCode.RUSHED));
        }

        @Test
        void are_read_by_day_together_with_what_she_told_of_home() {
            EarlierSession home = new EarlierSession(DAY.minusDays(2), List.of(Seen.clear(SignCode.LEAK)));
            EarlierSessions both = new EarlierSessions(
                    List.of(new EarlierSessions.Held(
                            DAY, List.of(held("a", 1, SignCode.HEAVY, move(Move.END_EXERCISE))))),
                    List.of(home));
            assertThat(both.sessions()).extracting(EarlierSession::date).containsExactly(DAY.minusDays(2), DAY);
        }

        @Test
        void hold_no_sign_where_only_an_emergency_was_called() {
            assertThat(of(new EmergencyCalled("a", IMOGEN, new Place("F2", 1), Answer.CHEST_PAIN, move(Move.REFER_NOW)))
                            .sessions())
                    .isEmpty();
        }
    }
}
