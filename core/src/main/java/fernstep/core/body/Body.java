package fernstep.core.body;

import fernstep.core.measure.Range;
import org.jspecify.annotations.Nullable;

/**
 * Segment lengths and masses from height and mass (Winter, Biomechanics and Motor Control of Human Movement, 4th ed.,
 * tables 3.1 and 4.1, after Drillis &amp; Contini and Dempster).
 *
 * @param massKg 25 to 250
 * @param heightM 1.20 to 2.20
 * @param assumed true where mass or height was not known and the usual value stands in
 */
public record Body(double massKg, double heightM, boolean assumed) {
    public static final double GRAVITY = 9.81;
    private static final double USUAL_MASS_KG = 68;
    private static final double USUAL_HEIGHT_CM = 165;

    public Body {
        Range.MASS_KG.check(massKg);
        Range.HEIGHT_CM.check(heightM * 100);
    }

    public static Body of(@Nullable Double massKg, @Nullable Double heightCm) {
        return new Body(
                massKg == null ? USUAL_MASS_KG : massKg,
                (heightCm == null ? USUAL_HEIGHT_CM : heightCm) / 100,
                massKg == null || heightCm == null);
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

    double thighKg() {
        return 0.100 * massKg;
    }

    double shankKg() {
        return 0.0465 * massKg;
    }

    double footKg() {
        return 0.0145 * massKg;
    }

    double legKg() {
        return thighKg() + shankKg() + footKg();
    }

    double hipHalfWidthM() {
        return 0.0955 * heightM;
    }
}
