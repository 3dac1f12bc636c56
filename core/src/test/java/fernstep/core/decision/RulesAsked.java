package fernstep.core.decision;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.catalogue.Lever;

/** What the tests of the rules ask: the leg float in hand, and whether a rule gave the move. */
abstract class RulesAsked {
    static Case onF4() {
        return new Case();
    }

    static void assertMove(Advice advice, RuleId rule, Move move, Lever lever) {
        assertThat(advice.rule()).isEqualTo(rule);
        assertThat(advice.move()).isEqualTo(move);
        assertThat(advice.change() == null ? null : advice.change().lever()).isEqualTo(lever);
    }
}
