package fernstep.app.figure;

import fernstep.app.figure.Figure.Label;
import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.LegContact;
import fernstep.core.body.Movement;
import fernstep.core.body.Pose;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleFunction;
import org.jspecify.annotations.Nullable;

/** Draws a rung from the points of its poses and from nothing else. */
public final class FigureDrawing {
    private static final int STEPS = 4;
    private static final int RANGE_STEPS = 8;
    /** A foot whose toes are lower rests. */
    private static final double ON_THE_MAT_M = 0.25;

    private static final int AROUND_THE_TRUNK_CM = 24;
    /** Where a letter is put, from the tip of the limb: right, down, cm; the first that is clear. */
    private static final double[][] ABOVE = {
        {0, -8},
        {9, -2},
        {-9, -2},
        {12, 5},
        {-12, 5},
        {0, -15},
        {4, 14},
        {14, 14},
        {0, 20},
        {20, 0},
        {-20, 0},
        {0, -24},
        {24, -16},
        {-24, -16}
    };

    private static final double[][] UNDER = {
        {4, 14}, {12, 6}, {-10, 14}, {0, 20}, {14, -4}, {0, -10}, {20, 8}, {-20, 8}, {0, -24}
    };
    /** Of a letter, about its foot: right, down, cm. */
    private static final List<double[]> LABEL_CORNERS = List.of(
            new double[] {-4, 0}, new double[] {4, 0}, new double[] {-4, -8}, new double[] {4, -8}, new double[] {0, -4
            });

    private final Rung rung;
    private final Body body;
    private final Side working;
    private final Stage stage;
    private boolean heights = true;
    private boolean marks = true;

    private FigureDrawing(
            Rung rung, Body body, @Nullable Side side, DoubleFunction<Pose> poseAt, int steps, Camera camera) {
        this.rung = rung;
        this.body = body;
        this.working = side == null ? Side.LEFT : side;
        List<Skeleton> frames = new ArrayList<>();
        for (int i = 0; i <= steps; i++) {
            Pose pose = poseAt.apply(steps == 0 ? 1 : (double) i / steps);
            Skeleton skeleton = Skeleton.of(body, side == Side.RIGHT ? pose.mirrored() : pose);
            frames.add(new RestingHands(skeleton, body).at(rung.sight().hands(), working));
        }
        this.stage = new Stage(frames, camera);
    }

    /**
     * @param side which side works; null for a rung without sides
     * @param range 0 easiest to 1 full
     */
    public static Figure of(Rung rung, Body body, @Nullable Side side, double range) {
        Movement m = rung.movement();
        return new FigureDrawing(rung, body, side, share -> m.during(range, share), STEPS, Cameras.of(rung)).draw(side);
    }

    /** The same for a page that shows it without motion. */
    public static Figure still(Rung rung, Body body, @Nullable Side side, double range) {
        Movement m = rung.movement();
        FigureDrawing drawing =
                new FigureDrawing(rung, body, side, share -> m.during(range, share), STEPS, Cameras.of(rung));
        drawing.stage.standsStill();
        return drawing.draw(side);
    }

    /** At the end of the movement, without arrows and labels. */
    public static Figure bare(Rung rung, Body body, @Nullable Side side, double range) {
        Pose end = rung.movement().during(range, 1);
        FigureDrawing drawing = new FigureDrawing(rung, body, side, share -> end, 0, Cameras.of(rung));
        drawing.marks = false;
        drawing.heights = false;
        return drawing.draw(null);
    }

    /** How a sign looks on her at the end of the movement: its place coloured, the picture cut to where it is. */
    public static Figure sign(Rung rung, Body body, @Nullable Side side, double range, SignCode sign) {
        Pose end = rung.movement().during(range, 1);
        FigureDrawing drawing = new FigureDrawing(rung, body, side, share -> end, 0, SignOnBody.camera(sign, rung));
        Painter painter = new Painter(drawing.stage, rung, body, drawing.working, Shown.only(sign));
        List<Stroke> strokes = painter.strokes();
        strokes.add(painter.signs());
        return new Figure(
                drawing.nearTheTrunk(),
                new Scene(drawing.stage, rung, body).strokes(),
                List.of(),
                strokes,
                List.of(),
                Reason.of("figure.altSign", rung.name(), sign));
    }

    /** The signs that a picture can show on this rung. */
    public static List<SignCode> signsOf(Rung rung) {
        return Arrays.stream(SignCode.values())
                .filter(sign -> SignOnBody.drawn(sign, rung))
                .toList();
    }

    private Figure.Box nearTheTrunk() {
        Skeleton f = stage.end();
        List<double[]> shown = List.of(
                stage.at(f.hip(), f), stage.at(f.shoulder(), f), stage.at(f.head(), f), stage.at(f.midBack(), f));
        int left = (int) Math.floor(least(shown, 0)) - AROUND_THE_TRUNK_CM;
        int top = (int) Math.floor(least(shown, 1)) - AROUND_THE_TRUNK_CM;
        int right = (int) Math.ceil(-least(negative(shown), 0)) + AROUND_THE_TRUNK_CM;
        int bottom = (int) Math.ceil(-least(negative(shown), 1)) + AROUND_THE_TRUNK_CM;
        return new Figure.Box(left, top, right - left, bottom - top);
    }

    private static double least(List<double[]> points, int axis) {
        return points.stream().mapToDouble(point -> point[axis]).min().orElse(0);
    }

    private static List<double[]> negative(List<double[]> points) {
        return points.stream().map(point -> new double[] {-point[0], -point[1]}).toList();
    }

    /** Its frames are not the movement but the end pose from the easiest range to the full one. */
    public static Figure overRange(Rung rung, Body body, @Nullable Side side) {
        FigureDrawing drawing = overRange(rung, body, side, RANGE_STEPS);
        drawing.heights = false;
        drawing.marks = false;
        return drawing.draw(side);
    }

    private static FigureDrawing overRange(Rung rung, Body body, @Nullable Side side, int steps) {
        return new FigureDrawing(rung, body, side, rung.movement()::at, steps, Cameras.of(rung));
    }

    /** Where on that figure the limb is held that says how far: x, y at so many even ranges, easiest first. */
    public static List<double[]> handle(Rung rung, Body body, @Nullable Side side, int count) {
        FigureDrawing drawing = overRange(rung, body, side, count - 1);
        return drawing.stage.frames().stream()
                .map(skeleton -> switch (rung.movement().dial()) {
                    case SHOULDER ->
                        drawing.stage.at(skeleton.arm(drawing.working).wrist(), skeleton);
                    case TRUNK -> drawing.stage.at(skeleton.shoulder(), skeleton);
                    default -> drawing.stage.at(skeleton.leg(drawing.working).ankle(), skeleton);
                })
                .toList();
    }

    /** One pose alone, dressed as a plain rung. */
    public static Figure ofPose(Rung dressedAs, Body body, Pose pose) {
        FigureDrawing drawing = new FigureDrawing(dressedAs, body, null, share -> pose, 0, Camera.FLAT);
        drawing.marks = false;
        return drawing.draw(null);
    }

    private Figure draw(@Nullable Side side) {
        Scene scene = new Scene(stage, rung, body);
        Painter painter = new Painter(stage, rung, body, working);
        List<Stroke> strokes = painter.strokes(marks ? Painter.Marked.JUDGED : Painter.Marked.BARE);
        if (marks) {
            strokes.addAll(new Marks(stage, rung, working).strokes());
        }
        List<Stroke> ghost = stage.moves() && marks ? painter.ghost() : List.of();
        List<Label> labels = labels(side != null, strokes);
        List<Stroke> around = scene.strokes();
        return new Figure(Figure.Box.around(strokes, around, labels), around, ghost, strokes, labels, alt());
    }

    private List<Label> labels(boolean sided, List<Stroke> parts) {
        List<Label> labels = new ArrayList<>();
        Skeleton f = stage.end();
        if (sided) {
            boolean arm = rung.movement().dial().ofTheArm()
                    || (f.pose().position() == Position.SIDE
                            && f.pose().arm(working).on() == ArmContact.FOREARM)
                    || f.pose().leg(working).equals(rung.movement().start().leg(Side.LEFT));
            double[] at = arm
                    ? stage.at(f.arm(working).fingertip(), f)
                    : stage.at(f.leg(working).toe(), f);
            boolean rests = !arm
                    && f.leg(working).toe().y() < ON_THE_MAT_M
                    && !f.pose().position().upright();
            labels.add(free(at, rests ? UNDER : ABOVE, working == Side.LEFT ? "L" : "R", parts));
        }
        double height = f.leg(working).heelHeightCm(body);
        boolean lying = f.pose().position() == Position.SUPINE || f.pose().position() == Position.INCLINED;
        if (heights
                && lying
                && !f.pose().leg(working).on().onFloor()
                && f.pose().leg(working).on() != LegContact.WALL
                && height > 1) {
            double[] toe = stage.at(f.leg(working).toe(), f);
            double[] heel = stage.at(f.leg(working).heel(), f);
            labels.add(
                    new Label(19 + Math.max(toe[0], heel[0]), Math.max(toe[1], heel[1]), Math.round(height) + " cm"));
        }
        return labels;
    }

    /** Beside a point and clear of the body; where it is clear nowhere, the first place. */
    private static Label free(double[] at, double[][] places, String text, List<Stroke> parts) {
        for (double[] place : places) {
            double x = at[0] + place[0];
            double y = at[1] + place[1];
            boolean clear = parts.stream()
                    .filter(part -> part.corners() > 0)
                    .noneMatch(part ->
                            LABEL_CORNERS.stream().anyMatch(corner -> part.covers(x + corner[0], y + corner[1])));
            if (clear) {
                return new Label(x, y, text);
            }
        }
        return new Label(at[0] + places[0][0], at[1] + places[0][1], text);
    }

    /** Angles and the height of the working heel, and what its marks say. */
    private Reason alt() {
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
                                .map(mark -> Reason.of("figure.mark." + mark))
                                .toList()));
    }
}
