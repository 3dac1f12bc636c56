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
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lines drawn by hand, without noise: what is read of them can be said beforehand. */
class DrawnTracesTest {
    private static final int SECONDS = 60;

    private static Trace drawn(Map<Channel, DoubleUnaryOperator> lines) {
        double[] times = new double[SECONDS * 25];
        Arrays.setAll(times, index -> 40.0 * index);
        Map<Channel, double[]> values = new EnumMap<>(Channel.class);
        lines.forEach((channel, line) -> values.put(
                channel,
                Arrays.stream(times).map(t -> line.applyAsDouble(t / 1000)).toArray()));
        return Trace.of(times, values);
    }

    private static Mark mark(double fromS, double toS) {
        return new Mark(1, null, 1000 * fromS, 1000 * toS);
    }

    private static SignCode[] signs(Rep rep) {
        return rep.verdict().stream().map(Verdict::sign).toArray(SignCode[]::new);
    }

    @Nested
    class The_cuff {
        /** At 40 mmHg, and so much away from it from one second to another, with a way of half a second there and back. */
        private DoubleUnaryOperator away(double mmHg, double fromS, double toS) {
            return away(mmHg, fromS, toS, 0.5, 0.5);
        }

        private DoubleUnaryOperator away(double mmHg, double fromS, double toS, double outS, double backS) {
            return value ->
                    40 + mmHg * Math.max(0, Math.min(1, Math.min((value - fromS) / outS, (toS - value) / backS)));
        }

        private Rep rep(DoubleUnaryOperator line, Spine spine, Mark... marks) {
            return reps(line, spine, false, marks).get(0);
        }

        private List<Rep> reps(DoubleUnaryOperator line, Spine spine, boolean letsGo, Mark... marks) {
            return TraceAnalysis.of(new Question(
                            drawn(Map.of(Channel.CUFF, line)),
                            EffortTiming.EXHALE_EFFORT_ONLY,
                            spine,
                            40,
                            10,
                            null,
                            letsGo,
                            List.of(marks)))
                    .reps();
        }

        @Test
        void that_falls_below_the_band_says_the_back_lifts_with_how_far_and_how_long() {
            Rep rep = rep(away(-14, 20, 24), Spine.NATURAL_CURVE, mark(19.5, 24.5));
            assertThat(rep.excursionMmHg()).isCloseTo(-14, within(0.01));
            assertThat(rep.overshootMmHg()).isCloseTo(4, within(0.01));
            // ten of fourteen are passed after 0.357 s of each half second
            assertThat(rep.outsideS()).isCloseTo(4 - 2 * 0.5 * 10 / 14, within(0.09));
            assertThat(signs(rep)).containsExactly(SignCode.BACK_ARCHES);
            assertThat(rep.verdict().get(0).confidence()).isCloseTo(1 - 0.5 * Math.exp(-4), within(0.01));
        }

        @Test
        void that_rises_is_pressed_flat_which_only_a_natural_curve_minds() {
            assertThat(signs(rep(away(14, 20, 24), Spine.NATURAL_CURVE, mark(19.5, 24.5))))
                    .containsExactly(SignCode.BACK_PRESSED);
            assertThat(signs(rep(away(14, 20, 24), Spine.LIGHT_IMPRINT, mark(19.5, 24.5))))
                    .isEmpty();
            // pressed lightly it may not lift at all: one for its noise, one more
            assertThat(signs(rep(away(-3, 20, 24), Spine.LIGHT_IMPRINT, mark(19.5, 24.5))))
                    .containsExactly(SignCode.BACK_ARCHES);
            assertThat(signs(rep(away(-1.9, 20, 24), Spine.LIGHT_IMPRINT, mark(19.5, 24.5))))
                    .isEmpty();
            assertThat(signs(rep(away(-3, 20, 24), Spine.NATURAL_CURVE, mark(19.5, 24.5))))
                    .isEmpty();
        }

        @Test
        void must_stay_outside_for_three_tenths_of_a_second() {
            assertThat(signs(rep(away(-14, 20, 21.2), Spine.NATURAL_CURVE, mark(19.5, 22))))
                    .hasSize(1);
            assertThat(signs(rep(away(-11, 20, 21.2), Spine.NATURAL_CURVE, mark(19.5, 22))))
                    .isEmpty();
        }

        @Test
        void comes_back_as_it_went_or_is_dropped() {
            assertThat(rep(away(-14, 20, 25, 1, 1), Spine.NATURAL_CURVE, mark(19.5, 25.5))
                            .returnControl())
                    .isCloseTo(1, within(0.02));
            Rep dropped = rep(away(-14, 20, 26, 4, 1), Spine.NATURAL_CURVE, mark(19.5, 26.5));
            assertThat(dropped.returnControl()).isCloseTo(0.25, within(0.03));
            assertThat(dropped.letDrop()).isTrue();
            assertThat(rep(away(-14, 20, 25, 0.5, 2), Spine.NATURAL_CURVE, mark(19.5, 25.5))
                            .returnControl())
                    .as("slower back than out is no better than as slowly")
                    .isEqualTo(1);
            assertThat(rep(away(-2.9, 20, 25, 1, 1), Spine.NATURAL_CURVE, mark(19.5, 25.5))
                            .returnControl())
                    .as("hardly moved")
                    .isNull();
        }

        @Test
        void is_read_against_the_two_seconds_before_and_without_them_against_what_it_was_set_to() {
            // she settles at 44 before she lifts
            DoubleUnaryOperator settled = value -> (value < 15 ? 40 : 44) - (value > 20 && value < 24 ? 9 : 0);
            assertThat(rep(settled, Spine.NATURAL_CURVE, mark(19.8, 24.2)).excursionMmHg())
                    .isCloseTo(-9, within(0.01));
            // the lift before ended a moment ago: nothing to compare with but what it was set to
            DoubleUnaryOperator never = value -> (value < 24 ? 44 : 35) + 0.001 * Math.sin(value);
            List<Rep> two = reps(never, Spine.NATURAL_CURVE, false, mark(20, 23.9), new Mark(2, null, 24_000, 27_000));
            assertThat(two.get(1).excursionMmHg()).isCloseTo(-5, within(0.6));
        }

        @Test
        void must_come_to_rest_where_it_was_before_where_she_is_to_let_go() {
            DoubleUnaryOperator keeps = value -> value < 20 ? 40 : value < 24 ? 48 : 45;
            assertThat(signs(reps(keeps, Spine.LIGHT_IMPRINT, true, mark(19.8, 24.2))
                            .get(0)))
                    .containsExactly(SignCode.NO_LET_GO);
            // 5 away, 3 are allowed
            assertThat(reps(keeps, Spine.LIGHT_IMPRINT, true, mark(19.8, 24.2))
                            .get(0)
                            .verdict()
                            .get(0)
                            .confidence())
                    .isCloseTo(1 - 0.5 * Math.exp(-2), within(0.01));
            assertThat(signs(reps(keeps, Spine.LIGHT_IMPRINT, false, mark(19.8, 24.2))
                            .get(0)))
                    .isEmpty();
            DoubleUnaryOperator letsGo = value -> value < 20 ? 40 : value < 24 ? 48 : 42.9;
            assertThat(signs(reps(letsGo, Spine.LIGHT_IMPRINT, true, mark(19.8, 24.2))
                            .get(0)))
                    .isEmpty();
            // the next lift comes before anybody can tell
            assertThat(signs(reps(keeps, Spine.LIGHT_IMPRINT, true, mark(19.8, 24.2), new Mark(2, null, 25_000, 28_000))
                            .get(0)))
                    .isEmpty();
        }

        @Test
        void finds_the_lifts_where_nobody_marked_them() {
            DoubleUnaryOperator three = value -> 40
                    - 8 * lift(value, 15, 18)
                    - 8 * lift(value, 25, 28)
                    + 8 * lift(value, 35, 38)
                    - 8 * lift(value, 45, 45.9)
                    - 2.9 * lift(value, 50, 53);
            List<Rep> reps = reps(three, Spine.NATURAL_CURVE, false);
            assertThat(reps).extracting(Rep::rep).containsExactly(1, 2, 3);
            double[] starts = {15, 25, 35};
            for (int i = 0; i < 3; i++) {
                assertThat(reps.get(i).startMs() / 1000).isCloseTo(starts[i], within(0.7));
                assertThat(reps.get(i).endMs() / 1000).isCloseTo(starts[i] + 3, within(0.7));
                assertThat(reps.get(i).startMs() / 1000).isLessThan(starts[i] + 0.2);
            }
        }

        private double lift(double s, double from, double to) {
            return Math.max(0, Math.min(1, Math.min((s - from) / 0.4, (to - s) / 0.4)));
        }

        @Test
        void that_was_lost_within_a_lift_says_nothing_of_it() {
            double[] times = new double[1500];
            double[] mmHg = new double[1500];
            for (int i = 0; i < 1500; i++) {
                times[i] = 40.0 * i;
                mmHg[i] = i > 520 && i < 560 ? Double.NaN : 40 + (i % 3) * 0.01 - (i > 500 && i < 600 ? 14 : 0);
            }
            Trace trace = Trace.of(times, Map.of(Channel.CUFF, mmHg));
            Rep rep = TraceAnalysis.of(new Question(
                            trace,
                            EffortTiming.EXHALE_EFFORT_ONLY,
                            Spine.NATURAL_CURVE,
                            40,
                            10,
                            List.of(mark(19.5, 24.5))))
                    .reps()
                    .get(0);
            assertThat(rep.excursionMmHg()).isNull();
            assertThat(rep.verdict()).isEmpty();
        }
    }

    @Nested
    class A_belt {
        /** In for two seconds, out for three, from zero up by one and back; every five seconds. */
        private double breath(double s) {
            double at = s % 5;
            return at < 2 ? (1 - Math.cos(Math.PI * at / 2)) / 2 : (1 + Math.cos(Math.PI * (at - 2) / 3)) / 2;
        }

        private TraceReport report(DoubleUnaryOperator ribs, DoubleUnaryOperator belly, Double tempoS, Mark... marks) {
            return TraceAnalysis.of(new Question(
                    drawn(Map.of(Channel.RIBS, ribs, Channel.BELLY, belly)),
                    EffortTiming.EXHALE_EFFORT_ONLY,
                    Spine.NATURAL_CURVE,
                    40,
                    10,
                    tempoS,
                    false,
                    List.of(marks)));
        }

        @Test
        void tells_each_breath_in_and_out() {
            TraceReport report = report(this::breath, this::breath, null);
            assertThat(report.summary().breathsPerMin()).isCloseTo(12, within(0.05));
            assertThat(report.breaths().size()).isBetween(10, 12);
            report.breaths().subList(1, 9).forEach(breath -> {
                double in = breath.inMs() / 1000 % 5;
                assertThat(Math.min(in, 5 - in)).as("in at %s", breath.inMs()).isLessThan(0.25);
                assertThat(breath.outMs() / 1000 % 5).isCloseTo(2, within(0.25));
            });
        }

        @ParameterizedTest(name = "effort {0} s after the out-breath begins")
        @CsvSource({"0.6", "0", "-0.6", "1.2"})
        void tells_how_far_the_breath_goes_before_the_effort(double afterS) {
            Rep rep = report(this::breath, this::breath, null, mark(22 + afterS, 24.5 + afterS))
                    .reps()
                    .get(0);
            assertThat(rep.leadS()).isCloseTo(afterS, within(0.25));
        }

        /** Breathes on until 20 s, then nothing for so long, at the height it has. */
        private DoubleUnaryOperator holding(double seconds, double drift) {
            return value -> value < 22
                    ? breath(value)
                    : value < 22 + seconds ? 1 + drift * (value - 22) : breath(value - seconds);
        }

        @Test
        void that_comes_to_rest_under_effort_is_a_breath_held() {
            TraceReport held = report(holding(4, 0), value -> breath(value) / 2, null, mark(22, 25));
            assertThat(held.holds()).hasSize(1);
            assertThat(held.reps().get(0).heldS()).isCloseTo(4, within(0.5));
            assertThat(signs(held.reps().get(0))).contains(SignCode.BREATH_HELD);
            assertThat(report(holding(2, 0), value -> breath(value) / 2, null, mark(22, 25))
                            .reps()
                            .get(0)
                            .heldS())
                    .as("two seconds are a pause")
                    .isZero();
            assertThat(report(holding(4, 0), value -> breath(value) / 2, null, mark(40, 43))
                            .holds())
                    .as("not under effort")
                    .isEmpty();
            assertThat(report(holding(4, 0), value -> breath(value) / 2, null, mark(25.2, 28))
                            .holds())
                    .as("hardly a second of it under effort")
                    .isEmpty();
            assertThat(report(holding(4, -0.12), value -> breath(value) / 2, null, mark(22, 25))
                            .holds())
                    .as("it goes on leaving")
                    .isEmpty();
        }

        @Test
        void of_the_belly_that_goes_out_while_the_ribs_go_in_is_a_wall_that_bulges() {
            // out under effort from 23 to 24.5 s by 0.6 of a breath, while the ribs fall
            DoubleUnaryOperator bulges = value ->
                    breath(value) + (value > 22.5 && value < 25 ? 1.2 * Math.sin(Math.PI * (value - 22.5) / 2.5) : 0);
            Rep rep =
                    report(this::breath, bulges, null, mark(22.2, 24.8)).reps().get(0);
            assertThat(rep.bellyOut()).isGreaterThan(0.25);
            assertThat(signs(rep)).contains(SignCode.WALL_BULGE);
            Rep well = report(this::breath, this::breath, null, mark(22.2, 24.8))
                    .reps()
                    .get(0);
            assertThat(well.bellyOut()).isLessThan(0.05);
            assertThat(well.verdict()).isEmpty();
        }

        @Test
        void goes_with_efforts_of_their_length_and_one_much_shorter_is_rushed() {
            Mark[] marks = {mark(12, 15), mark(22, 25), mark(32, 33.7), mark(42, 45)};
            List<Rep> reps = report(this::breath, this::breath, null, marks).reps();
            assertThat(signs(reps.get(1))).isEmpty();
            assertThat(signs(reps.get(2))).containsExactly(SignCode.RUSHED);
            // 1.7 of 3 s are 0.567, 0.6 would do
            assertThat(reps.get(2).verdict().get(0).confidence())
                    .isCloseTo(1 - 0.5 * Math.exp(-(0.6 - 1.7 / 3) / 0.1), within(1e-6));
            assertThat(signs(report(this::breath, this::breath, 3.0, mark(32, 33.9))
                            .reps()
                            .get(0)))
                    .as("0.63 of its tempo")
                    .isEmpty();
            assertThat(signs(report(this::breath, this::breath, 5.0, mark(32, 34.9))
                            .reps()
                            .get(0)))
                    .as("0.58 of its tempo")
                    .containsExactly(SignCode.RUSHED);
        }
    }

    @ParameterizedTest(name = "{0} beyond at a scale of {1}")
    @CsvSource({"0, 1, 0.5", "1, 1, 0.81606", "2, 1, 0.93233", "-1, 1, 0.18394", "1, 2, 0.69673", "-1, 2, 0.30327"})
    void confidence_is_even_at_the_threshold_and_grows_with_what_is_beyond(double beyond, double scale, double is) {
        assertThat(TraceAnalysis.confidence(beyond, scale)).isCloseTo(is, within(1e-5));
    }
}
