package fernstep.core.plan;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Tolerance;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Packing.Room;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What to do next, for how long, and why. {@link #of} is the one entry.
 *
 * @param items of all days, in the order in which they are done
 * @param days one, or A and B in turn
 * @param leftOut what is open and not in, with the reason
 * @param habits said on the sheet, without minutes
 * @param secondsAvailable in a day
 */
public record Plan(
        List<PlanItem> items,
        List<Day> days,
        List<LeftOut> leftOut,
        List<NotOpen> notOpen,
        List<Rung> habits,
        int secondsAvailable) {
    private static final double STEP_ABOVE = 1.10;
    /** Above this share of what she has shown, work is heavy. */
    private static final double HEAVY_SHARE = 0.60;

    private static final int FOUNDATIONS_BESIDE_WORK = 2;
    private static final int FOUNDATIONS_AS_WORK = 3;
    private static final int SETTLE_IN_S = 60;

    /**
     * One session of the week.
     *
     * @param name "A" or "B"
     * @param perWeek on how many days of a week, on average rounded up for A
     */
    public record Day(String name, int perWeek, List<PlanItem> items) {
        public Day {
            items = List.copyOf(items);
        }

        /** Everything in it once. */
        public int seconds() {
            return secondsOnce(items);
        }

        /** With what is repeated through the day. */
        public int secondsPerDay() {
            int most = items.stream().mapToInt(i -> i.dose().perDay()).max().orElse(1);
            int all = 0;
            for (int session = 1; session <= most; session++) {
                int nth = session;
                all += secondsOnce(
                        items.stream().filter(i -> i.dose().perDay() >= nth).toList());
            }
            return all;
        }

        private static int secondsOnce(List<PlanItem> items) {
            return items.stream().mapToInt(PlanItem::seconds).sum()
                    + SessionTime.changesSeconds(
                            items.stream().map(PlanItem::ground).toList());
        }

        public int loadSeconds() {
            return items.stream().mapToInt(PlanItem::loadSeconds).sum();
        }

        /** Σ load index × seconds under load, where a load is followed. */
        public double exposure() {
            return items.stream()
                    .mapToDouble(i -> i.loadIndex() * i.loadSeconds())
                    .sum();
        }

        public boolean holds(PlanItem item) {
            return items.stream().anyMatch(i -> i.strand() == item.strand() && i.side() == item.side());
        }
    }

    /** A strand that is open but not in, and why. */
    public record LeftOut(Strand strand, List<PlanItem> items, Reason why) {}

    /** A strand that is not in the plan and what it waits for. */
    public record NotOpen(Strand strand, @Nullable Side side, Rung rung, List<Waiting> waiting) {}

    /**
     * Who it is for, today.
     *
     * @param pregnant from her facts
     */
    public record Her(Screening screening, boolean pregnant, Findings findings, Body body) {}

    /** The question put to the rules. */
    public record Question(Catalogue catalogue, Her her, Training training, Wishes wishes) {
        /**
         * The same with other stances: what another approach would prescribe, in its own doses.
         *
         * @param screened the screening asked anew with those stances
         */
        public Question by(Stances others, Screening screened) {
            List<Place> fitted = training.places().stream()
                    .map(p -> catalogue
                            .find(p.rung())
                            .map(r -> p.fitted(r, others.dose()))
                            .orElse(p))
                    .toList();
            return new Question(
                    catalogue,
                    new Her(screened, her.pregnant(), her.findings(), her.body()),
                    training.with(fitted),
                    wishes.with(others));
        }

        public Question with(List<Choice> others) {
            return new Question(catalogue, her, training, wishes.with(others));
        }

        public Screening screening() {
            return her.screening();
        }

        /** What the gates are read against. */
        public RungGates.Known known() {
            RungGates.Known known = knownWithoutSettled();
            return known.withDone(Foundations.taughtBy(new Foundations(this).settled(), known));
        }

        RungGates.Known knownWithoutSettled() {
            return new RungGates.Known(
                    catalogue,
                    her.screening(),
                    her.pregnant(),
                    her.findings(),
                    wishes.stances().doming(),
                    done(catalogue, her.findings(), training.places()),
                    training.history());
        }
    }

    public static Plan of(Question q) {
        return new Maker(q).make();
    }

    /** In another order of the practitioner's own: by strand, those named first. */
    public Plan inOrder(List<Strand> order) {
        Comparator<PlanItem> named =
                Comparator.comparing(i -> order.contains(i.strand()) ? order.indexOf(i.strand()) : order.size());
        return new Plan(
                items.stream().sorted(named).toList(),
                days.stream()
                        .map(d -> new Day(
                                d.name(),
                                d.perWeek(),
                                d.items().stream().sorted(named).toList()))
                        .toList(),
                leftOut,
                notOpen,
                habits,
                secondsAvailable);
    }

    /** Where she stands, and for strands not yet begun where this plan would begin; a stand-in has no place of its own. */
    public List<Place> places(List<Place> now) {
        List<Place> places = new ArrayList<>(now);
        Stream.concat(items.stream(), leftOut.stream().flatMap(l -> l.items().stream()))
                .filter(i -> i.role() != Role.SETTLE_IN && i.rung().strand() == i.strand())
                .filter(i -> i.role() != Role.CARRY_OVER || !i.rung().fromDayOne())
                .filter(i -> places.stream().noneMatch(p -> p.strand() == i.strand() && p.side() == i.side()))
                .map(i -> new Place(
                        i.strand(), i.side(), i.rung().code(), i.baseDose(), i.range(), Reason.of("why.progress")))
                .forEach(places::add);
        return List.copyOf(places);
    }

    /** On how many days a week something of it is done; empty for a plan of nothing. */
    public OptionalInt daysPerWeek() {
        return items.isEmpty()
                ? OptionalInt.empty()
                : OptionalInt.of(days.stream().mapToInt(Day::perWeek).sum());
    }

    /** The longest session. */
    public int secondsTotal() {
        return days.stream().mapToInt(Day::seconds).max().orElse(0);
    }

    public int secondsPerDay() {
        return days.stream().mapToInt(Day::secondsPerDay).max().orElse(0);
    }

    /** Of the longest session under load. */
    public int loadSecondsTotal() {
        return days.stream().mapToInt(Day::loadSeconds).max().orElse(0);
    }

    public int minutesAvailable() {
        return secondsAvailable / 60;
    }

    public boolean fits() {
        return secondsPerDay() <= secondsAvailable;
    }

    /** How much of her minutes the plan takes, 0 to 100. */
    public int fillPct() {
        return Math.min(100, 100 * secondsPerDay() / secondsAvailable);
    }

    /** Exercises of a session, both sides counted once, settling in not at all. */
    public static int size(List<PlanItem> items) {
        return (int) items.stream()
                .filter(i -> i.role() != Role.SETTLE_IN)
                .map(PlanItem::strand)
                .distinct()
                .count();
    }

    /** Rungs that count as done: below where she stands, and those that a check showed clean. */
    public static Set<RungGates.Done> done(Catalogue catalogue, Findings findings, List<Place> places) {
        Set<RungGates.Done> done = new HashSet<>();
        findings.floatScore()
                .forEach((side, score) -> Stream.iterate(1, n -> n + 1)
                        .limit(score)
                        .forEach(n -> done.add(new RungGates.Done("F" + n, side))));
        boolean engaged = findings.weakerGrade().isPresent() && !findings.engagementWeak();
        if (engaged && findings.tolerance().map(Tolerance::isKept).orElse(false)) {
            done.add(new RungGates.Done("BR3", null));
        }
        boolean gapSteady = findings.lumbarGap() != null && findings.lumbarGap() != Findings.LumbarGap.FIST;
        if (gapSteady && engaged) {
            done.add(new RungGates.Done("PC1", null));
        }
        if (findings.neutralOnHandsAndKnees()) {
            done.add(new RungGates.Done("HK1", null));
            findings.armReachKept().forEach(s -> {
                done.add(new RungGates.Done("HK3", null));
                done.add(new RungGates.Done("HK4", s));
            });
            findings.legReachKept().forEach(s -> done.add(new RungGates.Done("HK5", s)));
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

    /** Where a rung begins, from what she has shown. */
    public static Dose firstDose(Rung rung, Stances.DoseStance stance, Findings findings, @Nullable Side side) {
        return StartingDose.of(rung, stance, findings, side).dose();
    }

    /** Puts a plan together. */
    private static final class Maker {
        private final Question q;
        private final RungGates.Known known;
        private final Set<Strand> settled;
        private final Needs needs;
        private final boolean loadOpen;
        private final List<Exercise> exercises = new ArrayList<>();
        private final List<NotOpen> notOpen = new ArrayList<>();
        private final List<LeftOut> leftOut = new ArrayList<>();
        private final List<Rung> habits = new ArrayList<>();

        Maker(Question q) {
            this.q = q;
            this.settled = new Foundations(q).settled();
            RungGates.Known plain = q.knownWithoutSettled();
            this.known = plain.withDone(Foundations.taughtBy(settled, plain));
            this.needs = new Needs(q);
            this.loadOpen = q.screening().open(GateCode.FIRST_LOADED);
        }

        Plan make() {
            for (CatalogueStrand strand : q.catalogue().strands()) {
                strand(strand);
            }
            Room room = room();
            keepFirstFoundations(room);
            if (exercises.stream().noneMatch(e -> e.strand() == Strand.PELVIC_CONTROL)) {
                ribsOverPelvis();
            }
            exercises.replaceAll(e -> e.mustBeIn()
                            && e.role() == Role.CARRY_OVER
                            && !by(e.strand(), Choice::locked)
                            && !fitsBesideMusts(e, room)
                    ? e.whereItFits()
                    : e);
            settleIn().filter(e -> fitsBesideMusts(e, room)).ifPresent(exercises::add);
            Set<Strand> training = exercises.stream()
                    .map(Exercise::strand)
                    .filter(s -> q.training().inTraining(s))
                    .collect(Collectors.toSet());
            int daysPerWeek = exercises.stream()
                    .flatMap(e -> e.items().stream())
                    .mapToInt(i -> i.dose().daysPerWeek())
                    .max()
                    .orElse(q.wishes().daysAtMost());
            Week week = new Week(exercises, room, training, !q.wishes().daily());
            List<List<Exercise>> sessions = week.sessions(daysPerWeek);
            tellLeftOut(sessions, room);
            notOpen.sort(Comparator.comparing(NotOpen::strand));
            return plan(sessions, daysPerWeek);
        }

        private Room room() {
            return new Room(
                    q.wishes().size(),
                    q.wishes().sizeWanted(),
                    q.wishes().secondsPerDay(),
                    q.wishes().changesAtMost());
        }

        private void strand(CatalogueStrand strand) {
            Strand code = strand.code();
            boolean isSettled = settled.contains(code);
            strand.rungs().stream()
                    .filter(r -> code == Strand.UPRIGHT && r.fromDayOne())
                    .filter(r -> RungGates.open(r, null, known))
                    .forEach(habits::add);
            StrandItems made = new StrandItems(q, strand, known, isSettled);
            made.notOpen().stream().filter(n -> !isSettled).forEach(notOpen::add);
            List<PlanItem> items = made.items().stream()
                    .filter(i -> exercises.stream().noneMatch(e -> sameRung(e, i)))
                    .toList();
            if (items.isEmpty()) {
                return;
            }
            if (by(code, Choice::leftOut)) {
                leftOut.add(new LeftOut(code, items, Reason.of("leftOut.byHand")));
                return;
            }
            boolean locked = by(code, Choice::locked);
            Role role = items.get(0).role();
            if (!loadOpen && role != Role.FOUNDATION && !locked) {
                leftOut.add(new LeftOut(code, items, Reason.of("leftOut.foundationsFirst")));
                return;
            }
            boolean foundation = role == Role.FOUNDATION;
            exercises.add(new Exercise(
                    withNeed(items, code, foundation),
                    locked || foundation,
                    needs.of(code),
                    foundation || locked || needs.calls(code),
                    items.stream().anyMatch(this::heavy)));
        }

        private static boolean sameRung(Exercise e, PlanItem item) {
            return e.items().stream()
                    .anyMatch(i -> i.rung().code().equals(item.rung().code()) && i.side() == item.side());
        }

        private boolean by(Strand code, java.util.function.Predicate<Choice> what) {
            return q.wishes().choices().stream().anyMatch(c -> c.strand() == code && what.test(c));
        }

        /** Why the strand is in, before why this rung. */
        private List<PlanItem> withNeed(List<PlanItem> items, Strand code, boolean foundation) {
            Reason need = foundation ? Reason.of("need.foundation") : needs.why(code);
            return items.stream()
                    .map(i -> i.because(Reason.of("why.both", need, i.why())))
                    .toList();
        }

        private boolean heavy(PlanItem item) {
            if (item.rung().family() == null || !item.rung().loaded()) {
                return false;
            }
            return Capacity.of(
                            q.training().heldClean(),
                            item.rung().family(),
                            item.side(),
                            q.training().today())
                    .map(c -> item.loadIndex() > HEAVY_SHARE * c.loadIndex())
                    .orElse(false);
        }

        /** Ribs ahead: standing over the pelvis a few times a day, whether pelvic control is settled or waits its turn. */
        private void ribsOverPelvis() {
            Rung reset = q.catalogue().rung("PC6");
            boolean wanted = q.her().findings().ribs() == Findings.RibsOverPelvis.RIBS_AHEAD;
            if (!wanted || !RungGates.open(reset, null, known) || by(reset.strand(), Choice::leftOut)) {
                return;
            }
            exercises.add(new Exercise(
                    List.of(plain(reset, Role.CARRY_OVER, first(reset), Reason.of("need.ribsAheadStanding"))),
                    true,
                    needs.of(reset.strand()),
                    true,
                    false));
        }

        private Dose first(Rung rung) {
            Dose dose = DoseRules.first(rung, q.wishes().stances().dose());
            return dose.withDays(Math.min(dose.daysPerWeek(), q.wishes().daysAtMost()));
        }

        private static PlanItem plain(Rung rung, Role role, Dose dose, Reason why) {
            return new PlanItem(
                    rung.strand(),
                    role,
                    rung,
                    null,
                    null,
                    null,
                    dose,
                    dose,
                    1,
                    null,
                    SessionTime.seconds(rung, dose),
                    SessionTime.loadSeconds(rung, dose),
                    why,
                    Reason.of("whyNot.settleIn"),
                    null,
                    null);
        }

        /** Two unsettled foundations at a time, three where they are the work; the others wait their turn. */
        private void keepFirstFoundations(Room room) {
            boolean tiltFirst = q.her().findings().tiltedForward();
            List<Exercise> all = exercises.stream()
                    .filter(e -> e.role() == Role.FOUNDATION)
                    .sorted(Comparator.comparing(e -> tiltFirst && e.strand() == Strand.PELVIC_CONTROL
                            ? -1
                            : Foundations.ORDER.indexOf(e.strand())))
                    .toList();
            int most = Math.min(room.size(), loadOpen ? FOUNDATIONS_BESIDE_WORK : FOUNDATIONS_AS_WORK);
            List<Exercise> kept = new ArrayList<>();
            for (Exercise e : all) {
                boolean locked = by(e.strand(), Choice::locked);
                List<Exercise> with = new ArrayList<>(kept);
                with.add(e);
                boolean turn = kept.size() < most;
                if (locked || (turn && (kept.isEmpty() || Packing.fits(with, room)))) {
                    kept.add(e);
                } else {
                    exercises.remove(e);
                    leftOut.add(new LeftOut(
                            e.strand(), e.items(), Reason.of(turn ? "leftOut.minutes" : "leftOut.foundationsInTurn")));
                }
            }
            shorten(kept, room);
        }

        /** A single foundation longer than all her minutes is done in one set. */
        private void shorten(List<Exercise> kept, Room room) {
            if (kept.size() == 1 && !Packing.fits(kept, room)) {
                Exercise e = kept.get(0);
                exercises.set(
                        exercises.indexOf(e),
                        e.with(e.items().stream()
                                .map(i -> i.dosed(
                                        i.baseDose().withSets(1), i.dose().withSets(1)))
                                .toList()));
            }
        }

        /** What is settled becomes one opening minute: her highest clean breath with the engagement kept. */
        private Optional<Exercise> settleIn() {
            if (settled.isEmpty()
                    || exercises.stream().anyMatch(e -> e.role() == Role.FOUNDATION && e.strand() == Strand.BREATH)) {
                return Optional.empty();
            }
            return Stream.of("BR4", "BR3")
                    .map(q.catalogue()::rung)
                    .filter(r -> known.isDone(r.code(), null) && RungGates.open(r, null, known))
                    .findFirst()
                    .or(() -> Optional.of(q.catalogue().rung("BR2")))
                    .flatMap(this::settledOn)
                    .map(item -> new Exercise(List.of(item), true, 1, true, false));
        }

        private Optional<PlanItem> settledOn(Rung rung) {
            Rung as = rung;
            if (rung.closedBy(known.closed()).isPresent()) {
                Optional<StandIns.StandIn> standIn =
                        StandIns.of(q.catalogue(), rung, known.closed(), q.her().body()).stream()
                                .filter(s -> s.kind() != StandIns.Kind.OTHER_RUNG)
                                .findFirst();
                if (standIn.isEmpty()) {
                    return Optional.empty();
                }
                as = standIn.get().rung();
            }
            Dose dose = StartingDose.of(as, q.wishes().stances().dose(), q.her().findings(), null)
                    .dose();
            Dose once = new Dose(
                    1, dose.reps(), dose.holdS(), dose.breaths(), 1, q.wishes().daysAtMost());
            while (SessionTime.seconds(as, once) > SETTLE_IN_S && once.breaths() != null && once.breaths() > 1) {
                once = once.withBreaths(once.breaths() - 1);
            }
            return Optional.of(plain(as, Role.SETTLE_IN, once, Reason.of("why.settleIn")));
        }

        /** Neither settling in nor standing over the pelvis pushes out what she has to learn first. */
        private boolean fitsBesideMusts(Exercise other, Room room) {
            List<Exercise> all =
                    exercises.stream().filter(Exercise::mustBeIn).collect(Collectors.toCollection(ArrayList::new));
            all.remove(other);
            all.add(other);
            return Packing.fits(all, room);
        }

        private void tellLeftOut(List<List<Exercise>> sessions, Room room) {
            for (Exercise e : exercises) {
                if (sessions.stream().noneMatch(s -> s.contains(e))) {
                    leftOut.add(new LeftOut(e.strand(), e.items(), whyLeftOut(e, sessions.get(0), room)));
                }
            }
            leftOut.sort(Comparator.comparing(LeftOut::strand));
        }

        private Reason whyLeftOut(Exercise e, List<Exercise> session, Room room) {
            List<Exercise> with = new ArrayList<>(session);
            with.add(e);
            if (Packing.seconds(with) > room.secondsPerDay()) {
                return Reason.of("leftOut.minutes");
            }
            if (Packing.changes(with) > room.changes()) {
                return Reason.of("leftOut.changes", room.changes());
            }
            boolean full = session.stream().filter(Exercise::counts).count() >= room.size();
            return full ? Reason.of("leftOut.size", room.size()) : Reason.of("leftOut.nothingCalls");
        }

        private Plan plan(List<List<Exercise>> sessions, int daysPerWeek) {
            Set<fernstep.core.client.Restriction> closed = known.closed();
            List<Day> days = new ArrayList<>();
            for (int i = 0; i < sessions.size(); i++) {
                int perWeek = (daysPerWeek + sessions.size() - 1 - i) / sessions.size();
                days.add(new Day(
                        i == 0 ? "A" : "B",
                        perWeek,
                        SessionOrder.of(sessions.get(i), closed).stream()
                                .map(item -> item.onDays(onDays(item, sessions, daysPerWeek)))
                                .toList()));
            }
            Set<Exercise> all = new java.util.LinkedHashSet<>();
            sessions.forEach(all::addAll);
            List<PlanItem> items = SessionOrder.of(List.copyOf(all), Set.of()).stream()
                    .map(i -> days.stream()
                            .flatMap(d -> d.items().stream())
                            .filter(x -> x.strand() == i.strand() && x.side() == i.side() && x.role() == i.role())
                            .findFirst()
                            .orElse(i))
                    .toList();
            return new Plan(
                    items,
                    List.copyOf(days),
                    List.copyOf(leftOut),
                    List.copyOf(notOpen),
                    List.copyOf(habits),
                    q.wishes().secondsPerDay());
        }

        /** On how many days of the week it comes. */
        private static int onDays(PlanItem item, List<List<Exercise>> sessions, int daysPerWeek) {
            int days = 0;
            for (int i = 0; i < sessions.size(); i++) {
                boolean in =
                        sessions.get(i).stream().anyMatch(e -> e.strand() == item.strand() && e.role() == item.role());
                days += in ? (daysPerWeek + sessions.size() - 1 - i) / sessions.size() : 0;
            }
            return days;
        }
    }
}
