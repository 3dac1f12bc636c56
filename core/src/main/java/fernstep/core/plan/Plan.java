package fernstep.core.plan;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.StartingRungs.Start;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What to do next, for how long, and why. {@link #of} is the one entry. */
public record Plan(List<PlanItem> items, List<NotOpen> notOpen, int minutesAvailable) {
    private static final int STRONGER_SIDE_LEADS_BY = 1;
    /** The set kept for so many breaths is the breath rung with the set, done. */
    private static final int BREATHS_KEPT = 4;

    private static final int SET_THAT_BREATHES = 3;

    /** A strand that is not in the plan and what it waits for. */
    public record NotOpen(Strand strand, @Nullable Side side, String rung, List<Waiting> waiting) {}

    /**
     * The question put to the rules.
     *
     * @param places where she already stands, from progress; they replace the start from findings
     * @param pregnant from her facts
     */
    public record Question(
            Catalogue catalogue,
            Screening screening,
            boolean pregnant,
            Stances stances,
            Findings findings,
            Body body,
            List<Place> places,
            int minutesPerDay) {}

    public static Plan of(Question q) {
        List<PlanItem> items = new ArrayList<>();
        List<NotOpen> notOpen = new ArrayList<>();
        for (CatalogueStrand strand : q.catalogue().strands()) {
            new StrandPlan(q, strand).into(items, notOpen);
        }
        return new Plan(List.copyOf(items), List.copyOf(notOpen), q.minutesPerDay());
    }

    public int secondsTotal() {
        int work = items.stream().mapToInt(PlanItem::seconds).sum();
        return work
                + SessionTime.changesSeconds(
                        items.stream().map(i -> i.rung().position()).toList());
    }

    public int loadSecondsTotal() {
        return items.stream().mapToInt(PlanItem::loadSeconds).sum();
    }

    public boolean fits() {
        return secondsTotal() <= minutesAvailable * 60;
    }

    /** How much of her minutes the plan takes, 0 to 100. */
    public int fillPct() {
        return Math.min(100, 100 * secondsTotal() / (minutesAvailable * 60));
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
        for (Place place : places) {
            Optional<Rung> below = catalogue.find(place.rung()).flatMap(catalogue::previous);
            while (below.isPresent()) {
                done.add(new RungGates.Done(below.get().code(), below.get().perSide() ? place.side() : null));
                below = catalogue.previous(below.get());
            }
        }
        return done;
    }

    /** The items of one strand, side by side. */
    private static final class StrandPlan {
        private final Question q;
        private final CatalogueStrand strand;
        private final RungGates.Known known;

        StrandPlan(Question q, CatalogueStrand strand) {
            this.q = q;
            this.strand = strand;
            this.known = new RungGates.Known(
                    q.screening(), q.pregnant(), q.findings(), done(q.catalogue(), q.findings(), q.places()));
        }

        void into(List<PlanItem> items, List<NotOpen> notOpen) {
            Rung first = strand.rungs().get(0);
            if (!q.screening().allowedStrands().contains(strand.code())) {
                notOpen.add(new NotOpen(strand.code(), null, first.code(), waiting(first, null)));
                return;
            }
            if (!first.perSide()) {
                chosen(null).ifPresent(c -> add(c, null, 0, items, notOpen));
                return;
            }
            Optional<Chosen> left = chosen(Side.LEFT);
            Optional<Chosen> right = chosen(Side.RIGHT);
            if (left.isEmpty() || right.isEmpty()) {
                return;
            }
            int lead = order(left.get()) - order(right.get());
            Side weaker = lead > 0 ? Side.RIGHT : Side.LEFT;
            Chosen weak = weaker == Side.LEFT ? left.get() : right.get();
            Chosen strong =
                    cappedTo(order(weak) + STRONGER_SIDE_LEADS_BY, weaker == Side.LEFT ? right.get() : left.get());
            add(weak, weaker, lead == 0 ? 0 : 1, items, notOpen);
            add(strong, weaker.other(), 0, items, notOpen);
        }

        private record Chosen(@Nullable Rung rung, @Nullable Dose dose, Reason why) {}

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
                    Reason.of("why.strongerSideWaits", c.rung().code()));
        }

        private Optional<Chosen> chosen(@Nullable Side side) {
            Optional<Place> place = q.places().stream()
                    .filter(p -> p.strand() == strand.code())
                    .filter(p -> p.side() == null || side == null || p.side() == side)
                    .findFirst();
            if (place.isPresent()) {
                Place p = place.get();
                return Optional.of(new Chosen(q.catalogue().rung(p.rung()), p.dose(), p.why()));
            }
            return StartingRungs.of(strand.code(), side, q.findings()).map(this::fromStart);
        }

        private Chosen fromStart(Start start) {
            return new Chosen(start.rung() == null ? null : q.catalogue().rung(start.rung()), null, start.why());
        }

        private void add(Chosen c, @Nullable Side side, int extraSets, List<PlanItem> items, List<NotOpen> notOpen) {
            if (c.rung() == null) {
                Rung first = strand.rungs().get(0);
                notOpen.add(
                        new NotOpen(strand.code(), side, first.code(), List.of(new Waiting("FINDING", null, c.why()))));
                return;
            }
            Rung rung = c.rung();
            List<Waiting> waiting = waiting(rung, side);
            boolean steppedDown = false;
            while (!waiting.isEmpty() && q.catalogue().previous(rung).isPresent()) {
                rung = q.catalogue().previous(rung).get();
                waiting = waiting(rung, side);
                steppedDown = true;
            }
            if (!waiting.isEmpty()) {
                notOpen.add(new NotOpen(strand.code(), side, rung.code(), waiting));
                return;
            }
            Window window = DoseRules.window(rung.window(), q.stances().dose());
            Dose base = c.dose() == null || steppedDown
                    ? DoseRules.minimum(window, q.stances().dose())
                    : c.dose();
            Dose dose = base.withSets(base.sets() + extraSets);
            Reason why = steppedDown ? Reason.of("why.gateBelow", c.rung().code()) : c.why();
            items.add(item(rung, side, base, dose, why));
        }

        private PlanItem item(Rung rung, @Nullable Side side, Dose base, Dose dose, Reason why) {
            RangePoint point = rung.family() == null ? null : rung.movement().point(q.body(), 1);
            return new PlanItem(
                    rung,
                    side,
                    base,
                    dose,
                    1,
                    point == null ? null : point.angleDeg(),
                    point == null ? null : point.heightCm(),
                    SessionTime.seconds(rung, dose),
                    SessionTime.loadSeconds(rung, dose),
                    why,
                    whyNotNext(rung, side),
                    rung.watch(),
                    rung.levers().isEmpty() ? null : rung.levers().get(0));
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
    }
}
