package fernstep.core.trace;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;

/** Samples that grow as they come, at an end, and can be let go of at the other. Not for two threads at once. */
public final class SampleBuffer {
    private static final int FIRST = 1024;

    private double[] times = new double[FIRST];
    private final Map<Channel, double[]> values = new EnumMap<>(Channel.class);
    private int from;
    private int to;

    /**
     * @param timeMs of the sample
     * @param of value of a channel, NaN where it is missing
     */
    public void add(double timeMs, Map<Channel, Double> of) {
        makeRoom();
        times[to] = timeMs;
        of.forEach((channel, value) -> values.computeIfAbsent(channel, key -> nothing(times.length))[to] = value);
        to++;
    }

    private static double[] nothing(int length) {
        double[] line = new double[length];
        Arrays.fill(line, Double.NaN);
        return line;
    }

    private void makeRoom() {
        if (to < times.length) {
            return;
        }
        int length = to - from > times.length / 2 ? 2 * times.length : times.length;
        times = Arrays.copyOf(Arrays.copyOfRange(times, from, to), length);
        values.replaceAll((channel, line) -> {
            double[] moved = nothing(length);
            System.arraycopy(line, from, moved, 0, to - from);
            return moved;
        });
        to -= from;
        from = 0;
    }

    /** Lets go of what is older. */
    public void forgetBefore(double timeMs) {
        while (from < to && times[from] < timeMs) {
            from++;
        }
    }

    public int size() {
        return to - from;
    }

    public boolean isEmpty() {
        return size() == 0;
    }

    /** Of the newest sample. */
    public double lastMs() {
        return times[to - 1];
    }

    /** @throws IllegalArgumentException where there is nothing */
    public Samples whole() {
        return after(Double.NEGATIVE_INFINITY);
    }

    /**
     * What is later than a moment.
     *
     * @throws IllegalArgumentException where there is nothing
     */
    public Samples after(double timeMs) {
        int first = to;
        while (first > from && times[first - 1] > timeMs) {
            first--;
        }
        int begin = first;
        Map<Channel, double[]> lines = new EnumMap<>(Channel.class);
        values.forEach((channel, line) -> lines.put(channel, Arrays.copyOfRange(line, begin, to)));
        return new Samples(Arrays.copyOfRange(times, begin, to), lines);
    }
}
