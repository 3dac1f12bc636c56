package fernstep.core.decision;

import fernstep.core.approach.Stances;
import fernstep.core.body.Pose;
import fernstep.core.body.Position;
import fernstep.core.body.RangeSolver;
import fernstep.core.body.TrunkLoad;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Which levers this rung still has in this situation, and how big each is. A lever is not offered that the rung does not
 * have, that is at its end, that a restriction closes, or that would not lower a load it is meant to lower.
 */
final class Levers {
    private static final int RANGE_STEPS = 3;
    /** A range kept with two decimals still counts as standing on its step. */
    private static final double A_STEP_IS_REACHED = 0.05;

    private static final double KNEE_BEND_DEG = 30;
    private static final double HOLD_NOTCH_S = 2;
    private static final double SHORTEST_HOLD_S = 1;

    private final Situation s;

    Levers(Situation s) {
        this.s = s;
    }

    /** Those for an ease against this sign, best first: what cleared it before, then the rule's order, then the rung's. */
    List<LeverChange> offered(Seen sign, List<Lever> preferred) {
        Set<Lever> order = new LinkedHashSet<>();
        s.history().stream().filter(h -> h.sign() == sign.sign() && h.cleared()).forEach(h -> order.add(h.lever()));
        order.addAll(preferred);
        order.addAll(s.rung().levers());
        List<LeverChange> offered = new ArrayList<>();
        order.forEach(lever -> change(lever, sign).ifPresent(offered::add));
        return offered;
    }

    /** Range and lever length by the size of their relief, then one limb, helper, position. */
    List<Lever> byRelief(Seen sign) {
        List<Lever> order = new ArrayList<>(List.of(Lever.RAISE_RANGE, Lever.BEND_KNEE));
        order.sort(Comparator.comparingDouble(
                lever -> change(lever, sign).map(LeverChange::loadChangePct).orElse(0.0)));
        order.addAll(List.of(Lever.ONE_LIMB, Lever.ADD_HELPER, Lever.EASIER_POSITION));
        return order;
    }

    private Optional<LeverChange> change(Lever lever, Seen sign) {
        if (!s.rung().offers(lever)) {
            return Optional.empty();
        }
        return switch (lever) {
            case RAISE_RANGE -> raiseRange();
            case BEND_KNEE -> once(lever).flatMap(l -> relief(l, pose().withKneesBentBy(KNEE_BEND_DEG)));
            case ONE_LIMB -> once(lever).flatMap(l -> relief(l, pose().oneLimb()));
            case SHORTEN_HOLD -> shortenHold(sign);
            case FEWER_REPS -> fewerReps(sign);
            case ADD_HELPER -> helper(lever, sign, false);
            case SUPPORT -> helper(lever, sign, true);
            case EASIER_POSITION ->
                once(lever)
                        .flatMap(l -> easierPosition(s.rung().position())
                                .map(p -> new LeverChange(l, s.rung().position(), p, null)));
            case SLOWER, CHANGE_BREATH -> once(lever).map(l -> new LeverChange(l, null, null, null));
            case CHANGE_SPINE -> changeSpine(sign);
        };
    }

    private Optional<Lever> once(Lever lever) {
        return s.leverUsed(lever) ? Optional.empty() : Optional.of(lever);
    }

    /** Imprint for natural, where the stance leaves it to the finding and the back is not pressed flat already. */
    private Optional<LeverChange> changeSpine(Seen sign) {
        boolean byFinding = s.stances().spine() == Stances.Spine.BY_FINDING;
        return byFinding && sign.sign() != SignCode.BACK_PRESSED
                ? once(Lever.CHANGE_SPINE)
                        .map(l -> new LeverChange(l, Stances.Spine.NATURAL_CURVE, Stances.Spine.LIGHT_IMPRINT, null))
                : Optional.empty();
    }

    private Optional<LeverChange> raiseRange() {
        double now = s.setting().range();
        double to = Math.max(0, (Math.ceil(now * RANGE_STEPS - A_STEP_IS_REACHED) - 1) / RANGE_STEPS);
        if (now <= 0 || !s.rung().hasRange()) {
            return Optional.empty();
        }
        return relief(Lever.RAISE_RANGE, s.rung().movement().at(to))
                .map(c -> new LeverChange(c.lever(), now, Numbers.rounded(to, 2), c.loadChangePct()));
    }

    /** Only if it truly lowers the load. */
    private Optional<LeverChange> relief(Lever lever, Pose eased) {
        return s.rung().family() == null
                ? Optional.empty()
                : Optional.of(changePct(index(pose()), index(eased)))
                        .filter(pct -> pct < 0)
                        .map(pct -> new LeverChange(lever, null, null, pct));
    }

    /** As she moves now: at the range of the setting, with what was already shortened in this set. */
    private Pose pose() {
        Pose pose = s.rung().movement().at(s.setting().range());
        Pose bent = s.leverUsed(Lever.BEND_KNEE) ? pose.withKneesBentBy(KNEE_BEND_DEG) : pose;
        return s.leverUsed(Lever.ONE_LIMB) ? bent.oneLimb() : bent;
    }

    private double index(Pose pose) {
        return TrunkLoad.of(s.body(), pose).loadIndex();
    }

    private static double changePct(double now, double then) {
        return 100 * (then / now - 1);
    }

    /**
     * Where on a lower rung to go on, and what that changes.
     *
     * @param range the furthest one that asks no more than now; the rung's easiest where even that asks more
     * @param loadChangePct null where either load is not followed
     */
    record StepBack(double range, @Nullable Double loadChangePct) {}

    StepBack stepBack(Rung to) {
        double now = s.rung().family() == null ? 0 : index(pose());
        if (now <= 0 || to.family() == null) {
            return new StepBack(1, null);
        }
        double range = RangeSolver.solve(to.movement(), s.body(), now) instanceof RangeSolver.Answer.Reached reached
                ? Math.floor(100 * reached.point().range()) / 100
                : 0;
        return new StepBack(range, changePct(now, index(to.movement().at(range))));
    }

    private Optional<LeverChange> shortenHold(Seen sign) {
        Double hold = s.setting().holdS();
        if (hold == null || hold <= SHORTEST_HOLD_S) {
            return Optional.empty();
        }
        double lastClean = sign.second() != null && sign.second() < hold ? sign.second() : hold - HOLD_NOTCH_S;
        double to = Math.max(SHORTEST_HOLD_S, Math.floor(lastClean));
        return Optional.of(new LeverChange(Lever.SHORTEN_HOLD, hold, to, null));
    }

    private Optional<LeverChange> fewerReps(Seen sign) {
        Integer reps = s.setting().reps();
        if (reps == null || reps <= 1) {
            return Optional.empty();
        }
        int lastClean = sign.rep() != null ? sign.rep() - 1 : reps - 1;
        return Optional.of(new LeverChange(Lever.FEWER_REPS, reps, Math.max(1, Math.min(reps - 1, lastClean)), null));
    }

    private Optional<LeverChange> helper(Lever lever, Seen sign, boolean support) {
        long inSetting = s.setting().helpers().stream()
                .filter(h -> h.support() == support)
                .count();
        long given = s.soFar().stream().filter(r -> r.lever() == lever).count();
        return s.rung().helpers().stream()
                .filter(h -> h.support() == support)
                .filter(h -> !s.setting().helpers().contains(h))
                .filter(h -> h != Helper.ARMS_DOWN || !s.closed().contains(Restriction.NO_WRIST_LOAD))
                .sorted(Comparator.comparing(h -> !suits(h, sign)))
                .skip(Math.max(0, given - inSetting))
                .findFirst()
                .map(h -> new LeverChange(lever, null, h, null));
    }

    /** What lies too low or creeps up at the top is helped by a raised head, before anything else. */
    private static boolean suits(Helper helper, Seen sign) {
        boolean upper = sign.sign() == SignCode.RIBS_FLARE || sign.sign() == SignCode.NECK_SHOULDERS;
        return !upper || helper == Helper.HEAD_SHOULDERS;
    }

    /** Standing, seated, hands and knees, side, lying or inclined: the next one that nothing closes. */
    private Optional<Position> easierPosition(Position from) {
        List<Position> ladder = List.of(
                Position.STANDING,
                Position.SEATED,
                Position.HANDS_KNEES,
                Position.SIDE,
                Position.SUPINE,
                Position.INCLINED);
        Position rank = switch (from) {
            case WALL -> Position.STANDING;
            case KNEELING -> Position.SEATED;
            case PRONE -> Position.HANDS_KNEES;
            default -> from;
        };
        return ladder.subList(ladder.indexOf(rank) + 1, ladder.size()).stream()
                .filter(p -> !closed(p))
                .findFirst();
    }

    private boolean closed(Position position) {
        Set<Restriction> closed = s.closed();
        return switch (position) {
            case HANDS_KNEES ->
                closed.contains(Restriction.NO_KNEELING)
                        || closed.contains(Restriction.NO_WRIST_LOAD)
                        || closed.contains(Restriction.NO_FLOOR);
            case SUPINE ->
                closed.contains(Restriction.SUPINE_INCLINED)
                        || closed.contains(Restriction.SUPINE_LIMITED)
                        || closed.contains(Restriction.NO_FLOOR);
            case SIDE -> closed.contains(Restriction.NO_FLOOR);
            default -> false;
        };
    }

    /** For a rule that is about one sign's own remedy: the first of these that is there, in this order. */
    Optional<LeverChange> first(Seen sign, List<Lever> order) {
        return order.stream().flatMap(l -> change(l, sign).stream()).findFirst();
    }
}
