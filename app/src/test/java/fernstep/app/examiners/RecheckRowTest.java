package fernstep.app.examiners;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.separation.FingerCalibration;
import fernstep.core.separation.Method;
import java.util.List;
import org.junit.jupiter.api.Test;

class RecheckRowTest {
    private static final FingerCalibration FINGERS = FingerCalibration.of(List.of(15.0, 30.0, 45.0, 60.0));

    @Test
    void of_repeats_the_first_of_each_visit_counts() {
        assertThat(new RecheckRow(Method.CALIPER, "24 26 25", "27.5 20").differenceMm(FINGERS))
                .contains(3.5);
    }

    @Test
    void finger_widths_are_turned_into_her_millimetres() {
        assertThat(new RecheckRow(Method.FINGERS, "2", "3 2").differenceMm(FINGERS))
                .contains(15.0);
    }

    @Test
    void what_cannot_be_read_says_nothing() {
        assertThat(new RecheckRow(Method.TAPE, "", "27").differenceMm(FINGERS)).isEmpty();
    }
}
