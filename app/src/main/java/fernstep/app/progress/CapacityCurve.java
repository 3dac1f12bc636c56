package fernstep.app.progress;

import fernstep.core.body.Capacity;
import fernstep.core.body.LoadFamily;
import fernstep.core.measure.Side;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What she can hold of one kind of load, week by week, with its ageing between sessions. */
public record CapacityCurve(LoadFamily family, List<Line> lines, double scaleTo, double now) {
    private static final int WEEKS = 18;
    private static final int WIDTH = 300;
    private static final int HEIGHT = 80;
    private static final int DAYS_PER_WEEK = 7;
    private static final double HEADROOM = 1.15;

    /** One side, or null where the load has none. */
    public record Line(@Nullable Side side, String d, double now) {
        /** The right side looks other than the left. */
        public String tone() {
            return side == Side.RIGHT ? "of-right" : "";
        }
    }

    /** One curve for each kind of load she has held clean. */
    static List<CapacityCurve> of(List<Capacity.Clean> log, LocalDate today) {
        List<CapacityCurve> curves = new ArrayList<>();
        for (LoadFamily family : LoadFamily.values()) {
            boolean sided = log.stream().anyMatch(clean -> clean.family() == family && clean.side() != null);
            boolean any = log.stream().anyMatch(clean -> clean.family() == family);
            if (any) {
                curves.add(of(log, family, sided, today));
            }
        }
        return curves;
    }

    private static CapacityCurve of(List<Capacity.Clean> log, LoadFamily family, boolean sided, LocalDate today) {
        List<Side> sides = new ArrayList<>();
        if (sided) {
            sides.addAll(List.of(Side.values()));
        } else {
            sides.add(null);
        }
        double highest = 1;
        List<double[]> all = new ArrayList<>();
        for (@Nullable Side side : sides) {
            double[] values = new double[WEEKS + 1];
            for (int week = 0; week <= WEEKS; week++) {
                Optional<Capacity> c =
                        Capacity.of(log, family, side, today.minusDays((long) DAYS_PER_WEEK * (WEEKS - week)));
                values[week] = c.map(Capacity::loadIndex).orElse(0.0);
                highest = Math.max(highest, values[week]);
            }
            all.add(values);
        }
        double scale = highest * HEADROOM;
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < sides.size(); i++) {
            lines.add(new Line(sides.get(i), d(all.get(i), scale), all.get(i)[WEEKS]));
        }
        return new CapacityCurve(
                family,
                lines,
                scale,
                lines.stream().mapToDouble(Line::now).max().orElse(0));
    }

    private static String d(double[] values, double scale) {
        StringBuilder d = new StringBuilder();
        for (int week = 0; week < values.length; week++) {
            if (values[week] > 0) {
                d.append(d.isEmpty() ? "M" : " ")
                        .append(Math.round((double) WIDTH * week / (values.length - 1)))
                        .append(' ')
                        .append(Math.round(HEIGHT * (1 - values[week] / scale)));
            }
        }
        return d.toString();
    }
}
