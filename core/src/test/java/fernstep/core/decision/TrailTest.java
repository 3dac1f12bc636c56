package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static fernstep.core.decision.Seen.slight;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.decision.Considered.Outcome;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Which rules were looked at, and what became of each. */
class TrailTest {
    private static List<Considered> trail(Approach approach, Set<Answer> emergencies, Seen... seen) {
        return Decisions.trail(new Situation(
                ShippedCatalogue.CATALOGUE,
                approach.stances(),
                new Situation.Woman(false, Set.of(), Body.of(70.0, 170.0)),
                new Situation.Doing(ShippedCatalogue.CATALOGUE.rung("F4"), Side.LEFT, new Setting(1, 5.0, 8, Set.of())),
                new Situation.Now(emergencies, List.of(seen)),
                Situation.Before.NOTHING));
    }

    private static Considered of(List<Considered> trail, RuleId id) {
        return trail.get(id.ordinal());
    }

    @Test
    void names_every_rule_once_the_strongest_first() {
        assertThat(trail(Approach.SLOW_LADDER, Set.of()))
                .extracting(Considered::rule)
                .containsExactly(RuleId.values());
    }

    @Test
    void with_nothing_seen_only_the_last_resort_applies() {
        List<Considered> trail = trail(Approach.SLOW_LADDER, Set.of());
        assertThat(trail)
                .filteredOn(considered -> considered.outcome() == Outcome.CHOSEN)
                .extracting(Considered::rule)
                .containsExactly(RuleId.R12);
        assertThat(of(trail, RuleId.R1).why().key()).isEqualTo("trail.noEmergency");
        assertThat(of(trail, RuleId.R13).why().key()).isEqualTo("trail.notSeveral");
        assertThat(of(trail, RuleId.R7).why().key()).isEqualTo("trail.notSeen");
    }

    @Test
    void a_weaker_rule_that_applied_says_what_outranked_it() {
        List<Considered> trail =
                trail(Approach.SLOW_LADDER, Set.of(), clear(SignCode.DOME_FIRM), slight(SignCode.RUSHED));
        assertThat(of(trail, RuleId.R4).outcome()).isEqualTo(Outcome.CHOSEN);
        assertThat(of(trail, RuleId.R4).move()).isEqualTo(Move.EASE);
        assertThat(of(trail, RuleId.R10).outcome()).isEqualTo(Outcome.OUTRANKED);
        assertThat(of(trail, RuleId.R10).move()).isEqualTo(Move.CUE);
        assertThat(of(trail, RuleId.R10).why().key()).isEqualTo("trail.weaker");
        assertThat(of(trail, RuleId.R10).why().facts()).containsExactly("R4", Move.EASE);
        assertThat(of(trail, RuleId.R12).why().key()).isEqualTo("trail.somethingSeen");
    }

    @Test
    void of_two_that_ask_for_the_same_the_one_before_is_named() {
        List<Considered> trail =
                trail(Approach.SLOW_LADDER, Set.of(), slight(SignCode.RUSHED), slight(SignCode.RIBS_FLARE));
        assertThat(of(trail, RuleId.R6).outcome()).isEqualTo(Outcome.CHOSEN);
        assertThat(of(trail, RuleId.R10).why().key()).isEqualTo("trail.sameMove");
        assertThat(of(trail, RuleId.R10).why().facts()).containsExactly("R6");
    }

    @Test
    void several_strong_losses_and_an_emergency_are_told_apart() {
        List<Considered> trail = trail(
                Approach.SLOW_LADDER,
                Set.of(Answer.CHEST_PAIN),
                clear(SignCode.DOME_FIRM).inRep(1),
                clear(SignCode.BACK_ARCHES).inRep(1));
        assertThat(of(trail, RuleId.R1).outcome()).isEqualTo(Outcome.CHOSEN);
        assertThat(of(trail, RuleId.R13).outcome()).isEqualTo(Outcome.OUTRANKED);
        assertThat(of(trail, RuleId.R13).move()).isEqualTo(Move.STEP_BACK);
    }

    @Test
    void what_an_approach_aims_for_is_said_to_be_no_sign_there() {
        // Slow Ladder takes the spine by finding, so the natural curve is not asked for
        List<Considered> trail = trail(Approach.SLOW_LADDER, Set.of(), clear(SignCode.BACK_PRESSED));
        assertThat(of(trail, RuleId.R12).outcome()).isEqualTo(Outcome.CHOSEN);
        assertThat(of(trail, RuleId.R6).why().key()).isEqualTo("trail.noSignHere");
    }
}
