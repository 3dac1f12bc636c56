package fernstep.app.security;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import fernstep.app.support.Tokens;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Time-based codes of six digits (RFC 6238), each taken once, and ten recovery codes for a lost phone. */
@Service
class SecondFactor {
    private static final int SECRET_BYTES = 20;
    private static final int RECOVERY_CODES = 10;
    private static final int RECOVERY_BYTES = 5;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final StaffMapper staff;
    private final Clock clock;
    private final TimeBasedOneTimePasswordGenerator generator = new TimeBasedOneTimePasswordGenerator();

    SecondFactor(StaffMapper staff, Clock clock) {
        this.staff = staff;
        this.clock = clock;
    }

    static String newSecret() {
        byte[] secret = new byte[SECRET_BYTES];
        RANDOM.nextBytes(secret);
        return new Base32().encodeToString(secret);
    }

    /** What a phone's code program opens. */
    static String link(String username, String secret) {
        return "otpauth://totp/Fern%20Step:" + username + "?secret=" + secret + "&issuer=Fern%20Step";
    }

    /** True for an account without a second factor; a code is taken once. */
    @Transactional
    public boolean accepts(Staff who, String code) {
        if (who.totpSecret() == null) {
            return true;
        }
        long id = Objects.requireNonNull(who.id());
        long step = step(who.totpSecret(), code);
        return step > 0
                ? staff.useTotpStep(id, step) == 1
                : !code.isEmpty() && staff.useRecoveryCode(id, hash(code)) == 1;
    }

    /** Whether the code shows that the secret is in her phone. */
    boolean shows(String secret, String code) {
        return step(secret, code) > 0;
    }

    /** Turns it on, and gives the recovery codes, which are shown this once. */
    @Transactional
    public List<String> turnOn(long staffId, String secret) {
        staff.putTotp(staffId, secret);
        staff.removeRecoveryCodes(staffId);
        List<String> codes = new ArrayList<>();
        for (int i = 0; i < RECOVERY_CODES; i++) {
            byte[] bytes = new byte[RECOVERY_BYTES];
            RANDOM.nextBytes(bytes);
            String code = HexFormat.of().formatHex(bytes);
            codes.add(code);
            staff.addRecoveryCode(staffId, hash(code));
        }
        return codes;
    }

    @Transactional
    public void turnOff(long staffId) {
        staff.putTotp(staffId, null);
        staff.removeRecoveryCodes(staffId);
    }

    private static String hash(String code) {
        return Tokens.digest(code.toLowerCase(Locale.ROOT));
    }

    /** The time step the code belongs to, one before and after now included; 0 where none. */
    private long step(String secret, String code) {
        if (!code.matches("[0-9]{6}")) {
            return 0;
        }
        SecretKeySpec key = new SecretKeySpec(new Base32().decode(secret), generator.getAlgorithm());
        long stepS = generator.getTimeStep().toSeconds();
        Instant now = clock.instant();
        for (int off : new int[] {0, -1, 1}) {
            Instant at = now.plusSeconds(off * stepS);
            try {
                if (generator.generateOneTimePasswordString(key, at).equals(code)) {
                    return at.getEpochSecond() / stepS;
                }
            } catch (InvalidKeyException e) {
                throw new IllegalStateException("a stored secret is no key", e);
            }
        }
        return 0;
    }
}
