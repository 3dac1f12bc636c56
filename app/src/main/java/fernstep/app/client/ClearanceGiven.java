package fernstep.app.client;

import fernstep.core.client.Clearance;
import java.time.LocalDate;

/**
 * Somebody qualified has said yes, and it was taken down.
 *
 * @param on the day on which it was given
 * @param staffId who took it down
 */
public record ClearanceGiven(long clientId, Clearance.Scope scope, LocalDate on, long staffId) {}
