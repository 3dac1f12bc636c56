package fernstep.app.figure;

import fernstep.app.figure.Figure.Label;
import fernstep.app.figure.Figure.Stroke;
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
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
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

    private final Rung rung;
    private final Body body;
    private final Stage stage;
    private boolean heights = true;
    private boolean marks = true;

    private FigureDrawing(Rung rung, Body body, @Nullable Side side, DoubleFunction<Pose> poseAt, int steps) {
        this.rung = rung;
        this.body = body;
        List<Skeleton> frames = new ArrayList<>();
        for (int i = 0; i <= steps; i++) {
            Pose pose = poseAt.apply(steps == 0 ? 1 : (double) i / steps);
            frames.add(Skeleton.of(body, side == Side.RIGHT ? pose.mirrored() : pose));
        }
        this.stage = new Stage(frames, rung.view());
    }

    /**
     * @param side which side works; null for a rung without sides
     * @param range 0 easiest to 1 full
     */
    public static Figure of(Rung rung, Body body, @Nullable Side side, double range) {
        Movement m = rung.movement();
        return new FigureDrawing(rung, body, side, share -> m.during(range, share), STEPS).draw(side);
    }

    /** Without arrows and signs: for who is to see what happens herself. */
    public static Figure bare(Rung rung, Body body, @Nullable Side side, double range) {
        Movement m = rung.movement();
        FigureDrawing drawing = new FigureDrawing(rung, body, side, share -> m.during(range, share), STEPS);
        drawing.marks = false;
        return drawing.draw(side);
    }

    /** Its frames are not the movement but the end pose from the easiest range to the full one. */
    public static Figure overRange(Rung rung, Body body, @Nullable Side side) {
        FigureDrawing drawing = new FigureDrawing(rung, body, side, rung.movement()::at, RANGE_STEPS);
        drawing.heights = false;
        drawing.marks = false;
        return drawing.draw(side);
    }

    /** Where on that figure the limb is held that says how far: x, y at so many even ranges, easiest first. */
    public static List<double[]> handle(Rung rung, Body body, @Nullable Side side, int count) {
        FigureDrawing drawing = new FigureDrawing(rung, body, side, rung.movement()::at, count - 1);
        boolean right = side == Side.RIGHT;
        return drawing.stage.frames().stream()
                .map(f -> {
                    Skeleton.Leg leg = right ? f.right() : f.left();
                    Skeleton.Arm arm = right ? f.rightArm() : f.leftArm();
                    return switch (rung.movement().dial()) {
                        case SHOULDER -> drawing.stage.at(arm.wrist(), f);
                        case TRUNK -> drawing.stage.at(f.shoulder(), f);
                        default -> drawing.stage.at(leg.ankle(), f);
                    };
                })
                .toList();
    }

    /** One pose alone, dressed as a plain rung. */
    public static Figure ofPose(Rung dressedAs, Body body, Pose pose) {
        FigureDrawing drawing = new FigureDrawing(dressedAs, body, null, share -> pose, 0);
        drawing.marks = false;
        return drawing.draw(null);
    }

    private Figure draw(@Nullable Side side) {
        List<Stroke> strokes = new ArrayList<>();
        Side near = stage.end().leftArm().shoulder().z()
                        >= stage.end().rightArm().shoulder().z()
                ? Side.LEFT
                : Side.RIGHT;
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
        Side working = side == null ? Side.LEFT : side;
        if (marks) {
            strokes.addAll(new Marks(stage, rung, working).strokes());
        }
        List<Stroke> ghost = new ArrayList<>();
        if (stage.moves() && !rung.movement().start().equals(rung.movement().full())) {
            for (Side s : Side.values()) {
                ghost.add(Stage.start(stage.stroke("ghost", f -> Lines.legLine(f, s))));
                ghost.add(Stage.start(stage.stroke("ghost", f -> Lines.armLine(f, s))));
            }
        }
        List<Stroke> scene = new Scene(stage, rung, body).strokes();
        List<Label> labels = labels(working, side != null);
        return new Figure(Figure.Box.around(strokes, scene, labels), scene, ghost, strokes, labels, alt(working));
    }

    private void leg(List<Stroke> strokes, Side side) {
        limb(strokes, side, f -> Lines.legLine(f, side));
    }

    /** From the feet the arms would hide what is judged. */
    private void arm(List<Stroke> strokes, Side side) {
        if (stage.view() == View.SIDE) {
            limb(strokes, side, f -> Lines.armLine(f, side));
        }
    }

    /** The left limb full, the right one hollow. */
    private void limb(List<Stroke> strokes, Side side, Function<Skeleton, List<Point3>> line) {
        strokes.add(stage.stroke("limb", line));
        if (side == Side.RIGHT) {
            strokes.add(stage.stroke("limb-in", line));
        }
    }

    /** A resting arm is drawn behind the trunk, so that the line from pelvis to ribs stays in sight. */
    private boolean restsBesideHer(Side side) {
        TrunkContact on = stage.end().pose().trunk().on();
        return (on == TrunkContact.BACK || on == TrunkContact.FRONT)
                && Math.abs(stage.end().pose().arm(side).shoulderDeg()) < 20
                && stage.end().pose().arm(side).elbowDeg() < 20;
    }

    private void trunk(List<Stroke> strokes) {
        Function<Skeleton, List<Point3>> spine = f -> List.of(f.hip(), f.lowBack(), f.midBack(), f.shoulder());
        Function<Skeleton, List<Point3>> head = f -> List.of(f.head());
        Function<Skeleton, List<Point3>> neck = f -> List.of(f.shoulder(), f.head());
        strokes.add(stage.stroke("neck", neck));
        strokes.add(stage.stroke("head", head));
        strokes.add(stage.stroke("head-in", head));
        strokes.add(stage.stroke("nose", f -> List.of(f.head(), Lines.nose(f))));
        if (stage.view() == View.FEET) {
            strokes.add(stage.stroke(
                    "girdle", f -> List.of(f.leftArm().shoulder(), f.rightArm().shoulder())));
            strokes.add(stage.stroke(
                    "girdle-in",
                    f -> List.of(f.leftArm().shoulder(), f.rightArm().shoulder())));
            strokes.add(stage.stroke(
                    "core-line", f -> List.of(f.left().hip(), f.right().hip())));
            return;
        }
        if (onHerSide()) {
            strokes.add(stage.stroke("trunk-front", Lines::trunkFromTheFront));
            strokes.add(stage.stroke("core-line", f -> List.of(Lines.pelvis(f), f.midBack())));
            strokes.add(stage.stroke(
                    "pelvis", f -> List.of(f.left().hip(), f.right().hip())));
            return;
        }
        if (body.bellyKg() > 0) {
            strokes.add(stage.stroke("belly", f -> List.of(belly(f))));
            strokes.add(stage.stroke("belly-in", f -> List.of(belly(f))));
        }
        strokes.add(stage.stroke("trunk", spine));
        strokes.add(stage.stroke("trunk-in", spine));
        strokes.add(stage.stroke("core-line", f -> List.of(Lines.pelvis(f), f.midBack())));
        strokes.add(stage.stroke("pelvis", Lines::pelvisTilt));
        strokes.add(stage.stroke("ribs", f -> List.of(f.midBack())));
    }

    private boolean onHerSide() {
        return stage.end().pose().position() == Position.SIDE;
    }

    private Point3 belly(Skeleton f) {
        double out = 0.03 + 0.012 * body.bellyKg();
        return f.hip()
                .plus(f.shoulder().minus(f.hip()).times(0.4))
                .plus(Lines.front(f).times(out));
    }

    private void props(List<Stroke> strokes) {
        for (Prop prop : rung.props()) {
            switch (prop) {
                case BALL ->
                    both(
                            strokes,
                            "ball",
                            f -> Lines.between(f.left().knee(), f.right().knee()));
                case WEIGHTS -> {
                    strokes.add(stage.stroke("weight", f -> List.of(f.leftArm().fingertip())));
                    strokes.add(stage.stroke("weight", f -> List.of(f.rightArm().fingertip())));
                }
                case BAG ->
                    strokes.add(stage.stroke("bag", f -> List.of(f.leftArm().fingertip())));
                case ROLLER -> both(strokes, "ball", f -> f.leftArm().wrist());
                case ROD -> strokes.add(stage.stroke("rod", Lines::rod));
                case STRAW ->
                    strokes.add(stage.stroke(
                            "rod",
                            f -> List.of(
                                    Lines.nose(f),
                                    Lines.nose(f).plus(Lines.front(f).times(0.12)))));
                case PILLOW -> pillow(strokes);
                default -> {}
            }
        }
    }

    private void both(List<Stroke> strokes, String kind, Function<Skeleton, Point3> at) {
        strokes.add(stage.stroke(kind, f -> List.of(at.apply(f))));
        strokes.add(stage.stroke(kind + "-in", f -> List.of(at.apply(f))));
    }

    private void pillow(List<Stroke> strokes) {
        boolean betweenKnees = onHerSide();
        strokes.add(stage.stroke("pillow", f -> {
            Point3 at = betweenKnees
                    ? Lines.between(f.left().knee(), f.right().knee())
                    : new Point3(f.head().x(), 0.02, f.head().z());
            return List.of(at.plus(new Point3(-0.07, 0, 0)), at.plus(new Point3(0.07, 0, 0)));
        }));
    }

    private List<Label> labels(Side working, boolean sided) {
        List<Label> labels = new ArrayList<>();
        Skeleton f = stage.end();
        if (sided) {
            double[] toe =
                    stage.at(working == Side.LEFT ? f.left().toe() : f.right().toe(), f);
            boolean arm = rung.movement().dial().ofTheArm();
            double[] at = arm ? stage.at(f.arm(working).fingertip(), f) : toe;
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
                            stage.at(f.leg(working).toe(), f)[0],
                            stage.at(f.leg(working).heel(), f)[0]);
            labels.add(new Label(x, Math.min(-5, -50 * f.leg(working).ankle().y()), Math.round(height) + " cm"));
        }
        return labels;
    }

    /** Angles and the height of the working heel, and what its marks say. */
    private Reason alt(Side working) {
        Skeleton f = stage.end();
        double cm = Math.max(0, f.leg(working).heelHeightCm(body));
        Reason pose = Reason.of(
                "figure.alt",
                rung.name(),
                Math.round(f.leg(working).hipDeg()),
                Math.round(f.leg(working).kneeDeg()),
                Math.round(cm));
        return !marks || rung.shows().isEmpty()
                ? pose
                : Reason.of(
                        "figure.altShows",
                        pose,
                        Reason.list(rung.shows().stream()
                                .map(m -> Reason.of("figure.mark." + m))
                                .toList()));
    }
}
