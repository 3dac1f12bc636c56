package fernstep.app.figure;

import fernstep.core.body.Body;
import fernstep.core.body.Point3;
import fernstep.core.body.Pose;
import fernstep.core.body.Skeleton;
import java.util.Optional;

/** Where a hand can take hold of a figure to turn a joint. */
public final class Handles {
    private Handles() {}

    /**
     * The joint that an angle of a pose moves: x, y, then x, y of the joint it turns about, then whether the angle grows
     * with the turn on the screen (1) or against it (-1). Empty where the joint does not move.
     */
    public static Optional<double[]> of(Body body, Pose pose, Pose turned, String field) {
        Skeleton now = Skeleton.of(body, pose);
        Skeleton then = Skeleton.of(body, turned);
        boolean working = field.startsWith("working");
        Skeleton.Leg leg = working ? now.left() : now.right();
        Skeleton.Leg legThen = working ? then.left() : then.right();
        Skeleton.Arm arm = working ? now.leftArm() : now.rightArm();
        Skeleton.Arm armThen = working ? then.leftArm() : then.rightArm();
        Point3[] joints =
                switch (field.replaceFirst("working|other", "")) {
                    case "Hip" -> new Point3[] {leg.knee(), leg.hip(), legThen.knee(), legThen.hip()};
                    case "Knee" -> new Point3[] {leg.ankle(), leg.knee(), legThen.ankle(), legThen.knee()};
                    case "Shoulder" -> new Point3[] {arm.elbow(), arm.shoulder(), armThen.elbow(), armThen.shoulder()};
                    case "Elbow" -> new Point3[] {arm.wrist(), arm.elbow(), armThen.wrist(), armThen.elbow()};
                    default -> new Point3[] {now.shoulder(), now.hip(), then.shoulder(), then.hip()};
                };
        double turn = angle(joints[2].minus(joints[3])) - angle(joints[0].minus(joints[1]));
        double wrapped = Math.IEEEremainder(turn, 2 * Math.PI);
        if (Math.abs(wrapped) < 1e-6) {
            return Optional.empty();
        }
        double[] at = Stage.plain(joints[0]);
        double[] about = Stage.plain(joints[1]);
        return Optional.of(new double[] {at[0], at[1], about[0], about[1], Math.signum(wrapped)});
    }

    private static double angle(Point3 arrow) {
        return Math.atan2(-arrow.y(), arrow.x());
    }
}
