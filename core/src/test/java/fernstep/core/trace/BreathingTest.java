package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is read of a belt whose line can be written as a formula. */
class BreathingTest {
    private static final int HZ = 25;
    private static final int SECONDS = 120;

    private static Breathing of(DoubleUnaryOperator belt) {
        double[] x = IntStream.range(0, SECONDS * HZ)
                .mapToDouble(index -> belt.applyAsDouble((double) index / HZ))
                .toArray();
        double[] times =
                IntStream.range(0, x.length).mapToDouble(index -> 40.0 * index).toArray();
        return new Breathing(Trace.of(times, Map.of(Channel.RIBS, x)), x);
    }

    /** A Gaussian of width s leaves of a wave of that period a share of exp(-(2 π s / period)² / 2). */
    private static double left(double widthS, double periodS) {
        double z = 2 * Math.PI * widthS / periodS;
        return Math.exp(-z * z / 2);
    }

    @ParameterizedTest
    @CsvSource({"5, 1", "4, 0.3", "10, 25"})
    void a_typical_breath_is_as_high_as_its_smoothed_wave(double periodS, double height) {
        Breathing breathing = of(value -> 7 + height * Math.sin(2 * Math.PI * value / periodS));
        assertThat(breathing.amplitude()).isCloseTo(2 * height * left(0.15, periodS), within(0.01 * height));
        assertThat(breathing.phases())
                .hasSizeBetween((int) (2 * SECONDS / periodS) - 3, (int) (2 * SECONDS / periodS) + 1);
    }

    @Test
    void deeper_breaths_now_and_then_do_not_make_the_typical_one() {
        Breathing breathing = of(value -> (value > 50 && value < 60 ? 3 : 1) * Math.sin(2 * Math.PI * value / 5));
        assertThat(breathing.amplitude()).isCloseTo(2 * left(0.15, 5), within(0.03));
    }

    /** In for two seconds, out for three, by a shape from 0 to 1, and a pause of so many seconds after each out-breath. */
    private static DoubleUnaryOperator breath(DoubleUnaryOperator shape, double pauseS) {
        return value -> {
            double at = value % (5 + pauseS);
            return at < 2 ? shape.applyAsDouble(at / 2) : at < 5 ? 1 - shape.applyAsDouble((at - 2) / 3) : 0;
        };
    }

    private static double shape(String name, double share) {
        return switch (name) {
            case "straight" -> share;
            case "half cosine" -> (1 - Math.cos(Math.PI * share)) / 2;
            case "decay" -> (1 - Math.exp(-4 * share)) / (1 - Math.exp(-4));
            default -> throw new IllegalArgumentException(name);
        };
    }

    @ParameterizedTest(name = "{0}, {1} s pause: within {2} s")
    @CsvSource({
        "straight, 0, 0.13",
        "straight, 1, 0.13",
        "half cosine, 0, 0.12",
        "half cosine, 1.5, 0.12",
        "decay, 0, 0.15",
        "decay, 1, 0.15"
    })
    void a_phase_begins_where_its_shape_leaves_zero(String name, double pauseS, double withinS) {
        Breathing breathing = of(breath(share -> shape(name, share), pauseS));
        double period = 5 + pauseS;
        List<Breathing.Phase> inner = breathing.phases().stream()
                .filter(each -> each.onset() > 10 * HZ && each.onset() < (SECONDS - 10) * HZ)
                .toList();
        assertThat(inner).hasSizeGreaterThan(20);
        for (Breathing.Phase phase : inner) {
            double at = phase.onset() / HZ % period;
            double off = phase.in() ? Math.min(at, period - at) : Math.abs(at - 2);
            assertThat(off)
                    .as("%s at %.2f s", phase.in() ? "in" : "out", phase.onset() / HZ)
                    .isLessThan(withinS);
            assertThat(phase.end() / (double) HZ).isGreaterThan(phase.onset() / HZ);
        }
    }

    @Test
    void no_line_no_breath() {
        Breathing breathing = of(value -> 4);
        assertThat(breathing.amplitude()).isZero();
        assertThat(breathing.phases()).isEmpty();
    }

    /** Breathes with a height of two; from 60 s on it stands, or moves at a rate of so many of its height in a second. */
    private static DoubleUnaryOperator held(double seconds, double ofHeightAS) {
        return value -> value < 61.25
                ? Math.sin(2 * Math.PI * value / 5)
                : value < 61.25 + seconds
                        ? 1 - 2 * ofHeightAS * (value - 61.25)
                        : Math.sin(2 * Math.PI * (value - seconds) / 5) - 2 * ofHeightAS * seconds;
    }

    @ParameterizedTest(name = "{0} s that move {1} of a breath a second: {2}")
    @CsvSource({
        "5, 0, true",
        "5, 0.044, true",
        "5, 0.056, false",
        "4.5, 0.047, true",
        "9, 0.044, false",
        "5, -0.044, true",
        "5, -0.056, false",
        "2.7, 0, true",
        "1.2, 0, false"
    })
    void a_hold_moves_less_than_a_twentieth_of_a_breath_in_a_second(double seconds, double ofHeight, boolean isHold) {
        List<Breathing.Hold> holds = of(held(seconds, ofHeight)).holds(2);
        assertThat(holds).hasSize(isHold ? 1 : 0);
        if (isHold) {
            assertThat(holds.get(0).seconds()).isBetween(seconds - 0.6, seconds + 0.9);
            assertThat((double) holds.get(0).from() / HZ).isBetween(60.7, 61.8);
        }
    }

    @Test
    void a_hold_ends_with_the_recording_too() {
        List<Breathing.Hold> holds = of(value -> value < 111.25 ? Math.sin(2 * Math.PI * value / 5) : 1)
                .holds(2);
        assertThat(holds).hasSize(1);
        assertThat(holds.get(0).to()).isEqualTo(SECONDS * HZ - 1);
    }

    @Test
    void two_stretches_with_a_swing_between_them_are_two_holds_and_with_a_twitch_one() {
        DoubleUnaryOperator swing = value -> held(8, 0).applyAsDouble(value)
                + (value > 65 && value < 65.8 ? 0.3 * Math.sin((value - 65) / 0.8 * Math.PI) : 0);
        assertThat(of(swing).holds(2)).hasSize(2);
        DoubleUnaryOperator twitch = value -> held(8, 0).applyAsDouble(value) + (value > 65 && value < 65.08 ? 0.2 : 0);
        assertThat(of(twitch).holds(2)).hasSize(1);
    }

    @Test
    void a_slope_for_an_eighth_of_a_second_does_not_part_a_hold() {
        DoubleUnaryOperator twitch =
                value -> held(8, 0).applyAsDouble(value) + (Math.abs(value - 65.24) < 0.01 ? 0.96 : 0);
        assertThat(of(twitch).holds(2))
                .singleElement()
                .satisfies(hold -> assertThat(hold.seconds()).isBetween(7.4, 8.9));
    }

    @Test
    void a_hold_in_which_samples_are_missing_is_none() {
        double[] x = IntStream.range(0, SECONDS * HZ)
                .mapToDouble(index -> index >= 63 * HZ && index < 65 * HZ
                        ? Double.NaN
                        : held(6, 0).applyAsDouble((double) index / HZ))
                .toArray();
        double[] times =
                IntStream.range(0, x.length).mapToDouble(index -> 40.0 * index).toArray();
        Trace trace = Trace.of(times, Map.of(Channel.RIBS, x));
        assertThat(new Breathing(trace, trace.values(Channel.RIBS)).holds(2)).isEmpty();
    }

    @Test
    void noise_lets_a_hold_move_as_far_as_noise_does_and_no_further() {
        Random random = new Random(3);
        double[] noise = random.doubles(SECONDS * HZ)
                .map(value -> 0.06 * random.nextGaussian())
                .toArray();
        DoubleUnaryOperator noisy = value -> noise[(int) Math.round(value * HZ)];
        assertThat(of(value -> held(6, 0).applyAsDouble(value) + noisy.applyAsDouble(value))
                        .holds(2))
                .as("nothing but noise")
                .hasSize(1);
        assertThat(of(value -> held(1.6, 0.13).applyAsDouble(value) + noisy.applyAsDouble(value))
                        .holds(1))
                .as("it leaves, slowly")
                .isEmpty();
    }

    @Test
    void the_out_breath_of_an_effort_is_the_nearest_within_reach() {
        Breathing breathing = of(breath(share -> shape("half cosine", share), 0));
        Breathing.Phase near = breathing.outBreathNear(62.9 * HZ, 4);
        assertThat(near).isNotNull();
        assertThat(near.in()).isFalse();
        assertThat(near.onset() / HZ).isCloseTo(62, within(0.15));
        assertThat(breathing.outBreathNear(64.3 * HZ, 4).onset() / HZ).isCloseTo(62, within(0.15));
        assertThat(breathing.outBreathNear(64.7 * HZ, 4).onset() / HZ).isCloseTo(67, within(0.15));
        assertThat(breathing.outBreathNear(64.5 * HZ, 1.5)).as("none that near").isNull();
    }
}
