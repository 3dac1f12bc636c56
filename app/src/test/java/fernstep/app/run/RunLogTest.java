package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.measure.Side;
import fernstep.core.progress.ResultRules;
import fernstep.core.progress.SessionResult;
import fernstep.exchange.casefile.CataloguePackage;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** The state of a session, derived from its log alone. */
class RunLogTest {
    private static final Catalogue CATALOGUE = CataloguePackage.shipped();
    private final List<EventRow> events = new ArrayList<>();

    /** BR3 of 2 breaths, F1 left 2 × 3, F1 right 1 × 3. */
    private final List<ItemRow> planned = List.of(
            new ItemRow("s", 0, "BR3", "", 1, null, null, 2, 1, 5, 1),
            new ItemRow("s", 1, "F1", "LEFT", 2, 3, null, null, 1, 5, 1),
            new ItemRow("s", 2, "F1", "RIGHT", 1, 3, null, null, 1, 5, 1));

    private RunLog replay() {
        return RunLog.replay(CATALOGUE, planned, events);
    }

    private RunItem now() {
        return replay().current().orElseThrow();
    }

    private RunLogTest reps(int n) {
        for (int i = 0; i < n; i++) {
            event(EventRow.Kind.REP, null, null, null, null, null);
        }
        return this;
    }

    private String event(EventRow.Kind kind, String sign, Move move, Lever lever, String to, Integer value) {
        return event(kind, sign, move, lever, to, value, null);
    }

    private String event(
            EventRow.Kind kind, String sign, Move move, Lever lever, String to, Integer value, String refersTo) {
        String id = "e" + events.size();
        events.add(new EventRow(
                id,
                "s",
                kind,
                "F1",
                1,
                null,
                sign,
                sign == null ? null : Seen.Severity.CLEAR,
                Side.LEFT,
                null,
                null,
                refersTo,
                move,
                lever,
                null,
                to,
                null,
                null,
                null,
                value,
                null,
                null));
        return id;
    }

    private RunLogTest breathDone() {
        reps(2);
        event(EventRow.Kind.EFFORT, null, null, null, null, 3);
        return this;
    }

    @Test
    void a_set_ends_at_its_target_and_the_last_one_asks_for_the_effort() {
        reps(1);
        assertThat(now().repsDone).isEqualTo(1);
        reps(1);
        assertThat(now().askEffort).isTrue();
        event(EventRow.Kind.EFFORT, null, null, null, null, 3);
        assertThat(now().plannedRung).isEqualTo("F1");
        reps(3);
        assertThat(now().setDone).isTrue();
        assertThat(now().askEffort).as("one more set").isFalse();
        event(EventRow.Kind.NEXT_SET, null, null, null, null, null);
        assertThat(now().set).isEqualTo(2);
        assertThat(now().repsDone).isZero();
    }

    @Test
    void a_repetition_tapped_after_the_set_is_done_counts_for_nothing() {
        breathDone().reps(5);
        assertThat(now().repsDone).isEqualTo(3);
    }

    @Nested
    class A_sign {
        @Test
        void that_eases_changes_the_setting_and_is_remembered_for_this_set() {
            breathDone().reps(1);
            event(EventRow.Kind.SIGN, "DOME_FIRM", Move.EASE, Lever.RAISE_RANGE, "0.67", null);
            assertThat(now().range).isEqualTo(0.67);
            assertThat(now().soFar).hasSize(1);
            assertThat(replay().advice())
                    .hasValueSatisfying(a -> assertThat(a.move()).isEqualTo(Move.EASE));
            reps(2);
            event(EventRow.Kind.NEXT_SET, null, null, null, null, null);
            assertThat(now().soFar).isEmpty();
            assertThat(now().range).as("the eased range stays").isEqualTo(0.67);
        }

        @Test
        void that_steps_back_changes_the_rung_and_where_there_is_none_ends_the_exercise_on_both_sides() {
            breathDone();
            event(EventRow.Kind.SIGN, "DOME_FIRM", Move.STEP_BACK, null, null, null);
            RunLog log = replay();
            assertThat(log.ended()).isTrue();
            assertThat(log.items().get(1).done).isTrue();
            assertThat(log.items().get(2).closed).isTrue();
        }

        @Test
        void with_fewer_repetitions_can_end_the_set() {
            breathDone().reps(2);
            event(EventRow.Kind.SIGN, "RUSHED", Move.EASE, Lever.FEWER_REPS, "2", null);
            assertThat(now().setDone).isTrue();
        }

        @Test
        void adds_its_helper() {
            breathDone();
            event(EventRow.Kind.SIGN, "DOME_SOFT", Move.EASE, Lever.ADD_HELPER, "ARMS_DOWN", null);
            assertThat(now().helpers).containsExactly(Helper.ARMS_DOWN);
            assertThat(now().setting().helpers()).containsExactly(Helper.ARMS_DOWN);
        }

        @Test
        void of_the_pelvic_floor_closes_what_is_loaded_and_ends_with_a_lying_breath_rung() {
            breathDone();
            event(EventRow.Kind.SIGN, "BEARS_DOWN", Move.END_EXERCISE, null, null, null);
            assertThat(now().plannedRung).isEqualTo("BR1");
            assertThat(now().target()).isEqualTo(5);
        }

        @Test
        void of_an_emergency_locks_whatever_comes_after() {
            event(EventRow.Kind.SIGN, "CHEST_PAIN", Move.REFER_NOW, null, null, null);
            reps(2);
            assertThat(replay().locked()).isTrue();
            assertThat(replay().items().get(0).repsDone).isZero();
        }
    }

    @Nested
    class Undo_and_override {
        @Test
        void undo_takes_back_the_last_thing_and_the_one_before_is_next() {
            breathDone().reps(1);
            String sign = event(EventRow.Kind.SIGN, "DOME_FIRM", Move.EASE, Lever.RAISE_RANGE, "0.67", null);
            event(EventRow.Kind.UNDO, null, null, null, null, null, sign);
            assertThat(now().range).isEqualTo(1);
            assertThat(now().signs).isEmpty();
            assertThat(replay().lastUndoable())
                    .hasValueSatisfying(e -> assertThat(e.kind()).isEqualTo(EventRow.Kind.REP));
        }

        @Test
        void an_override_takes_the_place_of_the_advice() {
            breathDone().reps(1);
            String sign = event(EventRow.Kind.SIGN, "DOME_FIRM", Move.EASE, Lever.RAISE_RANGE, "0.67", null);
            event(EventRow.Kind.OVERRIDE, null, Move.CARRY_ON, null, null, null, sign);
            assertThat(now().range).isEqualTo(1);
            assertThat(now().made).extracting(ResultRules.Made::move).containsExactly(Move.CARRY_ON);
            assertThat(ResultRules.of(now().made)).isEqualTo(SessionResult.Kind.CLEAN);
        }

        @Test
        void an_undone_effort_asks_again() {
            breathDone();
            event(EventRow.Kind.UNDO, null, null, null, null, null, "e2");
            assertThat(now().askEffort).isTrue();
        }
    }

    @Test
    void the_same_log_always_gives_the_same_state() {
        breathDone().reps(2);
        event(EventRow.Kind.SIGN, "BACK_ARCHES", Move.EASE, Lever.BEND_KNEE, null, null);
        event(EventRow.Kind.SKIP, null, null, null, null, null);
        RunLog once = replay();
        RunLog twice = replay();
        assertThat(twice.items()).usingRecursiveComparison().isEqualTo(once.items());
        assertThat(once.current().orElseThrow().side).isEqualTo(Side.RIGHT);
    }
}
