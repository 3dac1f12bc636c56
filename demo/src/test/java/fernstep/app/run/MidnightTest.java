package fernstep.app.run;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.MovableClock;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.app.standing.Standings;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Permission;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.time.Duration;
import java.time.LocalTime;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;

/** The day ends while somebody trains: what stops her stays, and what was begun does not go on. */
@Isolated
@ExtendWith({AppExtension.class, BrowserExtension.class})
class MidnightTest extends AtTheMat {
    private final MovableClock clock;

    MidnightTest(Runner runner, Visits visits, Running app) {
        super(runner, visits, app);
        clock = app.context().getBean(MovableClock.class);
    }

    @Override
    @BeforeEach
    void a_session_of_her_own() {
        clock.putOnTo(LocalTime.of(23, 58));
        super.a_session_of_her_own();
    }

    @AfterEach
    void the_clock_is_right_again() {
        clock.rightAgain();
    }

    private Runner.Held told(Report report) {
        return runner.take(session, report, IMOGEN);
    }

    @Test
    void a_session_begun_before_midnight_takes_nothing_after_it_and_its_page_is_its_record(Visitor visitor) {
        assertThat(told(Report.of(UUID.randomUUID().toString(), Kind.REP))
                        .session()
                        .exercises()
                        .get(0)
                        .repsDone())
                .isEqualTo(1);
        clock.putOnBy(Duration.ofMinutes(5));
        assertThatThrownBy(() -> told(Report.of(UUID.randomUUID().toString(), Kind.REP)))
                .isInstanceOfSatisfying(
                        Refused.class, refused -> assertThat(refused.code()).isEqualTo(Refused.Code.EARLIER_DAY));
        assertThat(first().repsDone()).isEqualTo(1);
        Page page = visitor.onATablet("imogen");
        visitor.open("/sessions/" + session);
        assertThat(page.locator(".runner")).hasCount(0);
    }

    @Test
    void an_emergency_told_before_midnight_holds_her_the_day_after(Visitor visitor) {
        told(Report.sign(UUID.randomUUID().toString(), Answer.CHEST_PAIN.name()));
        clock.putOnBy(Duration.ofMinutes(5));
        long client = runner.session(session).clientId();
        assertThat(app.context().getBean(Standings.class).of(client).mayTrain()).isEqualTo(Permission.NOTHING);
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        page.click("form[action$='/visit'] button");
        assertThat(page.locator("[data-outcome=REFER_NOW]")).isVisible();
    }
}
