package fernstep.app.security;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links that let somebody choose her password once. Only a digest is stored, so a copy of the database opens nothing. */
@Service
class OneTimeLinks {
    private static final int TOKEN_BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final StaffMapper staff;

    OneTimeLinks(StaffMapper staff) {
        this.staff = staff;
    }

    /** A new link's token; earlier links of the account no longer work. */
    @Transactional
    public String make(long staffId, long byStaffId) {
        byte[] token = new byte[TOKEN_BYTES];
        RANDOM.nextBytes(token);
        String text = Base64.getUrlEncoder().withoutPadding().encodeToString(token);
        staff.removeLinks(staffId);
        staff.addLink(digest(text), staffId, byStaffId);
        return text;
    }

    /** Whose link it is; empty when it was used, has run out, or never was. */
    Optional<Staff> whose(String token) {
        return staff.byLink(digest(token));
    }

    /** @return false when somebody was faster */
    boolean use(String token) {
        return staff.useLink(digest(token)) == 1;
    }

    private static String digest(String token) {
        return sha256(token.getBytes(StandardCharsets.UTF_8));
    }

    static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
