package fernstep.app.figure;

import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;

/** Which way a head stands and looks. Metres. */
final class Head {
    private final Point3 centre;
    private final double height;
    private final Point3 along;
    private final Point3 gaze;

    Head(Skeleton skeleton, double heightM) {
        this.centre = skeleton.head();
        this.height = heightM;
        Point3 toHead = skeleton.head().minus(skeleton.shoulder());
        this.along = toHead.times(1 / toHead.length());
        Point3 front = Lines.front(skeleton);
        Point3 across = front.minus(along.times(front.dot(along)));
        this.gaze = across.times(1 / Math.max(0.2, across.length()));
    }

    /** Where she looks, square to the neck. */
    Point3 gaze() {
        return gaze;
    }

    /** So far up from its centre, and so far toward the face; thousandths of her height. */
    Point3 at(double up, double ahead) {
        return centre.plus(along.times(up * height / 1000)).plus(gaze.times(ahead * height / 1000));
    }
}
