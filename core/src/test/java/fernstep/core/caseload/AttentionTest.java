package fernstep.core.caseload;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.caseload.Attention.Kind;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Dose;
import fernstep.core.progress.Progress;
import fernstep.core.progress.Progress.Change;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class AttentionTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);
    private static final Dose DOSE = new Dose(1, 10, null, null, 1, 5);

    private Approach approach = Approach.SLOW_LADDER;
    private int daysAfterBirth = 300;
    private BirthMode mode = BirthMode.VAGINAL;
    private List<Clearance> clearances = List.of(clearance(Clearance.Scope.FULL, null));
    private List<Answer> answers = List.of();
    private List<Progress> moves = List.of(move(Change.HOLD, "progress.keepGoing"));
    private LocalDate lastCheck = TODAY.minusDays(10);
    private LocalDate lastRise = TODAY.minusDays(5);

    @Nullable
    private LocalDate lastSession = TODAY.minusDays(1);

    private int sessionDays = 5;

    private static Clearance clearance(Clearance.Scope scope, @Nullable LocalDate expiry) {
        return new Clearance(scope, TODAY.minusDays(200), "PHYSICIAN", null, expiry, null);
    }

    private static Progress move(Change change, String reason) {
        return new Progress(0, change, DOSE, 1, "F2", Reason.of(reason), List.of());
    }

    private List<Attention> attention() {
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(TODAY.minusDays(daysAfterBirth), mode, 0)),
                List.of(),
                clearances,
                null,
                null,
                null,
                Set.of());
        Screening screening = Screening.of(
                Screening.Question.of(facts, answers, approach.stances(), TODAY).withLastCheck(lastCheck));
        return Attention.of(new Attention.Question(
                screening, facts, approach.stances(), moves, lastRise, lastSession, sessionDays, 5, TODAY));
    }

    private List<Kind> kinds() {
        return attention().stream().map(Attention::kind).toList();
    }

    @Test
    void a_client_in_step_needs_nothing() {
        assertThat(kinds()).isEmpty();
    }

    @Test
    void an_emergency_stands_above_everything() {
        answers = List.of(Answer.HEAVINESS, Answer.CHEST_PAIN);
        lastCheck = TODAY.minusDays(50);
        assertThat(kinds()).startsWith(Kind.EMERGENCY).contains(Kind.RECHECK_DUE);
    }

    @Test
    void heaviness_told_today_asks_first() {
        answers = List.of(Answer.HEAVINESS);
        assertThat(kinds()).startsWith(Kind.ASK_FIRST);
    }

    @Test
    void the_recheck_is_due_on_its_day_not_the_day_before() {
        lastCheck = TODAY.minusDays(42);
        assertThat(kinds()).containsExactly(Kind.RECHECK_DUE);
        lastCheck = TODAY.minusDays(41);
        assertThat(kinds()).isEmpty();
    }

    @Test
    void symptoms_the_day_after_come_before_moves_up() {
        moves = List.of(move(Change.NOTCH_UP, "progress.notchUp"), move(Change.HOLD, "progress.nextDay"));
        assertThat(kinds()).containsExactly(Kind.NEXT_DAY, Kind.READY);
        moves = List.of(move(Change.REFER, "progress.refer"), move(Change.HOLD, "progress.nextDay"));
        assertThat(kinds()).containsExactly(Kind.REFER);
    }

    @Test
    void moves_up_are_counted() {
        moves = List.of(move(Change.NOTCH_UP, "progress.notchUp"), move(Change.NEXT_RUNG, "progress.nextRung"));
        assertThat(attention()).containsExactly(new Attention(Kind.READY, Reason.of("board.readyMany", 2L)));
    }

    @Test
    void fewer_than_half_of_the_days_are_missed_sessions() {
        sessionDays = 2;
        lastSession = TODAY.minusDays(3);
        assertThat(kinds()).containsExactly(Kind.MISSED);
        sessionDays = 3;
        assertThat(kinds()).isEmpty();
    }

    @Test
    void three_weeks_without_a_rise_while_training_is_stalled() {
        lastRise = TODAY.minusDays(21);
        assertThat(kinds()).containsExactly(Kind.STALLED);
        lastRise = TODAY.minusDays(20);
        assertThat(kinds()).isEmpty();
        lastRise = TODAY.minusDays(40);
        moves = List.of(move(Change.NOTCH_UP, "progress.notchUp"));
        assertThat(kinds()).as("a move waits to be confirmed").containsExactly(Kind.READY);
    }

    @Test
    void a_clearance_that_ends_within_two_weeks_is_named_unless_another_covers_it() {
        clearances = List.of(clearance(Clearance.Scope.FULL, TODAY.plusDays(14)));
        assertThat(kinds()).containsExactly(Kind.CLEARANCE_ENDING);
        clearances = List.of(clearance(Clearance.Scope.FULL, TODAY.plusDays(15)));
        assertThat(kinds()).isEmpty();
        clearances =
                List.of(clearance(Clearance.Scope.EXERCISE, TODAY.plusDays(3)), clearance(Clearance.Scope.FULL, null));
        assertThat(kinds()).isEmpty();
    }

    @Test
    void a_suggested_garment_ends_six_weeks_after_a_birth_and_eight_after_a_caesarean() {
        approach = Approach.QUIET_START;
        daysAfterBirth = 42;
        assertThat(kinds()).contains(Kind.GARMENT_ENDING);
        daysAfterBirth = 34;
        assertThat(kinds()).doesNotContain(Kind.GARMENT_ENDING);
        mode = BirthMode.CAESAREAN;
        daysAfterBirth = 48;
        assertThat(kinds()).doesNotContain(Kind.GARMENT_ENDING);
        daysAfterBirth = 49;
        assertThat(kinds()).contains(Kind.GARMENT_ENDING);
    }

    @Test
    void the_next_gate_is_named_two_weeks_ahead() {
        mode = BirthMode.CAESAREAN;
        daysAfterBirth = 50;
        clearances = List.of(clearance(Clearance.Scope.FULL, null));
        lastSession = null;
        moves = List.of();
        assertThat(kinds()).contains(Kind.GATE_SOON);
    }

    @Test
    void says_what_it_is_about_with_its_number_or_day() {
        answers = List.of(Answer.CHEST_PAIN);
        assertThat(attention().get(0))
                .isEqualTo(new Attention(Kind.EMERGENCY, Reason.of("board.REFER_NOW", Answer.CHEST_PAIN)));
        answers = List.of();
        lastCheck = TODAY.minusDays(50);
        assertThat(attention())
                .containsExactly(new Attention(Kind.RECHECK_DUE, Reason.of("board.recheck", TODAY.minusDays(8))));
        lastCheck = TODAY.minusDays(10);
        moves = List.of(move(Change.NOTCH_UP, "progress.notchUp"));
        assertThat(attention()).containsExactly(new Attention(Kind.READY, Reason.of("board.ready", 1L)));
        moves = List.of(move(Change.RECHECK_FIRST, "progress.recheckFirst"));
        lastSession = TODAY.minusDays(17);
        lastRise = null;
        assertThat(attention()).contains(new Attention(Kind.RECHECK_FIRST, Reason.of("board.recheckFirst", 17L)));
        lastSession = null;
        assertThat(kinds()).as("who never trained has no gap").isEmpty();
    }

    @Test
    void missed_sessions_are_told_by_how_many_or_for_how_long() {
        sessionDays = 2;
        lastSession = TODAY.minusDays(3);
        assertThat(attention()).containsExactly(new Attention(Kind.MISSED, Reason.of("board.missed", 2, 5)));
        sessionDays = 0;
        lastSession = TODAY.minusDays(9);
        assertThat(attention()).containsExactly(new Attention(Kind.MISSED, Reason.of("board.missedAll", 9L)));
        sessionDays = 2;
        lastSession = TODAY.minusDays(2);
        assertThat(kinds()).as("she may still make them up").isEmpty();
        lastSession = TODAY.minusDays(3);
        moves = List.of();
        assertThat(kinds()).as("without a plan nothing is missed").isEmpty();
    }

    @Test
    void standing_still_is_told_in_weeks_and_only_of_her_who_trains() {
        lastRise = TODAY.minusDays(27);
        assertThat(attention()).containsExactly(new Attention(Kind.STALLED, Reason.of("board.stalled", 3L)));
        lastSession = TODAY.minusDays(20);
        assertThat(kinds()).containsExactly(Kind.STALLED);
        lastSession = TODAY.minusDays(21);
        assertThat(kinds()).as("three weeks away is another matter").isEmpty();
        lastSession = null;
        assertThat(kinds()).isEmpty();
    }

    @Test
    void a_clearance_that_has_ended_is_not_ending_and_only_a_longer_one_of_as_much_takes_its_place() {
        clearances = List.of(clearance(Clearance.Scope.FULL, TODAY.minusDays(1)));
        assertThat(kinds()).doesNotContain(Kind.CLEARANCE_ENDING);
        clearances = List.of(clearance(Clearance.Scope.FULL, TODAY));
        assertThat(attention())
                .contains(new Attention(
                        Kind.CLEARANCE_ENDING, Reason.of("board.clearanceEnding", Clearance.Scope.FULL, TODAY)));
        clearances = List.of(
                clearance(Clearance.Scope.FULL, TODAY.plusDays(3)),
                clearance(Clearance.Scope.EXERCISE, TODAY.plusDays(300)));
        assertThat(kinds()).as("the longer one covers less").containsExactly(Kind.CLEARANCE_ENDING);
        clearances = List.of(
                clearance(Clearance.Scope.FULL, TODAY.plusDays(3)),
                clearance(Clearance.Scope.FULL, TODAY.plusDays(90)));
        assertThat(kinds()).isEmpty();
        clearances = List.of(
                clearance(Clearance.Scope.FULL, TODAY.plusDays(9)), clearance(Clearance.Scope.FULL, TODAY.plusDays(3)));
        assertThat(attention())
                .as("the last of them counts, also where it ends soon itself")
                .containsExactly(new Attention(
                        Kind.CLEARANCE_ENDING,
                        Reason.of("board.clearanceEnding", Clearance.Scope.FULL, TODAY.plusDays(9))));
    }

    @Test
    void a_garment_is_named_on_its_last_day_and_no_longer_than_three_weeks_after() {
        approach = Approach.QUIET_START;
        daysAfterBirth = 42;
        assertThat(attention()).contains(new Attention(Kind.GARMENT_ENDING, Reason.of("board.garment", TODAY)));
        daysAfterBirth = 35;
        assertThat(kinds()).contains(Kind.GARMENT_ENDING);
        daysAfterBirth = 42 + 21;
        assertThat(kinds()).contains(Kind.GARMENT_ENDING);
        daysAfterBirth = 42 + 22;
        assertThat(kinds()).doesNotContain(Kind.GARMENT_ENDING);
        approach = Approach.SLOW_LADDER;
        daysAfterBirth = 42;
        assertThat(kinds()).as("nobody suggested one").doesNotContain(Kind.GARMENT_ENDING);
    }

    @Test
    void no_gate_is_named_to_her_who_may_not_train() {
        mode = BirthMode.CAESAREAN;
        daysAfterBirth = 50;
        lastSession = null;
        moves = List.of();
        answers = List.of(Answer.CHEST_PAIN);
        assertThat(kinds()).doesNotContain(Kind.GATE_SOON);
    }
}
