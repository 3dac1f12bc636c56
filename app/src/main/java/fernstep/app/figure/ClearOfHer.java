package fernstep.app.figure;

import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A forearm that rests lies on her and does not sink into her: it gives way, the elbow with it, however broad she is. Metres. */
final class ClearOfHer {
    private static final int ROUNDS = 8;
    private static final int SAMPLES = 4;
    private static final double SINKS_IN = 0.004;
    private static final double ALONG_STEP = 0.05;
    private static final double ALONG_HALF_M = 0.02;
    private static final double TRUNK_TO = 0.95;

    private final Skeleton f;
    private final Anatomy her;
    /** Thighs and head. */
    private final List<List<Ball>> others;
    /** The other forearm: the right one lies over the left one. */
    private final List<Ball> crossed;

    private ClearOfHer(Skeleton skeleton, Body body, Side side) {
        this.f = skeleton;
        this.her = new Anatomy(skeleton, body);
        this.others = others();
        this.crossed = crossed(side);
    }

    /** Both arms that bear nothing, led clear. */
    static Skeleton of(Skeleton skeleton, Body body) {
        Skeleton cleared = skeleton;
        for (Side side : Side.values()) {
            if (skeleton.pose().arm(side).on() == ArmContact.NONE) {
                cleared = cleared(cleared, body, side);
            }
        }
        return cleared;
    }

    private static Skeleton cleared(Skeleton skeleton, Body body, Side side) {
        Skeleton now = skeleton;
        for (int round = 0; round < ROUNDS; round++) {
            Optional<Skeleton> next = new ClearOfHer(now, body, side).moved(side);
            if (next.isEmpty()) {
                break;
            }
            now = next.get();
        }
        return now;
    }

    private List<List<Ball>> others() {
        List<List<Ball>> all = new ArrayList<>();
        for (Side leg : Side.values()) {
            List<Ball> thigh = her.leg(leg).get(0).balls();
            all.add(row(thigh.subList(1, thigh.size())));
        }
        all.add(her.hair().get(0).balls());
        return all;
    }

    private List<Ball> crossed(Side side) {
        if (side == Side.LEFT) {
            return List.of();
        }
        List<Hull> arm = her.arm(side.other());
        List<Ball> all = new ArrayList<>(row(arm.get(1).balls()));
        all.addAll(row(arm.get(2).balls()));
        all.addAll(row(arm.get(3).balls()));
        return all;
    }

    private static List<Ball> row(List<Ball> corners) {
        List<Ball> all = new ArrayList<>();
        for (int i = 1; i < corners.size(); i++) {
            Ball from = corners.get(i - 1);
            Ball to = corners.get(i);
            for (int step = 0; step <= SAMPLES; step++) {
                double share = (double) step / SAMPLES;
                Point3 at = from.centre().plus(to.centre().minus(from.centre()).times(share));
                all.add(Ball.round(at, radius(from) * (1 - share) + radius(to) * share));
            }
        }
        return all;
    }

    private static double radius(Ball ball) {
        return ball.a().length();
    }

    /** The way out of all that the ball is in. */
    private Point3 wayOut(Ball ball) {
        Point3 out = outOfTheTrunk(ball);
        for (List<Ball> other : others) {
            Point3 deepest = Point3.ORIGIN;
            for (Ball part : other) {
                Point3 apart = ball.centre().minus(part.centre());
                deepest = deeper(deepest, apart, radius(ball) + radius(part) - apart.length());
            }
            out = out.plus(deepest);
        }
        Point3 over = Point3.ORIGIN;
        for (Ball part : crossed) {
            double apart = ball.centre().distance(part.centre());
            over = deeper(over, Lines.front(f), radius(ball) + radius(part) - apart);
        }
        return out.plus(over);
    }

    private Point3 outOfTheTrunk(Ball ball) {
        Point3 out = Point3.ORIGIN;
        for (double share = 0; share <= TRUNK_TO; share += ALONG_STEP) {
            Spine.Place at = her.spine().at(share);
            Point3 apart = ball.centre().minus(at.point());
            if (Math.abs(apart.dot(at.along())) > ALONG_HALF_M) {
                continue;
            }
            double left = apart.dot(at.left()) / her.halfWidthM(share);
            double front = apart.dot(at.front()) / her.halfDepthM(share);
            double ellipse = Math.max(1e-6, Math.sqrt(left * left + front * front));
            Point3 level = apart.minus(at.along().times(apart.dot(at.along())));
            out = deeper(out, level, radius(ball) - level.length() * (1 - 1 / ellipse));
        }
        return out;
    }

    private static Point3 deeper(Point3 known, Point3 way, double deep) {
        return deep > known.length() && way.length() > 1e-6 ? Spine.unit(way).times(deep) : known;
    }

    /** Empty where nothing is in the way. */
    private Optional<Skeleton> moved(Side side) {
        Skeleton.Arm arm = f.arm(side);
        List<Hull> flesh = her.arm(side);
        List<Ball> row = new ArrayList<>(row(flesh.get(1).balls()));
        row.addAll(row(flesh.get(2).balls()));
        row.addAll(row(flesh.get(3).balls()));
        Point3 out = Point3.ORIGIN;
        for (Ball ball : row) {
            Point3 way = wayOut(ball);
            out = way.length() > out.length() ? way : out;
        }
        if (out.length() <= SINKS_IN) {
            return Optional.empty();
        }
        Point3 level = arm.wrist().plus(out).y() < 0 ? new Point3(out.x(), 0, out.z()) : out;
        Point3 straight = Spine.unit(arm.wrist().minus(arm.shoulder()));
        Point3 bend = arm.elbow().minus(arm.shoulder());
        Point3 pole = bend.minus(straight.times(bend.dot(straight))).plus(level.times(2));
        Point3 wrist = arm.wrist().plus(level);
        Point3 tip = arm.fingertip().plus(level);
        Skeleton.Arm led = RestingHands.led(arm, wrist, tip, pole);
        return Optional.of(new Skeleton(
                f.pose(),
                f.hip(),
                f.shoulder(),
                f.lowBack(),
                f.midBack(),
                f.head(),
                f.pitchDeg(),
                f.left(),
                f.right(),
                side == Side.LEFT ? led : f.leftArm(),
                side == Side.LEFT ? f.rightArm() : led));
    }
}
