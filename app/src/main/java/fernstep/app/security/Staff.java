package fernstep.app.security;

import fernstep.core.client.Licence;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.FingerCalibration;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A staff account; the finger widths (mm in all) are null until she has calibrated.
 *
 * @param enabled whether she may sign in
 * @param totpSecret of her second factor; null without one
 */
public record Staff(
        @Nullable Long id,
        String username,
        String fullName,
        String passwordHash,
        Licence licence,
        boolean houseLead,
        @Nullable Double finger1Mm,
        @Nullable Double finger2Mm,
        @Nullable Double finger3Mm,
        @Nullable Double finger4Mm,
        boolean enabled,
        @Nullable String totpSecret) {

    /** A new account, which has neither calibrated nor a second factor. */
    static Staff fresh(String username, String fullName, String passwordHash, Licence licence, boolean houseLead) {
        return new Staff(
                null, username, fullName, passwordHash, licence, houseLead, null, null, null, null, true, null);
    }

    public Examiner examiner() {
        return finger1Mm == null || finger2Mm == null || finger3Mm == null || finger4Mm == null
                ? Examiner.UNKNOWN
                : Examiner.calibrated(FingerCalibration.of(List.of(finger1Mm, finger2Mm, finger3Mm, finger4Mm)));
    }
}
