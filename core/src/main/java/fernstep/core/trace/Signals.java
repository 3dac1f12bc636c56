package fernstep.core.trace;

/** Filters and statistics of one channel on the even grid. */
final class Signals {
    private static final double MAD_TO_SD = 1.4826;

    private Signals() {}

    static double median(double[] values) {
        return quantile(values, 0.5);
    }

    /** @param q 0 to 1 */
    static double quantile(double[] values, double q) {
        if (values.length == 0) {
            return 0;
        }
        double[] some = values.clone();
        double at = q * (some.length - 1);
        int low = (int) Math.floor(at);
        double below = select(some, low);
        if (at == low) {
            return below;
        }
        double above = Double.POSITIVE_INFINITY;
        for (int i = low + 1; i < some.length; i++) {
            above = Math.min(above, some[i]);
        }
        return below + (at - low) * (above - below);
    }

    /** The k-th smallest, from 0; what is smaller ends up before it and what is larger behind (Hoare 1961). */
    private static double select(double[] values, int number) {
        int from = 0;
        int to = values.length - 1;
        while (from < to) {
            double pivot = values[(from + to) >>> 1];
            int i = from;
            int j = to;
            while (i <= j) {
                while (values[i] < pivot) {
                    i++;
                }
                while (values[j] > pivot) {
                    j--;
                }
                if (i <= j) {
                    double swap = values[i];
                    values[i++] = values[j];
                    values[j--] = swap;
                }
            }
            if (number <= j) {
                to = j;
            } else if (number >= i) {
                from = i;
            } else {
                break;
            }
        }
        return values[number];
    }

    /** Zero-phase: a Gaussian of this width, in seconds, over the file. */
    static double[] smooth(double[] values, double sigmaS) {
        int reach = (int) Math.ceil(3 * sigmaS * Trace.HZ);
        double[] weights = new double[2 * reach + 1];
        for (int k = -reach; k <= reach; k++) {
            double z = k / (sigmaS * Trace.HZ);
            weights[k + reach] = Math.exp(-z * z / 2);
        }
        double whole = 0;
        for (double weight : weights) {
            whole += weight;
        }
        double[] y = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            double sum = 0;
            if (i >= reach && i + reach < values.length) {
                for (int k = 0; k < weights.length; k++) {
                    sum += weights[k] * values[i - reach + k];
                }
                y[i] = sum / whole;
                continue;
            }
            double all = 0;
            for (int k = Math.max(-reach, -i); k <= Math.min(reach, values.length - 1 - i); k++) {
                sum += weights[k + reach] * values[i + k];
                all += weights[k + reach];
            }
            y[i] = sum / all;
        }
        return y;
    }

    /** The slow part: a running mean over so many seconds, twice. */
    static double[] drift(double[] values, double seconds) {
        int half = (int) Math.round(seconds * Trace.HZ / 2);
        return runningMean(runningMean(values, half), half);
    }

    private static double[] runningMean(double[] values, int half) {
        double[] sums = new double[values.length + 1];
        for (int i = 0; i < values.length; i++) {
            sums[i + 1] = sums[i] + values[i];
        }
        double[] y = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            int from = Math.max(0, i - half);
            int to = Math.min(values.length, i + half + 1);
            y[i] = (sums[to] - sums[from]) / (to - from);
        }
        return y;
    }

    static double[] minus(double[] values, double[] other) {
        double[] c = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            c[i] = values[i] - other[i];
        }
        return c;
    }

    /** Change a second. */
    static double[] slope(double[] values) {
        double[] v = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            int from = Math.max(0, i - 1);
            int to = Math.min(values.length - 1, i + 1);
            v[i] = to == from ? 0 : (values[to] - values[from]) * Trace.HZ / (to - from);
        }
        return v;
    }

    /** Spread of the noise from one point to the next, as a standard deviation that single outliers do not move. */
    static double noise(double[] values) {
        if (values.length < 3) {
            return 0;
        }
        double[] bends = new double[values.length - 2];
        for (int i = 1; i < values.length - 1; i++) {
            // a second difference of white noise has six times its variance; a smooth signal has next to none
            bends[i - 1] = Math.abs(values[i - 1] - 2 * values[i] + values[i + 1]);
        }
        return MAD_TO_SD * median(bends) / Math.sqrt(6);
    }
}
