package fernstep.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension.Running;
import fernstep.app.client.Clients;
import fernstep.app.progress.LadderMapper;
import fernstep.app.progress.LadderRow;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What the log says, told from home and read on the progress page, the calendar and the board. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class ProgressPagesTest {
    private final Running app;

    ProgressPagesTest(Running app) {
        this.app = app;
    }

    private long training(String name) {
        long id = Someone.firm(app.context(), name, Approach.SLOW_LADDER, 20);
        app.context()
                .getBean(LadderMapper.class)
                .insert(new LadderRow(
                        null,
                        id,
                        Strand.BREATH,
                        "",
                        "BR3",
                        1,
                        null,
                        null,
                        4,
                        1,
                        5,
                        LocalDate.now().minusDays(20),
                        "START",
                        1,
                        0,
                        1));
        return id;
    }

    private static void told(Visitor visitor, Page page, long client, int daysAgo, String how, String effort) {
        visitor.open("/clients/" + client + "/home-log?on=" + LocalDate.now().minusDays(daysAgo));
        page.locator(".log-item .pick label", new Page.LocatorOptions().setHasText(how))
                .first()
                .click();
        page.fill(".log-item input[name^=effort]", effort);
        page.click("text=Save this session");
    }

    @Test
    void two_clean_sessions_at_home_are_a_move_up_which_can_be_held_with_a_reason(Visitor visitor) {
        long client = training("Home Clean");
        Page page = visitor.onATablet("imogen");
        told(visitor, page, client, 6, "done", "3");
        visitor.see("Saved: 1 exercise");
        told(visitor, page, client, 4, "done", "2");
        visitor.checkAccessible();
        for (int mornings = 2; mornings > 0; mornings--) {
            Locator unknown = page.locator(".morning", new Page.LocatorOptions().setHasText("not asked"));
            assertThat(unknown).hasCount(mornings);
            unknown.first().locator("button").click();
        }
        page.click("nav[aria-label=Visit] >> text=Progress");
        Locator breath = page.locator("article", new Page.LocatorOptions().setHasText("BR3"));
        assertThat(breath).containsText("One notch up");
        page.locator("#forecast svg").waitFor();
        visitor.checkAccessible();
        breath.locator("summary").click();
        breath.locator("text=Hold here").click();
        assertThat(breath.locator(".field-problem")).isVisible();
        breath.locator("input[name=reason]").fill("A cold: wait a week");
        breath.locator("text=Hold here").click();
        assertThat(breath).containsText("Held by you");
        assertThat(breath).containsText("A cold: wait a week");
        assertThat(breath.locator("text=Confirm")).hasCount(0);
        breath.locator("text=Stop holding").click();
        breath.locator("text=Confirm: one notch up").click();
        assertThat(breath).containsText("1 set × 6 breaths");
    }

    @Test
    void what_cannot_be_is_refused_at_the_field_and_nothing_typed_is_lost(Visitor visitor) {
        long client = training("Home Wrong");
        Page page = visitor.onATablet("imogen");
        told(visitor, page, client, 1, "made easier", "14");
        visitor.see("Not saved yet");
        assertThat(page.locator(".log-item .field-problem").first()).containsText("0 to 10");
        assertThat(page.locator(".log-item input[name^=effort]")).hasValue("14");
        assertThat(page.locator(".log-item input[value=EASED]")).isChecked();
        visitor.open("/clients/" + client + "/home-log?on=2020-01-01");
        visitor.see("cannot be logged");
    }

    @Test
    void pain_and_signs_told_stay_with_the_session_and_with_a_refused_form(Visitor visitor) {
        long client = training("Home Pain");
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/home-log");
        page.click(".log-item summary");
        page.locator(".log-item .pick label", new Page.LocatorOptions().setHasText("done"))
                .first()
                .click();
        page.locator(".log-item details label", new Page.LocatorOptions().setHasText("Breath held"))
                .click();
        page.fill("input[name^=pain]", "44");
        page.click("text=Save this session");
        visitor.see("Not saved yet");
        assertThat(page.locator("input[name^=signs][value=BREATH_HELD]")).isChecked();
        assertThat(page.locator("input[name^=pain]").first()).hasValue("44");
        assertThat(page.locator(".log-item details .field-problem")).isVisible();
        page.locator("input[name^=pain]").first().fill("5");
        page.click("text=Save this session");
        visitor.see("Saved: 1 exercise");
        assertThat(page.locator("input[name^=pain]").first()).hasValue("5");
        page.click("text=Save this session");
        visitor.see("Saved: 1 exercise");
        visitor.open("/clients/" + client + "/progress");
        assertThat(page.locator("article").first()).containsText("Made easier once");
    }

    @Test
    void heaviness_the_morning_after_holds_and_twice_refers(Visitor visitor) {
        long client = training("Home Heavy");
        Page page = visitor.onATablet("imogen");
        told(visitor, page, client, 5, "done", "3");
        told(visitor, page, client, 3, "done", "3");
        Locator newest = page.locator("form.morning").first();
        newest.locator("label", new Locator.LocatorOptions().setHasText("Heaviness"))
                .click();
        newest.locator("text=Set").click();
        assertThat(page.locator("form.morning").first().locator(".tag")).containsText("Heaviness");
        visitor.open("/");
        page.fill("[name=q]", "Home Heavy");
        assertThat(page.locator("#rows tbody tr")).hasCount(1);
        assertThat(page.locator("#rows tbody tr")).containsText("Symptoms the day after: everything held");
        visitor.open("/clients/" + client + "/home-log");
        Locator older = page.locator("form.morning").nth(1);
        older.locator("label", new Locator.LocatorOptions().setHasText("Leaking"))
                .click();
        older.locator("text=Set").click();
        visitor.open("/clients/" + client + "/progress");
        assertThat(page.locator("article").first()).containsText("refer and hold");
        visitor.open("/?q=home+heavy");
        assertThat(page.locator("#rows tbody tr")).containsText("Symptoms the day after, twice: refer");
    }

    @Test
    void the_board_filters_as_one_types_and_shows_an_emergency_first_at_once(Visitor visitor) {
        Page page = visitor.onTheBoard("tamsin");
        page.locator("[name=q]").pressSequentially("caesarean weeks");
        assertThat(page.locator("#rows tbody tr").first()).containsText("caesarean");
        assertThat(page.locator("#rows tbody tr", new Page.LocatorOptions().setHasText("Wren")))
                .hasCount(0);
        page.fill("[name=q]", "nobody like this");
        visitor.see("No client matches this filter.");
        visitor.checkAccessible();
        long client = training("Board Emergency");
        visitor.open("/clients/" + client);
        page.click("form[action$='/visit'] button");
        page.click("label[for=CHEST_PAIN]");
        assertThat(page.locator("[data-outcome]")).hasAttribute("data-outcome", "REFER_NOW");
        visitor.open("/?q=Board+Emergency");
        assertThat(page.locator("#rows tbody tr").first()).containsText("Emergency answer today");
        visitor.open("/");
        assertThat(page.locator("#rows tbody tr").first()).containsText("Emergency answer today");
        visitor.checkAccessible();
    }

    @Test
    void a_goal_and_blocked_days_shape_forecast_and_calendar(Visitor visitor) {
        long client = training("Goal Setter");
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/progress");
        page.click("summary:has-text('Goal, days')");
        page.selectOption("#goal", "CAR_SEAT");
        page.fill("#goalDate", LocalDate.now().minusDays(1).toString());
        page.locator("form.wishes button").click();
        visitor.see("A goal is in the future");
        page.selectOption("#goal", "CAR_SEAT");
        page.fill("#goalDate", LocalDate.now().plusWeeks(20).toString());
        page.locator("label[for=noSUNDAY]").click();
        page.locator("form.wishes button").click();
        visitor.see("Carry the car seat:");
        Locator more = page.locator("[data-change=ONE_MORE_DAY]");
        assertThat(more).hasAttribute("aria-pressed", "false");
        more.click();
        assertThat(more).hasAttribute("aria-pressed", "true");
        visitor.see("The route below uses what is switched on.");
        visitor.checkAccessible();
        page.click("nav[aria-label=Visit] >> text=Calendar");
        assertThat(page.locator("td.kind-blocked").first()).isVisible();
        visitor.checkAccessible();
        page.click("text=Week");
        // of this week nothing may be left
        page.click("[aria-label=Later]");
        assertThat(page.locator("td.kind-session li").first()).containsText("set");
        assertThat(app.context().getBean(Clients.class).file(client).settings().blocked())
                .containsExactly(DayOfWeek.SUNDAY);
    }
}
