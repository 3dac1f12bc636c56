package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.approach.Stances.Spine;
import fernstep.core.findings.SignCode;
import fernstep.core.trace.TraceAnalysis.Mark;
import fernstep.core.trace.TraceAnalysis.Question;
import fernstep.core.trace.TraceReport.Rep;
import fernstep.core.trace.TraceReport.Verdict;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What is said of one repetition, from what its belts and its cuff show, worked out by hand. */
class JudgedRepetitionTest {
    private static final int HZ = 25;
    private static final int POINTS = 80 * HZ;
    private static final double EXACT = 1e-9;

    private static double[] line(DoubleUnaryOperator of) {
        return IntStream.range(0, POINTS)
                .mapToDouble(index -> of.applyAsDouble((double) index / HZ))
                .toArray();
    }

    private static Trace trace(Map<Channel, double[]> lines) {
        return Trace.of(
                IntStream.range(0, POINTS).mapToDouble(index -> 40.0 * index).toArray(), lines);
    }

    private static List<Rep> reps(Trace trace, @Nullable Double tempoS, Mark... marks) {
        return TraceAnalysis.of(new Question(
                        trace,
                        EffortTiming.EXHALE_EFFORT_ONLY,
                        Spine.NATURAL_CURVE,
                        40,
                        10,
                        tempoS,
                        false,
                        List.of(marks)))
                .reps();
    }

    private static double breath(double s) {
        return (1 - Math.cos(2 * Math.PI * s / 5)) / 2;
    }

    @Test
    void the_belly_goes_out_by_its_way_up_from_its_lowest_while_the_ribs_come_in() {
        Random random = new Random(8);
        double[] wander = new double[POINTS];
        for (int i = 1; i < POINTS; i++) {
            wander[i] = 0.97 * wander[i - 1] + 0.15 * random.nextGaussian();
        }
        double[] ribs = line(JudgedRepetitionTest::breath);
        double[] belly = line(value -> breath(value) + wander[(int) Math.round(value * HZ)]);
        Map<Channel, double[]> lines = new EnumMap<>(Channel.class);
        lines.put(Channel.RIBS, ribs);
        lines.put(Channel.BELLY, belly);
        Trace trace = trace(lines);
        Breathing high = new Breathing(trace, ribs);
        Breathing low = new Breathing(trace, belly);
        int bulging = 0;
        for (int start = 100; start < POINTS - 150; start += 13) {
            int end = start + 30 + start % 70;
            Rep rep = reps(trace, 3.0, new Mark(1, null, 40.0 * start, 40.0 * end))
                    .get(0);
            double most = 0;
            for (Breathing.Phase phase : high.phases()) {
                int from = Math.max(start, (int) Math.round(phase.onset()));
                int to = Math.min(end, phase.end());
                if (!phase.in() && to - from >= 12) {
                    for (int i = from; i <= to; i++) {
                        for (int before = from; before <= i; before++) {
                            most = Math.max(most, low.smooth()[i] - low.smooth()[before]);
                        }
                    }
                }
            }
            double share = most / low.amplitude();
            bulging += share > 0.25 ? 1 : 0;
            assertThat(rep.bellyOut()).as("from %d to %d", start, end).isCloseTo(share, within(EXACT));
            assertThat(rep.verdict().stream().filter(verdict -> verdict.sign() == SignCode.WALL_BULGE))
                    .hasSize(share > 0.25 ? 1 : 0)
                    .allSatisfy(verdict -> assertThat(verdict.confidence())
                            .isCloseTo(1 - 0.5 * Math.exp(-(share - 0.25) / 0.15), within(EXACT)));
        }
        assertThat(bulging).isGreaterThan(10);
        assertThat(reps(trace(Map.of(Channel.RIBS, ribs)), 3.0, new Mark(1, null, 30_000, 33_000)))
                .as("without a belt on the belly nothing is known of it")
                .extracting(Rep::bellyOut)
                .containsOnlyNulls();
    }

    /** Stands from 42.5 s on for so long. */
    private static double held(double s, double seconds) {
        return s < 42.5 ? breath(s) : s < 42.5 + seconds ? 1 : breath(s - seconds);
    }

    @Test
    void a_breath_held_for_a_second_of_the_effort_is_held_and_the_longer_the_surer() {
        double[] ribs = line(value -> held(value, 6));
        Trace trace = trace(Map.of(Channel.RIBS, ribs));
        Breathing.Hold hold = new Breathing(trace, ribs).holds(2.5).get(0);
        double begins = trace.ms(hold.from());
        double ends = trace.ms(hold.to());
        Rep within = reps(trace, 3.0, new Mark(1, null, begins - 1500, begins + 1000))
                .get(0);
        assertThat(within.heldS()).isEqualTo((ends - begins) / 1000);
        assertThat(within.verdict())
                .filteredOn(verdict -> verdict.sign() == SignCode.BREATH_HELD)
                .extracting(Verdict::confidence)
                .singleElement()
                .satisfies(sure -> assertThat((double) sure)
                        .isCloseTo(1 - 0.5 * Math.exp(-(within.heldS() - 2.5 + 0.3) / 0.6), within(EXACT)));
        assertThat(reps(trace, 3.0, new Mark(1, null, begins - 1500, begins + 960))
                        .get(0)
                        .heldS())
                .isZero();
        assertThat(reps(trace, 3.0, new Mark(1, null, ends - 1000, ends + 1500))
                        .get(0)
                        .heldS())
                .isPositive();
        assertThat(reps(trace, 3.0, new Mark(1, null, ends - 960, ends + 1500))
                        .get(0)
                        .heldS())
                .isZero();
    }

    @Test
    void six_tenths_of_the_tempo_are_not_yet_rushed() {
        Trace trace = trace(Map.of(Channel.RIBS, line(JudgedRepetitionTest::breath)));
        assertThat(reps(trace, 5.0, new Mark(1, null, 30_000, 33_000)).get(0).verdict())
                .isEmpty();
        assertThat(reps(trace, 5.0, new Mark(1, null, 30_000, 32_900)).get(0).verdict())
                .extracting(Verdict::sign)
                .containsExactly(SignCode.RUSHED);
    }

    @Test
    void the_surest_sign_comes_first() {
        Random noise = new Random(5);
        // half beyond the band, for long enough; 1.2 of 3 s are far from its tempo
        double[] cuff = line(value -> 40 + 0.05 * noise.nextGaussian() - (value > 30 && value < 31.2 ? 10.5 : 0));
        Rep rep = reps(trace(Map.of(Channel.CUFF, cuff)), 3.0, new Mark(1, null, 30_000, 31_200))
                .get(0);
        assertThat(rep.verdict()).extracting(Verdict::sign).containsExactly(SignCode.RUSHED, SignCode.BACK_ARCHES);
        assertThat(rep.verdict().get(0).confidence()).isCloseTo(1 - 0.5 * Math.exp(-2), within(1e-6));
    }
}
