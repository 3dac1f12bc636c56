package fernstep.core.session;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RepRecord;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Setting;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.plan.SessionTime;
import fernstep.core.progress.Amount;
import fernstep.core.session.SessionEvent.Answered;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** One exercise of a session as it stands after the events so far. Only the replay changes it. */
public final class Exercise {
    /** How far it is. */
    public enum State {
        OPEN,
        DONE,
        SKIPPED,
        /** Closed by what was seen in another. */
        CLOSED
    }

    private final String plannedRung;
    private RungForm form;
    private final @Nullable Side side;
    private final SeenAndAnswered seen = new SeenAndAnswered();
    private final SetInHand inHand = new SetInHand();
    private final Easings easings = new Easings();
    private final Dose plannedDose;
    private final double plannedRange;
    private Rung rung;
    private Dose dose;
    private double range;
    private boolean asksEffort;
    private State state = State.OPEN;
    private @Nullable Integer effort;

    /** @param plain the rung of the catalogue */
    Exercise(Rung plain, RungForm form, @Nullable Side side, Dose dose, double range) {
        this(plain, form, side, dose, range, Easing.NONE);
    }

    /** @param easing what makes it easier from its first repetition */
    Exercise(Rung plain, RungForm form, @Nullable Side side, Dose dose, double range, Easing easing) {
        this.plannedRung = plain.code();
        this.form = form;
        this.rung = form.of(plain);
        this.side = side;
        this.dose = dose;
        this.range = range;
        this.plannedDose = dose;
        this.plannedRange = range;
        easings.beginWith(easing);
        inHand.beginsWith(easings.otherLevers());
    }

    public String plannedRung() {
        return plannedRung;
    }

    /** The one in hand, in her form of it: the planned one, or what was stepped back to. */
    public Rung rung() {
        return rung;
    }

    /** How she does the rung in hand. */
    public RungForm form() {
        return form;
    }

    /** As it looks now: in the easier position, with bent knees or one limb where these are in use. */
    public Rung asDone(Body body) {
        return easings.on(rung, body);
    }

    /** How much further the knees are bent now, degrees. */
    public int kneesBentDeg() {
        return easings.kneesBentDeg();
    }

    public boolean steppedBack() {
        return !rung.code().equals(plannedRung);
    }

    public @Nullable Side side() {
        return side;
    }

    public Dose dose() {
        return dose;
    }

    /** 0 (easiest) to 1 (the rung's full range). */
    public double range() {
        return range;
    }

    /** From 1. */
    public int set() {
        return inHand.number();
    }

    public int repsDone() {
        return inHand.repsDone();
    }

    /** The set is over: a rest, or the question how hard it was. */
    public boolean setDone() {
        return inHand.over();
    }

    public boolean asksEffort() {
        return asksEffort;
    }

    public State state() {
        return state;
    }

    public boolean open() {
        return state == State.OPEN;
    }

    public Set<Helper> helpers() {
        return easings.helpers();
    }

    /** Levers in use that are neither range nor dose nor a helper. */
    public List<Lever> otherLevers() {
        return easings.otherLevers();
    }

    /** Signs of this set, by repetition. */
    public List<RepRecord> soFar() {
        return inHand.seen();
    }

    public Set<SignCode> signs() {
        return seen.signs();
    }

    /** Repetitions or breaths of one set; a hold without repetitions counts as one. */
    public int target() {
        return dose.times();
    }

    /** Repetitions (or breaths) left in this set. */
    public int repsLeft() {
        return setDone() ? 0 : target() - repsDone();
    }

    /** Sets that come after this one. */
    public int setsLeft() {
        return Math.max(0, dose.sets() - set());
    }

    /** The rest that is due now, in seconds; 0 where none is. */
    public int restS() {
        return open() && setDone() && !asksEffort ? SessionTime.REST_BETWEEN_SETS_S : 0;
    }

    /** The repetition a sign belongs to: the one under way, or the last of a set that is over. */
    public int repInHand() {
        return inHand.repInHand();
    }

    /** Whether the sign is already on record in the repetition in hand. */
    public boolean alreadySeen(SignCode sign) {
        return inHand.alreadySeen(sign);
    }

    /** The sets so far, the one in hand last; a set in which nothing was done or seen is none. */
    public List<SetDone> sets() {
        return inHand.all(rung, dose, range);
    }

    /** Seconds under load in all its sets. */
    public int secondsUnderLoad() {
        return sets().stream().mapToInt(SetDone::secondsUnderLoad).sum();
    }

    /** Greatest load index of its sets; 0 where none is followed. */
    public double loadIndex(Body body) {
        return sets().stream().mapToDouble(done -> done.loadIndex(body)).max().orElse(0);
    }

    /** What was seen in it and answered, in order. */
    public List<Answered> answered() {
        return seen.answered();
    }

    public @Nullable Integer effort() {
        return effort;
    }

    /** As the rules read it. */
    public Setting setting() {
        Integer holdS = dose.holdS();
        return new Setting(range, holdS == null ? null : holdS.doubleValue(), target(), helpers());
    }

    void repDone() {
        if (setDone()) {
            return;
        }
        inHand.repDone();
        endSetWhenReached();
    }

    void endSet() {
        inHand.end();
        asksEffort = set() >= dose.sets();
    }

    void nextSet() {
        if (!setDone() || asksEffort) {
            return;
        }
        inHand.next(rung, dose, range);
    }

    /** A set is over that nothing seen had ended before its time. */
    public boolean mayRepeat() {
        return open() && setDone() && repsDone() >= target() && set() < (int) Range.SETS.max();
    }

    void repeatSet() {
        if (!mayRepeat()) {
            return;
        }
        dose = dose.withSets(Math.max(dose.sets(), set() + 1));
        asksEffort = false;
        nextSet();
    }

    void effort(int told) {
        if (asksEffort) {
            effort = told;
            state = State.DONE;
        }
    }

    void end(State how) {
        state = how;
    }

    /** What was seen and answered in it before this set. */
    public List<RepRecord> before() {
        return inHand.seenBefore();
    }

    void saw(Seen sign, Move move, @Nullable LeverChange change) {
        seen.saw(sign.sign());
        inHand.saw(sign, move, change == null ? null : change.lever(), change == null ? null : change.alsoLever());
    }

    /** Nothing was done or seen in it yet. */
    boolean notBegun() {
        return open() && set() == 1 && repsDone() == 0 && soFar().isEmpty();
    }

    /** Begins as easy as the other side of it was made. */
    void beginsAs(Exercise other) {
        boolean elsewhere = !rung.code().equals(other.rung.code());
        dose = elsewhere ? other.dose.withSets(dose.sets()) : atMost(other.dose);
        range = elsewhere ? other.range : Math.min(range, other.range);
        rung = other.rung;
        form = other.form;
        easings.as(other.easings);
        inHand.beginsWith(easings.otherLevers());
    }

    private Dose atMost(Dose other) {
        return new Dose(
                dose.sets(),
                less(dose.reps(), other.reps()),
                less(dose.holdS(), other.holdS()),
                less(dose.breaths(), other.breaths()),
                dose.perDay(),
                dose.daysPerWeek());
    }

    private static @Nullable Integer less(@Nullable Integer own, @Nullable Integer other) {
        return own == null || other == null ? own : Integer.valueOf(Math.min(own, other));
    }

    /** No further than so much of its range. */
    void atMost(double share) {
        range = Math.min(range, share);
    }

    void answered(Answered event) {
        seen.answered(event);
    }

    void moved(Move move, @Nullable Lever lever, boolean fromTiredness) {
        seen.moved(move, lever, fromTiredness);
    }

    void pull(LeverChange change) {
        switch (change.lever()) {
            case RAISE_RANGE -> range = change.toAsNumber(0);
            case SHORTEN_HOLD -> dose = dose.withHoldS((int) change.toAsNumber(1));
            case FEWER_REPS -> {
                dose = dose.withTimes((int) change.toAsNumber(1));
                endSetWhenReached();
            }
            default -> easings.pull(change);
        }
        if (change.with() != null) {
            pull(change.with());
        }
    }

    /** Goes on with an easier rung at the least of its dose. */
    void stepBackTo(Rung plain, RungForm inForm, double toRange) {
        Rung back = inForm.of(plain);
        inHand.goOnElsewhere(rung, dose, range);
        rung = back;
        form = inForm;
        range = toRange;
        easings.clear();
        dose = dose.leastOn(back.window(), target());
        endSetWhenReached();
    }

    private void endSetWhenReached() {
        if (repsDone() >= target()) {
            endSet();
        }
    }

    /** Empty where nothing was done, or it was broken off without a sign. */
    public Optional<ExerciseResult> result() {
        boolean worked = set() > 1 || repsDone() > 0 || setDone() || seen.moved();
        boolean counts = state == State.DONE || seen.moved();
        return worked && counts
                ? Optional.of(new ExerciseResult(
                        plannedRung, side, seen.result(), effort, signs(), range, cleanSetting(), amount()))
                : Optional.empty();
    }

    private @Nullable Amount amount() {
        int begun = (int) sets().stream()
                .filter(set -> set.done() > 0)
                .mapToInt(SetDone::set)
                .distinct()
                .count();
        return begun == 0 ? null : new Amount(begun, dose.times(), dose.holdS());
    }

    /** What the next session begins with; null where it begins as planned, and where the exercise was ended for good reason. */
    private @Nullable CleanSetting cleanSetting() {
        return switch (seen.result()) {
            case EASED, STEPPED_BACK -> new CleanSetting(rung.code(), range, easings.now(), dose.times(), dose.holdS());
            case STOPPED ->
                signs().contains(SignCode.PAIN) ? CleanSetting.halfOf(plannedRung, plannedRange, plannedDose) : null;
            case CLEAN, HELPED -> null;
        };
    }
}
