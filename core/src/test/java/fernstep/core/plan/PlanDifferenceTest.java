package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Rung;
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

    private static PlanItem item(String code, int reps, int seconds) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        Dose dose = new Dose(1, reps, null, null, 1, 5);
        return Items.item(rung, null, Role.WORK, dose, 1, null, seconds, 0);
    }

    private static Plan plan(PlanItem... items) {
        return new Plan(
                List.of(items), List.of(new Plan.Day("A", 5, List.of(items))), List.of(), List.of(), List.of(), 3600);
    }

    private static Reason rung(String code) {
        return Reason.of(
                "difference.rung", ShippedCatalogue.CATALOGUE.rung(code).name(), code);
    }

    @Test
    void what_both_hold_in_another_dose_is_named_and_the_time_is_in_whole_minutes() {
        Plan a = plan(item("F2", 6, 200), item("HS1", 8, 130), item("BG1", 5, 60));
        Plan b = plan(item("F2", 6, 200), item("HS1", 9, 190), item("RO1", 5, 151));
        assertThat(PlanDifference.of("Slow", a, "Quiet", b))
                .containsExactly(
                        Reason.of("difference.only", "Slow", Reason.list(List.of(rung("BG1")))),
                        Reason.of("difference.only", "Quiet", Reason.list(List.of(rung("RO1")))),
                        Reason.of("difference.dose", Reason.list(List.of(rung("HS1")))),
                        // 390 s are six and a half minutes, 541 s nine
                        Reason.of("difference.time", 7L, "Slow", 9L, "Quiet"));
        Plan same = plan(item("F2", 6, 210), item("HS1", 8, 125), item("BG1", 5, 60));
        assertThat(PlanDifference.of("Slow", a, "Quiet", same))
                .containsExactly(Reason.of("difference.none"), Reason.of("difference.sameTime", 7L));
    }
}
