package fernstep.app.examiners;

import fernstep.core.separation.Method;
import org.jspecify.annotations.Nullable;

/**
 * Two blind measures of the same thing by one examiner, mm.
 *
 * @param repeat on one visit, or on two
 * @param truthMm the hidden width, on the trainer only
 */
public record PairRow(
        String formId,
        long staffId,
        boolean onTrainer,
        Repeat repeat,
        Method method,
        double firstMm,
        double secondMm,
        @Nullable Double truthMm) {

    double differenceMm() {
        return secondMm - firstMm;
    }
}
