package fernstep.core.body;

/**
 * One foot below its ankle.
 *
 * @param direction from ankle toward the toes, length 1
 * @param shank from knee to ankle, length 1
 */
record Foot(Body b, Position position, TrunkFrame frame, LegContact on, Point3 ankle, Point3 direction, Point3 shank) {
    private static final double FOOT_FORWARD_SHARE = 0.112;
    private static final double HEEL_BEHIND_SHARE = 0.04;
    static final double TOES_ANKLE_SHARE = 0.095;
    private static final double TOES_REACH_SHARE = 0.071;

    Point3 toe() {
        if (on == LegContact.TOES) {
            Point3 lying = position == Position.SIDE ? new Point3(0, 0, 1) : Floor.level(frame.up());
            Point3 forward = position.upright() ? Floor.level(frame.front()) : lying;
            return ankle.along(forward, TOES_REACH_SHARE * b.heightM()).raisedBy(-TOES_ANKLE_SHARE * b.heightM());
        }
        Point3 toe = sole().along(direction, FOOT_FORWARD_SHARE * b.heightM());
        return on == LegContact.HEEL
                ? Floor.onFloorUnder(ankle).along(direction, (FOOT_FORWARD_SHARE + HEEL_BEHIND_SHARE) * b.heightM())
                : Floor.aboveFloor(ankle, toe);
    }

    Point3 heel() {
        if (on == LegContact.TOES) {
            return ankle.along(shank, b.ankleM());
        }
        return on == LegContact.HEEL
                ? Floor.onFloorUnder(ankle)
                : Floor.aboveFloor(ankle, sole().along(direction, -HEEL_BEHIND_SHARE * b.heightM()));
    }

    /** Under the ankle: down for a standing foot, along the shank else; a foot laid back has none. */
    private Point3 sole() {
        if (Math.abs(direction.dot(shank)) > 0.9) {
            return ankle;
        }
        return on == LegContact.FOOT && Math.abs(direction.y()) < 1e-9
                ? ankle.raisedBy(-b.ankleM())
                : ankle.along(shank, b.ankleM());
    }
}
