package fernstep.core.plan;

import fernstep.core.body.Capacity;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Prop;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Reason;
import fernstep.core.plan.LeftOut.Because.Decided;
import fernstep.core.plan.LeftOut.NoRoom;
import fernstep.core.plan.LeftOut.NoRoom.Limit;
import fernstep.core.plan.Packing.Room;
import fernstep.core.plan.Plan.NotOpen;
import fernstep.core.plan.Plan.Question;
import fernstep.core.screening.Answer;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Puts a plan together. */
final class PlanMaker {
    /** Above this share of what she has shown, work is heavy. */
    private static final double HEAVY_SHARE = 0.60;

    private static final int FOUNDATIONS_BESIDE_WORK = 2;
    private static final int FOUNDATIONS_AS_WORK = 3;

    private final Question q;
    private final RungGates.Known known;
    private final Set<Strand> settled;
    private final Needs needs;
    private final boolean loadOpen;
    private final Set<String> tested;
    private final Shown shown;
    private final List<Exercise> exercises = new ArrayList<>();
    private final List<NotOpen> notOpen = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();
    private final List<Rung> habits = new ArrayList<>();

    PlanMaker(Question question) {
        this.q = question;
        this.settled = new Foundations(question).settled();
        RungGates.Known plain = question.knownWithoutSettled();
        this.known = plain.withDone(Foundations.taughtBy(settled, plain));
        this.needs = new Needs(question);
        this.tested = Plan.done(question.catalogue(), question.her().findings(), List.of()).stream()
                .map(RungGates.Done::rung)
                .collect(Collectors.toSet());
        this.shown = new Shown(question);
        this.loadOpen = question.screening().open(GateCode.FIRST_LOADED);
    }

    Plan make() {
        for (CatalogueStrand strand : q.catalogue().strands()) {
            strand(strand);
        }
        Room room = room();
        keepFirstFoundations(room);
        ribsOverPelvis();
        exercises.replaceAll(exercise -> exercise.mustBeIn()
                        && exercise.role() == Role.CARRY_OVER
                        && !by(exercise.strand(), Choice::locked)
                        && !fitsBesideMusts(exercise, room)
                ? exercise.whereItFits()
                : exercise);
        SettleIn.of(q, known, settled, exercises)
                .filter(exercise -> fitsBesideMusts(exercise, room))
                .ifPresent(exercises::add);
        Adaptations today = Adaptations.of(q.screening());
        exercises.replaceAll(exercise -> exercise.with(exercise.items().stream()
                .map(item -> today.on(item, q.her().body()))
                .toList()));
        exercises.replaceAll(exercise -> exercise.with(
                exercise.items().stream().map(PlanMaker::saysWhere).toList()));
        Set<Strand> training = exercises.stream()
                .map(Exercise::strand)
                .filter(each -> q.training().inTraining(each) || shownByCheck(each))
                .collect(Collectors.toSet());
        int daysPerWeek = exercises.stream()
                .flatMap(exercise -> exercise.items().stream())
                .mapToInt(item -> item.dose().daysPerWeek())
                .max()
                .orElse(q.wishes().daysAtMost());
        ByHand byHand = new ByHand(chosen(Choice::locked), chosen(choice -> choice.dose() != null));
        boolean rounds = !today.told().contains(Answer.TIRED);
        WeekRules rules = new WeekRules(
                !q.wishes().daily(),
                rounds,
                needs.towardGoal(),
                q.training().loads().bestWeeks(q.training().today()));
        Week week = new Week(exercises, room, training, byHand, rules);
        List<List<Exercise>> sessions = week.sessions(daysPerWeek);
        tellLeftOut(sessions, room);
        notOpen.sort(Comparator.comparing(NotOpen::strand));
        PlanDays days = new PlanDays(sessions, daysPerWeek, known.closed());
        return new Plan(
                days.items(),
                days.days(),
                List.copyOf(leftOut),
                List.copyOf(notOpen),
                List.copyOf(habits),
                q.wishes().secondsPerDay());
    }

    /** What is done on a bed says so beside its reason. */
    private static PlanItem saysWhere(PlanItem item) {
        return item.rung().props().contains(Prop.BED)
                ? item.because(Reason.of("why.both", item.why(), Reason.of("why.onABed")))
                : item;
    }

    private Room room() {
        return new Room(
                Adaptations.of(q.screening()).exercisesAtMost(q.wishes().size()),
                q.wishes().sizeWanted(),
                q.wishes().secondsPerDay(),
                q.wishes().changesAtMost());
    }

    private void strand(CatalogueStrand strand) {
        Strand code = strand.code();
        boolean isSettled = settled.contains(code);
        strand.rungs().stream()
                .filter(rung -> code == Strand.UPRIGHT && rung.fromDayOne())
                .filter(rung -> RungGates.open(rung, null, known))
                .forEach(habits::add);
        StrandItems made = new StrandItems(q, strand, known, shown, isSettled);
        made.notOpen().stream().filter(open -> !isSettled).forEach(notOpen::add);
        List<PlanItem> items = made.items().stream()
                .filter(item -> exercises.stream().noneMatch(exercise -> sameRung(exercise, item)))
                .toList();
        if (items.isEmpty()) {
            if (!made.items().isEmpty()) {
                leftOut.add(new LeftOut(code, made.items(), Decided.ALREADY_IN));
            }
            return;
        }
        if (by(code, Choice::leftOut)) {
            leftOut.add(new LeftOut(code, items, Decided.BY_HAND));
            return;
        }
        boolean locked = by(code, Choice::locked);
        Role role = items.get(0).role();
        if (!loadOpen && role != Role.FOUNDATION && !locked) {
            leftOut.add(new LeftOut(code, items, Decided.FOUNDATIONS_FIRST));
            return;
        }
        if (code == Strand.IMPACT && !needs.calls(code) && !locked) {
            // nobody runs for want of something else to do
            leftOut.add(new LeftOut(code, items, Decided.NOTHING_CALLS));
            return;
        }
        boolean foundation = role == Role.FOUNDATION;
        exercises.add(new Exercise(
                withNeed(items, code, foundation),
                locked || foundation,
                needs.of(code),
                foundation || locked || needs.calls(code) || shownByCheck(code),
                items.stream().anyMatch(this::heavy)));
    }

    /** What a check showed clean is in training for four weeks; from then on her log says what is. */
    private boolean shownByCheck(Strand strand) {
        return q.training().checkedOfLate()
                && q.catalogue().strand(strand).stream()
                        .flatMap(catalogueStrand -> catalogueStrand.rungs().stream())
                        .filter(Rung::loaded)
                        .anyMatch(rung -> tested.contains(rung.code()));
    }

    private static boolean sameRung(Exercise exercise, PlanItem item) {
        return exercise.items().stream()
                .anyMatch(planItem ->
                        planItem.rung().code().equals(item.rung().code()) && planItem.side() == item.side());
    }

    private boolean by(Strand code, Predicate<Choice> what) {
        return q.wishes().choices().stream().anyMatch(choice -> choice.strand() == code && what.test(choice));
    }

    /** Why the strand is in, before why this rung. */
    private List<PlanItem> withNeed(List<PlanItem> items, Strand code, boolean foundation) {
        Reason need = foundation
                ? needs.must(code).map(FindingLine::why).orElse(Reason.of("need.foundation"))
                : needs.why(code);
        return items.stream()
                .map(item -> item.because(Reason.of("why.both", need, item.why())))
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
                .map(capacity -> item.loadIndex() > HEAVY_SHARE * capacity.loadIndex())
                .orElse(false);
    }

    /** Ribs ahead: standing over the pelvis a few times a day, without minutes and without size. */
    private void ribsOverPelvis() {
        Rung reset = q.catalogue().at(Waymark.RIBS_OVER_PELVIS);
        boolean wanted = q.her().findings().ribs() == Observed.RibsOverPelvis.RIBS_AHEAD;
        if (wanted && RungGates.open(reset, null, known) && !by(reset.strand(), Choice::leftOut)) {
            habits.add(reset);
            exercises.removeIf(exercise ->
                    exercise.items().stream().allMatch(item -> item.rung().equals(reset)));
        }
    }

    /**
     * Two unsettled foundations at a time, three where they are the work, and every one that a finding asks for; the others
     * wait their turn.
     */
    private void keepFirstFoundations(Room room) {
        boolean tiltFirst = q.her().findings().tiltedForward();
        List<Exercise> all = exercises.stream()
                .filter(exercise -> exercise.role() == Role.FOUNDATION)
                .sorted(Comparator.comparing(exercise -> tiltFirst && exercise.strand() == Strand.PELVIC_CONTROL
                        ? -1
                        : Foundations.ORDER.indexOf(exercise.strand())))
                .toList();
        int most = Math.min(room.size(), loadOpen ? FOUNDATIONS_BESIDE_WORK : FOUNDATIONS_AS_WORK);
        List<Exercise> kept = new ArrayList<>();
        for (Exercise e : all) {
            if (by(e.strand(), Choice::locked)
                    || kept.size() < most
                    || needs.must(e.strand()).isPresent()) {
                kept.add(e);
            } else {
                exercises.remove(e);
                leftOut.add(new LeftOut(e.strand(), e.items(), Decided.FOUNDATIONS_IN_TURN));
            }
        }
        exercises.removeAll(kept);
        exercises.addAll(0, kept);
        shorten(kept, room);
    }

    /** A first foundation longer than all her minutes is done in one set, whatever was set by hand. */
    private void shorten(List<Exercise> kept, Room room) {
        if (!kept.isEmpty() && !Packing.fits(List.of(least(kept.get(0))), room)) {
            Exercise e = kept.get(0);
            exercises.set(
                    exercises.indexOf(e),
                    e.with(e.items().stream()
                            .map(item -> item.dosed(
                                    item.baseDose().withSets(1), item.dose().withSets(1)))
                            .toList()));
        }
    }

    /** In the fewest sets it may have: a dose by hand stays as it is. */
    private Exercise least(Exercise exercise) {
        return fixed(exercise.strand()) ? exercise : exercise.atLeast();
    }

    private Set<Strand> chosen(Predicate<Choice> what) {
        return q.wishes().choices().stream().filter(what).map(Choice::strand).collect(Collectors.toSet());
    }

    private boolean fixed(Strand strand) {
        return by(strand, choice -> choice.locked() || choice.dose() != null);
    }

    /** There is no room for it even in the fewest sets, and how long those take. */
    private LeftOut.Because tooLong(Exercise exercise) {
        return new NoRoom(Limit.MINUTES, (least(exercise).secondsPerDay() + 59) / 60);
    }

    private boolean fitsWith(List<Exercise> kept, Exercise other, Room room) {
        return Packing.fits(
                Stream.concat(kept.stream(), Stream.of(other)).map(this::least).toList(), room.now());
    }

    /** Neither settling in nor standing over the pelvis pushes out what she has to learn first. */
    private boolean fitsBesideMusts(Exercise other, Room room) {
        List<Exercise> all = exercises.stream()
                .filter(Exercise::mustBeIn)
                .filter(exercise -> !exercise.equals(other))
                .toList();
        return fitsWith(all, other, room);
    }

    private void tellLeftOut(List<List<Exercise>> sessions, Room room) {
        for (Exercise e : exercises) {
            if (sessions.stream().flatMap(List::stream).noneMatch(e::sameAs)) {
                leftOut.add(new LeftOut(e.strand(), e.items(), whyLeftOut(e, sessions.get(0), room.now())));
            }
        }
        leftOut.sort(Comparator.comparing(LeftOut::strand));
    }

    private LeftOut.Because whyLeftOut(Exercise exercise, List<Exercise> session, Room room) {
        if (exercise.mustBeIn()) {
            return tooLong(exercise);
        }
        if (!exercise.called()) {
            return Decided.NOTHING_CALLS;
        }
        List<Exercise> with = new ArrayList<>(session);
        with.add(least(exercise));
        if (Packing.changes(with) > room.changes()) {
            return new NoRoom(Limit.CHANGES, room.changes());
        }
        boolean full = session.stream().filter(Exercise::counts).count() >= room.size();
        if (!full && Packing.seconds(with) > room.secondsPerDay()) {
            return tooLong(exercise);
        }
        if (full && room.size() < room().size()) {
            return new NoRoom(Limit.SIZE_OF_MINUTES, room.size());
        }
        if (full && room.size() < q.wishes().size()) {
            return new LeftOut.Tired(room.size());
        }
        // it would fit, and what comes before it waits for the minutes that are left
        return full ? new NoRoom(Limit.SIZE, room.size()) : tooLong(exercise);
    }
}
