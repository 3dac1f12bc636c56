package fernstep.core.plan;

import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.body.RangePoint;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * One thing to do.
 *
 * @param strand the strand it trains; a stand-in may be a rung of another
 * @param rung as she does it: inclined, on forearms or off the floor where that opens it
 * @param standInFor the rung whose place this one takes because its position is closed; null as a rule
 * @param standInKind how it differs; null with no stand-in
 * @param baseDose her dose on this rung
 * @param dose what to do today: the base, and one set more on the weaker side
 * @param range 0 easiest to 1 full
 * @param point angle, height and load at that range; null where no load is followed
 * @param seconds time for all sets with the rest between them
 * @param why why it is in, and why this rung
 * @param opened why the dose lies below the rung's window; null where it does not
 * @param support what she rests on from the start, or null
 * @param loadSeconds seconds under load in one session
 * @param eased how much easier it begins than her place says; null where it does not
 */
public record PlanItem(
        Strand strand,
        Role role,
        Rung rung,
        @Nullable Side side,
        @Nullable Rung standInFor,
        StandIns.@Nullable Kind standInKind,
        Dose baseDose,
        Dose dose,
        double range,
        @Nullable RangePoint point,
        int seconds,
        int loadSeconds,
        Reason why,
        Reason whyNotNext,
        @Nullable Reason opened,
        @Nullable Helper support,
        @Nullable Eased eased) {
    /** One level easier is so much of the load. */
    private static final double GENTLER_LOAD = 0.8;
    /** Below it the range solver has nothing to meet. */
    private static final double LEAST_INDEX = 0.1;

    /** Strand, exercise and side tell items of one plan apart; they are keys while it is packed. */
    @Override
    public int hashCode() {
        return Objects.hash(strand, rung, side);
    }

    public List<SignCode> stopSigns() {
        return rung.watch();
    }

    public @Nullable Lever firstLever() {
        return rung.levers().isEmpty() ? null : rung.levers().get(0);
    }

    /** As she does it, told apart from the mat: inclined is not flat. */
    public Position position() {
        return rung.position();
    }

    /** Where she lies, kneels or sits for it: a wedge under her is no change of position, nor is what is upright. */
    public Ground ground() {
        return Ground.of(rung.movement().start().position());
    }

    /** Places between which a session changes. */
    public enum Ground {
        BACK,
        SIDE,
        FRONT,
        HANDS_AND_KNEES,
        KNEES,
        /** Seated, standing, at a wall: at the end, where getting up is no change. */
        UPRIGHT;

        static Ground of(Position position) {
            return switch (position) {
                case SUPINE, INCLINED -> BACK;
                case SIDE -> SIDE;
                case PRONE -> FRONT;
                case HANDS_KNEES -> HANDS_AND_KNEES;
                case KNEELING -> KNEES;
                case SEATED, STANDING, WALL -> UPRIGHT;
            };
        }
    }

    /** One side does a set more than the other: the weaker one. */
    public boolean weakerSideMore() {
        return side != null && dose.sets() > baseDose.sets();
    }

    /** More sets than her dose asks for, since minutes are left. */
    public boolean secondRound() {
        return side == null && dose.sets() > baseDose.sets();
    }

    /** Flat on the back, for so many seconds. */
    int flatSeconds() {
        return rung.position() == Position.SUPINE ? seconds : 0;
    }

    /** Time in a day, all its sessions together. */
    public int secondsPerDay() {
        return seconds * dose.perDay();
    }

    public double loadIndex() {
        return point == null ? 0 : point.load().loadIndex();
    }

    /**
     * One level easier: a fifth less load where its range can give that, else one set or repetition less. What loads
     * nothing stays as it is.
     */
    public PlanItem gentler(Body body) {
        if (!rung.loaded()) {
            return this;
        }
        boolean ranged = rung.hasRange() && rung.family() != null && range > 0;
        if (ranged && lessLoad(body) instanceof RangeSolver.Answer.Reached less) {
            return reaching(less.point());
        }
        return DoseRules.notchDown(dose, rung.window())
                .map(fewer -> dosed(baseDose, fewer))
                .orElse(this);
    }

    private RangeSolver.Answer lessLoad(Body body) {
        return RangeSolver.solve(
                rung.movement(), body, Math.max(LEAST_INDEX, GENTLER_LOAD * rung.indexAt(range, body)));
    }

    private PlanItem reaching(RangePoint there) {
        return as(there.range(), there, why);
    }

    /** How much easier it begins and since when; null where it begins as planned. */
    public @Nullable Reason easedWhy() {
        return eased == null ? null : eased.why(this);
    }

    /** As it looks: with bent knees, one limb or in the easier position where it was eased so. */
    public Rung asDone(Body body) {
        if (eased == null) {
            return rung;
        }
        Easing easing = eased.setting().easing();
        return easing.on(rung, body).withHelpers(easing.helpers());
    }

    /**
     * Begins where she was clean at, no harder than it stands here.
     *
     * @param from of this rung; of another nothing changes
     */
    public PlanItem easedTo(Eased from, Body body) {
        CleanSetting setting = from.setting();
        if (!setting.rung().equals(rung.code()) || !setting.easierThan(range, baseDose)) {
            return this;
        }
        double to = Math.min(range, setting.range());
        Dose base = setting.atMost(baseDose);
        Dose today = setting.atMost(dose);
        Rung done = setting.easing().on(rung, body);
        return new PlanItem(
                strand,
                role,
                rung,
                side,
                standInFor,
                standInKind,
                base,
                today,
                to,
                done.family() == null ? null : done.movement().point(body, to),
                SessionTime.seconds(rung, today),
                SessionTime.loadSeconds(rung, today),
                why,
                whyNotNext,
                opened,
                support,
                from);
    }

    /** No further than so much of its range. */
    PlanItem noFurther(double most, Body body) {
        Rung done = asDone(body);
        return as(most, done.family() == null ? null : done.movement().point(body, most), why);
    }

    /** With something she rests on or squeezes from the start. */
    PlanItem with(Helper helper) {
        return new PlanItem(
                strand,
                role,
                rung,
                side,
                standInFor,
                standInKind,
                baseDose,
                dose,
                range,
                point,
                seconds,
                loadSeconds,
                why,
                whyNotNext,
                opened,
                helper,
                eased);
    }

    PlanItem onDays(int days) {
        return dosed(baseDose, dose.withDays(Math.max(1, Math.min(dose.daysPerWeek(), days))));
    }

    PlanItem because(Reason other) {
        return as(range, point, other);
    }

    private PlanItem as(double toRange, @Nullable RangePoint there, Reason because) {
        return new PlanItem(
                strand,
                role,
                rung,
                side,
                standInFor,
                standInKind,
                baseDose,
                dose,
                toRange,
                there,
                seconds,
                loadSeconds,
                because,
                whyNotNext,
                opened,
                support,
                eased);
    }

    PlanItem dosed(Dose base, Dose today) {
        return new PlanItem(
                strand,
                role,
                rung,
                side,
                standInFor,
                standInKind,
                base,
                today,
                range,
                point,
                SessionTime.seconds(rung, today),
                SessionTime.loadSeconds(rung, today),
                why,
                whyNotNext,
                opened,
                support,
                eased);
    }

    /** The same on a wedge: for those who may lie flat for a while only. */
    PlanItem inclined() {
        return new PlanItem(
                strand,
                role,
                RungForm.INCLINED.of(rung),
                side,
                rung,
                StandIns.Kind.SAME_INCLINED,
                baseDose,
                dose,
                range,
                point,
                seconds,
                loadSeconds,
                why,
                whyNotNext,
                opened,
                support,
                eased);
    }

    /** Beside the work of her strands: its first dose, no side, no move of its own. */
    static PlanItem beside(Rung rung, Role role, Dose dose, Reason why) {
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
                null,
                null);
    }
}
