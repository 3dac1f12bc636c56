package fernstep.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Training;
import fernstep.core.plan.Wishes;
import fernstep.core.plan.Woman;
import fernstep.core.schedule.SessionCalendar.Kind;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class SessionCalendarTest {
    /** A Monday, seven weeks and a day after the caesarean: loaded work waits for the eighth week. */
    private static final LocalDate MONDAY = LocalDate.of(2031, 6, 2);

    private static final LocalDate BIRTH = MONDAY.minusDays(50);
    private static final List<Clearance> CLEARED = List.of(
            new Clearance(Clearance.Scope.EXERCISE, MONDAY.minusDays(3), "MIDWIFE", null, MONDAY.plusDays(9), null));

    private static Screening screening() {
        ClientFacts facts = new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(BIRTH, BirthMode.CAESAREAN, 0)),
                List.of(),
                CLEARED,
                168.0,
                71.0,
                33,
                Set.of());
        return Screening.of(Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), MONDAY)
                .withLastCheck(MONDAY.minusDays(38)));
    }

    private static Plan plan() {
        return Plan.of(new Plan.Question(
                ShippedCatalogue.CATALOGUE,
                new Plan.Her(screening(), false, Findings.NONE, Body.of(71.0, 168.0)),
                Training.none(MONDAY),
                Wishes.of(Approach.SLOW_LADDER.stances(), 20)));
    }

    private static SessionCalendar calendar(Set<DayOfWeek> blocked) {
        return SessionCalendar.of(plan(), blocked, screening(), CLEARED, MONDAY, MONDAY.plusDays(13));
    }

    @Test
    void five_days_a_week_with_two_rest_days_and_none_on_a_blocked_day() {
        SessionCalendar calendar = calendar(Set.of(DayOfWeek.SUNDAY));
        assertThat(calendar.days()).hasSize(14);
        assertThat(calendar.days().subList(0, 7))
                .extracting(day -> day.kind())
                .containsExactly(
                        Kind.SESSION, Kind.SESSION, Kind.SESSION, Kind.REST, Kind.SESSION, Kind.SESSION, Kind.BLOCKED);
    }

    @Test
    void a_session_takes_what_its_items_take() {
        SessionCalendar calendar = calendar(Set.of());
        Plan plan = plan();
        assertThat(calendar.days().get(0).items())
                .extracting(PlanItem::rung)
                .isEqualTo(plan.items().stream().map(PlanItem::rung).toList());
        assertThat(calendar.days().get(0).seconds()).isEqualTo(plan.secondsTotal());
    }

    @Test
    void the_gate_the_recheck_and_the_end_of_a_clearance_stand_on_their_days() {
        List<SessionCalendar.Day> days = calendar(Set.of()).days();
        LocalDate eighthWeek = BIRTH.plusDays(56);
        assertThat(days.stream()
                        .filter(day -> day.marks().stream().anyMatch(mark -> mark.gate() == GateCode.FIRST_LOADED))
                        .map(SessionCalendar.Day::date))
                .containsExactly(eighthWeek);
        assertThat(days.stream()
                        .filter(day -> day.marks().stream()
                                .anyMatch(mark -> mark.what() == SessionCalendar.Mark.What.CLEARANCE_ENDS))
                        .map(SessionCalendar.Day::date))
                .containsExactly(MONDAY.plusDays(9));
        assertThat(days.stream()
                        .filter(day ->
                                day.marks().stream().anyMatch(mark -> mark.what() == SessionCalendar.Mark.What.RECHECK))
                        .map(SessionCalendar.Day::date))
                .containsExactly(MONDAY.plusDays(4));
    }

    private static SessionCalendar ofThreeDays(int weeks) {
        Woman she = Woman.never_pregnant()
                .strong()
                .minutes(8)
                .trained("F3", 2)
                .trained("HK4", 3)
                .trained("SS1", 4)
                .trained("BG1", 5)
                .trained("RO1", 6)
                .by(Approach.GRADED_LOAD)
                .days(3);
        Plan twoSessions = she.plan();
        assertThat(twoSessions.days()).extracting(Plan.Day::name).containsExactly("A", "B");
        return SessionCalendar.of(
                twoSessions,
                Set.of(),
                she.screening(),
                List.of(),
                MONDAY,
                MONDAY.plusWeeks(weeks).minusDays(1));
    }

    @Test
    void a_and_b_go_on_in_turn_over_the_weeks() {
        List<SessionCalendar.Day> days = ofThreeDays(4).days().stream()
                .filter(day -> day.kind() == Kind.SESSION)
                .toList();
        assertThat(days)
                .extracting(day -> day.date().getDayOfWeek())
                .startsWith(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY, DayOfWeek.MONDAY);
        assertThat(days).hasSize(12);
        for (int i = 1; i < days.size(); i++) {
            assertThat(days.get(i).session())
                    .as("never the same twice running: " + days.get(i).date())
                    .isNotEqualTo(days.get(i - 1).session());
        }
        assertThat(days.get(0).items()).isNotEqualTo(days.get(1).items());
        assertThat(days.get(0).exercises())
                .isPositive()
                .isLessThanOrEqualTo(days.get(0).items().size());
    }

    @Test
    void turns_are_counted_from_one_monday_on_for_ever() {
        Set<DayOfWeek> three = Set.of(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY);
        LocalDate first = LocalDate.of(2000, 1, 3);
        assertThat(SessionCalendar.turn(first, three)).isZero();
        assertThat(SessionCalendar.turn(first.plusDays(2), three)).isEqualTo(1);
        assertThat(SessionCalendar.turn(first.plusDays(4), three)).isEqualTo(2);
        assertThat(SessionCalendar.turn(first.plusDays(7), three)).isEqualTo(3);
        // 31 years of 52 or 53 weeks: 2 June 2031 is 1,639 weeks on
        assertThat(SessionCalendar.turn(MONDAY, three)).isEqualTo(3 * 1639);
    }

    private static PlanItem twiceAWeek(PlanItem item) {
        return new PlanItem(
                item.strand(),
                item.role(),
                item.rung(),
                item.side(),
                item.standInFor(),
                item.standInKind(),
                item.baseDose(),
                item.dose().withDays(2),
                item.range(),
                item.point(),
                item.seconds(),
                item.loadSeconds(),
                item.why(),
                item.whyNotNext(),
                item.opened(),
                item.support(),
                item.eased());
    }

    @Test
    void what_is_done_on_fewer_days_is_not_in_every_session() {
        List<PlanItem> often = plan().items();
        Plan plan = plan();
        PlanItem rare = twiceAWeek(often.get(0));
        List<PlanItem> items = new ArrayList<>(often);
        items.set(0, rare);
        Plan mixed = new Plan(
                items,
                List.of(new Plan.Day("A", 5, items)),
                plan.leftOut(),
                plan.notOpen(),
                plan.habits(),
                plan.secondsAvailable());
        List<SessionCalendar.Day> week = SessionCalendar.of(
                        mixed, Set.of(), screening(), CLEARED, MONDAY, MONDAY.plusDays(6))
                .days();
        assertThat(week)
                .filteredOn(day -> day.items().contains(rare))
                .extracting(SessionCalendar.Day::date)
                // two days a week lie on Monday and Thursday; Thursday is a rest day of the five
                .hasSizeBetween(1, 2)
                .contains(MONDAY);
        assertThat(week).extracting(SessionCalendar.Day::session).containsOnlyNulls();
        assertThat(week).filteredOn(day -> day.kind() == Kind.SESSION).hasSize(5);
    }

    @Test
    void nothing_planned_leaves_rest_days_and_what_falls_on_them() {
        Plan none = new Plan(List.of(), List.of(), List.of(), List.of(), List.of(), 1200);
        List<SessionCalendar.Day> days = SessionCalendar.of(
                        none, Set.of(DayOfWeek.SUNDAY), screening(), CLEARED, MONDAY, MONDAY.plusDays(6))
                .days();
        assertThat(days).extracting(SessionCalendar.Day::kind).containsOnly(Kind.REST, Kind.BLOCKED);
        assertThat(days.get(6).kind()).isEqualTo(Kind.BLOCKED);
        assertThat(days).allSatisfy(day -> {
            assertThat(day.sessions()).isZero();
            assertThat(day.seconds()).isZero();
            assertThat(day.exercises()).isZero();
        });
        assertThat(days.get(4).marks())
                .extracting(SessionCalendar.Mark::what)
                .containsExactly(SessionCalendar.Mark.What.RECHECK);
    }

    @Test
    void a_gate_that_is_open_is_no_news() {
        LocalDate eighthWeek = BIRTH.plusDays(56);
        Screening later = Screening.of(Screening.Question.of(
                new ClientFacts(
                        Status.POSTNATAL,
                        null,
                        List.of(new Birth(BIRTH, BirthMode.CAESAREAN, 0)),
                        List.of(),
                        CLEARED,
                        168.0,
                        71.0,
                        33,
                        Set.of()),
                List.of(),
                Approach.SLOW_LADDER.stances(),
                eighthWeek));
        assertThat(SessionCalendar.of(plan(), Set.of(), later, List.of(), eighthWeek, eighthWeek)
                        .days()
                        .get(0)
                        .marks())
                .noneMatch(mark -> mark.gate() == GateCode.FIRST_LOADED);
    }
}
