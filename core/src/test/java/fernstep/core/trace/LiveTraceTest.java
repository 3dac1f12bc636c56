package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.trace.LiveTrace.Sample;
import fernstep.core.trace.Trace.Problem.Code;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A recording while it comes in. */
class LiveTraceTest {
    private static final LiveTrace.Settings USUAL =
            new LiveTrace.Settings(Stances.EffortTiming.EXHALE_EFFORT_ONLY, Stances.Spine.NATURAL_CURVE, 40, 10);

    /** Breaths of six seconds; the cuff falls by 15 mmHg from 100 s to 103 s and in the same way every 20 s after. */
    private static Sample at(double s, boolean arches) {
        boolean lifts = s >= 100 && s % 20 < 3;
        double noise = Math.sin(977 * s);
        return new Sample(
                1000 * s,
                Map.of(
                        Channel.CUFF, 40 - (lifts && arches ? 15 : 0) + 0.3 * noise,
                        Channel.RIBS, 10 - Math.cos(Math.PI * s / 3) / 2 + 0.01 * noise));
    }

    private static void stream(LiveTrace live, double fromS, double toS, boolean arches, long firstSequence) {
        long sequence = firstSequence;
        for (double s = fromS; s < toS; s += 0.1) {
            List<Sample> batch = new ArrayList<>();
            for (int i = 0; i < 5; i++) {
                batch.add(at(s + i * 0.02, arches));
            }
            live.take(sequence++, batch);
        }
    }

    @Test
    void a_repetition_is_judged_the_moment_it_is_counted_by_what_has_come_so_far() {
        LiveTrace live = new LiveTrace();
        stream(live, 0, 103.2, true, 1);
        TraceReport.Rep rep = live.judge(new TraceAnalysis.Mark(1, Side.LEFT, 100_000, 103_000), USUAL)
                .orElseThrow();
        assertThat(rep.verdict()).first().satisfies(verdict -> {
            assertThat(verdict.sign()).isEqualTo(SignCode.BACK_ARCHES);
            assertThat(verdict.confidence()).isGreaterThan(TraceReport.SURE);
        });
        LiveTrace still = new LiveTrace();
        stream(still, 0, 103.2, false, 1);
        assertThat(still.judge(new TraceAnalysis.Mark(1, Side.LEFT, 100_000, 103_000), USUAL))
                .hasValueSatisfying(each -> assertThat(each.clean()).isTrue());
    }

    @Test
    void it_keeps_two_minutes_however_long_it_runs() {
        LiveTrace live = new LiveTrace();
        stream(live, 0, 1000, true, 1);
        // fifty a second
        assertThat(live.window().size()).isBetween(5990, 6010);
        assertThat(live.window().whole().timeMs(0)).isGreaterThan(879_000);
        assertThat(live.judge(new TraceAnalysis.Mark(40, Side.RIGHT, 980_000, 983_000), USUAL))
                .hasValueSatisfying(rep -> assertThat(rep.rep()).isEqualTo(40));
    }

    @Test
    void nothing_is_said_of_a_repetition_before_anything_of_it_has_come() {
        LiveTrace live = new LiveTrace();
        assertThat(live.judge(new TraceAnalysis.Mark(1, null, 0, 3000), USUAL)).isEmpty();
        stream(live, 0, 20, false, 1);
        assertThat(live.judge(new TraceAnalysis.Mark(1, null, 25_000, 28_000), USUAL))
                .isEmpty();
    }

    @Test
    void a_batch_sent_twice_is_taken_once_and_lost_ones_backward_times_and_no_numbers_are_said() {
        LiveTrace live = new LiveTrace();
        stream(live, 0, 20, false, 1);
        int size = live.window().size();
        assertThat(live.take(10, List.of(at(50, false))).taken()).isEqualTo(LiveTrace.Taken.REPEATED);
        assertThat(live.window().size()).isEqualTo(size);
        assertThat(live.take(205, List.of(at(5, false), at(21, false))).samples())
                .hasSize(1);
        live.take(206, List.of(new Sample(21_100, Map.of(Channel.CUFF, Double.NaN, Channel.RIBS, 10.1))));
        assertThat(live.problems())
                .extracting(Trace.Problem::code)
                .contains(Code.BATCH_REPEATED, Code.BATCH_MISSING, Code.TIME_NOT_RISING, Code.NOT_A_NUMBER)
                .doesNotContain(Code.CHANNEL_SWAPPED, Code.CHANNEL_CLIPS);
    }

    @Test
    void the_very_same_batch_or_moment_does_not_count_again() {
        LiveTrace live = new LiveTrace();
        live.take(1, List.of(at(1, false)));
        assertThat(live.problems()).as("one sample tells nothing").isEmpty();
        assertThat(live.take(1, List.of(at(2, false))).taken()).isEqualTo(LiveTrace.Taken.REPEATED);
        assertThat(live.take(2, List.of(at(1, false), at(2, false))).samples()).hasSize(1);
        assertThat(live.problems())
                .extracting(Trace.Problem::code)
                .contains(Code.BATCH_REPEATED, Code.TIME_NOT_RISING)
                .as("two batches, none between")
                .doesNotContain(Code.BATCH_MISSING)
                .as("it has only begun")
                .doesNotContain(Code.TOO_SHORT);
    }

    @Test
    void of_the_repetition_before_only_that_she_did_not_let_go_is_said() {
        TraceReport.Verdict arches = new TraceReport.Verdict(SignCode.BACK_ARCHES, 0.9);
        TraceReport.Verdict keeps = new TraceReport.Verdict(SignCode.NO_LET_GO, 0.8);
        TraceReport report = new TraceReport(
                50,
                60_000,
                List.of(),
                List.of(),
                List.of(rep(1_000, arches, keeps), rep(9_000, arches), rep(20_000)),
                new Repetitions(List.of()).summary(List.of()),
                List.of(),
                List.of());
        assertThat(LiveTrace.counted(report, new TraceAnalysis.Mark(2, null, 9_000, 12_000)))
                .hasValueSatisfying(rep -> assertThat(rep.verdict()).containsExactly(arches, keeps));
        assertThat(LiveTrace.counted(report, new TraceAnalysis.Mark(3, null, 20_000, 22_000)))
                .hasValueSatisfying(rep -> assertThat(rep.verdict()).isEmpty());
        assertThat(LiveTrace.counted(report, new TraceAnalysis.Mark(4, null, 30_000, 32_000)))
                .as("nothing of it in the report")
                .isEmpty();
    }

    private static TraceReport.Rep rep(double startMs, TraceReport.Verdict... verdict) {
        return new TraceReport.Rep(
                1, null, startMs, startMs + 2_000, null, 0, null, 0, 0, null, null, List.of(verdict));
    }

    @Test
    void swapped_and_clipped_channels_are_named() {
        LiveTrace swapped = new LiveTrace();
        LiveTrace clipped = new LiveTrace();
        for (int i = 0; i < 3000; i++) {
            Sample right = at(i * 0.02, true);
            double cuff = right.values().getOrDefault(Channel.CUFF, 0.0);
            double ribs = right.values().getOrDefault(Channel.RIBS, 0.0);
            swapped.take(i + 1, List.of(new Sample(20 * i, Map.of(Channel.CUFF, ribs, Channel.RIBS, cuff))));
            clipped.take(
                    i + 1, List.of(new Sample(20 * i, Map.of(Channel.CUFF, cuff, Channel.RIBS, Math.min(10.3, ribs)))));
        }
        assertThat(swapped.problems())
                .extracting(Trace.Problem::code)
                .containsExactlyInAnyOrder(Code.CHANNEL_SWAPPED, Code.CHANNEL_MISSING);
        assertThat(clipped.problems()).extracting(Trace.Problem::code).contains(Code.CHANNEL_CLIPS);
    }

    @Test
    void where_one_belt_says_nothing_nothing_is_read() {
        LiveTrace live = new LiveTrace();
        for (int i = 0; i < 1500; i++) {
            Sample all = at(i * 0.02, false);
            boolean lost = i >= 500 && i < 600;
            live.take(
                    i + 1, List.of(lost ? new Sample(all.timeMs(), Map.of(Channel.CUFF, 40.0 + 0.01 * (i % 7))) : all));
        }
        // the last sample before and the first after the hole of two seconds
        assertThat(live.window().whole().trace().gaps()).containsExactly(new Trace.Gap(9980, 12_000));
    }

    /** Lifts from 97 s to 100 s and from 107 s to 110 s; after the first the cuff stays at 47. */
    private static void lifting(LiveTrace live, int from, int to) {
        for (int i = from; i < to; i++) {
            double s = i * 0.02;
            boolean lifts = s % 10 >= 7 && s > 90;
            double cuff = 40 + (lifts ? 9 : s >= 100 ? 7 : 0) + 0.2 * Math.sin(977 * s);
            live.take(i + 1, List.of(new Sample(1000 * s, Map.of(Channel.CUFF, cuff))));
        }
    }

    @Test
    void that_she_did_not_let_go_is_said_with_the_next_repetition() {
        LiveTrace live = new LiveTrace();
        lifting(live, 0, 5010);
        LiveTrace.Settings lifts = USUAL.on(3, true);
        TraceAnalysis.Mark first = new TraceAnalysis.Mark(1, null, 97_000, 100_000);
        assertThat(live.judge(new TraceAnalysis.Mark(9, null, 87_000, 90_000), lifts))
                .hasValueSatisfying(rep -> assertThat(rep.verdict()).isEmpty());
        assertThat(live.judge(first, lifts))
                .as("nothing was lifted before it that was not let go")
                .hasValueSatisfying(rep -> assertThat(rep.verdict())
                        .extracting(TraceReport.Verdict::sign)
                        .doesNotContain(SignCode.NO_LET_GO));
        lifting(live, 5010, 5510);
        assertThat(live.judge(new TraceAnalysis.Mark(2, null, 107_000, 110_000), lifts))
                .hasValueSatisfying(rep -> assertThat(rep.verdict())
                        .filteredOn(verdict -> verdict.sign() == SignCode.NO_LET_GO)
                        .singleElement()
                        .satisfies(verdict -> assertThat(verdict.confidence()).isGreaterThan(TraceReport.SURE)));
        assertThat(live.judge(new TraceAnalysis.Mark(2, null, 107_000, 110_000), USUAL.on(3, false)))
                .as("a rung that does not ask for it")
                .hasValueSatisfying(rep -> assertThat(rep.verdict())
                        .extracting(TraceReport.Verdict::sign)
                        .doesNotContain(SignCode.NO_LET_GO));
    }

    @Test
    void a_light_imprint_may_press_and_not_lift() {
        assertThat(USUAL.bandLowMmHg()).isEqualTo(30);
        assertThat(USUAL.bandHighMmHg()).isEqualTo(50);
        LiveTrace.Settings imprint =
                new LiveTrace.Settings(Stances.EffortTiming.EXHALE_EFFORT_ONLY, Stances.Spine.LIGHT_IMPRINT, 40, 10);
        assertThat(imprint.bandLowMmHg()).isEqualTo(40);
        assertThat(imprint.bandHighMmHg()).isEqualTo(50);
    }

    @Test
    void a_device_that_was_under_way_before_has_lost_nothing_by_the_number_it_comes_with() {
        LiveTrace live = LiveTrace.ofOneUnderWay();
        stream(live, 40, 42, false, 400);
        assertThat(live.problems()).extracting(Trace.Problem::code).doesNotContain(Code.BATCH_MISSING);
        assertThat(live.window().size()).isEqualTo(100);
        stream(live, 43, 44, false, 430);
        assertThat(live.problems()).anySatisfy(problem -> {
            assertThat(problem.code()).isEqualTo(Code.BATCH_MISSING);
            // 400 to 419 came, then 430
            assertThat(problem.text().facts()).containsExactly(10);
        });
    }
}
