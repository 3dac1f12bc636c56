package fernstep.core.decision;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleSupplier;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Which levers this rung still has in this situation, and how big each is. A lever is not offered that the rung does not
 * have, that is at its end, that a restriction closes, or that would not lower a load it is meant to lower.
 */
final class Levers {
    private static final int RANGE_STEPS = 3;
    /** A range kept with two decimals still counts as standing on its step. */
    private static final double A_STEP_IS_REACHED = 0.05;

    private static final double HOLD_NOTCH_S = 2;
    private static final double SHORTEST_HOLD_S = 1;

    private final Situation s;
    private final LoadNow load;
    private final Map<Seen, Map<Lever, Optional<LeverChange>>> known = new HashMap<>();

    Levers(Situation situation) {
        this.s = situation;
        load = new LoadNow(situation);
    }

    /** Those for an ease against this sign, best first: what cleared it before, then the rule's order, then the rung's. */
    List<LeverChange> offered(Seen sign, List<Lever> preferred) {
        Set<Lever> order = new LinkedHashSet<>();
        s.history().stream()
                .filter(lever -> lever.sign() == sign.sign() && lever.cleared())
                .forEach(lever -> order.add(lever.lever()));
        order.addAll(preferred);
        order.addAll(s.rung().levers());
        List<LeverChange> offered = new ArrayList<>();
        order.forEach(lever -> change(lever, sign).ifPresent(offered::add));
        boolean needsTwo =
                offered.isEmpty() && LoadSigns.isOne(sign) && s.rung().family() != null;
        if (needsTwo) {
            twoTogether().ifPresent(offered::add);
        }
        return offered;
    }

    /** So many good repetitions, or seconds of a hold, before a shorter one can answer a sign of too much load. */
    private static final int GOOD_BEFORE = 3;

    private static final Set<Lever> OF_DOSE = EnumSet.of(Lever.SHORTEN_HOLD, Lever.FEWER_REPS);
    private static final Set<Lever> OF_HELP = EnumSet.of(Lever.ADD_HELPER, Lever.SUPPORT, Lever.EASIER_POSITION);

    /**
     * A sign of too much load is answered by truly less of it. Where the model follows none, a hold or a set ends where it
     * was last good, if it was good for a while, and help or another place will do.
     */
    private boolean answers(LeverChange change, Seen sign) {
        if (!LoadSigns.isOne(sign)) {
            return true;
        }
        Double pct = change.loadChangePct();
        if (s.rung().family() != null) {
            return pct != null && pct <= LoadNow.RELIEVES_PCT;
        }
        return OF_HELP.contains(change.lever()) || (OF_DOSE.contains(change.lever()) && goodForAWhile(change, sign));
    }

    private static boolean goodForAWhile(LeverChange change, Seen sign) {
        boolean told = change.lever() == Lever.SHORTEN_HOLD ? sign.second() != null : sign.rep() != null;
        return told && change.toAsNumber(0) >= GOOD_BEFORE;
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
        return known.computeIfAbsent(sign, key -> new EnumMap<>(Lever.class))
                .computeIfAbsent(lever, key -> changed(lever, sign));
    }

    private Optional<LeverChange> changed(Lever lever, Seen sign) {
        return s.rung().offers(lever) ? made(lever, sign).filter(change -> answers(change, sign)) : Optional.empty();
    }

    private Optional<LeverChange> made(Lever lever, Seen sign) {
        return switch (lever) {
            case RAISE_RANGE -> raiseRange();
            case BEND_KNEE -> once(lever).flatMap(each -> bendKnee());
            case ONE_LIMB ->
                once(lever)
                        .flatMap(each -> relief(
                                each,
                                null,
                                null,
                                () -> s.rung().indexOfOneLimb(s.setting().range(), s.body())));
            case SHORTEN_HOLD -> shortenHold(sign);
            case FEWER_REPS -> fewerReps(sign);
            case ADD_HELPER -> helper(lever, sign, false);
            case SUPPORT -> helper(lever, sign, true);
            case EASIER_POSITION -> once(lever).flatMap(each -> easierPosition());
            case SLOWER, CHANGE_BREATH -> once(lever).map(each -> new LeverChange(each, null, null, null));
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
                        .map(lever ->
                                new LeverChange(lever, Stances.Spine.NATURAL_CURVE, Stances.Spine.LIGHT_IMPRINT, null))
                : Optional.empty();
    }

    /** Where the rung and the stance have it: the low back laid lightly to the mat, as she goes on. */
    Optional<LeverChange> backToMat(Seen sign) {
        return s.rung().offers(Lever.CHANGE_SPINE) ? changeSpine(sign) : Optional.empty();
    }

    /** A third of the range at a time, and on until the load truly falls. */
    private Optional<LeverChange> raiseRange() {
        double now = s.setting().range();
        if (now <= 0 || !s.rung().hasRange()) {
            return Optional.empty();
        }
        double to = now;
        while (to > 0) {
            to = Math.max(0, (Math.ceil(to * RANGE_STEPS - A_STEP_IS_REACHED) - 1) / RANGE_STEPS);
            double range = Numbers.rounded(to, 2);
            Optional<LeverChange> change = relief(Lever.RAISE_RANGE, now, range, () -> load.at(range));
            if (change.isPresent()) {
                return change;
            }
        }
        return Optional.empty();
    }

    /** Where none is enough alone: the easiest range with bent knees or one limb, or both of these, the least that does. */
    private Optional<LeverChange> twoTogether() {
        double now = s.setting().range();
        boolean range = now > 0 && s.rung().hasRange() && s.rung().offers(Lever.RAISE_RANGE);
        boolean knee = s.rung().offers(Lever.BEND_KNEE) && !s.leverUsed(Lever.BEND_KNEE);
        boolean limb = s.rung().offers(Lever.ONE_LIMB) && !s.leverUsed(Lever.ONE_LIMB);
        LeverChange less = new LeverChange(Lever.RAISE_RANGE, now, 0.0, null);
        LeverChange one = new LeverChange(Lever.ONE_LIMB, null, null, null);
        List<LeverChange> pairs = new ArrayList<>();
        for (int deg = LoadNow.KNEE_BEND_DEG; deg <= LoadNow.MOST_KNEE_BEND_DEG; deg += LoadNow.KNEE_BEND_DEG) {
            LeverChange bent = new LeverChange(Lever.BEND_KNEE, 0, deg, null);
            if (range && knee) {
                pair(less, bent, 0, deg, false).ifPresent(pairs::add);
            }
            if (knee && limb) {
                pair(bent, one, now, deg, true).ifPresent(pairs::add);
            }
        }
        if (range && limb) {
            pair(less, one, 0, 0, true).ifPresent(pairs::add);
        }
        return pairs.stream()
                .filter(pair -> pair.loadChangePct() != null && pair.loadChangePct() <= LoadNow.RELIEVES_PCT)
                .max(Comparator.comparingDouble(LeverChange::loadChangePct));
    }

    private Optional<LeverChange> pair(
            LeverChange first, LeverChange second, double range, int kneesDeg, boolean limb) {
        double then = s.rung().indexShortened(range, s.body(), kneesDeg, limb);
        double pct = LoadNow.changePct(load.index(), then);
        return Optional.of(new LeverChange(first.lever(), first.from(), first.to(), second, pct));
    }

    /** As little as truly eases: 30, 60 or 90 degrees more, the heel no lower. */
    private Optional<LeverChange> bendKnee() {
        for (int deg = LoadNow.KNEE_BEND_DEG; deg <= LoadNow.MOST_KNEE_BEND_DEG; deg += LoadNow.KNEE_BEND_DEG) {
            double bend = deg;
            Optional<LeverChange> change = relief(
                    Lever.BEND_KNEE,
                    0,
                    deg,
                    () -> load.kneesBent(bend, s.setting().range(), load.index()));
            if (change.isPresent()) {
                return change;
            }
        }
        return Optional.empty();
    }

    /** Only if it truly lowers the load. */
    private Optional<LeverChange> relief(
            Lever lever, @Nullable Object from, @Nullable Object to, DoubleSupplier eased) {
        if (s.rung().family() == null) {
            return Optional.empty();
        }
        double pct = LoadNow.changePct(load.index(), eased.getAsDouble());
        return pct <= LoadNow.RELIEVES_PCT ? Optional.of(new LeverChange(lever, from, to, pct)) : Optional.empty();
    }

    /** What is left where no rung is: the hold, then a helper. */
    List<LeverChange> holdOrHelper(Seen sign) {
        return Stream.of(Lever.SHORTEN_HOLD, Lever.ADD_HELPER, Lever.SUPPORT)
                .flatMap(lever -> change(lever, sign).stream())
                .toList();
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
                .filter(helper -> helper.support() == support)
                .count();
        long given = s.soFar().stream()
                .filter(repRecord -> repRecord.lever() == lever)
                .count();
        return s.rung().helpers().stream()
                .filter(helper -> helper.support() == support)
                .filter(helper -> !s.setting().helpers().contains(helper))
                .filter(helper -> helper != Helper.ARMS_DOWN || !s.closed().contains(Restriction.NO_WRIST_LOAD))
                .filter(helper ->
                        helper != Helper.HAND_UNDER_BACK || s.rung().position().onTheBack())
                .sorted(Comparator.comparing(helper -> !suits(helper, sign)))
                .skip(Math.max(0, given - inSetting))
                .findFirst()
                .map(helper -> new LeverChange(lever, null, helper, null));
    }

    /** What lies too low or creeps up at the top is helped by a raised head, before anything else. */
    private static boolean suits(Helper helper, Seen sign) {
        boolean upper = sign.sign() == SignCode.RIBS_FLARE || sign.sign() == SignCode.NECK_SHOULDERS;
        return !upper || helper == Helper.HEAD_SHOULDERS;
    }

    /** The same exercise where it asks less, as the catalogue names it and where she may be in that place. */
    private Optional<LeverChange> easierPosition() {
        Rung now = s.rung();
        Rung easier = now.easier().filter(this::openToHer).orElse(null);
        if (easier == null) {
            return Optional.empty();
        }
        if (now.family() == null) {
            return Optional.of(new LeverChange(Lever.EASIER_POSITION, now.position(), easier.position(), null));
        }
        return relief(
                Lever.EASIER_POSITION,
                now.position(),
                easier.position(),
                () -> easier.indexAt(s.setting().range(), s.body()));
    }

    /** Who may lie flat for minutes only is not sent there for relief. */
    private boolean openToHer(Rung rung) {
        boolean flatForMinutes = rung.position().flat() && s.closed().contains(Restriction.SUPINE_LIMITED);
        return rung.closedBy(s.closed()).isEmpty() && !flatForMinutes;
    }

    /** For a rule that is about one sign's own remedy: the first of these that is there, in this order. */
    Optional<LeverChange> first(Seen sign, List<Lever> order) {
        return order.stream().flatMap(lever -> change(lever, sign).stream()).findFirst();
    }
}
