package fernstep.core.body;

/** What the floor does to limbs: it turns up what would go through it. Metres, y up from the floor. */
final class Floor {
    private Floor() {}

    static Point3 level(Point3 arrow) {
        double length = Math.hypot(arrow.x(), arrow.z());
        return new Point3(arrow.x() / length, 0, arrow.z() / length);
    }

    static Point3 onFloorUnder(Point3 ankle) {
        return new Point3(ankle.x(), 0, ankle.z());
    }

    static Point3 aboveFloor(Point3 joint, Point3 end) {
        Point3 arrow = end.minus(joint);
        double length = arrow.length();
        return joint.along(noLowerThan(arrow.times(1 / length), -joint.y() / length), length);
    }

    /** The floor turns up what would go through it: a direction that rises at least so much. */
    static Point3 noLowerThan(Point3 direction, double rise) {
        if (direction.y() >= rise || rise >= 1) {
            return direction;
        }
        double level = Math.hypot(direction.x(), direction.z());
        double keeps = Math.sqrt(1 - rise * rise);
        return level < 1e-9
                ? new Point3(keeps, rise, 0)
                : new Point3(direction.x() / level * keeps, rise, direction.z() / level * keeps);
    }
}
