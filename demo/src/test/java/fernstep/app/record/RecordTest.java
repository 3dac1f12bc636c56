package fernstep.app.record;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.VisitMapper;
import fernstep.app.ask.Visits;
import fernstep.app.client.Clients;
import fernstep.app.client.EventRow;
import fernstep.app.home.HomeLinks;
import fernstep.app.support.Audit;
import fernstep.core.approach.Approach;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Progress;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;

/** Nothing in the record is rewritten, two who edit are told, and the trail is only ever added to. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class RecordTest {
    private static final long IMOGEN = 1;

    private final Running app;
    private final Clients clients;
    private final Visits visits;
    private final JdbcTemplate sql;

    RecordTest(Running app, Clients clients, Visits visits, JdbcTemplate sql) {
        this.app = app;
        this.clients = clients;
        this.visits = visits;
        this.sql = sql;
    }

    private static void saved(Page page) {
        assertThat(page.locator(".saved")).hasText("Saved");
    }

    private long asked(long client) {
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        return visit;
    }

    @Test
    void what_a_finding_was_before_stays_with_who_changed_it(Visitor visitor) {
        long client = Someone.plain(app.context(), "Changed Mind", Approach.SLOW_LADDER, 14);
        long visit = asked(client);
        Page page = visitor.onATablet("imogen");
        visitor.open("/visits/" + visit + "/check/one/straw");
        page.click("label[for=STRAWFAINT]");
        saved(page);
        page.click("label[for=STRAWGENTLE]");
        saved(page);
        visitor.open("/clients/" + client + "/record");
        assertThat(page.locator("tbody tr").first()).containsText("Imogen Vale");
        assertThat(page.locator("tbody tr").first()).containsText("faint");
        assertThat(page.locator("tbody tr").first()).containsText("gentle");
        assertThat(page.locator("tbody tr")).hasCount(2);
        visitor.checkAccessible();
    }

    @Test
    void what_was_set_by_hand_in_her_plan_and_wished_stays_with_who_changed_it(Visitor visitor) {
        long client = Someone.firm(app.context(), "Planned Anew", Approach.SLOW_LADDER, 14);
        long visit = asked(client);
        Page page = visitor.onATablet("imogen");
        String csrf = page.request()
                .get(app.baseUrl() + "/clients/" + client)
                .text()
                .replaceAll("(?s).*name=\"csrf\" content=\"([^\"]+)\".*", "$1");
        for (String change : List.of("LEAVE_OUT|DEEP_CORE||", "PUT_IN|DEEP_CORE||", "SIZE|||4", "RESET|||")) {
            page.request()
                    .post(
                            app.baseUrl() + "/visits/" + visit + "/plan/change",
                            RequestOptions.create()
                                    .setHeader("X-CSRF-TOKEN", csrf)
                                    .setForm(FormData.create().set("change", change)));
        }
        clients.trainBy(client, Progress.GrowFirst.RANGE, Set.of(DayOfWeek.SUNDAY), Goal.CAR_SEAT, null, IMOGEN);
        visitor.open("/clients/" + client + "/record");
        Locator rows = page.locator("tbody tr");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("Plan, set by you: Deep-core engagement")))
                .hasCount(3);
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("left out"))
                        .first())
                .containsText("Imogen Vale");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("Exercises at most")))
                .containsText("4");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("Goal"))).containsText("carry the car seat");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("Not on")))
                .containsText("Sunday");
    }

    @Test
    void a_past_visit_changes_only_with_a_reason_that_is_kept(Visitor visitor) {
        long client = Someone.firm(app.context(), "Looked Back", Approach.SLOW_LADDER, 14);
        long past = visits.ofClient(client).get(0).id();
        Page page = visitor.onATablet("imogen");
        visitor.open("/visits/" + past + "/check/one/scoop");
        page.click("label[for=SCOOPPARTLY]");
        visitor.see("Give the reason above");
        page.fill("#past-why", "read from my notes");
        page.click("label[for=SCOOPNO]");
        saved(page);
        visitor.open("/clients/" + client + "/record");
        assertThat(page.locator("tbody tr")).hasCount(1);
        assertThat(page.locator("tbody tr")).containsText("read from my notes");
        assertThat(skip(page, past, "&reason=sore+wrist")).isEqualTo(422);
        assertThat(skip(page, past, "&reason=sore+wrist&why=forgotten")).isEqualTo(200);
        visitor.open("/clients/" + client + "/record");
        assertThat(page.locator("tbody tr").first()).containsText("sore wrist");
        assertThat(page.locator("tbody tr").first()).containsText("forgotten");
    }

    @Test
    void an_answer_of_a_past_visit_that_is_not_sent_yet_says_nothing_about_today(Visitor visitor) {
        long client = Someone.firm(app.context(), "Told Since", Approach.SLOW_LADDER, 14);
        long past = visits.ofClient(client).get(0).id();
        Page page = visitor.onATablet("imogen");
        visitor.open("/visits/" + past + "/ask");
        page.fill("#past-why", "said it on the phone");
        visitor.context().setOffline(true);
        page.click("label[for=CHEST_PAIN]");
        assertThat(page.locator(".note-stop[role=alert]")).containsText("It will be sent as soon as possible");
        assertThat(page.locator(".note-stop[role=alert]")).not().containsText("she does not train");
        visitor.context().setOffline(false);
        assertThat(page.locator(".note-stop[role=alert]")).isHidden();
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "REFER_NOW");
    }

    private int skip(Page page, long visit, String fields) {
        return page.request()
                .post(
                        app.baseUrl() + "/visits/" + visit + "/skips",
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", page.getAttribute("meta[name=csrf]", "content"))
                                .setHeader("Content-Type", "application/x-www-form-urlencoded")
                                .setData("section=HOVER" + fields))
                .status();
    }

    @Test
    void a_past_visit_is_not_filled_with_what_was_found_before(Visitor visitor, VisitMapper mapper) {
        long client = Someone.firm(app.context(), "Not Filled", Approach.SLOW_LADDER, 14);
        LocalDate yesterday = LocalDate.now().minusDays(1);
        mapper.insert(client, yesterday, IMOGEN);
        long past = mapper.onDay(client, yesterday).orElseThrow().id();
        Page page = visitor.onATablet("imogen");
        visitor.open("/visits/" + past + "/check/one/cough");
        assertThat(page.locator(".pick .was").first()).isVisible();
        assertThat(page.locator("[data-same]")).hasCount(0);
        int status = page.request()
                .post(
                        app.baseUrl() + "/visits/" + past + "/check/one/cough/as-last-time",
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", page.getAttribute("meta[name=csrf]", "content")))
                .status();
        assertThat(status).isEqualTo(200);
        assertThat(sql.queryForObject("SELECT COUNT(*) FROM finding WHERE visit_id = ?", Long.class, past))
                .isZero();
    }

    @Test
    void left_alone_for_long_she_is_signed_out_and_told_so(Visitor visitor) {
        Page page = visitor.onTheBoard("rafaela");
        page.locator("#sign-out").evaluate("form => form.dispatchEvent(new Event('left-alone'))");
        page.waitForURL("**/sign-in?away");
        visitor.see("You were away for a while");
        assertThat(page.request().get(app.baseUrl() + "/").url()).endsWith("/sign-in");
    }

    @Test
    void who_writes_over_anothers_finding_is_told_first(Visitor visitor) {
        long client = Someone.plain(app.context(), "Two Tablets", Approach.SLOW_LADDER, 14);
        long visit = asked(client);
        Page mine = visitor.onATablet("imogen");
        mine.navigate(app.baseUrl() + "/visits/" + visit + "/check/one/straw");
        Page hers = visitor.onATablet("ilse");
        hers.navigate(app.baseUrl() + "/visits/" + visit + "/check/one/straw");
        hers.click("label[for=STRAWFIRM]");
        saved(hers);
        mine.click("label[for=STRAWNONE]");
        assertThat(mine.locator("fieldset .field-problem")).containsText("Meanwhile Ilse Brandt entered FIRM");
        mine.click("label[for=STRAWFAINT]");
        saved(mine);
        assertThat(mine.locator("fieldset .field-problem")).hasCount(0);
    }

    @Test
    void two_who_change_the_facts_at_once_see_both_and_lose_nothing(Visitor visitor) {
        long client = Someone.plain(app.context(), "Facts Twice", Approach.SLOW_LADDER, 14);
        Page mine = visitor.onATablet("imogen");
        mine.navigate(app.baseUrl() + "/clients/" + client + "/edit");
        mine.fill("#heightCm", "171");
        Page hers = visitor.onATablet("ilse");
        hers.navigate(app.baseUrl() + "/clients/" + client + "/edit");
        hers.fill("#massKg", "70");
        hers.click("button:text-is('Save')");
        hers.waitForURL("**/clients/" + client);
        mine.click("button:text-is('Save')");
        assertThat(mine.locator("[role=alert]")).containsText("A colleague changed these facts");
        assertThat(mine.locator("[role=alert]")).containsText("70");
        assertThat(mine.locator("#heightCm")).hasValue("171");
        mine.fill("#massKg", "70");
        mine.click("button:text-is('Save')");
        mine.waitForURL("**/clients/" + client);
        assertThat(clients.file(client).row().heightCm()).isEqualTo(171.0);
        assertThat(clients.file(client).row().massKg()).isEqualTo(70.0);
    }

    @Test
    void a_mistyped_birth_is_put_right_or_struck_out_and_not_doubled(Visitor visitor) {
        long client = Someone.afterBirth(app.context(), "Mistyped Birth", 12);
        LocalDate right = LocalDate.now().minusWeeks(9);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/edit");
        page.fill("#birthDate", right.toString());
        page.click("button:text-is('Save')");
        page.waitForURL("**/clients/" + client);
        assertThat(clients.file(client).events())
                .extracting(EventRow::happenedOn)
                .containsExactly(right);
        page.locator("#events summary:has-text('Entered by mistake')").click();
        page.locator("#events form[action$='/strike'] button").click();
        visitor.see("Please give the reason");
        page.locator("#events summary:has-text('Entered by mistake')").click();
        page.locator("#events form[action$='/strike'] [name=reason]").fill("her sister's");
        page.locator("#events form[action$='/strike'] button").click();
        page.waitForURL("**/clients/" + client + "#events");
        assertThat(clients.file(client).events()).isEmpty();
        visitor.open("/clients/" + client + "/record");
        assertThat(page.locator("tbody")).containsText("her sister's");
    }

    @Test
    void the_trail_can_be_added_to_and_read_and_nothing_else(Audit audit) {
        audit.record(IMOGEN, null, "SIGN_IN", "of the test");
        assertThatThrownBy(() -> sql.update("UPDATE audit SET what = 'NOTHING'"))
                .rootCause()
                .hasMessageContaining("denied");
        assertThatThrownBy(() -> sql.update("DELETE FROM audit")).rootCause().hasMessageContaining("denied");
        assertThatThrownBy(() -> sql.execute("DROP TABLE audit")).rootCause().hasMessageContaining("denied");
        assertThat(audit.lines(IMOGEN, null, "SIGN_IN", LocalDate.now(), LocalDate.now(), 1))
                .singleElement()
                .satisfies(line -> assertThat(line.detail()).isEqualTo("of the test"));
    }

    @Test
    void a_lead_reads_the_trail_filtered_and_as_csv_and_a_coach_does_not(Visitor visitor, Audit audit) {
        long client = Someone.plain(app.context(), "=Formula Person", Approach.SLOW_LADDER, 14);
        audit.record(IMOGEN, client, "MOVE_HELD", "=1+1, and a comma");
        Page lead = visitor.onATablet("imogen");
        visitor.open("/house/audit?clientId=" + client);
        assertThat(lead.locator("tbody tr")).hasCount(1);
        visitor.checkAccessible();
        String csv = lead.request()
                .get(app.baseUrl() + "/house/audit.csv?clientId=" + client)
                .text();
        assertThat(csv.lines().toList()).hasSize(2);
        assertThat(csv).contains("\"'=1+1, and a comma\"");
        Page coach = visitor.onATablet("tamsin");
        assertThat(coach.request().get(app.baseUrl() + "/house/audit").status()).isEqualTo(403);
        assertThat(coach.request().get(app.baseUrl() + "/house/audit.csv").status())
                .isEqualTo(403);
    }

    @Test
    void archived_she_is_off_the_board_and_only_read_and_erased_she_leaves_a_stub_without_a_word(
            Visitor visitor, Audit audit) {
        long client = Someone.firm(app.context(), "Gone Away", Approach.SLOW_LADDER, 14);
        audit.record(IMOGEN, client, "MOVE_HELD", "Gone Away has a cold");
        app.context().getBean(HomeLinks.class).make(client, IMOGEN, 1);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/record");
        page.click("button:text-is('Archive')");
        page.navigate(app.baseUrl() + "/?q=Gone");
        assertThat(page.locator("a:has-text('Gone Away')")).hasCount(0);
        visitor.open("/clients/" + client);
        page.click("form[action$='/visit'] button");
        assertThat(page).hasURL(app.baseUrl() + "/clients/" + client + "/record");
        String everything = page.request()
                .get(app.baseUrl() + "/clients/" + client + "/record/everything.json")
                .text();
        assertThat(everything)
                .contains("\"finding\"")
                .contains("DRAWS_IN")
                .contains("Gone Away")
                .contains("(kept back)")
                .doesNotContain("{bcrypt}");
        page.click("summary:has-text('Erase her')");
        page.fill("[name=name]", "Somebody Else");
        page.click("button:text-is('Erase')");
        visitor.see("Type her name as it is written");
        page.fill("[name=name]", "Gone Away");
        page.click("button:text-is('Erase')");
        page.waitForURL(app.baseUrl() + "/");
        assertThat(page.request().get(app.baseUrl() + "/clients/" + client).status())
                .isEqualTo(404);
        assertThat(audit.count(client, "CLIENT_ERASED")).isEqualTo(1);
        assertThat(audit.count(client, "MOVE_HELD")).isEqualTo(1);
        assertThat(audit.lines(null, client, null, null, null, 100))
                .allSatisfy(line -> assertThat(line.detail()).isNull());
    }

    @Test
    void the_visit_agreed_with_her_stands_on_the_board(Visitor visitor) {
        long client = Someone.plain(app.context(), "Agreed Day", Approach.SLOW_LADDER, 14);
        LocalDate day = LocalDate.now().plusDays(11);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/record");
        page.fill("[name=day]", day.toString());
        page.click("text=Agreed with her");
        page.waitForLoadState();
        page.navigate(app.baseUrl() + "/?q=Agreed");
        assertThat(page.locator("tr:has-text('Agreed Day')")).containsText(String.valueOf(day.getDayOfMonth()));
        assertThat(page.locator("th:has-text('Next visit')")).isVisible();
    }
}
