package fernstep.app.overview;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Answer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Her page: what is to be done today comes first, what is settled is folded. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class ClientPageTest {
    private static final int IMOGEN = 1;

    private final Running app;
    private final Visits visits;

    ClientPageTest(Running app, Visits visits) {
        this.app = app;
        this.visits = visits;
    }

    private static int number(Page page, String script) {
        return ((Number) page.evaluate(script)).intValue();
    }

    @Test
    void the_next_thing_to_press_is_on_the_first_screen_and_the_page_is_short(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.openClient("Maribel Quint");
        visitor.see("In training");
        assertThat(number(page, "document.querySelector('#today .btn-primary').getBoundingClientRect().bottom"))
                .isLessThan(800);
        assertThat(page.locator("details:has-text('Pathways not started') svg").first())
                .isHidden();
        int wide = number(page, "document.documentElement.scrollHeight");
        Page phone = visitor.onAPhone("imogen");
        phone.navigate(page.url());
        assertThat(number(phone, "document.querySelector('#today .btn-primary').getBoundingClientRect().bottom"))
                .isLessThan(844);
        int small = number(phone, "document.documentElement.scrollHeight");
        System.out.printf("client page: %d px wide (budget 1600), %d px on a phone (budget 3200)%n", wide, small);
        assertThat(wide).isLessThanOrEqualTo(1600);
        assertThat(small).isLessThanOrEqualTo(3200);
        for (int width : new int[] {390, 360}) {
            phone.setViewportSize(width, 844);
            assertThat(number(phone, "document.documentElement.scrollWidth"))
                    .as("nothing sticks out at %d px", width)
                    .isLessThanOrEqualTo(width);
        }
        visitor.checkAccessible();
    }

    @Test
    void what_she_told_today_stands_on_top_with_who_must_answer_and_no_green_way_on(Visitor visitor) {
        long client = Someone.firm(app.context(), "Page Heavy", Approach.SLOW_LADDER, 20);
        visits.answer(visits.openToday(client, IMOGEN).id(), Answer.HEAVINESS, true, 1, "");
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        assertThat(page.locator("#today")).containsText("Ask first");
        assertThat(page.locator("#today")).containsText("Heaviness");
        assertThat(page.locator("#today .btn-primary")).hasCount(0);
        assertThat(page.locator("#clearances details #scope")).isHidden();
        page.click("text=She was cleared: by whom, when");
        assertThat(page.locator("#clearances details #scope")).isVisible();
        visitor.checkAccessible();
    }

    @Test
    void a_move_is_confirmed_on_her_page_and_one_stays_there(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.openClient("Freya Lindholm");
        int before = page.locator("#today .moves li").count();
        assertThat(before).isPositive();
        String first = page.locator("#today .moves li strong").first().innerText();
        page.locator("#today .moves button").first().click();
        page.waitForURL("**/clients/*#today");
        assertThat(page.locator("#today .moves li strong")
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText(first)))
                .hasCount(0);
    }
}
