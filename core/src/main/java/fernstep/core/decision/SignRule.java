package fernstep.core.decision;

import fernstep.core.findings.SignCode;
import java.util.Set;

/** One rule of the table: its id, the signs it answers, and how. */
record SignRule(RuleId id, Set<SignCode> signs, Response response) {

    interface Response {
        Candidate answer(SignRules rules, RuleId id, Seen sign);
    }
}
