package fernstep.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Looking through the catalogue, the range dial, and a rung of one's own. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class CataloguePagesTest {
    /** The rows of the exercise table. */
    private static final int RUNGS_SHIPPED = 80;

    @Test
    void the_search_narrows_the_rungs_as_one_types(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/catalogue");
        assertThat(page.locator(".tile").count()).isGreaterThanOrEqualTo(RUNGS_SHIPPED);
        assertThat(page.locator(".tile svg").first())
                .hasAttribute("aria-label", Pattern.compile("Resting breath.*hip"));
        page.locator("#search").pressSequentially("side support");
        assertThat(page.locator(".tile:visible .tile-text strong"))
                .hasText(new String[] {"SS1", "SS2", "SS3", "SS4", "SS5"});
        page.locator("#search").fill("loads the wrists");
        assertThat(page.locator(".tile:visible:has-text('HK4')")).hasCount(1);
        assertThat(page.locator(".tile:visible:has-text('BR1')")).hasCount(0);
        page.locator("#search").fill("forearms spares wrists");
        assertThat(page.locator(".tile:visible").first()).isVisible();
        page.locator("#search").fill("straw");
        assertThat(page.locator(".tile:visible .tile-text strong").first()).hasText(Pattern.compile("BR\\d"));
        page.locator("#search").pressSequentially(" zebra");
        visitor.see("No exercise contains all of these words.");
        page.locator("#search").fill("");
        visitor.checkAccessible();
    }

    @Test
    void the_dial_follows_slider_typed_degrees_and_a_dragged_limb(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/catalogue/F7?massKg=70&heightCm=170");
        Locator numbers = page.locator(".big-number");
        Locator figure = page.locator(".dial-figure svg");
        assertThat(page.locator("#angle")).hasValue("18");
        // the leg at 18° and a knee of 5°: 0.021·170 + 41.65·sin 18° + 41.82·sin 13° = 25.8 cm
        assertThat(numbers.nth(0)).hasText("26 cm");
        String far = numbers.nth(1).textContent();
        page.locator("#angle").fill("60");
        page.locator("#angle").press("Tab");
        assertThat(page.locator("#angle")).hasValue(Pattern.compile("59|60|61"));
        assertThat(Double.parseDouble(numbers.nth(1).textContent()))
                .as("higher is lighter")
                .isLessThan(Double.parseDouble(far));
        page.locator(".form-range").focus();
        page.keyboard().press("Home");
        assertThat(page.locator("strong", new Page.LocatorOptions().setHasText("range 0 %")))
                .isVisible();
        figure.evaluate("e => e.scrollIntoView({block: 'center', behavior: 'instant'})");
        BoundingBox box = figure.boundingBox();
        page.mouse().move(box.x + box.width * 0.6, box.y + box.height * 0.4);
        page.mouse().down();
        page.mouse().move(box.x + box.width * 0.95, box.y + box.height * 0.75);
        page.mouse().up();
        assertThat(page.locator("strong", new Page.LocatorOptions().setHasText("range 0 %")))
                .isHidden();
        visitor.checkAccessible();
    }

    @Test
    void an_impossible_body_is_refused_at_the_field_and_stays_typed(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/catalogue/F7");
        page.locator("[name=massKg]").fill("700");
        page.click("text=Calculate");
        visitor.see("Body mass from 25 to 250 kg.");
        assertThat(page.locator("[name=massKg]")).hasValue("700");
    }

    @Test
    void a_client_sees_her_gates_and_what_stands_in_for_a_closed_position(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/?q=Wren");
        String wren = page.locator("text=Wren Abara").getAttribute("href");
        String id = wren.substring(wren.lastIndexOf('/') + 1);
        visitor.open("/catalogue/BK6?client=" + id);
        visitor.see("BK1 Seated round-and-lift");
        visitor.open("/catalogue/F3?client=" + id);
        visitor.see("the same, head and trunk raised on a wedge");
        visitor.open("/catalogue?client=" + id);
        assertThat(page.locator(".tile .tag").first()).isVisible();
    }

    @Test
    void a_practitioner_makes_a_rung_of_her_own_and_a_broken_one_is_explained(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/own");
        assertThat(page.locator(".pose-editor .grip")).not().hasCount(0);
        page.locator("[name=posture]").selectOption("TABLETOP");
        assertThat(page.locator("[name=workingHip]")).hasValue("90");
        String before =
                page.locator("text=Load index of the pose").locator("strong").textContent();
        page.locator("[name=workingHip]").fill("60");
        page.locator("[name=workingHip]").press("Tab");
        assertThat(page.locator("text=Load index of the pose").locator("strong"))
                .not()
                .hasText(before);
        page.locator("[name=workingHip]").fill("170");
        page.locator("[name=workingHip]").press("Tab");
        visitor.see("hip was 170.0 deg, from -40 to 140 deg");
        page.locator("[name=workingHip]").fill("60");
        page.locator("[name=code]").fill("OW1");
        page.locator("[name=branchOf]").selectOption("F6");
        page.locator("[name=name]").fill("Tabletop, one shin lowered");
        page.locator("[name=howTo]").fill("From tabletop one shin sinks a hand's breadth and comes back.");
        page.locator("[name=caution]").fill("The belly stays flat.");
        page.locator("[name=repsMax]").fill("2");
        page.click("text=Check and add it");
        visitor.see("'reps' needs two numbers, the smaller first");
        assertThat(page.locator("[name=name]")).hasValue("Tabletop, one shin lowered");
        page.locator("[name=repsMax]").fill("10");
        page.click("text=Check and add it");
        page.waitForURL("**/catalogue/OW1");
        visitor.see("Tabletop, one shin lowered");
        visitor.checkAccessible();
        page.reload();
        visitor.open("/catalogue");
        page.locator("#search").fill("one shin");
        assertThat(page.locator(".tile:visible")).hasCount(1);
    }
}
