package fernstep.app.support;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith({AppExtension.class, BrowserExtension.class})
class PageLinksTest {
    @Test
    void what_is_shipped_carries_the_digest_of_its_content_and_pages_do_not(Visitor visitor) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/");
        assertThat(page.locator("link[rel=stylesheet][href*='/fern']").getAttribute("href"))
                .matches("/fern-[0-9a-f]{32}\\.css");
        assertThat(page.locator("script[src*='/board']").getAttribute("src")).matches("/board-[0-9a-f]{32}\\.js");
        assertThat(page.locator(".board .name a").first().getAttribute("href")).matches("/clients/[0-9]+");
        assertThat(page.locator("a:text('Catalogue')").first().getAttribute("href"))
                .isEqualTo("/catalogue");
    }
}
