package fernstep.app.figure;

import fernstep.app.figure.Figure.Label;
import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.LegContact;
import fernstep.core.body.Movement;
import fernstep.core.body.Point3;
import fernstep.core.body.Pose;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.Prop;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.View;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Draws a rung from the points of its poses and from nothing else. The left limbs are full lines, the right ones hollow;
 * a line from pelvis to ribs shows what is judged.
 */
public final class FigureDrawing {
    private static final int STEPS = 4;
    private static final int RANGE_STEPS = 8;
    private static final double CM = 100;
    private static final double DEPTH_ALONG = 0.10;
    private static final double DEPTH_DOWN = 0.09;
    private static final double TOWARD_THE_VIEWER = 0.22;
    private static final int MARGIN = 18;
    private static final double PELVIS_SHARE = 0.10;

    private final Rung rung;
    private final Body body;
    private final List<Skeleton> frames = new ArrayList<>();
    private final View view;
    private boolean heights = true;

    private FigureDrawing(Rung rung, Body body, @Nullable Side side, DoubleFunction<Pose> poseAt, int steps) {
        this.rung = rung;
        this.body = body;
        this.view = rung.view();
        for (int i = 0; i <= steps; i++) {
            Pose pose = poseAt.apply(steps == 0 ? 1 : (double) i / steps);
            frames.add(Skeleton.of(body, side == Side.RIGHT ? pose.mirrored() : pose));
        }
    }

    /**
     * @param side which side works; null for a rung without sides
     * @param range 0 easiest to 1 full
     */
    public static Figure of(Rung rung, Body body, @Nullable Side side, double range) {
        Movement m = rung.movement();
        return new FigureDrawing(rung, body, side, share -> m.during(range, share), STEPS).draw(side);
    }

    /** Its frames are not the movement but the end pose from the easiest range to the full one. */
    public static Figure overRange(Rung rung, Body body, @Nullable Side side) {
        FigureDrawing drawing = new FigureDrawing(rung, body, side, rung.movement()::at, RANGE_STEPS);
        drawing.heights = false;
        return drawing.draw(side);
    }

    /** Where on that figure the limb is held that says how far: x, y at so many even ranges, easiest first. */
    public static List<double[]> handle(Rung rung, Body body, @Nullable Side side, int count) {
        FigureDrawing drawing = new FigureDrawing(rung, body, side, rung.movement()::at, count - 1);
        boolean right = side == Side.RIGHT;
        return drawing.frames.stream()
                .map(f -> {
                    Skeleton.Leg leg = right ? f.right() : f.left();
                    Skeleton.Arm arm = right ? f.rightArm() : f.leftArm();
                    return switch (rung.movement().dial()) {
                        case SHOULDER -> drawing.flat(arm.wrist(), drawing.shift(f));
                        case TRUNK -> drawing.flat(f.shoulder(), drawing.shift(f));
                        default -> drawing.flat(leg.ankle(), drawing.shift(f));
                    };
                })
                .toList();
    }

    /** One pose alone, dressed as a plain rung. */
    public static Figure ofPose(Rung dressedAs, Body body, Pose pose) {
        return new FigureDrawing(dressedAs, body, null, share -> pose, 0).draw(null);
    }

    /**
     * The joint that an angle of a pose moves: x, y, then x, y of the joint it turns about, then whether the angle grows
     * with the turn on the screen (1) or against it (-1). Empty where the joint does not move.
     */
    public static Optional<double[]> handleOf(Body body, Pose pose, Pose turned, String field) {
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
        double[] at = plain(joints[0]);
        double[] about = plain(joints[1]);
        return Optional.of(new double[] {at[0], at[1], about[0], about[1], Math.signum(wrapped)});
    }

    private static double angle(Point3 arrow) {
        return Math.atan2(-arrow.y(), arrow.x());
    }

    private static double[] plain(Point3 p) {
        return new double[] {CM * (p.x() + DEPTH_ALONG * p.z()), -CM * p.y() + CM * DEPTH_DOWN * p.z()};
    }

    private Figure draw(@Nullable Side side) {
        List<Stroke> strokes = new ArrayList<>();
        Side near =
                last().leftArm().shoulder().z() >= last().rightArm().shoulder().z() ? Side.LEFT : Side.RIGHT;
        leg(strokes, near.other());
        arm(strokes, near.other());
        boolean besideHer = restsBesideHer(near);
        if (besideHer) {
            arm(strokes, near);
        }
        trunk(strokes);
        leg(strokes, near);
        if (!besideHer) {
            arm(strokes, near);
        }
        props(strokes);
        List<Stroke> ghost = new ArrayList<>();
        if (frames.size() > 1 && !rung.movement().start().equals(rung.movement().full())) {
            for (Side s : Side.values()) {
                ghost.add(start(stroke("ghost", f -> legLine(f, s))));
                ghost.add(start(stroke("ghost", f -> armLine(f, s))));
            }
        }
        List<Stroke> scene = scene();
        Side working = side == null ? Side.LEFT : side;
        List<Label> labels = labels(working, side != null);
        return new Figure(box(strokes, scene, labels), scene, ghost, strokes, labels, alt(working));
    }

    private Skeleton last() {
        return frames.get(frames.size() - 1);
    }

    private static Stroke start(Stroke s) {
        return new Stroke(s.kind(), List.of(s.frames().get(0)));
    }

    private void leg(List<Stroke> strokes, Side side) {
        limb(strokes, side, f -> legLine(f, side));
    }

    /** From the feet the arms would hide what is judged. */
    private void arm(List<Stroke> strokes, Side side) {
        if (view == View.SIDE) {
            limb(strokes, side, f -> armLine(f, side));
        }
    }

    /** The left limb full, the right one hollow. */
    private void limb(List<Stroke> strokes, Side side, Function<Skeleton, List<Point3>> line) {
        strokes.add(stroke("limb", line));
        if (side == Side.RIGHT) {
            strokes.add(stroke("limb-in", line));
        }
    }

    /** A resting arm is drawn behind the trunk, so that the line from pelvis to ribs stays in sight. */
    private boolean restsBesideHer(Side side) {
        TrunkContact on = last().pose().trunk().on();
        return (on == TrunkContact.BACK || on == TrunkContact.FRONT)
                && Math.abs(last().pose().arm(side).shoulderDeg()) < 20
                && last().pose().arm(side).elbowDeg() < 20;
    }

    private static List<Point3> legLine(Skeleton f, Side side) {
        Skeleton.Leg l = f.leg(side);
        Point3 heel = l.heel();
        return List.of(l.hip(), l.knee(), l.ankle(), heel, l.toe());
    }

    private static List<Point3> armLine(Skeleton f, Side side) {
        Skeleton.Arm a = f.arm(side);
        return List.of(a.shoulder(), a.elbow(), a.wrist(), a.fingertip());
    }

    private void trunk(List<Stroke> strokes) {
        Function<Skeleton, List<Point3>> spine = f -> List.of(f.hip(), f.lowBack(), f.midBack(), f.shoulder());
        Function<Skeleton, List<Point3>> head = f -> List.of(f.head());
        Function<Skeleton, List<Point3>> neck = f -> List.of(f.shoulder(), f.head());
        strokes.add(stroke("neck", neck));
        strokes.add(stroke("head", head));
        strokes.add(stroke("head-in", head));
        strokes.add(stroke("nose", f -> List.of(f.head(), nose(f))));
        if (view == View.FEET) {
            strokes.add(stroke(
                    "girdle", f -> List.of(f.leftArm().shoulder(), f.rightArm().shoulder())));
            strokes.add(stroke(
                    "girdle-in",
                    f -> List.of(f.leftArm().shoulder(), f.rightArm().shoulder())));
            strokes.add(
                    stroke("core-line", f -> List.of(f.left().hip(), f.right().hip())));
            return;
        }
        if (onHerSide()) {
            strokes.add(stroke("trunk-front", FigureDrawing::trunkFromTheFront));
            strokes.add(stroke("core-line", f -> List.of(pelvis(f), f.midBack())));
            strokes.add(stroke("pelvis", f -> List.of(f.left().hip(), f.right().hip())));
            return;
        }
        if (body.bellyKg() > 0) {
            strokes.add(stroke("belly", f -> List.of(belly(f))));
            strokes.add(stroke("belly-in", f -> List.of(belly(f))));
        }
        strokes.add(stroke("trunk", spine));
        strokes.add(stroke("trunk-in", spine));
        strokes.add(stroke("core-line", f -> List.of(pelvis(f), f.midBack())));
        strokes.add(stroke("pelvis", FigureDrawing::pelvisTilt));
        strokes.add(stroke("ribs", f -> List.of(f.midBack())));
    }

    private boolean onHerSide() {
        return last().pose().position() == Position.SIDE;
    }

    /** On her side she is seen from the front: shoulders and hips make the trunk. */
    private static List<Point3> trunkFromTheFront(Skeleton f) {
        Point3 left = f.leftArm().shoulder();
        Point3 right = f.rightArm().shoulder();
        Point3 waist = f.hip().plus(f.shoulder().minus(f.hip()).times(0.42));
        Point3 half = f.left().hip().minus(f.hip()).times(0.72);
        return List.of(left, right, waist.minus(half), f.right().hip(), f.left().hip(), waist.plus(half), left);
    }

    private static Point3 pelvis(Skeleton f) {
        return f.hip().plus(f.shoulder().minus(f.hip()).times(PELVIS_SHARE));
    }

    /** Her front, from the way her trunk faces. */
    private static Point3 front(Skeleton f) {
        Point3 up = f.shoulder().minus(f.hip());
        Point3 left = f.left().hip().minus(f.right().hip());
        // left × up points forward
        Point3 forward = new Point3(
                left.y() * up.z() - left.z() * up.y(),
                left.z() * up.x() - left.x() * up.z(),
                left.x() * up.y() - left.y() * up.x());
        return forward.times(1 / forward.length());
    }

    /** The pelvis as a short line across the trunk that tips with it. */
    private static List<Point3> pelvisTilt(Skeleton f) {
        Point3 up = f.shoulder().minus(f.hip());
        Point3 along = up.times(1 / up.length());
        double tilt = Math.toRadians(f.pose().trunk().pelvisDeg());
        Point3 across = front(f).times(Math.cos(tilt)).plus(along.times(Math.sin(tilt)));
        Point3 middle = pelvis(f);
        return List.of(middle.plus(across.times(-0.06)), middle.plus(across.times(0.06)));
    }

    private Point3 belly(Skeleton f) {
        double out = 0.03 + 0.012 * body.bellyKg();
        return f.hip().plus(f.shoulder().minus(f.hip()).times(0.4)).plus(front(f).times(out));
    }

    private static Point3 nose(Skeleton f) {
        Point3 toHead = f.head().minus(f.shoulder());
        Point3 along = toHead.times(1 / toHead.length());
        Point3 forward = front(f);
        Point3 face = forward.minus(along.times(forward.dot(along)));
        return f.head().plus(face.times(0.115 / Math.max(0.2, face.length())));
    }

    private void props(List<Stroke> strokes) {
        for (Prop prop : rung.props()) {
            switch (prop) {
                case BALL ->
                    both(
                            strokes,
                            "ball",
                            f -> between(f.left().knee(), f.right().knee()));
                case WEIGHTS -> {
                    strokes.add(stroke("weight", f -> List.of(f.leftArm().fingertip())));
                    strokes.add(stroke("weight", f -> List.of(f.rightArm().fingertip())));
                }
                case BAG -> strokes.add(stroke("bag", f -> List.of(f.leftArm().fingertip())));
                case ROLLER -> both(strokes, "ball", f -> f.leftArm().wrist());
                case ROD -> strokes.add(stroke("rod", FigureDrawing::rod));
                case STRAW -> strokes.add(stroke("rod", f -> List.of(nose(f), nose(f).plus(front(f).times(0.12)))));
                case PILLOW -> pillow(strokes);
                default -> {}
            }
        }
    }

    private void both(List<Stroke> strokes, String kind, Function<Skeleton, Point3> at) {
        strokes.add(stroke(kind, f -> List.of(at.apply(f))));
        strokes.add(stroke(kind + "-in", f -> List.of(at.apply(f))));
    }

    private void pillow(List<Stroke> strokes) {
        boolean betweenKnees = onHerSide();
        strokes.add(stroke("pillow", f -> {
            Point3 at = betweenKnees
                    ? between(f.left().knee(), f.right().knee())
                    : new Point3(f.head().x(), 0.02, f.head().z());
            return List.of(at.plus(new Point3(-0.07, 0, 0)), at.plus(new Point3(0.07, 0, 0)));
        }));
    }

    private static Point3 between(Point3 a, Point3 b) {
        return a.plus(b).times(0.5);
    }

    /** Skull, mid-back, sacrum: the rod lies along the back. */
    private static List<Point3> rod(Skeleton f) {
        Point3 back = front(f).times(-0.11);
        Point3 up = f.shoulder().minus(f.hip()).times(0.12);
        return List.of(f.hip().plus(back).minus(up), f.head().plus(back));
    }

    /** Floor, wedge, wall, chair, step: drawn where the end pose needs them. */
    private List<Stroke> scene() {
        List<Stroke> scene = new ArrayList<>();
        Skeleton f = last();
        if (view == View.FEET) {
            double far = flat(new Point3(-0.55, 0, 0), 0)[1];
            double near = flat(new Point3(0.75, 0, 0), 0)[1];
            scene.add(fixed("mat", -34, far, 34, far, 42, near, -42, near, -34, far));
            return scene;
        }
        double[] span = span();
        scene.add(fixed("floor", span[0] - 12, 0.5, span[1] + 12, 0.5));
        if (f.pose().position() == Position.INCLINED) {
            double[] hip = flat(f.hip(), shift(f));
            double[] shoulder = flat(f.shoulder(), shift(f));
            scene.add(fixed(
                    "wedge", hip[0] - 4, 0, shoulder[0] - 8, 0, shoulder[0] - 8, shoulder[1] + 11, hip[0] - 4, 0));
        }
        Double wall = wallX(f);
        if (wall != null) {
            scene.add(fixed("wall", wall, 0, wall, -150));
        }
        if (f.pose().trunk().on() == TrunkContact.SEAT || rung.props().contains(Prop.CHAIR)) {
            double seat = -CM * (0.285 - 0.06) * body.heightM();
            double x = flat(f.hip(), shift(f))[0];
            scene.add(fixed("chair", x + 12, 0, x + 12, seat, x - 16, seat, x - 16, 0));
        }
        if (rung.props().contains(Prop.STEP)) {
            double[] heel = flat(f.left().heel(), shift(f));
            double[] toe = flat(f.left().toe(), shift(f));
            scene.add(fixed("step", heel[0] - 4, 0, heel[0] - 4, heel[1], toe[0] + 6, heel[1], toe[0] + 6, 0));
        }
        return scene;
    }

    private @Nullable Double wallX(Skeleton f) {
        if (f.pose().leftArm().on() == ArmContact.WALL) {
            return Math.max(
                            flat(f.leftArm().wrist(), shift(f))[0],
                            flat(f.rightArm().wrist(), shift(f))[0])
                    + 2;
        }
        if (f.pose().left().on() == LegContact.WALL) {
            return flat(f.left().ankle(), shift(f))[0] + CM * 0.039 * body.heightM() + 1;
        }
        return rung.props().contains(Prop.WALL) && f.pose().position().upright()
                ? (Double) (flat(f.hip(), shift(f))[0] - 10.5)
                : null;
    }

    private static Stroke fixed(String kind, double... points) {
        return new Stroke(kind, List.of(points));
    }

    private List<Label> labels(Side working, boolean sided) {
        List<Label> labels = new ArrayList<>();
        Skeleton f = last();
        if (sided) {
            double[] toe =
                    flat(working == Side.LEFT ? f.left().toe() : f.right().toe(), shift(f));
            boolean arm = rung.movement().dial().ofTheArm();
            double[] at = arm ? flat(f.arm(working).fingertip(), shift(f)) : toe;
            labels.add(new Label(at[0], at[1] - 6, working == Side.LEFT ? "L" : "R"));
        }
        double height = f.leg(working).heelHeightCm(body);
        boolean lying = f.pose().position() == Position.SUPINE || f.pose().position() == Position.INCLINED;
        if (heights
                && lying
                && !f.pose().leg(working).on().onFloor()
                && f.pose().leg(working).on() != LegContact.WALL
                && height > 1) {
            double x = 14
                    + Math.max(
                            flat(f.leg(working).toe(), shift(f))[0],
                            flat(f.leg(working).heel(), shift(f))[0]);
            labels.add(new Label(x, Math.min(-5, -50 * f.leg(working).ankle().y()), Math.round(height) + " cm"));
        }
        return labels;
    }

    /** Dashed from the working heel down to the floor: its height is written beside it. */
    private String alt(Side working) {
        Skeleton f = last();
        double cm = Math.max(0, f.leg(working).heelHeightCm(body));
        return rung.name() + ": hip " + Math.round(f.leg(working).hipDeg()) + "°, knee "
                + Math.round(f.leg(working).kneeDeg()) + "°, heel " + Math.round(cm) + " cm";
    }

    private Stroke stroke(String kind, Function<Skeleton, List<Point3>> line) {
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
    private double shift(Skeleton f) {
        if (view == View.FEET) {
            return 0;
        }
        return CM * (anchor(last()) - anchor(f)) + 0;
    }

    private double anchor(Skeleton f) {
        Pose end = last().pose();
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

    private double[] flat(Point3 p, double shift) {
        return view == View.FEET
                ? new double[] {-CM * p.z(), -CM * (p.y() - TOWARD_THE_VIEWER * p.x())}
                : new double[] {plain(p)[0] + shift, plain(p)[1]};
    }

    private double[] span() {
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

    private static Figure.Box box(List<Stroke> strokes, List<Stroke> scene, List<Label> labels) {
        double minX = Double.MAX_VALUE;
        double maxX = -Double.MAX_VALUE;
        double minY = Double.MAX_VALUE;
        double maxY = 6;
        for (List<Stroke> part : List.of(strokes, scene)) {
            for (Stroke s : part) {
                for (double[] frame : s.frames()) {
                    for (int i = 0; i < frame.length; i += 2) {
                        minX = Math.min(minX, frame[i]);
                        maxX = Math.max(maxX, frame[i]);
                        minY = Math.min(minY, frame[i + 1]);
                        maxY = Math.max(maxY, frame[i + 1]);
                    }
                }
            }
        }
        for (Label label : labels) {
            maxX = Math.max(maxX, label.x());
            minY = Math.min(minY, label.y());
        }
        int x = (int) Math.floor(minX) - MARGIN;
        int y = (int) Math.floor(minY) - MARGIN;
        return new Figure.Box(x, y, (int) Math.ceil(maxX) + MARGIN - x, (int) Math.ceil(maxY) + 6 - y);
    }
}
