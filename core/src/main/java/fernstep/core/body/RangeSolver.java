package fernstep.core.body;

/** How far a rung may go for a ceiling of load. */
public final class RangeSolver {
    private static final int SCAN_STEPS = 16;
    private static final double ANGLE_STEP_DEG = 0.1;
    private static final int MOST_HALVINGS = 14;

    private RangeSolver() {}

    /** The answer: a range, or that even the easiest one is above the ceiling. */
    public sealed interface Answer {
        /** @param point the furthest range whose load, and every smaller one's, keeps to the ceiling */
        record Reached(RangePoint point) implements Answer {}

        record NotReachable(double easiestIndex) implements Answer {}
    }

    /**
     * The furthest range under a load index: a scan for the first part that is too heavy, then halving to 0.1 degrees. On
     * a rung whose load only rises that is plain bisection.
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
        double good = 0;
        double bad = Double.NaN;
        for (int i = 1; i <= SCAN_STEPS; i++) {
            double range = (double) i / SCAN_STEPS;
            if (index(movement, body, range) > ceilingIndex) {
                bad = range;
                break;
            }
            good = range;
        }
        if (Double.isNaN(bad)) {
            return new Answer.Reached(movement.point(body, 1));
        }
        double step = ANGLE_STEP_DEG / span(movement, body);
        for (int i = 0; i < MOST_HALVINGS && bad - good > step; i++) {
            double middle = (good + bad) / 2;
            if (index(movement, body, middle) > ceilingIndex) {
                bad = middle;
            } else {
                good = middle;
            }
        }
        return new Answer.Reached(movement.point(body, good));
    }

    private static double index(Movement movement, Body body, double range) {
        return TrunkLoad.of(body, movement.at(range)).loadIndex();
    }

    private static double span(Movement movement, Body body) {
        double from = movement.dial().angleDeg(Skeleton.of(body, movement.easiest()));
        double to = movement.dial().angleDeg(Skeleton.of(body, movement.full()));
        return Math.max(1, Math.abs(to - from));
    }
}
