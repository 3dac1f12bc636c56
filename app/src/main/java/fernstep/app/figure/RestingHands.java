package fernstep.app.figure;

import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.Point3;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.catalogue.HandsAt;
import fernstep.core.measure.Side;

/** Leads arms that bear nothing to where their hands rest: two links to a point, the elbow to the outside. Metres. */
final class RestingHands {
    private static final double ELBOW_ABOVE_MAT = 0.035;

    private final Skeleton f;
    private final Body body;
    private final Anatomy flesh;
    private final double height;

    RestingHands(Skeleton skeleton, Body body) {
        this.f = skeleton;
        this.body = body;
        this.flesh = new Anatomy(skeleton, body);
        this.height = body.heightM();
    }

    /** @param working the side that works */
    Skeleton at(HandsAt where, Side working) {
        return ClearOfHer.of(rested(where, working), body);
    }

    private Skeleton rested(HandsAt where, Side working) {
        if (where == HandsAt.POSE) {
            return f;
        }
        return new Skeleton(
                f.pose(),
                f.hip(),
                f.shoulder(),
                f.lowBack(),
                f.midBack(),
                f.head(),
                f.pitchDeg(),
                f.left(),
                f.right(),
                arm(where, Side.LEFT, working),
                arm(where, Side.RIGHT, working));
    }

    private Skeleton.Arm arm(HandsAt where, Side side, Side working) {
        Skeleton.Arm arm = f.arm(side);
        if (f.pose().arm(side).on() != ArmContact.NONE) {
            return arm;
        }
        double out = side == Side.LEFT ? 1 : -1;
        boolean upper = f.pose().lower() != side;
        return switch (where) {
            case POSE -> arm;
            case BELLY -> onSkin(arm, side, 0.27, 62 * out, 0.10, 22 * out);
            case RIBS_AND_BELLY ->
                side == Side.LEFT
                        ? onSkin(arm, side, 0.50, 78 * out, 0.58, 14 * out)
                        : onSkin(arm, side, 0.27, 62 * out, 0.13, 10 * out);
            case RIBS -> onSkin(arm, side, 0.50, 84 * out, 0.56, 30 * out);
            case CHEST -> onSkin(arm, side, 0.66, 6 * out, 0.88, -52 * out);
            case THIGHS -> onThigh(arm, side);
            case EARS -> besideHead(arm, side);
            case STRAW -> side == working ? toMouth(arm, side) : onSkin(arm, side, 0.27, 62 * out, 0.10, 22 * out);
            case PILLOW -> {
                if (f.pose().position() != Position.SIDE) {
                    yield arm;
                }
                yield upper ? onTheMat(arm, side) : underTheHead(arm);
            }
            case HIP -> upper ? onHip(arm, side) : arm;
        };
    }

    private double m(double thousandths) {
        return thousandths * height / 1000;
    }

    private Skeleton.Arm onSkin(
            Skeleton.Arm arm, Side side, double wristUp, double wristAside, double tipUp, double tipAside) {
        Point3 front = Lines.front(f).times(m(13));
        return led(
                arm,
                flesh.onBelly(wristUp, wristAside).plus(front),
                flesh.onBelly(tipUp, tipAside).plus(front.times(0.7)),
                outward(side));
    }

    private Skeleton.Arm onThigh(Skeleton.Arm arm, Side side) {
        Skeleton.Leg leg = f.leg(side);
        Point3 thigh = leg.knee().minus(leg.hip());
        Point3 up = new Point3(0, m(52), 0);
        return led(
                arm,
                leg.hip().plus(thigh.times(0.52)).plus(up),
                leg.hip().plus(thigh.times(0.85)).plus(up.times(0.85)),
                outward(side).plus(Lines.front(f).times(-0.6)));
    }

    private Skeleton.Arm besideHead(Skeleton.Arm arm, Side side) {
        Point3 ear = flesh.ear(side);
        Point3 hand = outward(side).times(0.75).plus(flesh.gaze().times(0.35));
        return led(arm, ear.plus(hand.times(m(75) / hand.length())), ear, outward(side));
    }

    private Skeleton.Arm toMouth(Skeleton.Arm arm, Side side) {
        Point3 tip = flesh.mouth().plus(flesh.gaze().times(m(42)));
        Point3 from = outward(side).times(0.6).plus(f.hip().minus(f.shoulder()).times(1.2));
        return led(arm, tip.plus(from.times(m(85) / from.length())), tip, outward(side));
    }

    private Skeleton.Arm underTheHead(Skeleton.Arm arm) {
        Point3 towardHead = Spine.unit(f.head().minus(f.shoulder()));
        Point3 level = new Point3(towardHead.x(), 0, towardHead.z());
        Point3 wrist = new Point3(f.head().x(), m(16), f.head().z())
                .plus(Lines.front(f).times(m(40)));
        return led(
                arm, wrist, wrist.plus(level.times(m(60))).plus(Lines.front(f).times(m(-70))), Lines.front(f));
    }

    private Skeleton.Arm onTheMat(Skeleton.Arm arm, Side side) {
        Point3 before = f.shoulder().plus(Lines.front(f).times(m(185)));
        Point3 down = f.hip().minus(f.shoulder()).times(0.25);
        Point3 wrist = new Point3(before.x() + down.x(), m(18), before.z());
        Point3 tip = wrist.plus(Spine.unit(f.shoulder().minus(f.hip())).times(m(70)))
                .plus(Lines.front(f).times(m(60)));
        return led(arm, wrist, new Point3(tip.x(), m(8), tip.z()), outward(side));
    }

    private Skeleton.Arm onHip(Skeleton.Arm arm, Side side) {
        double out = side == Side.LEFT ? 1 : -1;
        Point3 front = Lines.front(f);
        Point3 left = Spine.unit(f.left().hip().minus(f.right().hip())).times(out);
        Point3 along = Spine.unit(f.shoulder().minus(f.hip()));
        Point3 crest = f.hip().plus(left.times(m(104))).plus(along.times(m(36)));
        return led(
                arm,
                crest.plus(along.times(m(30))).plus(left.times(m(14))),
                crest.plus(front.times(m(70))).plus(along.times(m(-20))),
                left.plus(front.times(-0.9)));
    }

    private Point3 outward(Side side) {
        Point3 left = Spine.unit(f.leftArm().shoulder().minus(f.rightArm().shoulder()));
        Point3 out = left.times(side == Side.LEFT ? 1 : -1);
        return f.pose().position().upright()
                ? out.plus(new Point3(0, -0.5, 0)).plus(Lines.front(f).times(-0.5))
                : out;
    }

    /**
     * @param pole to where the elbow goes
     */
    static Skeleton.Arm led(Skeleton.Arm arm, Point3 wrist, Point3 tip, Point3 pole) {
        double upper = arm.elbow().minus(arm.shoulder()).length();
        double fore = arm.wrist().minus(arm.elbow()).length();
        Point3 way = wrist.minus(arm.shoulder());
        double reach = Math.min(way.length(), 0.995 * (upper + fore));
        double apart = Math.max(reach, Math.abs(upper - fore) + 0.01);
        Point3 straight = Spine.unit(way);
        Point3 reached = arm.shoulder().plus(straight.times(apart));
        double along = (upper * upper - fore * fore + apart * apart) / (2 * apart);
        double aside = Math.sqrt(Math.max(0, upper * upper - along * along));
        Point3 square = Spine.unit(pole.minus(straight.times(pole.dot(straight))));
        Point3 elbow = arm.shoulder().plus(straight.times(along)).plus(square.times(aside));
        Point3 above = elbow.y() < ELBOW_ABOVE_MAT ? new Point3(elbow.x(), ELBOW_ABOVE_MAT, elbow.z()) : elbow;
        double hand = arm.fingertip().minus(arm.wrist()).length();
        Point3 fingers = Spine.unit(tip.minus(reached)).times(hand);
        return new Skeleton.Arm(arm.shoulder(), above, reached, reached.plus(fingers));
    }
}
