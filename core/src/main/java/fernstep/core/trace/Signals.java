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
    private static double select(double[] x, int k) {
        int from = 0;
        int to = x.length - 1;
        while (from < to) {
            double pivot = x[(from + to) >>> 1];
            int i = from;
            int j = to;
            while (i <= j) {
                while (x[i] < pivot) {
                    i++;
                }
                while (x[j] > pivot) {
                    j--;
                }
                if (i <= j) {
                    double swap = x[i];
                    x[i++] = x[j];
                    x[j--] = swap;
                }
            }
            if (k <= j) {
                to = j;
            } else if (k >= i) {
                from = i;
            } else {
                break;
            }
        }
        return x[k];
    }

    /** Zero-phase: a Gaussian of this width, in seconds, over the file. */
    static double[] smooth(double[] x, double sigmaS) {
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
        double[] y = new double[x.length];
        for (int i = 0; i < x.length; i++) {
            double sum = 0;
            if (i >= reach && i + reach < x.length) {
                for (int k = 0; k < weights.length; k++) {
                    sum += weights[k] * x[i - reach + k];
                }
                y[i] = sum / whole;
                continue;
            }
            double all = 0;
            for (int k = Math.max(-reach, -i); k <= Math.min(reach, x.length - 1 - i); k++) {
                sum += weights[k + reach] * x[i + k];
                all += weights[k + reach];
            }
            y[i] = sum / all;
        }
        return y;
    }

    /** The slow part: a running mean over so many seconds, twice. */
    static double[] drift(double[] x, double seconds) {
        int half = (int) Math.round(seconds * Trace.HZ / 2);
        return runningMean(runningMean(x, half), half);
    }

    private static double[] runningMean(double[] x, int half) {
        double[] sums = new double[x.length + 1];
        for (int i = 0; i < x.length; i++) {
            sums[i + 1] = sums[i] + x[i];
        }
        double[] y = new double[x.length];
        for (int i = 0; i < x.length; i++) {
            int from = Math.max(0, i - half);
            int to = Math.min(x.length, i + half + 1);
            y[i] = (sums[to] - sums[from]) / (to - from);
        }
        return y;
    }

    static double[] minus(double[] a, double[] b) {
        double[] c = new double[a.length];
        for (int i = 0; i < a.length; i++) {
            c[i] = a[i] - b[i];
        }
        return c;
    }

    /** Change a second. */
    static double[] slope(double[] x) {
        double[] v = new double[x.length];
        for (int i = 0; i < x.length; i++) {
            int from = Math.max(0, i - 1);
            int to = Math.min(x.length - 1, i + 1);
            v[i] = to == from ? 0 : (x[to] - x[from]) * Trace.HZ / (to - from);
        }
        return v;
    }

    /** Spread of the noise from one point to the next, as a standard deviation that single outliers do not move. */
    static double noise(double[] x) {
        if (x.length < 3) {
            return 0;
        }
        double[] bends = new double[x.length - 2];
        for (int i = 1; i < x.length - 1; i++) {
            // a second difference of white noise has six times its variance; a smooth signal has next to none
            bends[i - 1] = Math.abs(x[i - 1] - 2 * x[i] + x[i + 1]);
        }
        return MAD_TO_SD * median(bends) / Math.sqrt(6);
    }
}
