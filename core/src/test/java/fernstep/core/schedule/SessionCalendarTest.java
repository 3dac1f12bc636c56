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
import fernstep.core.schedule.SessionCalendar.Kind;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import java.time.DayOfWeek;
import java.time.LocalDate;
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
                .extracting(d -> d.kind())
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
                        .filter(d -> d.marks().stream().anyMatch(m -> m.gate() == GateCode.FIRST_LOADED))
                        .map(SessionCalendar.Day::date))
                .containsExactly(eighthWeek);
        assertThat(days.stream()
                        .filter(d ->
                                d.marks().stream().anyMatch(m -> m.what() == SessionCalendar.Mark.What.CLEARANCE_ENDS))
                        .map(SessionCalendar.Day::date))
                .containsExactly(MONDAY.plusDays(9));
        assertThat(days.stream()
                        .filter(d -> d.marks().stream().anyMatch(m -> m.what() == SessionCalendar.Mark.What.RECHECK))
                        .map(SessionCalendar.Day::date))
                .containsExactly(MONDAY.plusDays(4));
    }
}
