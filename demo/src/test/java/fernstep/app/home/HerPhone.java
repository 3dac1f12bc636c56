package fernstep.app.home;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.app.contact.Contacts;
import fernstep.app.plan.Plans;
import fernstep.app.plan.Prescriptions;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.standing.Standings;
import fernstep.core.approach.Approach;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.jdbc.core.JdbcTemplate;

/** A client of her own with a plan and a fresh link, and her phone. */
abstract class HerPhone {
    static final long IMOGEN = 1;
    static final int WEEKS = 12;
    static final int PHONE_WIDTH = 390;
    static final int PHONE_HEIGHT = 844;
    final Running app;
    final HomeLinks links;
    final Results results;
    final Standings standings;
    final Contacts contacts;
    final Visits visits;
    final Plans plans;
    final Prescriptions prescriptions;
    final JdbcTemplate sql;
    long client;
    HomeLinks.Fresh fresh;

    HerPhone(Running app) {
        this.app = app;
        links = app.context().getBean(HomeLinks.class);
        results = app.context().getBean(Results.class);
        standings = app.context().getBean(Standings.class);
        prescriptions = app.context().getBean(Prescriptions.class);
        contacts = app.context().getBean(Contacts.class);
        visits = app.context().getBean(Visits.class);
        plans = app.context().getBean(Plans.class);
        sql = app.context().getBean(JdbcTemplate.class);
    }

    @BeforeEach
    void somebody_with_a_plan_and_a_link() {
        client = Someone.firm(app.context(), "Home Person", Approach.SLOW_LADDER, 14);
        begin(client);
        fresh = links.make(client, IMOGEN, WEEKS);
    }

    void begin(long whose) {
        long visit = visits.openToday(whose, IMOGEN).id();
        visits.markAsked(visit);
        prescriptions.adopt(visits.byId(visit), IMOGEN);
    }

    Page opened(Visitor visitor) {
        Page page = visitor.on(PHONE_WIDTH, PHONE_HEIGHT);
        page.navigate(app.baseUrl() + "/home/" + fresh.token());
        page.fill("#pin", fresh.pin());
        page.click("main button");
        page.locator("h1:visible").waitFor();
        return page;
    }

    static Locator screen(Page page) {
        return page.locator("main h1:visible").first();
    }

    void allSent(Page page) {
        page.waitForFunction("() => { const h = Alpine.$data(document.querySelector('[x-data=home]'));"
                + " return h.unsent === 0 && !h.sending; }");
    }

    List<ResultRow> told() {
        return results.since(client, LocalDate.now());
    }

    static int number(Page page, String script) {
        return ((Number) page.evaluate(script)).intValue();
    }

    static void startPlan(Page page) {
        page.locator(".home-buttons .btn-primary").click();
    }
}
