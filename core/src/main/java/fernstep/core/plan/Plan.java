package fernstep.core.plan;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Tolerance;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
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
            int most =
                    items.stream().mapToInt(item -> item.dose().perDay()).max().orElse(1);
            int all = 0;
            for (int session = 1; session <= most; session++) {
                int nth = session;
                all += secondsOnce(items.stream()
                        .filter(item -> item.dose().perDay() >= nth)
                        .toList());
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
                    .mapToDouble(item -> item.loadIndex() * item.loadSeconds())
                    .sum();
        }

        public boolean holds(PlanItem item) {
            return items.stream()
                    .anyMatch(planItem -> planItem.strand() == item.strand() && planItem.side() == item.side());
        }
    }

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
                    .map(place -> catalogue
                            .find(place.rung())
                            .map(rung -> place.fitted(rung, others.dose()))
                            .orElse(place))
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
                    wishes.stances(),
                    done(catalogue, her.findings(), training.places()),
                    training.history().withFloorSymptoms(training.floorSymptoms()));
        }
    }

    public static Plan of(Question question) {
        return new PlanMaker(question).make();
    }

    /** In another order of the practitioner's own: by strand, those named first. */
    public Plan inOrder(List<Strand> order) {
        Comparator<PlanItem> named = Comparator.comparing(
                item -> order.contains(item.strand()) ? order.indexOf(item.strand()) : order.size());
        return new Plan(
                items.stream().sorted(named).toList(),
                days.stream()
                        .map(day -> new Day(
                                day.name(),
                                day.perWeek(),
                                day.items().stream().sorted(named).toList()))
                        .toList(),
                leftOut,
                notOpen,
                habits,
                secondsAvailable);
    }

    /** The same exercises, with what another plan leaves out and does not open said beside them. */
    public Plan beside(Plan other) {
        return new Plan(
                items,
                days,
                other.leftOut().stream()
                        .filter(left -> items.stream().noneMatch(item -> item.strand() == left.strand()))
                        .toList(),
                other.notOpen(),
                other.habits(),
                secondsAvailable);
    }

    /** What is kept of it; nothing is put in for what goes. */
    public Plan keeping(Predicate<PlanItem> kept) {
        return new Plan(
                items.stream().filter(kept).toList(),
                days.stream()
                        .map(day -> new Day(
                                day.name(),
                                day.perWeek(),
                                day.items().stream().filter(kept).toList()))
                        .toList(),
                leftOut,
                notOpen,
                habits,
                secondsAvailable);
    }

    /** Each of its exercises changed. */
    public Plan each(UnaryOperator<PlanItem> change) {
        return new Plan(
                items.stream().map(change).toList(),
                days.stream()
                        .map(day -> new Day(
                                day.name(),
                                day.perWeek(),
                                day.items().stream().map(change).toList()))
                        .toList(),
                leftOut,
                notOpen,
                habits,
                secondsAvailable);
    }

    /** The first of each day: both sides of one strand are one exercise. */
    Plan firstOfEachDay(int exercises) {
        List<Day> shorter = days.stream()
                .map(day -> {
                    List<Strand> kept = day.items().stream()
                            .filter(item -> item.role() != Role.SETTLE_IN)
                            .map(PlanItem::strand)
                            .distinct()
                            .limit(exercises)
                            .toList();
                    return new Day(
                            day.name(),
                            day.perWeek(),
                            day.items().stream()
                                    .filter(item -> item.role() == Role.SETTLE_IN || kept.contains(item.strand()))
                                    .toList());
                })
                .toList();
        return new Plan(
                shorter.stream().flatMap(day -> day.items().stream()).distinct().toList(),
                shorter,
                leftOut,
                notOpen,
                habits,
                secondsAvailable);
    }

    /** Where she stands, and for strands not yet begun where this plan would begin; a stand-in has no place of its own. */
    public List<Place> places(List<Place> now) {
        List<Place> places = new ArrayList<>(now);
        Stream.concat(items.stream(), leftOut.stream().flatMap(out -> out.items().stream()))
                .filter(item -> item.role() != Role.SETTLE_IN && item.rung().strand() == item.strand())
                .filter(item -> item.role() != Role.CARRY_OVER || !item.rung().fromDayOne())
                .filter(item -> places.stream()
                        .noneMatch(place -> place.strand() == item.strand() && place.side() == item.side()))
                .map(item -> new Place(
                        item.strand(),
                        item.side(),
                        item.rung().code(),
                        item.baseDose(),
                        item.range(),
                        Reason.of("why.progress")))
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
                .filter(item -> item.role() != Role.SETTLE_IN && !item.rung().apart())
                .map(PlanItem::strand)
                .distinct()
                .count();
    }

    /** Rungs that count as done: below where she stands, and those that a check showed clean. */
    public static Set<RungGates.Done> done(Catalogue catalogue, Findings findings, List<Place> places) {
        Set<RungGates.Done> done = new HashSet<>();
        findings.floatScore()
                .forEach((side, score) -> Stream.iterate(1, number -> number + 1)
                        .limit(score)
                        .forEach(number -> done.add(done(catalogue, Waymark.floatOf(number), side))));
        boolean engaged = findings.weakerGrade().isPresent() && !findings.engagementWeak();
        if (engaged && findings.tolerance().map(Tolerance::isKept).orElse(false)) {
            done.add(done(catalogue, Waymark.BREATHS_KEPT, null));
        }
        if (findings.holdsCurve() && engaged) {
            done.add(done(catalogue, Waymark.TILT_FIRST, null));
        }
        if (findings.neutralOnHandsAndKnees()) {
            done.add(done(catalogue, Waymark.NEUTRAL_FIRST, null));
            findings.armReachKept().forEach(side -> {
                done.add(done(catalogue, Waymark.HAND_GLIDE, null));
                done.add(done(catalogue, Waymark.ARM_REACH, side));
            });
            findings.legReachKept().forEach(side -> done.add(done(catalogue, Waymark.LEG_REACH, side)));
        }
        if (findings.hoverClean()) {
            done.add(done(catalogue, Waymark.HOVER_FIRST, null));
        }
        impact(catalogue, findings).forEach(done::add);
        for (Place place : places) {
            Optional<Rung> below = catalogue.find(place.rung()).flatMap(catalogue::previous);
            while (below.isPresent()) {
                done.add(new RungGates.Done(below.get().code(), below.get().perSide() ? place.side() : null));
                below = catalogue.previous(below.get());
            }
        }
        return done;
    }

    /** What the battery shows, up to the first rung that it does not. */
    private static Set<RungGates.Done> impact(Catalogue catalogue, Findings findings) {
        Set<RungGates.Done> done = new HashSet<>();
        List<Rung> line =
                catalogue.strand(Strand.IMPACT).map(CatalogueStrand::mainLine).orElse(List.of());
        for (Side side : Side.values()) {
            for (int rung = 1; rung < line.size() && findings.impact().shows(rung, side); rung++) {
                Rung shown = line.get(rung - 1);
                boolean both = shown.perSide() || findings.impact().shows(rung, side.other());
                if (both) {
                    done.add(new RungGates.Done(shown.code(), shown.perSide() ? side : null));
                }
            }
        }
        return done;
    }

    private static RungGates.Done done(Catalogue catalogue, Waymark waymark, @Nullable Side side) {
        return new RungGates.Done(catalogue.at(waymark).code(), side);
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
}
