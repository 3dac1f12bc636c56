package fernstep.core.progress;

import fernstep.core.measure.MeasurementError;

/**
 * What is followed from visit to visit besides widths. Until a house has its own numbers each carries a usual error of
 * one measure; grades and rungs change by whole steps.
 */
public enum Measure {
    SET_GRADE(0, ""),
    SET_HOLD_S(2, "s"),
    TOLERANCE_BREATHS(1, "breaths"),
    RIB_EXCURSION_CM(0.5, "cm"),
    FLOOR_HOLD_S(2, "s"),
    QUICK_LIFTS(1, ""),
    FLOAT_SCORE(0, ""),
    HOVER_S(2, "s"),
    RIB_OFFSET_MM(6, "mm"),
    TILT_DEG(2, "°"),
    DOME_HEIGHT_MM(2, "mm");

    private static final double ONE_STEP = 1;
    private final double sem;
    private final String unit;

    Measure(double sem, String unit) {
        this.sem = sem;
        this.unit = unit;
    }

    public String unit() {
        return unit;
    }

    double sem() {
        return sem;
    }

    /** Whether a change is toward what training wants: more of what she does, less of what leans or rises. */
    boolean better(double before, double now) {
        return switch (this) {
            case SET_GRADE,
                    SET_HOLD_S,
                    TOLERANCE_BREATHS,
                    RIB_EXCURSION_CM,
                    FLOOR_HOLD_S,
                    QUICK_LIFTS,
                    FLOAT_SCORE,
                    HOVER_S -> now > before;
            case RIB_OFFSET_MM, TILT_DEG, DOME_HEIGHT_MM -> Math.abs(now) < Math.abs(before);
        };
    }

    boolean inWholeSteps() {
        return sem == 0;
    }

    /** The smallest difference between two visits that is a change, in this measure's unit. */
    public double smallestRealChange() {
        return sem == 0 ? ONE_STEP : MeasurementError.smallestRealChange(sem, sem);
    }

    boolean real(double difference) {
        return sem == 0 ? Math.abs(difference) >= smallestRealChange() : Math.abs(difference) > smallestRealChange();
    }
}
