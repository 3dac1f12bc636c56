package fernstep.app.examiners;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.core.separation.Method;
import java.util.Objects;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith({AppExtension.class, BrowserExtension.class})
class PairsBetweenVisitsTest {
    private final Running app;

    PairsBetweenVisitsTest(Running app) {
        this.app = app;
    }

    private void keep(Repeat repeat, int howMany, double differenceMm) {
        Examiners examiners = app.context().getBean(Examiners.class);
        long ilse = examiners.all().stream()
                .filter(account -> account.username().equals("ilse"))
                .mapToLong(account -> Objects.requireNonNull(account.id()))
                .findFirst()
                .orElseThrow();
        for (int pair = 0; pair < howMany; pair++) {
            double second = 24 + (pair % 2 == 0 ? differenceMm : -differenceMm);
            examiners.keep(new PairRow(
                    UUID.randomUUID().toString(), ilse, false, repeat, Method.ULTRASOUND, 24, second, null));
        }
    }

    /** Ten of ±2 mm on one visit, five of ±4 on two and one more typed: 2.2222 of 9.6 mm² are left to each reading. */
    @Test
    void ten_pairs_of_one_visit_and_six_of_two_say_what_her_visits_share(Visitor visitor) {
        keep(Repeat.WITHIN_VISIT, 10, 2);
        keep(Repeat.BETWEEN_VISITS, 5, 4);
        Page page = visitor.onATablet("ilse");
        visitor.open("/examiner");
        page.selectOption("#method", "ULTRASOUND");
        page.selectOption("#taken", "BETWEEN_VISITS");
        page.fill("#first", "24");
        page.fill("#second", "20");
        page.click("text=Save the pair");

        Locator mine = page.locator("tr:has-text('you'):has-text('Ultrasound')");
        assertThat(mine.locator("td"))
                .containsText(new String[] {"you", "Ultrasound", "10", "6", "3.1 mm", "77 %", "8.6 mm"});
        visitor.checkAccessible();
    }
}
