package fernstep.app.figure;

import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;
import java.util.List;

/** Where parts of a body are that marks and props hold on to. Metres, as the skeleton has them. */
final class Lines {
    private static final double PELVIS_SHARE = 0.10;

    private Lines() {}

    static Point3 pelvis(Skeleton skeleton) {
        return skeleton.hip().plus(skeleton.shoulder().minus(skeleton.hip()).times(PELVIS_SHARE));
    }

    /** Her front, from the way her chest faces: a pelvis may tip below it. */
    static Point3 front(Skeleton skeleton) {
        Point3 up = skeleton.shoulder().minus(skeleton.hip());
        Point3 left = skeleton.leftArm().shoulder().minus(skeleton.rightArm().shoulder());
        // left × up points forward
        Point3 forward = new Point3(
                left.y() * up.z() - left.z() * up.y(),
                left.z() * up.x() - left.x() * up.z(),
                left.x() * up.y() - left.y() * up.x());
        return forward.times(1 / forward.length());
    }

    static Point3 nose(Skeleton skeleton) {
        Point3 toHead = skeleton.head().minus(skeleton.shoulder());
        Point3 along = toHead.times(1 / toHead.length());
        Point3 forward = front(skeleton);
        Point3 face = forward.minus(along.times(forward.dot(along)));
        return skeleton.head().plus(face.times(0.115 / Math.max(0.2, face.length())));
    }

    static Point3 between(Point3 point, Point3 other) {
        return point.plus(other).times(0.5);
    }

    /** Skull, mid-back, sacrum: the rod lies along the back. */
    static List<Point3> rod(Skeleton skeleton) {
        Point3 back = front(skeleton).times(-0.11);
        Point3 up = skeleton.shoulder().minus(skeleton.hip()).times(0.12);
        return List.of(skeleton.hip().plus(back).minus(up), skeleton.head().plus(back));
    }
}
