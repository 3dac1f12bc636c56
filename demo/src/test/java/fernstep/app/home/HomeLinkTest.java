package fernstep.app.home;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.core.approach.Approach;
import fernstep.core.standing.Concern;
import fernstep.core.standing.SafetyReport;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What her link opens, to whom, and for how long. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class HomeLinkTest extends HerPhone {
    HomeLinkTest(Running app) {
        super(app);
    }

    @Test
    void ten_wrong_pins_lock_it_and_the_board_says_so(Visitor visitor) {
        Page page = visitor.on(PHONE_WIDTH, PHONE_HEIGHT);
        page.navigate(app.baseUrl() + "/home/" + fresh.token());
        String wrong = fresh.pin().equals("000000") ? "111111" : "000000";
        for (int i = 0; i < 3; i++) {
            page.fill("#pin", wrong);
            page.click("main button");
            assertThat(page.locator("#pin-problem")).containsText("Tries left: " + (9 - i));
        }
        page.fill("#pin", wrong);
        page.click("main button");
        assertThat(page.locator("#pin-problem")).containsText("Please wait");
        for (int i = 3; i < 10; i++) {
            sql.update("UPDATE home_link SET last_wrong_at = NOW() - INTERVAL 1 HOUR WHERE client_id = ?", client);
            page.navigate(app.baseUrl() + "/home/" + fresh.token());
            page.fill("#pin", wrong);
            page.click("main button");
            int tried = i + 1;
            page.waitForCondition(() -> sql.queryForList(
                            "SELECT wrong_tries FROM home_link WHERE client_id = ?", Integer.class, client)
                    .contains(tried));
        }
        assertThat(page.locator("h1")).hasText("This page is locked");
        assertThat(standings.of(client).open())
                .extracting(SafetyReport::concern)
                .containsExactly(new Concern.PageLocked(HomeLink.MOST_TRIES));
        page.navigate(app.baseUrl() + "/home/" + fresh.token());
        assertThat(page.locator("#pin")).hasCount(0);
        visitor.checkAccessible();
    }

    @Test
    void of_thirty_wrong_pins_at_the_same_moment_none_is_judged_without_being_counted() throws Exception {
        String wrong = fresh.pin().equals("000000") ? "111111" : "000000";
        HttpRequest request = HttpRequest.newBuilder(URI.create(app.baseUrl() + "/home/" + fresh.token() + "/pin"))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("pin=" + wrong))
                .build();
        HttpClient http = HttpClient.newHttpClient();
        List<CompletableFuture<String>> all = IntStream.range(0, 30)
                .mapToObj(number ->
                        http.sendAsync(request, BodyHandlers.ofString()).thenApply(HttpResponse::body))
                .toList();
        long judged = 0;
        for (CompletableFuture<String> answer : all) {
            String page = answer.get();
            assertThat(page).doesNotContain("Something went wrong");
            judged += page.contains("Tries left") ? 1 : 0;
        }
        assertThat(sql.queryForObject("SELECT wrong_tries FROM home_link WHERE client_id = ?", Long.class, client))
                .isEqualTo(judged)
                .isBetween(1L, 4L);
    }

    @Test
    void a_link_taken_back_opens_nothing_and_leaves_nothing_on_the_phone(Visitor visitor) {
        Page page = opened(visitor.keepingPages());
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        page.click("text=None of these");
        allSent(page);
        links.revoke(client, IMOGEN);
        page.reload();
        assertThat(page.locator("h1")).hasText("This link no longer opens");
        visitor.context().setOffline(true);
        assertThat(page.evaluate(
                        "p => caches.open('fern-home').then(c => c.match(p)).then(r => r === undefined)",
                        "/home/" + fresh.token()))
                .isEqualTo(true);
        visitor.context().setOffline(false);
    }

    @Test
    void her_link_opens_hers_alone_whatever_is_asked_for(Visitor visitor) {
        long other = Someone.firm(app.context(), "Other Woman", Approach.SLOW_LADDER, 14);
        begin(other);
        HomeLinks.Fresh others = links.make(other, IMOGEN, WEEKS);
        Page page = opened(visitor);
        assertThat(page.content()).contains("Hello Home").doesNotContain("Hello Other");
        APIResponse there = page.request().get(app.baseUrl() + "/home/" + others.token());
        assertThat(there.text()).doesNotContain("Other Woman").contains("id=\"pin\"");
        for (String path : List.of("/clients/" + other, "/clients/" + client, "/clients/" + other + "/handout.pdf")) {
            APIResponse answer = page.request()
                    .get(app.baseUrl() + path, RequestOptions.create().setMaxRedirects(0));
            assertThat(answer.status()).as(path).isEqualTo(302);
        }
        APIResponse told = page.request()
                .post(
                        app.baseUrl() + "/home/" + others.token() + "/entries",
                        RequestOptions.create()
                                .setData(Map.of(
                                        "id",
                                        UUID.randomUUID().toString(),
                                        "at",
                                        LocalDate.now() + "T08:00:00",
                                        "kind",
                                        "ANSWERED",
                                        "codes",
                                        List.of("FEVER"))));
        assertThat(told.status()).isEqualTo(401);
        assertThat(standings.of(other).answers()).isEmpty();
    }

    @Test
    void a_link_that_ran_out_says_so_and_a_secret_is_long_and_kept_as_a_digest_alone(Visitor visitor) {
        sql.update("UPDATE home_link SET expires_on = CURRENT_DATE - INTERVAL 1 DAY WHERE client_id = ?", client);
        Page page = visitor.on(PHONE_WIDTH, PHONE_HEIGHT);
        page.navigate(app.baseUrl() + "/home/" + fresh.token());
        assertThat(page.locator("h1")).hasText("This link no longer opens");
        // 256 bits in base64 without padding are 43 characters
        assertThat(fresh.token()).matches("[A-Za-z0-9_-]{43}");
        assertThat(fresh.pin()).matches("[0-9]{6}");
        assertThat(links.make(client, IMOGEN, WEEKS).token()).isNotEqualTo(fresh.token());
        assertThat(sql.queryForMap("SELECT token_hash, pin_hash FROM home_link WHERE client_id = ?", client)
                        .toString())
                .doesNotContain(fresh.token())
                .doesNotContain(fresh.pin());
        assertThat(links.find(fresh.token())).as("another one took its place").isEmpty();
    }

    @Test
    void a_new_link_is_a_code_for_her_camera_and_one_press_copies_it(Visitor visitor) {
        long other = Someone.plain(app.context(), "Camera Ready", Approach.SLOW_LADDER, 14);
        Page page = visitor.onATablet("imogen");
        visitor.context().grantPermissions(List.of("clipboard-read", "clipboard-write"));
        visitor.open("/clients/" + other + "/home-link");
        page.click("form[action$='/home-link'] button");
        assertThat(page.locator(".link-code path")).hasAttribute("d", Pattern.compile("M\\d+ \\d+h\\d+.*"));
        visitor.checkAccessible();
        page.click("button:text-is('Copy the link')");
        assertThat(page.locator("button:text-is('Copied')")).isVisible();
        assertThat(page.evaluate("() => navigator.clipboard.readText()"))
                .isEqualTo(page.locator("#fresh-link").textContent());
    }
}
