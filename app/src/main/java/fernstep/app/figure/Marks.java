package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.ArmContact;
import fernstep.core.body.Point3;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.ActionMark;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Arrows and signs beside the body: what happens that the pose does not show, and which way a limb goes. Metres. */
record Marks(Stage stage, Rung rung, Side working) {
    private static final double HEAD = 0.045;
    private static final double HEAD_HALF = 0.032;
    private static final int ARC_STEPS = 8;
    private static final int CLOCK_STEPS = 12;
    private static final double CLOCK = 0.055;
    /** Less than this is no way that an arrow could show. */
    private static final double LEAST_WAY_CM = 5;
    /** Hips that go down so much of the way that they go along sink. */
    private static final double SINKS_SHARE = 0.5;

    /** In the order of drawing; empty for a rung that does nothing but rest. */
    List<Stroke> strokes() {
        List<Stroke> strokes = new ArrayList<>();
        way(strokes);
        if (!rung.sight().alongHer()) {
            rung.shows().forEach(mark -> mark(mark, strokes));
        }
        return strokes;
    }

    private void mark(ActionMark mark, List<Stroke> strokes) {
        switch (mark) {
            case RIBS_WIDEN -> {
                arrow(strokes, f -> ribs(f, -0.05, 0.14), f -> ribs(f, -0.09, 0.25));
                arrow(strokes, f -> ribs(f, 0.05, 0.14), f -> ribs(f, 0.09, 0.25));
                if (stage.end().pose().trunk().on() == TrunkContact.NONE) {
                    arrow(strokes, f -> ribs(f, 0, -0.14), f -> ribs(f, 0, -0.24));
                }
            }
            case BREATH_OUT -> {
                for (double aside : new double[] {-0.05, 0, 0.05}) {
                    line(strokes, f -> List.of(mouth(f, 0.16, aside / 2), mouth(f, 0.28, aside)));
                }
            }
            case TALK -> {
                for (double away : new double[] {0.06, 0.11, 0.16}) {
                    line(
                            strokes,
                            f -> List.of(
                                    mouth(f, away - 0.02, -away / 2),
                                    mouth(f, away, 0),
                                    mouth(f, away - 0.02, away / 2)));
                }
            }
            case COUGH ->
                line(
                        strokes,
                        f -> List.of(
                                mouth(f, 0.04, 0),
                                mouth(f, 0.1, 0.05),
                                mouth(f, 0.13, -0.05),
                                mouth(f, 0.19, 0.06),
                                mouth(f, 0.24, -0.04)));
            case ENGAGE -> arrow(strokes, f -> belly(f, 0.27), f -> belly(f, 0.14));
            case FLOOR_LIFT -> arrow(strokes, f -> core(f, -0.04, 0.05), f -> core(f, 0.13, 0.05));
            case FLOOR_LET_GO -> arrow(strokes, f -> core(f, 0.13, -0.05), f -> core(f, -0.04, -0.05));
            case FLOOR_QUICK -> {
                for (double up : new double[] {0, 0.06, 0.12}) {
                    line(strokes, f -> List.of(core(f, up - 0.03, 0.02), core(f, up, 0.055), core(f, up - 0.03, 0.09)));
                }
            }
            case HOLD -> clock(strokes);
            case TILT -> arc(strokes, Lines::pelvis, 0.2);
            case BACK_TO_MAT ->
                arrow(strokes, f -> f.lowBack().plus(up(0.14)), f -> f.lowBack().plus(up(-0.01)));
            case HEEL_UP -> heel(strokes, working);
            case OTHER_HEEL_UP -> heel(strokes, working.other());
            case NOD -> arc(strokes, Skeleton::head, 0.17);
        }
    }

    private void heel(List<Stroke> strokes, Side side) {
        arrow(
                strokes,
                f -> f.leg(side).heel().plus(new Point3(-0.07, 0.01, 0)),
                f -> f.leg(side).heel().plus(new Point3(-0.07, 0.13, 0)));
    }

    /** Ribs, so far up the trunk and so far out of it in front. */
    private static Point3 ribs(Skeleton f, double along, double out) {
        return f.midBack().plus(along(f).times(along)).plus(across(f).times(out));
    }

    private static Point3 belly(Skeleton f, double out) {
        return core(f, 0.02, out);
    }

    private static Point3 core(Skeleton f, double along, double out) {
        return Lines.pelvis(f).plus(along(f).times(along)).plus(across(f).times(out));
    }

    private static Point3 along(Skeleton f) {
        Point3 up = f.shoulder().minus(f.hip());
        return up.times(1 / up.length());
    }

    /** Across the trunk in the plane that is drawn: her front, or where she lies on her side and it faces us, up. */
    private static Point3 across(Skeleton f) {
        Point3 front = Lines.front(f);
        return Math.abs(front.z()) > 0.7 ? up(1) : front;
    }

    private static Point3 up(double by) {
        return new Point3(0, by, 0);
    }

    /** So far from the mouth, and so far to a side of the way the face looks. */
    private static Point3 mouth(Skeleton f, double away, double aside) {
        Point3 face = Lines.nose(f).minus(f.head());
        Point3 ahead = face.times(1 / face.length());
        return Lines.nose(f).plus(ahead.times(away)).plus(turned(ahead).times(aside));
    }

    /** A quarter turn in the plane that is drawn. */
    private static Point3 turned(Point3 p) {
        return new Point3(-p.y(), p.x(), 0);
    }

    private void line(List<Stroke> strokes, Function<Skeleton, List<Point3>> points) {
        strokes.add(stage.stroke("mark-halo", points));
        strokes.add(stage.stroke("mark", points));
    }

    private void arrow(List<Stroke> strokes, Function<Skeleton, Point3> from, Function<Skeleton, Point3> to) {
        line(strokes, f -> {
            Point3 tip = to.apply(f);
            Point3 way = tip.minus(from.apply(f));
            List<Point3> all = new ArrayList<>(List.of(from.apply(f)));
            all.addAll(head(tip, way.times(1 / way.length())));
            return all;
        });
    }

    private static List<Point3> head(Point3 tip, Point3 ahead) {
        Point3 back = tip.minus(ahead.times(HEAD));
        Point3 half = turned(ahead).times(HEAD_HALF);
        return List.of(tip, back.plus(half), tip, back.minus(half), tip);
    }

    /** Both ways round a point, on her front. */
    private void arc(List<Stroke> strokes, Function<Skeleton, Point3> about, double radius) {
        line(strokes, f -> {
            Point3 middle = about.apply(f);
            Point3 out = across(f);
            Point3 side = turned(out);
            List<Point3> all = new ArrayList<>();
            for (int i = 0; i <= ARC_STEPS; i++) {
                double angle = Math.toRadians(-50 + 100.0 * i / ARC_STEPS);
                all.add(middle.plus(out.times(radius * Math.cos(angle))).plus(side.times(radius * Math.sin(angle))));
            }
            Point3 first = all.get(0).minus(all.get(1));
            Point3 last = all.get(ARC_STEPS).minus(all.get(ARC_STEPS - 1));
            List<Point3> both = new ArrayList<>(head(all.get(0), first.times(1 / first.length())));
            both.addAll(all);
            both.addAll(head(all.get(ARC_STEPS), last.times(1 / last.length())));
            return both;
        });
    }

    private void clock(List<Stroke> strokes) {
        line(strokes, f -> {
            boolean upright = f.pose().position().upright();
            Point3 middle = upright
                    ? f.shoulder().plus(new Point3(0.34, 0.05, 0))
                    : f.hip().plus(up(0.34));
            List<Point3> all = new ArrayList<>();
            for (int i = 0; i <= CLOCK_STEPS; i++) {
                double angle = 2 * Math.PI * i / CLOCK_STEPS;
                all.add(middle.plus(new Point3(CLOCK * Math.sin(angle), CLOCK * Math.cos(angle), 0)));
            }
            all.add(middle);
            all.add(middle.plus(new Point3(0.6 * CLOCK, 0, 0)));
            return all;
        });
    }

    /** A part of the body and how readily its way is taken for what is done. */
    private record Part(Function<Skeleton, Point3> at, double weight, boolean hips) {
        Part(Function<Skeleton, Point3> at, double weight) {
            this(at, weight, false);
        }
    }

    private boolean sinks(double[] path) {
        int n = path.length;
        return stage.end().pose().trunk().on() == TrunkContact.NONE
                && !stage.end().pose().position().upright()
                && path[n - 1] - path[1] > SINKS_SHARE * Math.abs(path[n - 2] - path[0]);
    }

    /** She turns over as one piece: round her, from where she lay. */
    private void rolls(List<Stroke> strokes) {
        Skeleton f = stage.end();
        Point3 middle = f.midBack().plus(up(0.04));
        List<Point3> arc = new ArrayList<>();
        for (int i = 0; i <= ARC_STEPS; i++) {
            double angle = Math.toRadians(150 - 150.0 * i / ARC_STEPS);
            arc.add(middle.plus(new Point3(0.05, 0.27 * Math.sin(angle), 0.32 * Math.cos(angle))));
        }
        double[] path = new double[2 * arc.size()];
        for (int i = 0; i < arc.size(); i++) {
            double[] at = stage.at(arc.get(i), f);
            path[2 * i] = at[0];
            path[2 * i + 1] = at[1];
        }
        arrowAlong(strokes, path);
    }

    /** The way of the part that goes farthest, from where it starts to where it ends; a turn of the whole body has none. */
    private void way(List<Stroke> strokes) {
        if (rung.movement().start().position() != rung.movement().full().position()) {
            rolls(strokes);
            return;
        }
        List<Part> parts = List.of(
                new Part(f -> f.leg(working).ankle(), 1),
                new Part(f -> f.leg(working.other()).ankle(), 1),
                new Part(f -> f.arm(working).wrist(), free(working)),
                new Part(f -> f.arm(working.other()).wrist(), free(working.other())),
                new Part(Skeleton::hip, 1, true),
                new Part(f -> f.head().plus(aboveTheHead(f)), onFours() ? 0 : 0.9),
                new Part(f -> f.leg(working).knee(), 0.7),
                new Part(f -> f.leg(working.other()).knee(), 0.7));
        double most = LEAST_WAY_CM;
        double[] farthest = new double[0];
        for (Part part : parts) {
            double[] path = path(part.at());
            if (part.hips() && sinks(path)) {
                // in a plank the hips come into line: who is shown them sinking lets them hang
                continue;
            }
            double weighed = part.weight() * length(path);
            // of two that go alike the first is meant
            if (weighed > most + 1) {
                most = weighed;
                farthest = path;
            }
        }
        if (farthest.length > 0) {
            arrowAlong(strokes, shortened(farthest));
        }
    }

    private static void arrowAlong(List<Stroke> strokes, double[] path) {
        strokes.add(new Stroke("mark-halo", List.of(path)));
        strokes.add(new Stroke("way", List.of(path)));
        strokes.add(new Stroke("way-head", List.of(headOf(path))));
    }

    /** A hand that bears goes nowhere. */
    private double free(Side side) {
        return stage.end().pose().arm(side).on() == ArmContact.NONE
                        || stage.end().pose().position().upright()
                ? 1
                : 0;
    }

    private boolean onFours() {
        return stage.end().pose().position() == Position.HANDS_KNEES;
    }

    /** Clear of the face. */
    private static Point3 aboveTheHead(Skeleton f) {
        Point3 along = f.head().minus(f.shoulder());
        return along.times(0.17 / along.length());
    }

    private static final double CLEAR_OF_THE_LIMB_CM = 8;
    private static final double SHORTEST_CM = 9;

    /** Ends before the hand or foot that it leads to, so that neither is hidden. */
    private static double[] shortened(double[] path) {
        double all = 0;
        for (int i = 2; i < path.length; i += 2) {
            all += Math.hypot(path[i] - path[i - 2], path[i + 1] - path[i - 1]);
        }
        double left = Math.max(SHORTEST_CM, all - CLEAR_OF_THE_LIMB_CM);
        List<Double> kept = new ArrayList<>(List.of(path[0], path[1]));
        for (int i = 2; i < path.length && left > 1e-6; i += 2) {
            double piece = Math.hypot(path[i] - path[i - 2], path[i + 1] - path[i - 1]);
            double share = piece <= left ? 1 : left / piece;
            kept.add(path[i - 2] + share * (path[i] - path[i - 2]));
            kept.add(path[i - 1] + share * (path[i + 1] - path[i - 1]));
            left -= piece;
        }
        return kept.stream().mapToDouble(Double::doubleValue).toArray();
    }

    /** From its start to its end, in cm; 0 where nothing moves. */
    private static double length(double[] path) {
        int n = path.length;
        return n < 4 ? 0 : Math.hypot(path[n - 2] - path[0], path[n - 1] - path[1]);
    }

    private double[] path(Function<Skeleton, Point3> part) {
        double[] path = new double[2 * stage.frames().size()];
        for (int i = 0; i < stage.frames().size(); i++) {
            double[] at =
                    stage.at(part.apply(stage.frames().get(i)), stage.frames().get(i));
            path[2 * i] = at[0];
            path[2 * i + 1] = at[1];
        }
        return path;
    }

    /** The head of an arrow at the end of a path on the page. */
    private static double[] headOf(double[] path) {
        int n = path.length;
        double x = path[n - 2];
        double y = path[n - 1];
        double length = Math.max(1e-6, Math.hypot(x - path[n - 4], y - path[n - 3]));
        double dx = (x - path[n - 4]) / length * Stage.CM * HEAD;
        double dy = (y - path[n - 3]) / length * Stage.CM * HEAD;
        return new double[] {x - dx - 0.7 * dy, y - dy + 0.7 * dx, x, y, x - dx + 0.7 * dy, y - dy - 0.7 * dx};
    }
}
