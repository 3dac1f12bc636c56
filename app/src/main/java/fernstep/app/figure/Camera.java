package fernstep.app.figure;

import fernstep.core.body.Point3;

/**
 * From where she is looked at, without perspective: turned about the upright axis, then tipped from above.
 *
 * @param yawDeg positive: from her feet's side where she lies with them to the right; -180 to 180
 * @param pitchDeg from above, 0 to 90
 */
record Camera(double yawDeg, double pitchDeg) {
    private static final double CM = 100;

    /** Straight from the side: what is drawn there can be measured and taken hold of. */
    static final Camera FLAT = new Camera(0, 0);

    /** Right on the page, for a point or an arrow; the unit is kept. */
    double right(Point3 p) {
        double yaw = Math.toRadians(yawDeg);
        return p.x() * Math.cos(yaw) - p.z() * Math.sin(yaw);
    }

    /** Down the page. */
    double down(Point3 p) {
        double pitch = Math.toRadians(pitchDeg);
        return -p.y() * Math.cos(pitch) + toward(p) * Math.sin(pitch);
    }

    /** Toward the one who looks. */
    double near(Point3 p) {
        double pitch = Math.toRadians(pitchDeg);
        return p.y() * Math.sin(pitch) + toward(p) * Math.cos(pitch);
    }

    private double toward(Point3 p) {
        double yaw = Math.toRadians(yawDeg);
        return p.x() * Math.sin(yaw) + p.z() * Math.cos(yaw);
    }

    /** On the page in cm: x to the right, y down. */
    double[] at(Point3 p) {
        return new double[] {CM * right(p), CM * down(p)};
    }
}
