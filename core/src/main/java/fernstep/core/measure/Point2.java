package fernstep.core.measure;

/**
 * A point on a picture, in mm once scaled: x toward the front (or the head when lying), y up.
 *
 * @param x in the unit of whoever made it
 * @param y the same
 */
public record Point2(double x, double y) {
    /** @throws IllegalArgumentException if not finite */
    public Point2 {
        if (!Double.isFinite(x) || !Double.isFinite(y)) {
            throw new IllegalArgumentException("a point needs finite coordinates");
        }
    }

    public Point2 minus(Point2 other) {
        return new Point2(x - other.x, y - other.y);
    }

    public double length() {
        return Math.hypot(x, y);
    }
}
