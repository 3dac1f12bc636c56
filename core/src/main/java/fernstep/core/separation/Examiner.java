package fernstep.core.separation;

import fernstep.core.measure.MeasurementError;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Whose fingers: her calibration, and for the methods she has tested her own typical error, and bias in mm.
 *
 * @param id tells two examiners apart; null where nobody says who it was, which counts as the same
 * @param biasMm by how much she reads too wide (+) or too narrow (−)
 */
public record Examiner(
        @Nullable String id,
        FingerCalibration calibration,
        Map<Method, TypicalError> ownErrors,
        Map<Method, Double> biasMm) {
    public static final Examiner UNKNOWN = new Examiner(null, FingerCalibration.NOT_CALIBRATED, Map.of(), Map.of());
    private static final double BETWEEN_FINGERS_MM = 5;
    private static final double BETWEEN_OTHERS_MM = 2;

    public Examiner {
        ownErrors = Map.copyOf(ownErrors);
        biasMm = Map.copyOf(biasMm);
    }

    public static Examiner calibrated(FingerCalibration calibration) {
        return new Examiner(null, calibration, Map.of(), Map.of());
    }

    /** Error of one reading, mm: her typical error, and for fingers the rounding to half steps. */
    double errorMm(Method method) {
        double step = method == Method.FINGERS ? calibration.stepMm() : 0;
        return MeasurementError.ofRounded(error(method).semMm(), step);
    }

    boolean differsFrom(Examiner other) {
        return id != null && other.id != null && !id.equals(other.id);
    }

    /** What two examiners add to each reading's error, mm, unless both biases are known. */
    static double betweenMm(Examiner examiner, Method methodA, Examiner other, Method methodB, Method of) {
        boolean known = examiner.biasMm.containsKey(methodA) && other.biasMm.containsKey(methodB);
        if (!examiner.differsFrom(other) || known) {
            return 0;
        }
        return of == Method.FINGERS ? BETWEEN_FINGERS_MM : BETWEEN_OTHERS_MM;
    }

    double biasMm(Method method) {
        return biasMm.getOrDefault(method, 0.0);
    }

    TypicalError error(Method method) {
        return ownErrors.getOrDefault(method, TypicalError.of(method.usualSemMm()));
    }
}
