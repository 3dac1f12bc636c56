package fernstep.core.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.body.Capacity.Clean;
import fernstep.core.measure.Side;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class CapacityTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 1);

    private static Clean clean(int daysAgo, Side side, double index) {
        return new Clean(TODAY.minusDays(daysAgo), LoadFamily.LYING_LEGS, side, index, 5);
    }

    private static Capacity left(Clean... log) {
        return Capacity.of(List.of(log), LoadFamily.LYING_LEGS, Side.LEFT, TODAY)
                .orElseThrow();
    }

    @Test
    void halves_in_forty_two_days_without_practice() {
        assertThat(left(clean(0, Side.LEFT, 30)).loadIndex()).isEqualTo(30);
        assertThat(left(clean(42, Side.LEFT, 30)).loadIndex()).isCloseTo(15, within(1e-9));
        // 30·0.5^(14/42)
        assertThat(left(clean(14, Side.LEFT, 30)).loadIndex()).isCloseTo(23.811, within(1e-3));
    }

    @Test
    void is_the_best_of_what_is_left_and_kept_for_each_side_apart() {
        Capacity c = left(clean(42, Side.LEFT, 30), clean(1, Side.LEFT, 20), clean(0, Side.RIGHT, 40));
        // 20·0.5^(1/42) beats 15
        assertThat(c.loadIndex()).isCloseTo(19.673, within(1e-3));
        assertThat(c.shownOn()).isEqualTo(TODAY.minusDays(1));
    }

    @Test
    void is_unknown_where_nothing_of_the_family_was_clean() {
        assertThat(Capacity.of(List.of(clean(0, Side.LEFT, 30)), LoadFamily.SIDE, Side.LEFT, TODAY))
                .isEmpty();
        assertThat(Capacity.of(List.of(clean(-3, Side.LEFT, 30)), LoadFamily.LYING_LEGS, Side.LEFT, TODAY))
                .as("a log from the future")
                .isEmpty();
    }

    @Test
    void sets_the_next_target_a_step_above() {
        assertThat(left(clean(0, Side.LEFT, 30)).nextTarget(Capacity.USUAL_STEP))
                .isCloseTo(33, within(1e-9));
        assertThat(left(clean(0, Side.LEFT, 30)).nextTarget(Capacity.CAUTIOUS_STEP))
                .isCloseTo(31.5, within(1e-9));
    }
}
