package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Body;
import fernstep.core.body.Point3;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.catalogue.ActionMark;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Puts the parts of a body over each other, what is farther first. Each part is one area with one outline round all of its
 * pieces; hips and legs are one garment.
 */
final class Painter {
    private final Stage stage;
    private final Body body;
    private final Side near;
    private final boolean facesUs;
    private final HeldProps props;
    private final boolean tightens;
    private final @Nullable Shown shown;

    Painter(Stage stage, Rung rung, Body body, Side working) {
        this(stage, rung, body, working, null);
    }

    /** @param shown what shows on her where control is lost; null for a body that is as it should be */
    Painter(Stage stage, Rung rung, Body body, Side working, @Nullable Shown shown) {
        this.shown = shown;
        this.stage = stage;
        this.body = body;
        Skeleton end = stage.end();
        Camera camera = stage.camera();
        this.near = camera.near(end.leftArm().shoulder())
                        >= camera.near(end.rightArm().shoulder())
                ? Side.LEFT
                : Side.RIGHT;
        this.facesUs = camera.near(Lines.front(end)) > 0.5;
        this.props = new HeldProps(stage, rung, body, working);
        this.tightens = rung.shows().contains(ActionMark.ENGAGE);
    }

    private Stroke flesh(String kind, Function<Anatomy, List<Hull>> part) {
        return stage.flesh(kind, skeleton -> part.apply(new Anatomy(skeleton, body, shown)));
    }

    List<Stroke> strokes() {
        return strokes(Marked.BARE);
    }

    /** Whether what tightens is shown on her. */
    enum Marked {
        BARE,
        JUDGED
    }

    List<Stroke> strokes(Marked marked) {
        List<Stroke> all = new ArrayList<>(props.behind());
        Side far = near.other();
        boolean onHerSide = stage.end().pose().position() == Position.SIDE;
        arm(all, far, "far");
        leg(all, far, onHerSide ? "near" : "far");
        if (lookingAway()) {
            head(all);
        }
        all.addAll(props.between());
        boolean armsBehind = restsBehind(near);
        if (armsBehind) {
            arm(all, near, "near");
        }
        trunk(all);
        leg(all, near, "near");
        all.add(flesh("lap", Anatomy::lap));
        if (tightens && marked == Marked.JUDGED) {
            all.add(flesh("judged", Anatomy::lowBelly));
        }
        if (!lookingAway()) {
            head(all);
        }
        if (!armsBehind) {
            arm(all, near, "near");
        }
        if (facesUs) {
            handOver(all, far);
        }
        all.addAll(props.before());
        return all;
    }

    /** Where what shows is to be seen, over everything else. */
    Stroke signs() {
        return flesh("sign", Anatomy::signs);
    }

    private void trunk(List<Stroke> all) {
        all.add(flesh("legging", Anatomy::hips));
        all.add(flesh("skin", Anatomy::neck));
        all.add(flesh("top", Anatomy::top));
    }

    /** Nothing of the face is seen: the head lies beyond the trunk. */
    private boolean lookingAway() {
        Skeleton end = stage.end();
        return stage.camera().near(end.head()) < stage.camera().near(end.shoulder()) - 0.12;
    }

    private void head(List<Stroke> all) {
        boolean faceInFront = stage.camera().near(new Anatomy(stage.end(), body).gaze()) > -0.45;
        if (faceInFront) {
            all.add(flesh("hair", Anatomy::hair));
            all.add(flesh("face", Anatomy::face));
        } else {
            all.add(flesh("face", Anatomy::face));
            all.add(flesh("hair", Anatomy::hair));
        }
    }

    private void leg(List<Stroke> all, Side side, String depth) {
        all.add(flesh("skin-" + depth, anatomy -> anatomy.foot(side)));
        all.add(flesh("legging-" + depth, anatomy -> anatomy.leg(side)));
    }

    private void arm(List<Stroke> all, Side side, String depth) {
        all.add(flesh("skin-" + depth, anatomy -> anatomy.arm(side)));
        all.add(flesh("top-" + depth, anatomy -> anatomy.sleeve(side)));
    }

    /** A hand of the far arm that lies on her front is seen where her front is. */
    private void handOver(List<Stroke> all, Side far) {
        Skeleton end = stage.end();
        Point3 hand = end.arm(far).wrist();
        boolean before = stage.camera().near(hand) > stage.camera().near(end.hip()) + 0.04;
        if (before) {
            arm(all, far, "near");
        }
    }

    /** A near arm beside her on the mat is behind what lies higher. */
    private boolean restsBehind(Side side) {
        Skeleton end = stage.end();
        return end.pose().position() == Position.SIDE && end.pose().lower() == side;
    }

    /** Where the movement begins, pale, of what moves. */
    List<Stroke> ghost() {
        List<Stroke> all = new ArrayList<>();
        if (stage.turns()) {
            strokes().stream()
                    .filter(part -> part.corners() > 0)
                    .forEach(part -> all.add(stage.start(part, "ghost", stage.besideHer())));
            return all;
        }
        for (Side side : List.of(near.other(), near)) {
            pale(all, flesh("", anatomy -> anatomy.leg(side)), flesh("", anatomy -> anatomy.foot(side)));
            pale(all, flesh("", anatomy -> anatomy.arm(side)));
        }
        Stroke trunk = flesh("", anatomy -> {
            List<Hull> hulls = new ArrayList<>(anatomy.hips());
            hulls.addAll(anatomy.top());
            return hulls;
        });
        if (trunkMoves()) {
            pale(all, trunk);
            pale(all, flesh("", Anatomy::hair));
        }
        return all;
    }

    private boolean trunkMoves() {
        Skeleton from = stage.frames().get(0);
        Skeleton to = stage.end();
        double hip = from.hip().plus(stage.shift(from)).minus(to.hip()).length();
        double shoulder =
                from.shoulder().plus(stage.shift(from)).minus(to.shoulder()).length();
        return Math.max(hip, shoulder) > 0.05;
    }

    private void pale(List<Stroke> all, Stroke... parts) {
        for (Stroke part : parts) {
            if (goesFar(part)) {
                all.add(Stage.start(part, "ghost"));
            }
        }
    }

    private static final double SEEN_TO_MOVE_CM = 4;

    private static boolean goesFar(Stroke part) {
        double[] from = part.frames().get(0);
        double[] to = part.frames().get(part.frames().size() - 1);
        double most = 0;
        for (int i = 0; i < from.length; i++) {
            most = Math.max(most, Math.abs(from[i] - to[i]));
        }
        return most > SEEN_TO_MOVE_CM;
    }
}
