package fernstep.core.catalogue;

import fernstep.core.screening.Strand;
import org.jspecify.annotations.Nullable;

/**
 * What a rung means to the rules: the strand files say which rung it is ({@code means}), so that no rung is named in code.
 * A catalogue that lacks one of them is not read.
 */
public enum Waymark {
    /** Where breath begins for one whose reflex, pattern or tolerance is off. */
    BREATH_FIRST(Strand.BREATH),
    /** Where breath begins before the engagement carries. */
    BREATH_BASE(Strand.BREATH),
    /** The engagement kept over four breaths. */
    BREATHS_KEPT(Strand.BREATH),
    /** The engagement kept over ten and more. */
    BREATHS_MANY(Strand.BREATH),
    /** The engagement found. */
    SET_FIRST(Strand.DEEP_CORE),
    /** The engagement held for a moment. */
    SET_FAIR(Strand.DEEP_CORE),
    /** The engagement found on hands and knees. */
    SET_BY_SCOOP(Strand.DEEP_CORE),
    /** The engagement held while breathing. */
    SET_FIRM(Strand.DEEP_CORE),
    /** The pelvic floor found. */
    FLOOR_FIRST(Strand.PELVIC_FLOOR),
    /** The pelvic floor lifts and lets go. */
    FLOOR_LEARNT(Strand.PELVIC_FLOOR),
    /** The pelvis tipped. */
    TILT_FIRST(Strand.PELVIC_CONTROL),
    /** The natural curve kept. */
    TILT_STEADY(Strand.PELVIC_CONTROL),
    /** Ribs brought over the pelvis, standing. */
    RIBS_OVER_PELVIS(Strand.PELVIC_CONTROL),
    FLOAT_1(Strand.LEG_FLOAT),
    FLOAT_2(Strand.LEG_FLOAT),
    FLOAT_3(Strand.LEG_FLOAT),
    FLOAT_4(Strand.LEG_FLOAT),
    FLOAT_5(Strand.LEG_FLOAT),
    HEEL_SLIDE_FIRST(Strand.HEEL_SLIDE),
    ARM_LEG_FIRST(Strand.ARM_LEG),
    ROTATION_FIRST(Strand.ROTATION),
    BRIDGE_FIRST(Strand.BRIDGE),
    NEUTRAL_FIRST(Strand.HANDS_KNEES),
    NEUTRAL_KEPT(Strand.HANDS_KNEES),
    HAND_GLIDE(Strand.HANDS_KNEES),
    ARM_REACH(Strand.HANDS_KNEES),
    LEG_REACH(Strand.HANDS_KNEES),
    HOVER_FIRST(Strand.HOVER_PLANK),
    SIDE_SUPPORT_FIRST(Strand.SIDE_SUPPORT),
    BACK_LINE_FIRST(Strand.BACK_LINE),
    UPRIGHT_WORK(Strand.UPRIGHT),
    IMPACT_FIRST(Strand.IMPACT),
    CURL_FIRST(Strand.CURL),
    /** Held clean on both sides it shows that the foundations are settled. */
    SHOWS_FOUNDATIONS,
    /** The highest rung that a settled strand counts as done. */
    SETTLED_TEACHES,
    /** What comes back as carry-over once its strand is settled. */
    CARRY_OVER_UPPER,
    /** Can be done on a firm bed where the floor is closed. */
    ON_A_BED,
    /** Done apart from the session and its minutes: a walk, a run. */
    APART,
    GOAL_RUNNING_ASSESSMENT,
    GOAL_CAR_SEAT,
    GOAL_FULL_PLANK,
    GOAL_FRONT_LINE_RETURN,
    GOAL_BACK_TO_RUNNING;

    private final @Nullable Strand strand;

    Waymark() {
        this.strand = null;
    }

    Waymark(Strand strand) {
        this.strand = strand;
    }

    /** The strand on which exactly one rung holds it; null where several rungs may, on any strand. */
    @Nullable
    Strand strand() {
        return strand;
    }

    /** The clean floats of the test, by their number from 1 to 5. */
    public static Waymark floatOf(int number) {
        return valueOf("FLOAT_" + number);
    }
}
