package fernstep.app.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.ask.Visits;
import fernstep.app.client.Clients;
import fernstep.app.plan.Prescriptions;
import fernstep.app.run.Report;
import fernstep.app.run.Runner;
import fernstep.core.approach.Approach;
import fernstep.core.measure.Side;
import fernstep.core.plan.PlanItem;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.session.Exercise;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.SkipReason;
import fernstep.exchange.session.SessionEventJson;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;

/** An exercise that had to be made easier in a session is not asked for in full the next day. */
@ExtendWith(AppExtension.class)
class EasedStaysEasedTest {
    private static final long IMOGEN = 1;

    private final Running app;
    private final Runner runner;
    private final Visits visits;
    private final Clients clients;
    private final Ladders ladders;
    private final LadderMoves moves;
    private final Results results;
    private final Prescriptions prescriptions;
    private final JdbcTemplate sql;
    private long client;
    private long visit;
    private String session;
    private String rung;
    private Side side;

    EasedStaysEasedTest(
            Running app,
            Runner runner,
            Visits visits,
            Clients clients,
            Ladders ladders,
            LadderMoves moves,
            Results results,
            Prescriptions prescriptions,
            JdbcTemplate sql) {
        this.app = app;
        this.runner = runner;
        this.visits = visits;
        this.clients = clients;
        this.ladders = ladders;
        this.moves = moves;
        this.results = results;
        this.prescriptions = prescriptions;
        this.sql = sql;
    }

    /** A soft ridge in the first loaded exercise with a range; what comes before it is left out. */
    @BeforeEach
    void a_session_in_which_a_loaded_exercise_was_eased() {
        client = Someone.firm(app.context(), "Eased Person", Approach.SLOW_LADDER, 20);
        visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        session = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        while (!current().rung().hasRange()
                || current().range() == 0
                || current().rung().family() == null) {
            tell(new Report(
                    id(), SessionEventJson.Kind.SKIP, null, null, null, null, SkipReason.values()[0], null, null));
        }
        rung = current().plannedRung();
        side = current().side();
        tell(Report.of(id(), SessionEventJson.Kind.REP));
        tell(Report.sign(id(), "DOME_SOFT"));
        tell(Report.of(id(), SessionEventJson.Kind.FINISH));
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    private void tell(Report report) {
        runner.take(session, report, IMOGEN);
    }

    private Exercise current() {
        return runner.replay(session).current().orElseThrow();
    }

    private PlanItem prescribed() {
        return prescriptions.of(clients.file(client)).plan().items().stream()
                .filter(item -> item.rung().code().equals(rung) && item.side() == side)
                .findFirst()
                .orElseThrow();
    }

    private Standing standing() {
        return ladders.standings(clients.file(client)).stream()
                .filter(one -> one.rung().code().equals(rung) && one.step().sideOrNull() == side)
                .findFirst()
                .orElseThrow();
    }

    private void trained(int daysAgo, Kind kind) {
        String id = id();
        LocalDate day = LocalDate.now().minusDays(daysAgo);
        sql.update(
                "INSERT INTO training_session (id, client_id, held_on, staff_id) VALUES (?, ?, ?, ?)",
                id,
                client,
                day,
                IMOGEN);
        results.put(new ResultRow(id, rung, side == null ? "" : side.name(), client, day, kind, 3, "", "", 1));
    }

    /** As if the session had been some days ago. */
    private void longerAgo(int days) {
        for (String table : List.of("clean_setting", "session_result")) {
            sql.update(
                    "UPDATE " + table + " SET held_on = held_on - INTERVAL ? DAY WHERE session_id = ?", days, session);
        }
        sql.update("UPDATE ladder_step SET since = since - INTERVAL ? DAY WHERE client_id = ?", days, client);
    }

    @Test
    void the_plan_and_the_next_session_begin_where_she_was_clean_and_say_so() {
        Exercise eased = runner.replay(session).exercises().stream()
                .filter(exercise -> exercise.plannedRung().equals(rung) && exercise.side() == side)
                .findFirst()
                .orElseThrow();
        PlanItem item = prescribed();
        assertThat(item.range()).isEqualTo(eased.range());
        assertThat(item.easedWhy()).isNotNull();
        assertThat(item.easedWhy().key()).isEqualTo("eased.sinceBecause");
        assertThat(item.eased().setting().easing().kneesBentDeg()).isEqualTo(eased.kneesBentDeg());
        String next = runner.start(visit, id(), null, IMOGEN);
        PlannedExercise planned = runner.held(next).planned().stream()
                .filter(one -> one.rung().equals(rung) && one.side() == side)
                .findFirst()
                .orElseThrow();
        assertThat(planned.range()).isEqualTo(eased.range());
        assertThat(planned.easing().kneesBentDeg()).isEqualTo(eased.kneesBentDeg());
    }

    @Test
    void two_credits_give_half_of_the_way_back_and_two_more_the_rest() {
        longerAgo(20);
        double easedTo = prescribed().range();
        trained(10, Kind.CLEAN);
        trained(8, Kind.CLEAN);
        assertThat(standing().progress().change()).isEqualTo(Change.HALF_BACK);
        double planned = standing().step().rangeFraction();
        moves.confirm(standing().step().id(), IMOGEN);
        assertThat(prescribed().range()).isBetween(easedTo, planned);
        assertThat(prescribed().easedWhy()).isNotNull();
        sql.update(
                "UPDATE ladder_step SET since = since - INTERVAL 7 DAY WHERE change_code = 'HALF_BACK' AND client_id = ?",
                client);
        trained(5, Kind.CLEAN);
        trained(3, Kind.CLEAN);
        assertThat(standing().progress().change()).isEqualTo(Change.WHOLE_BACK);
        moves.confirm(standing().step().id(), IMOGEN);
        assertThat(prescribed().range()).isEqualTo(planned);
        assertThat(prescribed().easedWhy()).isNull();
    }

    @Test
    void a_session_that_goes_on_again_has_left_nothing_behind() {
        tell(Report.of(id(), SessionEventJson.Kind.UNDO));
        assertThat(sql.queryForObject("SELECT COUNT(*) FROM clean_setting WHERE client_id = ?", Integer.class, client))
                .isZero();
    }
}
