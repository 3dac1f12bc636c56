package fernstep.app.figure;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.core.approach.Approach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Skin and hair of the figures that a client sees: chosen once, neutral until then. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class LookTest {
    private static final int MINUTES = 15;

    private final Running app;
    private final Looks looks;

    LookTest(Running app, Looks looks) {
        this.app = app;
        this.looks = looks;
    }

    private static String fill(Page page, String of) {
        return (String) page.evaluate("of => getComputedStyle(document.querySelector(of)).fill", of);
    }

    @Test
    void what_was_chosen_is_how_she_is_drawn_and_can_be_taken_back(Visitor visitor) {
        long client = Someone.plain(app.context(), "Junia Fenwick", Approach.SLOW_LADDER, MINUTES);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/edit");
        page.locator("a:has-text('How she is drawn')").click();
        visitor.see("How Junia Fenwick is drawn");
        String neutral = fill(page, ".figure .f-face");
        page.locator("label[for=TONE_5]").click();
        page.locator("label[for=GREY]").click();
        page.locator("button:has-text('Draw her like this')").click();
        assertThat(page.locator("#TONE_5")).isChecked();
        // #805036 and #a9a7a3
        assertThat(fill(page, ".figure .f-face")).isEqualTo("rgb(128, 80, 54)").isNotEqualTo(neutral);
        assertThat(fill(page, ".figure .f-hair")).isEqualTo("rgb(169, 167, 163)");
        assertThat(looks.classesOf(client)).isEqualTo("skin-TONE_5 hair-GREY");
        visitor.checkAccessible();
        page.locator("button:has-text('Back to neutral')").click();
        assertThat(page.locator("#TONE_5")).not().isChecked();
        assertThat(fill(page, ".figure .f-face")).isEqualTo(neutral);
        assertThat(looks.classesOf(client)).isEmpty();
    }
}
