package fernstep.core.decision;

import fernstep.core.catalogue.Lever;

/** What the rung asks of her now, after what was shortened in this set. */
final class LoadNow {
    static final int KNEE_BEND_DEG = 30;
    static final int MOST_KNEE_BEND_DEG = 90;
    /** An answer to a sign of too much load takes at least so much of it away (our choice; see brief 16.1). */
    static final double RELIEVES_PCT = -10;

    private static final double TENTHS = 10;

    private final Situation s;
    private double known = Double.NaN;

    LoadNow(Situation situation) {
        this.s = situation;
    }

    /**
     * As she moves now: at the range of the setting, with what was already shortened in this set. Of two shortenings the
     * lighter counts, so that a step back is never heavier.
     */
    double index() {
        if (Double.isNaN(known)) {
            known = at(s.setting().range());
        }
        return known;
    }

    /** The same at another range, what was shortened stays so. */
    double at(double range) {
        double plain = s.rung().indexAt(range, s.body());
        double now = inUse(Lever.BEND_KNEE) ? Math.min(plain, kneesBentNow(range, plain)) : plain;
        return inUse(Lever.ONE_LIMB) ? Math.min(now, s.rung().indexOfOneLimb(range, s.body())) : now;
    }

    /** With the bend that was offered: the smallest that truly eased. */
    private double kneesBentNow(double range, double straight) {
        double bent = straight;
        for (int deg = KNEE_BEND_DEG;
                deg <= MOST_KNEE_BEND_DEG && changePct(straight, bent) > RELIEVES_PCT;
                deg += KNEE_BEND_DEG) {
            bent = kneesBent(deg, range, straight);
        }
        return bent;
    }

    private boolean inUse(Lever lever) {
        return s.leverUsed(lever) && s.rung().offers(lever);
    }

    /** With the knees so much further bent; a bend that her body cannot make relieves nothing. */
    double kneesBent(double deg, double range, double straight) {
        return s.rung().indexWithKneesBent(range, s.body(), deg).orElse(straight);
    }

    /** To a tenth, half away from zero. */
    static double changePct(double from, double to) {
        if (from <= 0) {
            return 0;
        }
        double pct = 100 * (to - from) / from;
        return Math.copySign(Math.floor(TENTHS * Math.abs(pct) + 0.5) / TENTHS, pct) + 0.0;
    }
}
