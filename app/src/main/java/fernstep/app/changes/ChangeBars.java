package fernstep.app.changes;

import fernstep.core.measure.Reason;
import fernstep.core.progress.ChangeReport;
import fernstep.core.separation.AreaChange;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Width;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Every change as a bar from the middle, in units of its own smallest real change. */
final class ChangeBars {
    /** Half the width of the picture, and how many smallest real changes that is. */
    private static final double HALF = 100;

    private static final double LARGEST = 3;

    private ChangeBars() {}

    /**
     * One bar.
     *
     * @param of what was measured
     * @param x left end, from −{@value ChangeBars#HALF} to {@value ChangeBars#HALF}; 0 is no change
     * @param width from 0 to {@value ChangeBars#HALF}
     */
    public record Bar(Reason of, double x, double width, boolean real) {}

    static List<Bar> of(ChangeReport report) {
        List<Bar> bars = new ArrayList<>();
        for (Map.Entry<Condition, AreaChange> e :
                report.separation().areaChanges().entrySet()) {
            bars.add(bar(
                    Reason.of("changes.gap", Reason.of("condition." + e.getKey())),
                    e.getValue().mm2(),
                    e.getValue().smallestRealMm2(),
                    e.getValue().kind() != Width.Kind.NO_REAL_CHANGE));
        }
        for (ChangeReport.Change c : report.changes()) {
            Reason of = c.key().side() == null
                    ? Reason.of("measure." + c.key().measure())
                    : Reason.of(
                            "forHer.measureSide",
                            Reason.of("measure." + c.key().measure()),
                            c.key().side());
            bars.add(bar(
                    of,
                    c.now() - c.before(),
                    c.smallestReal(),
                    c.direction() != ChangeReport.Direction.NO_REAL_CHANGE));
        }
        return List.copyOf(bars);
    }

    private static Bar bar(Reason of, double change, double smallestReal, boolean real) {
        double share = smallestReal == 0 ? 0 : Math.max(-LARGEST, Math.min(LARGEST, change / smallestReal));
        double width = Math.abs(share) / LARGEST * HALF;
        return new Bar(of, share < 0 ? -width : 0, width, real);
    }
}
