package fernstep.core.plan;

import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.StandIns.StandIn;
import fernstep.core.plan.StartingRungs.Start;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What one strand would do today, side by side: rung, range and dose, or what it waits for. */
final class StrandItems {
    private static final int STRONGER_SIDE_LEADS_BY = 1;

    private final Plan.Question q;
    private final CatalogueStrand strand;
    private final RungGates.Known known;
    private final Shown shown;
    private final boolean settled;
    private final List<PlanItem> items = new ArrayList<>();
    private final List<Plan.NotOpen> notOpen = new ArrayList<>();

    StrandItems(Plan.Question question, CatalogueStrand strand, RungGates.Known known, Shown shown, boolean settled) {
        this.q = question;
        this.shown = shown;
        this.strand = strand;
        this.known = known;
        this.settled = settled;
        fill();
    }

    List<PlanItem> items() {
        return items;
    }

    List<Plan.NotOpen> notOpen() {
        return notOpen;
    }

    private void fill() {
        Chosen left = chosen(Side.LEFT);
        Chosen right = chosen(Side.RIGHT);
        boolean sided = perSide(left) || perSide(right);
        if (!sided) {
            add(left.rung() == null ? right : left, null, 0);
            return;
        }
        int lead = place(left) - place(right);
        Optional<Side> weakerHold = lead == 0 ? q.her().findings().weakerHold() : Optional.empty();
        Side behind = lead > 0 ? Side.RIGHT : Side.LEFT;
        Side weaker = weakerHold.orElse(behind);
        Chosen weak = weaker == Side.LEFT ? left : right;
        Chosen strong = cappedTo(place(weak) + STRONGER_SIDE_LEADS_BY, weaker == Side.LEFT ? right : left);
        add(weak, weaker, lead != 0 || weakerHold.isPresent() ? 1 : 0);
        add(strong, weaker.other(), 0);
        doneAsOne();
    }

    /** Where gates lead both sides down to rungs without sides, the lower is done, once: no side gets a set more. */
    private void doneAsOne() {
        if (items.size() < 2 || items.stream().anyMatch(item -> item.side() != null)) {
            return;
        }
        PlanItem lower = items.get(0).rung().order() <= items.get(1).rung().order() ? items.get(0) : items.get(1);
        items.clear();
        items.add(lower.dosed(lower.baseDose(), lower.baseDose()));
    }

    private static boolean perSide(Chosen chosen) {
        return chosen.rung() != null && chosen.rung().perSide();
    }

    /**
     * A rung before gates were asked.
     *
     * @param range null where it is to be worked out
     */
    private record Chosen(
            @Nullable Rung rung,
            @Nullable Dose dose,
            @Nullable Double range,
            Reason why,
            @Nullable Eased eased) {
        Chosen(@Nullable Rung rung, @Nullable Dose dose, @Nullable Double range, Reason why) {
            this(rung, dose, range, why, null);
        }

        /** The same reason, on another rung that has to be dosed and ranged anew. */
        Chosen on(Rung other, Reason because) {
            return new Chosen(other, null, null, because);
        }
    }

    /** On the main line, from 1; 0 for none. */
    private int place(Chosen chosen) {
        return chosen.rung() == null ? 0 : q.catalogue().placeOnLine(chosen.rung());
    }

    private Chosen cappedTo(int most, Chosen chosen) {
        if (chosen.rung() == null || place(chosen) <= most) {
            return chosen;
        }
        List<Rung> line = strand.mainLine();
        Rung capped = line.get(Math.min(most, line.size()) - 1);
        return chosen.on(capped, Reason.of("why.strongerSideWaits", name(chosen.rung())));
    }

    private static Reason name(Rung rung) {
        return Reason.of("rung.name", rung.name(), rung.code());
    }

    private Chosen chosen(Side side) {
        Optional<Choice> byHand = q.wishes().choices().stream()
                .filter(choice -> choice.about(strand.code(), side) && choice.rung() != null)
                .filter(choice ->
                        q.catalogue().find(String.valueOf(choice.rung())).isPresent())
                .findFirst();
        if (byHand.isPresent()) {
            return new Chosen(
                    q.catalogue().rung(String.valueOf(byHand.get().rung())),
                    null,
                    byHand.get().range(),
                    Reason.of("why.byHand"));
        }
        Optional<Place> place = q.training().places().stream()
                .filter(each -> each.strand() == strand.code())
                .filter(each -> each.side() == null || each.side() == side)
                .filter(each -> q.catalogue()
                        .find(each.rung())
                        .filter(candidate -> !habit(candidate))
                        .isPresent())
                .findFirst();
        if (place.isPresent()) {
            Place p = place.get();
            Chosen there = new Chosen(q.catalogue().rung(p.rung()), p.dose(), p.range(), p.why(), p.eased());
            return settled ? upper(there) : there;
        }
        Start start = StartingRungs.of(strand.code(), side, q.her().findings());
        Rung rung = start.rung() == null ? null : notYetShown(q.catalogue().at(start.rung()), side);
        boolean tested = rung != null && known.isDone(rung.code(), side);
        Chosen begins = new Chosen(rung, null, tested ? 1.0 : null, start.why());
        return settled ? upper(begins) : begins;
    }

    /** What a battery has shown needs no training: the way back to impact begins with what comes next. */
    private Rung notYetShown(Rung first, Side side) {
        return strand.code() != Strand.IMPACT
                ? first
                : strand.mainLine().stream()
                        .filter(rung -> !known.isDone(rung.code(), side))
                        .findFirst()
                        .orElse(first);
    }

    /** A settled foundation goes on with its upper rungs only. */
    private Chosen upper(Chosen chosen) {
        boolean there = chosen.rung() != null && Foundations.upper(chosen.rung());
        if (there) {
            return new Chosen(chosen.rung(), chosen.dose(), chosen.range(), Reason.of("why.carryOver"), chosen.eased());
        }
        return Foundations.firstUpper(q.catalogue(), strand.code())
                .map(first -> new Chosen(first, null, null, Reason.of("why.carryOver")))
                .orElse(new Chosen(null, null, null, Reason.of("leftOut.settled")));
    }

    private void add(Chosen chosen, @Nullable Side side, int extraSets) {
        if (chosen.rung() == null) {
            Rung first = strand.rungs().get(0);
            notOpen.add(new Plan.NotOpen(strand.code(), side, first, List.of(new Waiting.NoneChosen(chosen.why()))));
            return;
        }
        Rung rung = chosen.rung();
        List<Waiting> waiting = RungGates.waiting(rung, side, known);
        List<Waiting> first = waiting;
        while (!waiting.isEmpty() && q.catalogue().previous(rung).isPresent()) {
            rung = q.catalogue().previous(rung).get();
            waiting = RungGates.waiting(rung, side, known);
        }
        if (!waiting.isEmpty()) {
            Optional<Rung> early = strand.rungs().stream()
                    .filter(Rung::fromDayOne)
                    .filter(each -> RungGates.open(each, side, known))
                    .findFirst();
            rung = early.orElse(rung);
            waiting = early.isPresent() ? List.of() : waiting;
        }
        boolean steppedDown = !rung.equals(chosen.rung());
        if (!waiting.isEmpty() || (steppedDown && belowUpper(rung))) {
            boolean held = waiting.isEmpty();
            notOpen.add(new Plan.NotOpen(strand.code(), side, held ? chosen.rung() : rung, held ? first : waiting));
            return;
        }
        Chosen as = steppedDown
                ? chosen.on(
                        rung,
                        Reason.of(
                                "why.gateBelow",
                                name(chosen.rung()),
                                first.get(0).reason()))
                : chosen;
        if (rung.closedBy(known.closed()).isPresent()) {
            standIn(as, rung, side, extraSets);
            return;
        }
        items.add(item(as, rung, null, null, side, extraSets));
    }

    /** A settled foundation is not taken back to what it has learnt, nor daily life to rolling over. */
    private boolean belowUpper(Rung rung) {
        return habit(rung) || (settled && !Foundations.upper(rung));
    }

    /** Getting up by rolling over is said with every plan and is no exercise. */
    private static boolean habit(Rung rung) {
        return rung.strand() == Strand.UPRIGHT && rung.fromDayOne();
    }

    private void standIn(Chosen as, Rung closed, @Nullable Side side, int extraSets) {
        List<StandIn> standIns =
                StandIns.of(q.catalogue(), closed, known.closed(), q.her().body());
        Optional<StandIn> standIn = StandIns.firstOpen(standIns, each -> RungGates.open(each, side, known));
        boolean inAnotherForm = standIn.isPresent() && standIn.get().kind() != StandIns.Kind.OTHER_RUNG;
        Optional<Rung> onABed = inAnotherForm ? Optional.empty() : lowerOnABed(closed, side);
        if (onABed.isPresent()) {
            Reason why = Reason.of("why.gateBelow", name(closed), closedAs(closed));
            items.add(item(as.on(onABed.get(), why), onABed.get(), null, null, side, extraSets));
            return;
        }
        if (standIn.isEmpty()) {
            notOpen.add(new Plan.NotOpen(
                    strand.code(),
                    side,
                    closed,
                    RungGates.closedPosition(closed, known).stream().toList()));
            return;
        }
        Rung rung = standIn.get().rung();
        boolean same = standIn.get().kind() != StandIns.Kind.OTHER_RUNG;
        items.add(item(
                same ? as : as.on(rung, as.why()), rung, closed, standIn.get().kind(), side, extraSets));
    }

    /** The next rung below that she can do on a firm bed; what takes her strand on beats what only stands in. */
    private Optional<Rung> lowerOnABed(Rung closed, @Nullable Side side) {
        Optional<Rung> below = q.catalogue().previous(closed);
        while (below.isPresent()) {
            Rung onABed = below.get().onABed();
            if (!onABed.equals(below.get())
                    && onABed.closedBy(known.closed()).isEmpty()
                    && RungGates.open(below.get(), side, known)) {
                return Optional.of(onABed);
            }
            below = q.catalogue().previous(below.get());
        }
        return Optional.empty();
    }

    private Reason closedAs(Rung closed) {
        return RungGates.closedPosition(closed, known).map(Waiting::reason).orElse(Reason.of("waiting.nothingToday"));
    }

    private PlanItem item(
            Chosen chosen,
            Rung rung,
            @Nullable Rung standInFor,
            StandIns.@Nullable Kind kind,
            @Nullable Side side,
            int extraSets) {
        Side on = rung.perSide() ? Objects.requireNonNullElse(side, Side.LEFT) : null;
        Optional<Choice> byHand = q.wishes().choices().stream()
                .filter(choice -> choice.about(strand.code(), side))
                .findFirst();
        StartingDose start =
                StartingDose.of(rung, q.wishes().stances().dose(), q.her().findings(), on);
        Dose base = byHand.map(Choice::dose).orElseGet(() -> chosen.dose() == null ? start.dose() : chosen.dose());
        boolean loadedThrice = rung.loaded() && base.perDay() > 1;
        Dose once = loadedThrice
                ? new Dose(base.sets(), base.reps(), base.holdS(), base.breaths(), 1, base.daysPerWeek())
                : base;
        Dose inDays = once.withDays(Math.min(once.daysPerWeek(), q.wishes().daysAtMost()));
        int mostSets = Math.max(inDays.sets(), rung.window().sets().max());
        Dose dose = inDays.withSets(Math.min(mostSets, inDays.sets() + extraSets));
        ItemRange.Begins begins = new ItemRange(q, known, shown, strand.code())
                .of(rung, on, standInFor, byHand.map(Choice::range).orElseGet(chosen::range));
        double range = begins.share();
        RangePoint point =
                rung.family() == null ? null : rung.movement().point(q.her().body(), range);
        boolean startedHere = byHand.map(Choice::dose).isEmpty() && chosen.dose() == null;
        PlanItem item = new PlanItem(
                strand.code(),
                Role.of(strand.code(), settled),
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
                begins.why() == null ? chosen.why() : Reason.of("why.both", chosen.why(), begins.why()),
                whyNotNext(rung, on),
                startedHere ? start.opened() : null,
                support(rung),
                null);
        boolean setByHand = byHand.filter(
                        choice -> choice.rung() != null || choice.dose() != null || choice.range() != null)
                .isPresent();
        PlanItem from = chosen.eased() == null || setByHand
                ? item
                : item.easedTo(chosen.eased(), q.her().body());
        return Adaptations.of(q.screening()).on(from, q.her().body());
    }

    /** Ribs that stand up, lying, rest better with head and shoulders raised. */
    private @Nullable Helper support(Rung rung) {
        boolean lies = PlanItem.Ground.of(rung.position()) == PlanItem.Ground.BACK;
        return lies && Boolean.TRUE.equals(q.her().findings().shown().ribFlare()) ? Helper.HEAD_SHOULDERS : null;
    }

    private Reason whyNotNext(Rung rung, @Nullable Side side) {
        Optional<Rung> next = q.catalogue().next(rung);
        if (next.isEmpty()) {
            return Reason.of("whyNot.top");
        }
        return RungGates.waiting(next.get(), side, known).stream()
                .filter(waiting -> waiting.rungAskedFor().filter(rung::equals).isEmpty())
                .findFirst()
                .map(waiting -> Reason.of("whyNot.waiting", name(next.get()), waiting.reason()))
                .orElseGet(() -> Reason.of("whyNot.doseFirst", name(next.get())));
    }
}
