package fernstep.app.figure;

import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.DoublePredicate;

/**
 * What shows on her where control is lost, each sign from 0 (as it should be) to 1 (unmistakable); and her breath. The
 * pieces are there at 0 as well, inside of her: so one state can be turned into another corner by corner.
 *
 * @param breathIn 0 breathed out to 1 breathed in
 */
record Shown(Map<SignCode, Double> amounts, double breathIn) {
    /** Where the leggings end and the top begins, as a share of hip to shoulder. */
    private static final double WAIST = 0.38;

    /** A ridge goes on a little beyond the waist on either side, so that it has no end there. */
    private static final double OVERLAP = 0.12;

    Shown {
        amounts = Map.copyOf(amounts);
    }

    static Shown only(SignCode sign) {
        return new Shown(Map.of(sign, 1.0), 0);
    }

    static Shown nothing() {
        return new Shown(Map.of(), 0);
    }

    double of(SignCode sign) {
        return amounts.getOrDefault(sign, 0.0);
    }

    /** The skeleton as the signs move it. */
    Skeleton on(Skeleton skeleton, double heightM) {
        Skeleton moved = skeleton;
        for (SignCode sign : SignCode.values()) {
            double amount = of(sign);
            if (amount > 0) {
                moved = SignOnBody.of(sign).moves().on(moved, amount * heightM / 1000);
            }
        }
        return moved;
    }

    /** What stands out of the top. */
    List<Hull> onTheTop(SignPlaces her) {
        List<Hull> all = new ArrayList<>();
        for (int side : new int[] {-1, 1}) {
            all.add(her.ridge(
                    new SignOnBody.Bump(0.60, side * 46, 42, 12),
                    new SignOnBody.Bump(0.76, side * 48, 44, 14),
                    breathIn));
        }
        all.addAll(bumps(her, share -> share >= WAIST - OVERLAP));
        return all;
    }

    /** What stands out of the leggings. */
    List<Hull> onTheLeggings(SignPlaces her) {
        return bumps(her, share -> share <= WAIST + OVERLAP);
    }

    private List<Hull> bumps(SignPlaces her, DoublePredicate within) {
        List<Hull> all = new ArrayList<>();
        for (SignCode sign : SignCode.values()) {
            for (List<SignOnBody.Bump> chain : SignOnBody.of(sign).chains()) {
                all.addAll(hulls(her, chain, within, of(sign)));
            }
        }
        return all;
    }

    private static List<Hull> hulls(
            SignPlaces her, List<SignOnBody.Bump> chain, DoublePredicate within, double amount) {
        List<SignOnBody.Bump> bumps =
                chain.stream().filter(bump -> within.test(bump.share())).toList();
        List<Hull> all = new ArrayList<>();
        for (int i = 1; i < bumps.size(); i++) {
            all.add(her.ridge(bumps.get(i - 1), bumps.get(i), amount));
        }
        return all;
    }

    /** Cheeks that fill behind closed lips. */
    List<Hull> onTheFace(SignPlaces her) {
        double filled = Math.max(of(SignCode.BREATH_HELD), 0.4 * of(SignCode.BEARS_DOWN));
        return List.of(her.cheek(Side.LEFT, filled), her.cheek(Side.RIGHT, filled));
    }

    /** The places that changed, for a colour over them. */
    List<Hull> places(SignPlaces her, Skeleton skeleton) {
        List<Hull> all = new ArrayList<>();
        for (SignCode sign : amounts.keySet()) {
            SignOnBody drawn = SignOnBody.of(sign);
            for (List<SignOnBody.Bump> chain : drawn.chains()) {
                all.addAll(her.rim(chain, of(sign)));
            }
            all.addAll(drawn.place().on(her, skeleton));
        }
        return all;
    }

    /** A way to move a skeleton, by so many metres for each thousandth of its own size. */
    interface Moves {
        Moves NOT = (skeleton, by) -> skeleton;

        Skeleton on(Skeleton f, double metresPerThousandth);

        /** Spine and head: thousandths of her height toward her front. */
        static Moves spine(double lowBack, double midBack, double head) {
            return (skeleton, by) -> {
                Point3 front = Lines.front(skeleton);
                return new Skeleton(
                        skeleton.pose(),
                        skeleton.hip(),
                        skeleton.shoulder(),
                        skeleton.lowBack().plus(front.times(lowBack * by)),
                        skeleton.midBack().plus(front.times(midBack * by)),
                        skeleton.head().plus(front.times(head * by)),
                        skeleton.pitchDeg(),
                        skeleton.left(),
                        skeleton.right(),
                        skeleton.leftArm(),
                        skeleton.rightArm());
            };
        }

        /** One hip comes up in front, the other sinks. */
        static Moves hips(double thousandths) {
            return (skeleton, by) -> {
                Point3 front = Lines.front(skeleton).times(thousandths * by);
                return new Skeleton(
                        skeleton.pose(),
                        skeleton.hip(),
                        skeleton.shoulder(),
                        skeleton.lowBack(),
                        skeleton.midBack(),
                        skeleton.head(),
                        skeleton.pitchDeg(),
                        hipAt(skeleton.left(), front),
                        hipAt(skeleton.right(), front.times(-1)),
                        skeleton.leftArm(),
                        skeleton.rightArm());
            };
        }

        private static Skeleton.Leg hipAt(Skeleton.Leg leg, Point3 by) {
            return new Skeleton.Leg(
                    leg.hip().plus(by),
                    leg.knee(),
                    leg.ankle(),
                    leg.heel(),
                    leg.toe(),
                    leg.footArrow(),
                    leg.hipDeg(),
                    leg.kneeDeg());
        }

        /** Shoulders toward the ears, chin forward. */
        static Moves shrug(double up, double chin) {
            return (skeleton, by) -> {
                Point3 along = skeleton.head().minus(skeleton.shoulder());
                Point3 raise = along.times(up * by / Math.max(1e-6, along.length()));
                Point3 poke = Lines.front(skeleton).times(chin * by);
                return new Skeleton(
                        skeleton.pose(),
                        skeleton.hip(),
                        skeleton.shoulder(),
                        skeleton.lowBack(),
                        skeleton.midBack(),
                        skeleton.head().plus(poke),
                        skeleton.pitchDeg(),
                        skeleton.left(),
                        skeleton.right(),
                        shoulderAt(skeleton.leftArm(), raise),
                        shoulderAt(skeleton.rightArm(), raise));
            };
        }

        private static Skeleton.Arm shoulderAt(Skeleton.Arm arm, Point3 by) {
            return new Skeleton.Arm(arm.shoulder().plus(by), arm.elbow(), arm.wrist(), arm.fingertip());
        }
    }
}
