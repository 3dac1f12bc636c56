package fernstep.app.messages;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.Someone;
import fernstep.app.ask.Visits;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.app.plan.Plans;
import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Concern;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.jdbc.core.JdbcTemplate;

/** Whom to remind, and when not to. */
@ExtendWith(AppExtension.class)
@Isolated("sends what is due for everyone")
class RemindersTest {
    private static final long IMOGEN = 1;
    /** A plan of five days a week trains on Mondays. */
    private final LocalDate monday =
            LocalDate.now().with(TemporalAdjusters.nextOrSame(DayOfWeek.MONDAY)).plusWeeks(1);

    private final Running app;
    private final Reminders reminders;
    private final Contacts contacts;
    private final Visits visits;
    private final Plans plans;
    private final Standings standings;
    private final JdbcTemplate sql;
    private long client;
    private Contact contact;

    RemindersTest(
            Running app,
            Reminders reminders,
            Contacts contacts,
            Visits visits,
            Plans plans,
            Standings standings,
            JdbcTemplate sql) {
        this.app = app;
        this.reminders = reminders;
        this.contacts = contacts;
        this.visits = visits;
        this.plans = plans;
        this.standings = standings;
        this.sql = sql;
    }

    @BeforeEach
    void somebody_in_training() {
        client = Someone.firm(app.context(), "Reminded Person", Approach.SLOW_LADDER, 14);
        contact = new Contact(client, "en", Contact.Units.METRIC, "reminded" + client + "@mail.example", false);
        contacts.put(contact);
    }

    private void begin() {
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        plans.settle(visits.byId(visit), plans.plan(visits.byId(visit)), IMOGEN);
    }

    private void trained(LocalDate day) {
        String session = UUID.randomUUID().toString();
        sql.update(
                "INSERT INTO training_session (id, client_id, held_on, staff_id, at_home) VALUES (?, ?, ?, 1, TRUE)",
                session,
                client,
                day);
        sql.update(
                "INSERT INTO session_result (session_id, rung, side, client_id, held_on, result, range_fraction)"
                        + " VALUES (?, 'F1', 'LEFT', ?, ?, 'CLEAN', 1)",
                session,
                client,
                day);
    }

    private List<String> kinds() {
        return sql.queryForList("SELECT kind FROM outbox WHERE client_id = ? ORDER BY id", String.class, client);
    }

    @Test
    void a_reminder_goes_once_on_a_training_day_in_the_afternoon_while_nothing_was_told() {
        begin();
        trained(monday.minusDays(1));
        reminders.remind(contact, monday.atTime(15, 59));
        assertThat(kinds()).isEmpty();
        reminders.remind(contact, monday.atTime(16, 0));
        reminders.remind(contact, monday.atTime(17, 0));
        assertThat(kinds()).containsExactly("REMINDER");
        LocalDate next = monday.plusDays(1);
        trained(next);
        reminders.remind(contact, next.atTime(18, 0));
        assertThat(kinds()).containsExactly("REMINDER");
    }

    @Test
    void nobody_is_reminded_of_a_plan_not_begun_or_while_something_from_home_waits() {
        reminders.remind(contact, monday.atTime(18, 0));
        begin();
        standings.report(
                client,
                Concern.of(Answer.HEAVINESS),
                Heard.fromHome(LocalDateTime.now().withNano(0)));
        reminders.remind(contact, monday.atTime(18, 0));
        assertThat(kinds()).isEmpty();
    }

    @Test
    void who_missed_two_planned_days_is_written_to_once_a_week() {
        begin();
        trained(monday.minusDays(10));
        LocalDate wednesday = monday.plusDays(2);
        reminders.remind(contact, wednesday.atTime(10, 0));
        reminders.remind(contact, wednesday.plusDays(1).atTime(10, 0));
        assertThat(kinds()).containsExactly("MISSED");
        reminders.remind(contact, wednesday.plusWeeks(1).atTime(10, 0));
        assertThat(kinds()).containsExactly("MISSED", "MISSED");
    }
}
