package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Move;
import fernstep.core.decision.Situation.PastLever;
import fernstep.core.findings.SignCode;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What earlier sessions teach the next one. */
class PastSignTest {
    private static final LocalDate DAY = LocalDate.of(2031, 5, 1);

    private static PastSign sign(String id, int set, int rep, String code, Lever lever) {
        return new PastSign("s1", DAY, EventRow.Kind.SIGN, id, "F2", set, rep, code, lever, Move.EASE, null, null);
    }

    private static PastSign about(EventRow.Kind kind, String refersTo) {
        return new PastSign("s1", DAY, kind, "x" + refersTo, "F2", 1, 1, null, null, null, refersTo, null);
    }

    @Test
    void a_lever_cleared_its_sign_when_it_did_not_come_back_in_that_set() {
        List<PastSign> past = List.of(
                sign("a", 1, 2, "DOME_SOFT", Lever.RAISE_RANGE),
                sign("b", 1, 4, "DOME_SOFT", Lever.ADD_HELPER),
                sign("c", 2, 1, "DOME_SOFT", null));
        assertThat(PastSign.levers(past, "F2"))
                .containsExactly(
                        new PastLever(SignCode.DOME_SOFT, Lever.RAISE_RANGE, false),
                        new PastLever(SignCode.DOME_SOFT, Lever.ADD_HELPER, true));
        assertThat(PastSign.levers(past, "F3")).isEmpty();
    }

    @Test
    void what_was_undone_never_happened_and_overridden_advice_was_never_tried() {
        List<PastSign> past = List.of(
                sign("a", 1, 2, "HEAVY", null),
                about(EventRow.Kind.UNDO, "a"),
                sign("b", 1, 3, "RUSHED", Lever.SLOWER),
                about(EventRow.Kind.OVERRIDE, "b"));
        assertThat(PastSign.levers(past, "F2")).isEmpty();
        assertThat(PastSign.sessions(past))
                .singleElement()
                .satisfies(s -> assertThat(s.signs()).extracting(x -> x.sign()).containsExactly(SignCode.RUSHED));
    }

    @Test
    void an_emergency_answer_is_no_sign_of_an_exercise() {
        assertThat(PastSign.sessions(List.of(sign("a", 1, 1, "CHEST_PAIN", null))))
                .isEmpty();
    }
}
