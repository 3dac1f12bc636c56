package fernstep.core.approach;

import fernstep.core.approach.Stances.Activation;
import fernstep.core.approach.Stances.Breath;
import fernstep.core.approach.Stances.Doming;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.approach.Stances.Flexion;
import fernstep.core.approach.Stances.GapReading;
import fernstep.core.approach.Stances.Garment;
import fernstep.core.approach.Stances.Size;
import fernstep.core.approach.Stances.Spine;
import fernstep.core.approach.Stances.Start;

/** The four approaches that ship. The rules read their stances; the name is for people. */
public enum Approach {
    QUIET_START(new Stances(
            Activation.DRAW_IN_LIGHT,
            Spine.BY_FINDING,
            Breath.BELLY_SOFT,
            EffortTiming.BREATHE_THROUGH,
            Doming.NONE_ALLOWED,
            GapReading.MORE_THAN_TWO_FINGERS,
            Start.EARLY_GENTLE,
            DoseStance.MICRO_DAILY,
            Flexion.AVOID,
            Garment.SUGGEST,
            Size.THREE_TO_FOUR)),
    BREATH_LED(new Stances(
            Activation.FLOOR_FIRST,
            Spine.NATURAL_CURVE,
            Breath.STRAW_BLOW,
            EffortTiming.EXHALE_EVERY_MOVE,
            Doming.NONE_ALLOWED,
            GapReading.FUNCTION_FIRST,
            Start.CLEARANCE_FIRST,
            DoseStance.BREATH_COUNTED,
            Flexion.AVOID,
            Garment.OPTIONAL,
            Size.THREE_TO_FIVE)),
    SLOW_LADDER(new Stances(
            Activation.FLOOR_FIRST,
            Spine.BY_FINDING,
            Breath.RIBS_WIDE,
            EffortTiming.EXHALE_EVERY_MOVE,
            Doming.NONE_ALLOWED,
            GapReading.TWO_OR_MORE_FINGERS,
            Start.CLEARANCE_FIRST,
            DoseStance.MASTERY_REPS,
            Flexion.LATE_GRADED,
            Garment.OPTIONAL,
            Size.FOUR_TO_SIX)),
    GRADED_LOAD(new Stances(
            Activation.BRACE_ALL_ROUND,
            Spine.NATURAL_CURVE,
            Breath.ALL_ROUND,
            EffortTiming.EXHALE_EFFORT_ONLY,
            Doming.SOFT_TOLERATED,
            GapReading.FUNCTION_FIRST,
            Start.CLEARANCE_FIRST,
            DoseStance.SETS_WEEKLY,
            Flexion.LATE_GRADED,
            Garment.OPTIONAL,
            Size.FIVE_TO_SEVEN));

    private final Stances stances;

    Approach(Stances stances) {
        this.stances = stances;
    }

    public Stances stances() {
        return stances;
    }
}
