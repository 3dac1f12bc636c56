package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.measure.Reason;
import java.util.List;
import org.junit.jupiter.api.Test;

class PlanDifferenceTest {
    @Test
    void a_plan_differs_in_nothing_from_itself() {
        Plan plan = Woman.never_pregnant().strong().plan();
        assertThat(PlanDifference.of("A", plan, "B", plan))
                .extracting(Reason::key)
                .containsExactly("difference.none", "difference.sameTime");
    }

    @Test
    void what_only_one_holds_is_named_with_who_would_prescribe_it() {
        Plan longer = Woman.never_pregnant().strong().minutes(25).plan();
        Plan shorter = Woman.never_pregnant().strong().minutes(5).plan();
        List<Reason> said = PlanDifference.of("Slow", longer, "Short", shorter);
        assertThat(said.get(0).key()).isEqualTo("difference.only");
        assertThat(said.get(0).facts().get(0)).isEqualTo("Slow");
        assertThat(said.get(said.size() - 1).key()).isEqualTo("difference.time");
    }
}
