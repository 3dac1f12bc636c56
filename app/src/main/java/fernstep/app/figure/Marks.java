package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.ActionMark;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Arrows and signs beside the body: what happens that the pose does not show. Metres. */
record Marks(Stage stage, Rung rung, Side working) {
    private static final double HEAD = 0.045;
    private static final double HEAD_HALF = 0.032;
    private static final int ARC_STEPS = 8;
    private static final int CLOCK_STEPS = 12;
    private static final double CLOCK = 0.055;
    /** In the order of drawing; empty for a rung that does nothing but rest. */
    List<Stroke> strokes() {
        List<Stroke> strokes = new ArrayList<>();
        strokes.addAll(new Way(stage, rung, working).strokes());
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
}
