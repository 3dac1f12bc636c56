package fernstep.app.progress;

import fernstep.app.support.PathData;
import fernstep.app.support.Words;
import fernstep.core.plan.Waiting;
import fernstep.core.progress.Frond;
import fernstep.core.progress.LeafState;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A frond in the user units of its own view box: the stem from the bottom up, one rung to each {@value #STEP} units,
 * leaflets left and right for her left and right side.
 */
public record FrondDrawing(
        String name, boolean sided, int height, String stem, List<LeafShape> leaves, String summary) {
    static final int WIDTH = 220;
    private static final int STEP = 46;
    private static final int TOP = 30;
    private static final int BOTTOM = 24;
    private static final int CENTRE_X = 110;

    /** A leaf to draw: {@code kind} names its style, {@code ring} whether a gate holds it. */
    public record LeafShape(
            String rung,
            String side,
            String kind,
            String path,
            String vein,
            boolean ring,
            double ringX,
            double ringY,
            double labelX,
            double labelY,
            boolean label,
            String text) {}

    public static FrondDrawing of(Frond frond, Words words) {
        int n = frond.pairs().size();
        int height = TOP + n * STEP + BOTTOM;
        List<LeafShape> leaves = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Frond.Pair pair = frond.pairs().get(i);
            double y = height - BOTTOM - (i + 0.5) * STEP;
            if (pair.rung().perSide()) {
                leaves.add(shape(pair, pair.left(), words, y, -1, true));
                leaves.add(shape(pair, pair.right(), words, y, 1, false));
            } else {
                leaves.add(shape(pair, pair.left(), words, y, 0, true));
            }
        }
        String stem = String.format(
                Locale.ROOT,
                "M%d %d C%d %d %d %d %d %d",
                CENTRE_X,
                height - 4,
                CENTRE_X - 4,
                height / 2,
                CENTRE_X + 4,
                height / 3,
                CENTRE_X,
                TOP - 12);
        return new FrondDrawing(frond.strand().name(), frond.sided(), height, stem, leaves, summary(frond, words));
    }

    private static LeafShape shape(
            Frond.Pair pair, Frond.Leaf leaf, Words words, double y, int direction, boolean label) {
        LeafState state = leaf.state();
        double reach = reach(leaf);
        String path = direction == 0 ? single(y, reach, state) : sided(y, direction, reach, state);
        String vein = direction == 0
                ? path(CENTRE_X, y + 10, CENTRE_X, y - 10)
                : path(CENTRE_X, y, CENTRE_X + direction * reach * 0.85, y - reach * 0.22);
        String side =
                switch (Integer.signum(direction)) {
                    case -1 -> "left";
                    case 1 -> "right";
                    default -> "";
                };
        return new LeafShape(
                pair.rung().code(),
                side,
                state.name().toLowerCase(Locale.ROOT),
                path,
                state == LeafState.HELPED || state == LeafState.OPEN ? vein : "",
                state == LeafState.GATED,
                CENTRE_X,
                y + STEP * 0.32,
                8,
                y + 5,
                label,
                text(pair, leaf, side, words));
    }

    private static double reach(Frond.Leaf leaf) {
        return switch (leaf.state()) {
            case GATED, CURLED -> 16;
            case UNFURLING -> 30 + 34 * leaf.unfurled();
            case HELPED -> 52;
            case OPEN -> 72;
        };
    }

    /** A pointed leaflet; curled ones are a small spiral. */
    private static String sided(double y, int direction, double reach, LeafState state) {
        if (state == LeafState.GATED || state == LeafState.CURLED) {
            double x = CENTRE_X + direction * 12;
            int flag = direction > 0 ? 0 : 1;
            return new PathData()
                    .draw("M", CENTRE_X, y)
                    .draw("Q", x, y + 2, x + direction * 8, y - 4)
                    .draw("A", 7, 7, 0, 1, flag, x, y - 8)
                    .draw("A", 4, 4, 0, 1, flag, x + direction * 3, y - 3)
                    .toString();
        }
        double tipX = CENTRE_X + direction * reach;
        double tipY = y - reach * 0.25;
        double belly = reach * 0.26;
        return new PathData()
                .draw("M", CENTRE_X, y)
                .draw("Q", CENTRE_X + direction * reach * 0.4, y - belly - reach * 0.2, tipX, tipY)
                .draw("Q", CENTRE_X + direction * reach * 0.6, y + belly * 0.7, CENTRE_X, y)
                .draw("Z")
                .toString();
    }

    /** A rung without sides: one leaf at the tip of a short stalk, centred; the fuller the further it is. */
    private static String single(double y, double reach, LeafState state) {
        double half = state == LeafState.GATED || state == LeafState.CURLED ? 6 : 8 + reach * 0.22;
        double tall = state == LeafState.GATED || state == LeafState.CURLED ? 7 : 16;
        return new PathData()
                .draw("M", CENTRE_X, y + tall * 0.8)
                .draw("Q", CENTRE_X - 2 * half, y, CENTRE_X, y - tall)
                .draw("Q", CENTRE_X + 2 * half, y, CENTRE_X, y + tall * 0.8)
                .draw("Z")
                .toString();
    }

    private static String path(double x1, double y1, double x2, double y2) {
        return new PathData().draw("M", x1, y1).draw("L", x2, y2).toString();
    }

    private static String text(Frond.Pair pair, Frond.Leaf leaf, String side, Words words) {
        String where = pair.rung().code() + (side.isEmpty() ? "" : " " + side) + ": ";
        String waiting = leaf.waiting().stream()
                .map(Waiting::reason)
                .map(words::of)
                .reduce((one, other) -> one + "; " + other)
                .map(text -> ", " + text)
                .orElse("");
        return where + words.text("leaf." + leaf.state(), Math.round(100 * leaf.unfurled())) + waiting;
    }

    private static String summary(Frond frond, Words words) {
        List<String> parts = new ArrayList<>();
        frond.pairs().forEach(pair -> {
            parts.add(text(pair, pair.left(), pair.rung().perSide() ? "left" : "", words));
            if (pair.rung().perSide()) {
                parts.add(text(pair, pair.right(), "right", words));
            }
        });
        return frond.strand().name() + ". " + String.join(". ", parts);
    }
}
