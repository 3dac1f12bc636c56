package fernstep.core.findings;

import fernstep.core.findings.Observed.FloorLift;
import fernstep.core.findings.Observed.LetGo;
import fernstep.core.measure.Side;
import fernstep.core.measure.Symmetry;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What the checks found, as far as they were done; a missing check is null or absent, never a guess.
 *
 * @param setGrade deep-core set per side, 0 to 5
 * @param toleranceBreaths breaths taken before the set is lost
 * @param floatScore highest clean rung of the leg-float test per side, 0 to 5
 * @param armReachKept sides on which the rod kept its three contacts while that arm reached
 * @param legReachKept the same for the leg
 * @param hoverS seconds of clean hover
 * @param shown holds, tilt, rib flare, pelvic floor and belly drop
 */
public record Findings(
        @Nullable Cough cough,
        Map<Side, Integer> setGrade,
        @Nullable Integer toleranceBreaths,
        @Nullable BreathPattern breathPattern,
        Map<Side, Integer> floatScore,
        @Nullable LumbarGap lumbarGap,
        @Nullable RibsOverPelvis ribs,
        @Nullable Doming doming,
        @Nullable FloorOnCough floorOnCough,
        @Nullable Scoop scoop,
        Set<Side> armReachKept,
        Set<Side> legReachKept,
        @Nullable Integer hoverS,
        Shown shown) {

    public static final Findings NONE =
            new Findings(null, Map.of(), null, null, Map.of(), null, null, null, null, null);
    public static final int FLOAT_RUNGS = 5;

    private static final int HOVER_CLEAN_S = 4;
    private static final double NEUTRAL_TILT_DEG = 5;

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

    public Findings {
        setGrade = Map.copyOf(setGrade);
        floatScore = Map.copyOf(floatScore);
        armReachKept = Set.copyOf(armReachKept);
        legReachKept = Set.copyOf(legReachKept);
    }

    /** Without the tests on hands and knees, but for the scoop. */
    public Findings(
            @Nullable Cough cough,
            Map<Side, Integer> setGrade,
            @Nullable Integer toleranceBreaths,
            @Nullable BreathPattern breathPattern,
            Map<Side, Integer> floatScore,
            @Nullable LumbarGap lumbarGap,
            @Nullable RibsOverPelvis ribs,
            @Nullable Doming doming,
            @Nullable FloorOnCough floorOnCough,
            @Nullable Scoop scoop) {
        this(
                cough,
                setGrade,
                toleranceBreaths,
                breathPattern,
                floatScore,
                lumbarGap,
                ribs,
                doming,
                floorOnCough,
                scoop,
                Set.of(),
                Set.of(),
                null,
                Shown.NOTHING);
    }

    /** The same with what was seen beside. */
    public Findings with(Shown seen) {
        return with(floatScore, armReachKept, legReachKept, hoverS, seen);
    }

    /** The same with the scores of a float test that was told as such. */
    public Findings withFloats(Map<Side, Integer> scores) {
        return with(scores, armReachKept, legReachKept, hoverS, shown);
    }

    /** The same with the reaches on hands and knees. */
    public Findings withReaches(Set<Side> arms, Set<Side> legs, @Nullable Integer hoverSeconds) {
        return with(floatScore, arms, legs, hoverSeconds, shown);
    }

    private Findings with(
            Map<Side, Integer> scores, Set<Side> arms, Set<Side> legs, @Nullable Integer hoverSeconds, Shown seen) {
        return new Findings(
                cough,
                setGrade,
                toleranceBreaths,
                breathPattern,
                scores,
                lumbarGap,
                ribs,
                doming,
                floorOnCough,
                scoop,
                arms,
                legs,
                hoverSeconds,
                seen);
    }

    /** Hands and knees held in neutral: the rod kept its contacts in some reach, or she hovered clean. */
    public boolean neutralOnHandsAndKnees() {
        return !armReachKept.isEmpty() || !legReachKept.isEmpty() || hoverClean();
    }

    public boolean hoverClean() {
        return hoverS != null && hoverS >= HOVER_CLEAN_S;
    }

    /** The low belly's answer to a cough. */
    public enum Cough {
        DRAWS_IN,
        NO_CHANGE,
        PUSHES_OUT
    }

    /** The pelvic floor's answer to a cough, by the client's own account. */
    public enum FloorOnCough {
        LIFTS,
        NONE,
        DESCENDS
    }

    /** On hands and knees, whether the belly rises on the out-breath. */
    public enum Scoop {
        YES,
        PARTLY,
        NO
    }

    /** Where the breath goes, lying at rest. */
    public enum BreathPattern {
        RIBS_ALL_ROUND,
        BELLY,
        CHEST_UP,
        REVERSED
    }

    /** Space under the low back, lying. */
    public enum LumbarGap {
        NONE,
        FLAT_HAND,
        FIST
    }

    /** Where the ribs stand, seen from the side. */
    public enum RibsOverPelvis {
        RIBS_AHEAD,
        STACKED,
        RIBS_BEHIND
    }

    /** What the midline does on a head lift. */
    public enum Doming {
        NONE,
        SOFT,
        FIRM
    }

    /** The low belly pushes out, or the pelvic floor goes down, on a cough. */
    public boolean coughReversed() {
        return cough == Cough.PUSHES_OUT || floorOnCough == FloorOnCough.DESCENDS;
    }

    /** Reversed reflex, or the breath is lost within two breaths: nothing loaded above the first float. */
    public boolean breathComesFirst() {
        return coughReversed() || tolerance().map(Tolerance::isPoor).orElse(false);
    }

    /** The grade of the weaker side: the deep-core set works as one, so the weaker side decides what is safe. */
    public Optional<DeepCoreGrade> weakerGrade() {
        return setGrade.values().stream().min(Integer::compare).map(DeepCoreGrade::new);
    }

    public Optional<Tolerance> tolerance() {
        return Optional.ofNullable(toleranceBreaths).map(Tolerance::new);
    }

    /** Chest up or reversed: the breath has to be learnt first. */
    public boolean breathPatternOff() {
        return breathPattern == BreathPattern.CHEST_UP || breathPattern == BreathPattern.REVERSED;
    }

    /** Held firm on both sides, breathing. */
    public boolean engagementFirm() {
        return setGrade.size() == Side.values().length
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
        boolean tried = !armReachKept.isEmpty() || !legReachKept.isEmpty();
        return tried && (armReachKept.size() < Side.values().length || legReachKept.size() < Side.values().length);
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
        return Optional.ofNullable(side == null ? null : setGrade.get(side))
                .map(DeepCoreGrade::new)
                .or(this::weakerGrade)
                .map(g -> (double) g.holdS());
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
