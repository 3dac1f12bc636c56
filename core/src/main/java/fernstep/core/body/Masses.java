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

    static List<Weight> leg(Body b, Skeleton.Leg leg) {
        double g = Body.GRAVITY * b.massKg();
        return List.of(
                new Weight(g * THIGH, leg.hip().toward(leg.knee(), COM_SEGMENT)),
                new Weight(g * SHANK, leg.knee().toward(leg.ankle(), COM_SEGMENT)),
                new Weight(g * FOOT, leg.ankle().along(leg.footArrow(), COM_HALF * b.footM())));
    }

    static double legN(Body b) {
        return Body.GRAVITY * b.massKg() * (THIGH + SHANK + FOOT);
    }

    static List<Weight> arm(Body b, Skeleton.Arm arm, double heldKg) {
        double g = Body.GRAVITY * b.massKg();
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
    static List<Weight> hangingLeg(Body b, Skeleton.Leg leg, LegPose pose) {
        List<Weight> all = leg(b, leg);
        return pose.on() == LegContact.KNEE ? all.subList(0, 1) : all;
    }

    /** Of an arm what hangs on the body: a forearm that bears lies on what it bears on. */
    static List<Weight> hangingArm(Body b, Skeleton.Arm arm, ArmPose pose) {
        List<Weight> all = arm(b, arm, pose.heldKg());
        return pose.on() == ArmContact.FOREARM ? all.subList(0, 1) : all;
    }

    /** Head, thorax, abdomen, and what a pregnancy adds: all on the head's side of the lumbar section. */
    static List<Weight> upperTrunk(Body b, Skeleton s) {
        double g = Body.GRAVITY * b.massKg();
        List<Weight> weights = new ArrayList<>(4);
        weights.add(head(b, s));
        weights.add(thorax(b, s));
        weights.add(new Weight(g * ABDOMEN, s.hip().toward(s.shoulder(), ABDOMEN_AT)));
        if (b.bellyKg() > 0) {
            weights.add(new Weight(
                    Body.GRAVITY * b.bellyKg(),
                    s.hip()
                            .toward(s.shoulder(), BELLY_AT)
                            .along(s.frame().front(), BELLY_FORWARD_SHARE * b.heightM())));
        }
        return weights;
    }

    static Weight pelvis(Body b, Skeleton s) {
        return new Weight(Body.GRAVITY * b.massKg() * PELVIS, s.hip().toward(s.shoulder(), PELVIS_AT));
    }

    /** Head, arms, trunk above the lumbar section. */
    static List<Weight> upper(Body b, Skeleton s) {
        List<Weight> all = upperTrunk(b, s);
        for (Side side : Side.values()) {
            all.addAll(arm(b, s.arm(side), s.pose().arm(side).heldKg()));
        }
        return all;
    }

    static List<Weight> lower(Body b, Skeleton s) {
        List<Weight> all = new ArrayList<>(8);
        all.add(pelvis(b, s));
        for (Side side : Side.values()) {
            all.addAll(hangingLeg(b, s.leg(side), s.pose().leg(side)));
        }
        return all;
    }

    /** What a head that leaves the mat weighs, N, at its centre. */
    static Weight head(Body b, Skeleton s) {
        Point3 neck = s.head().minus(s.shoulder());
        return new Weight(
                Body.GRAVITY * b.massKg() * HEAD,
                s.shoulder().along(neck.times(1 / neck.length()), COM_HALF * b.headM()));
    }

    /** The upper trunk, N, at its centre. */
    static Weight thorax(Body b, Skeleton s) {
        return new Weight(Body.GRAVITY * b.massKg() * THORAX, s.hip().toward(s.shoulder(), THORAX_AT));
    }
}
