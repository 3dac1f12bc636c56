package fernstep.core.separation;

import fernstep.core.measure.Point2;
import fernstep.core.measure.Symmetry;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The skin line across the midline under load, from one foot of the ridge to the other: what stands above the chord
 * between its ends. The idea of distortion follows Lee &amp; Hodges 2016, J Orthop Sports Phys Ther 46:580.
 *
 * @param points in mm, at least three, from her right to her left as the examiner sees it
 */
public record DomingProfile(List<Point2> points) {

    /** @throws IllegalArgumentException with fewer than three points or both ends in one place */
    public DomingProfile {
        points = List.copyOf(points);
        if (points.size() < 3) {
            throw new IllegalArgumentException("a profile needs at least three points");
        }
        if (points.get(points.size() - 1).minus(points.get(0)).length() == 0) {
            throw new IllegalArgumentException("the ends of a profile must lie apart");
        }
    }

    public double chordMm() {
        return last().minus(first()).length();
    }

    /** Greatest height above the chord, mm; 0 where nothing stands above it. */
    public double heightMm() {
        return points.stream().mapToDouble(this::above).max().orElse(0);
    }

    /** Area between skin line and chord, mm²; what sinks below the chord does not count. */
    public double areaMm2() {
        return area(fromChord());
    }

    /** Area over chord, mm: the mean height of the ridge. */
    public double distortionMm() {
        return areaMm2() / chordMm();
    }

    /** Area over the two halves of the chord, hers left and right. */
    public Symmetry symmetry() {
        double half = chordMm() / 2;
        List<Point2> all = fromChord();
        return new Symmetry(area(clipped(all, half, chordMm())), area(clipped(all, 0, half)));
    }

    /**
     * A height (mm) at a time (s).
     *
     * @param second since the load began, s, from 0
     * @param heightMm of the ridge above its feet, mm
     */
    public record Moment(double second, double heightMm) {}

    /**
     * When the ridge begins: the first moment from which the height stays at least {@code thresholdMm} above the first.
     */
    public static Optional<Double> onsetSecond(List<Moment> series, double thresholdMm) {
        Double onset = null;
        for (Moment m : series) {
            boolean up = m.heightMm() - series.get(0).heightMm() >= thresholdMm;
            if (up && onset == null) {
                onset = m.second();
            } else if (!up) {
                onset = null;
            }
        }
        return Optional.ofNullable(onset);
    }

    private Point2 first() {
        return points.get(0);
    }

    private Point2 last() {
        return points.get(points.size() - 1);
    }

    private double above(Point2 point) {
        Point2 chord = last().minus(first());
        Point2 from = point.minus(first());
        return Math.max(0, (chord.x() * from.y() - chord.y() * from.x()) / chord.length());
    }

    /** Distance along the chord and height above it, in chord order. */
    private List<Point2> fromChord() {
        Point2 chord = last().minus(first());
        return points.stream()
                .map(point -> new Point2(
                        (chord.x() * point.minus(first()).x()
                                        + chord.y() * point.minus(first()).y())
                                / chord.length(),
                        above(point)))
                .toList();
    }

    private static double area(List<Point2> line) {
        double sum = 0;
        for (int i = 1; i < line.size(); i++) {
            sum += (line.get(i).x() - line.get(i - 1).x())
                    * (line.get(i).y() + line.get(i - 1).y())
                    / 2;
        }
        return Math.max(0, sum);
    }

    private static List<Point2> clipped(List<Point2> line, double from, double to) {
        List<Point2> part = new ArrayList<>();
        for (int i = 1; i < line.size(); i++) {
            Point2 a = line.get(i - 1);
            Point2 b = line.get(i);
            double start = Math.max(a.x(), from);
            double end = Math.min(b.x(), to);
            if (b.x() > a.x() && end > start) {
                part.add(new Point2(start, at(a, b, start)));
                part.add(new Point2(end, at(a, b, end)));
            }
        }
        return part;
    }

    private static double at(Point2 point, Point2 other, double x) {
        return point.y() + (other.y() - point.y()) * (x - point.x()) / (other.x() - point.x());
    }
}
