package fernstep.app.plan;

import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.PlanItem;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A number of an exercise with a step down and a step up; null at an end of its window. */
record Stepper(
        String label,
        String value,
        @Nullable String less,
        @Nullable String more) {
    private static final double RANGE_STEP = 0.05;

    /** @param days training days a week that her settings allow */
    static List<Stepper> of(PlanItem item, Span days) {
        Dose d = item.baseDose();
        Window w = item.rung().window();
        List<Stepper> all = new ArrayList<>();
        all.add(stepper(item, PlanChange.Kind.SETS, d.sets() == 1 ? "set" : "sets", d.sets(), w.sets()));
        if (d.reps() != null && w.reps() != null) {
            all.add(stepper(item, PlanChange.Kind.REPS, "reps", d.reps(), w.reps()));
        }
        if (d.holdS() != null && w.holdS() != null) {
            all.add(stepper(item, PlanChange.Kind.HOLD_S, "s", d.holdS(), w.holdS()));
        }
        if (d.breaths() != null && w.breaths() != null) {
            all.add(stepper(item, PlanChange.Kind.BREATHS, "breaths", d.breaths(), w.breaths()));
        }
        all.add(stepper(item, PlanChange.Kind.DAYS, "days", d.daysPerWeek(), days));
        if (item.rung().hasRange()) {
            all.add(new Stepper(
                    "range",
                    Math.round(100 * item.range()) + " %",
                    item.range() <= 0 ? null : range(item, item.range() - RANGE_STEP),
                    item.range() >= 1 ? null : range(item, item.range() + RANGE_STEP)));
        }
        return all;
    }

    private static String range(PlanItem item, double to) {
        double within = Math.round(100 * Math.max(0, Math.min(1, to))) / 100.0;
        return PlanChange.written(PlanChange.Kind.RANGE, item.strand(), item.side(), within);
    }

    private static Stepper stepper(PlanItem item, PlanChange.Kind kind, String label, int value, Span span) {
        Strand strand = item.strand();
        Side side = item.side();
        return new Stepper(
                label,
                String.valueOf(value),
                value <= span.min() ? null : PlanChange.written(kind, strand, side, -1),
                value >= span.max() ? null : PlanChange.written(kind, strand, side, 1));
    }
}
