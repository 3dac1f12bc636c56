package fernstep.core.findings;

import fernstep.core.measure.Side;
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
        @Nullable Integer hoverS) {

    public static final Findings NONE =
            new Findings(null, Map.of(), null, null, Map.of(), null, null, null, null, null);
    private static final int HOVER_CLEAN_S = 4;
    private static final int POOR_TOLERANCE_BREATHS = 2;
    public static final int FLOAT_RUNGS = 5;

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
                null);
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

    public enum RibsOverPelvis {
        RIBS_AHEAD,
        STACKED,
        RIBS_BEHIND
    }

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
        return coughReversed() || (toleranceBreaths != null && toleranceBreaths <= POOR_TOLERANCE_BREATHS);
    }

    /** The grade of the weaker side: the deep-core set works as one, so the weaker side decides what is safe. */
    public Optional<Integer> weakerSetGrade() {
        return setGrade.values().stream().min(Integer::compare);
    }
}
