package fernstep.core.measure;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/** A slope that a single bad reading cannot bend: the median of all pairwise slopes (Theil 1950; Sen 1968). */
public final class TheilSen {
    /** Fewer visits make no trend. */
    public static final int POINTS_NEEDED = 4;

    /** Fewer visits say too little about how sure a trend is. */
    public static final int POINTS_FOR_INTERVAL = 5;

    private static final double TWO_SIDED_95 = 1.96;

    private TheilSen() {}

    /**
     * A slope and the span in which it lies with 95 % confidence (Sen 1968, J Am Stat Assoc 63:1379).
     *
     * @param low y per x
     * @param high y per x, from low
     */
    public record Interval(double low, double high) {
        /** The span holds zero: there is no trend to tell. */
        public boolean holdsZero() {
            return low <= 0 && high >= 0;
        }
    }

    /**
     * A value at a time; the slope comes in units of y per unit of x.
     *
     * @param x any unit of time
     * @param y any unit
     */
    public record Point(double x, double y) {}

    /** Empty below {@value #POINTS_NEEDED} points, or when all lie at the same x. */
    public static Optional<Double> slope(List<Point> points) {
        if (points.size() < POINTS_NEEDED) {
            return Optional.empty();
        }
        List<Double> slopes = slopes(points);
        return slopes.isEmpty() ? Optional.empty() : Optional.of(median(slopes));
    }

    /** Empty below {@value #POINTS_FOR_INTERVAL} points, or when all lie at the same x. */
    public static Optional<Interval> interval(List<Point> points) {
        List<Double> slopes = slopes(points);
        if (points.size() < POINTS_FOR_INTERVAL || slopes.isEmpty()) {
            return Optional.empty();
        }
        double n = points.size();
        double spread = TWO_SIDED_95 * Math.sqrt(n * (n - 1) * (2 * n + 5) / 18);
        int low = (int) Math.floor((slopes.size() - spread) / 2) - 1;
        int high = (int) Math.ceil((slopes.size() + spread) / 2);
        return Optional.of(new Interval(slopes.get(Math.max(0, low)), slopes.get(Math.min(slopes.size() - 1, high))));
    }

    private static List<Double> slopes(List<Point> points) {
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            for (int j = i + 1; j < points.size(); j++) {
                double dx = points.get(j).x() - points.get(i).x();
                if (dx != 0) {
                    slopes.add((points.get(j).y() - points.get(i).y()) / dx);
                }
            }
        }
        Collections.sort(slopes);
        return slopes;
    }

    private static double median(List<Double> values) {
        int half = values.size() / 2;
        return values.size() % 2 == 1 ? values.get(half) : (values.get(half - 1) + values.get(half)) / 2;
    }
}
