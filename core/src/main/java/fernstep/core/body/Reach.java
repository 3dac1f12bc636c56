package fernstep.core.body;

/** A limb of two links bent by an angle that has to rise so many metres from its joint. */
final class Reach {
    private final TrunkFrame frame;
    private final double first;
    private final double second;
    private final double bendDeg;
    private final double riseM;

    Reach(TrunkFrame frame, double first, double second, double bendDeg, double riseM) {
        this.frame = frame;
        this.first = first;
        this.second = second;
        this.bendDeg = bendDeg;
        this.riseM = riseM;
    }

    double nearestTo(double askedDeg, double cosSweep) {
        double up = frame.up().y();
        double front = frame.front().y() * cosSweep;
        double cosBend = Math.cos(Math.toRadians(bendDeg));
        double sinBend = Math.sin(Math.toRadians(bendDeg));
        double ofSin = first * front + second * (front * cosBend + up * sinBend);
        double ofCos = -first * up - second * (up * cosBend - front * sinBend);
        double reach = Math.hypot(ofSin, ofCos);
        if (Math.abs(riseM) > reach) {
            throw new ImpossiblePose("contacts", "a limb does not reach the floor", "straighten it");
        }
        double rise = Math.toDegrees(Math.asin(riseM / reach));
        double turned = Math.toDegrees(Math.atan2(ofCos, ofSin));
        double near = wrapped(rise - turned);
        double far = wrapped(180 - rise - turned);
        return Math.abs(wrapped(near - askedDeg)) <= Math.abs(wrapped(far - askedDeg)) ? near : far;
    }

    private static double wrapped(double deg) {
        double d = deg % 360;
        if (d > 180) {
            return d - 360;
        }
        return d <= -180 ? d + 360 : d;
    }
}
