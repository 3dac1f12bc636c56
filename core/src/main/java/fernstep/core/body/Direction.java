package fernstep.core.body;

import fernstep.core.measure.Side;

/** Where a limb points in the trunk's own frame, from its angles: x headward, y to the front, z to her left; length 1. */
final class Direction {
    private Direction() {}

    static double sign(Side side) {
        return side == Side.LEFT ? 1 : -1;
    }

    /** Along up, front, left: spread outward, then turned about the trunk's long axis. */
    static Point3 of(LegPose pose, double deg, Side side) {
        double along = -Math.cos(Math.toRadians(deg));
        double front = Math.sin(Math.toRadians(deg));
        if (pose.outDeg() == 0 && pose.sweepDeg() == 0) {
            return new Point3(along, front, 0);
        }
        double out = Math.toRadians(pose.outDeg());
        double sweep = Math.toRadians(pose.sweepDeg());
        double aside = -along * Math.sin(out);
        return new Point3(
                along * Math.cos(out),
                front * Math.cos(sweep) - aside * Math.sin(sweep),
                sign(side) * (aside * Math.cos(sweep) + front * Math.sin(sweep)));
    }

    static Point3 of(ArmPose pose, double deg, Side side) {
        double along = -Math.cos(Math.toRadians(deg));
        double front = Math.sin(Math.toRadians(deg));
        if (pose.outDeg() == 0) {
            return new Point3(along, front, 0);
        }
        double out = Math.toRadians(pose.outDeg());
        return new Point3(along * Math.cos(out), front, sign(side) * -along * Math.sin(out));
    }
}
