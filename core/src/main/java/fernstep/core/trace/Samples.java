package fernstep.core.trace;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;

/**
 * What arrived, as it arrived: one time axis, each channel as long, NaN where a sample of it is missing. Kept and exported
 * as it is; {@link Trace} puts it on an even grid to look at.
 */
public final class Samples {
    private final double[] timesMs;
    private final Map<Channel, double[]> values;

    /**
     * @param timesMs ms, in the order of arrival
     * @param values by channel, as long as the times; NaN where missing
     * @throws IllegalArgumentException where lengths differ or there are no samples
     */
    public Samples(double[] timesMs, Map<Channel, double[]> values) {
        if (timesMs.length == 0 || values.values().stream().anyMatch(each -> each.length != timesMs.length)) {
            throw new IllegalArgumentException("a trace needs samples, as many of each channel as times");
        }
        this.timesMs = timesMs.clone();
        this.values = new EnumMap<>(Channel.class);
        values.forEach((channel, line) -> this.values.put(channel, line.clone()));
    }

    public int size() {
        return timesMs.length;
    }

    public boolean has(Channel channel) {
        return values.containsKey(channel);
    }

    /** @param index from 0 */
    public double timeMs(int index) {
        return timesMs[index];
    }

    /**
     * NaN where it is missing.
     *
     * @param index from 0
     */
    public double value(Channel channel, int index) {
        double[] line = values.get(channel);
        return line == null ? Double.NaN : line[index];
    }

    public double[] times() {
        return timesMs.clone();
    }

    /** All of one channel; NaN throughout where it is not there. */
    public double[] line(Channel channel) {
        double[] line = values.get(channel);
        if (line != null) {
            return line.clone();
        }
        double[] none = new double[timesMs.length];
        Arrays.fill(none, Double.NaN);
        return none;
    }

    /** On the even grid. */
    public Trace trace() {
        return Trace.of(timesMs, values);
    }
}
