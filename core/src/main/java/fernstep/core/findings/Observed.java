package fernstep.core.findings;

import fernstep.core.measure.Side;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What was seen and told beside the findings that decide the start; a missing check is null or absent.
 *
 * @param effortPct effort used for the set, % of full; about a fifth is wanted
 * @param rodArm where the rod lost her first while that arm reached
 * @param rodLeg the same for the leg
 * @param hoverS clean hover, s
 */
public record Observed(
        @Nullable Double effortPct,
        @Nullable FloorLift floorLift,
        @Nullable LetGo letGo,
        @Nullable YesNo overRecruits,
        @Nullable YesNo ribFlare,
        @Nullable YesNo flareSettles,
        @Nullable Straw straw,
        Map<Side, RodContact> rodArm,
        Map<Side, RodContact> rodLeg,
        @Nullable YesNo bellyDrops,
        @Nullable Double hoverS) {

    public Observed {
        rodArm = Map.copyOf(rodArm);
        rodLeg = Map.copyOf(rodLeg);
    }

    /** A check that is seen or not seen. */
    public enum YesNo {
        YES,
        NO
    }

    /** At which part of the head lift the ridge shows. */
    public enum DomeWhen {
        GOING_UP,
        AT_THE_TOP,
        COMING_DOWN
    }

    /** Whether the pelvic floor lifts when she engages it. */
    public enum FloorLift {
        LIFTS,
        DOES_NOT,
        BEARS_DOWN
    }

    /** Whether the pelvic floor lets go after it was lifted. */
    public enum LetGo {
        FULLY,
        PARTLY,
        NO
    }

    /** Strongest blow at which the belly stays flat. */
    public enum Straw {
        NONE,
        FAINT,
        GENTLE,
        FIRM
    }

    /** Where the rod along the back lost her first, if it did. */
    public enum RodContact {
        KEPT,
        SKULL,
        MID_BACK,
        SACRUM
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
}
