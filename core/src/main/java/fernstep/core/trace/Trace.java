package fernstep.core.trace;

import fernstep.core.measure.Reason;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * A recording on an even grid of 25 points a second. What arrives faster is averaged, short holes are bridged by straight
 * lines, longer ones are gaps; a sample whose time does not rise is left out and said.
 */
public final class Trace {
    /** Points a second: breath and effort move below 3 Hz. */
    static final int HZ = 25;

    private static final double STEP_MS = 1000.0 / HZ;
    private static final double GAP_MS = 500;
    private static final int MOST_HOURS = 12;
    private static final double DRAWN_SMOOTH_S = 0.1;

    private final Map<Channel, double[]> grid;
    private final int length;
    private final double startMs;
    private final double rateHz;
    private final List<Gap> gaps;
    private final List<Problem> problems;

    private Trace(
            Map<Channel, double[]> grid,
            int length,
            double startMs,
            double rateHz,
            List<Gap> gaps,
            List<Problem> problems) {
        this.grid = grid;
        this.length = length;
        this.startMs = startMs;
        this.rateHz = rateHz;
        this.gaps = List.copyOf(gaps);
        this.problems = List.copyOf(problems);
    }

    /**
     * A hole in what was received.
     *
     * @param startMs from the start of the recording
     * @param endMs from the start of the recording
     */
    public record Gap(double startMs, double endMs) {}

    /** Something about the recording that whoever reads it must know. */
    public record Problem(Code code, Reason text) {
        /** What is wrong. */
        public enum Code {
            TIME_NOT_RISING,
            SAMPLES_MISSING,
            CHANNEL_MISSING,
            CHANNEL_FLAT,
            CHANNEL_CLIPS,
            CHANNEL_SWAPPED,
            BATCH_REPEATED,
            BATCH_MISSING,
            NOT_A_NUMBER,
            TOO_SHORT
        }

        static Problem of(Code code, Object... facts) {
            return new Problem(code, Reason.of("trace.problem." + code, facts));
        }
    }

    /**
     * @param timesMs of the samples, rising
     * @param values by channel, as long as the times; NaN where a sample is missing
     * @throws IllegalArgumentException for lengths that differ, no samples, or more than 12 hours
     */
    public static Trace of(double[] timesMs, Map<Channel, double[]> values) {
        if (timesMs.length == 0 || values.values().stream().anyMatch(each -> each.length != timesMs.length)) {
            throw new IllegalArgumentException("a trace needs samples, as many of each channel as times");
        }
        List<Problem> problems = new ArrayList<>();
        int[] kept = rising(timesMs);
        if (kept.length < timesMs.length) {
            problems.add(Problem.of(Problem.Code.TIME_NOT_RISING, timesMs.length - kept.length));
        }
        double start = timesMs[kept[0]];
        double end = timesMs[kept[kept.length - 1]];
        if (end - start > MOST_HOURS * 3_600_000.0) {
            throw new IllegalArgumentException("a trace of more than " + MOST_HOURS + " hours");
        }
        double step = medianStep(timesMs, kept);
        List<Gap> gaps = gaps(timesMs, kept, values);
        int length = (int) Math.floor((end - start) / STEP_MS) + 1;
        Map<Channel, double[]> grid = new EnumMap<>(Channel.class);
        for (Channel channel : Channel.values()) {
            double[] samples = values.get(channel);
            if (samples == null || Arrays.stream(samples).allMatch(Double::isNaN)) {
                problems.add(Problem.of(Problem.Code.CHANNEL_MISSING, channel.name()));
                continue;
            }
            if (ChannelCheck.flat(samples)) {
                problems.add(Problem.of(Problem.Code.CHANNEL_FLAT, channel.name()));
                continue;
            }
            if (ChannelCheck.clips(samples)) {
                problems.add(Problem.of(Problem.Code.CHANNEL_CLIPS, channel.name()));
            }
            grid.put(channel, onGrid(timesMs, samples, kept, start, length));
        }
        if (ChannelCheck.swapped(grid)) {
            problems.add(Problem.of(Problem.Code.CHANNEL_SWAPPED));
        }
        if (!gaps.isEmpty()) {
            double lost = gaps.stream()
                    .mapToDouble(gap -> gap.endMs() - gap.startMs())
                    .sum();
            problems.add(Problem.of(Problem.Code.SAMPLES_MISSING, gaps.size(), Math.round(lost / 1000)));
        }
        if (length < 10 * HZ) {
            problems.add(Problem.of(Problem.Code.TOO_SHORT, Math.round((end - start) / 1000)));
        }
        return new Trace(grid, length, start, step <= 0 ? 0 : 1000 / step, gaps, problems);
    }

    private static int[] rising(double[] times) {
        int[] kept = new int[times.length];
        int n = 0;
        double last = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < times.length; i++) {
            if (Double.isFinite(times[i]) && times[i] > last) {
                kept[n++] = i;
                last = times[i];
            }
        }
        if (n == 0) {
            throw new IllegalArgumentException("a trace needs times");
        }
        return Arrays.copyOf(kept, n);
    }

    private static double medianStep(double[] times, int[] kept) {
        double[] steps = new double[kept.length - 1];
        for (int i = 1; i < kept.length; i++) {
            steps[i - 1] = times[kept[i]] - times[kept[i - 1]];
        }
        return Signals.median(steps);
    }

    /** Holes of any channel that is there: where one of them says nothing, nothing is read. */
    private static List<Gap> gaps(double[] times, int[] kept, Map<Channel, double[]> values) {
        List<Gap> all = new ArrayList<>();
        for (double[] line : values.values()) {
            int[] there = Arrays.stream(kept)
                    .filter(index -> Double.isFinite(line[index]))
                    .toArray();
            if (there.length < 2) {
                continue;
            }
            double longest = Math.max(GAP_MS, 3 * medianStep(times, there));
            for (int i = 1; i < there.length; i++) {
                if (times[there[i]] - times[there[i - 1]] > longest) {
                    all.add(new Gap(times[there[i - 1]], times[there[i]]));
                }
            }
        }
        return joined(all);
    }

    private static List<Gap> joined(List<Gap> gaps) {
        gaps.sort(Comparator.comparingDouble(Gap::startMs));
        List<Gap> joined = new ArrayList<>();
        for (Gap gap : gaps) {
            Gap last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            if (last != null && gap.startMs() <= last.endMs()) {
                joined.set(joined.size() - 1, new Gap(last.startMs(), Math.max(last.endMs(), gap.endMs())));
            } else {
                joined.add(gap);
            }
        }
        return joined;
    }

    /** Means of what falls into each step; where nothing does, a straight line between its neighbours. */
    private static double[] onGrid(double[] times, double[] samples, int[] kept, double start, int length) {
        double[] sum = new double[length];
        int[] count = new int[length];
        for (int i : kept) {
            if (Double.isFinite(samples[i])) {
                int at = Math.min(length - 1, (int) Math.round((times[i] - start) / STEP_MS));
                sum[at] += samples[i];
                count[at]++;
            }
        }
        double[] grid = new double[length];
        int before = -1;
        for (int i = 0; i < length; i++) {
            if (count[i] == 0) {
                continue;
            }
            grid[i] = sum[i] / count[i];
            int from = before < 0 ? 0 : before + 1;
            for (int j = from; j < i; j++) {
                grid[j] = before < 0 ? grid[i] : grid[before] + (grid[i] - grid[before]) * (j - before) / (i - before);
            }
            before = i;
        }
        Arrays.fill(grid, Math.max(0, before), length, before < 0 ? 0 : grid[before]);
        return grid;
    }

    /** Whether the channel was there and moved. */
    public boolean has(Channel channel) {
        return grid.containsKey(channel);
    }

    /** On the even grid; empty where the channel was not there. */
    double[] values(Channel channel) {
        return grid.getOrDefault(channel, new double[0]);
    }

    /**
     * A stretch of a channel to be drawn, at even steps.
     *
     * @param fromMs as the recording counts
     * @param toMs above {@code fromMs}
     * @param points at least 2
     * @return NaN in gaps, outside the recording, and where the channel is not there
     */
    public double[] line(Channel channel, double fromMs, double toMs, int points) {
        double[] all = Signals.smooth(values(channel), DRAWN_SMOOTH_S);
        double[] line = new double[points];
        for (int i = 0; i < points; i++) {
            double ms = fromMs + (toMs - fromMs) * i / (points - 1);
            boolean there = all.length > 0 && ms >= startMs && ms <= this.ms(length - 1.0);
            line[i] = there && !broken(ms, ms) ? all[at(ms)] : Double.NaN;
        }
        return line;
    }

    int length() {
        return length;
    }

    /** The moment of a point, possibly between two, in ms as the recording counts. */
    double ms(double at) {
        return startMs + at * STEP_MS;
    }

    /** The nearest point of a moment, within the recording. */
    int at(double ms) {
        return (int) Math.max(0, Math.min(length - 1, Math.round((ms - startMs) / STEP_MS)));
    }

    /** Samples a second as they came, in Hz. */
    public double rateHz() {
        return rateHz;
    }

    /** From the first sample to the last, in ms. */
    public double durationMs() {
        return (length - 1) * STEP_MS;
    }

    public List<Gap> gaps() {
        return gaps;
    }

    public List<Problem> problems() {
        return problems;
    }

    /** Whether a stretch touches a gap. */
    boolean broken(double fromMs, double toMs) {
        return gaps.stream().anyMatch(gap -> gap.startMs() < toMs && gap.endMs() > fromMs);
    }
}
