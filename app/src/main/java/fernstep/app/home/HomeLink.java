package fernstep.app.home;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/**
 * The link to a client's home page, as stored.
 *
 * @param tokenHash digest of what stands in the link
 * @param expiresOn the last day on which it opens
 * @param wrongTries wrong PINs since the last right one
 */
public record HomeLink(
        long clientId,
        String tokenHash,
        String pinHash,
        long madeBy,
        LocalDate expiresOn,
        int wrongTries,
        @Nullable LocalDateTime lastWrongAt,
        @Nullable LocalDateTime lockedAt) {
    /** So many wrong PINs close it. */
    public static final int MOST_TRIES = 10;

    private static final int FREE_TRIES = 3;
    private static final int FIRST_WAIT_S = 5;
    private static final int LONGEST_WAIT_S = 300;

    public boolean locked() {
        return lockedAt != null;
    }

    /** Seconds until the next PIN is looked at: none for the first three, then 5 s, doubling. */
    long waitS(LocalDateTime now) {
        if (wrongTries < FREE_TRIES || lastWrongAt == null) {
            return 0;
        }
        long wait = Math.min(LONGEST_WAIT_S, (long) FIRST_WAIT_S << (wrongTries - FREE_TRIES));
        return Math.max(0, wait - Duration.between(lastWrongAt, now).toSeconds());
    }
}
