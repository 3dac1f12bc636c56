package fernstep.app.run;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.WaitForSelectorState;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import fernstep.core.session.Exercise;
import fernstep.core.session.Session;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The runner with a connection: keys, pedal, thumbs, a second tablet, the end. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class RunnerPagesTest extends AtTheMat {
    RunnerPagesTest(Runner runner, Visits visits, Running app) {
        super(runner, visits, app);
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

    @Test
    void an_id_that_was_used_for_something_else_is_refused_and_the_page_says_so(Visitor visitor) {
        Page page = running(visitor);
        String id = UUID.randomUUID().toString();
        runner.take(session, Report.sign(id, "RUSHED"), IMOGEN);
        page.evaluate("id => { fern.uuid = () => id; }", id);
        keys(page, "Space");
        visitor.see("Not accepted: This entry has the number of another one");
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
    void a_sign_held_under_the_thumb_or_the_mouse_shows_what_it_looks_like_and_tells_nothing(Visitor visitor) {
        Page page = running(visitor);
        page.locator(".sign-store [data-sign=BREATH_HELD] svg")
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        Locator sign = page.locator(".signs .sign[data-code=BREATH_HELD]");
        Locator card = page.locator(".sign-card");
        sign.hover();
        assertThat(card).isVisible();
        assertThat(card.locator("svg .f-sign")).hasCount(1);
        assertThat(card).containsText(sign.locator(".label").innerText());
        page.mouse().move(5, 5);
        assertThat(card).isHidden();
        Map<String, Object> thumb = Map.of("pointerType", "touch", "bubbles", true);
        sign.dispatchEvent("pointerdown", thumb);
        assertThat(card).isVisible();
        sign.dispatchEvent("pointerup", thumb);
        sign.dispatchEvent("click", Map.of("bubbles", true));
        assertThat(card).isHidden();
        assertThat(move(page)).hasCount(0);
        sign.click();
        assertThat(move(page)).hasText("Say one thing");
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
                .hasValueSatisfying(
                        overridden -> assertThat(overridden.reason()).isEqualTo("The sign was seen wrongly"));
    }

    @Test
    void a_reason_in_her_own_words_is_kept_and_the_practice_reads_it_by_rule(Visitor visitor) {
        Page page = running(visitor);
        keys(page, "1");
        assertThat(move(page)).hasText("Say one thing");
        keys(page, "o");
        page.fill("#because-own", "Her cousin's wedding is today");
        page.locator("[data-choices=override] [data-move=CARRY_ON]").click();
        assertThat(move(page)).hasText("Carry on");
        allSent(page);
        Session now = runner.replay(session);
        assertThat(now.overrideOf(now.answered().orElseThrow()))
                .hasValueSatisfying(
                        overridden -> assertThat(overridden.reason()).isEqualTo("Her cousin's wedding is today"));
        visitor.open("/house/overrides");
        assertThat(page.locator("#by-rule tbody tr", new Page.LocatorOptions().setHasText("The breath is held")))
                .containsText("1 × Carry on instead of Say one thing: Her cousin's wedding is today");
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
                .allSatisfy(exercise -> {
                    assertThat(exercise.state()).isEqualTo(Exercise.State.DONE);
                    assertThat(exercise.effort()).isEqualTo(3);
                });
    }

    private static void allSentOrOver(Page page) {
        page.waitForFunction("() => { const r = document.querySelector('[x-data=runner]');"
                + " return !r || Alpine.$data(r).queue.length === 0; }");
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
