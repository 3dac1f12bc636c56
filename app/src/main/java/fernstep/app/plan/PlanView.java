package fernstep.app.plan;

import fernstep.app.figure.Figure;
import fernstep.app.figure.FigureDrawing;
import fernstep.app.support.Words;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Swaps;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A plan as cards, each with what can be changed on it.
 *
 * @param day the session that is shown: A, or B
 * @param againstLastWeekPct load of a week of this plan against the week behind her, %; null where she has not trained
 */
record PlanView(
        Plan plan,
        Plan.Day day,
        List<Card> cards,
        List<LeftOut> leftOut,
        List<Reason> warnings,
        boolean byHand,
        int size,
        @Nullable Integer againstLastWeekPct) {
    private static final double RANGE_STEP = 0.05;

    /**
     * One item.
     *
     * @param leads whether it is the first card of its strand, which carries what is about the strand
     * @param earlier the change that moves its strand up, or null at the top
     */
    record Card(
            PlanItem item,
            Figure figure,
            boolean leads,
            boolean locked,
            @Nullable String where,
            List<Stepper> steppers,
            List<Rung> swaps,
            @Nullable String earlier,
            @Nullable String later) {

        public String change(String kind, Object value) {
            return PlanChange.written(PlanChange.Kind.valueOf(kind), item.strand(), item.side(), value);
        }

        public String ofStrand(String kind) {
            return PlanChange.written(PlanChange.Kind.valueOf(kind), item.strand(), null, "");
        }
    }

    /** A number with a step down and a step up; null at an end of its window. */
    record Stepper(
            String label,
            String value,
            @Nullable String less,
            @Nullable String more) {}

    /** A strand that is open but not in, and why. */
    record LeftOut(Strand strand, List<PlanItem> items, int seconds, Reason why, boolean byHand) {
        public String putIn() {
            return PlanChange.written(PlanChange.Kind.PUT_IN, strand, null, "");
        }
    }

    /** A stretch of the minutes bar, in percent of her minutes. */
    record Stretch(double from, double width, String name) {}

    /** What each item takes of her minutes, one after the other; what goes beyond them is cut off. */
    public List<Stretch> bar() {
        double perSecond = 100.0 / plan.secondsAvailable();
        List<Stretch> bar = new ArrayList<>();
        double at = 0;
        for (Card card : cards) {
            double width = card.item().secondsPerDay() * perSecond;
            bar.add(new Stretch(
                    at,
                    Math.max(0, Math.min(width, 100 - at)),
                    card.item().rung().code()));
            at = Math.min(100, at + width);
        }
        return bar;
    }

    /** How many at most, one fewer and one more; null at an end. */
    public @Nullable String fewer() {
        return size <= Range.SIZE.min() ? null : PlanChange.written(PlanChange.Kind.SIZE, null, null, size - 1);
    }

    public @Nullable String more() {
        return size >= Range.SIZE.max() ? null : PlanChange.written(PlanChange.Kind.SIZE, null, null, size + 1);
    }

    public int exercises() {
        return Plan.size(day.items());
    }

    /** What the button that starts the session says. */
    public Reason runLabel() {
        return plan.days().size() > 1 ? Reason.of("plan.runDay", day.name()) : Reason.of("plan.runIt");
    }

    /** @param named the session to show; null or unknown for the first */
    static PlanView of(Plans.Desk desk, @Nullable String named, Words words) {
        Plan plan = desk.plan();
        Plan.Day day = plan.days().stream()
                .filter(d -> d.name().equals(named))
                .findFirst()
                .orElse(plan.days().get(0));
        List<Strand> order =
                day.items().stream().map(PlanItem::strand).distinct().toList();
        List<Card> cards = new ArrayList<>();
        Strand before = null;
        for (PlanItem item : day.items()) {
            boolean leads = item.strand() != before;
            before = item.strand();
            int at = order.indexOf(item.strand());
            boolean locked = desk.question().wishes().choices().stream()
                    .anyMatch(c -> c.strand() == item.strand() && c.locked());
            cards.add(new Card(
                    item,
                    FigureDrawing.of(item.rung(), desk.client().body(), item.side(), item.range()),
                    leads,
                    locked,
                    where(item, words),
                    steppers(desk, item),
                    Swaps.of(desk.question(), plan, item),
                    leads && at > 0 ? swapped(order, at - 1) : null,
                    leads && at < order.size() - 1 ? swapped(order, at) : null));
        }
        return new PlanView(
                plan,
                day,
                cards,
                leftOut(plan),
                desk.warnings(plan),
                desk.byHand(),
                desk.question().wishes().size(),
                desk.againstLastWeekPct(plan));
    }

    private static String swapped(List<Strand> order, int at) {
        List<Strand> swapped = new ArrayList<>(order);
        Collections.swap(swapped, at, at + 1);
        return PlanChange.written(
                PlanChange.Kind.ORDER,
                null,
                null,
                swapped.stream().map(Enum::name).collect(Collectors.joining(",")));
    }

    private static List<LeftOut> leftOut(Plan plan) {
        return plan.leftOut().stream()
                .map(l -> new LeftOut(
                        l.strand(),
                        l.items(),
                        l.items().stream().mapToInt(PlanItem::seconds).sum(),
                        l.why(),
                        l.why().key().equals("leftOut.byHand")))
                .toList();
    }

    /** "hip 41°, heel 44 cm"; null where the exercise has no range. */
    static @Nullable String where(PlanItem item, Words words) {
        RangePoint point = item.point();
        return point == null || !item.rung().hasRange()
                ? null
                : words.range(item.rung().movement().dial(), point);
    }

    private static List<Stepper> steppers(Plans.Desk desk, PlanItem item) {
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
        all.add(stepper(item, PlanChange.Kind.DAYS, "days", d.daysPerWeek(), desk.days()));
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
