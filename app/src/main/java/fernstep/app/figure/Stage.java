package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.LegContact;
import fernstep.core.body.Point3;
import fernstep.core.body.Pose;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/** Where she is: the moments of a movement, and the camera that puts them on the page in cm. */
final class Stage {
    static final double CM = 100;
    private static final double TURN_APART_M = 0.72;

    private final List<Skeleton> frames;
    private final Camera camera;
    private boolean still;

    Stage(List<Skeleton> frames, Camera camera) {
        this.frames = List.copyOf(frames);
        this.camera = camera;
    }

    /** Only where it begins and ends is drawn: nobody is to see it move. */
    void standsStill() {
        still = true;
    }

    Camera camera() {
        return camera;
    }

    /** In the order of the movement. */
    List<Skeleton> frames() {
        return frames;
    }

    /** She turns over: where she starts is drawn beside where she ends, for over each other nobody could read them. */
    boolean turns() {
        return frames.get(0).pose().position() != end().pose().position();
    }

    /** Where the start of a turn is drawn. */
    Point3 besideHer() {
        return new Point3(0, 0, -TURN_APART_M);
    }

    boolean moves() {
        return frames.size() > 1;
    }

    Skeleton end() {
        return frames.get(frames.size() - 1);
    }

    /** On the page, as the frame stands. */
    double[] at(Point3 point, Skeleton skeleton) {
        return camera.at(point.plus(shift(skeleton)));
    }

    /** Straight from the side, for what is taken hold of. */
    static double[] plain(Point3 point) {
        return Camera.FLAT.at(point);
    }

    /** A line through points. */
    Stroke stroke(String kind, Function<Skeleton, List<Point3>> line) {
        return drawn(kind, 0, skeleton -> {
            List<Point3> points = line.apply(skeleton);
            double[] xy = new double[2 * points.size()];
            for (int i = 0; i < points.size(); i++) {
                double[] p = at(points.get(i), skeleton);
                xy[2 * i] = p[0];
                xy[2 * i + 1] = p[1];
            }
            return xy;
        });
    }

    /** Round parts, all in one colour with one outline about them. */
    Stroke flesh(String kind, Function<Skeleton, List<Hull>> hulls) {
        return drawn(kind, Hull.CORNERS, skeleton -> {
            Point3 shift = shift(skeleton);
            double right = CM * camera.right(shift);
            double down = CM * camera.down(shift);
            List<Hull> all = hulls.apply(skeleton);
            double[] xy = new double[2 * Hull.CORNERS * all.size()];
            for (int i = 0; i < all.size(); i++) {
                double[] outline = all.get(i).outline(camera);
                for (int j = 0; j < outline.length; j += 2) {
                    xy[2 * Hull.CORNERS * i + j] = outline[j] + right;
                    xy[2 * Hull.CORNERS * i + j + 1] = outline[j + 1] + down;
                }
            }
            return xy;
        });
    }

    private Stroke drawn(String kind, int corners, Function<Skeleton, double[]> made) {
        List<Skeleton> shown = still && corners > 0 ? List.of(frames.get(0), end()) : frames;
        List<double[]> all = shown.stream().map(made).toList();
        boolean moves = all.stream().anyMatch(xy -> !Arrays.equals(all.get(0), xy));
        return new Stroke(kind, moves ? all : List.of(all.get(0)), corners);
    }

    /** What bears stays where it is: every frame is moved so that the bearing foot, knee or hand keeps its place. */
    Point3 shift(Skeleton skeleton) {
        return new Point3(anchor(end()) - anchor(skeleton) + 0, 0, 0);
    }

    private double anchor(Skeleton skeleton) {
        Pose end = end().pose();
        if (end.trunk().on() != TrunkContact.NONE) {
            return 0;
        }
        if (end.right().on().onFloor()) {
            return end.right().on() == LegContact.KNEE
                    ? skeleton.right().knee().x()
                    : skeleton.right().ankle().x();
        }
        if (end.left().on().onFloor()) {
            return end.left().on() == LegContact.KNEE
                    ? skeleton.left().knee().x()
                    : skeleton.left().ankle().x();
        }
        return skeleton.leftArm().wrist().x();
    }

    /** Least and greatest of a coordinate over all joints and moments, metres. */
    double[] span(ToDoubleFunction<Point3> coordinate) {
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        for (Skeleton f : frames) {
            List<Point3> points = new ArrayList<>(List.of(f.head(), f.hip(), f.shoulder()));
            for (Side side : Side.values()) {
                points.addAll(List.of(
                        f.leg(side).toe(),
                        f.leg(side).heel(),
                        f.leg(side).knee(),
                        f.arm(side).elbow(),
                        f.arm(side).fingertip()));
            }
            for (Point3 point : points) {
                double value = coordinate.applyAsDouble(point.plus(shift(f)));
                least = Math.min(least, value);
                most = Math.max(most, value);
            }
        }
        return new double[] {least, most};
    }

    /** As it starts, set down somewhere else. */
    Stroke start(Stroke stroke, String kind, Point3 away) {
        double[] xy = stroke.frames().get(0).clone();
        for (int i = 0; i < xy.length; i += 2) {
            xy[i] += CM * camera.right(away);
            xy[i + 1] += CM * camera.down(away);
        }
        return new Stroke(kind, List.of(xy), stroke.corners());
    }

    static Stroke start(Stroke stroke, String kind) {
        return new Stroke(kind, List.of(stroke.frames().get(0)), stroke.corners());
    }
}
