package fernstep.core.session;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.decision.Situation;
import java.time.LocalDate;

/**
 * What the rules know of her beside what happens in the session.
 *
 * @param day of the session: what is older than four weeks before it no longer counts
 */
public record Circumstances(
        Catalogue catalogue, Stances stances, Situation.Woman her, EarlierSessions earlier, LocalDate day) {}
