package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.core.approach.Approach;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.StaffId;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What the tablet reports, on the real database. */
@ExtendWith(AppExtension.class)
class RunnerTest {
    private static final long IMOGEN = 1;
    private static final long TAMSIN = 2;

    private final Runner runner;
    private final Visits visits;
    private final Running app;
    private String session;
    private long visit;

    RunnerTest(Runner runner, Visits visits, Running app) {
        this.runner = runner;
        this.visits = visits;
        this.app = app;
    }

    @BeforeEach
    void a_session_that_has_begun() {
        long client = Someone.firm(app.context(), "Runner Person", Approach.SLOW_LADDER, 20);
        Visit today = visits.openToday(client, IMOGEN);
        visits.markAsked(today.id());
        visit = today.id();
        session = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
    }

    private static Report report(String id, Kind kind, String sign) {
        return new Report(id, kind, sign, null, null, null, null, null, null, null, null);
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    @Test
    void a_report_sent_twice_is_one_event_and_carries_who_told_it() {
        String sign = id();
        runner.take(session, report(sign, Kind.SIGN, "RUSHED"), TAMSIN);
        Session after =
                runner.take(session, report(sign, Kind.SIGN, "RUSHED"), TAMSIN).session();
        assertThat(after.current())
                .hasValueSatisfying(e -> assertThat(e.signs()).containsExactly(SignCode.RUSHED));
        assertThat(after.answered())
                .containsInstanceOf(SignSeen.class)
                .hasValueSatisfying(a -> assertThat(a.madeBy()).isEqualTo(new StaffId(TAMSIN)));
        assertThat(runner.replay(session).exercises())
                .usingRecursiveComparison()
                .isEqualTo(after.exercises());
    }

    @Test
    void an_emergency_stands_in_the_visit_and_does_not_come_back_when_it_was_corrected() {
        String emergency = id();
        runner.take(session, report(emergency, Kind.SIGN, "CHEST_PAIN"), IMOGEN);
        assertThat(runner.replay(session).locked()).isTrue();
        assertThat(visits.byId(visit).answers()).contains(Answer.CHEST_PAIN);
        visits.correct(visit, Answer.CHEST_PAIN, "it was the band", IMOGEN);
        runner.take(session, report(emergency, Kind.SIGN, "CHEST_PAIN"), IMOGEN);
        assertThat(visits.byId(visit).answers()).doesNotContain(Answer.CHEST_PAIN);
    }

    @Test
    void an_emergency_called_when_the_session_is_over_stands_in_the_visit_all_the_same() {
        runner.take(session, report(id(), Kind.FINISH, null), IMOGEN);
        runner.take(session, report(id(), Kind.SIGN, "CALF"), IMOGEN);
        assertThat(visits.byId(visit).answers()).contains(Answer.CALF);
    }
}
