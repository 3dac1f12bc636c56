package fernstep.app.security;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
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
                .filter(c -> c.name.equals("FERN"))
                .map(c -> new String(Base64.getDecoder().decode(c.value), StandardCharsets.UTF_8))
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
}
