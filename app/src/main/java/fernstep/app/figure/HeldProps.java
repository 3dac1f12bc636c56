package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.Point3;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.catalogue.Prop;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** What she holds, lies on or has between her knees, in contact with what bears it. Metres. */
final class HeldProps {
    private final Stage stage;
    private final Rung rung;
    private final Body body;
    private final Side working;

    HeldProps(Stage stage, Rung rung, Body body, Side working) {
        this.stage = stage;
        this.rung = rung;
        this.body = body;
        this.working = working;
    }

    private boolean has(Prop prop) {
        return rung.props().contains(prop);
    }

    private boolean onHerSide() {
        return stage.end().pose().position() == Position.SIDE;
    }

    private Stroke round(String kind, Function<Skeleton, Hull> hull) {
        return stage.flesh(kind, skeleton -> List.of(hull.apply(skeleton)));
    }

    /** Under her, before anything of her is drawn. */
    List<Stroke> behind() {
        List<Stroke> all = new ArrayList<>();
        if (has(Prop.PILLOW)) {
            all.add(round("cushion", skeleton -> {
                double low = onHerSide() ? 0.5 * skeleton.head().y() : 0.03;
                Point3 under =
                        new Point3(skeleton.head().x(), low, skeleton.head().z());
                return new Hull(List.of(new Ball(
                        under,
                        new Point3(0.13, 0, 0),
                        new Point3(0, onHerSide() ? low : 0.035, 0),
                        new Point3(0, 0, 0.20))));
            }));
        }
        if (!has(Prop.TABLE) && stage.frames().stream().anyMatch(skeleton -> raised(skeleton) > SEEN_TO_BE_RAISED)) {
            all.add(stage.flesh("step", skeleton -> List.of(bench(skeleton))));
        }
        if (Way.hovers(stage.end())) {
            // what floats has its shadow apart from it
            for (Side side : Side.values()) {
                all.add(round("shadow", skeleton -> {
                    Point3 under = new Point3(
                            skeleton.leg(side).knee().x(),
                            0.001,
                            skeleton.leg(side).knee().z());
                    return new Hull(List.of(
                            new Ball(under, new Point3(0.13, 0, 0), new Point3(0, 0.001, 0), new Point3(0, 0, 0.06))));
                }));
            }
        }
        if (stage.end().pose().trunk().cushionShare() > 0) {
            all.add(round("cushion", skeleton -> {
                double high = Math.max(0.04, 0.5 * skeleton.hip().y());
                Point3 under = new Point3(
                        skeleton.hip().x(), high - 0.02, skeleton.hip().z());
                return new Hull(List.of(
                        new Ball(under, new Point3(0.17, 0, 0), new Point3(0, high, 0), new Point3(0, 0, 0.17))));
            }));
        }
        return all;
    }

    /** Between what is far and what is near. */
    List<Stroke> between() {
        List<Stroke> all = new ArrayList<>();
        if (has(Prop.BALL)) {
            all.add(round(
                    "ball",
                    skeleton -> Hull.of(Ball.round(
                            Lines.between(
                                    skeleton.left().knee(), skeleton.right().knee()),
                            0.095))));
        }
        if (has(Prop.PILLOW) && onHerSide()) {
            all.add(round("cushion", skeleton -> {
                Point3 knees =
                        Lines.between(skeleton.left().knee(), skeleton.right().knee());
                return new Hull(List.of(
                        new Ball(knees, new Point3(0.13, 0, 0), new Point3(0, 0.045, 0), new Point3(0, 0, 0.13))));
            }));
        }
        return all;
    }

    /** In her hands, over all else. */
    List<Stroke> before() {
        List<Stroke> all = new ArrayList<>();
        if (has(Prop.WEIGHTS)) {
            for (Side side : Side.values()) {
                all.add(round("weight", skeleton -> weight(skeleton.arm(side))));
            }
        }
        if (has(Prop.BAG)) {
            all.add(stage.flesh("bag", skeleton -> bag(skeleton)));
        }
        if (has(Prop.ROLLER)) {
            all.add(round("ball", skeleton -> {
                Point3 at = Lines.between(
                        skeleton.leftArm().wrist(), skeleton.rightArm().wrist());
                Point3 across = new Point3(0, 0, 0.22);
                return Hull.of(Ball.round(at.plus(across), 0.06), Ball.round(at.minus(across), 0.06));
            }));
        }
        if (has(Prop.ROD)) {
            all.add(round("rod", skeleton -> {
                List<Point3> ends = Lines.rod(skeleton);
                return Hull.of(Ball.round(ends.get(0), 0.012), Ball.round(ends.get(1), 0.012));
            }));
        }
        if (has(Prop.STRAW)) {
            all.add(round("straw", skeleton -> {
                Anatomy flesh = new Anatomy(skeleton, body);
                Point3 mouth = flesh.mouth();
                return Hull.of(
                        Ball.round(mouth, 0.006),
                        Ball.round(mouth.plus(flesh.gaze().times(0.16)), 0.006));
            }));
        }
        return all;
    }

    private static final double SEEN_TO_BE_RAISED = 0.02;

    /** How high hands or forearms bear, as a share of her height. */
    private static double raised(Skeleton skeleton) {
        return Math.max(
                skeleton.pose().leftArm().surfaceShare(),
                skeleton.pose().rightArm().surfaceShare());
    }

    /** What they bear on: from the mat up. */
    private Hull bench(Skeleton skeleton) {
        boolean right = skeleton.pose().rightArm().surfaceShare() > 0;
        Skeleton.Arm arm = right ? skeleton.rightArm() : skeleton.leftArm();
        double top = Math.max(0, raised(skeleton) * body.heightM() - 0.004);
        double from = Math.min(
                arm.elbow().x(), Math.min(arm.wrist().x(), arm.fingertip().x()));
        double to = Math.max(
                arm.elbow().x(), Math.max(arm.wrist().x(), arm.fingertip().x()));
        double middle = (arm.wrist().x() + arm.fingertip().x()) / 2;
        boolean forearm = skeleton.pose().arm(right ? Side.RIGHT : Side.LEFT).on() == ArmContact.FOREARM;
        List<Ball> corners = new ArrayList<>();
        for (double x : forearm ? new double[] {from - 0.05, to + 0.03} : new double[] {middle - 0.17, middle + 0.17}) {
            for (double z : new double[] {-0.32, 0.32}) {
                corners.add(Ball.round(new Point3(x, 0, z), 0.003));
                corners.add(Ball.round(new Point3(x, top, z), 0.003));
            }
        }
        return new Hull(corners);
    }

    private static Hull weight(Skeleton.Arm arm) {
        Point3 palm = Lines.between(arm.wrist(), arm.fingertip());
        Point3 across = new Point3(0, 0, 0.07);
        return Hull.of(Ball.round(palm.plus(across), 0.035), Ball.round(palm.minus(across), 0.035));
    }

    /** On one side where one arm works, else in both hands before her. */
    private List<Hull> bag(Skeleton skeleton) {
        boolean oneHand = rung.perSide();
        Point3 hand = oneHand
                ? skeleton.arm(working).fingertip()
                : Lines.between(
                        skeleton.leftArm().fingertip(), skeleton.rightArm().fingertip());
        Point3 middle = hand.plus(new Point3(0, oneHand ? -0.17 : -0.06, 0));
        List<Ball> corners = new ArrayList<>();
        for (double x : new double[] {-0.13, 0.13}) {
            for (double y : new double[] {-0.1, 0.08}) {
                for (double z : new double[] {-0.07, 0.07}) {
                    corners.add(Ball.round(middle.plus(new Point3(x, y, z)), 0.02));
                }
            }
        }
        Hull grip = Hull.of(Ball.round(hand, 0.012), Ball.round(middle.plus(new Point3(0, 0.08, 0)), 0.012));
        return List.of(grip, new Hull(corners));
    }
}
