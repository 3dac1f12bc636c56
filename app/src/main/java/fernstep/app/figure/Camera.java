package fernstep.app.figure;

import fernstep.core.body.Point3;

/** From where she is looked at, without perspective: turned about the upright axis, then tipped from above. */
final class Camera {
    private static final double CM = 100;

    /** Straight from the side: what is drawn there can be measured and taken hold of. */
    static final Camera FLAT = new Camera(0, 0);

    private final double yawDeg;
    private final double pitchDeg;
    private final double cosYaw;
    private final double sinYaw;
    private final double cosPitch;
    private final double sinPitch;

    /**
     * @param yawDeg positive: from her feet's side where she lies with them to the right; -180 to 180
     * @param pitchDeg from above, 0 to 90
     */
    Camera(double yawDeg, double pitchDeg) {
        this.yawDeg = yawDeg;
        this.pitchDeg = pitchDeg;
        this.cosYaw = Math.cos(Math.toRadians(yawDeg));
        this.sinYaw = Math.sin(Math.toRadians(yawDeg));
        this.cosPitch = Math.cos(Math.toRadians(pitchDeg));
        this.sinPitch = Math.sin(Math.toRadians(pitchDeg));
    }

    double yawDeg() {
        return yawDeg;
    }

    double pitchDeg() {
        return pitchDeg;
    }

    /** Right on the page, for a point or an arrow; the unit is kept. */
    double right(Point3 point) {
        return point.x() * cosYaw - point.z() * sinYaw;
    }

    /** Down the page. */
    double down(Point3 point) {
        return -point.y() * cosPitch + toward(point) * sinPitch;
    }

    /** Toward the one who looks. */
    double near(Point3 point) {
        return point.y() * sinPitch + toward(point) * cosPitch;
    }

    private double toward(Point3 point) {
        return point.x() * sinYaw + point.z() * cosYaw;
    }

    /** On the page in cm: x to the right, y down. */
    double[] at(Point3 point) {
        return new double[] {CM * right(point), CM * down(point)};
    }
}
