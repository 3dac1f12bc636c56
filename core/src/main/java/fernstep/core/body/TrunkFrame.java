package fernstep.core.body;

import fernstep.core.measure.Side;

/**
 * The trunk's own axes in the room, each of length 1.
 *
 * @param up from hip to shoulder
 * @param front toward the belly
 * @param left her left
 */
record TrunkFrame(Point3 up, Point3 front, Point3 left) {

    static TrunkFrame of(Position position, Side lower, double pitchDeg) {
        double c = Math.cos(Math.toRadians(pitchDeg));
        double s = Math.sin(Math.toRadians(pitchDeg));
        if (position.upright()) {
            return new TrunkFrame(new Point3(s, c, 0), new Point3(c, -s, 0), new Point3(0, 0, -1));
        }
        if (position.frontDown()) {
            return new TrunkFrame(new Point3(-c, s, 0), new Point3(-s, -c, 0), new Point3(0, 0, 1));
        }
        if (position == Position.SIDE) {
            Point3 toTheViewer = new Point3(0, 0, 1);
            return lower == Side.RIGHT
                    ? new TrunkFrame(new Point3(-c, s, 0), toTheViewer, new Point3(s, c, 0))
                    : new TrunkFrame(new Point3(c, s, 0), toTheViewer, new Point3(s, -c, 0));
        }
        return new TrunkFrame(new Point3(-c, s, 0), new Point3(s, c, 0), new Point3(0, 0, -1));
    }

    /** An arrow given along up, front and left, as it stands in the room. */
    Point3 inTheRoom(Point3 own) {
        return new Point3(
                own.x() * up.x() + own.y() * front.x() + own.z() * left.x(),
                own.x() * up.y() + own.y() * front.y() + own.z() * left.y(),
                own.x() * up.z() + own.y() * front.z() + own.z() * left.z());
    }

    /**
     * The pitch at which an arrow of the trunk rises so many metres.
     *
     * @param own along up, front, left at any pitch
     * @throws ImpossiblePose where it is too short to
     */
    static double pitchDeg(Position position, Side lower, Point3 own, double riseM) {
        double along = own.x();
        double across =
                switch (position) {
                    case SUPINE, INCLINED -> own.y();
                    case SIDE -> lower == Side.RIGHT ? own.z() : -own.z();
                    default -> -own.y();
                };
        double reach = Math.hypot(along, across);
        if (Math.abs(riseM) > reach) {
            throw new ImpossiblePose("contacts", "the limbs do not reach the floor", "bend them less");
        }
        return Math.toDegrees(Math.asin(riseM / reach) - Math.atan2(across, along));
    }
}
