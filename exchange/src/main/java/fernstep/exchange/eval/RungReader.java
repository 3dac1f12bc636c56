package fernstep.exchange.eval;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.exchange.casefile.CaseObject;

/** Rung codes in requests. */
final class RungReader {
    private RungReader() {}

    static Rung read(CaseObject request, String field, Catalogue catalogue) {
        String code = request.text(field);
        return catalogue
                .find(code)
                .orElseThrow(() -> request.problem(
                        field,
                        "unknown rung " + code,
                        String.join(
                                ", ", catalogue.rungs().stream().map(Rung::code).toList())));
    }
}
