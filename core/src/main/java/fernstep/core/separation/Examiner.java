package fernstep.core.separation;

import java.util.Map;

/** Whose fingers: her calibration, and her own typical error (mm) for the methods she has tested. */
public record Examiner(FingerCalibration calibration, Map<Method, Double> ownSemMm) {
    public static final Examiner UNKNOWN = new Examiner(FingerCalibration.NOT_CALIBRATED, Map.of());

    public Examiner {
        ownSemMm = Map.copyOf(ownSemMm);
    }

    public static Examiner calibrated(FingerCalibration calibration) {
        return new Examiner(calibration, Map.of());
    }

    double semMm(Method method) {
        return ownSemMm.getOrDefault(method, method.usualSemMm());
    }
}
