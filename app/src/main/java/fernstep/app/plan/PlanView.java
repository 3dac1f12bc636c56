package fernstep.app.plan;

import fernstep.app.figure.Drawn;
import fernstep.app.figure.Figures;
import fernstep.app.figure.SignPicture;
import fernstep.app.support.Words;
import fernstep.core.body.Body;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.LeftOut.Because;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Swaps;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A plan as one sheet: a row for each strand, and for the row in hand cards with what can be changed.
 *
 * @param day the session that is shown: A, or B
 * @param againstBestWeekPct load of a week of this plan against the week behind her, %; null where she has not trained
 */
record PlanView(
        Plan plan,
        Plan.Day day,
        List<Card> cards,
        List<Row> rows,
        List<LeftOut> leftOut,
        List<Reason> warnings,
        boolean byHand,
        int size,
        @Nullable Integer againstBestWeekPct) {
    /** Whether it is this session that is shown. */
    public boolean shows(Plan.Day other) {
        return day.name().equals(other.name());
    }

    /** "+12" or "−8"; empty where she has not trained. */
    public String againstBestWeekSigned() {
        return againstBestWeekPct == null ? "" : (againstBestWeekPct < 0 ? "−" : "+") + Math.abs(againstBestWeekPct);
    }

    /**
     * One item.
     *
     * @param leads whether it is the first card of its strand, which carries what is about the strand
     * @param earlier the change that moves its strand up, or null at the top
     */
    record Card(
            PlanItem item,
            Drawn figure,
            boolean leads,
            boolean locked,
            @Nullable String where,
            List<Stepper> steppers,
            List<Rung> swaps,
            @Nullable String earlier,
            @Nullable String later,
            Body body) {

        /** What she is to watch for, drawn on her. */
        public List<SignPicture> watched() {
            return SignPicture.watched(item.asDone(body), body, item.side(), item.range());
        }

        /** The figure as it is drawn on paper. */
        public Drawn printed() {
            return Figures.printed(item.asDone(body), body, item.side(), item.range());
        }

        public List<SignPicture> watchedPrinted() {
            return SignPicture.watchedPrinted(item.asDone(body), body, item.side(), item.range());
        }

        public String change(String kind, Object value) {
            return PlanChange.written(PlanChange.Kind.valueOf(kind), item.strand(), item.side(), value);
        }

        public String ofStrand(String kind) {
            return PlanChange.written(PlanChange.Kind.valueOf(kind), item.strand(), null, "");
        }
    }

    /**
     * One strand of the day: its left and right in one row.
     *
     * @param inHand its cards are shown
     * @param dose one phrase, both sides where they differ
     * @param where how far, one phrase; empty where no range is to be told
     */
    record Row(Strand strand, List<Card> cards, boolean inHand, String name, String dose, String where, int seconds) {
        public Drawn figure() {
            return cards.get(0).figure();
        }

        public boolean locked() {
            return cards.get(0).locked();
        }

        /** One side does a set more than the other. */
        public boolean weakerSideMore() {
            return cards.stream().anyMatch(card -> card.item().weakerSideMore());
        }

        public boolean secondRound() {
            return cards.stream().anyMatch(card -> card.item().secondRound());
        }

        static Row of(Strand strand, List<Card> cards, boolean inHand, Words words) {
            return new Row(
                    strand,
                    cards,
                    inHand,
                    cards.stream()
                            .map(card -> words.name(card.item().rung()))
                            .distinct()
                            .collect(Collectors.joining(" / ")),
                    bySide(cards, card -> words.dose(card.item().dose()), true, words),
                    bySide(cards, card -> card.where() == null ? "" : card.where(), false, words),
                    cards.stream().mapToInt(card -> card.item().seconds()).sum());
        }

        /**
         * One phrase where the sides are alike, else each with its side.
         *
         * @param said whether an only phrase says for which side it is: the dose does, the range beside it need not
         */
        private static String bySide(List<Card> cards, Function<Card, String> phrase, boolean said, Words words) {
            List<String> all = cards.stream().map(phrase).distinct().toList();
            if (all.size() == 1) {
                return all.get(0).isEmpty() ? "" : (said ? side(cards, words) : "") + all.get(0);
            }
            return cards.stream()
                    .filter(card -> !phrase.apply(card).isEmpty())
                    .map(card -> side(List.of(card), words) + phrase.apply(card))
                    .collect(Collectors.joining("; "));
        }

        private static String side(List<Card> cards, Words words) {
            if (cards.size() > 1) {
                return words.text("plan.bothSides") + " ";
            }
            Side only = cards.get(0).item().side();
            return only == null ? "" : words.amid(only) + " ";
        }
    }

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

    /** What was taken out by hand. */
    public List<LeftOut> takenOut() {
        return leftOut.stream().filter(LeftOut::byHand).toList();
    }

    /** What is open and found no room. */
    public List<LeftOut> noRoom() {
        return leftOut.stream().filter(out -> !out.byHand()).toList();
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

    /**
     * @param named the session to show; null or unknown for the first
     * @param inHand the strand whose cards are shown; null or unknown for the first
     */
    static PlanView of(Plans.Desk desk, @Nullable String named, @Nullable String inHand, Words words) {
        return of(desk, desk.plan(), named, inHand, words);
    }

    /** @param plan another than the desk's own: the one that is in use */
    static PlanView of(Plans.Desk desk, Plan plan, @Nullable String named, @Nullable String inHand, Words words) {
        Plan.Day day = plan.days().stream()
                .filter(each -> each.name().equals(named))
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
                    .anyMatch(choice -> choice.strand() == item.strand() && choice.locked());
            cards.add(new Card(
                    item,
                    Figures.still(
                            item.asDone(desk.client().body()), desk.client().body(), item.side(), item.range()),
                    leads,
                    locked,
                    where(item, words),
                    Stepper.of(item, desk.days()),
                    Swaps.of(desk.question(), plan, item),
                    leads && at > 0 ? swapped(order, at - 1) : null,
                    leads && at < order.size() - 1 ? swapped(order, at) : null,
                    desk.client().body()));
        }
        return new PlanView(
                plan,
                day,
                cards,
                rows(cards, inHand, words),
                leftOut(plan),
                desk.warnings(plan),
                desk.byHand(),
                desk.question().wishes().size(),
                desk.againstBestWeekPct(plan));
    }

    private static List<Row> rows(List<Card> cards, @Nullable String inHand, Words words) {
        List<List<Card>> groups = new ArrayList<>();
        for (Card card : cards) {
            if (card.leads()) {
                groups.add(new ArrayList<>());
            }
            groups.get(groups.size() - 1).add(card);
        }
        int at = IntStream.range(0, groups.size())
                .filter(index -> groups.get(index).get(0).item().strand().name().equals(inHand))
                .findFirst()
                .orElse(0);
        return IntStream.range(0, groups.size())
                .mapToObj(index ->
                        Row.of(groups.get(index).get(0).item().strand(), groups.get(index), index == at, words))
                .toList();
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
                .map(out -> new LeftOut(
                        out.strand(),
                        out.items(),
                        out.items().stream().mapToInt(PlanItem::seconds).sum(),
                        out.why(),
                        out.because() == Because.Decided.BY_HAND))
                .toList();
    }

    /** "hip 41°, heel 44 cm"; null where the exercise has no range. */
    static @Nullable String where(PlanItem item, Words words) {
        RangePoint point = item.point();
        return point == null || !item.rung().hasRange()
                ? null
                : words.range(item.rung().movement().dial(), point);
    }
}
