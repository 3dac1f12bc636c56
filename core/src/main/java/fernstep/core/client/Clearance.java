package fernstep.core.client;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Someone qualified said yes: to what, who, when, and until when (that day included). */
public record Clearance(
        Scope scope,
        LocalDate date,
        String byRole,
        @Nullable String byName,
        @Nullable LocalDate expiry,
        @Nullable String note) {

    /** Each scope includes those before it. */
    public enum Scope {
        GENTLE,
        EXERCISE,
        FULL;

        public boolean includes(Scope other) {
            return ordinal() >= other.ordinal();
        }
    }

    /** @throws IllegalArgumentException when it expires before it was given */
    public Clearance {
        if (expiry != null && expiry.isBefore(date)) {
            throw new IllegalArgumentException("a clearance cannot expire before it is given");
        }
    }

    /** Counts today for what happened on {@code since}: given on or after it, not in the future, not expired. */
    public boolean counts(LocalDate since, LocalDate today) {
        return !date.isBefore(since) && !date.isAfter(today) && (expiry == null || !expiry.isBefore(today));
    }
}
