package fernstep.exchange.eval;

import fernstep.exchange.casefile.CaseObject;
import java.util.Map;

/** One kind of request. */
interface Operation {
    /** @throws fernstep.exchange.casefile.CaseProblem naming the path of what cannot be used */
    Map<String, Object> answer(CaseObject request);
}
