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

    /** Its outermost point on the page in a direction of the page (length 1): right, down. Metres. */
    double[] outermost(Camera camera, double right, double down) {
        double alongA = camera.right(a) * right + camera.down(a) * down;
        double alongB = camera.right(b) * right + camera.down(b) * down;
        double alongC = camera.right(c) * right + camera.down(c) * down;
        double far = Math.max(1e-9, Math.sqrt(alongA * alongA + alongB * alongB + alongC * alongC));
        return new double[] {
            camera.right(centre)
                    + (camera.right(a) * alongA + camera.right(b) * alongB + camera.right(c) * alongC) / far,
            camera.down(centre) + (camera.down(a) * alongA + camera.down(b) * alongB + camera.down(c) * alongC) / far
        };
    }

    Ball moved(Point3 by) {
        return new Ball(centre.plus(by), a, b, c);
    }
}
