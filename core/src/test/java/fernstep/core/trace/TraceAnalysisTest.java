package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.trace.SimulatedTrace.Script;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against simulated women, by seeds nobody chose: what is found, and what is made up. */
class TraceAnalysisTest {
    private static final double ONSET_MS = 150;

    /** Found of what was there, and true of what was found. */
    private static final class Quality {
        private int hit;
        private int missed;
        private int madeUp;

        double recall() {
            return hit + missed == 0 ? 1 : (double) hit / (hit + missed);
        }

        double precision() {
            return hit + madeUp == 0 ? 1 : (double) hit / (hit + madeUp);
        }

        double f1() {
            return 2 * recall() * precision() / (recall() + precision());
        }
    }

    @ParameterizedTest
    @CsvSource({"50,0.02,0", "20,0.03,0", "100,0.04,0", "50,0.03,0.05"})
    void onsets_holds_and_signs_are_found_at_any_rate_with_noise_and_lost_packets(
            double rateHz, double noise, double dropped) {
        Quality onsets = new Quality();
        Quality holds = new Quality();
        Quality signs = new Quality();
        for (Script character : Script.values()) {
            for (int n = 0; n < 8; n++) {
                SimulatedTrace she =
                        new SimulatedTrace(1000L * character.ordinal() + n, character, rateHz, noise, dropped);
                TraceReport report = she.analysed(she.marks);
                onsets(she, report, onsets);
                holds(she, report, holds);
                signs(she, report, signs);
            }
        }
        System.out.printf(
                "%3.0f Hz, noise %.2f, %2.0f %% lost: onsets within 150 ms %.3f, holds %.3f/%.3f, signs F1 %.3f%n",
                rateHz, noise, 100 * dropped, onsets.recall(), holds.precision(), holds.recall(), signs.f1());
        assertThat(onsets.recall()).isGreaterThanOrEqualTo(0.95);
        assertThat(holds.precision()).isGreaterThanOrEqualTo(0.95);
        assertThat(holds.recall()).isGreaterThanOrEqualTo(0.95);
        assertThat(signs.f1()).isGreaterThanOrEqualTo(0.9);
    }

    private static void onsets(SimulatedTrace she, TraceReport report, Quality quality) {
        for (TraceReport.Breath breath : she.breaths.subList(1, she.breaths.size() - 1)) {
            boolean in = report.breaths().stream().anyMatch(each -> Math.abs(each.inMs() - breath.inMs()) <= ONSET_MS);
            boolean out =
                    report.breaths().stream().anyMatch(each -> Math.abs(each.outMs() - breath.outMs()) <= ONSET_MS);
            quality.hit += (in ? 1 : 0) + (out ? 1 : 0);
            quality.missed += (in ? 0 : 1) + (out ? 0 : 1);
        }
    }

    private static void holds(SimulatedTrace she, TraceReport report, Quality quality) {
        for (TraceReport.Hold hold : she.holds) {
            boolean found = report.holds().stream()
                    .anyMatch(each -> each.startMs() < hold.endMs() && each.endMs() > hold.startMs());
            quality.hit += found ? 1 : 0;
            quality.missed += found ? 0 : 1;
        }
        quality.madeUp += (int) report.holds().stream()
                .filter(each -> she.holds.stream()
                        .noneMatch(
                                candidate -> each.startMs() < candidate.endMs() && each.endMs() > candidate.startMs()))
                .count();
    }

    private static void signs(SimulatedTrace she, TraceReport report, Quality quality) {
        for (TraceReport.Rep rep : report.reps()) {
            SignCode truth = she.signs.get(rep.rep());
            List<SignCode> told = rep.verdict().stream()
                    .filter(verdict -> verdict.confidence() >= TraceReport.SURE)
                    .map(TraceReport.Verdict::sign)
                    .toList();
            if (truth != null) {
                quality.hit += told.contains(truth) ? 1 : 0;
                quality.missed += told.contains(truth) ? 0 : 1;
            }
            quality.madeUp += (int) told.stream().filter(code -> code != truth).count();
        }
    }

    /** A straight line down, half a breath at the top. */
    @Test
    void lead_excursion_and_sides_are_those_drawn() {
        int n = 60 * 50;
        double[] times =
                IntStream.range(0, n).mapToDouble(index -> 20.0 * index).toArray();
        double[] ribs = new double[n];
        double[] cuff = new double[n];
        for (int i = 0; i < n; i++) {
            double s = i / 50.0;
            double in = s % 6;
            ribs[i] = in < 2
                    ? (1 - Math.cos(Math.PI * in / 2)) / 2
                    : in < 5 ? (1 + Math.cos(Math.PI * (in - 2) / 3)) / 2 : 0;
            ribs[i] += 0.001 * Math.sin(91 * s);
            // out-breaths begin at 2 s of every six; she lifts half a second later, on the third and the fifth breath
            boolean left = s > 14.5 && s < 17.5;
            boolean right = s > 26.5 && s < 29.5;
            cuff[i] = 40 + (left ? -14 : right ? -7 : 0) + 0.05 * Math.sin(77 * s);
        }
        TraceReport report = TraceAnalysis.of(new TraceAnalysis.Question(
                Trace.of(times, Map.of(Channel.RIBS, ribs, Channel.CUFF, cuff)),
                Stances.EffortTiming.EXHALE_EFFORT_ONLY,
                Stances.Spine.NATURAL_CURVE,
                40,
                10,
                List.of(
                        new TraceAnalysis.Mark(1, Side.LEFT, 14_500, 17_500),
                        new TraceAnalysis.Mark(2, Side.RIGHT, 26_500, 29_500))));
        TraceReport.Rep first = report.reps().get(0);
        assertThat(first.leadS()).isCloseTo(0.5, within(0.15));
        assertThat(first.excursionMmHg()).isCloseTo(-14, within(0.3));
        assertThat(first.overshootMmHg()).isCloseTo(4, within(0.3));
        assertThat(first.outsideS()).isCloseTo(3, within(0.5));
        assertThat(first.verdict())
                .first()
                .satisfies(verdict -> assertThat(verdict.sign()).isEqualTo(SignCode.BACK_ARCHES));
        assertThat(report.reps().get(1).clean()).isTrue();
        // (7 − 14) / 14
        assertThat(report.summary().symmetry()).isCloseTo(-0.5, within(0.03));
        assertThat(report.summary().breathsPerMin()).isCloseTo(10, within(0.1));
        assertThat(report.sampleRateHz()).isCloseTo(50, within(0.01));
    }

    private static Offset<Double> within(double d) {
        return Offset.offset(d);
    }

    @Test
    void what_is_wrong_with_a_recording_is_said_and_the_rest_is_read() {
        SimulatedTrace she = new SimulatedTrace(7, Script.WELL_TIMED, 50, 0.02, 0);
        double[] times = {0, 20, 40, 40, 30, 60, 80, 5000, 5020};
        double[] still = new double[times.length];
        Map<Channel, double[]> values = new EnumMap<>(Channel.class);
        values.put(Channel.RIBS, Arrays.copyOf(new double[] {1, 2, Double.NaN, 3, 4, 5, 6, 7, 8}, 9));
        values.put(Channel.CUFF, still);
        Trace trace = Trace.of(times, values);
        assertThat(trace.problems())
                .extracting(Trace.Problem::code)
                .contains(
                        Trace.Problem.Code.TIME_NOT_RISING,
                        Trace.Problem.Code.SAMPLES_MISSING,
                        Trace.Problem.Code.CHANNEL_MISSING,
                        Trace.Problem.Code.TOO_SHORT);
        assertThat(trace.gaps()).containsExactly(new Trace.Gap(80, 5000));
        assertThat(she.trace.problems()).isEmpty();
        assertThatThrownBy(() -> Trace.of(new double[0], Map.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Trace.of(new double[] {0, 5e7}, Map.of(Channel.RIBS, new double[] {0, 1})))
                .hasMessageContaining("12 hours");
    }

    @Test
    void a_belt_that_is_still_is_called_flat_and_makes_no_breaths() {
        double[] times =
                IntStream.range(0, 3000).mapToDouble(index -> 20.0 * index).toArray();
        TraceReport report = TraceAnalysis.of(new TraceAnalysis.Question(
                Trace.of(times, Map.of(Channel.RIBS, new double[3000])),
                Stances.EffortTiming.EXHALE_EFFORT_ONLY,
                Stances.Spine.NATURAL_CURVE,
                40,
                10,
                List.of()));
        assertThat(report.problems()).extracting(Trace.Problem::code).contains(Trace.Problem.Code.CHANNEL_FLAT);
        assertThat(report.breaths()).isEmpty();
        assertThat(report.holds()).isEmpty();
    }

    @Test
    void repetitions_are_found_by_the_cuff_where_nobody_counted() {
        SimulatedTrace she = new SimulatedTrace(11, Script.ARCHES, 50, 0.02, 0);
        TraceReport report = she.analysed(null);
        assertThat(report.reps()).hasSize(she.marks.size());
        for (int i = 0; i < she.marks.size(); i++) {
            assertThat(report.reps().get(i).startMs())
                    .isCloseTo(she.marks.get(i).startMs(), within(900));
        }
    }

    /** Ten breaths of six seconds; she lifts at 20.5 and 32.5 s, and the cuff stays {@code left} mmHg higher in between. */
    private static TraceReport lifting(double left, boolean letsGo, Double tempoS, double secondLastsS) {
        int n = 60 * 50;
        double[] times =
                IntStream.range(0, n).mapToDouble(index -> 20.0 * index).toArray();
        double[] ribs = Arrays.stream(times)
                .map(t -> -Math.cos(Math.PI * t / 3000) / 2 + 0.002 * Math.sin(t))
                .toArray();
        double[] cuff = Arrays.stream(times)
                .map(t -> 40
                        + (t > 20_500 && t < 23_500 ? 6 : t >= 23_500 && t < 32_500 ? left : 0)
                        + (t > 32_500 && t < 32_500 + 1000 * secondLastsS ? 6 : 0)
                        + 0.1 * Math.sin(0.77 * t))
                .toArray();
        return TraceAnalysis.of(new TraceAnalysis.Question(
                Trace.of(times, Map.of(Channel.RIBS, ribs, Channel.CUFF, cuff)),
                Stances.EffortTiming.EXHALE_EFFORT_ONLY,
                Stances.Spine.NATURAL_CURVE,
                40,
                10,
                tempoS,
                letsGo,
                List.of(
                        new TraceAnalysis.Mark(1, Side.LEFT, 20_500, 23_500),
                        new TraceAnalysis.Mark(2, Side.RIGHT, 32_500, 32_500 + 1000 * secondLastsS))));
    }

    private static List<SignCode> sure(TraceReport.Rep rep) {
        return rep.verdict().stream()
                .filter(verdict -> verdict.confidence() >= TraceReport.SURE)
                .map(TraceReport.Verdict::sign)
                .toList();
    }

    @Test
    void where_the_rung_asks_to_let_go_a_cuff_that_stays_up_says_she_does_not() {
        assertThat(sure(lifting(5, true, null, 3).reps().get(0))).containsExactly(SignCode.NO_LET_GO);
        assertThat(sure(lifting(5, false, null, 3).reps().get(0))).isEmpty();
        assertThat(sure(lifting(1, true, null, 3).reps().get(0))).isEmpty();
    }

    @Test
    void a_repetition_far_shorter_than_its_tempo_is_rushed_even_where_all_are() {
        assertThat(sure(lifting(0, false, 6.0, 2).reps().get(1))).containsExactly(SignCode.RUSHED);
        assertThat(sure(lifting(0, false, 6.0, 5).reps().get(1))).isEmpty();
        assertThat(sure(lifting(0, false, 6.0, 3).reps().get(0)))
                .as("half of its tempo")
                .containsExactly(SignCode.RUSHED);
    }

    @Test
    void a_repetition_let_drop_says_how_much_faster_it_came_back_than_it_went() {
        int n = 50 * 50;
        double[] times =
                IntStream.range(0, n).mapToDouble(index -> 20.0 * index).toArray();
        // up within 2 s; down within 2 s at 20 s, within half a second at 30 s
        double[] cuff = Arrays.stream(times)
                .map(t -> 40
                        + 12 * (ramp(t, 10_000, 2000) - ramp(t, 14_000, 2000))
                        + 12 * (ramp(t, 30_000, 2000) - ramp(t, 34_000, 500))
                        + 0.02 * Math.sin(0.77 * t))
                .toArray();
        List<TraceReport.Rep> reps = TraceAnalysis.of(new TraceAnalysis.Question(
                        Trace.of(times, Map.of(Channel.CUFF, cuff)),
                        Stances.EffortTiming.EXHALE_EFFORT_ONLY,
                        Stances.Spine.NATURAL_CURVE,
                        40,
                        20,
                        List.of(
                                new TraceAnalysis.Mark(1, null, 9_800, 16_200),
                                new TraceAnalysis.Mark(2, null, 29_800, 34_600),
                                new TraceAnalysis.Mark(3, null, 40_000, 44_000))))
                .reps();
        assertThat(reps.get(0).returnControl()).isCloseTo(1, within(0.1));
        // 6 mmHg a second out, 24 back, less what smoothing takes from so short a fall
        assertThat(reps.get(1).returnControl()).isBetween(0.22, 0.4);
        assertThat(reps.get(2).returnControl()).as("it hardly moved").isNull();
        assertThat(reps).extracting(TraceReport.Rep::letDrop).containsExactly(false, true, false);
        assertThat(reps).extracting(TraceReport.Rep::leadS).containsOnlyNulls();
    }

    private static double ramp(double ms, double from, double lasts) {
        return Math.max(0, Math.min(1, (ms - from) / lasts));
    }

    @Test
    void how_long_the_breath_was_held_under_an_effort_is_said_of_that_effort_alone() {
        int n = 60 * 50;
        double[] times =
                IntStream.range(0, n).mapToDouble(index -> 20.0 * index).toArray();
        // breaths of six seconds; from 27 s on she holds for five seconds
        double[] ribs = Arrays.stream(times)
                .map(t -> {
                    double breathing = t < 27_000 ? t : t < 32_000 ? 27_000 : t - 5_000;
                    return 5 - Math.cos(Math.PI * breathing / 3000) / 2 + 0.002 * Math.sin(t);
                })
                .toArray();
        List<TraceReport.Rep> reps = TraceAnalysis.of(new TraceAnalysis.Question(
                        Trace.of(times, Map.of(Channel.RIBS, ribs)),
                        Stances.EffortTiming.EXHALE_EFFORT_ONLY,
                        Stances.Spine.NATURAL_CURVE,
                        40,
                        10,
                        List.of(
                                new TraceAnalysis.Mark(1, null, 15_000, 18_000),
                                new TraceAnalysis.Mark(2, null, 28_000, 31_000))))
                .reps();
        assertThat(reps.get(0).heldS()).isZero();
        assertThat(reps.get(1).heldS()).isCloseTo(5, within(0.7));
        assertThat(sure(reps.get(1))).containsExactly(SignCode.BREATH_HELD);
    }
}
