package fernstep.core.body;

/**
 * A point or an arrow in metres: x along the mat, y up from the floor, z toward the one who looks.
 *
 * @param x in the unit of whoever made it
 * @param y the same
 * @param z the same
 */
public record Point3(double x, double y, double z) {
    public static final Point3 ORIGIN = new Point3(0, 0, 0);

    public Point3 plus(Point3 other) {
        return new Point3(x + other.x, y + other.y, z + other.z);
    }

    public Point3 minus(Point3 other) {
        return new Point3(x - other.x, y - other.y, z - other.z);
    }

    public Point3 times(double k) {
        return new Point3(x * k, y * k, z * k);
    }

    /** This point and so much of a direction. */
    Point3 along(Point3 direction, double metres) {
        return new Point3(x + metres * direction.x, y + metres * direction.y, z + metres * direction.z);
    }

    Point3 raisedBy(double metres) {
        return new Point3(x, y + metres, z);
    }

    Point3 toward(Point3 other, double share) {
        return new Point3(x + share * (other.x - x), y + share * (other.y - y), z + share * (other.z - z));
    }

    public double dot(Point3 other) {
        return x * other.x + y * other.y + z * other.z;
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    public double distance(Point3 other) {
        return minus(other).length();
    }
}
