package fernstep.core.measure;

/** The standard normal distribution, by the complementary error function (Numerical Recipes 6.2.2, error below 1.2e-7). */
final class Normal {
    private static final double[] SERIES = {
        -1.26551223,
        1.00002368,
        0.37409196,
        0.09678418,
        -0.18628806,
        0.27886807,
        -1.13520398,
        1.48851587,
        -0.82215223,
        0.17087277
    };

    private Normal() {}

    /** Chance beyond ±z; z at or above 0. */
    static double twoSided(double z) {
        double x = z / Math.sqrt(2);
        double t = 1 / (1 + x / 2);
        double sum = 0;
        for (int i = SERIES.length - 1; i >= 0; i--) {
            sum = SERIES[i] + t * sum;
        }
        return Math.min(1, t * Math.exp(-x * x + sum));
    }
}
