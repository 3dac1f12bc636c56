package fernstep.core.separation;

import fernstep.core.measure.Range;
import java.util.List;

/**
 * One examiner's finger-widths: total width in mm of 1, 2, 3 and 4 fingers side by side. Half fingers interpolate
 * linearly through (0, 0); above four the mean width goes on. Example: 16, 31, 46, 60 makes 2.5 fingers 38.5 mm.
 */
public record FingerCalibration(List<Double> totalMm, boolean measured) {
    private static final int FINGERS_MEASURED = 4;
    private static final double USUAL_FINGER_MM = 15;
    public static final double STEP = 0.5;

    /** Until an examiner has calibrated: 15 mm a finger, and the result says so. */
    public static final FingerCalibration NOT_CALIBRATED = new FingerCalibration(
            List.of(USUAL_FINGER_MM, 2 * USUAL_FINGER_MM, 3 * USUAL_FINGER_MM, 4 * USUAL_FINGER_MM), false);

    /** @throws IllegalArgumentException unless four widths that rise, each from 5 to 200 mm */
    public FingerCalibration {
        totalMm = List.copyOf(totalMm);
        if (totalMm.size() != FINGERS_MEASURED) {
            throw new IllegalArgumentException("needs the width of 1, 2, 3 and 4 fingers");
        }
        for (int i = 0; i < totalMm.size(); i++) {
            Range.FINGER_TABLE_MM.check(totalMm.get(i));
            if (i > 0 && totalMm.get(i) <= totalMm.get(i - 1)) {
                throw new IllegalArgumentException("each finger must add width");
            }
        }
    }

    public static FingerCalibration of(List<Double> totalMm) {
        return new FingerCalibration(totalMm, true);
    }

    /** @throws fernstep.core.measure.OutOfRange outside 0 to 10 fingers */
    public double toMm(double fingers) {
        Range.FINGERS.check(fingers);
        int whole = (int) fingers;
        if (whole >= FINGERS_MEASURED) {
            return total(FINGERS_MEASURED) + (fingers - FINGERS_MEASURED) * meanFingerMm();
        }
        return total(whole) + (fingers - whole) * (total(whole + 1) - total(whole));
    }

    /** The same table read the other way: 38.5 mm is 2.5 fingers of this examiner. */
    public double toFingers(double mm) {
        for (int whole = 0; whole < FINGERS_MEASURED; whole++) {
            if (mm <= total(whole + 1)) {
                return whole + (mm - total(whole)) / (total(whole + 1) - total(whole));
            }
        }
        return FINGERS_MEASURED + (mm - total(FINGERS_MEASURED)) / meanFingerMm();
    }

    /** Half a finger, mm: the step in which fingers are read. */
    double stepMm() {
        return STEP * meanFingerMm();
    }

    private double meanFingerMm() {
        return total(FINGERS_MEASURED) / FINGERS_MEASURED;
    }

    private double total(int fingers) {
        return fingers == 0 ? 0 : totalMm.get(fingers - 1);
    }
}
