package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.screening.Answer;
import fernstep.core.session.Exercise;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.EmergencyCalled;
import fernstep.core.session.SessionEvent.Finished;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.core.session.SessionEvent.Skipped;
import fernstep.core.session.SessionEvent.Undone;
import fernstep.core.session.SkipReason;
import fernstep.core.session.StaffId;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.session.SessionEventJson;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A database of the release before events were typed, with a session in it, is brought up to date. */
class SessionMigrationTest {
    private static final String BEFORE = "4";
    private static final StaffId LED_IT = new StaffId(7);
    private static final String USER = System.getenv().getOrDefault("FERN_DB_OWNER", "fernstep");
    private static final String PASSWORD = System.getenv().getOrDefault("FERN_DB_OWNER_PASSWORD", "");
    private static final String URL = System.getenv("FERN_DB_URL").replaceFirst("/[a-z]+$", "/fernstep_before");
    private static final String SESSION = "00000000-0000-4000-8000-000000000001";
    private static final String NULLS_BEFORE_VALUE = "NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL";

    private static List<SessionEvent> events;
    private static int rowsBefore;

    @BeforeAll
    static void migrate() throws SQLException {
        try (Connection db = DriverManager.getConnection(URL.replace("fernstep_before", "fernstep"), USER, PASSWORD);
                Statement sql = db.createStatement()) {
            sql.execute("DROP DATABASE IF EXISTS fernstep_before");
            sql.execute("CREATE DATABASE fernstep_before CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci");
        }
        flyway(BEFORE).migrate();
        try (Connection db = DriverManager.getConnection(URL, USER, PASSWORD);
                Statement sql = db.createStatement()) {
            fill(sql);
            rowsBefore = count(sql);
        }
        flyway("latest").migrate();
        try (Connection db = DriverManager.getConnection(URL, USER, PASSWORD);
                Statement sql = db.createStatement();
                ResultSet rows = sql.executeQuery("SELECT id, kind, made_by, detail FROM run_event ORDER BY seq")) {
            events = new ArrayList<>();
            while (rows.next()) {
                events.add(SessionEventJson.read(
                        SessionEventJson.Kind.valueOf(rows.getString("kind")),
                        rows.getString("id"),
                        new StaffId(rows.getLong("made_by")),
                        rows.getString("detail")));
            }
        }
    }

    private static Flyway flyway(String target) {
        return Flyway.configure()
                .dataSource(URL, USER, PASSWORD)
                .locations("classpath:db/migration")
                .target(target)
                .load();
    }

    private static int count(Statement sql) throws SQLException {
        try (ResultSet n = sql.executeQuery("SELECT COUNT(*) FROM run_event")) {
            n.next();
            return n.getInt(1);
        }
    }

    /** As the release before wrote it: one row of each kind, and a sign for each shape of an answer. */
    private static void fill(Statement sql) throws SQLException {
        sql.execute("INSERT INTO staff (id, username, full_name, password_hash, licence)"
                + " VALUES (7, 'ann', 'Ann Example', 'x', 'THERAPIST')");
        sql.execute("INSERT INTO client (id, form_id, name, status, approach, minutes_per_day, days_per_week)"
                + " VALUES (3, '" + SESSION.replace('1', '9') + "', 'Bea Example', 'GENERAL', 'SLOW_LADDER', 20, 3)");
        sql.execute("INSERT INTO training_session (id, client_id, held_on, staff_id)" + " VALUES ('" + SESSION
                + "', 3, '2031-05-01', 7)");
        event(sql, "a", "REP", NULLS_BEFORE_VALUE, "NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL");
        // rung, set, rep, sign, severity, side, pain, recoverable | refers, move, lever, from, to, pct, rule, reason,
        // n, next
        event(
                sql,
                "b",
                "SIGN",
                "'F3', 1, 2, 'DOME_FIRM', 'CLEAR', 'LEFT', NULL, NULL",
                "NULL, 'EASE', 'RAISE_RANGE', '1.0', '0.67', -24.5, 'R4', 'A \"firm\" ridge’s relief', NULL,"
                        + " 'Step back a rung: Easing comes before'");
        event(
                sql,
                "c",
                "SIGN",
                "'F3', 1, 3, 'PAIN', 'SLIGHT', NULL, 6, NULL",
                "NULL, 'EASE', 'ADD_HELPER', NULL, 'BALL', NULL, 'R5', 'r', NULL, NULL");
        event(
                sql,
                "d",
                "SIGN",
                "'F3', 2, 1, 'SET_LOST', 'CLEAR', 'RIGHT', NULL, FALSE",
                "NULL, 'STEP_BACK', NULL, '0.4', 'F2', -30, 'R7', 'r', NULL, NULL");
        event(
                sql,
                "e",
                "SIGN",
                "'F2', 2, 1, 'BEARS_DOWN', 'CLEAR', NULL, NULL, TRUE",
                "NULL, 'END_EXERCISE', NULL, NULL, NULL, NULL, 'R3', 'r', NULL, NULL");
        event(
                sql,
                "f",
                "OVERRIDE",
                "'F2', 2, 1, NULL, NULL, NULL, NULL, NULL",
                "'e', 'CUE', NULL, NULL, NULL, NULL, NULL, 'it was the breath', NULL, NULL");
        event(sql, "g", "NEXT_SET", NULLS_BEFORE_VALUE, "NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL");
        event(sql, "h", "EFFORT", NULLS_BEFORE_VALUE, "NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 4, NULL");
        event(sql, "i", "UNDO", NULLS_BEFORE_VALUE, "'h', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL");
        event(sql, "j", "SKIP", NULLS_BEFORE_VALUE, "NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL");
        event(
                sql,
                "k",
                "SIGN",
                "'F2', 2, 1, 'CHEST_PAIN', 'CLEAR', NULL, NULL, NULL",
                "NULL, 'REFER_NOW', NULL, NULL, NULL, NULL, 'R1', 'r', NULL, NULL");
        event(sql, "l", "FINISH", NULLS_BEFORE_VALUE, "NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL");
    }

    private static void event(Statement sql, String id, String kind, String seen, String answer) throws SQLException {
        sql.execute(
                "INSERT INTO run_event (id, session_id, kind, rung, set_no, rep_no, sign, severity, side, pain_level,"
                        + " recoverable, refers_to, move, lever, lever_from, lever_to, load_change_pct, rule_id, reason,"
                        + " number_value, runner_up) VALUES ('" + id + "', '" + SESSION + "', '" + kind + "', " + seen
                        + ", "
                        + answer.replace("’s", "''s") + ")");
    }

    private static SessionEvent event(String id) {
        return events.stream()
                .filter(event -> event.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void no_row_is_lost_and_each_is_told_by_whoever_led_the_session() {
        assertThat(events).hasSize(rowsBefore).hasSize(12);
        assertThat(events).extracting(SessionEvent::madeBy).containsOnly(LED_IT);
        assertThat(events).extracting(SessionEvent::id).containsExactly("a b c d e f g h i j k l".split(" "));
    }

    @Test
    void what_carries_nothing_is_of_its_kind() {
        assertThat(event("a")).isEqualTo(new RepDone("a", LED_IT));
        assertThat(event("g")).isEqualTo(new SetBegun("g", LED_IT));
        assertThat(event("h")).isEqualTo(new EffortTold("h", LED_IT, 4));
        assertThat(event("i")).isEqualTo(new Undone("i", LED_IT, "h"));
        assertThat(event("j")).isEqualTo(new Skipped("j", LED_IT, SkipReason.NOT_SAID));
        assertThat(event("l")).isEqualTo(new Finished("l", LED_IT));
        assertThat(event("f")).isEqualTo(new Overridden("f", LED_IT, "e", Move.CUE, "it was the breath"));
    }

    @Test
    void a_sign_keeps_where_it_was_seen_and_what_was_answered() {
        SignSeen eased = (SignSeen) event("b");
        assertThat(eased.place()).isEqualTo(new Place("F3", 1));
        assertThat(eased.seen())
                .isEqualTo(Seen.clear(SignCode.DOME_FIRM).inRep(2).on(Side.LEFT));
        assertThat(eased.advice().move()).isEqualTo(Move.EASE);
        assertThat(eased.advice().change()).isEqualTo(new LeverChange(Lever.RAISE_RANGE, 1.0, 0.67, -24.5));
        assertThat(eased.advice().rule()).isEqualTo(RuleId.R4);
        assertThat(eased.advice().reason()).isEqualTo(Reason.of(Reason.VERBATIM, "A \"firm\" ridge's relief"));
        assertThat(eased.advice().runnerUp())
                .satisfies(runnerUp -> assertThat(runnerUp.reason())
                        .isEqualTo(Reason.of(Reason.VERBATIM, "Step back a rung: Easing comes before")));
        assertThat(eased.advice().closesLoadedRungs()).isFalse();
    }

    @Test
    void helpers_pain_and_steps_back_come_through() {
        SignSeen helped = (SignSeen) event("c");
        assertThat(helped.seen().painLevel()).isEqualTo(6);
        assertThat(helped.seen().severity()).isEqualTo(Seen.Severity.SLIGHT);
        assertThat(helped.advice().change()).isEqualTo(new LeverChange(Lever.ADD_HELPER, null, Helper.BALL, null));
        SignSeen back = (SignSeen) event("d");
        assertThat(back.seen().recoverable()).isFalse();
        assertThat(back.advice().change()).isNull();
        assertThat(back.advice().stepBackTo()).isEqualTo("F2");
        assertThat(back.advice().stepBackRange()).isEqualTo(0.4);
        assertThat(((SignSeen) event("e")).seen().recoverable()).isTrue();
        assertThat(((SignSeen) event("e")).advice().closesLoadedRungs()).isTrue();
    }

    @Test
    void an_emergency_is_no_sign_any_more_and_still_locks() {
        assertThat(event("k"))
                .isInstanceOfSatisfying(
                        EmergencyCalled.class,
                        called -> assertThat(called.answer()).isEqualTo(Answer.CHEST_PAIN));
        List<PlannedExercise> planned =
                List.of(new PlannedExercise("F3", RungForm.PLAIN, Side.LEFT, new Dose(3, 6, null, null, 1, 5), 1));
        Session upToStepBack = Session.replay(CataloguePackage.shipped(), planned, events.subList(0, 4));
        assertThat(upToStepBack.current()).hasValueSatisfying(exercise -> {
            assertThat(exercise.rung().code()).isEqualTo("F2");
            assertThat(exercise.range()).isEqualTo(0.4);
            assertThat(exercise.repsDone()).isEqualTo(1);
        });
        assertThat(Session.replay(CataloguePackage.shipped(), planned, List.of(event("k")))
                        .locked())
                .isTrue();
        assertThat(upToStepBack.exercises()).extracting(Exercise::plannedRung).containsExactly("F3");
    }
}
