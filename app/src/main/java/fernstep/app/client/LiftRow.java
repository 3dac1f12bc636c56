package fernstep.app.client;

import fernstep.core.client.Restriction;
import java.time.LocalDate;

/** A derived restriction that a therapist has lifted for a client, and why. */
public record LiftRow(long clientId, Restriction code, String reason, long staffId, LocalDate liftedOn) {}
