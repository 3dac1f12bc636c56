package fernstep.app.security;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.JdbcTemplate;

/** A sign-in that is touched now and then, and ends at once. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class SignInStoreTest {
    private final JdbcTemplate sql;

    SignInStoreTest(JdbcTemplate sql) {
        this.sql = sql;
    }

    private static String signIn(Visitor visitor) {
        return visitor.context().cookies().stream()
                .filter(cookie -> cookie.name.equals("FERN"))
                .map(cookie -> new String(Base64.getDecoder().decode(cookie.value), StandardCharsets.UTF_8))
                .findFirst()
                .orElseThrow();
    }

    private long touched(String signIn) {
        Long at = sql.queryForObject(
                "SELECT LAST_ACCESS_TIME FROM SPRING_SESSION WHERE SESSION_ID = ?", Long.class, signIn);
        return at == null ? 0 : at;
    }

    private long leftAlone(String signIn, int minutes) {
        long then = Instant.now().minus(minutes, ChronoUnit.MINUTES).toEpochMilli();
        sql.update("UPDATE SPRING_SESSION SET LAST_ACCESS_TIME = ? WHERE SESSION_ID = ?", then, signIn);
        return then;
    }

    @Test
    void it_is_touched_once_a_minute_and_not_at_every_request(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        // the tablet asks for news by itself: it leaves the board first
        visitor.open("/catalogue/F3");
        String signIn = signIn(visitor);
        long before = leftAlone(signIn, 5);
        page.reload();
        long now = touched(signIn);
        assertThat(now).isGreaterThan(before + 4 * 60_000);
        page.reload();
        assertThat(touched(signIn)).isEqualTo(now);
    }

    @Test
    void one_that_was_ended_elsewhere_lets_nobody_in_with_the_very_next_request(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/F3");
        sql.update("DELETE FROM SPRING_SESSION WHERE SESSION_ID = ?", signIn(visitor));
        page.reload();
        assertThat(page.url()).endsWith("/sign-in");
    }

    @Test
    void who_left_the_tablet_lying_for_an_hour_is_signed_out(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/F3");
        leftAlone(signIn(visitor), 60);
        page.reload();
        assertThat(page.url()).endsWith("/sign-in");
    }

    private static void asks(Page page, String path, String by) {
        page.evaluate(
                "([path, by]) => fetch(path, { headers: { 'X-Requested-With': by } }).then((answer) => answer.text())",
                List.of(path, by));
    }

    @Test
    void what_a_page_asks_by_itself_keeps_no_sign_in_alive(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/F3");
        String signIn = signIn(visitor);
        long before = leftAlone(signIn, 5);
        asks(page, "/board/rows?q=", "poll");
        page.evaluate("() => fetch('/board/changes', { headers: { Accept: 'text/event-stream' } })"
                + ".then((answer) => answer.body.cancel())");
        assertThat(touched(signIn)).isEqualTo(before);
        asks(page, "/board/rows?q=", "fetch");
        assertThat(touched(signIn)).isGreaterThan(before);
    }

    @Test
    void a_page_that_is_read_for_long_says_that_somebody_is_there(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/F3");
        page.clock().install();
        page.reload();
        String signIn = signIn(visitor);
        long before = leftAlone(signIn, 6);
        // more than a ninth of the forty-five minutes later she taps on the page
        page.clock().fastForward(6 * 60_000L);
        page.waitForResponse(
                answer -> answer.url().endsWith("/still-here"),
                () -> page.locator("main").click());
        assertThat(touched(signIn)).isGreaterThan(before);
    }

    @Test
    void however_busy_it_ends_after_twelve_hours(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/F3");
        String signIn = signIn(visitor);
        begun(signIn, 11);
        page.reload();
        assertThat(page.url()).endsWith("/catalogue/F3");
        begun(signIn, 13);
        page.reload();
        assertThat(page.url()).endsWith("/sign-in");
    }

    private void begun(String signIn, int hoursAgo) {
        sql.update(
                "UPDATE SPRING_SESSION SET CREATION_TIME = ? WHERE SESSION_ID = ?",
                Instant.now().minus(hoursAgo, ChronoUnit.HOURS).toEpochMilli(),
                signIn);
    }

    @Test
    void the_page_signs_out_when_the_server_does(Visitor visitor, Environment settings) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/F3");
        Duration server = settings.getRequiredProperty("spring.session.timeout", Duration.class);
        assertThat(page.locator("meta[name=left-alone-s]").getAttribute("content"))
                .isEqualTo(String.valueOf(server.toSeconds()));
    }

    @Test
    void a_stream_ends_with_the_sign_in_that_opened_it(Visitor visitor) {
        Page page = visitor.onATablet("ilse");
        visitor.open("/catalogue/F3");
        page.evaluate("""
                () => {
                  window.streamEnded = false;
                  fetch('/board/changes', { headers: { Accept: 'text/event-stream' } }).then(async (answer) => {
                    const reader = answer.body.getReader();
                    while (!(await reader.read()).done) { window.streamBegan = true; }
                    window.streamEnded = true;
                  });
                }""");
        page.waitForFunction("() => window.streamBegan");
        sql.update("DELETE FROM SPRING_SESSION WHERE SESSION_ID = ?", signIn(visitor));
        page.waitForFunction("() => window.streamEnded");
    }
}
