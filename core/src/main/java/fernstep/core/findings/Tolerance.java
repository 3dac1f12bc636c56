package fernstep.core.findings;

import fernstep.core.measure.Range;

/**
 * How many breaths the engagement is kept under load.
 *
 * @param breaths 0 to 100
 */
public record Tolerance(int breaths) {
    private static final int MOST_POOR = 2;
    private static final int MOST_FAIR = 4;
    private static final int LEAST_KEPT = 4;
    private static final int LEAST_GOOD = 10;

    /** How good that is. */
    public enum Level {
        POOR,
        FAIR,
        BETWEEN,
        GOOD
    }

    /** @throws fernstep.core.measure.OutOfRange outside the range of the check */
    public Tolerance {
        Range.BREATHS.check(breaths);
    }

    /** 1–2 breaths poor, 3–4 fair, 10 and more good. */
    public Level level() {
        if (isPoor()) {
            return Level.POOR;
        }
        if (breaths <= MOST_FAIR) {
            return Level.FAIR;
        }
        return breaths < LEAST_GOOD ? Level.BETWEEN : Level.GOOD;
    }

    public boolean isPoor() {
        return breaths <= MOST_POOR;
    }

    /** Kept while she breathes on: what loaded work is built on. */
    public boolean isKept() {
        return breaths >= LEAST_KEPT;
    }

    public boolean isGood() {
        return breaths >= LEAST_GOOD;
    }
}
