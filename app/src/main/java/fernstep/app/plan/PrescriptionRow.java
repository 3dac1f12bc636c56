package fernstep.app.plan;

import java.time.LocalDateTime;

/**
 * A plan as it was signed.
 *
 * @param proposedThen digest of what the rules proposed once it was in use: while they still do, nothing has changed
 * @param lastStep the newest step of her ladders that was in it: what she was moved to since counts instead
 */
record PrescriptionRow(
        long id,
        long clientId,
        LocalDateTime adoptedAt,
        long staffId,
        int secondsAvailable,
        long lastStep,
        String proposedThen) {}
