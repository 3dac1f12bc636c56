package fernstep.app.security;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.core.approach.Approach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith({AppExtension.class, BrowserExtension.class})
class MyLanguageTest {
    private final Running app;

    MyLanguageTest(Running app) {
        this.app = app;
    }

    @Test
    void who_chooses_spanish_reads_it_until_she_chooses_again(Visitor visitor) {
        Someone.firm(app.context(), "Language Chooser", Approach.SLOW_LADDER, 20);
        Page page = visitor.onATablet("imogen");
        visitor.open("/me");
        page.selectOption("#language-choice", "es");
        page.click("#language button");
        assertThat(page.locator("h1")).hasText("Mi cuenta");
        assertThat(page.locator("#language")).containsText("aún no ha revisado el español");
        visitor.startVisit("Language Chooser");
        assertThat(page.locator("h1")).hasText("¿Puede entrenar hoy?");
        visitor.checkAccessible();

        visitor.open("/catalogue/F2");
        assertThat(page.locator("h1")).containsText("Levantar una rodilla doblada");

        visitor.open("/me");
        page.selectOption("#language-choice", "");
        page.click("#language button");
        assertThat(page.locator("h1")).hasText("My account");
    }
}
