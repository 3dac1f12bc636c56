package fernstep.core.trace;

import java.util.Arrays;
import java.util.Map;

/** Whether what a channel says can come from a cuff or belt on a body. */
final class ChannelCheck {
    private static final int FLAT_SAMPLES = 200;
    private static final int CLIPPED_SAMPLES = 8;
    private static final int CLIPPED_RUNS = 3;
    private static final double ENTRY_SHARE = 0.4;
    private static final double LEAST_CUFF_MMHG = 20;
    private static final double MOST_CUFF_MMHG = 80;

    private ChannelCheck() {}

    /** A belt or cuff that is on a body is never still to the last digit. */
    static boolean flat(double[] samples) {
        double one = Double.NaN;
        double other = Double.NaN;
        int there = 0;
        for (double x : samples) {
            if (!Double.isFinite(x)) {
                continue;
            }
            there++;
            if (Double.isNaN(one)) {
                one = x;
            } else if (x != one && Double.isNaN(other)) {
                other = x;
            } else if (x != one && x != other) {
                return false;
            }
        }
        return there > FLAT_SAMPLES;
    }

    /**
     * Cut off at one end of its range: the very same highest or lowest value over and over, again and again, reached at
     * speed. A line that comes to rest there by itself slows down first, one that rests at both ends was drawn so.
     */
    static boolean clips(double[] samples) {
        double[] there = Arrays.stream(samples).filter(Double::isFinite).toArray();
        double usual = usualStep(there);
        boolean high = runs(there, Arrays.stream(there).max().orElse(0), usual) >= CLIPPED_RUNS;
        boolean low = runs(there, Arrays.stream(there).min().orElse(0), usual) >= CLIPPED_RUNS;
        return high != low;
    }

    private static double usualStep(double[] samples) {
        double[] steps = new double[samples.length];
        int n = 0;
        for (int i = 1; i < samples.length; i++) {
            double step = Math.abs(samples[i] - samples[i - 1]);
            if (step > 0) {
                steps[n++] = step;
            }
        }
        return Signals.median(Arrays.copyOf(steps, n));
    }

    private static int runs(double[] samples, double value, double usualStep) {
        int runs = 0;
        int length = 0;
        double entry = 0;
        for (int i = 0; i < samples.length; i++) {
            if (samples[i] != value) {
                length = 0;
                continue;
            }
            length++;
            if (length == 1) {
                // over two steps: the last one is cut off as well
                entry = i < 2 ? 0 : Math.abs(value - samples[i - 2]) / 2;
            }
            runs += length == CLIPPED_SAMPLES && entry >= ENTRY_SHARE * usualStep ? 1 : 0;
        }
        return runs;
    }

    /** Where the cuff should be, there is no pressure a cuff is set to, and where a belt should be, there is. */
    static boolean swapped(Map<Channel, double[]> grid) {
        double[] cuff = grid.get(Channel.CUFF);
        if (cuff == null || cuffLike(Signals.median(cuff))) {
            return false;
        }
        return grid.entrySet().stream()
                .anyMatch(entry -> entry.getKey() != Channel.CUFF && cuffLike(Signals.median(entry.getValue())));
    }

    private static boolean cuffLike(double mmHg) {
        return mmHg >= LEAST_CUFF_MMHG && mmHg <= MOST_CUFF_MMHG;
    }
}
