package fernstep.core.spotting;

import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;

/**
 * A sign that truly shows.
 *
 * @param from first repetition in which it shows, from 1
 * @param to last one
 */
public record Episode(SignCode sign, Seen.Severity severity, int from, int to) {

    /** Called out while it shows, or in the repetition after. */
    boolean isMeantBy(Mark mark) {
        return mark.sign() == sign && mark.rep() >= from && mark.rep() <= to + 1;
    }
}
