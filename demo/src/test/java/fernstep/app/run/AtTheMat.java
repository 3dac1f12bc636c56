package fernstep.app.run;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.Clients;
import fernstep.core.approach.Approach;
import fernstep.core.session.Exercise;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;

/** A session of her own, run beside the mat. */
abstract class AtTheMat {
    static final long IMOGEN = 1;

    /** Enough to go from one to another, and few to make answers ahead for. */
    static final int EXERCISES = 3;

    static final String EVENTS = "**/events";
    final Runner runner;
    final Visits visits;
    final Running app;
    String session;
    long visit;

    AtTheMat(Runner runner, Visits visits, Running app) {
        this.runner = runner;
        this.visits = visits;
        this.app = app;
    }

    @BeforeEach
    void a_session_of_her_own() {
        long client = Someone.firm(app.context(), "Mat Person", Approach.SLOW_LADDER, 20);
        app.context().getBean(Clients.class).size(client, EXERCISES, 1);
        Visit today = visits.openToday(client, IMOGEN);
        visits.markAsked(today.id());
        visit = today.id();
        session = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
    }

    /** On the runner, with the answers of the exercise in hand made ahead. */
    Page running(Visitor visitor) {
        return running(visitor, visitor.onATablet("imogen"));
    }

    Page running(Visitor visitor, Page page) {
        visitor.open("/sessions/" + session);
        page.locator(".runner").waitFor();
        page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).s");
        return page;
    }

    /** With every answer that can be made ahead. */
    Page prepared(Visitor visitor) {
        Page page = running(visitor);
        ready(page);
        return page;
    }

    /** Every answer that can be made ahead is there. */
    static void ready(Page page) {
        page.waitForFunction("() => { const r = Alpine.$data(document.querySelector('[x-data=runner]'));"
                + " return r.s && r.s.items.every((i, at) => at < r.s.at || i.state !== 'open' || r.answers[i.key])"
                + " && r.answers[r.s.answersKey]; }");
    }

    static Locator count(Page page) {
        return page.locator(".count .n");
    }

    static Locator move(Page page) {
        return page.locator(".advice .move:not(.cue):visible");
    }

    static void keys(Page page, String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    Exercise first() {
        return runner.replay(session).exercises().get(0);
    }

    void allSent(Page page) {
        page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).queue.length === 0");
    }
}
