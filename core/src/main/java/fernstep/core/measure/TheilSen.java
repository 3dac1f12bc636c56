package fernstep.core.measure;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/** A slope that a single bad reading cannot bend: the median of all pairwise slopes (Theil 1950; Sen 1968). */
public final class TheilSen {
    /** Fewer visits make no trend. */
    public static final int POINTS_NEEDED = 4;

    private TheilSen() {}

    /** A value at a time; the slope comes in units of y per unit of x. */
    public record Point(double x, double y) {}

    /** Empty below {@value #POINTS_NEEDED} points, or when all lie at the same x. */
    public static Optional<Double> slope(List<Point> points) {
        if (points.size() < POINTS_NEEDED) {
            return Optional.empty();
        }
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            for (int j = i + 1; j < points.size(); j++) {
                double dx = points.get(j).x() - points.get(i).x();
                if (dx != 0) {
                    slopes.add((points.get(j).y() - points.get(i).y()) / dx);
                }
            }
        }
        return slopes.isEmpty() ? Optional.empty() : Optional.of(median(slopes));
    }

    private static double median(List<Double> values) {
        Collections.sort(values);
        int half = values.size() / 2;
        return values.size() % 2 == 1 ? values.get(half) : (values.get(half - 1) + values.get(half)) / 2;
    }
}
