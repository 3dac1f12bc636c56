package fernstep.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.RequestOptions;
import com.microsoft.playwright.options.WaitUntilState;
import fernstep.app.AppExtension.Running;
import fernstep.app.ask.Visits;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Answer;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;

/** Bad input, lost connections, wrong files and strangers. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class SafetyNetTest {

    @Test
    void impossible_facts_are_refused_at_the_field_and_nothing_typed_is_lost(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/new");
        page.fill("#name", "Ines Marlow");
        page.fill("#massKg", "300");
        page.fill("#heightCm", "tall");
        page.selectOption("#status", "PREGNANT");
        page.fill("#note", "carries two buckets");
        page.click("button:text-is('Save')");
        visitor.see("Body mass was 300 kg; it must be from 25 to 250 kg.");
        visitor.see("Height needs a number from 120 to 220 cm.");
        assertThat(page.locator("#massKg")).hasValue("300");
        assertThat(page.locator("#heightCm")).hasValue("tall");
        assertThat(page.locator("#note")).hasValue("carries two buckets");
        page.fill("#massKg", "70");
        page.fill("#heightCm", "170");
        page.click("button:text-is('Save')");
        visitor.see("needed when pregnant");
    }

    @Test
    void an_impossible_reading_is_refused_with_its_range_and_the_last_good_one_stays(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.startVisit("Catarina Reis");
        String visit = page.url().replaceAll(".*/visits/(\\d+)/.*", "$1");
        APIResponse refused = post(
                page, visitor, "/visits/" + visit + "/readings", "siteCm=2&condition=REST&method=FINGERS&values=12");
        assertThat(refused.text()).contains("Finger-widths was 12 fingers; it must be from 0 to 10 fingers");
        assertThat(post(page, visitor, "/visits/" + visit + "/findings", "name=SET_GRADE&side=LEFT&value=7")
                        .text())
                .contains("Engagement grade must be a whole number from 0 to 5");
    }

    private static APIResponse post(Page page, Visitor visitor, String path, String form) {
        String csrf = page.locator("meta[name=csrf]").getAttribute("content");
        return visitor.context()
                .request()
                .post(
                        page.url().replaceAll("(http://[^/]+).*", "$1") + path,
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", csrf)
                                .setHeader("Content-Type", "application/x-www-form-urlencoded")
                                .setData(form));
    }

    @Test
    void what_is_tapped_without_a_connection_is_kept_and_sent_later(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.startVisit("Freya Lindholm");
        page.click("#outcome form[action$='/asked'] button");
        page.locator(".cell.picked").waitFor();
        visitor.context().setOffline(true);
        page.keyboard().press("3");
        visitor.see("Not sent yet, trying again");
        visitor.context().setOffline(false);
        assertThat(page.locator(".saved")).hasText("Saved");
        page.reload();
        assertThat(page.locator(".cell").first().locator(".value")).hasText("3");
    }

    @Test
    void an_emergency_ticked_before_the_scripts_are_there_stops_her_all_the_same(Visitor visitor, Running app) {
        Page page = visitor.on(1280, 800);
        page.navigate(app.baseUrl() + "/sign-in");
        page.fill("#username", "imogen");
        page.fill("#password", "tidemark-demo");
        page.click("main button");
        page.waitForURL(app.baseUrl() + "/");
        long client = Someone.plain(app.context(), "Quick Tick", Approach.SLOW_LADDER, 12);
        long visit = app.context().getBean(Visits.class).openToday(client, 1).id();
        AtomicReference<Route> held = new AtomicReference<>();
        page.route("**/alpine-csp*", held::set);
        page.navigate(
                app.baseUrl() + "/visits/" + visit + "/ask",
                new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
        page.click("label[for=CHEST_PAIN]");
        assertThat(page.locator("#CHEST_PAIN")).isChecked();
        page.waitForCondition(() -> held.get() != null);
        held.get().resume();
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "REFER_NOW");
        assertThat(app.context().getBean(Visits.class).byId(visit).answers()).containsExactly(Answer.CHEST_PAIN);
    }

    private static long atTheQuestions(Visitor visitor, Page page, Running app, String name) {
        long client = Someone.plain(app.context(), name, Approach.SLOW_LADDER, 12);
        visitor.open("/clients/" + client);
        page.click("form[action$='/visit'] button");
        page.locator("#outcome form[action$='/asked'] button").waitFor();
        return client;
    }

    @Test
    void a_press_on_the_drawing_ticks_its_question_and_none_that_closes_her_day(Visitor visitor, Running app) {
        Page page = visitor.onATablet("ilse");
        long client = atTheQuestions(visitor, page, app, "Hurting Somewhere");
        page.click(".spot[data-key=KNEE_LEFT]");
        assertThat(page.locator("#KNEE_PAIN")).isChecked();
        assertThat(page.locator("#outcome")).containsText("No kneeling");
        page.click(".spot[data-key=CALF_RIGHT]");
        assertThat(page.locator("#CALF")).not().isChecked();
        assertThat(page.locator("#CALF")).isFocused();
        page.click(".spot[data-key=KNEE_RIGHT]");
        assertThat(page.locator("#KNEE_PAIN")).not().isChecked();
        assertThat(page.locator(".saved")).hasText("Saved");
        long visit = app.context().getBean(Visits.class).openToday(client, 1).id();
        assertThat(app.context().getBean(Visits.class).byId(visit).answers()).isEmpty();
    }

    @Test
    void the_outcome_is_that_of_every_tick_and_nobody_goes_on_before_it_is(Visitor visitor, Running app) {
        Page page = visitor.onATablet("ilse");
        long client = atTheQuestions(visitor, page, app, "Slow Answer");
        List<Runnable> late = new CopyOnWriteArrayList<>();
        page.route("**/answers", route -> {
            APIResponse answer = route.fetch();
            late.add(() -> route.fulfill(new Route.FulfillOptions().setResponse(answer)));
        });
        page.click("label[for=TIRED]");
        page.click("label[for=CHEST_PAIN]");
        page.waitForCondition(() -> !late.isEmpty());
        assertThat(page.locator("#outcome[inert]")).hasCount(1);
        assertThat(page.locator("[data-outcome=REFER_NOW]")).hasCount(0);
        // the newest answer first: that of a tick before may not take its place
        for (int answered = 0; answered < 2; answered++) {
            page.waitForCondition(() -> !late.isEmpty());
            late.remove(late.size() - 1).run();
        }
        assertThat(page.locator("#outcome[inert]")).hasCount(0);
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "REFER_NOW");
        long visit = app.context().getBean(Visits.class).openToday(client, 1).id();
        assertThat(app.context().getBean(Visits.class).byId(visit).answers())
                .containsExactlyInAnyOrder(Answer.TIRED, Answer.CHEST_PAIN);
    }

    @Test
    void an_answer_that_stops_her_holds_without_a_connection_and_is_sent_once_there_is_one(
            Visitor visitor, Running app) {
        Page page = visitor.onATablet("ilse");
        long client = atTheQuestions(visitor, page, app, "No Line");
        visitor.context().setOffline(true);
        page.click("label[for=CHEST_PAIN]");
        assertThat(page.locator(".note-stop[role=alert]")).containsText("she does not train");
        assertThat(page.locator("#CHEST_PAIN")).isChecked();
        assertThat(page.locator("#outcome[inert]")).hasCount(1);
        visitor.context().setOffline(false);
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "REFER_NOW");
        assertThat(page.locator(".note-stop[role=alert]")).isHidden();
        assertThat(page.locator("#outcome[inert]")).hasCount(0);
        long visit = app.context().getBean(Visits.class).openToday(client, 1).id();
        assertThat(app.context().getBean(Visits.class).byId(visit).answers()).containsExactly(Answer.CHEST_PAIN);
    }

    @Test
    void an_answer_that_was_not_saved_is_taken_back_and_said_though_the_next_one_was(Visitor visitor, Running app) {
        Page page = visitor.onATablet("ilse");
        long client = atTheQuestions(visitor, page, app, "One Lost");
        List<Route> held = new CopyOnWriteArrayList<>();
        page.route("**/answers", held::add);
        page.click("label[for=TIRED]");
        page.click("label[for=KNEE_PAIN]");
        page.waitForCondition(() -> held.size() == 1);
        held.get(0).abort();
        page.waitForCondition(() -> held.size() == 2);
        assertThat(page.locator("#TIRED")).not().isChecked();
        held.get(1).resume();
        assertThat(page.locator("#outcome[inert]")).hasCount(0);
        assertThat(page.locator(".saved")).containsText("Please tick again");
        assertThat(page.locator("#KNEE_PAIN")).isChecked();
        long visit = app.context().getBean(Visits.class).openToday(client, 1).id();
        assertThat(app.context().getBean(Visits.class).byId(visit).answers()).containsExactly(Answer.KNEE_PAIN);
    }

    @Test
    void a_second_press_on_a_slow_line_is_not_a_second_order(Visitor visitor, Running app) {
        Page page = visitor.onATablet("imogen");
        long client = Someone.firm(app.context(), "Pressed Twice", Approach.SLOW_LADDER, 20);
        visitor.open("/clients/" + client + "/calendar");
        List<Route> held = new CopyOnWriteArrayList<>();
        page.route("**/feed*", held::add);
        page.evaluate("() => { const b = [...document.querySelectorAll('button')]"
                + ".find(x => x.textContent.includes('Make a private address')); b.click(); b.click(); }");
        page.waitForCondition(() -> !held.isEmpty());
        page.unroute("**/feed*");
        held.forEach(Route::resume);
        String link = page.locator(".one-time-link").textContent();
        assertThat(held).hasSize(1);
        assertThat(page.request().get(app.baseUrl() + link).status()).isEqualTo(200);
    }

    @Test
    void what_is_typed_after_the_sign_in_ran_out_is_kept_for_the_next_sign_in(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.startVisit("Adaeze Nwosu");
        page.click("#outcome form[action$='/asked'] button");
        page.locator(".cell.picked").waitFor();
        page.keyboard().press("3");
        assertThat(page.locator(".saved")).hasText("Saved");
        visitor.context().clearCookies();
        page.keyboard().press("4");
        page.waitForURL("**/sign-in");
        page.fill("#username", "ilse");
        page.fill("#password", "tidemark-demo");
        page.click("main button");
        page.waitForURL("**/check**");
        assertThat(page.locator(".cell[data-order='1'] .value")).hasText("4");
        Locator kept = page.locator(".cell[data-order='1']");
        assertThat(page.locator(".saved-late")).hasText("Saved now from before: " + kept.getAttribute("data-label"));
        // whole fingers go on by themselves: the third cell was in hand
        assertThat(page.locator(".cell[data-order='2']")).isFocused();
        page.keyboard().press("2");
        assertThat(page.locator(".cell[data-order='2'] .value")).hasText("2");
        assertThat(kept.locator(".value")).hasText("4");
    }

    private static final LocatorAssertions.HasTextOptions LATE =
            new LocatorAssertions.HasTextOptions().setTimeout(Visitor.PATIENCE_MS);

    /** A check page that sends what the page before it kept, while the line holds it up. */
    private static List<Route> sendingWhatWasKept(Page page, Visitor visitor, Running app) {
        long client = Someone.plain(app.context(), "Kept Before", Approach.SLOW_LADDER, 12);
        visitor.open("/clients/" + client);
        page.click("form[action$='/visit'] button");
        page.click("#outcome form[action$='/asked'] button");
        page.locator(".cell.picked").waitFor();
        visitor.context().setOffline(true);
        page.keyboard().press("3");
        visitor.see("Not sent yet, trying again");
        List<Route> held = new CopyOnWriteArrayList<>();
        page.route("**/readings", held::add);
        visitor.context().setOffline(false);
        page.navigate(page.url());
        page.waitForCondition(() -> !held.isEmpty());
        assertThat(page.locator("#main[inert]")).hasCount(1);
        page.keyboard().press("2");
        assertThat(page.locator(".cell .value").getByText("2", new Locator.GetByTextOptions().setExact(true)))
                .hasCount(0);
        return held;
    }

    @Test
    void a_page_that_still_sends_what_another_kept_takes_nothing_until_it_shows_all_of_it(
            Visitor visitor, Running app) {
        Page page = visitor.onATablet("ilse");
        List<Route> held = sendingWhatWasKept(page, visitor, app);
        page.unroute("**/readings");
        held.forEach(Route::resume);
        assertThat(page.locator(".cell[data-order='0'] .value")).hasText("3");
        assertThat(page.locator("#main[inert]")).hasCount(0);
        page.locator(".saved-late").waitFor();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("2");
        assertThat(page.locator(".cell[data-order='1'] .value")).hasText("2");
    }

    @Test
    void what_was_kept_is_shown_though_its_first_answer_was_lost(Visitor visitor, Running app) {
        Page page = visitor.onATablet("ilse");
        List<Route> held = sendingWhatWasKept(page, visitor, app);
        held.forEach(route -> route.fulfill(new Route.FulfillOptions().setStatus(503)));
        page.unroute("**/readings");
        assertThat(page.locator(".cell[data-order='0'] .value")).hasText("3", LATE);
        assertThat(page.locator(".saved-late")).containsText("Saved now from before");
    }

    @Test
    void a_page_whose_line_hangs_takes_entries_again_and_loses_none(Visitor visitor, Running app) {
        Page page = visitor.onATablet("ilse");
        List<Route> held = sendingWhatWasKept(page, visitor, app);
        assertThat(page.locator("#main[inert]"))
                .hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(Visitor.PATIENCE_MS));
        Locator first = page.locator(".cell[data-order='0']");
        assertThat(first.locator(".value")).hasText("–");
        assertThat(page.locator(".saved-late"))
                .hasText("Saved from before, and not shown here until you reload this page: "
                        + first.getAttribute("data-label"));
        page.keyboard().press("ArrowDown");
        page.keyboard().press("2");
        assertThat(page.locator(".cell[data-order='1'] .value")).hasText("2");
        page.unroute("**/readings");
        held.forEach(Route::resume);
        assertThat(page.locator(".saved")).hasText("Saved");
        page.reload();
        assertThat(page.locator(".cell[data-order='0'] .value")).hasText("3");
        assertThat(page.locator(".cell[data-order='1'] .value")).hasText("2");
    }

    @Test
    void a_plan_is_not_run_before_the_questions_were_asked(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.startVisit("Catarina Reis");
        String ask = page.url();
        visitor.open(ask.replaceAll("http://[^/]+", "").replace("/ask", "/plan"));
        visitor.see("Today's questions are not done yet");
        page.click("text=Use this plan and run");
        assertThat(page).hasURL(ask);
    }

    @Test
    void the_same_event_twice_is_one_event(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.startVisit("Beatrix Moreau");
        page.click("#outcome form[action$='/asked'] button");
        page.click("text=On to the plan");
        page.click("text=Use this plan and run");
        assertThat(page.locator(".count .n")).hasText("0");
        String event = "{\"id\":\"00000000-0000-4000-8000-000000000001\",\"kind\":\"REP\"}";
        for (int i = 0; i < 3; i++) {
            assertThat(report(page, visitor, event).status()).isEqualTo(200);
        }
        page.reload();
        assertThat(page.locator(".count .n")).hasText("1");
    }

    private static APIResponse report(Page page, Visitor visitor, String event) {
        return visitor.context()
                .request()
                .post(
                        page.url() + "/events",
                        RequestOptions.create()
                                .setHeader(
                                        "X-CSRF-TOKEN",
                                        page.locator("meta[name=csrf]").getAttribute("content"))
                                .setHeader("Content-Type", "application/json")
                                .setData(event));
    }

    @Test
    void an_effort_above_ten_is_refused_and_the_session_stays_open(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.startVisit("Freya Lindholm");
        page.click("#outcome form[action$='/asked'] button");
        page.click("text=On to the plan");
        page.click("text=Use this plan and run");
        page.locator(".runner").waitFor();
        APIResponse answer = report(
                page, visitor, "{\"id\":\"00000000-0000-4000-8000-000000000011\",\"kind\":\"EFFORT\",\"value\":11}");
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.text()).contains("from 0 to 10");
        page.reload();
        assertThat(page.locator(".runner")).isVisible();
    }

    @Test
    void a_page_that_is_not_there_gives_a_number_to_quote_and_no_inner_workings(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        for (String path : new String[] {"/clients/99999", "/nowhere", "/visits/abc/ask"}) {
            visitor.open(path);
            assertThat(page.locator(".error-id")).hasText(java.util.regex.Pattern.compile("[0-9a-f]{8}"));
            assertThat(page.content()).doesNotContain("Exception").doesNotContain("java.");
        }
    }

    @Test
    void every_page_allows_only_its_own_scripts_and_styles(Visitor visitor, Running app) {
        Page page = visitor.on(1280, 800);
        Response response = page.navigate(app.baseUrl() + "/sign-in");
        assertThat(response.headerValue("content-security-policy"))
                .contains("script-src 'self'")
                .contains("style-src 'self'")
                .doesNotContain("unsafe");
        assertThat(response.headerValue("referrer-policy")).isEqualTo("same-origin");
        assertThat(page.content())
                .doesNotContain("<style")
                .doesNotContain("onclick=")
                .doesNotContain("style=\"");
        visitor.checkAccessible();
    }

    @Test
    void a_stranger_sees_the_sign_in_page_and_a_post_without_token_is_refused(Visitor visitor, Running app) {
        Page page = visitor.on(1280, 800);
        page.navigate(app.baseUrl() + "/clients/1");
        assertThat(page.url()).endsWith("/sign-in");
        APIResponse post = visitor.context().request().post(app.baseUrl() + "/clients/1/visit");
        assertThat(post.status()).isEqualTo(403);
        page.fill("#username", "imogen");
        page.fill("#password", "wrong");
        page.click("main button");
        visitor.see("Wrong name or password");
    }

    @Test
    void the_rules_answer_over_http_as_they_do_headless(Visitor visitor) {
        Page page = visitor.onTheBoard("imogen");
        String csrf = page.locator("meta[name=csrf]").getAttribute("content");
        APIResponse answer = visitor.context()
                .request()
                .post(
                        page.url().replaceAll("(http://[^/]+).*", "$1") + "/api/eval",
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", csrf)
                                .setHeader("Content-Type", "application/json")
                                .setData(
                                        "{\"op\":\"screen\",\"today\":\"2031-05-02\",\"client\":{\"status\":\"GENERAL\"},"
                                                + "\"answers\":[\"FEVER\"],\"approach\":\"SLOW_LADDER\"}"));
        assertThat(answer.text()).contains("\"outcome\":\"REFER_NOW\"");
    }

    @Test
    void a_wrong_catalogue_file_stops_the_start_with_file_line_and_reason(@TempDir Path folder) throws IOException {
        try (var in = getClass().getResourceAsStream("/fernstep/catalogue/deep-core.yaml")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            Files.writeString(folder.resolve("deep-core.yaml"), text.replace("props: [CHAIR]", "props: [CLOUD]"));
            try (var postures = getClass().getResourceAsStream("/fernstep/catalogue/postures.yaml")) {
                Files.copy(postures, folder.resolve("postures.yaml"));
            }
            int line = text.substring(0, text.indexOf("props: [CHAIR]")).split("\n", -1).length;
            assertThatThrownBy(() -> new SpringApplication(FernStepApp.class)
                            .run("--server.port=0", "--fern.catalogue-folder=" + folder))
                    .rootCause()
                    .hasMessageStartingWith("deep-core.yaml, line " + line + ": 'props' was CLOUD");
        }
    }
}
