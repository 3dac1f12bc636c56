package fernstep.app.figure;

import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;

/** The run of a trunk from the hips to the shoulders and a little beyond both, as a smooth line with what is its front. */
final class Spine {
    private static final double[] SHARES = {0, 0.25, 0.62, 1};

    private final Point3[] points;
    private final Point3 leftOfHips;
    private final Point3 leftOfShoulders;
    private final double tilt;

    Spine(Skeleton skeleton) {
        this.points = new Point3[] {skeleton.hip(), skeleton.lowBack(), skeleton.midBack(), skeleton.shoulder()};
        this.leftOfHips = unit(skeleton.left().hip().minus(skeleton.right().hip()));
        this.leftOfShoulders =
                unit(skeleton.leftArm().shoulder().minus(skeleton.rightArm().shoulder()));
        this.tilt = Math.toRadians(skeleton.pose().trunk().pelvisDeg());
    }

    /** @param along up the spine; all three of length 1 */
    record Place(Point3 point, Point3 along, Point3 front, Point3 left) {}

    /** @param share 0 at the hips, 1 at the shoulders, -0.2 to 1.2 */
    Place at(double share) {
        Point3 left = unit(leftOfHips.times(1 - share).plus(leftOfShoulders.times(share)));
        if (share < 0.06) {
            return pelvis(share, left);
        }
        Point3 tangent = unit(point(share + 0.02).minus(point(share - 0.02)));
        return new Place(point(share), tangent, unit(cross(left, tangent)), left);
    }

    /** The pelvis is stiff, and tips about the hips. */
    private Place pelvis(double share, Point3 left) {
        Point3 straight = unit(point(0.2).minus(point(0)));
        Point3 front = unit(cross(left, straight));
        Point3 along = straight.times(Math.cos(tilt)).plus(front.times(-Math.sin(tilt)));
        double metres = points[3].minus(points[0]).length();
        return new Place(points[0].plus(along.times(share * metres)), along, unit(cross(left, along)), left);
    }

    private Point3 point(double share) {
        if (share <= 0) {
            return points[0].plus(points[1].minus(points[0]).times(share / SHARES[1]));
        }
        if (share >= 1) {
            return points[3].plus(points[3].minus(points[2]).times((share - 1) / (1 - SHARES[2])));
        }
        int i = pieceOf(share);
        double t = (share - SHARES[i]) / (SHARES[i + 1] - SHARES[i]);
        Point3 before = i == 0 ? points[0].times(2).minus(points[1]) : points[i - 1];
        Point3 after = i == 2 ? points[3].times(2).minus(points[2]) : points[i + 2];
        return smooth(before, points[i], points[i + 1], after, t);
    }

    private static int pieceOf(double share) {
        if (share < SHARES[1]) {
            return 0;
        }
        return share < SHARES[2] ? 1 : 2;
    }

    /** Catmull and Rom's curve between the two in the middle. */
    private static Point3 smooth(Point3 point, Point3 other, Point3 that, Point3 second, double t) {
        Point3 linear = that.minus(point).times(t);
        Point3 square = point.times(2)
                .minus(other.times(5))
                .plus(that.times(4))
                .minus(second)
                .times(t * t);
        Point3 cube =
                other.times(3).minus(point).minus(that.times(3)).plus(second).times(t * t * t);
        return other.plus(linear.plus(square).plus(cube).times(0.5));
    }

    static Point3 cross(Point3 point, Point3 other) {
        return new Point3(
                point.y() * other.z() - point.z() * other.y(),
                point.z() * other.x() - point.x() * other.z(),
                point.x() * other.y() - point.y() * other.x());
    }

    static Point3 unit(Point3 point) {
        return point.times(1 / Math.max(1e-9, point.length()));
    }
}
