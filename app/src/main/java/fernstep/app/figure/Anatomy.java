package fernstep.app.figure;

import fernstep.core.body.Body;
import fernstep.core.body.Point3;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The flesh on a skeleton. Radii are shares of her height in thousandths, for a body of BMI 22.5; girth follows her mass
 * (brief 14.1, tried with every pose of the catalogue).
 */
final class Anatomy {
    private static final double USUAL_BMI = 22.5;
    private static final double SLIMMEST = 0.85;
    private static final double BROADEST = 1.35;
    private static final double BELLY_AT_TERM_KG = 6.5;

    /** Share of hip to shoulder, half width, half depth, shift to the front; thousandths of her height but the share. */
    private static final double[][] TRUNK = {
        {-0.10, 82, 53, -7},
        {0.00, 101, 63, -8},
        {0.12, 96, 61, -2},
        {0.38, 74, 50, 2},
        {0.60, 80, 57, 4},
        {0.80, 90, 64, 6},
        {0.93, 91, 55, 0},
        {1.03, 64, 38, -5}
    };

    /** Thousandths of her height. */
    private static final double HANGS = 24;

    /** The waist: what is below is in leggings, what is above in a top. */
    private static final int WAIST = 3;

    private final Skeleton f;
    private final double height;
    private final double girth;
    private final double belly;
    private final Spine spine;
    private final @Nullable Shown shown;
    private final Skeleton asItShouldBe;

    Anatomy(Skeleton skeleton, Body body) {
        this(skeleton, body, null);
    }

    /** @param shown null: as drawn everywhere; else with what stands out of her where control is lost */
    Anatomy(Skeleton skeleton, Body body, @Nullable Shown shown) {
        this.shown = shown;
        this.asItShouldBe = skeleton;
        this.height = body.heightM();
        this.f = shown == null ? skeleton : shown.on(skeleton, height);
        double bmi = body.massKg() / (body.heightM() * body.heightM());
        this.girth = Math.max(SLIMMEST, Math.min(BROADEST, Math.sqrt(bmi / USUAL_BMI)));
        this.belly = Math.min(1, body.bellyKg() / BELLY_AT_TERM_KG);
        this.spine = new Spine(f);
    }

    Spine spine() {
        return spine;
    }

    private SignPlaces places() {
        return new SignPlaces(this, f, asItShouldBe);
    }

    /** The places where what is shown is seen. */
    List<Hull> signs() {
        return shown == null ? List.of() : shown.places(places(), f);
    }

    double m(double thousandths) {
        return thousandths * height / 1000;
    }

    private Ball ball(Point3 at, double thousandths) {
        return onTheMat(Ball.round(at, girth * m(thousandths)));
    }

    /** Flesh gives way to the mat: nothing of her goes through it. */
    private static Ball onTheMat(Ball ball) {
        double half = Math.sqrt(square(ball.a()) + square(ball.b()) + square(ball.c()));
        double below = half - ball.centre().y();
        return below <= 0 ? ball : ball.moved(new Point3(0, below, 0));
    }

    private static double square(Point3 axis) {
        return axis.y() * axis.y();
    }

    /** As {@link #ball}, for what does not grow with her mass. */
    Ball bone(Point3 at, double thousandths) {
        return onTheMat(Ball.round(at, m(thousandths)));
    }

    private static Point3 between(Point3 from, Point3 to, double share) {
        return from.plus(to.minus(from).times(share));
    }

    /** A slice of the trunk. */
    private Ball slice(double[] row) {
        Spine.Place at = spine.at(row[0]);
        double halfWidth = girth * m(row[1]);
        double halfDepth = girth * m(row[2]);
        double thick = 0.45 * Math.min(halfWidth, halfDepth);
        return onTheMat(new Ball(
                at.point().plus(at.front().times(m(row[3] + hanging(row[0])))),
                at.left().times(halfWidth),
                at.front().times(halfDepth),
                at.along().times(thick)));
    }

    /** On hands and knees the chest hangs between the shoulder blades: the back is level although the shoulders are higher. */
    private double hanging(double share) {
        boolean onFours = f.pose().position() == Position.HANDS_KNEES;
        return onFours ? HANGS * Math.max(0, Math.min(1, (share - 0.2) / 0.6)) : 0;
    }

    private List<Hull> slices(int from, int to) {
        List<Hull> all = new ArrayList<>();
        for (int i = from; i < to; i++) {
            all.add(Hull.of(slice(TRUNK[i]), slice(TRUNK[i + 1])));
        }
        return all;
    }

    /** Pelvis up to the waist, with the seat. */
    List<Hull> hips() {
        List<Hull> all = slices(0, WAIST);
        Spine.Place at = spine.at(0);
        for (int side : new int[] {-1, 1}) {
            all.add(Hull.of(ball(
                    at.point().plus(at.front().times(m(-24))).plus(at.left().times(side * m(42))), 53)));
        }
        if (shown != null) {
            all.addAll(shown.onTheLeggings(places()));
        }
        return all;
    }

    /** The low belly, where it tightens. */
    List<Hull> lowBelly() {
        return List.of(Hull.of(
                Ball.round(onBelly(0.16, 0), m(22)),
                Ball.round(onBelly(0.27, 26), m(16)),
                Ball.round(onBelly(0.27, -26), m(16))));
    }

    /** Every piece of her. */
    List<Hull> all() {
        List<Hull> all = new ArrayList<>(hips());
        all.addAll(top());
        all.addAll(neck());
        all.addAll(hair());
        all.addAll(face());
        for (Side side : Side.values()) {
            all.addAll(leg(side));
            all.addAll(foot(side));
            all.addAll(arm(side));
            all.addAll(sleeve(side));
        }
        return all;
    }

    /** What the legs flow into. */
    List<Hull> lap() {
        return slices(0, 2);
    }

    /** From the waist to the neck, with chest and, in pregnancy, belly. */
    List<Hull> top() {
        List<Hull> all = slices(WAIST, TRUNK.length - 1);
        Spine.Place chest = spine.at(0.78);
        List<Ball> breasts = new ArrayList<>();
        for (int side : new int[] {-1, 1}) {
            breasts.add(ball(
                    chest.point()
                            .plus(chest.front().times(m(35)))
                            .plus(chest.left().times(side * m(33))),
                    40));
        }
        all.add(new Hull(breasts));
        if (shown != null) {
            all.addAll(shown.onTheTop(places()));
        }
        if (belly > 0) {
            double[][] rows = {
                {0.18, 52 + 18 * belly, 30 + 30 * belly},
                {0.36, 55 + 24 * belly, 30 + 52 * belly},
                {0.58, 48 + 6 * belly, 24 + 18 * belly}
            };
            List<Ball> balls = new ArrayList<>();
            for (double[] row : rows) {
                Spine.Place at = spine.at(row[0]);
                balls.add(bone(at.point().plus(at.front().times(m(row[2]))), row[1]));
            }
            all.add(Hull.of(balls.get(0), balls.get(1)));
            all.add(Hull.of(balls.get(1), balls.get(2)));
        }
        return all;
    }

    List<Hull> neck() {
        Head head = new Head(f, height);
        Point3 root = between(f.shoulder(), f.head(), 0.05);
        return List.of(Hull.of(bone(root, 33 * Math.sqrt(girth)), bone(head.at(-26, -10), 28 * Math.sqrt(girth))));
    }

    /** Skull under its hair, with a knot. */
    List<Hull> hair() {
        Head head = new Head(f, height);
        return List.of(
                Hull.of(bone(head.at(13, -4), 54), bone(head.at(-16, -24), 32)), Hull.of(bone(head.at(54, -40), 21)));
    }

    List<Hull> face() {
        Head head = new Head(f, height);
        List<Hull> all = new ArrayList<>(List.of(
                Hull.of(bone(head.at(8, 20), 37), bone(head.at(-18, 14), 31), bone(head.at(-41, 29), 16)),
                Hull.of(bone(head.at(2, 48), 9), bone(head.at(-8, 57), 7))));
        if (shown != null) {
            all.addAll(shown.onTheFace(places()));
        }
        return all;
    }

    /** Which way she looks. */
    Point3 gaze() {
        return new Head(f, height).gaze();
    }

    Point3 mouth() {
        return new Head(f, height).at(-26, 46);
    }

    /** Under the hand that holds a head, or beside the ear. */
    Point3 ear(Side side) {
        Head head = new Head(f, height);
        Point3 left = f.leftArm().shoulder().minus(f.rightArm().shoulder());
        double out = (side == Side.LEFT ? 1 : -1) * m(50) / left.length();
        return head.at(4, -20).plus(left.times(out));
    }

    /** On her skin in front, so far up from hip to shoulder and so far out to a side. */
    Point3 onBelly(double share, double asideThousandths) {
        Spine.Place at = spine.at(share);
        return at.point()
                .plus(at.front().times(halfDepthM(share) + m(34 * belly)))
                .plus(at.left().times(m(asideThousandths)));
    }

    /** From the middle of the trunk to its skin, in front and behind. */
    double halfDepthM(double share) {
        return sliceM(share, 2);
    }

    /** From the middle of the trunk to its sides. */
    double halfWidthM(double share) {
        return sliceM(share, 1);
    }

    private double sliceM(double share, int column) {
        double half = 0;
        for (int i = 1; i < TRUNK.length; i++) {
            if (TRUNK[i - 1][0] <= share && share <= TRUNK[i][0]) {
                double part = (share - TRUNK[i - 1][0]) / (TRUNK[i][0] - TRUNK[i - 1][0]);
                half = girth * (TRUNK[i - 1][column] + part * (TRUNK[i][column] - TRUNK[i - 1][column]));
            }
        }
        return m(half);
    }

    List<Hull> leg(Side side) {
        Skeleton.Leg leg = f.leg(side);
        Point3 hipLine = f.left().hip().minus(f.right().hip());
        Point3 out = hipLine.times((side == Side.LEFT ? 1 : -1) * m(11) / hipLine.length());
        Point3 hip = leg.hip().plus(out);
        Point3 calf = calf(leg);
        Point3 knee = leg.knee();
        return List.of(
                Hull.of(
                        ball(hip, 52),
                        ball(between(hip, knee, 0.35), 48),
                        ball(between(hip, knee, 0.75), 36),
                        ball(knee, 32)),
                Hull.of(ball(knee, 31), ball(calf, 32), ball(between(knee, leg.ankle(), 0.6), 25)),
                Hull.of(ball(between(knee, leg.ankle(), 0.6), 25), ball(between(knee, leg.ankle(), 0.88), 19)));
    }

    private Point3 calf(Skeleton.Leg leg) {
        Point3 thigh = leg.hip().minus(leg.knee());
        Point3 shank = leg.ankle().minus(leg.knee());
        Point3 unit = shank.times(1 / shank.length());
        Point3 behind = thigh.minus(unit.times(thigh.dot(unit)));
        Point3 at = between(leg.knee(), leg.ankle(), 0.28);
        return behind.length() < 0.02 ? at : at.plus(behind.times(m(7) / behind.length()));
    }

    /** Ankle and foot, bare. */
    List<Hull> foot(Side side) {
        Skeleton.Leg leg = f.leg(side);
        Point3 sole = leg.toe().minus(leg.heel());
        Point3 up = leg.ankle().minus(between(leg.heel(), leg.toe(), 0.25));
        Point3 raise = up.times(m(21) / Math.max(1e-6, up.length()));
        Ball instep = ball(between(leg.heel(), leg.toe(), 0.42).plus(raise.times(0.7)), 17);
        Ball footBall = ball(leg.heel().plus(sole.times(0.70)), 13);
        return List.of(
                Hull.of(ball(between(leg.knee(), leg.ankle(), 0.86), 18.5), ball(leg.ankle(), 19), instep),
                Hull.of(ball(leg.ankle(), 19), ball(leg.heel().plus(sole.times(0.06)), 16), instep, footBall),
                Hull.of(footBall, ball(leg.heel().plus(sole.times(0.95)), 8)));
    }

    List<Hull> arm(Side side) {
        Skeleton.Arm arm = f.arm(side);
        Point3 shoulder = shoulder(side);
        Point3 hand = arm.fingertip().minus(arm.wrist());
        Point3 elbow = arm.elbow();
        return List.of(
                Hull.of(ball(shoulder, 29), ball(between(shoulder, elbow, 0.35), 26), ball(elbow, 20.5)),
                Hull.of(ball(elbow, 20.5), ball(between(elbow, arm.wrist(), 0.28), 21), bone(arm.wrist(), 13)),
                Hull.of(
                        bone(arm.wrist(), 13),
                        bone(arm.wrist().plus(hand.times(0.42)), 16.5),
                        bone(arm.wrist().plus(hand.times(0.68)), 13)),
                Hull.of(
                        bone(arm.wrist().plus(hand.times(0.5)), 14),
                        bone(arm.wrist().plus(hand.times(0.96)), 7)),
                thumb(arm, hand));
    }

    private Hull thumb(Skeleton.Arm arm, Point3 hand) {
        Point3 inward = f.head().minus(arm.wrist());
        Point3 unit = hand.times(1 / hand.length());
        Point3 aside = inward.minus(unit.times(inward.dot(unit)));
        Point3 away = aside.times(1 / Math.max(1e-6, aside.length()));
        return Hull.of(
                bone(arm.wrist().plus(hand.times(0.2)).plus(away.times(m(8))), 8),
                bone(arm.wrist().plus(hand.times(0.5)).plus(away.times(m(22))), 6));
    }

    /** The short sleeve of her top. */
    List<Hull> sleeve(Side side) {
        Point3 shoulder = shoulder(side);
        return List.of(Hull.of(
                ball(shoulder, 32), ball(between(shoulder, f.arm(side).elbow(), 0.32), 29)));
    }

    private Point3 shoulder(Side side) {
        Skeleton.Arm arm = f.arm(side);
        Point3 inward = f.shoulder().minus(arm.shoulder());
        Point3 down = f.hip().minus(f.shoulder());
        return arm.shoulder()
                .plus(inward.times(m(21) / inward.length()))
                .plus(down.times(m(7) / down.length()))
                .plus(Lines.front(f).times(m(0.8 * hanging(1))));
    }
}
