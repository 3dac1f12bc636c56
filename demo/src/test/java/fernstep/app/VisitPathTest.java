package fernstep.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.WaitForSelectorState;
import fernstep.app.AppExtension.Running;
import fernstep.app.ask.Visits;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Answer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** One visit from the questions to the next dose, in a real browser on a real database. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class VisitPathTest {

    @Test
    void a_coach_takes_maribel_from_the_questions_to_the_next_dose_with_the_weaker_side_first(Visitor visitor) {
        Page page = visitor.onATablet("tamsin");
        visitor.startVisit("Maribel Quint");

        page.click("label[for=SCAR_TENDER]");
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "ADAPT");
        visitor.checkAccessible();
        page.click("#outcome form[action$='/asked'] button");

        // 2.5 at the top site by key; the picked cell goes down the column
        page.locator(".cell.picked").waitFor();
        page.keyboard().press("2");
        page.keyboard().press(".");
        for (String digit : new String[] {"2", "2", "1", "1"}) {
            page.keyboard().press(digit);
        }
        assertThat(page.locator(".cell").first().locator(".value")).hasText("2.5");
        visitor.see("since last time");
        assertThat(page.locator(".outline-rest").first()).hasAttribute("d", java.util.regex.Pattern.compile("^M.*"));
        visitor.checkAccessible();
        page.click("text=On to the plan");

        assertThat(page.locator(".plan-card .rung-code"))
                .hasText(new String[] {"BR3", "PF1", "F1", "F2", "BR4", "DC2", "HK1"});
        assertThat(page.locator(".plan-card .side")).hasText(new String[] {"left", "right"});
        visitor.see("one set more for the weaker side");
        visitor.checkAccessible();
        page.click("text=Use this plan and run");

        // four breaths by the pedal, then the effort by a digit
        assertThat(page.locator(".runner .code")).hasText("BR3");
        for (int breath = 1; breath <= 4; breath++) {
            page.keyboard().press("PageDown");
            if (breath < 4) {
                assertThat(page.locator(".count .n")).hasText(String.valueOf(breath));
            }
        }
        visitor.see("How hard was it?");
        page.locator(".efforts-box.ready").waitFor();
        page.keyboard().press("3");
        assertThat(page.locator(".runner .code")).hasText("PF1");
        skip(page);
        assertThat(page.locator(".runner .code")).hasText("F1");
        assertThat(page.locator(".runner .side")).hasText("left");

        // a clear sign is answered with a move, its size and the rule; override and undo
        page.keyboard().press("Space");
        page.click(".sign[data-code=WALL_BULGE]");
        assertThat(page.locator(".advice .move:visible")).hasText("Make it easier");
        page.keyboard().press("y");
        assertThat(page.locator(".why li.chosen")).containsText("Trunk position lost");
        page.keyboard().press("Escape");
        visitor.checkAccessible();
        page.keyboard().press("o");
        page.click("[data-move=CARRY_ON]");
        assertThat(page.locator(".advice .move:visible")).hasText("Carry on");
        visitor.see("You chose this instead of");
        page.keyboard().press("u");
        assertThat(page.locator(".advice .move:visible")).hasText("Make it easier");

        // bearing down closes every loaded rung; a breath rung lying comes first, then what does not load
        page.click(".sign[data-code=BEARS_DOWN]");
        assertThat(page.locator(".runner .code")).hasText("BR1");
        for (int breath = 0; breath < 5; breath++) {
            page.keyboard().press("Space");
        }
        page.locator(".efforts-box.ready").waitFor();
        page.keyboard().press("2");
        for (String unloaded : new String[] {"BR4", "DC2", "HK1"}) {
            assertThat(page.locator(".runner .code")).hasText(unloaded);
            skip(page);
        }
        visitor.see("What changes next");
        page.click("a.btn-primary:has-text('Progress')");

        Locator breath = page.locator("article", new Page.LocatorOptions().setHasText("BR3"));
        assertThat(breath).containsText("clean, effort 3");
        assertThat(breath).containsText("One notch up");
        Locator left = page.locator("article", new Page.LocatorOptions().setHasText("Lighten one foot"));
        assertThat(left).containsText("stopped");
        visitor.checkAccessible();
        breath.locator("button.btn-primary").click();
        assertThat(page.locator("article", new Page.LocatorOptions().setHasText("BR3")))
                .containsText("6 breaths");
    }

    private static void skip(Page page) {
        page.click("text=Skip this");
        page.click("[data-choices=skip] [data-choice='2']");
    }

    @Test
    void a_new_client_typed_in_by_hand_goes_the_same_way_by_keyboard(Visitor visitor) {
        Page page = visitor.onTheBoard("imogen");
        page.click("text=New client");
        page.fill("#name", "Ottilie Fenn");
        page.selectOption("#status", "GENERAL");
        page.fill("#massKg", "64");
        page.fill("#heightCm", "167");
        visitor.checkAccessible();
        page.click("button:text-is('Save')");
        visitor.see("No birth or operation to count from");
        visitor.checkAccessible();
        page.click("form[action$='/visit'] button");
        page.click("#outcome form[action$='/asked'] button");
        page.click("text=All on one sheet");
        page.check("#SET_GRADELEFT4", new Page.CheckOptions().setForce(true));
        page.check("#SET_GRADERIGHT4", new Page.CheckOptions().setForce(true));
        page.click("text=Moving");
        page.locator("#FLOAT_F1LEFTCLEAN")
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        page.check("#FLOAT_F1LEFTCLEAN", new Page.CheckOptions().setForce(true));
        page.check("#FLOAT_F1RIGHTCLEAN", new Page.CheckOptions().setForce(true));
        page.check("#FLOAT_F2RIGHTCLEAN", new Page.CheckOptions().setForce(true));
        visitor.see("F2 clean");
        page.reload();
        visitor.see("F2 clean");
        page.click("text=On to the plan");
        assertThat(page.locator(".plan-card[data-strand=BREATH] .rung-code")).hasText("BR3");
        assertThat(page.locator(".plan-card[data-strand=DEEP_CORE]")).hasCount(0);
        assertThat(page.locator(".plan-card[data-strand=LEG_FLOAT] .rung-code")).hasText(new String[] {"F1", "F2"});
    }

    @Test
    void an_emergency_answer_locks_the_visit_until_it_is_taken_back_with_a_reason(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.startVisit("Noor Haddad");
        page.click("label[for=CALF]");
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "REFER_NOW");
        String visit = page.url().replaceAll(".*/visits/(\\d+)/.*", "$1");
        page.click("#outcome button.btn-stop");
        visitor.see("Call her doctor or the unit that looked after her today.");
        visitor.checkAccessible();
        for (String step : new String[] {"check", "plan"}) {
            visitor.open("/visits/" + visit + "/" + step);
            assertThat(page.url()).endsWith("/referral");
        }
        visitor.open("/visits/" + visit + "/ask");
        page.click("label[for=CALF]");
        page.fill("#why", "She meant the other question");
        page.click("text=Withdraw the answer");
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "GO");
    }

    @Test
    void only_a_therapist_lets_training_go_on_over_ask_first(Running app, Visits visits, Visitor visitor) {
        long her = Someone.firm(app.context(), "Asks Before", Approach.SLOW_LADDER, 20);
        visits.answer(visits.openToday(her, 1).id(), Answer.HEAVINESS, true, 1, "");
        Page coach = visitor.onATablet("tamsin");
        visitor.startVisit("Asks Before");
        coach.click("summary >> text=Override");
        visitor.see("Only a therapist can clear training here");
        assertThat(coach.locator("#overrideReason").count()).isZero();
        visitor.close();

        Page therapist = visitor.onATablet("ilse");
        visitor.startVisit("Asks Before");
        therapist.click("summary >> text=Override");
        therapist.fill("#overrideReason", "Seen by the clinic this morning, cleared for light work");
        therapist.click("text=Override with this reason");
        assertThat(therapist.locator("[data-outcome]")).hasAttribute("data-outcome", "ADAPT");
    }

    @Test
    void on_a_phone_the_runner_needs_no_scrolling_and_every_mark_can_be_hit_with_a_thumb(Visitor visitor) {
        Page page = visitor.onAPhone("imogen");
        visitor.startVisit("Hana Morioka");
        page.click("#outcome form[action$='/asked'] button");
        page.click("text=On to the plan");
        page.click("text=Use this plan and run");
        Locator main = page.locator(".runner-foot .btn-primary");
        assertThat(main).isVisible();
        BoundingBox box = main.boundingBox();
        assertThat(box.height).isGreaterThanOrEqualTo(56);
        assertThat(box.y + box.height)
                .as("the main button is on the first screen")
                .isLessThanOrEqualTo(844);
        for (Locator mark : page.locator(".signs .sign").all().subList(0, 4)) {
            assertThat(mark.boundingBox().height).isGreaterThanOrEqualTo(56);
            assertThat(mark.boundingBox().y).isLessThan(844 - 56);
        }
        assertThat((Boolean) page.evaluate("() => document.documentElement.scrollHeight <= window.innerHeight"))
                .isTrue();
        page.click(".sign[data-code=BREATH_HELD]");
        assertThat(page.locator(".advice .move:visible")).hasText("Say one thing");
        visitor.checkAccessible();
    }
}
