package fernstep.exchange.eval;

import fernstep.core.body.Body;
import fernstep.core.measure.Range;
import fernstep.exchange.casefile.CaseObject;

/** Mass, height and week of pregnancy in requests. */
final class BodyReader {
    private BodyReader() {}

    static Body read(CaseObject request) {
        Body body = Body.of(
                request.optionalNumber("massKg", Range.MASS_KG).orElse(null),
                request.optionalNumber("heightCm", Range.HEIGHT_CM).orElse(null));
        return request.optionalNumber("gestationWeeks", Range.GESTATION_WEEKS)
                .map(body::pregnant)
                .orElse(body);
    }
}
