package fernstep.app.progress;

import java.time.LocalDate;

/** A move that the practitioner holds back, and why. */
public record HoldRow(long stepId, String reason, long staffId, LocalDate heldOn) {}
