package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.Seeded;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** With more minutes nothing gets poorer: a thousand invented women with five to forty-five minutes (brief 17.1). */
class MoreMinutesTest {
    private static final int WOMEN = Seeded.atMost(1000);
    private static final List<Integer> MINUTES = List.of(5, 6, 8, 10, 12, 15, 20, 30, 45);

    private static Optional<PlanItem> same(Plan plan, PlanItem item) {
        return plan.items().stream()
                .filter(planItem -> planItem.strand() == item.strand()
                        && planItem.side() == item.side()
                        && planItem.role() == item.role())
                .findFirst();
    }

    /** Repetitions or breaths of a session. */
    private static int work(Dose dose) {
        return dose.sets() * dose.times();
    }

    private static void notPoorer(PlanItem item, PlanItem with, String who) {
        String about = who + ": " + item.rung().code() + " " + item.side();
        assertThat(with.rung().order())
                .as(about)
                .isGreaterThanOrEqualTo(item.rung().order());
        if (with.rung().equals(item.rung())) {
            assertThat(with.range()).as(about).isGreaterThanOrEqualTo(item.range());
            assertThat(work(with.dose())).as(about).isGreaterThanOrEqualTo(work(item.dose()));
        }
    }

    @Test
    void never_give_a_lower_rung_a_shorter_range_or_a_smaller_dose() {
        LongStream.range(0, WOMEN).forEach(seed -> {
            Woman w = PlanPropertiesTest.somebody(seed);
            Plan before = null;
            for (int minutes : MINUTES) {
                Plan plan = w.minutes(minutes).plan();
                if (before != null) {
                    for (PlanItem item : before.items()) {
                        same(plan, item)
                                .ifPresent(
                                        with -> notPoorer(item, with, "seed %d, %d minutes".formatted(seed, minutes)));
                    }
                }
                before = plan;
            }
        });
    }
}
