package fernstep.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.decision.Situation.EarlierSession;
import fernstep.core.decision.Situation.PastLever;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.progress.Amount;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What is kept of a session, what is told beside the mat, and what earlier sessions say. */
class SessionRecordTest extends SessionTold {
    private static final LocalDate DAY = LocalDate.of(2031, 5, 1);

    @Nested
    class The_record_of_a_session {
        @Test
        void holds_what_was_worked_on_and_nothing_else() {
            breathDone();
            events.add(new Skipped(id(), IMOGEN, SkipReason.NO_TIME));
            events.add(new Finished(id(), IMOGEN));
            assertThat(replay().results())
                    .containsExactly(new ExerciseResult(
                            "BR3", null, SessionResult.Kind.CLEAN, 3, Set.of(), 1, null, new Amount(1, 2, null)));
        }

        @Test
        void holds_an_exercise_that_was_broken_off_only_if_a_sign_was_seen_in_it() {
            breathDone().reps(1);
            events.add(new Finished(id(), IMOGEN));
            assertThat(replay().results()).extracting(ExerciseResult::rung).containsExactly("BR3");
            events.remove(events.size() - 1);
            sign(SignCode.DOME_SOFT, ease(Lever.RAISE_RANGE, 0.67));
            events.add(new Finished(id(), IMOGEN));
            assertThat(replay().results()).last().satisfies(result -> {
                assertThat(result.kind()).isEqualTo(SessionResult.Kind.EASED);
                assertThat(result.signs()).containsExactly(SignCode.DOME_SOFT);
                assertThat(result.effort()).isNull();
                assertThat(result.range()).isEqualTo(0.67);
            });
        }
    }

    @Nested
    class What_is_told_beside_the_mat {
        private Intake intake() {
            Circumstances her = new Circumstances(
                    CATALOGUE,
                    Approach.SLOW_LADDER.stances(),
                    new Situation.Woman(false, Set.of(), Body.of(null, null)),
                    EarlierSessions.NONE,
                    LocalDate.of(2031, 5, 14));
            return new Intake(replay(), () -> her, IMOGEN);
        }

        @Test
        void becomes_an_event_with_the_next_safe_move_the_repetition_and_the_side() {
            breathDone().reps(1);
            Optional<SessionEvent> told = intake().sign("s1", Seen.clear(SignCode.DOME_FIRM));
            assertThat(told).hasValueSatisfying(event -> {
                SignSeen sign = (SignSeen) event;
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
            assertThat(earlier.sessions(DAY))
                    .singleElement()
                    .satisfies(session ->
                            assertThat(session.signs()).extracting(Seen::sign).containsExactly(SignCode.RUSHED));
        }

        @Test
        void are_read_by_day_together_with_what_she_told_of_home() {
            EarlierSession home = new EarlierSession(DAY.minusDays(2), List.of(Seen.clear(SignCode.LEAK)));
            EarlierSessions both = new EarlierSessions(
                    List.of(new EarlierSessions.Held(
                            DAY, List.of(held("a", 1, SignCode.HEAVY, move(Move.END_EXERCISE))))),
                    List.of(home));
            assertThat(both.sessions(DAY)).extracting(EarlierSession::date).containsExactly(DAY.minusDays(2), DAY);
        }

        @Test
        void count_for_four_weeks_and_not_a_day_longer() {
            EarlierSession leaked = new EarlierSession(DAY, List.of(Seen.clear(SignCode.LEAK)));
            EarlierSessions one = new EarlierSessions(List.of(), List.of(leaked));
            assertThat(one.sessions(DAY.plusDays(28))).hasSize(1);
            assertThat(one.sessions(DAY.plusDays(29))).isEmpty();
        }

        @Test
        void hold_no_sign_where_only_an_emergency_was_called() {
            assertThat(of(new EmergencyCalled("a", IMOGEN, new Place("F2", 1), Answer.CHEST_PAIN, move(Move.REFER_NOW)))
                            .sessions(DAY))
                    .isEmpty();
        }
    }
}
