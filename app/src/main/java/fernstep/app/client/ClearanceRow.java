package fernstep.app.client;

import fernstep.core.client.Clearance;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A clearance as stored, and who recorded it. */
public record ClearanceRow(
        long clientId,
        Clearance.Scope scope,
        LocalDate givenOn,
        @Nullable LocalDate expiresOn,
        String byRole,
        String byName,
        String note,
        long recordedBy) {
    Clearance asClearance() {
        return new Clearance(scope, givenOn, byRole, byName, expiresOn, note);
    }
}
