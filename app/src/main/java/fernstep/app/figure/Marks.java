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
                arrow(strokes, skeleton -> ribs(skeleton, -0.05, 0.14), skeleton -> ribs(skeleton, -0.09, 0.25));
                arrow(strokes, skeleton -> ribs(skeleton, 0.05, 0.14), skeleton -> ribs(skeleton, 0.09, 0.25));
                if (stage.end().pose().trunk().on() == TrunkContact.NONE) {
                    arrow(strokes, skeleton -> ribs(skeleton, 0, -0.14), skeleton -> ribs(skeleton, 0, -0.24));
                }
            }
            case BREATH_OUT -> {
                for (double aside : new double[] {-0.05, 0, 0.05}) {
                    line(strokes, skeleton -> List.of(mouth(skeleton, 0.16, aside / 2), mouth(skeleton, 0.28, aside)));
                }
            }
            case TALK -> {
                for (double away : new double[] {0.06, 0.11, 0.16}) {
                    line(
                            strokes,
                            skeleton -> List.of(
                                    mouth(skeleton, away - 0.02, -away / 2),
                                    mouth(skeleton, away, 0),
                                    mouth(skeleton, away - 0.02, away / 2)));
                }
            }
            case COUGH ->
                line(
                        strokes,
                        skeleton -> List.of(
                                mouth(skeleton, 0.04, 0),
                                mouth(skeleton, 0.1, 0.05),
                                mouth(skeleton, 0.13, -0.05),
                                mouth(skeleton, 0.19, 0.06),
                                mouth(skeleton, 0.24, -0.04)));
            case ENGAGE -> arrow(strokes, skeleton -> belly(skeleton, 0.27), skeleton -> belly(skeleton, 0.14));
            case FLOOR_LIFT ->
                arrow(strokes, skeleton -> core(skeleton, -0.04, 0.05), skeleton -> core(skeleton, 0.13, 0.05));
            case FLOOR_LET_GO ->
                arrow(strokes, skeleton -> core(skeleton, 0.13, -0.05), skeleton -> core(skeleton, -0.04, -0.05));
            case FLOOR_QUICK -> {
                for (double up : new double[] {0, 0.06, 0.12}) {
                    line(
                            strokes,
                            skeleton -> List.of(
                                    core(skeleton, up - 0.03, 0.02),
                                    core(skeleton, up, 0.055),
                                    core(skeleton, up - 0.03, 0.09)));
                }
            }
            case HOLD -> clock(strokes);
            case TILT -> arc(strokes, Lines::pelvis, 0.2);
            case BACK_TO_MAT ->
                arrow(
                        strokes,
                        skeleton -> skeleton.lowBack().plus(up(0.14)),
                        skeleton -> skeleton.lowBack().plus(up(-0.01)));
            case HEEL_UP -> heel(strokes, working);
            case OTHER_HEEL_UP -> heel(strokes, working.other());
            case NOD -> arc(strokes, Skeleton::head, 0.17);
        }
    }

    private void heel(List<Stroke> strokes, Side side) {
        arrow(
                strokes,
                skeleton -> skeleton.leg(side).heel().plus(new Point3(-0.07, 0.01, 0)),
                skeleton -> skeleton.leg(side).heel().plus(new Point3(-0.07, 0.13, 0)));
    }

    /** Ribs, so far up the trunk and so far out of it in front. */
    private static Point3 ribs(Skeleton skeleton, double along, double out) {
        return skeleton.midBack()
                .plus(along(skeleton).times(along))
                .plus(across(skeleton).times(out));
    }

    private static Point3 belly(Skeleton skeleton, double out) {
        return core(skeleton, 0.02, out);
    }

    private static Point3 core(Skeleton skeleton, double along, double out) {
        return Lines.pelvis(skeleton)
                .plus(along(skeleton).times(along))
                .plus(across(skeleton).times(out));
    }

    private static Point3 along(Skeleton skeleton) {
        Point3 up = skeleton.shoulder().minus(skeleton.hip());
        return up.times(1 / up.length());
    }

    /** Across the trunk in the plane that is drawn: her front, or where she lies on her side and it faces us, up. */
    private static Point3 across(Skeleton skeleton) {
        Point3 front = Lines.front(skeleton);
        return Math.abs(front.z()) > 0.7 ? up(1) : front;
    }

    private static Point3 up(double by) {
        return new Point3(0, by, 0);
    }

    /** So far from the mouth, and so far to a side of the way the face looks. */
    private static Point3 mouth(Skeleton skeleton, double away, double aside) {
        Point3 face = Lines.nose(skeleton).minus(skeleton.head());
        Point3 ahead = face.times(1 / face.length());
        return Lines.nose(skeleton).plus(ahead.times(away)).plus(turned(ahead).times(aside));
    }

    /** A quarter turn in the plane that is drawn. */
    private static Point3 turned(Point3 point) {
        return new Point3(-point.y(), point.x(), 0);
    }

    private void line(List<Stroke> strokes, Function<Skeleton, List<Point3>> points) {
        strokes.add(stage.stroke("mark-halo", points));
        strokes.add(stage.stroke("mark", points));
    }

    private void arrow(List<Stroke> strokes, Function<Skeleton, Point3> from, Function<Skeleton, Point3> to) {
        line(strokes, skeleton -> {
            Point3 tip = to.apply(skeleton);
            Point3 way = tip.minus(from.apply(skeleton));
            List<Point3> all = new ArrayList<>(List.of(from.apply(skeleton)));
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
        line(strokes, skeleton -> {
            Point3 middle = about.apply(skeleton);
            Point3 out = across(skeleton);
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
        line(strokes, skeleton -> {
            boolean upright = skeleton.pose().position().upright();
            Point3 middle = upright
                    ? skeleton.shoulder().plus(new Point3(0.34, 0.05, 0))
                    : skeleton.hip().plus(up(0.34));
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
