package fernstep.app.board;

import fernstep.app.progress.Standing;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A client's fronds in one small twig: a pair of leaflets a strand in training, left and right, longer the higher she stands. */
record Sprig(String stem, List<String> leaves, List<Reason> rungs) {
    private static final int STEP = 13;
    private static final int MIDDLE = 20;
    private static final double SHORTEST = 5;
    private static final double PER_RUNG = 1.7;
    private static final double LONGEST = 17;

    /** All leaves in one line. */
    public String leafPath() {
        return String.join("", leaves);
    }

    static Sprig of(List<Standing> standings) {
        Map<Strand, double[]> orders = new LinkedHashMap<>();
        standings.forEach(standing -> {
            double[] both = orders.computeIfAbsent(standing.step().strand(), key -> new double[2]);
            Side side = standing.step().sideOrNull();
            if (side != Side.RIGHT) {
                both[0] = standing.rung().order();
            }
            if (side != Side.LEFT) {
                both[1] = standing.rung().order();
            }
        });
        List<String> leaves = new ArrayList<>();
        List<Reason> rungs = new ArrayList<>();
        int x = 10;
        for (Map.Entry<Strand, double[]> e : orders.entrySet()) {
            leaves.add(leaf(x, -1, e.getValue()[0]));
            leaves.add(leaf(x, 1, e.getValue()[1]));
            x += STEP;
        }
        standings.forEach(standing -> rungs.add(
                standing.step().sideOrNull() == null
                        ? Reason.of("sprig.rung", standing.rung().code())
                        : Reason.of(
                                "sprig.rungOnSide",
                                standing.rung().code(),
                                standing.step().sideOrNull())));
        String stem = orders.isEmpty() ? "" : "M2 " + MIDDLE + "H" + (x - 4);
        return new Sprig(stem, leaves, rungs);
    }

    /** Up for the left side, down for the right: the twig lies on its side. */
    private static String leaf(int x, int direction, double order) {
        double long1 = Math.min(LONGEST, SHORTEST + PER_RUNG * order);
        double tip = MIDDLE + direction * long1;
        double belly = MIDDLE + direction * long1 * 0.5;
        return "M" + x + " " + MIDDLE + "Q" + (x - 3) + " " + belly + " " + (x + 5) + " " + tip + "Q" + (x + 8) + " "
                + belly + " " + x + " " + MIDDLE;
    }
}
