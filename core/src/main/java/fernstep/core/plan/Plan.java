package fernstep.core.plan;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.RangePoint;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Packing.Unit;
import fernstep.core.plan.StandIns.StandIn;
import fernstep.core.plan.StartingRungs.Start;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What to do next, for how long, and why. {@link #of} is the one entry.
 *
 * @param items in the order in which they are done
 * @param leftOut what is open but does not fit into her minutes, or was left out by hand
 * @param perDay sessions a day that share her minutes
 */
public record Plan(
        List<PlanItem> items, List<PlanItem> leftOut, List<NotOpen> notOpen, int minutesAvailable, int perDay) {
    private static final int STRONGER_SIDE_LEADS_BY = 1;
    /** The set kept for so many breaths is the breath rung with the set, done. */
    private static final int BREATHS_KEPT = 4;

    private static final int SET_THAT_BREATHES = 3;

    /** A strand that is not in the plan and what it waits for. */
    public record NotOpen(Strand strand, @Nullable Side side, String rung, List<Waiting> waiting) {}

    /**
     * The question put to the rules.
     *
     * @param pregnant from her facts
     * @param places where she already stands, from progress; they replace the start from findings
     * @param daysPerWeek she has
     * @param freeDays weekdays that are not blocked, 1 to 7
     * @param floorSymptoms leaking or heaviness reported: the pelvic floor comes early
     * @param choices what the practitioner has set by hand
     */
    public record Question(
            Catalogue catalogue,
            Screening screening,
            boolean pregnant,
            Stances stances,
            Findings findings,
            Body body,
            List<Place> places,
            int minutesPerDay,
            int daysPerWeek,
            int freeDays,
            boolean floorSymptoms,
            RungGates.History history,
            List<Choice> choices) {

        /** Every day free, no log, nothing set by hand. */
        public Question(
                Catalogue catalogue,
                Screening screening,
                boolean pregnant,
                Stances stances,
                Findings findings,
                Body body,
                List<Place> places,
                int minutesPerDay) {
            this(
                    catalogue,
                    screening,
                    pregnant,
                    stances,
                    findings,
                    body,
                    places,
                    minutesPerDay,
                    7,
                    7,
                    false,
                    RungGates.History.NONE,
                    List.of());
        }

        /**
         * The same with other stances: what another approach would prescribe, in its own doses.
         *
         * @param screened the screening asked anew with those stances
         */
        public Question by(Stances others, Screening screened) {
            List<Place> fitted = places.stream()
                    .map(p -> p.fitted(catalogue.rung(p.rung()), others.dose()))
                    .toList();
            return new Question(
                    catalogue,
                    screened,
                    pregnant,
                    others,
                    findings,
                    body,
                    fitted,
                    minutesPerDay,
                    daysPerWeek,
                    freeDays,
                    floorSymptoms,
                    history,
                    choices);
        }

        public Question with(List<Choice> others) {
            return new Question(
                    catalogue,
                    screening,
                    pregnant,
                    stances,
                    findings,
                    body,
                    places,
                    minutesPerDay,
                    daysPerWeek,
                    freeDays,
                    floorSymptoms,
                    history,
                    List.copyOf(others));
        }

        /** What the gates are read against. */
        public RungGates.Known known() {
            return new RungGates.Known(screening, pregnant, findings, done(catalogue, findings, places), history);
        }
    }

    public static Plan of(Question q) {
        List<Unit> units = new ArrayList<>();
        List<NotOpen> notOpen = new ArrayList<>();
        List<PlanItem> leftOut = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (Strand code : Priority.order(q)) {
            Optional<CatalogueStrand> strand = q.catalogue().strand(code);
            if (strand.isEmpty()) {
                continue;
            }
            List<PlanItem> items = new ArrayList<>();
            new StrandPlan(q, strand.get()).into(items, notOpen);
            items.removeIf(i -> !taken.add(i.rung().code() + i.side()));
            boolean droppedByHand = q.choices().stream().anyMatch(c -> c.strand() == code && c.leftOut());
            if (droppedByHand) {
                leftOut.addAll(items);
            } else if (!items.isEmpty()) {
                boolean locked = q.choices().stream().anyMatch(c -> c.strand() == code && c.locked());
                units.add(new Unit(List.copyOf(items), locked || Priority.alwaysIn(code), Priority.value(code, q)));
            }
        }
        int perDay = units.isEmpty() ? 1 : units.get(0).items().get(0).dose().perDay();
        List<Unit> chosen = Packing.chosen(units, q.minutesPerDay() * 60 / perDay);
        units.stream().filter(u -> !chosen.contains(u)).forEach(u -> leftOut.addAll(u.items()));
        notOpen.sort(Comparator.comparing(NotOpen::strand));
        return new Plan(
                Packing.ordered(chosen).stream()
                        .flatMap(u -> u.items().stream())
                        .toList(),
                List.copyOf(leftOut),
                List.copyOf(notOpen),
                q.minutesPerDay(),
                perDay);
    }

    /** In another order of the practitioner's own: by strand, those named first. */
    public Plan inOrder(List<Strand> order) {
        List<PlanItem> sorted = new ArrayList<>(items);
        sorted.sort(Comparator.comparing(i -> order.contains(i.strand()) ? order.indexOf(i.strand()) : order.size()));
        return new Plan(List.copyOf(sorted), leftOut, notOpen, minutesAvailable, perDay);
    }

    /** Where she stands, and for strands not yet begun where this plan would begin; a stand-in has no place of its own. */
    public List<Place> places(List<Place> now) {
        List<Place> places = new ArrayList<>(now);
        Stream.concat(items.stream(), leftOut.stream())
                .filter(i -> i.rung().strand() == i.strand())
                .filter(i -> places.stream().noneMatch(p -> p.strand() == i.strand() && p.side() == i.side()))
                .map(i -> new Place(
                        i.strand(), i.side(), i.rung().code(), i.baseDose(), i.range(), Reason.of("why.progress")))
                .forEach(places::add);
        return List.copyOf(places);
    }

    /** On how many days a week something of it is done; empty for a plan of nothing. */
    public OptionalInt daysPerWeek() {
        return items.stream().mapToInt(i -> i.dose().daysPerWeek()).max();
    }

    /** One session. */
    public int secondsTotal() {
        int work = items.stream().mapToInt(PlanItem::seconds).sum();
        return work
                + SessionTime.changesSeconds(
                        items.stream().map(PlanItem::position).toList());
    }

    public int secondsPerDay() {
        return secondsTotal() * perDay;
    }

    public int loadSecondsTotal() {
        return items.stream().mapToInt(PlanItem::loadSeconds).sum();
    }

    /** Σ load index × seconds under load, where a load is followed. */
    public double exposure() {
        return items.stream()
                .filter(i -> i.point() != null)
                .mapToDouble(i -> i.point().load().loadIndex() * i.loadSeconds())
                .sum();
    }

    public boolean fits() {
        return secondsPerDay() <= minutesAvailable * 60;
    }

    /** How much of her minutes the plan takes, 0 to 100. */
    public int fillPct() {
        return Math.min(100, 100 * secondsPerDay() / (minutesAvailable * 60));
    }

    /** Rungs that count as done: below where she stands, and those that a check showed clean. */
    public static Set<RungGates.Done> done(Catalogue catalogue, Findings findings, List<Place> places) {
        Set<RungGates.Done> done = new HashSet<>();
        findings.floatScore()
                .forEach((side, score) -> Stream.iterate(1, n -> n + 1)
                        .limit(score)
                        .forEach(n -> done.add(new RungGates.Done("F" + n, side))));
        boolean setKept = findings.weakerSetGrade().orElse(0) >= SET_THAT_BREATHES;
        if (setKept && findings.toleranceBreaths() != null && findings.toleranceBreaths() >= BREATHS_KEPT) {
            done.add(new RungGates.Done("BR3", null));
        }
        boolean gapSteady = findings.lumbarGap() != null && findings.lumbarGap() != Findings.LumbarGap.FIST;
        if (gapSteady && findings.weakerSetGrade().orElse(0) >= SET_THAT_BREATHES) {
            done.add(new RungGates.Done("PC1", null));
        }
        if (findings.neutralOnHandsAndKnees()) {
            done.add(new RungGates.Done("HK1", null));
            findings.armReachKept().forEach(s -> {
                done.add(new RungGates.Done("HK3", null));
                done.add(new RungGates.Done("HK4", s));
            });
        }
        if (findings.hoverClean()) {
            done.add(new RungGates.Done("HP1", null));
        }
        for (Place place : places) {
            Optional<Rung> below = catalogue.find(place.rung()).flatMap(catalogue::previous);
            while (below.isPresent()) {
                done.add(new RungGates.Done(below.get().code(), below.get().perSide() ? place.side() : null));
                below = catalogue.previous(below.get());
            }
        }
        return done;
    }

    /** How far a rung may go at first: no more than a step above a load she is known to hold; full where none is followed. */
    public static double firstRange(Rung rung, Body body, double knownIndex) {
        if (rung.family() == null || !rung.hasRange()) {
            return 1;
        }
        double ceiling = Math.max(0.1, knownIndex * STEP_ABOVE);
        return RangeSolver.solve(rung.movement(), body, ceiling) instanceof RangeSolver.Answer.Reached reached
                ? Math.floor(100 * reached.point().range()) / 100
                : 0;
    }

    private static final double STEP_ABOVE = 1.10;

    /** The items of one strand, side by side. */
    private static final class StrandPlan {
        private final Question q;
        private final CatalogueStrand strand;
        private final RungGates.Known known;

        StrandPlan(Question q, CatalogueStrand strand) {
            this.q = q;
            this.strand = strand;
            this.known = q.known();
        }

        void into(List<PlanItem> items, List<NotOpen> notOpen) {
            Rung first = strand.rungs().get(0);
            if (!q.screening().allowedStrands().contains(strand.code())) {
                notOpen.add(new NotOpen(strand.code(), null, first.code(), waiting(first, null)));
                return;
            }
            Chosen left = chosen(Side.LEFT);
            Chosen right = chosen(Side.RIGHT);
            boolean sided = (left.rung() != null && left.rung().perSide())
                    || (right.rung() != null && right.rung().perSide());
            if (!sided) {
                add(left.rung() == null ? right : left, null, 0, items, notOpen);
                return;
            }
            int lead = order(left) - order(right);
            Side weaker = lead > 0 ? Side.RIGHT : Side.LEFT;
            Chosen weak = weaker == Side.LEFT ? left : right;
            Chosen strong = cappedTo(order(weak) + STRONGER_SIDE_LEADS_BY, weaker == Side.LEFT ? right : left);
            add(weak, weaker, lead == 0 ? 0 : 1, items, notOpen);
            add(strong, weaker.other(), 0, items, notOpen);
        }

        /** @param range null where it is to be worked out */
        private record Chosen(
                @Nullable Rung rung,
                @Nullable Dose dose,
                @Nullable Double range,
                Reason why) {}

        private int order(Chosen c) {
            return c.rung() == null ? 0 : c.rung().order();
        }

        private Chosen cappedTo(int order, Chosen c) {
            if (c.rung() == null || c.rung().order() <= order) {
                return c;
            }
            int capped = Math.max(1, order);
            return new Chosen(
                    strand.rungs().get(capped - 1),
                    null,
                    null,
                    Reason.of("why.strongerSideWaits", c.rung().code()));
        }

        private Chosen chosen(Side side) {
            Optional<Choice> byHand = q.choices().stream()
                    .filter(c -> c.about(strand.code(), side) && c.rung() != null)
                    .findFirst();
            if (byHand.isPresent()) {
                return new Chosen(
                        q.catalogue().rung(byHand.get().rung()),
                        null,
                        byHand.get().range(),
                        Reason.of("why.byHand"));
            }
            Optional<Place> place = q.places().stream()
                    .filter(p -> p.strand() == strand.code())
                    .filter(p -> p.side() == null || p.side() == side)
                    .findFirst();
            if (place.isPresent()) {
                Place p = place.get();
                return new Chosen(q.catalogue().rung(p.rung()), p.dose(), p.range(), p.why());
            }
            Start start = StartingRungs.of(strand.code(), side, q.findings());
            Rung rung = start.rung() == null ? null : q.catalogue().rung(start.rung());
            boolean tested = rung != null && isDone(rung, side);
            return new Chosen(rung, null, tested ? 1.0 : null, start.why());
        }

        private boolean isDone(Rung rung, @Nullable Side side) {
            return known.done().stream()
                    .anyMatch(d -> d.rung().equals(rung.code()) && (d.side() == null || d.side() == side));
        }

        private void add(Chosen c, @Nullable Side side, int extraSets, List<PlanItem> items, List<NotOpen> notOpen) {
            if (c.rung() == null) {
                Rung first = strand.rungs().get(0);
                notOpen.add(
                        new NotOpen(strand.code(), side, first.code(), List.of(new Waiting("FINDING", null, c.why()))));
                return;
            }
            Rung rung = c.rung();
            List<Waiting> waiting = waitingButPosition(rung, side);
            boolean steppedDown = false;
            while (!waiting.isEmpty() && q.catalogue().previous(rung).isPresent()) {
                rung = q.catalogue().previous(rung).get();
                waiting = waitingButPosition(rung, side);
                steppedDown = true;
            }
            if (!waiting.isEmpty()) {
                notOpen.add(new NotOpen(strand.code(), side, rung.code(), waiting));
                return;
            }
            Reason why = steppedDown ? Reason.of("why.gateBelow", c.rung().code()) : c.why();
            List<StandIn> standIns =
                    StandIns.of(q.catalogue(), rung, q.screening().closed(), q.body());
            if (rung.closedBy(q.screening().closed()).isPresent()) {
                Rung closed = rung;
                Optional<StandIn> standIn = StandIns.firstOpen(
                        standIns, r -> RungGates.waiting(r, side, known).isEmpty());
                if (standIn.isEmpty()) {
                    notOpen.add(new NotOpen(strand.code(), side, rung.code(), RungGates.closedPosition(rung, known)));
                    return;
                }
                boolean same = standIn.get().kind() != StandIns.Kind.OTHER_RUNG;
                Chosen as = same && !steppedDown ? c : new Chosen(standIn.get().rung(), null, null, why);
                items.add(item(as, standIn.get().rung(), closed, standIn.get().kind(), side, extraSets, why));
                return;
            }
            Chosen as = steppedDown ? new Chosen(rung, null, null, why) : c;
            items.add(item(as, rung, null, null, side, extraSets, why));
        }

        private PlanItem item(
                Chosen c,
                Rung rung,
                @Nullable Rung standInFor,
                StandIns.@Nullable Kind kind,
                @Nullable Side side,
                int extraSets,
                Reason why) {
            Side on = rung.perSide() ? side == null ? Side.LEFT : side : null;
            Optional<Choice> byHand = q.choices().stream()
                    .filter(x -> x.about(strand.code(), side))
                    .findFirst();
            Window window = DoseRules.window(rung.window(), q.stances().dose());
            Dose base = byHand.map(Choice::dose)
                    .orElseGet(() -> c.dose() == null
                            ? DoseRules.minimum(window, q.stances().dose())
                            : c.dose());
            Dose inDays = base.withDays(Math.min(base.daysPerWeek(), Math.min(q.daysPerWeek(), q.freeDays())));
            Dose dose = inDays.withSets(inDays.sets() + extraSets);
            double range = byHand.map(Choice::range).orElseGet(() -> c.range() == null ? firstRange(rung) : c.range());
            RangePoint point = rung.family() == null ? null : rung.movement().point(q.body(), range);
            return new PlanItem(
                    strand.code(),
                    rung,
                    on,
                    standInFor,
                    kind,
                    inDays,
                    dose,
                    range,
                    point,
                    SessionTime.seconds(rung, dose),
                    SessionTime.loadSeconds(rung, dose),
                    why,
                    whyNotNext(rung, on),
                    rung.watch(),
                    rung.levers().isEmpty() ? null : rung.levers().get(0));
        }

        /** A step above what the rung before asks at its full range; the whole of a first rung, which is the easiest there is. */
        private double firstRange(Rung rung) {
            return q.catalogue()
                    .previous(rung)
                    .flatMap(before -> before.loadAt(1, q.body()))
                    .map(load -> Plan.firstRange(rung, q.body(), load.loadIndex()))
                    .orElse(rung.hasRange() && rung.loaded() ? 0.0 : 1.0);
        }

        private Reason whyNotNext(Rung rung, @Nullable Side side) {
            Optional<Rung> next = q.catalogue().next(rung);
            if (next.isEmpty()) {
                return Reason.of("whyNot.top");
            }
            return waiting(next.get(), side).stream()
                    .filter(w -> !w.code().equals(rung.code()))
                    .findFirst()
                    .map(w -> Reason.of("whyNot.waiting", next.get().code(), w.reason()))
                    .orElseGet(() -> Reason.of("whyNot.doseFirst", next.get().code()));
        }

        private List<Waiting> waiting(Rung rung, @Nullable Side side) {
            return RungGates.waiting(rung, side, known);
        }

        /** A closed position is no reason to step down: something stands in. */
        private List<Waiting> waitingButPosition(Rung rung, @Nullable Side side) {
            return waiting(rung, side).stream()
                    .filter(w -> RungGates.closedPosition(rung, known).stream()
                            .noneMatch(p -> p.code().equals(w.code())))
                    .toList();
        }
    }
}
