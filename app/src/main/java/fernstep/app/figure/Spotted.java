package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Body;
import fernstep.core.body.Movement;
import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A body for whoever learns to see: its movement, and by how much each sign changes every part of it at every moment. A page
 * adds them up; it knows nothing of bodies.
 *
 * @param figure without arrows, labels or colours that would give anything away; every part has every moment
 * @param changes by sign (and {@value #BREATH}), for each stroke of the body, in the writing of {@link Stroke#data}; null
 *     where it changes nothing
 */
public record Spotted(Figure figure, Map<String, List<@Nullable String>> changes) {
    /** Breathed in rather than out. */
    public static final String BREATH = "BREATH";

    private static final int STEPS = 4;
    private static final double SEEN_CM = 0.05;
    private static final double FACE_HALF_M = 0.16;
    private static final Camera FROM_HER_FEET = new Camera(70, 20);
    private static final Camera FACING_HER = new Camera(90, 0);

    /** As she is seen from where one sits beside her. */
    public static Spotted beside(Rung rung, Body body, Collection<SignCode> signs) {
        Stage stage = stage(rung, body, Cameras.of(rung));
        return of(stage, signs, shown -> painted(stage, rung, body, shown), box(stage, rung, body));
    }

    /** From her feet, where a pelvis that tips is seen. */
    public static Spotted fromHerFeet(Rung rung, Body body, Collection<SignCode> signs) {
        Stage stage = stage(rung, body, FROM_HER_FEET);
        List<Stroke> scene = new Scene(stage, rung, body).strokes();
        Figure.Box her = Figure.Box.around(painted(stage, rung, body, Shown.nothing()), List.of(), List.of());
        return of(stage, signs, shown -> painted(stage, rung, body, shown), new Seen(her, scene));
    }

    /**
     * Her face from the front.
     *
     * @param sitting any rung that is done sitting or standing
     */
    public static Spotted face(Rung sitting, Body body, Collection<SignCode> signs) {
        Stage stage = stage(sitting, body, FACING_HER);
        double[] at = stage.at(stage.end().head(), stage.end());
        int half = (int) (100 * FACE_HALF_M);
        Figure.Box box = new Figure.Box((int) at[0] - half, (int) at[1] - half, 2 * half, 2 * half);
        return of(
                stage,
                signs,
                shown -> {
                    Painter painter = new Painter(stage, sitting, body, Side.LEFT, shown);
                    List<Stroke> strokes = painter.strokes();
                    strokes.addAll(features(stage, body, shown));
                    return strokes;
                },
                new Seen(box, List.of()));
    }

    private record Seen(Figure.Box box, List<Stroke> scene) {}

    private static Stage stage(Rung rung, Body body, Camera camera) {
        Movement movement = rung.movement();
        List<Skeleton> frames = new ArrayList<>();
        for (int step = 0; step <= STEPS; step++) {
            Skeleton skeleton = Skeleton.of(body, movement.during(1, (double) step / STEPS));
            frames.add(new RestingHands(skeleton, body).at(rung.sight().hands(), Side.LEFT));
        }
        return new Stage(frames, camera);
    }

    private static List<Stroke> painted(Stage stage, Rung rung, Body body, Shown shown) {
        return new Painter(stage, rung, body, Side.LEFT, shown).strokes();
    }

    private static Seen box(Stage stage, Rung rung, Body body) {
        List<Stroke> scene = new Scene(stage, rung, body).strokes();
        return new Seen(Figure.Box.around(painted(stage, rung, body, Shown.nothing()), scene, List.of()), scene);
    }

    private static Spotted of(
            Stage stage, Collection<SignCode> signs, Function<Shown, List<Stroke>> painted, Seen seen) {
        int moments = stage.frames().size();
        List<Stroke> asItShouldBe = painted.apply(Shown.nothing()).stream()
                .map(stroke -> new Stroke(stroke.kind(), all(stroke, moments), stroke.corners()))
                .toList();
        Map<String, List<@Nullable String>> changes = new HashMap<>();
        for (SignCode sign : signs) {
            changes.put(sign.name(), changes(asItShouldBe, painted.apply(Shown.only(sign))));
        }
        changes.put(BREATH, changes(asItShouldBe, painted.apply(new Shown(Map.of(), 1))));
        Figure figure = new Figure(
                seen.box(), seen.scene(), List.of(), asItShouldBe, List.of(), Reason.of("figure.altSpotted"));
        return new Spotted(figure, changes);
    }

    private static List<double[]> all(Stroke stroke, int moments) {
        return stroke.frames().size() == moments
                ? stroke.frames()
                : Collections.nCopies(moments, stroke.frames().get(0));
    }

    private static List<@Nullable String> changes(List<Stroke> from, List<Stroke> to) {
        List<@Nullable String> all = new ArrayList<>();
        for (int at = 0; at < from.size(); at++) {
            Stroke before = from.get(at);
            List<double[]> after = all(to.get(at), before.frames().size());
            List<double[]> by = new ArrayList<>();
            boolean seen = false;
            for (int moment = 0; moment < after.size(); moment++) {
                double[] difference = new double[after.get(moment).length];
                for (int i = 0; i < difference.length; i++) {
                    difference[i] = after.get(moment)[i] - before.frames().get(moment)[i];
                    seen |= Math.abs(difference[i]) > SEEN_CM;
                }
                by.add(difference);
            }
            all.add(seen ? new Stroke(before.kind(), by, before.corners()).data() : null);
        }
        return all;
    }

    /** Eyes closed, and a mouth that is open as long as she breathes. */
    private static List<Stroke> features(Stage stage, Body body, Shown shown) {
        double strain = Math.max(shown.of(SignCode.BEARS_DOWN), 0.5 * shown.of(SignCode.BREATH_HELD));
        double open = Math.max(0, 1 - shown.of(SignCode.BREATH_HELD)) * (5 - 3 * shown.breathIn());
        List<Stroke> all = new ArrayList<>();
        for (int side : new int[] {-1, 1}) {
            all.add(stage.stroke(
                    "feature",
                    skeleton -> List.of(
                            feature(skeleton, body, 8, side * 11),
                            feature(skeleton, body, 6, side * 16),
                            feature(skeleton, body, 8, side * 21))));
            all.add(stage.stroke(
                    "feature",
                    skeleton -> List.of(
                            feature(skeleton, body, 19 - 4 * strain, side * 9),
                            feature(skeleton, body, 20 + strain, side * 23))));
        }
        all.add(stage.stroke("feature", skeleton -> {
            List<Point3> lips = new ArrayList<>();
            for (int i = 0; i <= 12; i++) {
                double turn = 2 * Math.PI * i / 12;
                lips.add(feature(skeleton, body, -26 + open * Math.sin(turn), 10 * Math.cos(turn)));
            }
            return lips;
        }));
        return all;
    }

    private static Point3 feature(Skeleton skeleton, Body body, double up, double aside) {
        Point3 left = skeleton.left().hip().minus(skeleton.right().hip());
        return new Head(skeleton, body.heightM())
                .at(up, 60)
                .plus(left.times(aside * body.heightM() / 1000 / left.length()));
    }
}
