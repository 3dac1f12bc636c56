package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Outcome;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProposalTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 1);

    private static Proposal proposal(
            int days,
            BirthMode mode,
            boolean cleared,
            Observed.Cough cough,
            int tolerance,
            int grade,
            int score,
            Observed.Doming doming) {
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(TODAY.minusDays(days), mode, 0)),
                List.of(),
                List.of(),
                null,
                null,
                null,
                Set.of());
        Findings f = Findings.NONE
                .with(new Findings.Pressure(cough, null, doming))
                .with(new Findings.DeepCore(
                        Map.of(Side.LEFT, grade, Side.RIGHT, grade),
                        tolerance,
                        Map.of(Side.LEFT, score, Side.RIGHT, score)));
        return Proposal.of(facts, f, cleared, Outcome.GO, TODAY).orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        // days, mode, cleared, cough, tolerance, grade, score, doming → proposed, alternative
        "10, VAGINAL, false, DRAWS_IN, 5, 3, 0, NONE, QUIET_START, ",
        "41, VAGINAL, true, PUSHES_OUT, 5, 3, 1, NONE, QUIET_START, BREATH_LED",
        "42, VAGINAL, true, PUSHES_OUT, 5, 3, 1, NONE, BREATH_LED, SLOW_LADDER",
        "60, VAGINAL, true, DRAWS_IN, 2, 3, 0, NONE, BREATH_LED, ",
        "60, CAESAREAN, false, DRAWS_IN, 5, 2, 0, NONE, BREATH_LED, ",
        "60, CAESAREAN, true, DRAWS_IN, 5, 3, 1, NONE, SLOW_LADDER, ",
        "83, VAGINAL, true, DRAWS_IN, 5, 4, 3, SOFT, SLOW_LADDER, ",
        "84, VAGINAL, true, DRAWS_IN, 5, 4, 3, SOFT, SLOW_LADDER, GRADED_LOAD",
        "90, VAGINAL, true, DRAWS_IN, 5, 4, 3, FIRM, SLOW_LADDER, ",
        "90, VAGINAL, false, DRAWS_IN, 5, 4, 3, NONE, GRADED_LOAD, "
    })
    void follows_from_the_findings(
            int days,
            BirthMode mode,
            boolean cleared,
            Observed.Cough cough,
            int tolerance,
            int grade,
            int score,
            Observed.Doming doming,
            Approach proposed,
            Approach alternative) {
        Proposal p = proposal(days, mode, cleared, cough, tolerance, grade, score, doming);
        assertThat(p.approach()).isEqualTo(proposed);
        assertThat(p.alternative()).isEqualTo(alternative);
    }

    @Test
    void spells_out_what_two_that_fit_would_do_with_the_ridge_seen_today() {
        Proposal p = proposal(100, BirthMode.VAGINAL, true, Observed.Cough.DRAWS_IN, 5, 4, 3, Observed.Doming.SOFT);
        assertThat(p.difference().key()).isEqualTo("proposal.differ.ridge");
        assertThat(p.difference().facts()).containsExactly(Approach.SLOW_LADDER, Approach.GRADED_LOAD);
    }

    private static final ClientFacts NEVER_PREGNANT =
            new ClientFacts(Status.GENERAL, null, List.of(), List.of(), List.of(), null, null, null, Set.of());

    private static Proposal proposal(Findings findings) {
        return Proposal.of(NEVER_PREGNANT, findings, false, Outcome.GO, TODAY).orElseThrow();
    }

    @Test
    void where_checks_are_missing_they_are_named_and_breath_comes_first_meanwhile() {
        Proposal nothing = proposal(Findings.NONE);
        assertThat(nothing.approach()).isEqualTo(Approach.BREATH_LED);
        assertThat(nothing.alternative()).isNull();
        assertThat(nothing.difference()).isNull();
        assertThat(nothing.reason())
                .isEqualTo(Reason.of(
                        "proposal.missingChecks",
                        Reason.list(List.of(
                                Reason.of("check.COUGH"),
                                Reason.of("check.TOLERANCE"),
                                Reason.of("check.GRADE"),
                                Reason.of("check.FLOAT"),
                                Reason.of("check.RIDGE")))));
        Findings partly = Findings.NONE
                .with(new Findings.Pressure(null, Observed.FloorOnCough.LIFTS, Observed.Doming.SOFT))
                .with(new Findings.DeepCore(Map.of(Side.LEFT, 3), 5, Map.of(Side.LEFT, 1, Side.RIGHT, 0)));
        assertThat(proposal(partly).reason())
                .isEqualTo(Reason.of("proposal.missingChecks", Reason.list(List.of(Reason.of("check.GRADE")))));
        Findings oneFloat =
                partly.with(new Findings.DeepCore(Map.of(Side.LEFT, 3, Side.RIGHT, 3), 5, Map.of(Side.RIGHT, 0)));
        assertThat(proposal(oneFloat).reason())
                .isEqualTo(Reason.of("proposal.missingChecks", Reason.list(List.of(Reason.of("check.FLOAT")))));
    }

    @Test
    void where_all_was_checked_and_nothing_fits_the_foundations_come_first() {
        Findings all = Findings.NONE
                .with(new Findings.Pressure(Observed.Cough.DRAWS_IN, null, Observed.Doming.NONE))
                .with(new Findings.DeepCore(
                        Map.of(Side.LEFT, 3, Side.RIGHT, 3), 5, Map.of(Side.LEFT, 0, Side.RIGHT, 0)));
        assertThat(proposal(all).reason()).isEqualTo(Reason.of("proposal.foundationsFirst"));
        Findings byTheFloor = all.with(new Findings.Pressure(null, Observed.FloorOnCough.LIFTS, Observed.Doming.NONE));
        assertThat(proposal(byTheFloor).reason()).isEqualTo(Reason.of("proposal.foundationsFirst"));
    }

    @Test
    void nothing_is_proposed_while_an_answer_closes_her_day() {
        for (Outcome outcome : Outcome.values()) {
            assertThat(Proposal.of(NEVER_PREGNANT, Findings.NONE, true, outcome, TODAY)
                            .isEmpty())
                    .as(outcome.name())
                    .isEqualTo(outcome == Outcome.REFER_NOW || outcome == Outcome.ASK_FIRST);
        }
    }

    @Test
    void one_stance_can_be_changed_and_no_other_moves() {
        Stances before = Approach.SLOW_LADDER.stances();
        Stances after = StanceChange.DOMING.in(before, "SOFT_TOLERATED");
        assertThat(StanceChange.between(before, after)).containsExactly(StanceChange.DOMING);
        assertThat(after.doming()).isEqualTo(Stances.Doming.SOFT_TOLERATED);
    }

    @Test
    void is_compared_with_what_she_is_not_led_by() {
        Proposal two = new Proposal(Approach.BREATH_LED, Reason.of("a"), Approach.SLOW_LADDER, Reason.of("b"));
        assertThat(two.besides(Approach.BREATH_LED)).isEqualTo(Approach.SLOW_LADDER);
        assertThat(two.besides(Approach.SLOW_LADDER)).isEqualTo(Approach.BREATH_LED);
        Proposal one = new Proposal(Approach.GRADED_LOAD, Reason.of("a"), null, null);
        assertThat(one.besides(Approach.QUIET_START)).isEqualTo(Approach.GRADED_LOAD);
        assertThat(one.besides(Approach.GRADED_LOAD)).isEqualTo(Approach.SLOW_LADDER);
    }
}
