package fernstep.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Role;
import fernstep.core.plan.Woman;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** A forecast begins with the plan she has. */
class ForecastStartTest {
    private static final Set<DayOfWeek> DAYS = EnumSet.of(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);

    @Test
    void it_starts_with_the_sessions_the_places_and_the_size_of_her_plan() {
        Woman she = Woman.weeks_after_birth(60).cleared().strong().minutes(40).at_most(6);
        Plan.Question asked = she.question();
        Plan plan = she.plan();
        Forecast.Start start = Forecast.Start.of(asked, plan, DAYS);
        assertThat(start.sessions()).hasSameSizeAs(plan.days());
        for (int i = 0; i < plan.days().size(); i++) {
            Set<Strand> worked = plan.days().get(i).items().stream()
                    .filter(item -> item.role() != Role.SETTLE_IN)
                    .map(PlanItem::strand)
                    .collect(Collectors.toSet());
            assertThat(start.sessions().get(i)).isNotEmpty().isEqualTo(worked);
        }
        assertThat(plan.items()).as("she settles in").anyMatch(item -> item.role() == Role.SETTLE_IN);
        assertThat(start.places()).isEqualTo(plan.places(asked.training().places()));
        assertThat(start.size()).isEqualTo(6);
        assertThat(start.trainingDays()).isEqualTo(DAYS);
        assertThat(start.recheckDue()).isEqualTo(asked.screening().recheckDue());
        assertThat(start.known()).isEqualTo(asked.known());
    }
}
