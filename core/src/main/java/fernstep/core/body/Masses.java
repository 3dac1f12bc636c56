package fernstep.core.body;

import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;

/** Where the segments' weights act. */
final class Masses {
    private static final double COM_SEGMENT = 0.433;
    private static final double COM_FOREARM = 0.430;
    private static final double COM_UPPER_ARM = 0.436;
    private static final double COM_HAND = 0.506;
    private static final double COM_HALF = 0.5;
    private static final double PELVIS_AT = 0.14;
    private static final double ABDOMEN_AT = 0.42;
    private static final double THORAX_AT = 0.76;
    private static final double BELLY_AT = 0.40;
    /** Forward of the spine's line: about half the depth of a trunk; an estimate. */
    private static final double BELLY_FORWARD_SHARE = 0.06;

    private static final double THIGH = 0.100;
    private static final double SHANK = 0.0465;
    private static final double FOOT = 0.0145;
    private static final double UPPER_ARM = 0.028;
    private static final double FOREARM = 0.016;
    private static final double HAND = 0.006;
    private static final double HEAD = 0.081;
    private static final double PELVIS = 0.142;
    private static final double ABDOMEN = 0.139;
    private static final double THORAX = 0.216;

    private Masses() {}

    /** One weight, N, and where it acts. */
    record Weight(double newtons, Point3 at) {}

    static List<Weight> leg(Body body, Skeleton.Leg leg) {
        double g = Body.GRAVITY * body.massKg();
        return List.of(
                new Weight(g * THIGH, leg.hip().toward(leg.knee(), COM_SEGMENT)),
                new Weight(g * SHANK, leg.knee().toward(leg.ankle(), COM_SEGMENT)),
                new Weight(g * FOOT, leg.ankle().along(leg.footArrow(), COM_HALF * body.footM())));
    }

    static double legN(Body body) {
        return Body.GRAVITY * body.massKg() * (THIGH + SHANK + FOOT);
    }

    static List<Weight> arm(Body body, Skeleton.Arm arm, double heldKg) {
        double g = Body.GRAVITY * body.massKg();
        Point3 hand = arm.wrist().toward(arm.fingertip(), COM_HAND);
        List<Weight> weights = new ArrayList<>(4);
        weights.add(new Weight(g * UPPER_ARM, arm.shoulder().toward(arm.elbow(), COM_UPPER_ARM)));
        weights.add(new Weight(g * FOREARM, arm.elbow().toward(arm.wrist(), COM_FOREARM)));
        weights.add(new Weight(g * HAND, hand));
        if (heldKg > 0) {
            weights.add(new Weight(Body.GRAVITY * heldKg, hand));
        }
        return weights;
    }

    /** Of a leg what hangs on the body: kneeling, shank and foot lie on the mat and weigh nothing on the spine. */
    static List<Weight> hangingLeg(Body body, Skeleton.Leg leg, LegPose pose) {
        List<Weight> all = leg(body, leg);
        return pose.on() == LegContact.KNEE ? all.subList(0, 1) : all;
    }

    /** Of an arm what hangs on the body: a forearm that bears lies on what it bears on. */
    static List<Weight> hangingArm(Body body, Skeleton.Arm arm, ArmPose pose) {
        List<Weight> all = arm(body, arm, pose.heldKg());
        return pose.on() == ArmContact.FOREARM ? all.subList(0, 1) : all;
    }

    /** Head, thorax, abdomen, and what a pregnancy adds: all on the head's side of the lumbar section. */
    static List<Weight> upperTrunk(Body body, Skeleton skeleton) {
        double g = Body.GRAVITY * body.massKg();
        List<Weight> weights = new ArrayList<>(4);
        weights.add(head(body, skeleton));
        weights.add(thorax(body, skeleton));
        weights.add(new Weight(g * ABDOMEN, skeleton.hip().toward(skeleton.shoulder(), ABDOMEN_AT)));
        if (body.bellyKg() > 0) {
            weights.add(new Weight(
                    Body.GRAVITY * body.bellyKg(),
                    skeleton.hip()
                            .toward(skeleton.shoulder(), BELLY_AT)
                            .along(skeleton.frame().front(), BELLY_FORWARD_SHARE * body.heightM())));
        }
        return weights;
    }

    static Weight pelvis(Body body, Skeleton skeleton) {
        return new Weight(Body.GRAVITY * body.massKg() * PELVIS, skeleton.hip().toward(skeleton.shoulder(), PELVIS_AT));
    }

    /** Head, arms, trunk above the lumbar section. */
    static List<Weight> upper(Body body, Skeleton skeleton) {
        List<Weight> all = upperTrunk(body, skeleton);
        for (Side side : Side.values()) {
            all.addAll(arm(body, skeleton.arm(side), skeleton.pose().arm(side).heldKg()));
        }
        return all;
    }

    static List<Weight> lower(Body body, Skeleton skeleton) {
        List<Weight> all = new ArrayList<>(8);
        all.add(pelvis(body, skeleton));
        for (Side side : Side.values()) {
            all.addAll(hangingLeg(body, skeleton.leg(side), skeleton.pose().leg(side)));
        }
        return all;
    }

    /** What a head that leaves the mat weighs, N, at its centre. */
    static Weight head(Body body, Skeleton skeleton) {
        Point3 neck = skeleton.head().minus(skeleton.shoulder());
        return new Weight(
                Body.GRAVITY * body.massKg() * HEAD,
                skeleton.shoulder().along(neck.times(1 / neck.length()), COM_HALF * body.headM()));
    }

    /** The upper trunk, N, at its centre. */
    static Weight thorax(Body body, Skeleton skeleton) {
        return new Weight(Body.GRAVITY * body.massKg() * THORAX, skeleton.hip().toward(skeleton.shoulder(), THORAX_AT));
    }
}
