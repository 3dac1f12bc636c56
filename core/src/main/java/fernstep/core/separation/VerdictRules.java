package fernstep.core.separation;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.measure.MeasurementError;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Stage;

/**
 * The four readings of a gap. Finger stances after Sperstad 2016 (Br J Sports Med 50:1092); by site after Beer 2009
 * (Clin Anat 22:706) and, at the navel, Rath 1996 (Surg Radiol Anat 18:281).
 */
final class VerdictRules {
    private static final double TWO_FINGERS = 2;
    private static final double MARKED_FINGERS = 4;
    private static final double MARKED_FACTOR = 1.5;
    private static final double UPPER_SITE_CM = 3;
    private static final double UPPER_LIMIT_MM = 22;
    /** Where the ribs meet, above the navel in most women (our choice; the source gives the width there, not the distance). */
    private static final double XIPHOID_SITE_CM = 14;

    private static final double XIPHOID_LIMIT_MM = 15;
    private static final double NAVEL_LIMIT_MM = 27;
    private static final double LOWER_SITE_CM = -2;
    private static final double LOWER_LIMIT_MM = 16;

    private VerdictRules() {}

    /**
     * How the tissue works.
     *
     * @param liftSeen the lift was read beside the rest
     * @param opens wider on the lift beyond the error of both
     * @param firmRidge a firm ridge on the lift
     */
    record Function(boolean liftSeen, boolean opens, boolean firmRidge) {}

    static Verdict judge(GapReading stance, Stage.ForWidth stage, Examiner examiner, Width width, Function function) {
        if (stage == Stage.ForWidth.PREGNANT || stage == Stage.ForWidth.POSTNATAL_FIRST_6_WEEKS) {
            return new Verdict(Verdict.Code.BASELINE_ONLY, null, stance, Reason.of("verdict.baseline"));
        }
        return switch (stance) {
            case MORE_THAN_TWO_FINGERS ->
                byFingers(stance, examiner, width, width.fingers() > TWO_FINGERS, "verdict.moreThanTwo");
            case TWO_OR_MORE_FINGERS ->
                byFingers(stance, examiner, width, width.fingers() >= TWO_FINGERS, "verdict.twoOrMore");
            case WIDTH_BY_SITE -> bySite(width);
            case FUNCTION_FIRST -> byFunction(width, function);
        };
    }

    private static Verdict byFingers(GapReading stance, Examiner examiner, Width width, boolean wide, String key) {
        Verdict.Code code = code(width.fingers() >= MARKED_FINGERS, wide);
        double limit = examiner.calibration().toMm(TWO_FINGERS);
        return new Verdict(
                code,
                limit,
                stance,
                Reason.of(
                        near(key, width, limit),
                        Numbers.rounded(width.fingers(), 1),
                        Numbers.rounded(limit, 1),
                        code,
                        Numbers.rounded(width.mm(), 1)));
    }

    private static Verdict.Code code(boolean markedly, boolean wide) {
        if (markedly) {
            return Verdict.Code.MARKEDLY_WIDER;
        }
        return wide ? Verdict.Code.WIDER : Verdict.Code.USUAL;
    }

    private static Verdict bySite(Width width) {
        double limit = limitAt(width.reading().siteCm());
        Verdict.Code code = code(width.mm() >= MARKED_FACTOR * limit, width.mm() > limit);
        return new Verdict(
                code,
                limit,
                GapReading.WIDTH_BY_SITE,
                Reason.of(
                        near("verdict.bySite", width, limit),
                        Numbers.rounded(width.mm(), 1),
                        Numbers.rounded(limit, 1),
                        code));
    }

    /** Limits between the published sites interpolate linearly; beyond them the outer value goes on. */
    static double limitAt(double siteCm) {
        if (siteCm > UPPER_SITE_CM) {
            double share = (siteCm - UPPER_SITE_CM) / (XIPHOID_SITE_CM - UPPER_SITE_CM);
            return between(UPPER_LIMIT_MM, XIPHOID_LIMIT_MM, share);
        }
        return siteCm >= 0
                ? between(NAVEL_LIMIT_MM, UPPER_LIMIT_MM, siteCm / UPPER_SITE_CM)
                : between(NAVEL_LIMIT_MM, LOWER_LIMIT_MM, siteCm / LOWER_SITE_CM);
    }

    private static double between(double fromMm, double toMm, double share) {
        return fromMm + Math.min(1, share) * (toMm - fromMm);
    }

    /** Nearer to the limit than the error of the reading: which side of it she is on cannot be said. */
    private static String near(String key, Width width, double limitMm) {
        return Math.abs(width.mm() - limitMm) <= MeasurementError.smallestRealChange(width.errorMm(), 0)
                ? key + ".atLimit"
                : key;
    }

    /** Does the tissue answer the finger, does the gap keep from opening beyond error, does a firm ridge show. */
    private static Verdict byFunction(Width width, Function function) {
        Feel feel = width.reading().feel();
        if (feel == null && !function.liftSeen() && !function.firmRidge()) {
            return new Verdict(
                    Verdict.Code.BASELINE_ONLY, null, GapReading.FUNCTION_FIRST, Reason.of("verdict.function.unknown"));
        }
        boolean soft = feel == Feel.SOFT;
        boolean both = soft && function.opens();
        if (function.firmRidge()) {
            return byFunction(Verdict.Code.MARKEDLY_WIDER, "verdict.function.firmRidge", width);
        }
        if (both) {
            return byFunction(Verdict.Code.MARKEDLY_WIDER, "verdict.function.both", width);
        }
        if (soft) {
            return byFunction(Verdict.Code.WIDER, "verdict.function.soft", width);
        }
        return function.opens()
                ? byFunction(Verdict.Code.WIDER, "verdict.function.opens", width)
                : byFunction(Verdict.Code.USUAL, "verdict.function.holds", width);
    }

    private static Verdict byFunction(Verdict.Code code, String key, Width width) {
        return new Verdict(code, null, GapReading.FUNCTION_FIRST, Reason.of(key, Numbers.rounded(width.mm(), 1)));
    }
}
