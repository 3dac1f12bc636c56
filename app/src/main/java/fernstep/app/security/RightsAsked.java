package fernstep.app.security;

import fernstep.core.client.Licence;
import java.time.LocalDateTime;

/** More rights for somebody, asked for and not yet given. */
public record RightsAsked(
        long id,
        long staffId,
        Licence licence,
        boolean houseLead,
        long askedBy,
        String askedByName,
        LocalDateTime askedAt) {
    static final int WAITS_HOURS = 24;

    /** When it takes effect where nobody else could decide. */
    public LocalDateTime takesEffect() {
        return askedAt.plusHours(WAITS_HOURS);
    }
}
