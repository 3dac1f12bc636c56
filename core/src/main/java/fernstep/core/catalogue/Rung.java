package fernstep.core.catalogue;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Movement;
import fernstep.core.body.Position;
import fernstep.core.body.RangeSolver;
import fernstep.core.body.TrunkLoad;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One exercise on a strand.
 *
 * @param order place on the strand from 1
 * @param perSide trained left and right apart
 * @param loaded counts as load: closed after bearing down or heaviness
 * @param family what kind of load, or null where none is followed
 * @param watch signs that matter most, first first
 * @param levers allowed ways to ease, in order
 * @param helpers what may be added, in order
 * @param fromDayOne posture, breath and getting up: no gate but an emergency, also while asking first
 * @param sight from where it is drawn
 * @param upright the same exercise seated, standing or at a wall, where the floor is closed; null where it has none
 * @param easierPosition the same exercise where it asks less of her, by model or against gravity; null where there is none
 * @param branchOf the rung this is a side branch of; null on the main line
 * @param standIns codes of rungs that practitioners take instead where its position is closed, first first
 * @param means what the rules know it by
 * @param shows what happens that the pose does not show
 * @param asks what it asks of the body beyond its load
 * @param cues one line per activation stance, and per spine stance where the spine matters
 */
public record Rung(
        String code,
        String name,
        Strand strand,
        int order,
        Aim aim,
        Position position,
        boolean perSide,
        boolean loaded,
        Window window,
        Tempo tempo,
        List<RungGate> gates,
        Movement movement,
        @Nullable LoadFamily family,
        Sight sight,
        List<Prop> props,
        List<SignCode> watch,
        List<Lever> levers,
        List<Helper> helpers,
        boolean fromDayOne,
        @Nullable Variant upright,
        @Nullable Variant easierPosition,
        @Nullable String branchOf,
        List<String> standIns,
        String howTo,
        Map<String, String> cues,
        String caution,
        List<Waymark> means,
        List<ActionMark> shows,
        List<Strain> asks) {
    private static final KnownLoads KNOWN = new KnownLoads();

    /** The same exercise in another position. */
    public record Variant(Position position, Movement movement) {}

    public Rung {
        gates = List.copyOf(gates);
        props = List.copyOf(props);
        watch = List.copyOf(watch);
        levers = List.copyOf(levers);
        helpers = List.copyOf(helpers);
        standIns = List.copyOf(standIns);
        cues = Map.copyOf(cues);
        means = List.copyOf(means);
        shows = List.copyOf(shows);
        asks = List.copyOf(asks);
    }

    /** Its code tells it from all others; rungs are keys at every turn of a plan. */
    @Override
    public int hashCode() {
        return code.hashCode();
    }

    /** A walk or a run: not in the minutes of a session, nor one of its exercises. */
    public boolean apart() {
        return means.contains(Waymark.APART);
    }

    /** How far can be chosen: the easiest range is not the full one. */
    public boolean hasRange() {
        return movement.hasRange();
    }

    /** The greatest load on the way to a range; empty for a rung that loads the trunk in no way that is followed. */
    public Optional<TrunkLoad> loadAt(double range, Body body) {
        return family == null ? Optional.empty() : Optional.of(movement.peak(body, range));
    }

    /** Its load index at a range; 0 where no load is followed. */
    public double indexAt(double range, Body body) {
        return family == null ? 0 : KNOWN.of(movement, body, range);
    }

    /** The same with one limb instead of two. */
    public double indexOfOneLimb(double range, Body body) {
        return family == null ? 0 : KNOWN.ofOneLimb(movement, body, range);
    }

    /** The same with free knees bent so much further, degrees; empty where her body cannot make it. */
    public OptionalDouble indexWithKneesBent(double range, Body body, double kneesBentDeg) {
        return family == null ? OptionalDouble.of(0) : KNOWN.withKneesBent(movement, body, range, kneesBentDeg);
    }

    /** The same as {@link #shortened} makes it. */
    public double indexShortened(double range, Body body, int kneesBentDeg, boolean oneLimb) {
        return family == null ? 0 : KNOWN.shortened(this, body, range, kneesBentDeg, oneLimb);
    }

    /**
     * How far it may go under a ceiling of load.
     *
     * @param ceilingIndex above 0
     * @throws ImpossiblePose for a ceiling of 0 or less
     */
    public RangeSolver.Answer furthestUnder(double ceilingIndex, Body body) {
        return KNOWN.furthestUnder(movement, body, ceilingIndex);
    }

    public boolean offers(Lever lever) {
        return levers.contains(lever);
    }

    /** What closes it for her: a position she may not take, a load on the wrists, arms overhead. */
    public Optional<Restriction> closedBy(Set<Restriction> restrictions) {
        boolean onBed = props.contains(Prop.BED) && !restrictions.contains(Restriction.NO_FIRM_BED);
        return restrictions.stream()
                .filter(restriction -> !(onBed && restriction == Restriction.NO_FLOOR))
                .filter(this::needsWhatIsClosedBy)
                .sorted()
                .findFirst();
    }

    private boolean needsWhatIsClosedBy(Restriction restriction) {
        return switch (restriction) {
            case NO_PRONE -> position == Position.PRONE;
            case SUPINE_LIMITED, NO_FIRM_BED -> false;
            case SUPINE_INCLINED -> position == Position.SUPINE;
            case NO_KNEELING -> position == Position.HANDS_KNEES || position == Position.KNEELING;
            case NO_WRIST_LOAD -> movement.full().bearsOnHands();
            case NO_OVERHEAD -> movement.full().reachesOverhead();
            case NO_FLOOR ->
                switch (position) {
                    case SEATED, STANDING, WALL -> false;
                    default -> true;
                };
        };
    }

    /** The same rung with the trunk raised on a wedge: for those who may not lie flat. */
    public Rung inclined(double wedgeDeg) {
        return moved(Position.INCLINED, movement.inclined(wedgeDeg));
    }

    /** The same rung on the forearms: for sore wrists. */
    public Rung onForearms() {
        return moved(position, movement.onForearms());
    }

    /** The same rung on a firm bed, where it can be done there; else the rung itself. */
    public Rung onABed() {
        if (!means.contains(Waymark.ON_A_BED) || props.contains(Prop.BED)) {
            return this;
        }
        List<Prop> withBed = new ArrayList<>(props);
        withBed.add(Prop.BED);
        return with(position, movement, withBed);
    }

    /** The same rung off the floor, where it has such a form. */
    public Optional<Rung> offTheFloor() {
        return Optional.ofNullable(upright).map(variant -> moved(variant.position(), variant.movement()));
    }

    /** The same rung where it asks less of her, where it names such a place. */
    public Optional<Rung> easier() {
        return Optional.ofNullable(easierPosition).map(variant -> moved(variant.position(), variant.movement()));
    }

    /** As far as it is done now, with free knees bent so much further or with one limb instead of two. */
    public Rung shortened(Body body, int kneesBentDeg, boolean oneLimb) {
        if (kneesBentDeg == 0 && !oneLimb) {
            return this;
        }
        try {
            Movement bent = kneesBentDeg == 0 ? movement : movement.withKneesBent(body, kneesBentDeg);
            return moved(position, oneLimb ? bent.oneLimb() : bent);
        } catch (ImpossiblePose e) {
            return this;
        }
    }

    /** With what is added so that control comes easier, where it can be seen. */
    public Rung withHelpers(Set<Helper> added) {
        Set<Prop> all = new LinkedHashSet<>(props);
        added.forEach(helper -> {
            switch (helper) {
                case BALL, INNER_THIGHS -> all.add(Prop.BALL);
                case HEAD_SHOULDERS -> all.add(Prop.PILLOW);
                case ROD -> all.add(Prop.ROD);
                case PELVIC_FLOOR_LIFT, ARMS_DOWN, TOE_DOWN, HAND_UNDER_BACK -> {}
            }
        });
        return with(position, movement, List.copyOf(all));
    }

    private Rung moved(Position position, Movement movement) {
        return with(position, movement, props);
    }

    private Rung with(Position position, Movement movement, List<Prop> props) {
        return new Rung(
                code,
                name,
                strand,
                order,
                aim,
                position,
                perSide,
                loaded,
                window,
                tempo,
                gates,
                movement,
                family,
                position == this.position ? sight : sight.elsewhere(),
                props,
                watch,
                levers,
                helpers,
                fromDayOne,
                upright,
                easierPosition,
                branchOf,
                standIns,
                howTo,
                cues,
                caution,
                means,
                shows,
                asks);
    }

    /** Who keeps the natural curve does not lie with the low back on the mat. */
    public boolean isAgainst(Stances.Spine spine) {
        return spine == Stances.Spine.NATURAL_CURVE && shows().contains(ActionMark.BACK_TO_MAT);
    }
}
