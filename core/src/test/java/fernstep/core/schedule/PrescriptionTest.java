package fernstep.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.client.Licence;
import fernstep.core.client.Restriction;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Woman;
import fernstep.core.schedule.SessionCalendar.Kind;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Lift;
import fernstep.core.standing.Permission;
import fernstep.core.standing.SafetyReport;
import fernstep.core.standing.Standing;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What she has to do of a plan that was adopted, whatever has closed since. */
class PrescriptionTest {
    private static final LocalDateTime ADOPTED = Woman.TODAY.minusDays(12).atTime(10, 0);

    private static Woman strong() {
        return Woman.never_pregnant().strong();
    }

    private static Prescription of(Plan adopted, Woman today, Concern... reported) {
        return of(adopted, today, List.of(), reported);
    }

    private static Prescription of(Plan adopted, Woman today, List<Lift> lifts, Concern... reported) {
        List<SafetyReport> reports = Stream.iterate(1, number -> number + 1)
                .limit(reported.length)
                .map(number -> new SafetyReport(
                        number,
                        reported[number - 1],
                        SafetyReport.Way.HOME,
                        Woman.TODAY.minusDays(1).atTime(21, 40),
                        ""))
                .toList();
        return Prescription.of(
                adopted,
                ADOPTED,
                Set.of(),
                new Prescription.Today(
                        today.question().known(),
                        today.screening(),
                        Standing.of(reports, lifts, Woman.TODAY),
                        today.body(),
                        Woman.TODAY));
    }

    private static SessionCalendar week(Prescription prescription, Woman her) {
        return prescription.calendar(
                her.screening(), List.of(), Woman.TODAY, Woman.TODAY.minusDays(7), Woman.TODAY.plusDays(6));
    }

    @Test
    void nothing_closed_leaves_the_plan_as_it_was_adopted() {
        Plan adopted = strong().plan();
        Prescription p = of(adopted, strong());
        assertThat(p.plan()).isEqualTo(adopted);
        assertThat(p.withheld()).isEmpty();
        assertThat(p.since()).isEqualTo(ADOPTED);
        assertThat(p.session(Woman.TODAY, "A"))
                .isEqualTo(adopted.days().get(0).items())
                .isNotEmpty();
    }

    @Test
    void new_findings_put_nothing_in_and_take_nothing_out_until_they_are_adopted() {
        Plan adopted = strong().plan();
        assertThat(of(adopted, Woman.never_pregnant().grade(4, 4)).plan()).isEqualTo(adopted);
    }

    @Test
    void a_position_that_has_closed_since_takes_its_exercises_out_and_says_why() {
        Plan adopted = strong().plan();
        Prescription p = of(adopted, strong().may_not(Restriction.NO_KNEELING));
        assertThat(p.withheld()).isNotEmpty().allSatisfy(waits -> {
            assertThat(waits.item().rung().closedBy(Set.of(Restriction.NO_KNEELING)))
                    .isPresent();
            assertThat(waits.why().key()).isEqualTo("withheld.position");
        });
        assertThat(p.plan().items().size() + p.withheld().size())
                .isEqualTo(adopted.items().size());
        assertThat(p.plan().items())
                .noneMatch(item ->
                        item.rung().closedBy(Set.of(Restriction.NO_KNEELING)).isPresent());
    }

    @Test
    void an_answer_that_asks_first_leaves_breath_and_posture() {
        Prescription p = of(strong().plan(), strong().says(Answer.HERNIA), new Concern.AskFirst(Answer.HERNIA));
        assertThat(p.mayTrain()).isEqualTo(Permission.BREATH_AND_POSTURE);
        assertThat(p.plan().items()).allMatch(item -> item.rung().fromDayOne());
        assertThat(p.withheld()).isNotEmpty();
    }

    @Test
    void heaviness_from_home_holds_her_sessions_on_the_calendar_from_today_on() {
        Woman her = strong();
        Prescription p = of(her.plan(), her, new Concern.PelvicFloor(SignCode.HEAVY, "HP1"));
        assertThat(p.mayTrain()).isEqualTo(Permission.SPEAK_FIRST);
        assertThat(p.session(Woman.TODAY, null)).isEmpty();
        assertThat(week(p, her).days())
                .filteredOn(day -> !day.date().isBefore(Woman.TODAY))
                .extracting(SessionCalendar.Day::kind)
                .contains(Kind.HELD)
                .doesNotContain(Kind.SESSION);
    }

    @Test
    void pain_in_the_wrist_holds_what_bears_on_the_hands_and_the_rest_goes_on() {
        Woman her = strong();
        Prescription p = of(her.plan(), her, new Concern.Pain(5, false, BodyPlace.WRIST, null, "HK4"));
        assertThat(p.mayTrain()).isEqualTo(Permission.TRAIN);
        assertThat(p.plan().items())
                .isNotEmpty()
                .noneMatch(item ->
                        item.rung().closedBy(Set.of(Restriction.NO_WRIST_LOAD)).isPresent());
        assertThat(p.withheld())
                .extracting(waits -> waits.why().key())
                .isNotEmpty()
                .containsOnly("withheld.untilSpoken");
    }

    @Test
    void an_emergency_leaves_nothing_to_do() {
        Woman her = strong().says(Answer.CALF);
        Prescription p = of(strong().plan(), her, new Concern.Emergency(Answer.CALF));
        assertThat(p.session(Woman.TODAY, null)).isEmpty();
        assertThat(week(p, her).days())
                .filteredOn(day -> !day.date().isBefore(Woman.TODAY))
                .noneMatch(day -> day.kind() == Kind.SESSION);
    }

    @Test
    void gently_means_a_fifth_less_load_or_less_of_it_for_everything_loaded() {
        Woman her = strong();
        Plan adopted = her.plan();
        Lift gently = new Lift(
                1,
                Lift.Kind.SPOKEN,
                Lift.May.GENTLY,
                Licence.COACH,
                Woman.TODAY.atTime(9, 0),
                "Imogen Vale",
                "a long day on her feet");
        Prescription p = of(adopted, her, List.of(gently), new Concern.PelvicFloor(SignCode.HEAVY, ""));
        assertThat(p.mayTrain()).isEqualTo(Permission.TRAIN);
        int loaded = 0;
        for (int n = 0; n < adopted.items().size(); n++) {
            PlanItem before = adopted.items().get(n);
            PlanItem now = p.plan().items().get(n);
            if (!before.rung().loaded()) {
                assertThat(now).isEqualTo(before);
                continue;
            }
            loaded++;
            double less = now.loadIndex() * now.loadSeconds();
            double was = before.loadIndex() * before.loadSeconds();
            assertThat(less).as(before.rung().code()).isLessThanOrEqualTo(was);
            assertThat(now.seconds()).isLessThanOrEqualTo(before.seconds());
        }
        assertThat(loaded).isGreaterThan(1);
        assertThat(p.plan()).isNotEqualTo(adopted);
    }
}
