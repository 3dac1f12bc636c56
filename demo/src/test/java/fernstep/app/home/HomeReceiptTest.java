package fernstep.app.home;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.app.progress.ResultRow;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Permission;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Her phone forgets an entry on our receipt for it and on nothing else, whoever answers in our place. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class HomeReceiptTest extends HerPhone {
    HomeReceiptTest(Running app) {
        super(app);
    }

    /** What may answer instead of the house: a hotel's page, a proxy, an outage. */
    enum Foreign {
        PAGE_200(route -> answer(route, 200, "text/html", "<p>Welcome to the harbour Wi-Fi</p>")),
        JSON_200(route -> answer(route, 200, "application/json", "{\"ok\":true}")),
        RECEIPT_OF_ANOTHER(route ->
                answer(route, 200, "application/json", "{\"receipt\":{\"id\":\"1\",\"digest\":\"0\"},\"at\":1}")),
        JSON_403(route -> answer(route, 403, "application/json", "{\"error\":\"blocked\"}")),
        PAGE_404(route -> answer(route, 404, "text/html", "<h1>Not found</h1>")),
        JSON_500(route -> answer(route, 500, "application/json", "{\"error\":\"oops\"}")),
        REDIRECT(route -> route.fulfill(
                new Route.FulfillOptions().setStatus(302).setHeaders(java.util.Map.of("Location", "/sign-in")))),
        NO_LINE(Route::abort);

        private final Consumer<Route> answers;

        Foreign(Consumer<Route> answers) {
            this.answers = answers;
        }

        private static void answer(Route route, int status, String type, String body) {
            route.fulfill(new Route.FulfillOptions()
                    .setStatus(status)
                    .setContentType(type)
                    .setBody(body));
        }
    }

    private static Locator said(Page page) {
        return page.locator("section:visible").first();
    }

    @ParameterizedTest
    @EnumSource(Foreign.class)
    void an_emergency_stays_until_the_house_itself_has_it(Foreign foreign, Visitor visitor) {
        Page page = opened(visitor);
        AtomicInteger asked = new AtomicInteger();
        page.route("**/entries", route -> {
            asked.incrementAndGet();
            foreign.answers.accept(route);
        });
        page.click("[data-code=SELF_HARM]");
        page.click("text=Yes, send this");
        assertThat(screen(page)).hasText("Stop. Do not exercise.");
        page.waitForCondition(() -> asked.get() > 0);
        assertThat(said(page)).containsText("Not through yet");
        assertThat(said(page)).not().containsText("has been told");
        assertThat(page.locator("a[href='tel:5550199'], a[href='tel:555 0199']"))
                .isVisible();
        assertThat(standings.of(client).mayTrain()).isEqualTo(Permission.TRAIN);
        page.unroute("**/entries");
        page.evaluate("() => Alpine.$data(document.body).sendNow()");
        allSent(page);
        assertThat(said(page)).containsText("Your practitioner has been told");
        assertThat(standings.of(client).answers()).containsExactly(Answer.SELF_HARM);
    }

    @Test
    void an_entry_that_fails_or_hangs_holds_no_emergency_back(Visitor visitor) {
        Page page = opened(visitor);
        page.click("text=None of these");
        allSent(page);
        startPlan(page);
        Queue<Route> hanging = new ConcurrentLinkedQueue<>();
        page.route("**/entries", route -> {
            if (route.request().postData().contains("EXERCISE")) {
                hanging.add(route);
            } else {
                route.resume();
            }
        });
        page.click("[data-told=DONE]");
        page.click("[data-effort='3']");
        page.waitForCondition(() -> !hanging.isEmpty());
        page.click("text=I noticed something");
        page.click(".home-signs >> text=I feel unwell");
        page.click("[data-code=CHEST_PAIN]");
        page.click("text=Yes, send this");
        page.waitForCondition(() -> standings.of(client).locked());
        assertThat(told()).isEmpty();
        page.unroute("**/entries");
        hanging.forEach(Route::resume);
        allSent(page);
        assertThat(told()).extracting(ResultRow::effort).containsExactly(3);
    }

    @Test
    void what_the_house_cannot_take_is_set_aside_is_shown_and_blocks_nothing(Visitor visitor) {
        Page page = opened(visitor);
        page.click("text=None of these");
        allSent(page);
        startPlan(page);
        AtomicInteger failed = new AtomicInteger();
        page.route("**/entries", route -> {
            if (failed.get() < 3) {
                failed.incrementAndGet();
                route.fulfill(new Route.FulfillOptions()
                        .setStatus(500)
                        .setContentType("application/json")
                        .setBody("{\"error\":\"oops\"}"));
            } else {
                route.resume();
            }
        });
        page.click("[data-told=DONE]");
        page.click("[data-effort='5']");
        page.click("[data-told=DONE]");
        page.click("[data-effort='3']");
        for (int tries = 1; tries < 3; tries++) {
            int known = tries;
            page.waitForCondition(() -> failed.get() >= known);
            page.evaluate("() => { const h = Alpine.$data(document.body); h.waitMs = 1; h.sendRest(); }");
        }
        page.waitForCondition(() -> told().size() == 1);
        assertThat(told()).extracting(ResultRow::effort).as("the one behind it").containsExactly(3);
        assertThat(page.locator(".home-aside")).containsText("could not send one entry");
        page.reload();
        assertThat(page.locator(".home-aside li")).hasCount(1);
    }

    @Test
    void opened_once_it_works_without_a_connection_from_then_on(Visitor visitor) {
        Page page = opened(visitor.keepingPages());
        page.click("text=None of these");
        allSent(page);
        assertThat(page.locator(".home-offline")).isVisible();
        visitor.context().setOffline(true);
        page.reload();
        assertThat(screen(page)).hasText("Hello Home");
        startPlan(page);
        assertThat(page.locator(".home-exercise:visible svg")).hasCount(1);
        page.click("text=What to watch for");
        assertThat(page.locator(".home-watch:visible svg .f-sign").first()).isVisible();
        page.click("text=I noticed something");
        page.click(".home-signs >> text=I feel unwell");
        page.click("[data-code=CHEST_PAIN]");
        page.click("text=Yes, send this");
        assertThat(screen(page)).hasText("Stop. Do not exercise.");
        assertThat(page.locator("a[href='tel:112']:visible").first()).isVisible();
        visitor.context().setOffline(false);
        allSent(page);
        assertThat(standings.of(client).locked()).isTrue();
    }
}
