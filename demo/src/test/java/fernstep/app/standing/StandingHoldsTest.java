package fernstep.app.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visit;
import fernstep.app.ask.VisitMapper;
import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.check.ReadingRow;
import fernstep.app.client.ClearanceRow;
import fernstep.app.client.Clients;
import fernstep.app.client.EventRow;
import fernstep.app.plan.Prescriptions;
import fernstep.app.run.Report;
import fernstep.app.run.Runner;
import fernstep.core.approach.Approach;
import fernstep.core.client.Clearance;
import fernstep.core.client.Licence;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Lift;
import fernstep.core.standing.Permission;
import fernstep.core.standing.SafetyReport.Way;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** What stops her stops her on every page, in every session and on every day until somebody has looked. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class StandingHoldsTest {
    private static final long IMOGEN = 1;
    private static final Standings.By THERAPIST = new Standings.By(IMOGEN, Licence.THERAPIST);
    private static final Standings.By COACH = new Standings.By(2, Licence.COACH);
    /** What nobody reaches without meaning it: it would take the client of the test away. */
    private static final String ENDS_THE_RECORD = "/clients/\\{id}/record/(erase|archive|restrict).*";

    private final Running app;
    private final Visits visits;
    private final Standings standings;
    private final Runner runner;
    private final Prescriptions prescriptions;
    private final JdbcTemplate sql;
    private long client;
    private long visit;

    StandingHoldsTest(
            Running app,
            Visits visits,
            Standings standings,
            Runner runner,
            Prescriptions prescriptions,
            JdbcTemplate sql) {
        this.app = app;
        this.visits = visits;
        this.standings = standings;
        this.runner = runner;
        this.prescriptions = prescriptions;
        this.sql = sql;
    }

    @BeforeEach
    void somebody_in_training() {
        client = Someone.firm(app.context(), "Standing Person", Approach.SLOW_LADDER, 20);
        visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        prescriptions.adopt(visits.byId(visit), IMOGEN);
    }

    private long visitOf(int daysAgo) {
        VisitMapper mapper = app.context().getBean(VisitMapper.class);
        LocalDate day = LocalDate.now().minusDays(daysAgo);
        mapper.insert(client, day, IMOGEN);
        long id = mapper.onDay(client, day).orElseThrow().id();
        mapper.markAsked(id, day.atTime(10, 0));
        return id;
    }

    private String session() {
        return runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
    }

    /** As it stands after midnight: begun yesterday, with today's exercises. */
    private String leftOpenYesterday() {
        String session = session();
        sql.update("UPDATE training_session SET held_on = held_on - INTERVAL 1 DAY WHERE id = ?", session);
        return session;
    }

    private void report(Concern concern) {
        standings.report(client, concern, Heard.fromHome(LocalDateTime.now().withNano(0)));
    }

    private long reportId() {
        return standings.of(client).open().get(0).id();
    }

    private static APIResponse send(Page page, String method, String url, Object body) {
        RequestOptions options = RequestOptions.create()
                .setMethod(method)
                .setMaxRedirects(0)
                .setHeader("X-CSRF-TOKEN", page.getAttribute("meta[name=csrf]", "content"));
        return page.request().fetch(url, body == null ? options : options.setData(body));
    }

    /** Everything that is written when work begins, goes on or is prescribed. */
    private Map<String, Integer> work() {
        Map<String, Integer> all = new TreeMap<>();
        for (String table : List.of("training_session", "ladder_step", "prescription", "plan_choice", "plan_order")) {
            all.put(
                    table,
                    sql.queryForObject(
                            "SELECT COUNT(*) FROM " + table + " WHERE client_id = ?", Integer.class, client));
        }
        all.put(
                "events",
                sql.queryForObject(
                        "SELECT COUNT(*) FROM run_event e JOIN training_session s ON s.id = e.session_id"
                                + " WHERE s.client_id = ? AND e.kind NOT IN ('EMERGENCY', 'NOTE', 'FINISH')",
                        Integer.class,
                        client));
        return all;
    }

    @ParameterizedTest
    @EnumSource(
            value = Way.class,
            names = {"HOME", "VISIT", "SESSION"})
    void no_route_there_is_lets_work_through_while_an_emergency_stands(Way way, Visitor visitor) {
        long older = visitOf(5);
        String yesterdays = leftOpenYesterday();
        String session = session();
        switch (way) {
            case HOME -> report(Concern.of(Answer.CALF));
            case VISIT -> visits.answer(visit, Answer.CALF, true, IMOGEN, "");
            default -> runner.take(session, Report.sign(UUID.randomUUID().toString(), "CALF"), IMOGEN);
        }
        Page page = visitor.onATablet("imogen");
        visitor.open("/");
        Map<String, Integer> before = work();
        TreeSet<String> walked = new TreeSet<>();
        app.context().getBeansOfType(RequestMappingHandlerMapping.class).values().stream()
                .flatMap(mapping -> mapping.getHandlerMethods().keySet().stream())
                .forEach(route -> route.getPatternValues().stream()
                        .filter(pattern -> pattern.matches("(/api/v1)?/(clients|visits|sessions)/\\{.*"))
                        .filter(pattern -> !pattern.matches(ENDS_THE_RECORD))
                        .forEach(pattern -> {
                            for (RequestMethod method :
                                    route.getMethodsCondition().getMethods()) {
                                for (String path :
                                        paths(pattern, List.of(visit, older), List.of(session, yesterdays))) {
                                    APIResponse answer = send(page, method.name(), app.baseUrl() + path, null);
                                    assertThat(answer.status())
                                            .as("%s %s", method, path)
                                            .isLessThan(500);
                                    assertThat(answer.text())
                                            .as("%s %s", method, path)
                                            .doesNotContain("Use this plan", "id=\"run\"", "id=\"use\"", "plan-row");
                                    walked.add(method + " " + pattern);
                                }
                            }
                        }));
        assertThat(walked)
                .hasSizeGreaterThan(70)
                .contains("POST /visits/{id}/run", "POST /visits/{id}/plan/use", "POST /sessions/{sessionId}/reopen");
        assertThat(work()).isEqualTo(before);
        assertThat(standings.of(client).locked()).isTrue();
        for (String told : List.of(session, yesterdays)) {
            send(page, "POST", app.baseUrl() + "/sessions/" + told + "/events", rep());
        }
        assertThat(work()).as("a repetition counted in a session that was open").isEqualTo(before);
    }

    private static Map<String, String> rep() {
        return Map.of("id", UUID.randomUUID().toString(), "kind", "REP");
    }

    private List<String> paths(String pattern, List<Long> visitIds, List<String> sessionIds) {
        String rest = pattern.replaceFirst("\\{[^}]+}", "@")
                .replace("{file}", "case.json")
                .replaceAll("\\{[^}]+}", "1");
        String filled = "?sessionId=" + UUID.randomUUID() + "&eventId=" + UUID.randomUUID()
                + "&change=SIZE%3A%3A%3A4&approach=GRADED_LOAD&stance=DOSE&option=SETS_WEEKLY&rung=F3&side=LEFT&range=0.5&on=true";
        List<String> ids = new ArrayList<>();
        if (pattern.contains("/visits/{")) {
            visitIds.forEach(id -> ids.add(String.valueOf(id)));
        } else if (pattern.contains("/sessions/{")) {
            ids.addAll(sessionIds);
        } else {
            ids.add(String.valueOf(client));
        }
        return ids.stream().map(id -> rest.replace("@", id) + filled).toList();
    }

    @Nested
    class Told_yesterday {
        @Test
        void an_emergency_stands_today_on_board_plan_and_her_page_until_a_therapist_records_who_saw_her(
                Visitor visitor) {
            long yesterday = visitOf(1);
            visits.answer(yesterday, Answer.CHEST_PAIN, true, IMOGEN, "said at the door");
            assertThat(visits.byId(visit).locked()).isTrue();
            Page page = visitor.onATablet("imogen");
            visitor.open("/?q=Standing");
            assertThat(page.locator("#rows tr", new Page.LocatorOptions().setHasText("Chest pain"))
                            .first()
                            .textContent())
                    .contains("Emergency");
            visitor.open("/visits/" + visit + "/plan");
            assertThat(page.url()).endsWith("/referral");
            visitor.see("Call the emergency number now");
            visitor.open("/clients/" + client);
            page.fill(".looked input[name=found]", "Seen at the hospital: heart well, a strained rib.");
            page.click(".looked button[value=AS_PLANNED]");
            assertThat(page.locator("#from-home").count()).isZero();
            assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.TRAIN);
            assertThat(visits.byId(visit).locked()).isFalse();
        }

        @Test
        void a_session_left_open_does_not_go_on_and_what_was_done_in_it_counts() {
            String session = session();
            runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.REP), IMOGEN);
            sql.update("UPDATE training_session SET held_on = held_on - INTERVAL 1 DAY WHERE id = ?", session);
            assertThatThrownBy(() ->
                            runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.REP), IMOGEN))
                    .hasMessage("EARLIER_DAY");
            assertThatThrownBy(() ->
                            runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.UNDO), IMOGEN))
                    .hasMessage("EARLIER_DAY");
            runner.take(session, Report.note(UUID.randomUUID().toString(), "stopped early"), IMOGEN);
        }

        @Test
        void an_ended_session_is_not_reopened(Visitor visitor) {
            String session = session();
            runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.REP), IMOGEN);
            runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.FINISH), IMOGEN);
            sql.update("UPDATE training_session SET held_on = held_on - INTERVAL 1 DAY WHERE id = ?", session);
            Page page = visitor.onATablet("imogen");
            visitor.open("/sessions/" + session);
            assertThat(page.locator("form[action$=reopen]").count()).isZero();
            APIResponse answer = send(
                    page,
                    "POST",
                    app.baseUrl() + "/sessions/" + session + "/reopen?eventId=" + UUID.randomUUID(),
                    null);
            assertThat(answer.headers().get("location")).endsWith("/clients/" + client + "#from-home");
            assertThat(runner.replay(session).ended()).isTrue();
        }
    }

    @Test
    void only_todays_visit_whose_questions_were_answered_within_twelve_hours_begins_a_session(Visitor visitor) {
        long older = visitOf(4);
        Page page = visitor.onATablet("imogen");
        visitor.open("/visits/" + older + "/plan");
        assertThat(page.locator("#run, #use").count()).isZero();
        visitor.see("This visit is a record.");
        Map<String, Integer> before = work();
        String run = "/run?sessionId=" + UUID.randomUUID();
        assertThat(send(page, "POST", app.baseUrl() + "/visits/" + older + run, null)
                        .headers()
                        .get("location"))
                .endsWith("/clients/" + client + "#from-home");
        visitor.open("/clients/" + client);
        visitor.see("is a record. Start a session from today's visit.");
        sql.update(
                "UPDATE visit SET asked_at = ? WHERE id = ?",
                LocalDateTime.now().minusHours(12).minusMinutes(1),
                visit);
        send(page, "POST", app.baseUrl() + "/visits/" + visit + run, null);
        assertThat(work()).isEqualTo(before);
        visitor.open("/clients/" + client);
        visitor.see("The questions are more than twelve hours old.");
        sql.update(
                "UPDATE visit SET asked_at = ? WHERE id = ?",
                LocalDateTime.now().minusHours(11),
                visit);
        send(page, "POST", app.baseUrl() + "/visits/" + visit + run, null);
        assertThat(work().get("training_session")).isEqualTo(before.get("training_session") + 1);
    }

    @Test
    void who_has_no_licence_lifts_no_emergency_and_what_is_not_found_lifts_nothing() {
        report(Concern.of(Answer.FEVER));
        long fever = reportId();
        assertThatThrownBy(() -> standings.lift(client, fever, Lift.Kind.SEEN, Lift.May.AS_PLANNED, COACH, "seen"))
                .isInstanceOf(AccessDeniedException.class);
        standings.lift(client, fever, Lift.Kind.SEEN, Lift.May.REFERRED, THERAPIST, "called her doctor at 10:40");
        assertThat(standings.of(client).locked()).isTrue();
        standings.lift(client, fever, Lift.Kind.SEEN, Lift.May.AS_PLANNED, THERAPIST, "seen by her doctor");
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.TRAIN);
        assertThat(standings.history(client))
                .singleElement()
                .satisfies(reported -> assertThat(reported.lifts())
                        .extracting(Lift::found)
                        .containsExactly("called her doctor at 10:40", "seen by her doctor"));
    }

    @Test
    void a_clearance_given_since_answers_that_the_surgeon_had_not_given_one() {
        report(Concern.of(Answer.SURGEON_NOT_CLEARED));
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.BREATH_AND_POSTURE);
        app.context()
                .getBean(Clients.class)
                .clear(new ClearanceRow(
                        client, Clearance.Scope.EXERCISE, LocalDate.now(), null, "SURGEON", "", "", IMOGEN));
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.TRAIN);
    }

    @Test
    void the_sheet_says_what_was_said_when_to_whom_what_was_done_before_and_whom_to_call(Visitor visitor) {
        String session = session();
        runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.REP), IMOGEN);
        runner.take(session, Report.sign(UUID.randomUUID().toString(), "DOME_FIRM"), IMOGEN);
        runner.take(session, Report.sign(UUID.randomUUID().toString(), "SELF_HARM"), IMOGEN);
        Page page = visitor.onATablet("imogen");
        visitor.open("/sessions/" + session);
        page.click("a:visible:text-is('Referral sheet')");
        assertThat(page.locator("[data-call=CRISIS_NOW]").textContent()).contains("She is not left alone");
        assertThat(page.locator("[data-call] a").allTextContents())
                .containsExactly("Crisis line: 555 0199", "Emergency number: 112");
        assertThat(page.locator("main").textContent())
                .contains("in a session, to Imogen Vale", "firm doming")
                .doesNotContain("maternity");
        visitor.checkAccessible();
        visitor.open("/sessions/" + session + "/record");
        visitor.see("An emergency closed this session.");
        assertThat(page.locator("table.record").textContent()).containsIgnoringCase("firm doming");
    }

    @Test
    void heaviness_told_on_her_phone_stops_a_session_that_runs() {
        String session = session();
        report(new Concern.PelvicFloor(SignCode.HEAVY, "SS1"));
        Map<String, Integer> before = work();
        runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.REP), IMOGEN);
        assertThat(work()).isEqualTo(before);
        standings.lift(client, reportId(), Lift.Kind.SPOKEN, Lift.May.AS_PLANNED, COACH, "gone");
        runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.REP), IMOGEN);
        assertThat(work().get("events")).isEqualTo(before.get("events") + 1);
    }

    @Test
    void a_separation_is_not_measured_before_the_day_on_which_its_check_opens() {
        long mother = Someone.afterBirth(app.context(), "Early Mother", 2);
        Visit today = visits.openToday(mother, IMOGEN);
        CheckEntries entries = app.context().getBean(CheckEntries.class);
        ReadingRow reading =
                new ReadingRow(today.id(), 2, Condition.REST, Method.FINGERS, "2.5", null, null, Feel.SPRINGY, IMOGEN);
        CheckEntries.By her = new CheckEntries.By(IMOGEN, null, "");
        assertThatThrownBy(() -> entries.measure(today, reading, her))
                .isInstanceOfSatisfying(
                        CheckEntries.Refused.class,
                        refused -> assertThat(refused.why())
                                .isEqualTo(Reason.of(
                                        "told.checkClosedUntil",
                                        LocalDate.now().minusWeeks(2).plusDays(42))));
        assertThat(entries.readings(today.id())).isEmpty();
    }

    @Test
    void an_operation_five_weeks_ago_that_nobody_cleared_asks_first() {
        Clients clients = app.context().getBean(Clients.class);
        long operated = Someone.plain(app.context(), "Operated Person", Approach.SLOW_LADDER, 20);
        clients.addEvent(
                new EventRow(operated, EventRow.Kind.SURGERY, LocalDate.now().minusWeeks(5), null, 0, "appendix"),
                IMOGEN);
        assertThat(visits.openToday(operated, IMOGEN).screening().outcome()).isEqualTo(Outcome.ASK_FIRST);
    }
}
