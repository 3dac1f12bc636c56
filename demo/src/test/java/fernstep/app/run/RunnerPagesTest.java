package fernstep.app.run;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.Clients;
import fernstep.core.approach.Approach;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent.SignSeen;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The runner beside the mat: hands busy, the connection coming and going. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class RunnerPagesTest {
    private static final long IMOGEN = 1;
    /** Enough to go from one to another, and few to make answers ahead for. */
    private static final int EXERCISES = 3;

    private static final String EVENTS = "**/events";

    private final Runner runner;
    private final Visits visits;
    private final Running app;
    private String session;
    private long visit;

    RunnerPagesTest(Runner runner, Visits visits, Running app) {
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
    private Page running(Visitor visitor) {
        return running(visitor, visitor.onATablet("imogen"));
    }

    private Page running(Visitor visitor, Page page) {
        visitor.open("/sessions/" + session);
        page.locator(".runner").waitFor();
        page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).s");
        return page;
    }

    /** With every answer that can be made ahead. */
    private Page prepared(Visitor visitor) {
        Page page = running(visitor);
        ready(page);
        return page;
    }

    /** Every answer that can be made ahead is there. */
    private static void ready(Page page) {
        page.waitForFunction("() => { const r = Alpine.$data(document.querySelector('[x-data=runner]'));"
                + " return r.s && r.s.items.every((i, at) => at < r.s.at || i.state !== 'open' || r.answers[i.key])"
                + " && r.answers[r.s.answersKey]; }");
    }

    private static Locator count(Page page) {
        return page.locator(".count .n");
    }

    private static Locator move(Page page) {
        return page.locator(".advice .move:not(.cue):visible");
    }

    private static void keys(Page page, String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    private Exercise first() {
        return runner.replay(session).exercises().get(0);
    }

    private void allSent(Page page) {
        page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).queue.length === 0");
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
                        SignSeen.class, s -> assertThat(s.seen().rep()).isEqualTo(3));
    }

    @Test
    void a_second_sign_without_a_connection_stops_the_set_until_the_answer_comes(Visitor visitor) {
        Page page = prepared(visitor);
        visitor.context().setOffline(true);
        keys(page, "1", "Space", "1");
        assertThat(move(page)).hasText("Stop this set");
        visitor.see("The answer comes when the connection is back");
        keys(page, "Space");
        assertThat(count(page)).hasText("1");
        visitor.context().setOffline(false);
        allSent(page);
        // on this breath rung nothing is left to ease a breath held again
        assertThat(move(page)).hasText("Step back a rung");
    }

    @Test
    void what_must_stop_her_stops_her_without_a_connection_and_without_an_answer_made_ahead(Visitor visitor) {
        Page page = prepared(visitor);
        visitor.context().setOffline(true);
        keys(page, "1", "Space", "0", "7");
        assertThat(move(page)).hasText("End this exercise");
        visitor.see("Nothing more with load today");
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

    @Test
    void a_report_that_lacks_something_is_refused_with_a_sentence(Visitor visitor) {
        Page page = running(visitor);
        for (String body : List.of(
                "{\"kind\":\"SIGN\",\"sign\":{}}",
                "{\"kind\":\"SIGN\",\"sign\":{\"code\":\"NO_SUCH\"}}",
                "{\"kind\":\"OVERRIDE\",\"chosen\":{}}",
                "{\"kind\":\"ADD\",\"added\":{}}",
                "{\"kind\":\"REP\",\"id\":\"not an id\"}",
                "{}")) {
            String id = "{\"id\":\"" + UUID.randomUUID() + "\",";
            String whole = body.contains("\"id\"") || body.equals("{}") ? body : id + body.substring(1);
            Object answer = page.evaluate(
                    "async body => { const a = await fetch(location.pathname + '/events', { method: 'POST', body, headers:"
                            + " { 'X-CSRF-TOKEN': fern.token(), 'Content-Type': 'application/json' } });"
                            + " return a.status + ' ' + await a.text(); }",
                    whole);
            assertThat(answer.toString())
                    .as(body)
                    .startsWith("400 ")
                    .contains("all that belongs to it")
                    .doesNotContain("fernstep");
        }
        assertThat(runner.held(session).events()).isEmpty();
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
            visitor.see("kept, trying again");
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
        visitor.see("kept, trying again");
        page.unroute(EVENTS);
        allSent(page);
        assertThat(first().repsDone()).isEqualTo(1);
    }

    @Test
    void an_id_that_was_used_for_something_else_is_refused_and_the_page_says_so(Visitor visitor) {
        Page page = running(visitor);
        String id = UUID.randomUUID().toString();
        runner.take(session, Report.sign(id, "RUSHED"), IMOGEN);
        page.evaluate("id => { fern.uuid = () => id; }", id);
        keys(page, "Space");
        visitor.see("Not taken: This entry carries the number of another one");
        assertThat(count(page)).hasText("0");
        allSent(page);
    }

    @Test
    void two_tablets_on_one_session_come_to_show_the_same_by_themselves(Visitor visitor) {
        Page one = running(visitor);
        Page two = visitor.context().newPage();
        two.navigate(app.baseUrl() + "/sessions/" + session);
        two.locator(".runner").waitFor();
        two.bringToFront();
        keys(two, "Space", "Space");
        one.bringToFront();
        assertThat(count(one)).hasText("2");
        visits.answer(visit, Answer.CALF, true, 1, "");
        assertThat(one.getByText("Stop. The session is locked.")).isVisible();
        visitor.see("An emergency answer stands today");
    }

    @Test
    void with_the_override_open_digits_choose_from_it_and_signs_rest(Visitor visitor) {
        Page page = running(visitor);
        keys(page, "1");
        assertThat(move(page)).hasText("Say one thing");
        keys(page, "o", "r");
        assertThat(page.locator("[data-choices=override]")).isVisible();
        keys(page, "b", "1");
        assertThat(move(page)).hasText("Carry on");
        visitor.see("The sign was seen wrongly");
        allSent(page);
        Session now = runner.replay(session);
        assertThat(now.current().orElseThrow().signs()).containsExactly(SignCode.BREATH_HELD);
        assertThat(now.overrideOf(now.answered().orElseThrow()))
                .hasValueSatisfying(o -> assertThat(o.reason()).isEqualTo("The sign was seen wrongly"));
    }

    @Test
    void a_sign_is_strong_until_it_is_pressed_once_more_and_both_keep_their_place(Visitor visitor) {
        Page page = running(visitor);
        BoundingBox place = page.locator(".sign[data-code=RUSHED]").boundingBox();
        keys(page, "r");
        visitor.see("Rushed, strong");
        keys(page, "r");
        visitor.see("Rushed, slight");
        allSent(page);
        assertThat(first().soFar()).hasSize(1);
        assertThat(first().soFar().get(0).signs().get(0).clearly()).isFalse();
        keys(page, "x", "2");
        page.waitForFunction("() => document.querySelector('.runner .code').textContent !== 'BR3'");
        assertThat(page.locator(".sign[data-code=RUSHED]").boundingBox())
                .usingRecursiveComparison()
                .isEqualTo(place);
    }

    @Test
    void the_side_of_a_sign_is_said_with_the_arrows(Visitor visitor) {
        Page page = running(visitor);
        keys(page, "ArrowRight", "8");
        allSent(page);
        assertThat(first().soFar().get(0).signs().get(0).side()).isEqualTo(fernstep.core.measure.Side.RIGHT);
    }

    @Test
    void a_digit_pressed_as_the_set_ends_does_not_become_the_effort(Visitor visitor) {
        Page page = running(visitor);
        int target = first().target();
        for (int i = 0; i < target; i++) {
            keys(page, "Space");
        }
        keys(page, "8");
        allSent(page);
        assertThat(first().effort()).isNull();
        page.locator(".efforts-box.ready").waitFor();
        keys(page, "4");
        allSent(page);
        assertThat(first().effort()).isEqualTo(4);
    }

    @Test
    void the_answer_says_which_exercise_it_was_for_once_another_is_in_hand(Visitor visitor) {
        Page page = prepared(visitor);
        String name = page.locator(".runner .name").first().textContent();
        keys(page, "l", "2");
        assertThat(page.locator(".advice")).not().containsText("in " + name);
        keys(page, "u", "2");
        assertThat(page.locator(".advice")).containsText("in " + name);
        assertThat(page.locator(".runner .code")).not().hasText("BR3");
    }

    @Test
    void a_session_ends_early_shows_its_record_takes_a_note_and_can_be_reopened(Visitor visitor) {
        Page page = running(visitor);
        keys(page, "Space", "m", "4", "1");
        visitor.see("What changes next");
        assertThat(page.locator("table.record")).containsText("1 of ");
        visitor.checkAccessible();
        page.fill("#note", "Stopped early, the baby woke");
        page.click("text=Save the note");
        assertThat(page.locator("#note")).hasValue("Stopped early, the baby woke");
        page.click("text=Reopen");
        assertThat(count(page)).hasText("1");
        assertThat(runner.session(session).finishedAt()).isNull();
        visitor.open("/clients/" + runner.session(session).clientId());
        assertThat(page.locator("section", new Page.LocatorOptions().setHasText("Sessions"))
                        .last())
                .containsText("not ended yet");
    }

    @Test
    void a_whole_session_is_driven_by_the_pedal_alone(Visitor visitor) {
        Page page = running(visitor);
        int presses = 0;
        while (runner.replay(session).current().isPresent() && presses < 600) {
            if (page.locator(".efforts-box").isVisible()) {
                page.locator(".efforts-box.ready").waitFor();
            }
            keys(page, "PageDown");
            presses++;
            allSentOrOver(page);
        }
        visitor.see("What changes next");
        assertThat(runner.replay(session).exercises())
                .hasSizeGreaterThanOrEqualTo(5)
                .allSatisfy(e -> {
                    assertThat(e.state()).isEqualTo(Exercise.State.DONE);
                    assertThat(e.effort()).isEqualTo(3);
                });
    }

    private static void allSentOrOver(Page page) {
        page.waitForFunction("() => { const r = document.querySelector('[x-data=runner]');"
                + " return !r || Alpine.$data(r).queue.length === 0; }");
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

    @Test
    void signing_out_leaves_no_page_of_hers_in_the_browser(Visitor visitor) {
        Page page = prepared(visitor.keepingPages());
        page.evaluate("() => navigator.serviceWorker.ready");
        page.reload();
        page.locator(".runner").waitFor();
        ready(page);
        String kept = "path => caches.match(path).then((found) => found !== undefined)";
        assertThat(page.evaluate(kept, "/sessions/" + session)).isEqualTo(true);
        page.click("#sign-out button");
        page.waitForURL("**/sign-in?out");
        assertThat(page.evaluate(kept, "/sessions/" + session)).isEqualTo(false);
        assertThat(page.evaluate(kept, "/sessions/" + session + "/state")).isEqualTo(false);
    }

    @Test
    void a_note_of_five_hundred_characters_over_many_lines_is_kept_whole(Visitor visitor) {
        Page page = running(visitor);
        keys(page, "Space", "m", "4", "1");
        String note = "calm\n".repeat(99) + "calmer";
        page.fill("#note", note.substring(0, 500));
        page.click("text=Save the note");
        assertThat(page.locator("#note")).hasValue(note.substring(0, 500));
        assertThat(runner.held(session).session().note()).hasSize(500);
    }

    @Test
    void on_a_phone_every_sign_and_every_button_is_on_the_one_screen(Visitor visitor) {
        Page page = running(visitor, visitor.onAPhone("imogen"));
        keys(page, "1");
        move(page).waitFor();
        for (Locator target :
                page.locator(".sign:visible, .runner-foot .btn:visible").all()) {
            BoundingBox box = target.boundingBox();
            assertThat(box.y + box.height).as(target.innerText()).isLessThanOrEqualTo(844);
            assertThat(box.x + box.width).isLessThanOrEqualTo(390);
            assertThat(box.height).isGreaterThanOrEqualTo(44);
        }
        for (Locator sign : page.locator(".sign[data-code]").all()) {
            assertThat(sign.boundingBox().height).isGreaterThanOrEqualTo(56);
        }
        assertThat((Integer) page.evaluate("() => document.documentElement.scrollWidth"))
                .isLessThanOrEqualTo(390);
        visitor.checkAccessible();
        keys(page, "y");
        Locator back = page.locator(".why-head .btn");
        assertThat(back).isVisible();
        assertThat(back.boundingBox().y).as("the way back is on the screen").isBetween(0.0, 800.0);
        assertThat(page.locator(".runner-foot .btn-primary").boundingBox().y).isBetween(0.0, 800.0);
        back.click();
        assertThat(page.locator(".sign[data-code=PAIN]")).isVisible();
    }

    @Test
    void the_answer_is_on_the_screen_before_the_server_has_given_it(Visitor visitor) {
        Page page = prepared(visitor);
        page.route(EVENTS, route -> {});
        keys(page, "r");
        assertThat(move(page)).hasText("Say one thing");
        assertThat(first().signs()).isEmpty();
        page.unroute(EVENTS);
        allSent(page);
        assertThat(first().signs()).containsExactly(SignCode.RUSHED);
        runner.take(session, Report.of(UUID.randomUUID().toString(), Kind.UNDO), IMOGEN);
        assertThat(page.locator(".advice .move.cue")).isVisible();
    }
}
