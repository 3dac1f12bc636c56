package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.ArmContact;
import fernstep.core.body.LegContact;
import fernstep.core.body.Point3;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Which way the part goes that moves: one arrow, clear of face and hand. Metres; paths on the page in cm. */
record Way(Stage stage, Rung rung, Side working) {
    private static final double HEAD = 0.045;
    private static final int ARC_STEPS = 8;
    private static final double CLEAR_OF_THE_LIMB_CM = 8;
    private static final double SHORTEST_CM = 9;
    private static final double HOVERS_BELOW_M = 0.3;
    /** Less than this is no way that an arrow could show. */
    private static final double LEAST_WAY_CM = 5;
    /** Hips that go down so much of the way that they go along sink. */
    private static final double SINKS_SHARE = 0.5;

    /** A part of the body and how readily its way is taken for what is done. */
    private record Part(Function<Skeleton, Point3> at, double weight, boolean hips) {
        Part(Function<Skeleton, Point3> at, double weight) {
            this(at, weight, false);
        }
    }

    /** On hands and toes with the knees just off the mat: a way too short for an arrow of its own. */
    static boolean hovers(Skeleton skeleton) {
        return skeleton.pose().position() == Position.HANDS_KNEES
                && skeleton.pose().left().on() == LegContact.TOES
                && skeleton.pose().right().on() == LegContact.TOES
                && skeleton.left().knee().y() < HOVERS_BELOW_M;
    }

    private void kneesUp(List<Stroke> strokes) {
        Point3 knee = stage.end().leg(working).knee();
        double[] from = stage.at(knee.plus(new Point3(-0.12, -0.07, 0)), stage.end());
        double[] to = stage.at(knee.plus(new Point3(-0.12, 0.09, 0)), stage.end());
        arrowAlong(strokes, new double[] {from[0], from[1], to[0], to[1]});
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
        Point3 middle = f.midBack().plus(new Point3(0, 0.04, 0));
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
    List<Stroke> strokes() {
        List<Stroke> strokes = new ArrayList<>();
        if (rung.movement().start().position() != rung.movement().full().position()) {
            rolls(strokes);
            return strokes;
        }
        if (hovers(stage.end())) {
            kneesUp(strokes);
            return strokes;
        }
        List<Part> parts = List.of(
                new Part(skeleton -> skeleton.leg(working).ankle(), 1),
                new Part(skeleton -> skeleton.leg(working.other()).ankle(), 1),
                new Part(skeleton -> skeleton.arm(working).wrist(), free(working)),
                new Part(skeleton -> skeleton.arm(working.other()).wrist(), free(working.other())),
                new Part(Skeleton::hip, 1, true),
                new Part(skeleton -> skeleton.head().plus(aboveTheHead(skeleton)), onFours() ? 0 : 0.9),
                new Part(skeleton -> skeleton.leg(working).knee(), 0.7),
                new Part(skeleton -> skeleton.leg(working.other()).knee(), 0.7));
        // on her side she is seen from above: what goes up there looks less
        double most = stage.end().pose().position() == Position.SIDE ? LEAST_WAY_CM / 2 : LEAST_WAY_CM;
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
        return strokes;
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
    private static Point3 aboveTheHead(Skeleton skeleton) {
        Point3 along = skeleton.head().minus(skeleton.shoulder());
        return along.times(0.17 / along.length());
    }

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
