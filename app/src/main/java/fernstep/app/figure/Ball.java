package fernstep.app.figure;

import fernstep.core.body.Point3;

/**
 * A round part of a body: a ball, or one that is longer along some of its axes. Metres.
 *
 * @param a half of its first axis
 * @param b half of its second axis
 * @param c half of its third axis
 */
record Ball(Point3 centre, Point3 a, Point3 b, Point3 c) {
    /** Alike in every direction. */
    static Ball round(Point3 centre, double radiusM) {
        return new Ball(centre, new Point3(radiusM, 0, 0), new Point3(0, radiusM, 0), new Point3(0, 0, radiusM));
    }

    /** As it lies on the page. */
    Seen seen(Camera camera) {
        return new Seen(
                camera.right(centre),
                camera.down(centre),
                camera.right(a),
                camera.down(a),
                camera.right(b),
                camera.down(b),
                camera.right(c),
                camera.down(c));
    }

    /** Centre and half axes on the page: right, down. Metres. */
    record Seen(double x, double y, double ax, double ay, double bx, double by, double cx, double cy) {

        /** How far it reaches in a direction of the page (length 1), from the page's own middle. */
        double reach(double right, double down) {
            return x * right + y * down + half(right, down);
        }

        private double half(double right, double down) {
            double alongA = ax * right + ay * down;
            double alongB = bx * right + by * down;
            double alongC = cx * right + cy * down;
            return Math.sqrt(alongA * alongA + alongB * alongB + alongC * alongC);
        }

        /** Its outermost point in that direction. */
        double outermostX(double right, double down) {
            double half = Math.max(1e-9, half(right, down));
            return x
                    + (ax * (ax * right + ay * down) + bx * (bx * right + by * down) + cx * (cx * right + cy * down))
                            / half;
        }

        /** The same, down the page. */
        double outermostY(double right, double down) {
            double half = Math.max(1e-9, half(right, down));
            return y
                    + (ay * (ax * right + ay * down) + by * (bx * right + by * down) + cy * (cx * right + cy * down))
                            / half;
        }
    }

    Ball moved(Point3 by) {
        return new Ball(centre.plus(by), a, b, c);
    }
}
