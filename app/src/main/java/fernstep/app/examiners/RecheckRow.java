package fernstep.app.examiners;

import fernstep.core.separation.FingerCalibration;
import fernstep.core.separation.Method;
import java.util.Optional;

/**
 * The same site read twice by the same hands, on two visits at most two weeks apart.
 *
 * @param first what was read, as stored: repeats in finger-widths or mm, separated by blanks
 * @param second the same on the later visit
 */
public record RecheckRow(Method method, String first, String second) {

    /**
     * Second minus first, mm. Of the first repeat of each: what a mean of several shows would be too small for a single
     * reading. Empty where a row cannot be read: it says nothing, and keeps nobody from working.
     */
    Optional<Double> differenceMm(FingerCalibration fingers) {
        try {
            return Optional.of(firstMm(second, fingers) - firstMm(first, fingers));
        } catch (IllegalArgumentException unreadable) {
            return Optional.empty();
        }
    }

    private double firstMm(String stored, FingerCalibration fingers) {
        double value = Double.parseDouble(stored.strip().split("\\s+", 2)[0]);
        return method == Method.FINGERS ? fingers.toMm(value) : value;
    }
}
