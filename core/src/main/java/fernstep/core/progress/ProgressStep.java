package fernstep.core.progress;

import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Adaptations;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import fernstep.core.plan.Waiting.Held.By;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.Progress.Day;
import fernstep.core.progress.Progress.GrowFirst;
import fernstep.core.progress.Progress.Place;
import fernstep.core.progress.Progress.Question;
import fernstep.core.progress.SessionResult.Kind;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** The rules in the order in which they are asked: what is unsafe, what was lost, what went wrong, what was earned. */
final class ProgressStep {
    private static final int CREDITS_NEEDED = 2;
    private static final int IMPACT_HELD_DAYS = 7;
    private static final int HELPED_IN_A_ROW = 3;
    private static final int NOTCH_DOWN_AFTER_DAYS = 14;
    private static final int RUNG_DOWN_AFTER_DAYS = 28;
    private static final int RECHECK_GRACE_DAYS = 14;
    private static final int EASED_IN_A_ROW = 2;
    private static final int TOO_HARD_IN_A_ROW = 2;
    private static final int SYMPTOM_DAYS = 28;
    private static final int SYMPTOM_DAYS_REFER = 2;
    private static final int ALTERNATES_FOR_DAYS = 28;
    /** So many turns between clean and eased are no accident. */
    private static final int TURNS = 3;

    private final Question q;
    private final Place place;
    private final Day day;
    private final List<SessionResult> credited;
    private final StepsDown down;

    ProgressStep(Question question) {
        this.q = question;
        this.place = question.place();
        this.day = question.day();
        this.credited = credited();
        this.down = new StepsDown(question);
    }

    Progress answer() {
        return referOrHold()
                .or(this::closedNow)
                .or(this::gap)
                .or(this::tiredToday)
                .or(this::alternating)
                .or(this::lastWentWrong)
                .or(this::tooHard)
                .or(this::helpedInARow)
                .or(this::earned)
                .or(this::waitsForTheMorning)
                .or(this::notYetACredit)
                .orElseGet(() -> stay(Change.HOLD, Reason.of("progress.keepGoing", credits(), CREDITS_NEEDED)));
    }

    /** What was clean and light, and whose morning after nobody has asked about. */
    private Optional<Progress> waitsForTheMorning() {
        return q.log().stream()
                .filter(result -> result.waitsForTheMorning(day.today()))
                .reduce((earlier, later) -> later)
                .map(result -> stay(
                        Change.HOLD, Reason.of("progress.morningUnknown", credits(), CREDITS_NEEDED, result.date())));
    }

    /** Clean, and no credit for it: said, so that nobody wonders why nothing grows. */
    private Optional<Progress> notYetACredit() {
        return last().filter(result -> result.kind() == Kind.CLEAN)
                .filter(result -> !result.earnsCredit() || !didHerDose(result))
                .flatMap(result -> switch (result.hard()) {
                    case UNTOLD ->
                        Optional.of(stay(
                                Change.HOLD,
                                Reason.of("progress.effortUntold", credits(), CREDITS_NEEDED, result.date())));
                    case WORK, TOO_HARD ->
                        Optional.of(stay(
                                Change.HOLD,
                                Reason.of("progress.effortHigh", credits(), CREDITS_NEEDED, told(result))));
                    case EASY, WANTED ->
                        didHerDose(result)
                                ? Optional.empty()
                                : Optional.of(stay(
                                        Change.HOLD,
                                        Reason.of("progress.lessThanDose", credits(), CREDITS_NEEDED, result.date())));
                });
    }

    private static int told(SessionResult result) {
        Integer effort = result.effort();
        return effort == null ? 0 : effort;
    }

    /** Very tired today: neither more nor less by what was clean or eased; a step back and a stop count all the same. */
    private Optional<Progress> tiredToday() {
        boolean stands = last().map(SessionResult::kind)
                .filter(kind -> kind == Kind.STEPPED_BACK || kind == Kind.STOPPED)
                .isPresent();
        boolean tired = Adaptations.of(q.known().screening()).told().contains(Answer.TIRED);
        return tired && !stands ? Optional.of(stay(Change.HOLD, Reason.of("progress.tiredToday"))) : Optional.empty();
    }

    /** Clean, and twice in a row far too hard: less of it. */
    private Optional<Progress> tooHard() {
        return endsWith(TOO_HARD_IN_A_ROW, result -> result.hard() == SessionResult.Hard.TOO_HARD)
                ? Optional.of(down.notchDown(Reason.of("progress.tooHardTwice")))
                : Optional.empty();
    }

    /** Clean, eased, clean, eased, for weeks: what she does lies just above what she can; half a step less. */
    private Optional<Progress> alternating() {
        int turns = 0;
        LocalDate since = day.today();
        for (int n = q.log().size() - 1; n > 0; n--) {
            Kind later = q.log().get(n).kind();
            Kind earlier = q.log().get(n - 1).kind();
            boolean turn =
                    (later == Kind.CLEAN && earlier == Kind.EASED) || (later == Kind.EASED && earlier == Kind.CLEAN);
            if (!turn) {
                break;
            }
            turns++;
            since = q.log().get(n - 1).date();
        }
        boolean forWeeks = ChronoUnit.DAYS.between(since, day.today()) >= ALTERNATES_FOR_DAYS;
        if (turns < TURNS || !forWeeks) {
            return Optional.empty();
        }
        Reason reason = Reason.of("progress.alternates", ChronoUnit.WEEKS.between(since, day.today()));
        return Optional.of(down.halfNotchDown(reason));
    }

    private List<SessionResult> credited() {
        List<SessionResult> since = new ArrayList<>();
        for (SessionResult r : q.log()) {
            if (r.kind() != Kind.CLEAN && r.kind() != Kind.HELPED) {
                since.clear();
            } else if (r.earnsCredit() && didHerDose(r)) {
                since.add(r);
            }
        }
        return since;
    }

    /**
     * A session with fewer repetitions than her dose, for want of minutes say, shows nothing about more of them. What is
     * made easier for her is meant to be less, and earns the way back.
     */
    private boolean didHerDose(SessionResult result) {
        return place.eased() != null || result.fullSetsOf(place.dose());
    }

    /** Two sessions on one day earn one credit. */
    private int credits() {
        return (int) credited.stream().map(SessionResult::date).distinct().count();
    }

    /** A rung whose date, clearance or day does not stand today neither grows nor shrinks. */
    private Optional<Progress> closedNow() {
        List<Waiting> closed = RungGates.closedToday(place.rung(), place.side(), knownHere());
        return closed.isEmpty()
                ? Optional.empty()
                : Optional.of(stay(
                        Change.HOLD,
                        Reason.of("progress.closedNow", closed.get(0).reason()),
                        closed));
    }

    /** Who stands on a rung has done those that lead to it; what else binds them binds her all the same. */
    private RungGates.Known knownHere() {
        Set<RungGates.Done> done = new HashSet<>(q.known().done());
        q.catalogue().leading(place.rung()).forEach(rung -> done.add(new RungGates.Done(rung.code(), null)));
        return q.known().withDone(done);
    }

    /** Two symptomatic days of the last four weeks, counted from when somebody saw her about them. */
    private Optional<Progress> referOrHold() {
        List<SessionResult> counted = q.log().stream()
                .filter(result -> result.date().isAfter(day.today().minusDays(SYMPTOM_DAYS)))
                .filter(day.dayAfter()::counts)
                .filter(SessionResult::holdsEverything)
                .toList();
        long symptomDays = Math.max(counted.size(), day.dayAfter().days());
        if (symptomDays >= SYMPTOM_DAYS_REFER) {
            return Optional.of(stay(Change.REFER, Reason.of("progress.refer", symptomDays)));
        }
        boolean lastHolds =
                day.dayAfter().afterLast() || last().filter(counted::contains).isPresent();
        boolean hers = last().filter(result -> counted.contains(result)
                        || result.date().equals(day.dayAfter().lastOn()))
                .isPresent();
        if (lastHolds && impact() && hers) {
            return Optional.of(down.rungDownToItsStart(Reason.of("progress.impactSymptom")));
        }
        return lastHolds ? Optional.of(stay(Change.HOLD, Reason.of("progress.nextDay"))) : impactWeek();
    }

    /** Landing and running answer late: what leaked, pressed or hurt the day after is the answer. */
    private boolean impact() {
        return place.rung().strand() == Strand.IMPACT;
    }

    private Optional<Progress> impactWeek() {
        LocalDate lastOn = day.dayAfter().lastOn();
        if (!impact() || lastOn == null || !day.today().isBefore(lastOn.plusDays(IMPACT_HELD_DAYS))) {
            return Optional.empty();
        }
        return Optional.of(stay(Change.HOLD, Reason.of("progress.impactWeek", lastOn.plusDays(IMPACT_HELD_DAYS))));
    }

    private Optional<Progress> gap() {
        if (last().isEmpty()) {
            return Optional.empty();
        }
        long days = ChronoUnit.DAYS.between(last().get().date(), day.today());
        if (days >= Screening.RECHECK_DAYS) {
            return Optional.of(stay(Change.RECHECK_FIRST, Reason.of("progress.gapRecheck", days)));
        }
        if (days >= RUNG_DOWN_AFTER_DAYS) {
            return Optional.of(down.rungDownToItsStart(Reason.of("progress.gapRung", days)));
        }
        return days >= NOTCH_DOWN_AFTER_DAYS
                ? Optional.of(down.notchDown(Reason.of("progress.gapNotch", days)))
                : Optional.empty();
    }

    private Optional<Progress> lastWentWrong() {
        return last().flatMap(this::wentWrong);
    }

    private Optional<Progress> wentWrong(SessionResult last) {
        return switch (last.kind()) {
            case STOPPED -> Optional.of(down.stopped(last));
            case STEPPED_BACK -> Optional.of(down.steppedBack(last));
            case EASED ->
                easedTooOften()
                        ? Optional.of(down.notchDown(Reason.of("progress.easedTwice")))
                        : Optional.of(stay(Change.HOLD, Reason.of("progress.easedOnce")));
            case CLEAN, HELPED -> Optional.empty();
        };
    }

    /** With the helper that was to make it do, once is enough. */
    private boolean easedTooOften() {
        return place.helped() || endsWith(Kind.EASED, EASED_IN_A_ROW);
    }

    private Optional<Progress> helpedInARow() {
        return !place.helped() && endsWith(Kind.HELPED, HELPED_IN_A_ROW)
                ? Optional.of(stay(Change.HOLD, Reason.of("progress.tryWithoutHelp")))
                : Optional.empty();
    }

    private Optional<Progress> earned() {
        if (credits() < CREDITS_NEEDED) {
            return Optional.empty();
        }
        List<Waiting> blocks = blocks();
        if (place.eased() != null) {
            return Optional.of(wayBack(place.eased(), blocks));
        }
        Optional<Dose> up = notches();
        Double further = place.range().next();
        boolean rangeFirst = up.isEmpty() || place.range().growFirst() == GrowFirst.RANGE;
        boolean grows = further != null || up.isPresent();
        if (grows && !blocks.isEmpty()) {
            return Optional.of(
                    stay(Change.HOLD, Reason.of("progress.waits", blocks.get(0).reason()), blocks));
        }
        if (further != null && rangeFirst) {
            return Optional.of(notchUp(place.dose(), further, "progress.rangeUp"));
        }
        if (further == null && DoseRules.atTop(place.dose(), place.window())) {
            Optional<Progress> rises = next().filter(progress -> progress.change() == Change.NEXT_RUNG);
            if (rises.isPresent()) {
                return rises;
            }
        }
        if (up.isPresent()) {
            return Optional.of(
                    notchUp(up.get(), place.range().now(), veryLight() ? "progress.twoNotchesUp" : "progress.notchUp"));
        }
        return next().or(() -> Optional.of(stay(Change.HOLD, Reason.of("progress.topOfStrand"))));
    }

    private Optional<Progress> next() {
        return q.catalogue().next(place.rung(), q.known()::leavesOut).map(this::nextRung);
    }

    /** What was eased is earned back before anything is added: half of the way, then the rest. */
    private Progress wayBack(Progress.WayBack eased, List<Waiting> blocks) {
        if (!blocks.isEmpty()) {
            return stay(Change.HOLD, Reason.of("progress.waits", blocks.get(0).reason()), blocks);
        }
        return switch (eased) {
            case EASED -> stay(Change.HALF_BACK, Reason.of("progress.halfBack", credits()));
            case HALF_WAY -> stay(Change.WHOLE_BACK, Reason.of("progress.wholeBack", credits()));
        };
    }

    /**
     * One notch, two where it was next to no effort, half of one while pregnant. Sets are not added to sets that were not
     * all done.
     */
    private Optional<Dose> notches() {
        boolean allSets = credited.stream().allMatch(result -> result.allSetsOf(place.dose()));
        return larger().filter(dose -> allSets || dose.sets() <= place.dose().sets());
    }

    private Optional<Dose> larger() {
        if (Boolean.TRUE.equals(q.known().pregnant())) {
            return DoseRules.halfNotchUp(place.dose(), place.window());
        }
        Optional<Dose> one = DoseRules.notchUp(place.dose(), place.window());
        return veryLight()
                ? one.map(dose -> DoseRules.notchUp(dose, place.window()).orElse(dose))
                : one;
    }

    private boolean veryLight() {
        return endsWith(CREDITS_NEEDED, result -> result.earnsCredit() && result.hard() == SessionResult.Hard.EASY);
    }

    private Progress notchUp(Dose dose, double range, String reason) {
        return new Progress(
                credits(), Change.NOTCH_UP, dose, range, place.rung().code(), Reason.of(reason, credits()), List.of());
    }

    private Progress nextRung(Rung next) {
        List<Waiting> waiting = new ArrayList<>(blocks());
        boolean leadsTooFar =
                place.otherSidePlace() > 0 && q.catalogue().placeOnLine(place.rung()) > place.otherSidePlace();
        if (leadsTooFar) {
            waiting.add(new Waiting.Held(By.OTHER_SIDE));
        }
        Set<RungGates.Done> done = new HashSet<>(knownHere().done());
        done.add(new RungGates.Done(place.rung().code(), place.rung().perSide() ? place.side() : null));
        waiting.addAll(RungGates.waiting(next, place.side(), q.known().withDone(done)));
        if (!waiting.isEmpty()) {
            return stay(Change.READY_WAITING, Reason.of("progress.readyWaiting", name(next)), List.copyOf(waiting));
        }
        return new Progress(
                credits(),
                Change.NEXT_RUNG,
                DoseRules.first(next, q.stance()).withDays(days(next)),
                place.range().ofNextRung(),
                next.code(),
                Reason.of("progress.nextRung", name(next)),
                List.of());
    }

    /** What stops every rise, whatever the log says. */
    private List<Waiting> blocks() {
        List<Waiting> blocks = new ArrayList<>();
        LocalDate due = day.recheckDue();
        if (due != null && day.today().isAfter(due.plusDays(RECHECK_GRACE_DAYS))) {
            blocks.add(new Waiting.Held(By.RECHECK, due));
        }
        if (day.recheckWidened()) {
            blocks.add(new Waiting.Held(By.WIDENING));
        }
        if (day.askFirstStands()) {
            blocks.add(new Waiting.Held(By.ASK_FIRST));
        }
        if (day.held()) {
            blocks.add(new Waiting.Held(By.HELD));
        }
        return blocks;
    }

    private Progress stay(Change change, Reason reason) {
        return stay(change, reason, List.of());
    }

    private Progress stay(Change change, Reason reason, List<Waiting> waiting) {
        return new Progress(
                credits(),
                change,
                place.dose(),
                place.range().now(),
                place.rung().code(),
                reason,
                waiting);
    }

    private int days(Rung rung) {
        return Math.min(
                DoseRules.first(rung, q.stance()).daysPerWeek(), place.dose().daysPerWeek());
    }

    private static Reason name(Rung rung) {
        return Reason.of("rung.name", rung.name(), rung.code());
    }

    private Optional<SessionResult> last() {
        return q.log().isEmpty()
                ? Optional.empty()
                : Optional.of(q.log().get(q.log().size() - 1));
    }

    private boolean endsWith(Kind kind, int times) {
        return endsWith(times, result -> result.kind() == kind);
    }

    private boolean endsWith(int times, Predicate<SessionResult> such) {
        int n = q.log().size();
        return n >= times && q.log().subList(n - times, n).stream().allMatch(such);
    }
}
