package fernstep.core.findings;

import fernstep.core.findings.Observed.BreathPattern;
import fernstep.core.findings.Observed.Cough;
import fernstep.core.findings.Observed.Doming;
import fernstep.core.findings.Observed.FloorLift;
import fernstep.core.findings.Observed.FloorOnCough;
import fernstep.core.findings.Observed.LetGo;
import fernstep.core.findings.Observed.LumbarGap;
import fernstep.core.findings.Observed.RibsOverPelvis;
import fernstep.core.findings.Observed.Scoop;
import fernstep.core.measure.Side;
import fernstep.core.measure.Symmetry;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What the checks found, as far as they were done; a missing check is null or absent, never a guess.
 *
 * @param shown holds, tilt, rib flare, pelvic floor and belly drop
 * @param impact the battery before running
 */
public record Findings(
        Pressure pressure,
        AtRest atRest,
        DeepCore deepCore,
        HandsAndKnees handsAndKnees,
        Shown shown,
        ImpactTest.Battery impact) {
    public static final Findings NONE = new Findings(
            Pressure.NOT_LOOKED,
            AtRest.NOT_LOOKED,
            DeepCore.NOT_LOOKED,
            HandsAndKnees.NOT_LOOKED,
            Shown.NOTHING,
            ImpactTest.Battery.NOT_DONE);
    public static final int FLOAT_RUNGS = 5;

    private static final int HOVER_CLEAN_S = 4;
    private static final double NEUTRAL_TILT_DEG = 5;

    /** What pressure does to the belly, the pelvic floor and the midline. */
    public record Pressure(
            @Nullable Cough cough,
            @Nullable FloorOnCough floorOnCough,
            @Nullable Doming doming) {
        static final Pressure NOT_LOOKED = new Pressure(null, null, null);
    }

    /** How she lies and stands before anything is asked of her. */
    public record AtRest(
            @Nullable BreathPattern breathPattern,
            @Nullable LumbarGap lumbarGap,
            @Nullable RibsOverPelvis ribs) {
        static final AtRest NOT_LOOKED = new AtRest(null, null, null);
    }

    /**
     * The deep-core set and what it can carry.
     *
     * @param setGrade deep-core set per side, 0 to 5
     * @param toleranceBreaths breaths taken before the set is lost
     * @param floatScore highest clean rung of the leg-float test per side, 0 to 5
     */
    public record DeepCore(
            Map<Side, Integer> setGrade, @Nullable Integer toleranceBreaths, Map<Side, Integer> floatScore) {
        static final DeepCore NOT_LOOKED = new DeepCore(Map.of(), null, Map.of());

        public DeepCore {
            setGrade = Map.copyOf(setGrade);
            floatScore = Map.copyOf(floatScore);
        }
    }

    /**
     * The tests on hands and knees.
     *
     * @param armReachKept sides on which the rod kept its three contacts while that arm reached
     * @param legReachKept the same for the leg
     * @param contactLost sides on which the rod left its place while an arm or leg reached
     * @param hoverS seconds of clean hover
     */
    public record HandsAndKnees(
            @Nullable Scoop scoop,
            Set<Side> armReachKept,
            Set<Side> legReachKept,
            Set<Side> contactLost,
            @Nullable Integer hoverS) {
        static final HandsAndKnees NOT_LOOKED = new HandsAndKnees(null, Set.of(), Set.of(), Set.of(), null);

        public HandsAndKnees {
            armReachKept = Set.copyOf(armReachKept);
            legReachKept = Set.copyOf(legReachKept);
            contactLost = Set.copyOf(contactLost);
        }

        /** Only the scoop was looked at. */
        public static HandsAndKnees scoop(@Nullable Scoop scoop) {
            return new HandsAndKnees(scoop, Set.of(), Set.of(), Set.of(), null);
        }
    }

    /**
     * What was seen beside grades and scores; missing is null or absent.
     *
     * @param longestHoldS longest clean hold of the engagement per side, s
     * @param tiltDeg pelvic tilt, forward positive
     * @param ribFlare the front ribs stand up, lying
     * @param lift whether the pelvic floor lifts
     * @param letGo whether it lets go between
     * @param bellyDrops on hands and knees the belly sinks
     */
    public record Shown(
            Map<Side, Double> longestHoldS,
            @Nullable Double tiltDeg,
            @Nullable Boolean ribFlare,
            @Nullable FloorLift lift,
            @Nullable LetGo letGo,
            @Nullable Boolean bellyDrops) {
        public static final Shown NOTHING = new Shown(Map.of(), null, null, null, null, null);

        public Shown {
            longestHoldS = Map.copyOf(longestHoldS);
        }

        /** The same with the tilt as it was measured. */
        public Shown tilted(@Nullable Double deg) {
            return new Shown(longestHoldS, deg, ribFlare, lift, letGo, bellyDrops);
        }
    }

    public @Nullable Cough cough() {
        return pressure.cough();
    }

    public @Nullable FloorOnCough floorOnCough() {
        return pressure.floorOnCough();
    }

    public @Nullable Doming doming() {
        return pressure.doming();
    }

    public @Nullable BreathPattern breathPattern() {
        return atRest.breathPattern();
    }

    public @Nullable LumbarGap lumbarGap() {
        return atRest.lumbarGap();
    }

    /** The gap under the low back was looked at and is no fist: she holds the natural curve. */
    public boolean holdsCurve() {
        return lumbarGap() != null && lumbarGap() != LumbarGap.FIST;
    }

    public @Nullable RibsOverPelvis ribs() {
        return atRest.ribs();
    }

    public Map<Side, Integer> setGrade() {
        return deepCore.setGrade();
    }

    public @Nullable Integer toleranceBreaths() {
        return deepCore.toleranceBreaths();
    }

    public Map<Side, Integer> floatScore() {
        return deepCore.floatScore();
    }

    public @Nullable Scoop scoop() {
        return handsAndKnees.scoop();
    }

    public Set<Side> armReachKept() {
        return handsAndKnees.armReachKept();
    }

    public Set<Side> legReachKept() {
        return handsAndKnees.legReachKept();
    }

    public @Nullable Integer hoverS() {
        return handsAndKnees.hoverS();
    }

    /** The same with this answer to pressure. */
    public Findings with(Pressure seen) {
        return new Findings(seen, atRest, deepCore, handsAndKnees, shown, impact);
    }

    /** The same with her way of lying, standing and breathing. */
    public Findings with(AtRest seen) {
        return new Findings(pressure, seen, deepCore, handsAndKnees, shown, impact);
    }

    /** The same with the deep-core set. */
    public Findings with(DeepCore seen) {
        return new Findings(pressure, atRest, seen, handsAndKnees, shown, impact);
    }

    /** The same with the tests on hands and knees. */
    public Findings with(HandsAndKnees seen) {
        return new Findings(pressure, atRest, deepCore, seen, shown, impact);
    }

    /** The same with what was seen beside. */
    public Findings with(Shown seen) {
        return new Findings(pressure, atRest, deepCore, handsAndKnees, seen, impact);
    }

    /** The same with the battery before running. */
    public Findings with(ImpactTest.Battery seen) {
        return new Findings(pressure, atRest, deepCore, handsAndKnees, shown, seen);
    }

    /** The same with the scores of a float test that was told as such. */
    public Findings withFloats(Map<Side, Integer> scores) {
        return with(new DeepCore(setGrade(), toleranceBreaths(), scores));
    }

    /** The same with the reaches on hands and knees: where the rod was kept, and on which sides it was lost. */
    public Findings withReaches(Set<Side> arms, Set<Side> legs, Set<Side> lost, @Nullable Integer hoverSeconds) {
        return with(new HandsAndKnees(scoop(), arms, legs, lost, hoverSeconds));
    }

    /** Hands and knees held in neutral: the rod kept its contacts in some reach, or she hovered clean. */
    public boolean neutralOnHandsAndKnees() {
        return !handsAndKnees.armReachKept().isEmpty()
                || !handsAndKnees.legReachKept().isEmpty()
                || hoverClean();
    }

    public boolean hoverClean() {
        return handsAndKnees.hoverS() != null && handsAndKnees.hoverS() >= HOVER_CLEAN_S;
    }

    /** The low belly pushes out, or the pelvic floor goes down, on a cough. */
    public boolean coughReversed() {
        return pressure.cough() == Cough.PUSHES_OUT || pressure.floorOnCough() == FloorOnCough.DESCENDS;
    }

    /** Reversed reflex, or the breath is lost within two breaths: nothing loaded above the first float. */
    public boolean breathComesFirst() {
        return coughReversed() || tolerance().map(Tolerance::isPoor).orElse(false);
    }

    /** The grade of the weaker side: the deep-core set works as one, so the weaker side decides what is safe. */
    public Optional<DeepCoreGrade> weakerGrade() {
        return deepCore.setGrade().values().stream().min(Integer::compare).map(DeepCoreGrade::new);
    }

    public Optional<Tolerance> tolerance() {
        return Optional.ofNullable(deepCore.toleranceBreaths()).map(Tolerance::new);
    }

    /** Chest up or reversed: the breath has to be learnt first. */
    public boolean breathPatternOff() {
        return atRest.breathPattern() == BreathPattern.CHEST_UP || atRest.breathPattern() == BreathPattern.REVERSED;
    }

    /** Held firm on both sides, breathing. */
    public boolean engagementFirm() {
        return deepCore.setGrade().size() == Side.values().length
                && weakerGrade().map(DeepCoreGrade::isFirm).orElse(false);
    }

    /** Graded, and too weak to carry load. */
    public boolean engagementWeak() {
        return weakerGrade().map(DeepCoreGrade::isWeak).orElse(false);
    }

    public boolean tiltedForward() {
        return shown.tiltDeg() != null && shown.tiltDeg() > NEUTRAL_TILT_DEG;
    }

    /** Within five degrees either way, or not measured. */
    public boolean tiltNeutral() {
        return shown.tiltDeg() == null || Math.abs(shown.tiltDeg()) <= NEUTRAL_TILT_DEG;
    }

    /** Some reach on hands and knees was tried and the rod lost its place. */
    public boolean contactLost() {
        return !handsAndKnees.contactLost().isEmpty();
    }

    /**
     * The longest clean hold she has shown on that side, or on the weaker one, s: as measured, else the least her grade
     * stands for. Empty where neither was looked at.
     */
    public Optional<Double> holdShownS(@Nullable Side side) {
        Optional<Double> measured = side != null && shown.longestHoldS().containsKey(side)
                ? Optional.ofNullable(shown.longestHoldS().get(side))
                : shown.longestHoldS().values().stream().min(Double::compare);
        if (measured.isPresent()) {
            return measured;
        }
        return Optional.ofNullable(side == null ? null : deepCore.setGrade().get(side))
                .map(DeepCoreGrade::new)
                .or(this::weakerGrade)
                .map(grade -> (double) grade.holdS());
    }

    /** The side that holds at least a fifth less, as far as holds were measured. */
    public Optional<Side> weakerHold() {
        Double left = shown.longestHoldS().get(Side.LEFT);
        Double right = shown.longestHoldS().get(Side.RIGHT);
        if (left == null || right == null || !new Symmetry(left, right).asymmetric()) {
            return Optional.empty();
        }
        return Optional.of(left < right ? Side.LEFT : Side.RIGHT);
    }
}
