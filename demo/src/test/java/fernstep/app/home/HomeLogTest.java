package fernstep.app.home;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.run.Runner;
import fernstep.core.approach.Approach;
import fernstep.core.progress.SessionResult;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What she tells of her sessions at home, entered in few presses. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class HomeLogTest {
    private static final int IMOGEN = 1;

    private final Running app;
    private final Visits visits;
    private final Runner runner;
    private final Results results;

    HomeLogTest(Running app, Visits visits, Runner runner, Results results) {
        this.app = app;
        this.visits = visits;
        this.runner = runner;
        this.results = results;
    }

    @Test
    void all_as_planned_is_one_press_on_the_day_of_her_last_session_and_exceptions_come_after(Visitor visitor) {
        long client = Someone.firm(app.context(), "Log Person", Approach.SLOW_LADDER, 20);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        int places = results.steps(client).size();
        Page page = visitor.onAPhone("imogen");
        page.navigate(app.baseUrl() + "/clients/" + client + "/home-log");
        LocalDate day = LocalDate.parse(page.inputValue("#day"));
        assertThat(day).isBefore(LocalDate.now()).isAfter(LocalDate.now().minusDays(8));
        page.click("text=All done as planned");
        visitor.see("Saved");
        List<ResultRow> kept = results.since(client, day);
        assertThat(kept).hasSize(places).allSatisfy(row -> {
            assertThat(row.heldOn()).isEqualTo(day);
            assertThat(row.result()).isEqualTo(SessionResult.Kind.CLEAN);
        });
        assertThat(page.locator("input[type=radio][value=DONE]:checked")).hasCount(places);
        page.locator("label:text-is('stopped')").first().click();
        page.click("text=Save this session");
        visitor.see("Saved");
        assertThat(results.since(client, day))
                .filteredOn(row -> row.result() != SessionResult.Kind.CLEAN)
                .hasSize(1);
        visitor.checkAccessible();
    }
}
