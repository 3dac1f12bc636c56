package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.LegContact;
import fernstep.core.body.Point3;
import fernstep.core.body.Pose;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.View;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Where she is seen from: puts points of a skeleton on the page, x to the right and y down, in cm. */
final class Stage {
    static final double CM = 100;
    private static final double DEPTH_ALONG = 0.10;
    private static final double DEPTH_DOWN = 0.09;
    private static final double TOWARD_THE_VIEWER = 0.22;

    private final List<Skeleton> frames;
    private final View view;

    Stage(List<Skeleton> frames, View view) {
        this.frames = List.copyOf(frames);
        this.view = view;
    }

    View view() {
        return view;
    }

    /** In the order of the movement. */
    List<Skeleton> frames() {
        return frames;
    }

    boolean moves() {
        return frames.size() > 1;
    }

    /** On the page, as the frame stands. */
    double[] at(Point3 p, Skeleton f) {
        return flat(p, shift(f));
    }

    Stroke stroke(String kind, Function<Skeleton, List<Point3>> line) {
        List<double[]> all = new ArrayList<>();
        boolean moves = false;
        for (Skeleton f : frames) {
            double shift = shift(f);
            List<Point3> points = line.apply(f);
            double[] xy = new double[2 * points.size()];
            for (int i = 0; i < points.size(); i++) {
                double[] p = flat(points.get(i), shift);
                xy[2 * i] = p[0];
                xy[2 * i + 1] = p[1];
            }
            moves |= !all.isEmpty() && !java.util.Arrays.equals(all.get(0), xy);
            all.add(xy);
        }
        return new Stroke(kind, moves ? all : List.of(all.get(0)));
    }

    /** What bears stays where it is: every frame is moved so that the bearing foot, knee or hand keeps its place. */
    double shift(Skeleton f) {
        if (view == View.FEET) {
            return 0;
        }
        return CM * (anchor(end()) - anchor(f)) + 0;
    }

    double anchor(Skeleton f) {
        Pose end = end().pose();
        if (end.trunk().on() != TrunkContact.NONE) {
            return 0;
        }
        if (end.right().on().onFloor()) {
            return end.right().on() == LegContact.KNEE
                    ? f.right().knee().x()
                    : f.right().ankle().x();
        }
        return end.left().on().onFloor()
                ? end.left().on() == LegContact.KNEE
                        ? f.left().knee().x()
                        : f.left().ankle().x()
                : f.leftArm().wrist().x();
    }

    double[] flat(Point3 p, double shift) {
        return view == View.FEET
                ? new double[] {-CM * p.z(), -CM * (p.y() - TOWARD_THE_VIEWER * p.x())}
                : new double[] {plain(p)[0] + shift, plain(p)[1]};
    }

    double[] span() {
        double min = Double.MAX_VALUE;
        double max = -Double.MAX_VALUE;
        for (Skeleton each : frames) {
            for (Side side : Side.values()) {
                for (Point3 p : List.of(
                        each.leg(side).toe(),
                        each.leg(side).knee(),
                        each.arm(side).fingertip(),
                        each.head())) {
                    double x = flat(p, shift(each))[0];
                    min = Math.min(min, x);
                    max = Math.max(max, x);
                }
            }
        }
        return new double[] {min, max};
    }

    static double[] plain(Point3 p) {
        return new double[] {CM * (p.x() + DEPTH_ALONG * p.z()), -CM * p.y() + CM * DEPTH_DOWN * p.z()};
    }

    Skeleton end() {
        return frames.get(frames.size() - 1);
    }

    static Stroke start(Stroke s) {
        return new Stroke(s.kind(), List.of(s.frames().get(0)));
    }
}
