package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.trace.Trace.Problem.Code;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** How samples come onto the even grid of 25 a second, what is said of them, and how they are kept as they came. */
class TraceGridTest {
    private static double[] line(int many, IntToDoubleFunction value) {
        double[] x = new double[many];
        Arrays.setAll(x, value);
        return x;
    }

    private static double[] every(double stepMs, int many) {
        return line(many, index -> index * stepMs);
    }

    private static List<Code> problems(Trace trace) {
        return trace.problems().stream().map(Trace.Problem::code).toList();
    }

    private static List<Object> factsOf(Trace trace, Code code) {
        return trace.problems().stream()
                .filter(problem -> problem.code() == code)
                .findFirst()
                .orElseThrow()
                .text()
                .facts();
    }

    private static final Channel[] BELTS = {Channel.RIBS, Channel.BELLY};

    /** A cuff at about 40 mmHg with both belts beside it, moving. */
    private static Trace cuff(double[] times, double[] mmHg) {
        Map<Channel, double[]> values = new HashMap<>();
        values.put(Channel.CUFF, mmHg);
        for (Channel belt : BELTS) {
            values.put(belt, line(times.length, index -> Math.sin(index / 7.0)));
        }
        return Trace.of(times, values);
    }

    @Test
    void what_comes_faster_is_averaged_into_its_step() {
        Trace trace = cuff(every(20, 1000), line(1000, index -> index));
        // 20 ms and 40 ms fall into the second point, 60 and 80 into the third
        assertThat(trace.values(Channel.CUFF)[0]).isZero();
        assertThat(trace.values(Channel.CUFF)[1]).isEqualTo(1.5);
        assertThat(trace.values(Channel.CUFF)[2]).isEqualTo(3.5);
        assertThat(trace.length()).isEqualTo(500);
        assertThat(trace.rateHz()).isEqualTo(50);
        assertThat(trace.durationMs()).isEqualTo(499 * 40.0);
        assertThat(trace.problems()).isEmpty();
    }

    @Test
    void short_holes_are_bridged_straight_and_the_ends_stay_level() {
        double[] mmHg = line(300, index -> 40 + index % 3);
        Arrays.fill(mmHg, 0, 4, Double.NaN);
        mmHg[4] = 44;
        mmHg[10] = 10;
        Arrays.fill(mmHg, 11, 15, Double.NaN);
        mmHg[15] = 20;
        mmHg[295] = 33;
        Arrays.fill(mmHg, 296, 300, Double.NaN);
        double[] grid = cuff(every(40, 300), mmHg).values(Channel.CUFF);
        assertThat(Arrays.copyOfRange(grid, 0, 5)).containsOnly(44);
        assertThat(Arrays.copyOfRange(grid, 10, 16))
                .containsExactly(new double[] {10, 12, 14, 16, 18, 20}, within(1e-9));
        assertThat(Arrays.copyOfRange(grid, 295, 300)).containsOnly(33);
    }

    @Nested
    class A_hole {
        private Trace without(int from, int to, double stepMs) {
            double[] mmHg = line(400, index -> 40 + index % 3);
            Arrays.fill(mmHg, from, to, Double.NaN);
            return cuff(every(stepMs, 400), mmHg);
        }

        @Test
        void of_more_than_half_a_second_is_a_gap() {
            // from 100 to 113 are 13 steps of 40 ms: 520 ms; one step less is 480
            assertThat(without(101, 113, 40).gaps()).containsExactly(new Trace.Gap(4000, 4520));
            assertThat(without(101, 112, 40).gaps()).isEmpty();
            // exactly 500 ms
            assertThat(without(101, 120, 25).gaps()).isEmpty();
            assertThat(without(101, 121, 25).gaps()).containsExactly(new Trace.Gap(2500, 3025));
        }

        @Test
        void is_told_by_what_is_usual_where_samples_come_slowly() {
            // every 200 ms: more than three of them, 600 ms
            assertThat(without(101, 103, 200).gaps()).isEmpty();
            assertThat(without(101, 104, 200).gaps()).containsExactly(new Trace.Gap(20_000, 20_800));
        }

        @Test
        void breaks_what_touches_it_and_is_said_with_how_much_is_lost() {
            Trace trace = without(101, 151, 40);
            // 51 steps of 40 ms
            assertThat(trace.gaps()).containsExactly(new Trace.Gap(4000, 6040));
            assertThat(factsOf(trace, Code.SAMPLES_MISSING)).containsExactly(1, 2L);
            assertThat(trace.broken(3000, 4000)).isFalse();
            assertThat(trace.broken(3000, 4001)).isTrue();
            assertThat(trace.broken(6040, 7000)).isFalse();
            assertThat(trace.broken(6039, 7000)).isTrue();
        }

        @Test
        void of_two_channels_that_overlap_is_one() {
            double[] mmHg = line(400, index -> 40 + index % 3);
            double[] ribs = line(400, index -> Math.sin(index / 7.0));
            double[] belly = ribs.clone();
            Arrays.fill(mmHg, 201, 240, Double.NaN);
            Arrays.fill(ribs, 221, 260, Double.NaN);
            Arrays.fill(belly, 101, 131, Double.NaN);
            Trace trace =
                    Trace.of(every(40, 400), Map.of(Channel.CUFF, mmHg, Channel.RIBS, ribs, Channel.BELLY, belly));
            assertThat(trace.gaps()).containsExactly(new Trace.Gap(4000, 5240), new Trace.Gap(8000, 10_400));
            // 1.24 s and 2.4 s
            assertThat(factsOf(trace, Code.SAMPLES_MISSING)).containsExactly(2, 4L);
        }
    }

    @Nested
    class It_is_said {
        @Test
        void that_a_time_did_not_rise() {
            double[] times = every(40, 300);
            times[100] = times[99];
            times[200] = 10;
            assertThat(factsOf(cuff(times, line(300, index -> 40 + index % 3)), Code.TIME_NOT_RISING))
                    .containsExactly(2);
        }

        @Test
        void that_it_is_shorter_than_ten_seconds() {
            assertThat(problems(cuff(every(40, 250), line(250, index -> 40 + index % 3))))
                    .isEmpty();
            Trace brief = cuff(every(40, 249), line(249, index -> 40 + index % 3));
            assertThat(problems(brief)).containsExactly(Code.TOO_SHORT);
            assertThat(factsOf(brief, Code.TOO_SHORT)).containsExactly(10L);
            assertThat(factsOf(cuff(every(40, 101), line(101, index -> 40 + index % 3)), Code.TOO_SHORT))
                    .containsExactly(4L);
        }

        @Test
        void that_the_cuff_is_where_a_belt_should_be() {
            double[] belt = line(300, index -> Math.sin(index / 7.0));
            assertThat(swapped(belt, 20)).isTrue();
            assertThat(swapped(belt, 80)).isTrue();
            assertThat(swapped(belt, 19.9)).isFalse();
            assertThat(swapped(belt, 80.1)).isFalse();
            assertThat(swapped(line(300, index -> 40 + index % 3), 40))
                    .as("a cuff is there")
                    .isFalse();
        }

        /** With a median at this level on the ribs' channel. */
        private boolean swapped(double[] onTheCuff, double level) {
            double[] ribs = line(300, index -> level + index % 3 - 1);
            return problems(Trace.of(every(40, 300), Map.of(Channel.CUFF, onTheCuff, Channel.RIBS, ribs)))
                    .contains(Code.CHANNEL_SWAPPED);
        }

        @Test
        void that_a_channel_was_not_there_or_still() {
            Trace trace = Trace.of(
                    every(40, 300),
                    Map.of(
                            Channel.CUFF,
                            line(300, index -> 40 + index % 3),
                            Channel.RIBS,
                            line(300, index -> 1),
                            Channel.BELLY,
                            line(300, index -> Double.NaN)));
            assertThat(problems(trace)).containsExactlyInAnyOrder(Code.CHANNEL_FLAT, Code.CHANNEL_MISSING);
            assertThat(trace.has(Channel.CUFF)).isTrue();
            assertThat(trace.has(Channel.RIBS)).isFalse();
            assertThat(trace.values(Channel.BELLY)).isEmpty();
        }
    }

    @Test
    void a_recording_has_samples_and_is_no_longer_than_twelve_hours() {
        double[] two = {40, 41};
        assertThat(Trace.of(new double[] {0, 12 * 3_600_000.0}, Map.of(Channel.CUFF, two))
                        .durationMs())
                .isEqualTo(12 * 3_600_000.0);
        assertThatThrownBy(() -> Trace.of(new double[] {0, 12 * 3_600_000.0 + 1}, Map.of(Channel.CUFF, two)))
                .hasMessage("a trace of more than 12 hours");
        assertThatThrownBy(() -> Trace.of(new double[0], Map.of())).hasMessageContaining("needs samples");
        assertThatThrownBy(() -> Trace.of(new double[] {0}, Map.of(Channel.CUFF, two)))
                .hasMessageContaining("as many of each channel as times");
        assertThatThrownBy(() -> Trace.of(new double[] {Double.NaN}, Map.of())).hasMessage("a trace needs times");
        assertThat(Trace.of(new double[] {5}, Map.of(Channel.CUFF, new double[] {40}))
                        .rateHz())
                .isZero();
    }

    @Test
    void a_recording_may_begin_late_and_is_as_long_as_it_is() {
        double eleven = 11 * 3_600_000.0;
        Trace trace = cuff(line(100, index -> eleven + 40.0 * index), line(100, index -> 40 + Math.sin(index)));
        assertThat(trace.durationMs()).isEqualTo(99 * 40.0);
        assertThat(factsOf(trace, Code.TOO_SHORT)).containsExactly(4L);
    }

    @Test
    void its_rate_is_that_of_the_usual_step() {
        Trace trace = Trace.of(new double[] {0, 20, 40}, Map.of(Channel.RIBS, new double[] {1, 2, 3}));
        assertThat(trace.rateHz()).isEqualTo(50);
    }

    private static boolean isWithin(int index, int from, int to) {
        return index > from && index < to;
    }

    @Test
    void gaps_of_two_channels_are_told_in_order_and_joined_where_they_meet() {
        Map<Channel, double[]> values = new LinkedHashMap<>();
        values.put(
                Channel.RIBS,
                line(
                        2000,
                        index -> isWithin(index, 1000, 1100) || isWithin(index, 1600, 1700) ? Double.NaN : index % 7));
        values.put(
                Channel.CUFF,
                line(
                        2000,
                        index ->
                                isWithin(index, 200, 300) || isWithin(index, 900, 1000) ? Double.NaN : 40 + index % 9));
        Trace trace = Trace.of(every(40, 2000), values);
        assertThat(trace.gaps())
                .extracting(gap -> gap.startMs() / 40, gap -> gap.endMs() / 40)
                .containsExactly(tuple(200.0, 300.0), tuple(900.0, 1100.0), tuple(1600.0, 1700.0));
    }

    @Test
    void a_moment_is_found_on_the_grid_and_back() {
        double[] times = line(300, index -> 1000 + 40.0 * index);
        Trace trace = cuff(times, line(300, index -> 40 + index % 3));
        assertThat(trace.ms(0)).isEqualTo(1000);
        assertThat(trace.ms(2.5)).isEqualTo(1100);
        assertThat(trace.at(1100)).isEqualTo(3);
        assertThat(trace.at(1059)).isEqualTo(1);
        assertThat(trace.at(0)).isZero();
        assertThat(trace.at(1e9)).isEqualTo(299);
    }

    @Test
    void a_stretch_is_drawn_at_even_steps_and_nothing_where_nothing_is() {
        double[] times = line(300, index -> 1000 + 40.0 * index);
        double[] mmHg = line(300, index -> 40 + (index % 2 == 0 ? 1e-9 : 0));
        Arrays.fill(mmHg, 101, 151, Double.NaN);
        mmHg[0] = 40.5;
        Trace trace = cuff(times, mmHg);
        // from one second before to the gap at 5 s, a point a second
        double[] drawn = trace.line(Channel.CUFF, 0, 8000, 9);
        assertThat(drawn[0]).isNaN();
        assertThat(drawn[1]).isCloseTo(40, within(0.5));
        assertThat(drawn[2]).isCloseTo(40, within(1e-3));
        assertThat(drawn[6]).as("in the gap").isNaN();
        assertThat(drawn[8]).isCloseTo(40, within(1e-3));
        double[] end = trace.line(Channel.CUFF, 12_000, 13_000, 3);
        // the last point is 1000 + 299 · 40 = 12960
        assertThat(end[0]).isCloseTo(40, within(1e-3));
        assertThat(end[1]).isCloseTo(40, within(1e-3));
        assertThat(end[2]).isNaN();
        assertThat(trace.line(Channel.CUFF, 12_960, 12_960, 2)[0]).isNotNaN();
        assertThat(trace.line(Channel.CUFF, 1000, 1000, 2)[1]).isNotNaN();
        Trace alone = Trace.of(times, Map.of(Channel.CUFF, mmHg));
        assertThat(alone.line(Channel.RIBS, 1000, 2000, 3)).containsOnly(Double.NaN);
    }

    @Nested
    class As_they_came {
        private final Samples samples =
                new Samples(new double[] {0, 20, 30}, Map.of(Channel.CUFF, new double[] {40, Double.NaN, 42}));

        @Test
        void samples_are_kept() {
            assertThat(samples.size()).isEqualTo(3);
            assertThat(samples.has(Channel.CUFF)).isTrue();
            assertThat(samples.has(Channel.RIBS)).isFalse();
            assertThat(samples.timeMs(1)).isEqualTo(20);
            assertThat(samples.value(Channel.CUFF, 2)).isEqualTo(42);
            assertThat(samples.value(Channel.CUFF, 1)).isNaN();
            assertThat(samples.value(Channel.RIBS, 2)).isNaN();
            assertThat(samples.times()).containsExactly(0, 20, 30);
            assertThat(samples.line(Channel.CUFF)).containsExactly(40, Double.NaN, 42);
            assertThat(samples.line(Channel.RIBS)).hasSize(3).containsOnly(Double.NaN);
        }

        @Test
        void nobody_changes_them_from_outside() {
            samples.times()[0] = 99;
            samples.line(Channel.CUFF)[0] = 99;
            assertThat(samples.timeMs(0)).isZero();
            assertThat(samples.value(Channel.CUFF, 0)).isEqualTo(40);
        }

        @Test
        void a_buffer_grows_at_one_end_and_lets_go_at_the_other() {
            SampleBuffer buffer = new SampleBuffer();
            assertThat(buffer.isEmpty()).isTrue();
            for (int i = 0; i < 5000; i++) {
                buffer.add(i, i % 2 == 0 ? Map.of(Channel.CUFF, 40.0 + i) : Map.of(Channel.RIBS, (double) i));
                buffer.forgetBefore(i - 99.0);
                assertThat(buffer.lastMs()).isEqualTo(i);
            }
            assertThat(buffer.size()).isEqualTo(100);
            Samples whole = buffer.whole();
            assertThat(whole.timeMs(0)).isEqualTo(4900);
            assertThat(whole.value(Channel.CUFF, 0)).isEqualTo(4940);
            assertThat(whole.value(Channel.CUFF, 1)).isNaN();
            assertThat(whole.value(Channel.RIBS, 1)).isEqualTo(4901);
            assertThat(whole.size()).isEqualTo(100);
        }

        @Test
        void a_buffer_that_lets_go_of_nothing_keeps_all() {
            SampleBuffer buffer = new SampleBuffer();
            for (int i = 0; i < 3000; i++) {
                buffer.add(10 * i, Map.of(Channel.CUFF, (double) i));
            }
            assertThat(buffer.size()).isEqualTo(3000);
            assertThat(buffer.whole().value(Channel.CUFF, 2999)).isEqualTo(2999);
            Samples late = buffer.after(29_970);
            assertThat(late.times()).containsExactly(29_980, 29_990);
            assertThat(late.line(Channel.CUFF)).containsExactly(2998, 2999);
            assertThatThrownBy(() -> buffer.after(29_990)).isInstanceOf(IllegalArgumentException.class);
            assertThatThrownBy(() -> new SampleBuffer().whole()).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void channels_that_are_there_come_to_no_harm_by_one_that_is_not() {
        Trace trace = Trace.of(every(40, 300), Map.of(Channel.RIBS, line(300, index -> Math.sin(index / 7.0))));
        assertThat(problems(trace)).isEqualTo(Collections.nCopies(2, Code.CHANNEL_MISSING));
    }
}
