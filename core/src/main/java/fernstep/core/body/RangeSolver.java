package fernstep.core.body;

/** How far a rung may go for a ceiling of load. Every rung's load rises with its range, which the catalogue checks. */
public final class RangeSolver {
    private static final int MOST_STEPS = 20;
    private static final double FINEST_SHARE = 0.001;

    private RangeSolver() {}

    /** The answer: a range, or that even the easiest one is above the ceiling. */
    public sealed interface Answer {
        /** @param point the furthest range whose load, and every smaller one's, keeps to the ceiling */
        record Reached(RangePoint point) implements Answer {}

        /**
         * Even the easiest range loads more than that.
         *
         * @param easiestIndex load index of the easiest range, from 0
         */
        record NotReachable(double easiestIndex) implements Answer {}
    }

    /**
     * The furthest range under a load index, to a thousandth of the range (below 0.1 degrees), by secant steps inside a
     * bracket that give an end which stays too long half its weight (Illinois).
     *
     * @param ceilingIndex above 0
     * @throws ImpossiblePose for a ceiling of 0 or less
     */
    public static Answer solve(Movement movement, Body body, double ceilingIndex) {
        if (!(ceilingIndex > 0)) {
            throw new ImpossiblePose("ceilingIndex", "the ceiling was " + ceilingIndex, "above 0");
        }
        double easiest = index(movement, body, 0);
        if (easiest > ceilingIndex) {
            return new Answer.NotReachable(easiest);
        }
        double full = index(movement, body, 1);
        if (full <= ceilingIndex) {
            return new Answer.Reached(movement.point(body, 1));
        }
        double good = 0;
        double bad = 1;
        double below = easiest - ceilingIndex;
        double above = full - ceilingIndex;
        int lastSide = 0;
        for (int i = 0; i < MOST_STEPS && bad - good > FINEST_SHARE; i++) {
            double secant = (good * above - bad * below) / (above - below);
            double at = Math.max(good + FINEST_SHARE / 2, Math.min(bad - FINEST_SHARE / 2, secant));
            double over = index(movement, body, at) - ceilingIndex;
            if (over > 0) {
                bad = at;
                above = over;
                below = lastSide < 0 ? below / 2 : below;
                lastSide = -1;
            } else {
                good = at;
                below = over;
                above = lastSide > 0 ? above / 2 : above;
                lastSide = 1;
            }
        }
        return new Answer.Reached(movement.point(body, good));
    }

    private static double index(Movement movement, Body body, double range) {
        return movement.peak(body, range).loadIndex();
    }
}
