package fernstep.app.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.plan.Plan;
import fernstep.core.plan.Training;
import fernstep.core.plan.Wishes;
import fernstep.core.schedule.SessionCalendar;
import fernstep.core.screening.Screening;
import fernstep.exchange.calendar.CalendarFile;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.wording.Wording;
import java.io.StringReader;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.Temporal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;

/** The calendar file read back by another program's reader. */
class CalendarFileTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    /** A Monday; summer time ends on 26 October. */
    private static final LocalDate FROM = LocalDate.of(2031, 10, 13);

    private static final Wording WORDS = Wording.english();

    private static SessionCalendar calendar(Approach approach, Set<DayOfWeek> blocked) {
        List<Clearance> clearances = List.of(
                new Clearance(Clearance.Scope.EXERCISE, FROM.minusDays(10), "MIDWIFE", null, FROM.plusDays(16), null));
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(FROM.minusDays(50), BirthMode.CAESAREAN, 0)),
                List.of(),
                clearances,
                168.0,
                71.0,
                33,
                Set.of());
        Screening screening = Screening.of(Screening.Question.of(facts, List.of(), approach.stances(), FROM)
                .withLastCheck(FROM.minusDays(30)));
        Plan plan = Plan.of(new Plan.Question(
                CataloguePackage.shipped(),
                new Plan.Her(screening, false, Findings.NONE, Body.of(71.0, 168.0)),
                Training.none(FROM),
                Wishes.of(approach.stances(), 20)));
        return SessionCalendar.of(plan, blocked, screening, clearances, FROM, FROM.plusDays(20));
    }

    private static Calendar read(String text) throws Exception {
        return new CalendarBuilder().build(new StringReader(text));
    }

    private static List<VEvent> events(Calendar calendar) {
        return calendar.<VEvent>getComponents(Component.VEVENT);
    }

    private static boolean session(VEvent vevent) {
        return vevent.getSummary().getValue().startsWith("Fern Step");
    }

    private static ZonedDateTime start(VEvent vevent) {
        Temporal at = vevent.getDateTimeStart().getDate();
        return at instanceof ZonedDateTime zoned
                ? zoned.withZoneSameInstant(ZONE)
                : Instant.from(at).atZone(ZONE);
    }

    @Test
    void sessions_stand_at_nine_by_her_clock_before_and_after_the_clocks_change() throws Exception {
        Calendar ical = read(new CalendarFile(WORDS).write(7, calendar(Approach.SLOW_LADDER, Set.of()), ZONE));
        assertThat(ical.getComponents(Component.VTIMEZONE)).hasSize(1);
        List<VEvent> sessions =
                events(ical).stream().filter(CalendarFileTest::session).toList();
        // three weeks of five days
        assertThat(sessions).hasSize(15);
        assertThat(sessions)
                .allSatisfy(vevent -> assertThat(start(vevent).toLocalTime()).isEqualTo(LocalTime.of(9, 0)));
        assertThat(sessions)
                .extracting(vevent -> start(vevent).getOffset().getTotalSeconds())
                .contains(3600, 0);
    }

    @Test
    void no_session_on_a_blocked_day_and_three_a_day_where_the_dose_says_so() throws Exception {
        Set<DayOfWeek> blocked = Set.of(DayOfWeek.SUNDAY, DayOfWeek.WEDNESDAY);
        Calendar ical = read(new CalendarFile(WORDS).write(7, calendar(Approach.QUIET_START, blocked), ZONE));
        List<VEvent> sessions =
                events(ical).stream().filter(CalendarFileTest::session).toList();
        assertThat(sessions).hasSize(3 * 5 * 3);
        assertThat(sessions).noneMatch(vevent -> blocked.contains(start(vevent).getDayOfWeek()));
        assertThat(sessions)
                .extracting(vevent -> start(vevent).toLocalTime())
                .contains(LocalTime.of(9, 0), LocalTime.of(13, 0), LocalTime.of(18, 0));
    }

    @Test
    void gates_rechecks_and_ending_clearances_are_whole_days() throws Exception {
        Calendar ical = read(new CalendarFile(WORDS).write(7, calendar(Approach.SLOW_LADDER, Set.of()), ZONE));
        assertThat(events(ical).stream()
                        .filter(vevent -> !session(vevent))
                        .map(vevent -> vevent.getSummary().getValue() + " "
                                + vevent.getDateTimeStart().getValue()))
                .contains(
                        "Separation re-check due 20311025",
                        "Clearance for exercise ends 20311029",
                        "Opens: First loaded exercises 20311019");
    }

    @Test
    void the_same_day_keeps_its_id_so_that_a_new_file_replaces() throws Exception {
        CalendarFile file = new CalendarFile(WORDS);
        Calendar first = read(file.write(7, calendar(Approach.SLOW_LADDER, Set.of()), ZONE));
        Calendar again = read(file.write(7, calendar(Approach.SLOW_LADDER, Set.of()), ZONE));
        List<String> ids = events(first).stream()
                .map(vevent -> vevent.getUid().orElseThrow().getValue())
                .toList();
        assertThat(new HashSet<>(ids)).hasSameSizeAs(ids);
        assertThat(events(again).stream()
                        .map(vevent -> vevent.getUid().orElseThrow().getValue()))
                .containsExactlyElementsOf(ids);
    }
}
