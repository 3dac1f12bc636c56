package fernstep.device;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.device.Quality.Found;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What the analysis makes of the seven characters, each by seeds, tempi, rates and noises that nobody chose. */
class QualityTest {
    private static final int WOMEN = 8;
    private static final double LOST = 0.05;
    private static final double LOSS = 0.02;

    @ParameterizedTest
    @EnumSource(Script.class)
    void onsets_holds_and_signs_are_found_and_lost_packets_cost_at_most_two_in_a_hundred(Script script) {
        Quality whole = Quality.of(script, 0, LongStream.range(0, WOMEN));
        Quality lossy = Quality.of(script, LOST, LongStream.range(0, WOMEN));
        System.out.printf("%-16s %s, with packets lost %s%n", script, whole, lossy);
        assertThat(whole.recall(Found.ONSET)).as("onsets").isGreaterThanOrEqualTo(0.95);
        assertThat(whole.precision(Found.HOLD)).as("holds made up").isGreaterThanOrEqualTo(0.95);
        assertThat(whole.recall(Found.HOLD)).as("holds").isGreaterThanOrEqualTo(0.95);
        assertThat(whole.f1()).as("signs").isGreaterThanOrEqualTo(0.9);
        assertThat(whole.precision(Found.SIGN)).as("signs made up").isGreaterThanOrEqualTo(0.9);
        assertThat(lossy.recall(Found.ONSET)).isGreaterThanOrEqualTo(whole.recall(Found.ONSET) - LOSS);
        assertThat(lossy.precision(Found.HOLD)).isGreaterThanOrEqualTo(whole.precision(Found.HOLD) - LOSS);
        assertThat(lossy.recall(Found.HOLD)).isGreaterThanOrEqualTo(whole.recall(Found.HOLD) - LOSS);
        assertThat(lossy.f1()).isGreaterThanOrEqualTo(whole.f1() - LOSS);
    }
}
