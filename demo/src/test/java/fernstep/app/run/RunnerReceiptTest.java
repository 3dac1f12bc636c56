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
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Beside the mat an event goes on the receipt of the house alone, and an emergency waits behind nothing. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class RunnerReceiptTest extends AtTheMat {
    RunnerReceiptTest(Runner runner, Visits visits, Running app) {
        super(runner, visits, app);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "200 | text/html | <p>Welcome</p>",
                "200 | application/json | {\"phase\":\"WORK\"}",
                "403 | application/json | {\"error\":\"blocked\"}",
                "404 | text/html | <h1>Not found</h1>"
            })
    void whoever_answers_in_our_place_takes_no_event_from_the_tablet(
            int status, String type, String body, Visitor visitor) {
        Page page = prepared(visitor);
        AtomicInteger asked = new AtomicInteger();
        page.route(EVENTS, route -> {
            asked.incrementAndGet();
            route.fulfill(new Route.FulfillOptions()
                    .setStatus(status)
                    .setContentType(type)
                    .setBody(body));
        });
        keys(page, "Space");
        page.waitForCondition(() -> asked.get() > 0);
        assertThat(count(page)).hasText("1");
        assertThat(first().repsDone()).isZero();
        page.unroute(EVENTS);
        page.evaluate("() => Alpine.$data(document.querySelector('[x-data=runner]')).send()");
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(1);
    }

    @Test
    void an_event_that_the_server_cannot_take_is_set_aside_and_an_emergency_passes_it(Visitor visitor) {
        Page page = prepared(visitor);
        page.route(EVENTS, route -> {
            if (route.request().postData().contains("\"REP\"")) {
                route.fulfill(new Route.FulfillOptions()
                        .setStatus(500)
                        .setContentType("application/json")
                        .setBody("{\"error\":\"oops\"}"));
            } else {
                route.resume();
            }
        });
        keys(page, "Space", "e", "5");
        page.waitForCondition(() -> runner.held(session).locked());
        assertThat(first().repsDone()).isZero();
        visitor.see("Stop. The session is locked.");
    }

    @Test
    void opened_once_the_runner_works_without_a_connection_from_then_on(Visitor visitor) {
        Page page = visitor.keepingPages().onATablet("imogen");
        running(visitor, page);
        assertThat(page.locator(".offline-ready")).isVisible();
        visitor.context().setOffline(true);
        page.reload();
        page.locator(".runner").waitFor();
        keys(page, "Space", "1");
        assertThat(count(page)).hasText("1");
        assertThat(move(page)).hasText("Say one thing");
        visitor.context().setOffline(false);
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(1);
    }
}
