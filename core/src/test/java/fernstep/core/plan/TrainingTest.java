package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What the log says of what she trains. */
class TrainingTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);

    private static Training.Trained trained(
            String rung, @Nullable Side side, int daysAgo, boolean clean, SignCode... clearly) {
        return new Training.Trained(Strand.LEG_FLOAT, rung, side, TODAY.minusDays(daysAgo), clean, Set.of(clearly));
    }

    private static Training log(Training.Trained... trained) {
        return new Training(List.of(), List.of(trained), RungGates.History.NONE, List.of(), false, TODAY);
    }

    @Test
    void the_last_day_is_the_newest_whatever_the_order_and_never_one_to_come() {
        Training t = log(
                trained("F2", Side.LEFT, 3, true),
                trained("F2", Side.LEFT, 9, true),
                trained("F2", Side.LEFT, -2, true),
                trained("F2", Side.LEFT, 5, true));
        assertThat(t.lastTrained(Strand.LEG_FLOAT)).hasValue(TODAY.minusDays(3));
        assertThat(t.lastTrained(Strand.BRIDGE)).isEmpty();
        assertThat(log(trained("F2", Side.LEFT, 0, true)).lastTrained(Strand.LEG_FLOAT))
                .hasValue(TODAY);
    }

    @Test
    void a_strand_is_in_training_for_four_weeks() {
        assertThat(log(trained("F2", null, 27, true)).inTraining(Strand.LEG_FLOAT))
                .isTrue();
        assertThat(log(trained("F2", null, 28, true)).inTraining(Strand.LEG_FLOAT))
                .isFalse();
        assertThat(log(trained("F2", null, 2, true)).inTraining(Strand.BRIDGE)).isFalse();
    }

    @Test
    void begun_is_what_was_trained_or_given() {
        assertThat(log(trained("F2", null, 200, false)).begun(Strand.LEG_FLOAT)).isTrue();
        assertThat(log(trained("F2", null, 200, false)).begun(Strand.BRIDGE)).isFalse();
        Training given = log().with(List.of(new Place(
                Strand.BRIDGE, null, "BG1", new Dose(1, 8, null, null, 1, 3), 0.5, Reason.of("why.progress"))));
        assertThat(given.begun(Strand.BRIDGE)).isTrue();
        assertThat(given.begun(Strand.LEG_FLOAT)).isFalse();
        assertThat(given.inTraining(Strand.BRIDGE)).isFalse();
    }

    @Test
    void held_clean_is_of_that_rung_and_that_side() {
        Training t = log(trained("F2", Side.LEFT, 3, true), trained("F3", Side.LEFT, 3, false));
        assertThat(t.heldClean("F2", Side.LEFT)).isTrue();
        assertThat(t.heldClean("F2", Side.RIGHT)).isFalse();
        assertThat(t.heldClean("F3", Side.LEFT)).as("not clean").isFalse();
        assertThat(t.heldClean("F1", Side.LEFT)).isFalse();
        assertThat(log(trained("F2", null, 3, true)).heldClean("F2", Side.RIGHT))
                .isTrue();
    }

    @Test
    void of_late_is_in_one_of_the_last_two_days_she_trained() {
        List<Training.Trained> log = new ArrayList<>(List.of(
                trained("F2", null, 20, false, SignCode.BACK_ARCHES),
                trained("F2", null, 9, false, SignCode.DOME_SOFT),
                trained("F2", null, 9, true),
                trained("F2", null, 4, true)));
        Training t = log(log.toArray(Training.Trained[]::new));
        assertThat(t.seenClearlyOfLate(SignCode.DOME_SOFT)).isTrue();
        assertThat(t.seenClearlyOfLate(SignCode.BACK_ARCHES)).isFalse();
        log.remove(3);
        assertThat(log(log.toArray(Training.Trained[]::new)).seenClearlyOfLate(SignCode.BACK_ARCHES))
                .isTrue();
    }

    @Test
    void a_check_counts_as_training_for_four_weeks() {
        assertThat(checkedOn(TODAY.minusDays(27)).checkedOfLate()).isTrue();
        assertThat(checkedOn(TODAY.minusDays(28)).checkedOfLate()).isFalse();
        assertThat(Training.none(TODAY).checkedOfLate()).as("findings of today").isTrue();
    }

    private static Training checkedOn(LocalDate day) {
        return new Training(
                List.of(), List.of(), RungGates.History.NONE, List.of(), false, TODAY, day, TrainedLoad.NONE);
    }
}
