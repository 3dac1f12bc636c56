package fernstep.core.forecast;

import java.util.SplittableRandom;

/** Seeded chance; strict arithmetic, so that every machine throws the same. */
final class Dice {
    private final SplittableRandom random;

    Dice(long seed) {
        this.random = new SplittableRandom(seed);
    }

    boolean happens(double chance) {
        return random.nextDouble() < chance;
    }

    /** Beta(a, b) for whole a and b: a of the order statistics, as a ratio of two sums of exponentials. */
    double beta(int number, int other) {
        double x = gamma(number);
        return x / (x + gamma(other));
    }

    /** Gamma of a whole shape: minus the logarithm of a product of uniforms. */
    private double gamma(int shape) {
        double sum = 0;
        double product = 1;
        for (int i = 0; i < shape; i++) {
            product *= 1 - random.nextDouble();
            if (product < 1e-200) {
                sum -= StrictMath.log(product);
                product = 1;
            }
        }
        return sum - StrictMath.log(product);
    }
}
