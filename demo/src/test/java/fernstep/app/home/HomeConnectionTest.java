package fernstep.app.home;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.app.progress.ResultRow;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A client alone with her phone, whatever her connection does. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class HomeConnectionTest extends HerPhone {
    HomeConnectionTest(Running app) {
        super(app);
    }

    @Test
    void what_she_tells_while_another_entry_is_on_its_way_goes_after_it(Visitor visitor) {
        Page page = opened(visitor);
        page.click("text=None of these");
        allSent(page);
        startPlan(page);
        Queue<Route> held = new ConcurrentLinkedQueue<>();
        page.route("**/entries", held::add);
        page.click("[data-told=DONE]");
        page.click("[data-effort='5']");
        page.click("[data-told=DONE]");
        page.click("[data-effort='3']");
        page.waitForCondition(() -> !held.isEmpty());
        page.unroute("**/entries");
        held.remove().resume();
        allSent(page);
        assertThat(told()).extracting(ResultRow::effort).containsExactlyInAnyOrder(5, 3);
    }

    @Test
    void what_she_does_while_the_connection_is_gone_survives_a_reload_and_arrives_once(Visitor visitor) {
        Page page = opened(visitor.keepingPages());
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        page.click("text=None of these");
        allSent(page);
        startPlan(page);
        visitor.context().setOffline(true);
        page.click("[data-told=DONE]");
        page.click("[data-effort='5']");
        assertThat(page.locator(".home-said [role=status]")).containsText("not sent yet: 1");
        page.reload();
        assertThat(screen(page)).hasText("Hello Home");
        assertThat(page.locator(".home-list .home-told")).hasCount(1);
        page.click("button:visible:text-is('Go on')");
        page.click("[data-told=STOPPED]");
        page.click("[data-effort='9']");
        assertThat(told()).isEmpty();
        visitor.context().setOffline(false);
        allSent(page);
        assertThat(told())
                .extracting(ResultRow::result)
                .containsExactlyInAnyOrder(SessionResult.Kind.CLEAN, SessionResult.Kind.STOPPED);
    }

    @Test
    void an_emergency_is_answered_without_a_connection_and_is_on_the_board_within_five_seconds_of_one(Visitor visitor) {
        Page board = visitor.onATablet("imogen");
        visitor.openClient("Home Person");
        visitor.open("/?q=Home+Person");
        Page page = opened(visitor.keepingPages());
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        page.locator("[data-code=CHEST_PAIN]").waitFor();
        visitor.context().setOffline(true);
        page.click("[data-code=CHEST_PAIN]");
        page.click("text=Yes, send this");
        assertThat(screen(page)).hasText("Stop. Do not exercise.");
        assertThat(page.locator("a[href='tel:112']:visible").first()).isVisible();
        assertThat(page.locator("section:visible")).containsText("Do not wait: call.");
        page.reload();
        assertThat(screen(page)).hasText("Stop. Do not exercise.");
        visitor.context().setOffline(false);
        allSent(page);
        long from = System.nanoTime();
        board.locator("#rows tr", new Page.LocatorOptions().setHasText("From home"))
                .first()
                .waitFor();
        System.out.printf("the board showed it after %d ms%n", (System.nanoTime() - from) / 1_000_000);
        assertThat(visits.today(client).orElseThrow().locked()).isTrue();
        page.reload();
        assertThat(screen(page)).hasText("Stop. Do not exercise.");
    }

    @Test
    void a_tap_counts_though_what_waited_is_sent_in_its_middle(Visitor visitor) {
        Page page = opened(visitor);
        Queue<Route> held = new ConcurrentLinkedQueue<>();
        page.route("**/entries", held::add);
        page.click("text=None of these");
        assertThat(page.locator(".home-said [role=status]")).containsText("not sent yet: 1");
        BoundingBox start = page.locator(".home-buttons .btn-primary").boundingBox();
        page.waitForCondition(() -> !held.isEmpty());
        page.mouse().move(start.x + start.width / 2, start.y + start.height / 2);
        page.mouse().down();
        page.unroute("**/entries");
        held.remove().resume();
        allSent(page);
        page.mouse().up();
        assertThat(page.locator(".home-exercise:visible svg")).hasCount(1);
    }

    @Test
    void the_same_entry_twice_is_one_and_its_id_cannot_stand_for_another(Visitor visitor) {
        Page page = opened(visitor);
        String id = UUID.randomUUID().toString();
        Map<String, Object> fever =
                Map.of("id", id, "at", LocalDate.now() + "T08:00:00", "kind", "ANSWERED", "codes", List.of("FEVER"));
        Map<String, Object> other =
                Map.of("id", id, "at", LocalDate.now() + "T08:00:00", "kind", "ANSWERED", "codes", List.of("CALF"));
        String entries = app.baseUrl() + "/home/" + fresh.token() + "/entries";
        assertThat(page.request()
                        .post(entries, RequestOptions.create().setData(fever))
                        .status())
                .isEqualTo(200);
        assertThat(page.request()
                        .post(entries, RequestOptions.create().setData(fever))
                        .status())
                .isEqualTo(200);
        assertThat(page.request()
                        .post(entries, RequestOptions.create().setData(other))
                        .status())
                .isEqualTo(409);
        assertThat(standings.of(client).answers()).containsExactly(Answer.FEVER);
        for (Map<String, Object> bad : List.<Map<String, Object>>of(
                Map.of("id", UUID.randomUUID().toString(), "at", "yesterday", "kind", "ANSWERED"),
                Map.of("id", "1", "at", "2031-01-01T00:00:00", "kind", "ANSWERED"),
                Map.of(
                        "id",
                        UUID.randomUUID().toString(),
                        "at",
                        LocalDate.now() + "T08:00:00",
                        "kind",
                        "EXERCISE",
                        "rung",
                        "F2",
                        "told",
                        "DONE",
                        "effort",
                        11),
                Map.of(
                        "id",
                        UUID.randomUUID().toString(),
                        "at",
                        LocalDate.now() + "T00:00:00",
                        "kind",
                        "EXERCISE",
                        "rung",
                        "ZZ9",
                        "told",
                        "DONE"))) {
            assertThat(page.request()
                            .post(entries, RequestOptions.create().setData(bad))
                            .status())
                    .as("%s", bad)
                    .isEqualTo(400);
        }
    }

    @Test
    void a_phone_whose_clock_is_ahead_closes_today_and_not_tomorrow(Visitor visitor) {
        Page page = opened(visitor);
        Map<String, Object> ahead = Map.of(
                "id",
                UUID.randomUUID().toString(),
                "at",
                LocalDate.now().plusDays(1) + "T00:30:00",
                "kind",
                "ANSWERED",
                "codes",
                List.of("CALF"));
        String entries = app.baseUrl() + "/home/" + fresh.token() + "/entries";
        assertThat(page.request()
                        .post(entries, RequestOptions.create().setData(ahead))
                        .status())
                .isEqualTo(200);
        assertThat(standings.of(client).answers()).containsExactly(Answer.CALF);
    }

    @Test
    void it_weighs_at_most_100_kilobytes_without_fonts_and_prints_when_it_is_usable_on_a_slow_line(Visitor visitor) {
        List<Cookie> pass = opened(visitor).context().cookies();
        Page slow = visitor.on(PHONE_WIDTH, PHONE_HEIGHT);
        slow.context().addCookies(pass);
        CDPSession devtools = slow.context().newCDPSession(slow);
        devtools.send("Network.enable");
        JsonObject line = new JsonObject();
        line.addProperty("offline", false);
        line.addProperty("latency", 40);
        line.addProperty("downloadThroughput", 1_600_000 / 8);
        line.addProperty("uploadThroughput", 750_000 / 8);
        devtools.send("Network.emulateNetworkConditions", line);
        Set<String> fonts = new HashSet<>();
        AtomicInteger bytes = new AtomicInteger();
        devtools.on("Network.responseReceived", object -> {
            if (object.getAsJsonObject("response").get("url").getAsString().endsWith(".woff2")) {
                fonts.add(object.get("requestId").getAsString());
            }
        });
        devtools.on("Network.loadingFinished", object -> {
            if (!fonts.contains(object.get("requestId").getAsString())) {
                bytes.addAndGet(object.get("encodedDataLength").getAsInt());
            }
        });
        slow.navigate(app.baseUrl() + "/home/" + fresh.token());
        slow.locator("h1:visible").first().waitFor();
        int usable = number(slow, "Math.round(performance.getEntriesByType('navigation')[0].domContentLoadedEventEnd)");
        System.out.printf(
                "home page: %d kB without fonts (budget 100), usable after %d ms (budget 1000)%n",
                bytes.get() / 1000, usable);
        assertThat(bytes.get()).isBetween(20_000, 100_000);
    }

    @Test
    void what_another_instance_wrote_is_on_an_open_board_within_five_seconds(Visitor visitor) {
        Page board = visitor.onATablet("imogen");
        visitor.open("/?q=Home+Person");
        board.waitForResponse(response -> response.url().endsWith("/board/changes"), board::reload);
        sql.update(
                "INSERT INTO safety_report (client_id, kind, code, way, reported_at) VALUES (?, 'EMERGENCY', 'CALF', 'HOME', NOW())",
                client);
        board.locator("#rows tr", new Page.LocatorOptions().setHasText("Pain or swelling in one calf"))
                .first()
                .waitFor();
    }
}
