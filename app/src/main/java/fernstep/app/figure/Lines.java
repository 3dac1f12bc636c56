package fernstep.app.figure;

import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;
import fernstep.core.measure.Side;
import java.util.List;

/** The lines of a body: where each part of a skeleton runs. Metres, as the skeleton has them. */
final class Lines {
    private static final double PELVIS_SHARE = 0.10;

    private Lines() {}

    static List<Point3> legLine(Skeleton f, Side side) {
        Skeleton.Leg l = f.leg(side);
        Point3 heel = l.heel();
        return List.of(l.hip(), l.knee(), l.ankle(), heel, l.toe());
    }

    static List<Point3> armLine(Skeleton f, Side side) {
        Skeleton.Arm a = f.arm(side);
        return List.of(a.shoulder(), a.elbow(), a.wrist(), a.fingertip());
    }

    /** On her side she is seen from the front: shoulders and hips make the trunk. */
    static List<Point3> trunkFromTheFront(Skeleton f) {
        Point3 left = f.leftArm().shoulder();
        Point3 right = f.rightArm().shoulder();
        Point3 waist = f.hip().plus(f.shoulder().minus(f.hip()).times(0.42));
        Point3 half = f.left().hip().minus(f.hip()).times(0.72);
        return List.of(left, right, waist.minus(half), f.right().hip(), f.left().hip(), waist.plus(half), left);
    }

    static Point3 pelvis(Skeleton f) {
        return f.hip().plus(f.shoulder().minus(f.hip()).times(PELVIS_SHARE));
    }

    /** Her front, from the way her trunk faces. */
    static Point3 front(Skeleton f) {
        Point3 up = f.shoulder().minus(f.hip());
        Point3 left = f.left().hip().minus(f.right().hip());
        // left × up points forward
        Point3 forward = new Point3(
                left.y() * up.z() - left.z() * up.y(),
                left.z() * up.x() - left.x() * up.z(),
                left.x() * up.y() - left.y() * up.x());
        return forward.times(1 / forward.length());
    }

    /** The pelvis as a short line across the trunk that tips with it. */
    static List<Point3> pelvisTilt(Skeleton f) {
        Point3 up = f.shoulder().minus(f.hip());
        Point3 along = up.times(1 / up.length());
        double tilt = Math.toRadians(f.pose().trunk().pelvisDeg());
        Point3 across = front(f).times(Math.cos(tilt)).plus(along.times(Math.sin(tilt)));
        Point3 middle = pelvis(f);
        return List.of(middle.plus(across.times(-0.06)), middle.plus(across.times(0.06)));
    }

    static Point3 nose(Skeleton f) {
        Point3 toHead = f.head().minus(f.shoulder());
        Point3 along = toHead.times(1 / toHead.length());
        Point3 forward = front(f);
        Point3 face = forward.minus(along.times(forward.dot(along)));
        return f.head().plus(face.times(0.115 / Math.max(0.2, face.length())));
    }

    static Point3 between(Point3 a, Point3 b) {
        return a.plus(b).times(0.5);
    }

    /** Skull, mid-back, sacrum: the rod lies along the back. */
    static List<Point3> rod(Skeleton f) {
        Point3 back = front(f).times(-0.11);
        Point3 up = f.shoulder().minus(f.hip()).times(0.12);
        return List.of(f.hip().plus(back).minus(up), f.head().plus(back));
    }
}
