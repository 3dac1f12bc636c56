package fernstep.app.check;

import fernstep.app.support.PathData;
import fernstep.core.measure.MonotoneCubic;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Profile;
import fernstep.core.separation.Separation;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The abdomen seen from above, to scale, in the user units of a {@value #WIDTH} × {@value #HEIGHT} view box: the
 * measured outlines, and a dashed taper beyond the outermost sites where nothing was measured.
 */
public record MidlineDrawing(List<Outline> outlines, List<Mark> marks) {
    static final int WIDTH = 320;
    static final int HEIGHT = 420;
    private static final double CENTRE_X = 160;
    private static final double NAVEL_Y = 210;
    private static final double UNITS_PER_MM = 2.6;
    private static final double MM_PER_CM = 10;
    private static final int STEPS = 48;
    private static final double TAPER_CM = 2;

    /** One condition's outline. {@code kind} names its line style. */
    public record Outline(String kind, String path, String taper) {}

    /** A measured point: a dot on each edge. */
    public record Mark(String kind, double leftX, double rightX, double y) {}

    public static MidlineDrawing of(Separation now, @Nullable Separation previous) {
        List<Outline> outlines = new ArrayList<>();
        List<Mark> marks = new ArrayList<>();
        if (previous != null) {
            add("before", previous.profiles().get(Condition.REST), outlines, null);
        }
        add("rest", now.profiles().get(Condition.REST), outlines, marks);
        add("lift", now.profiles().get(Condition.HEAD_LIFT), outlines, marks);
        add("set", now.profiles().get(Condition.HEAD_LIFT_SET), outlines, marks);
        return new MidlineDrawing(outlines, marks);
    }

    private static void add(
            String kind, @Nullable Profile profile, List<Outline> outlines, @Nullable List<Mark> marks) {
        if (profile == null) {
            return;
        }
        profile.curve().ifPresent(curve -> outlines.add(new Outline(kind, outline(curve), taper(curve))));
        if (marks != null) {
            for (Map.Entry<Double, Double> point : profile.measured().entrySet()) {
                double half = half(point.getValue());
                marks.add(new Mark(kind, CENTRE_X - half, CENTRE_X + half, y(point.getKey())));
            }
        }
    }

    private static String outline(MonotoneCubic curve) {
        PathData left = new PathData();
        PathData right = new PathData();
        for (int i = 0; i <= STEPS; i++) {
            double site = curve.first() + (curve.last() - curve.first()) * i / STEPS;
            double half = half(curve.at(Math.min(site, curve.last())));
            String command = i == 0 ? "M" : "L";
            left.draw(command, CENTRE_X - half, y(site));
            right.draw(command, CENTRE_X + half, y(site));
        }
        return left.toString() + right;
    }

    private static String taper(MonotoneCubic curve) {
        return taperAt(curve.last(), curve.at(curve.last()), TAPER_CM)
                + taperAt(curve.first(), curve.at(curve.first()), -TAPER_CM);
    }

    private static String taperAt(double site, double mm, double by) {
        return new PathData()
                .draw("M", CENTRE_X - half(mm), y(site))
                .draw("L", CENTRE_X, y(site + by))
                .draw("L", CENTRE_X + half(mm), y(site))
                .toString();
    }

    private static double half(double mm) {
        return mm * UNITS_PER_MM / 2;
    }

    private static double y(double siteCm) {
        return NAVEL_Y - siteCm * MM_PER_CM * UNITS_PER_MM;
    }
}
