package fernstep.core.session;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.client.Restriction;
import java.time.LocalDate;
import java.util.Set;

/**
 * What the rules know of her beside what happens in the session.
 *
 * @param closed what is not open to her today
 * @param day of the session: what is older than four weeks before it no longer counts
 */
public record Circumstances(
        Catalogue catalogue,
        Stances stances,
        boolean pregnant,
        Set<Restriction> closed,
        Body body,
        EarlierSessions earlier,
        LocalDate day) {
    public Circumstances {
        closed = Set.copyOf(closed);
    }
}
