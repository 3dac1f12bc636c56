package fernstep.core.plan;

import static fernstep.core.plan.Woman.TODAY;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.Seeded;
import fernstep.core.body.LoadFamily;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** The load of a week against the weeks behind her. */
class TrainedLoadTest {
    private static final int WOMEN = Seeded.atMost(400);

    private static TrainedLoad.Done done(int daysAgo, LoadFamily family, double exposure) {
        return new TrainedLoad.Done(TODAY.minusDays(daysAgo), family, exposure);
    }

    @Test
    void says_nothing_before_the_fourth_week_of_her_log() {
        assertThat(new TrainedLoad(List.of(done(20, LoadFamily.FRONT, 100))).bestWeek(TODAY))
                .isEmpty();
        assertThat(new TrainedLoad(List.of(done(21, LoadFamily.FRONT, 100))).bestWeek(TODAY))
                .hasValue(100);
    }

    @Test
    void is_the_best_of_four_weeks_for_each_kind() {
        TrainedLoad loads = new TrainedLoad(List.of(
                done(0, LoadFamily.FRONT, 10),
                done(6, LoadFamily.FRONT, 10),
                done(7, LoadFamily.FRONT, 30),
                done(8, LoadFamily.SIDE, 5),
                done(27, LoadFamily.FRONT, 24),
                done(28, LoadFamily.FRONT, 900)));
        assertThat(loads.bestWeeks(TODAY)).isEqualTo(Map.of(LoadFamily.FRONT, 30.0, LoadFamily.SIDE, 5.0));
        assertThat(loads.bestWeek(TODAY)).as("front and side of one week").hasValue(35);
    }

    @Test
    void a_kind_not_trained_in_these_weeks_is_not_held_down() {
        TrainedLoad loads = new TrainedLoad(List.of(done(40, LoadFamily.SIDE, 5), done(22, LoadFamily.FRONT, 5)));
        assertThat(loads.bestWeeks(TODAY)).containsOnlyKeys(LoadFamily.FRONT);
    }

    /** By the most days on which each may come. */
    private static Map<LoadFamily, Double> week(Plan plan) {
        Map<LoadFamily, Double> all = new EnumMap<>(LoadFamily.class);
        for (Plan.Day day : plan.days()) {
            for (PlanItem item : day.items()) {
                LoadFamily family = item.rung().family();
                if (family != null) {
                    double exposure =
                            item.loadIndex() * item.loadSeconds() * item.dose().perDay();
                    all.merge(family, day.perWeek() * exposure, Double::sum);
                }
            }
        }
        return all;
    }

    private static boolean byHand(Woman woman, Plan plan, LoadFamily family) {
        return plan.items().stream()
                .filter(item -> item.rung().family() == family)
                .anyMatch(item -> woman.question().wishes().choices().stream()
                        .anyMatch(choice -> choice.about(item.strand(), item.side())));
    }

    private static boolean inFewestSets(Plan plan, LoadFamily family) {
        return plan.items().stream()
                .filter(item -> item.rung().family() == family)
                .allMatch(item -> item.dose().sets() <= DoseRules.leastSets(item.rung(), item.dose()));
    }

    @Test
    void rises_by_a_fifth_at_most_from_week_to_week_and_sets_give_way_for_it() {
        int[] heldDown = {0};
        LongStream.range(0, WOMEN).forEach(seed -> {
            Woman w = PlanPropertiesTest.somebody(seed);
            Plan free = w.plan();
            Random random = new Random(seed);
            TrainedLoad loads = new TrainedLoad(week(free).entrySet().stream()
                    .filter(load -> load.getValue() > 0)
                    .flatMap(load -> IntStream.of(1, 22)
                            .mapToObj(ago -> done(ago, load.getKey(), load.getValue() * random.nextDouble(0.3, 1.2))))
                    .toList());
            Plan plan = w.loads(loads).plan();
            Map<LoadFamily, Double> best = loads.bestWeeks(TODAY);
            week(plan).forEach((family, exposure) -> {
                if (best.containsKey(family) && !inFewestSets(plan, family) && !byHand(w, plan, family)) {
                    assertThat(exposure)
                            .as("seed %d, %s", seed, family)
                            .isLessThanOrEqualTo(1.2 * best.get(family) + 1e-9);
                }
            });
            assertThat(plan.items())
                    .as("seed %d: no exercise is lost for it", seed)
                    .extracting(PlanItem::strand)
                    .containsAll(free.items().stream().map(PlanItem::strand).toList());
            heldDown[0] += (int) plan.items().stream()
                    .filter(item -> item.why().toString().contains("why.slowRise"))
                    .count();
        });
        assertThat(heldDown[0]).as("it is said where it happens").isPositive();
    }
}
