package fernstep.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import fernstep.core.approach.Approach;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.decision.Situation.PastLever;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** How a session ends, what of it stands, and what the record and later sessions take from it. */
class SessionEndTest extends SessionCounted {
    private static PlannedExercise breaths(String rung, int breaths) {
        return new PlannedExercise(rung, RungForm.PLAIN, null, new Dose(1, null, null, breaths, 1, 5), 1);
    }

    private static Advice closing(Move move) {
        return advice(move, null, null, true);
    }

    @Nested
    class The_record {
        @Test
        void has_no_exercise_in_which_nothing_was_done() {
            events.add(new Finished(id(), ILSE));
            assertThat(session().results()).isEmpty();
            assertThat(first().result()).isEmpty();
        }

        @ParameterizedTest(name = "{0} reps, {1} sets")
        @CsvSource({"1, 1", "4, 2"})
        void has_none_that_was_left_without_a_sign_and_without_its_effort(int repsDone, int sets) {
            rep(repsDone);
            if (sets > 1) {
                nextSet();
            }
            assertThat(first().sets()).as("something was done").isNotEmpty();
            events.add(new Skipped(id(), ILSE, SkipReason.NO_TIME));
            assertThat(first().result()).isEmpty();
        }

        @Test
        void has_one_that_was_broken_off_after_a_sign_before_its_first_repetition() {
            sign(SignCode.DOME_FIRM, move(Move.END_EXERCISE));
            assertThat(session().results())
                    .extracting(ExerciseResult::rung, ExerciseResult::kind)
                    .containsExactly(tuple("F5", SessionResult.Kind.STOPPED));
        }

        @Test
        void has_one_that_was_done_in_the_middle_of_its_second_set() {
            rep(4);
            nextSet();
            sign(SignCode.HEAVY, move(Move.END_EXERCISE));
            assertThat(session().results()).hasSize(1);
        }

        @Test
        void holds_the_effort_told_and_keeps_what_was_seen_in_order() {
            rep(1);
            sign(SignCode.RIBS_FLARE, move(Move.CUE));
            sign(SignCode.DOME_SOFT, move(Move.CUE));
            rep(3);
            nextSet();
            rep(4);
            events.add(new EffortTold(id(), ILSE, 6));
            assertThat(session().results()).singleElement().satisfies(result -> {
                assertThat(result.effort()).isEqualTo(6);
                assertThat(result.signs()).containsExactly(SignCode.RIBS_FLARE, SignCode.DOME_SOFT);
            });
            assertThat(session().ended()).isTrue();
        }
    }

    @Nested
    class An_end {
        @Test
        void of_an_exercise_closes_the_rest_of_its_strand_and_leaves_the_others() {
            planned = List.of(reps("F1", Side.LEFT, 1, 3), reps("F1", Side.RIGHT, 1, 3), reps("BG1", null, 1, 3));
            sign(SignCode.DOME_FIRM, move(Move.END_EXERCISE));
            assertThat(session().exercises())
                    .extracting(Exercise::plannedRung, Exercise::state)
                    .as("the breath comes first, then what loads another way")
                    .containsExactly(
                            tuple("F1", Exercise.State.DONE),
                            tuple("BR1", Exercise.State.OPEN),
                            tuple("F1", Exercise.State.CLOSED),
                            tuple("BG1", Exercise.State.OPEN));
            assertThat(now().rung().code()).isEqualTo("BR1");
        }

        @Test
        void of_all_load_adds_a_breath_only_where_none_is_left() {
            planned = List.of(reps("F1", null, 1, 3), breaths("BR2", 4), reps("BG1", null, 1, 3));
            sign(SignCode.BEARS_DOWN, closing(Move.END_EXERCISE));
            assertThat(session().loadClosed()).isTrue();
            assertThat(session().exercises())
                    .extracting(Exercise::plannedRung)
                    .as("the breath she has is the end")
                    .containsExactly("F1", "BR2", "BG1");
            assertThat(session().exercises())
                    .extracting(Exercise::state)
                    .containsExactly(Exercise.State.DONE, Exercise.State.OPEN, Exercise.State.CLOSED);
        }

        @Test
        void of_the_session_adds_nothing() {
            planned = List.of(reps("F1", null, 1, 3));
            sign(SignCode.BEARS_DOWN, closing(Move.END_SESSION));
            assertThat(session().ended()).isTrue();
            assertThat(session().locked()).isFalse();
            assertThat(session().exercises()).hasSize(1);
        }

        @Test
        void of_all_load_finishes_flat_for_her_who_lay_flat_and_inclined_for_her_who_lay_inclined() {
            planned = List.of(reps("F1", null, 1, 3));
            sign(SignCode.BEARS_DOWN, closing(Move.END_EXERCISE));
            assertThat(now().rung().position()).isEqualTo(Position.SUPINE);
            planned = List.of(
                    reps("F1", null, 1, 3),
                    new PlannedExercise("F2", RungForm.INCLINED, null, new Dose(1, 3, null, null, 1, 5), 1));
            assertThat(now().rung().position()).isEqualTo(Position.INCLINED);
        }

        @Test
        void after_which_nothing_told_counts_any_more() {
            rep(1);
            events.add(new Finished(id(), ILSE));
            String end = events.get(events.size() - 1).id();
            rep(2);
            assertThat(first().repsDone()).isEqualTo(1);
            assertThat(session().lastUndoable().orElseThrow().id()).isEqualTo(end);
            assertThat(session().answered()).isEmpty();
        }

        @ParameterizedTest
        @EnumSource(
                value = Move.class,
                names = {"CARRY_ON", "CUE", "EASE", "END_SET"})
        void by_a_sign_that_closes_load_needs_a_move_that_ends_something(Move let) {
            String id = sign(SignCode.BEARS_DOWN, closing(Move.END_EXERCISE));
            events.add(new Overridden(id(), ILSE, id, let, "she sees it otherwise"));
            assertThat(session().loadClosed()).isFalse();
        }
    }

    @Nested
    class What_stands {
        @Test
        void is_the_advice_of_the_last_thing_told_and_of_nothing_before_it() {
            rep(1);
            assertThat(session().answered()).isEmpty();
            String seen = sign(SignCode.DOME_SOFT, move(Move.CUE));
            assertThat(session().answered().orElseThrow().id()).isEqualTo(seen);
            assertThat(session().answered().orElseThrow().code()).isEqualTo(SignCode.DOME_SOFT);
            rep(1);
            assertThat(session().answered()).isEmpty();
        }

        @Test
        void after_an_emergency_is_the_emergency() {
            EmergencyCalled called =
                    new EmergencyCalled("x", ILSE, new Place("F5", 1), Answer.CHEST_PAIN, move(Move.REFER_NOW));
            events.add(called);
            assertThat(session().answered()).contains(called);
            assertThat(called.code()).isEqualTo(Answer.CHEST_PAIN);
            assertThat(session().lastUndoable()).contains(called);
            assertThat(session().results())
                    .as("called before anything was done")
                    .extracting(ExerciseResult::kind)
                    .containsExactly(SessionResult.Kind.STOPPED);
        }

        @Test
        void an_override_is_found_by_the_sign_it_answers() {
            String seen = sign(SignCode.DOME_SOFT, ease(Lever.RAISE_RANGE, 0.5));
            Overridden other = new Overridden("o", ILSE, seen, Move.CUE, "said it");
            events.add(other);
            assertThat(session().overrideOf(session().answered().orElseThrow())).contains(other);
            assertThat(session().lastUndoable()).contains(other);
            events.add(new Undone("u", ILSE, "o"));
            assertThat(session().overrideOf(session().answered().orElseThrow())).isEmpty();
            assertThat(now().range()).isEqualTo(0.5);
        }

        @Test
        void a_sign_in_another_repetition_is_another_sign() {
            sign(SignCode.DOME_SOFT, move(Move.CUE));
            assertThat(now().alreadySeen(SignCode.DOME_SOFT)).isTrue();
            assertThat(now().alreadySeen(SignCode.DOME_FIRM)).isFalse();
            rep(1);
            assertThat(now().alreadySeen(SignCode.DOME_SOFT)).isFalse();
            assertThat(now().repInHand()).isEqualTo(2);
            rep(3);
            assertThat(now().repInHand()).as("the last of the set that is over").isEqualTo(4);
        }
    }

    @Nested
    class Earlier_sessions_on_a_rung {
        private SignSeen seen(String id, String rung, SignCode sign, Advice advice) {
            return new SignSeen(id, ILSE, new Place(rung, 1), Seen.clear(sign), advice);
        }

        @Test
        void tell_their_signs_the_most_frequent_first_and_in_the_order_of_signs_where_they_are_even() {
            EarlierSessions earlier = new EarlierSessions(
                    List.of(
                            new EarlierSessions.Held(
                                    LocalDate.of(2031, 5, 1),
                                    List.of(
                                            seen("a", "F2", SignCode.RUSHED, move(Move.CUE)),
                                            seen("b", "F2", SignCode.BACK_ARCHES, move(Move.CUE)),
                                            seen("c", "F3", SignCode.HEAVY, move(Move.CUE)))),
                            new EarlierSessions.Held(
                                    LocalDate.of(2031, 5, 3),
                                    List.of(
                                            seen("d", "F2", SignCode.RUSHED, move(Move.CUE)),
                                            seen("e", "F2", SignCode.DOME_FIRM, move(Move.CUE)),
                                            seen("f", "F2", SignCode.LEAK, move(Move.END_EXERCISE)),
                                            new Undone("g", ILSE, "f")))),
                    List.of());
            List<SignCode> even = new ArrayList<>(List.of(SignCode.BACK_ARCHES, SignCode.DOME_FIRM));
            even.sort(null);
            assertThat(earlier.signsOn("F2")).containsExactly(SignCode.RUSHED, even.get(0), even.get(1));
            assertThat(earlier.signsOn("F3")).containsExactly(SignCode.HEAVY);
            assertThat(earlier.signsOn("F1")).isEmpty();
        }

        @Test
        void count_for_four_weeks_and_no_longer_once_somebody_has_seen_her() {
            LocalDate today = LocalDate.of(2031, 5, 14);
            List<EarlierSessions.Held> held = List.of(
                    new EarlierSessions.Held(
                            today.minusDays(29), List.of(seen("a", "F2", SignCode.HEAVY, move(Move.CUE)))),
                    new EarlierSessions.Held(
                            today.minusDays(28), List.of(seen("b", "F2", SignCode.HEAVY, move(Move.CUE)))),
                    new EarlierSessions.Held(
                            today.minusDays(3), List.of(seen("c", "F2", SignCode.HEAVY, move(Move.CUE)))));
            assertThat(new EarlierSessions(held, List.of()).sessions(today)).hasSize(2);
            assertThat(new EarlierSessions(held, List.of(), today.minusDays(3)).sessions(today))
                    .as("the session of the day she was seen came after it as far as anybody knows")
                    .hasSize(1);
            assertThat(new EarlierSessions(held, List.of(), today.minusDays(2)).sessions(today))
                    .isEmpty();
        }

        @Test
        void reach_the_rules_with_what_cleared_a_sign_on_it() {
            EarlierSessions earlier = new EarlierSessions(
                    List.of(new EarlierSessions.Held(
                            LocalDate.of(2031, 5, 1),
                            List.of(seen("a", "F5", SignCode.DOME_SOFT, ease(Lever.RAISE_RANGE, 0.67))))),
                    List.of());
            rep(1);
            Circumstances her = new Circumstances(
                    CATALOGUE,
                    Approach.SLOW_LADDER.stances(),
                    new Situation.Woman(true, Set.of(), BODY),
                    earlier,
                    LocalDate.of(2031, 5, 14));
            Situation now = new Intake(session(), () -> her, ILSE)
                    .situation(Seen.clear(SignCode.DOME_SOFT))
                    .orElseThrow();
            assertThat(now.before().history())
                    .containsExactly(new PastLever(SignCode.DOME_SOFT, Lever.RAISE_RANGE, true));
            assertThat(now.before().earlierSessions()).hasSize(1);
            assertThat(now.doing().rung().code()).isEqualTo("F5");
            assertThat(now.her().pregnant()).isTrue();
        }
    }
}
