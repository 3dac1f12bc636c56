package fernstep.core.measure;

import java.util.Arrays;

/**
 * Monotone piecewise cubic through given points: never overshoots them. Slopes are the weighted harmonic mean of the
 * neighbouring secants, with one-sided three-point ends (Fritsch &amp; Carlson 1980, SIAM J Numer Anal 17:238; Fritsch
 * &amp; Butland 1984, SIAM J Sci Stat Comput 5:300).
 */
public final class MonotoneCubic {
    private final double[] x;
    private final double[] y;
    private final double[] slope;

    /**
     * @param values strictly rising, at least two
     * @param other as many as x
     * @throws IllegalArgumentException if the points do not rise strictly or the lengths differ
     */
    public MonotoneCubic(double[] values, double[] other) {
        if (values.length != other.length || values.length < 2) {
            throw new IllegalArgumentException("needs two or more points, as many x as y");
        }
        for (int i = 1; i < values.length; i++) {
            if (!(values[i] > values[i - 1])) {
                throw new IllegalArgumentException("x must rise strictly");
            }
        }
        this.x = values.clone();
        this.y = other.clone();
        this.slope = slopes(this.x, this.y);
    }

    public double first() {
        return x[0];
    }

    public double last() {
        return x[x.length - 1];
    }

    /** @throws IllegalArgumentException outside the outermost points: nothing is invented there */
    public double at(double at) {
        if (!(at >= first() && at <= last())) {
            throw new IllegalArgumentException("no value at " + at + ", only from " + first() + " to " + last());
        }
        int found = Arrays.binarySearch(x, at);
        if (found >= 0) {
            return y[found];
        }
        int i = -found - 2;
        double h = x[i + 1] - x[i];
        double t = (at - x[i]) / h;
        double u = 1 - t;
        return y[i] * (1 + 2 * t) * u * u
                + h * slope[i] * t * u * u
                + y[i + 1] * t * t * (3 - 2 * t)
                - h * slope[i + 1] * t * t * u;
    }

    /** The exact integral between the outermost points, in units of x times y. */
    public double area() {
        double sum = 0;
        for (int i = 0; i + 1 < x.length; i++) {
            double h = x[i + 1] - x[i];
            sum += h * (y[i] + y[i + 1]) / 2 + h * h * (slope[i] - slope[i + 1]) / 12;
        }
        return sum;
    }

    private static double[] slopes(double[] values, double[] other) {
        int n = values.length;
        double[] h = new double[n - 1];
        double[] secant = new double[n - 1];
        for (int i = 0; i < n - 1; i++) {
            h[i] = values[i + 1] - values[i];
            secant[i] = (other[i + 1] - other[i]) / h[i];
        }
        if (n == 2) {
            return new double[] {secant[0], secant[0]};
        }
        double[] d = new double[n];
        for (int i = 1; i < n - 1; i++) {
            if (secant[i - 1] * secant[i] > 0) {
                double w1 = 2 * h[i] + h[i - 1];
                double w2 = h[i] + 2 * h[i - 1];
                d[i] = (w1 + w2) / (w1 / secant[i - 1] + w2 / secant[i]);
            }
        }
        d[0] = end(h[0], h[1], secant[0], secant[1]);
        d[n - 1] = end(h[n - 2], h[n - 3], secant[n - 2], secant[n - 3]);
        return d;
    }

    private static double end(double h0, double h1, double s0, double s1) {
        double d = ((2 * h0 + h1) * s0 - h0 * s1) / (h0 + h1);
        if (d * s0 <= 0) {
            return 0;
        }
        return s0 * s1 <= 0 && Math.abs(d) > 3 * Math.abs(s0) ? 3 * s0 : d;
    }
}
