package fernstep.app.support;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** Secrets that open something: 256 random bits for whoever holds them, a digest for the database. */
public final class Tokens {
    private static final int BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Tokens() {}

    /** A new one, of letters, digits, dashes and underscores. */
    public static String fresh() {
        byte[] token = new byte[BYTES];
        RANDOM.nextBytes(token);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(token);
    }

    /** What is stored of it: SHA-256 in 64 hexadecimal digits. Looking that up compares nothing byte by byte. */
    public static String digest(String token) {
        try {
            byte[] bytes = token.getBytes(StandardCharsets.UTF_8);
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
