package fernstep.app.security;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.core.client.Licence;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.access.AccessDeniedException;

/** Nobody makes herself a therapist, and no administrator makes another alone. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("there are more administrators than elsewhere")
class RightsTest {
    private static final String IMOGEN = "imogen";

    private final Rights rights;
    private final StaffMapper staff;
    private final JdbcTemplate sql;

    RightsTest(Rights rights, StaffMapper staff, JdbcTemplate sql) {
        this.rights = rights;
        this.staff = staff;
        this.sql = sql;
    }

    private Staff made(Licence licence, boolean lead) {
        String name = "of-rights-" + UUID.randomUUID().toString().substring(0, 8);
        staff.insert(Staff.fresh(name, "Of Rights", "", licence, lead));
        return staff.byUsername(name).orElseThrow();
    }

    private SignedIn signedIn(String username) {
        return new SignedIn(staff.byUsername(username).orElseThrow());
    }

    private Staff now(Staff who) {
        return staff.byUsername(who.username()).orElseThrow();
    }

    private long asked(Staff who) {
        List<Long> open = sql.queryForList(
                "SELECT id FROM rights_asked WHERE staff_id = ? AND ended_at IS NULL", Long.class, who.id());
        assertThat(open).hasSize(1);
        return open.get(0);
    }

    @AfterEach
    void only_imogen_leads() {
        sql.update("UPDATE staff SET disabled_at = NOW() WHERE username LIKE 'of-rights-%'");
        sql.update("UPDATE rights_asked SET ended_at = NOW() WHERE ended_at IS NULL");
    }

    @Test
    void a_licence_is_given_by_two() {
        Staff lead = made(Licence.COACH, true);
        assertThat(rights.change(lead, Licence.THERAPIST, true, signedIn(lead.username())))
                .isEqualTo(Rights.Became.WAITS_FOR_ANOTHER);
        assertThat(now(lead).licence()).isEqualTo(Licence.COACH);
        assertThatThrownBy(() -> rights.agree(asked(lead), signedIn(lead.username())))
                .isInstanceOf(AccessDeniedException.class);
        sql.update("UPDATE rights_asked SET asked_at = NOW() - INTERVAL 3 DAY WHERE staff_id = ?", lead.id());
        rights.giveWhatWaitedADay();
        assertThat(now(lead).licence())
                .as("time gives nothing where another could decide")
                .isEqualTo(Licence.COACH);
        rights.agree(asked(lead), signedIn(IMOGEN));
        assertThat(now(lead).licence()).isEqualTo(Licence.THERAPIST);
    }

    @Test
    void where_there_is_one_administrator_a_day_is_the_second_look() {
        Staff coach = made(Licence.COACH, false);
        assertThat(rights.change(coach, Licence.THERAPIST, false, signedIn(IMOGEN)))
                .isEqualTo(Rights.Became.WAITS_A_DAY);
        sql.update("UPDATE rights_asked SET asked_at = NOW() - INTERVAL 23 HOUR WHERE staff_id = ?", coach.id());
        rights.giveWhatWaitedADay();
        assertThat(now(coach).licence()).isEqualTo(Licence.COACH);
        sql.update("UPDATE rights_asked SET asked_at = NOW() - INTERVAL 25 HOUR WHERE staff_id = ?", coach.id());
        rights.giveWhatWaitedADay();
        assertThat(now(coach).licence()).isEqualTo(Licence.THERAPIST);
    }

    @Test
    void rights_are_taken_away_at_once_but_never_the_last_administrator() {
        Staff therapist = made(Licence.THERAPIST, false);
        assertThat(rights.change(therapist, Licence.COACH, false, signedIn(IMOGEN)))
                .isEqualTo(Rights.Became.DONE);
        assertThat(now(therapist).licence()).isEqualTo(Licence.COACH);
        assertThat(rights.change(staff.byUsername(IMOGEN).orElseThrow(), Licence.THERAPIST, false, signedIn(IMOGEN)))
                .isEqualTo(Rights.Became.LAST_LEAD);
    }

    @Test
    void the_page_says_who_asked_and_lets_it_be_withdrawn(Visitor visitor) {
        Staff coach = made(Licence.COACH, false);
        Page page = visitor.onATablet(IMOGEN);
        visitor.open("/house/people");
        String row = "tr[data-account='" + coach.username() + "'] ";
        page.locator(row + "[name=licence]").selectOption("THERAPIST");
        page.click(row + "form[action$='/role'] button");
        assertThat(page.locator("main > [role=status]")).containsText("takes effect in 24 hours");
        assertThat(page.locator(row + ".note-warn")).containsText("Asked for by Imogen Vale");
        assertThat(page.locator(row + "form[action$='/agree']")).hasCount(0);
        visitor.checkAccessible();
        page.click(row + "form[action$='/withdraw'] button");
        assertThat(page.locator(row + ".note-warn")).hasCount(0);
        assertThat(now(coach).licence()).isEqualTo(Licence.COACH);
    }
}
