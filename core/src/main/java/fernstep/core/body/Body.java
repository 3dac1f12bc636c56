package fernstep.core.body;

import fernstep.core.measure.Range;
import org.jspecify.annotations.Nullable;

/**
 * Segment lengths and masses from height and mass (Winter, Biomechanics and Motor Control of Human Movement, 4th ed.,
 * tables 3.1 and 4.1, after Drillis &amp; Contini and Dempster).
 *
 * @param massKg 25 to 250
 * @param heightM 1.20 to 2.20
 * @param bellyKg what a pregnancy adds in front of the spine (uterus, child, fluid, placenta), 0 to 20
 * @param assumed true where mass or height was not known and the usual value stands in
 */
public record Body(double massKg, double heightM, double bellyKg, boolean assumed) {
    public static final double GRAVITY = 9.81;
    private static final double USUAL_MASS_KG = 68;
    private static final double USUAL_HEIGHT_CM = 165;
    private static final double BELLY_FROM_WEEK = 12;
    private static final double BELLY_TO_WEEK = 40;
    private static final double BELLY_AT_TERM_KG = 6.5;

    /** @throws fernstep.core.measure.OutOfRange outside the ranges above */
    public Body {
        Range.MASS_KG.check(massKg);
        Range.HEIGHT_CM.check(heightM * 100);
        Range.BELLY_KG.check(bellyKg);
    }

    public static Body of(@Nullable Double massKg, @Nullable Double heightCm) {
        return new Body(
                massKg == null ? USUAL_MASS_KG : massKg,
                (heightCm == null ? USUAL_HEIGHT_CM : heightCm) / 100,
                0,
                massKg == null || heightCm == null);
    }

    /** Pregnant so many weeks: nothing at 12, rising evenly to 6.5 kg at 40; an estimate. */
    public Body pregnant(double gestationWeeks) {
        double share = (gestationWeeks - BELLY_FROM_WEEK) / (BELLY_TO_WEEK - BELLY_FROM_WEEK);
        return withBelly(BELLY_AT_TERM_KG * Math.max(0, Math.min(1, share)));
    }

    /** The practitioner's own estimate of that mass instead. */
    public Body withBelly(double kg) {
        return new Body(massKg, heightM, kg, assumed);
    }

    /** All that gravity pulls at, without weights in the hands, N. */
    public double weightN() {
        return GRAVITY * (massKg + bellyKg);
    }

    double handM() {
        return 0.108 * heightM;
    }

    double forearmM() {
        return 0.146 * heightM;
    }

    double upperArmM() {
        return 0.186 * heightM;
    }

    double thighM() {
        return 0.245 * heightM;
    }

    double shankM() {
        return 0.246 * heightM;
    }

    double footM() {
        return 0.152 * heightM;
    }

    double trunkM() {
        return 0.288 * heightM;
    }

    double headM() {
        return 0.182 * heightM;
    }

    /** Half the outer breadth of the hips (Winter): what she lies on and what is drawn. */
    public double hipHalfBreadthM() {
        return 0.0955 * heightM;
    }

    /** From the middle to a hip joint's centre: what turns her (Bell, Pedersen &amp; Brand 1990, J Biomech 23:617). */
    double hipJointHalfWidthM() {
        return 0.05 * heightM;
    }

    double shoulderHalfWidthM() {
        return 0.129 * heightM;
    }

    /** Hip joint of someone lying on the floor. */
    double lyingHipM() {
        return 0.06 * heightM;
    }

    /** Ankle joint of a foot or heel that bears. */
    double ankleM() {
        return 0.039 * heightM;
    }
}
