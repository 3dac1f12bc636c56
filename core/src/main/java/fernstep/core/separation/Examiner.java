package fernstep.core.separation;

import fernstep.core.measure.MeasurementError;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Whose fingers: her calibration, and for the methods she has tested her own typical error and bias, mm.
 *
 * @param id tells two examiners apart; null where nobody says who it was, which counts as the same
 * @param biasMm by how much she reads too wide (+) or too narrow (−)
 */
public record Examiner(
        @Nullable String id, FingerCalibration calibration, Map<Method, Double> ownSemMm, Map<Method, Double> biasMm) {
    public static final Examiner UNKNOWN = new Examiner(null, FingerCalibration.NOT_CALIBRATED, Map.of(), Map.of());
    private static final double BETWEEN_FINGERS_MM = 5;
    private static final double BETWEEN_OTHERS_MM = 2;

    public Examiner {
        ownSemMm = Map.copyOf(ownSemMm);
        biasMm = Map.copyOf(biasMm);
    }

    public static Examiner calibrated(FingerCalibration calibration) {
        return new Examiner(null, calibration, Map.of(), Map.of());
    }

    /** Error of one reading, mm: her typical error, and for fingers the rounding to half steps. */
    double errorMm(Method method) {
        double step = method == Method.FINGERS ? calibration.stepMm() : 0;
        return MeasurementError.ofRounded(semMm(method), step);
    }

    boolean differsFrom(Examiner other) {
        return id != null && other.id != null && !id.equals(other.id);
    }

    /** What two examiners add to each reading's error, mm, unless both biases are known. */
    static double betweenMm(Examiner a, Method methodA, Examiner b, Method methodB, Method of) {
        boolean known = a.biasMm.containsKey(methodA) && b.biasMm.containsKey(methodB);
        return !a.differsFrom(b) || known ? 0 : of == Method.FINGERS ? BETWEEN_FINGERS_MM : BETWEEN_OTHERS_MM;
    }

    double biasMm(Method method) {
        return biasMm.getOrDefault(method, 0.0);
    }

    double semMm(Method method) {
        return ownSemMm.getOrDefault(method, method.usualSemMm());
    }
}
