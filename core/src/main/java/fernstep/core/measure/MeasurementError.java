package fernstep.core.measure;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/** Typical error of a measurement and the change it cannot hide (Weir 2005, J Strength Cond Res 19:231). */
public final class MeasurementError {
    private static final double TWO_SIDED_95 = 1.96;
    /** Two-sided 97.5 %: the stricter of two that are judged together (Holm). */
    private static final double TWO_SIDED_975 = 2.2414;
    /**
     * How much of a reading's variance every reading of one visit shares: breath, bladder, hand, position (our choice until
     * pairs within and between visits say otherwise).
     */
    public static final double USUAL_VISIT_SHARE = 0.5;

    private static final double ALPHA = 0.05;
    /** Fewer pairs say too little about an examiner. */
    public static final int PAIRS_NEEDED = 10;

    /** Fewer pairs between visits say too little about what a visit shares. */
    public static final int PAIRS_BETWEEN_NEEDED = 5;

    private MeasurementError() {}

    /** Error of the mean of n repeats, in the unit of sem. */
    public static double ofMean(double sem, int repeats) {
        if (repeats < 1) {
            throw new IllegalArgumentException("a mean needs at least one repeat");
        }
        return sem / Math.sqrt(repeats);
    }

    /**
     * What all readings of one visit share of an error, in its unit; repeats do not make it smaller.
     *
     * @param visitShare of the variance, 0 to 1
     */
    public static double ofVisit(double sem, double visitShare) {
        return sem * Math.sqrt(visitShare);
    }

    /**
     * What is left to each reading, in the unit of sem; the mean of repeats makes it smaller.
     *
     * @param visitShare of the variance, 0 to 1
     */
    public static double ofCell(double sem, double visitShare, int repeats) {
        return ofMean(sem * Math.sqrt(1 - visitShare), repeats);
    }

    /** What a difference must exceed where it is the stronger of two that are judged together, in the unit of both errors. */
    public static double smallestRealOfTwo(double errorOfMeanA, double errorOfMeanB) {
        return TWO_SIDED_975 * Math.hypot(errorOfMeanA, errorOfMeanB);
    }

    /**
     * Smallest real change between two means: 1.96·√(a² + b²), a and b being the errors of the means. Example: two
     * single finger readings of 4 mm error differ for certain from 11.1 mm on.
     */
    public static double smallestRealChange(double errorOfMeanA, double errorOfMeanB) {
        return TWO_SIDED_95 * Math.hypot(errorOfMeanA, errorOfMeanB);
    }

    /** Error of a reading that was rounded to steps: √(sem² + step²/12), in the unit of both. */
    public static double ofRounded(double sem, double step) {
        return Math.sqrt(sem * sem + step * step / 12);
    }

    /** Two-sided chance of so large a difference where nothing has changed; 1 where there is no difference. */
    public static double chance(double difference, double errorOfMeanA, double errorOfMeanB) {
        double z = Math.abs(difference) / Math.hypot(errorOfMeanA, errorOfMeanB);
        return Normal.twoSided(z);
    }

    /**
     * Holm's correction (Holm 1979, Scand J Stat 6:65): which of several differences still stand at 95 % taken together.
     *
     * @param chances one for each comparison
     */
    public static boolean[] standTogether(double[] chances) {
        Integer[] order = new Integer[chances.length];
        for (int i = 0; i < order.length; i++) {
            order[i] = i;
        }
        Arrays.sort(order, Comparator.comparingDouble(number -> chances[number]));
        boolean[] stands = new boolean[chances.length];
        for (int i = 0; i < order.length && chances[order[i]] <= ALPHA / (order.length - i); i++) {
            stands[order[i]] = true;
        }
        return stands;
    }

    /**
     * SEM from repeat pairs of the same thing: SD(differences)/√2.
     *
     * @param differences second minus first, one per pair, same unit as the answer
     * @param needed so many at least: {@value #PAIRS_NEEDED} of one visit, {@value #PAIRS_BETWEEN_NEEDED} of two
     * @throws IllegalArgumentException below that
     */
    public static double semFromPairs(List<Double> differences, int needed) {
        int n = differences.size();
        if (n < needed) {
            throw new IllegalArgumentException("needs " + needed + " pairs, got " + n);
        }
        double mean = differences.stream()
                .mapToDouble(difference -> difference)
                .average()
                .orElseThrow();
        double squares = differences.stream()
                .mapToDouble(difference -> (difference - mean) * (difference - mean))
                .sum();
        return Math.sqrt(squares / (n - 1)) / Math.sqrt(2);
    }
}
