package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.approach.Stances.Spine;
import fernstep.core.findings.SignCode;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.core.trace.TraceAnalysis.Question;
import fernstep.core.trace.TraceReport.Verdict;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The cuff's numbers against their definitions, worked out plainly from the smoothed line. */
class CuffLineTest {
    private static final int HZ = 25;
    private static final double SMOOTH_S = 0.2;
    private static final double EXACT = 1e-9;

    private final double[] mmHg;
    private final double[] smooth;
    private final Trace trace;

    CuffLineTest() {
        this.mmHg = wandering(new Random(4), 3000);
        this.smooth = Signals.smooth(mmHg, SMOOTH_S);
        this.trace = trace(mmHg);
    }

    private static Trace trace(double[] cuff) {
        return Trace.of(
                IntStream.range(0, cuff.length)
                        .mapToDouble(index -> 40.0 * index)
                        .toArray(),
                Map.of(Channel.CUFF, cuff));
    }

    /** A walk that is drawn back to 40, with some noise. */
    private static double[] wandering(Random random, int points) {
        double[] x = new double[points];
        double at = 40;
        for (int i = 0; i < points; i++) {
            at += 0.9 * random.nextGaussian() - 0.01 * (at - 40);
            x[i] = at + 0.05 * random.nextGaussian();
        }
        return x;
    }

    private CuffLine line(Spine spine, boolean letsGo) {
        return new CuffLine(
                new Question(trace, EffortTiming.EXHALE_EFFORT_ONLY, spine, 40, 6, null, letsGo, List.of()));
    }

    private static Mark mark(int from, int to) {
        return new Mark(1, null, 40.0 * from, 40.0 * to);
    }

    private double median(int from, int to) {
        double[] some = Arrays.copyOfRange(smooth, from, to + 1);
        Arrays.sort(some);
        int n = some.length;
        return n % 2 == 1 ? some[n / 2] : (some[n / 2 - 1] + some[n / 2]) / 2;
    }

    /** Two seconds are fifty points; a fifth of a second, five, lies between; so do eight after the lift before. */
    private double rest(int start, int endBefore) {
        int from = Math.max(Math.max(start - 50, (int) Math.ceil(endBefore + 7.5)), 0);
        return start - 5 - from < 12 ? 40 : median(from, start - 5);
    }

    private double fastest(int from, int to) {
        return IntStream.range(from, to)
                .mapToDouble(index -> Math.abs(smooth[index + 1] - smooth[index]))
                .max()
                .orElse(0);
    }

    private DoubleStream moved(int from, int to, double rest) {
        return IntStream.rangeClosed(from, to).mapToDouble(index -> smooth[index] - rest);
    }

    @ParameterizedTest
    @ValueSource(ints = {100, 260, 515, 777, 1404, 1999, 2488, 2970})
    void how_far_how_long_and_how_it_came_back_is_what_the_smoothed_line_says(int start) {
        CuffLine cuff = line(Spine.NATURAL_CURVE, false);
        for (int length : new int[] {25, 60, 29}) {
            int end = Math.min(2999, start + length);
            for (int gap : new int[] {200, 30, 26, 20, 8}) {
                double rest = rest(start, start - gap);
                CuffLine.Moved is = cuff.of(mark(start, end), mark(start - gap - 30, start - gap));
                double[] all = moved(start, end, rest).toArray();
                double most = DoubleStream.of(all).map(Math::abs).max().orElseThrow();
                assertThat(Math.abs(is.excursion())).isCloseTo(most, within(EXACT));
                assertThat(all).contains(new double[] {is.excursion()}, within(EXACT));
                double below = DoubleStream.of(all).filter(value -> value < -6).count() / (double) HZ;
                double above = DoubleStream.of(all).filter(value -> value > 6).count() / (double) HZ;
                assertThat(is.belowS()).isEqualTo(below);
                assertThat(is.aboveS()).isEqualTo(above);
                assertThat(is.outsideS()).isCloseTo(below + above, within(EXACT));
                assertThat(is.below()).isCloseTo(-6 - DoubleStream.of(all).min().orElseThrow(), within(EXACT));
                assertThat(is.above()).isCloseTo(DoubleStream.of(all).max().orElseThrow() - 6, within(EXACT));
                if (most < Math.max(3, 5 * cuff.noise())) {
                    assertThat(is.returnControl()).isNull();
                } else {
                    int farthest = start
                            + IntStream.range(0, all.length)
                                    .filter(index -> Math.abs(all[index]) == most)
                                    .findFirst()
                                    .orElseThrow();
                    double out = fastest(start, farthest);
                    double back = fastest(farthest, Math.min(2999, end + 12));
                    if (out > 0 && back > 0) {
                        assertThat(is.returnControl()).isCloseTo(Math.min(1, out / back), within(EXACT));
                    } else {
                        assertThat(is.returnControl()).isNull();
                    }
                }
            }
        }
    }

    @Test
    void letting_go_is_asked_of_the_two_seconds_after_it_has_settled() {
        CuffLine cuff = line(Spine.NATURAL_CURVE, true);
        double allowed = Math.max(3, 3 * cuff.noise());
        int not = 0;
        for (int start = 100; start < 2900; start += 71) {
            int end = start + 40;
            for (int next : new int[] {100, 40, 31, 29, 20}) {
                List<Verdict> verdict = new ArrayList<>();
                cuff.letsGo(mark(start, end), null, mark(end + next, end + next + 50), verdict);
                // half a second settles: 12.5 points; up to two seconds, and a fifth of one before the next
                double fromMs = 40 * end + 500;
                double toMs = Math.min(fromMs + 2000, 40.0 * (end + next) - 200);
                int a = (int) Math.round(fromMs / 40);
                int b = (int) Math.round(toMs / 40);
                double left = b - a < 12 ? 0 : Math.abs(median(a, b) - rest(start, -100));
                if (left > allowed) {
                    not++;
                    assertThat(verdict).extracting(Verdict::sign).containsExactly(SignCode.NO_LET_GO);
                    assertThat(verdict.get(0).confidence())
                            .isCloseTo(
                                    1 - 0.5 * Math.exp(-(left - allowed) / Math.max(1, 2 * cuff.noise())),
                                    within(EXACT));
                } else {
                    assertThat(verdict)
                            .as("start %d, next after %d", start, next)
                            .isEmpty();
                }
            }
        }
        assertThat(not).as("some did not let go").isBetween(10, 150);
    }

    @Test
    void noise_is_the_spread_that_smoothing_leaves_of_it() {
        Random random = new Random(9);
        double[] noise = random.doubles(20_000)
                .map(value -> 40 + 2 * random.nextGaussian())
                .toArray();
        double[] left = Signals.smooth(noise, SMOOTH_S);
        double mean = Arrays.stream(left).average().orElseThrow();
        double sd = Math.sqrt(
                Arrays.stream(left).map(x -> (x - mean) * (x - mean)).average().orElseThrow());
        CuffLine cuff = new CuffLine(
                new Question(trace(noise), EffortTiming.EXHALE_EFFORT_ONLY, Spine.NATURAL_CURVE, 40, 6, List.of()));
        assertThat(cuff.noise()).isCloseTo(sd, within(0.05 * sd));
    }

    private static List<Mark> found(int seconds, DoubleUnaryOperator line) {
        Random noise = new Random(2);
        double[] cuff = IntStream.range(0, seconds * HZ)
                .mapToDouble(index -> line.applyAsDouble((double) index / HZ) + 0.1 * noise.nextGaussian())
                .toArray();
        return new CuffLine(new Question(
                        trace(cuff), EffortTiming.EXHALE_EFFORT_ONLY, Spine.NATURAL_CURVE, 40, 6, List.of()))
                .repetitions();
    }

    /** A lift of three seconds with half a second there and back. */
    private static double lift(double s, double from) {
        return Math.max(0, Math.min(1, Math.min((s - from) / 0.5, (from + 3 - s) / 0.5)));
    }

    @Test
    void lifts_are_found_though_the_level_drifts_between_them() {
        // it sinks by ten in two minutes: within fifteen seconds by little more than one
        double[] starts = {5, 22, 40, 61, 80, 99, 114};
        List<Mark> marks = found(
                120,
                value -> 45
                        - value / 12
                        - Arrays.stream(starts)
                                .map(from -> 8 * lift(value, from))
                                .sum());
        assertThat(marks).hasSize(starts.length);
        for (int i = 0; i < starts.length; i++) {
            assertThat(marks.get(i).rep()).isEqualTo(i + 1);
            assertThat(marks.get(i).startMs() / 1000).isBetween(starts[i] - 0.75, starts[i] + 0.1);
            assertThat(marks.get(i).endMs() / 1000).isBetween(starts[i] + 2.9, starts[i] + 3.75);
        }
    }

    @Test
    void a_step_that_stays_becomes_the_level() {
        List<Mark> marks = found(
                180,
                value -> (value < 60 ? 40 : 52)
                        + 8 * lift(value, 30.5)
                        + 8 * lift(value, 90.5)
                        + 8 * lift(value, 150.5));
        assertThat(marks.stream()
                        .map(mark -> Math.round(mark.startMs() / 1000))
                        .filter(number -> number < 40 || number > 80))
                .containsExactly(30L, 90L, 150L);
    }

    @Test
    void what_comes_back_for_less_than_seven_tenths_of_a_second_is_one_lift() {
        DoubleUnaryOperator once =
                value -> 40 - (value > 20 && value < 22 ? 9 : 0) - (value > 22.5 && value < 24 ? 9 : 0);
        assertThat(found(60, once)).hasSize(1);
        DoubleUnaryOperator twice =
                value -> 40 - (value > 20 && value < 22 ? 9 : 0) - (value > 23 && value < 25 ? 9 : 0);
        assertThat(found(60, twice)).hasSize(2);
        assertThat(found(60, value -> 40 - (value > 57 ? 9 : 0)))
                .as("it ends within a lift")
                .hasSize(1);
    }
}
