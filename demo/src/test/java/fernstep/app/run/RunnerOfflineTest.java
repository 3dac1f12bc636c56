package fernstep.app.run;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import fernstep.core.session.SessionEvent.SignSeen;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The runner whatever its connection does: nothing told is lost, and what must stop her stops her. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class RunnerOfflineTest extends AtTheMat {
    RunnerOfflineTest(Runner runner, Visits visits, Running app) {
        super(runner, visits, app);
    }

    @Test
    void without_a_connection_counting_and_the_answer_to_a_sign_go_on_and_all_of_it_arrives_in_order(Visitor visitor) {
        Page page = prepared(visitor);
        keys(page, "Space");
        assertThat(count(page)).hasText("1");
        allSent(page);
        visitor.context().setOffline(true);
        keys(page, "Space", "1");
        assertThat(count(page)).hasText("2");
        assertThat(move(page)).hasText("Say one thing");
        visitor.see("No connection:");
        keys(page, "Space");
        assertThat(count(page)).hasText("3");
        assertThat(first().repsDone()).isEqualTo(1);
        visitor.context().setOffline(false);
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(3);
        assertThat(first().signs()).containsExactly(SignCode.BREATH_HELD);
        assertThat(first().answered().get(0))
                .isInstanceOfSatisfying(
                        SignSeen.class, seen -> assertThat(seen.seen().rep()).isEqualTo(3));
    }

    @Test
    void a_second_sign_without_a_connection_stops_the_set_until_the_answer_comes(Visitor visitor) {
        Page page = prepared(visitor);
        visitor.context().setOffline(true);
        keys(page, "1", "Space", "1");
        assertThat(move(page)).hasText("Stop this set");
        visitor.see("The full answer comes when you are back online");
        keys(page, "Space");
        assertThat(count(page)).hasText("1");
        visitor.context().setOffline(false);
        allSent(page);
        // on this breath rung nothing is left to ease a breath held again
        assertThat(move(page)).hasText("Go back one step");
    }

    @Test
    void what_must_stop_her_stops_her_without_a_connection_and_without_an_answer_made_ahead(Visitor visitor) {
        Page page = prepared(visitor);
        visitor.context().setOffline(true);
        keys(page, "1", "Space", "0", "7");
        assertThat(move(page)).hasText("End this exercise");
        visitor.see("No more load today");
        assertThat(page.locator("[data-panel=skip]").first()).isDisabled();
        keys(page, "e", "5");
        visitor.see("Stop. The session is locked.");
        assertThat(runner.held(session).locked()).isFalse();
        visitor.context().setOffline(false);
        allSent(page);
        assertThat(runner.held(session).locked()).isTrue();
        assertThat(visits.byId(visit).answers()).contains(Answer.CHEST_PAIN);
    }

    @Test
    void a_reload_and_a_closed_tab_without_a_connection_lose_nothing(Visitor visitor) {
        Page page = prepared(visitor.keepingPages());
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        page.locator(".runner").waitFor();
        ready(page);
        visitor.context().setOffline(true);
        // a tab that is opened without a connection is told of it a moment late
        visitor.context().route(EVENTS, Route::abort);
        keys(page, "Space", "Space");
        assertThat(count(page)).hasText("2");
        page.reload();
        assertThat(count(page)).hasText("2");
        assertThat(first().repsDone()).isZero();
        Page again = visitor.context().newPage();
        page.close();
        again.navigate(app.baseUrl() + "/sessions/" + session);
        assertThat(count(again)).hasText("2");
        keys(again, "Space");
        assertThat(count(again)).hasText("3");
        visitor.context().unroute(EVENTS);
        visitor.context().setOffline(false);
        allSent(again);
        assertThat(first().repsDone()).isEqualTo(3);
    }

    @Test
    void what_was_counted_before_the_connection_went_stands_while_it_is_gone_and_after_a_reload(Visitor visitor) {
        Page page = prepared(visitor.keepingPages());
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        page.locator(".runner").waitFor();
        ready(page);
        keys(page, "Space", "Space");
        allSent(page);
        visitor.context().setOffline(true);
        // the page has asked for news at least once and got nothing but what was kept
        page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).offline");
        assertThat(count(page)).hasText("2");
        page.reload();
        assertThat(count(page)).hasText("2");
        keys(page, "Space");
        assertThat(count(page)).hasText("3");
        visitor.context().setOffline(false);
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(3);
    }

    @Test
    void after_a_reload_without_a_connection_a_sign_is_still_answered(Visitor visitor) {
        Page page = prepared(visitor.keepingPages());
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        page.locator(".runner").waitFor();
        ready(page);
        visitor.context().setOffline(true);
        page.reload();
        page.locator(".runner").waitFor();
        ready(page);
        keys(page, "1");
        assertThat(move(page)).hasText("Say one thing");
    }

    @Test
    void a_sign_told_again_after_another_one_stops_nothing(Visitor visitor) {
        Page page = prepared(visitor);
        visitor.context().setOffline(true);
        page.evaluate("() => { const r = Alpine.$data(document.querySelector('[x-data=runner]'));"
                + " r.s.seen = [{ code: 'RUSHED', severity: 'CLEAR' }]; }");
        keys(page, "r");
        assertThat(page.locator(".advice .move.cue")).isVisible();
        assertThat((Integer)
                        page.evaluate("() => Alpine.$data(document.querySelector('[x-data=runner]')).queue.length"))
                .isZero();
    }

    private static void fulfil(Page page, int status, String type, String body) {
        Consumer<Route> answer = route -> route.fulfill(new Route.FulfillOptions()
                .setStatus(status)
                .setContentType(type)
                .setBody(body));
        page.route(EVENTS, answer);
    }

    @Test
    void a_proxy_that_refuses_and_a_page_that_is_not_ours_lose_nothing(Visitor visitor) {
        Page page = running(visitor);
        int told = 0;
        for (String answer : List.of(
                "429|text/plain|slow down", "502|text/html|<h1>Bad gateway</h1>", "200|text/html|<h1>Hotel</h1>")) {
            String[] parts = answer.split("\\|", -1);
            fulfil(page, Integer.parseInt(parts[0]), parts[1], parts[2]);
            keys(page, "Space");
            assertThat(count(page)).hasText(String.valueOf(told + 1));
            visitor.see("saved here, trying again");
            assertThat(first().repsDone()).as(answer).isEqualTo(told);
            page.unroute(EVENTS);
            allSent(page);
            told++;
            assertThat(first().repsDone()).as(answer).isEqualTo(told);
        }
    }

    @Test
    void a_request_that_hangs_is_cut_and_tried_again(Visitor visitor) {
        Page page = prepared(visitor);
        page.route(EVENTS, route -> {});
        keys(page, "Space");
        visitor.see("saved here, trying again");
        page.unroute(EVENTS);
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(1);
    }

    @Test
    void every_page_says_what_is_not_sent_and_signing_out_asks_first(Visitor visitor) {
        Page page = running(visitor);
        page.route(EVENTS, Route::abort);
        keys(page, "Space", "Space");
        assertThat(count(page)).hasText("2");
        visitor.open("/");
        visitor.see("2 entries not sent");
        page.click("#sign-out button");
        assertThat(page.locator("#sign-out button")).hasText("Not sent: 2. Sign out anyway");
        page.unroute(EVENTS);
        page.click("#unsent a");
        page.locator(".runner").waitFor();
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(2);
        visitor.open("/");
        assertThat(page.locator("#unsent")).isHidden();
    }

    @Test
    void what_the_browsers_store_has_not_taken_is_counted_as_not_sent_too(Visitor visitor) {
        Page page = running(visitor);
        page.route(EVENTS, Route::abort);
        page.evaluate("() => { IDBObjectStore.prototype.add = () => { throw new Error('no room'); }; }");
        keys(page, "Space");
        assertThat(count(page)).hasText("1");
        visitor.open("/");
        visitor.see("1 entry not sent");
        page.click("#sign-out button");
        assertThat(page.locator("#sign-out button")).hasText("Not sent: 1. Sign out anyway");
        page.unroute(EVENTS);
        page.click("#unsent a");
        page.locator(".runner").waitFor();
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(1);
    }
}
