package fernstep.app.security;

import com.nulabinc.zxcvbn.Zxcvbn;
import fernstep.core.measure.Reason;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** What a password must be: long, hard to guess, none that many use, not the account's own name, nor the demo's. */
@Component
class Passwords {
    /** bcrypt reads no further. */
    private static final int LONGEST_BYTES = 72;

    private static final int FEWEST_KINDS = 5;
    /** Of 0 to 4: stands 10^8 guesses and more (Wheeler 2016, "zxcvbn: low-budget password strength estimation"). */
    private static final int HARD_TO_GUESS = 3;

    private static final String OF_THE_DEMO = "tidemark-demo";
    private static final List<String> OF_THE_HOUSE = List.of("fern", "fernstep", "fern step", "tidemark");

    private final PasswordEncoder encoder;
    private final int length;
    private final boolean demo;
    private final Zxcvbn guesses = new Zxcvbn();
    private final Set<String> common;

    /** @param length characters that a password needs at least */
    Passwords(
            PasswordEncoder encoder,
            @Value("${fern.password-length}") int length,
            @Value("${fern.demo}") boolean demo) {
        this.demo = demo;
        this.encoder = encoder;
        this.length = length;
        this.common = common();
    }

    private static Set<String> common() {
        try (InputStream in = Passwords.class.getResourceAsStream("/fernstep/app/security/common-passwords.txt")) {
            if (in == null) {
                throw new IllegalStateException("the list of common passwords is missing");
            }
            return new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))
                    .lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .map(Passwords::plain)
                    .collect(Collectors.toSet());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Letters alone, small, without digits and signs around them, the usual stand-ins read as what they stand for. */
    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT)
                .replaceAll("^[^a-z]+|[^a-z]+$", "")
                .replace('0', 'o')
                .replace('1', 'i')
                .replace('3', 'e')
                .replace('4', 'a')
                .replace('5', 's')
                .replace('@', 'a')
                .replace('$', 's')
                .replaceAll("[^a-z]", "");
    }

    int length() {
        return length;
    }

    /** Why it is refused; null where it is taken. */
    @Nullable
    Reason problem(String password, String username) {
        if (password.codePointCount(0, password.length()) < length) {
            return Reason.of("password.short", length);
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES) {
            return Reason.of("password.long", LONGEST_BYTES);
        }
        if (password.toLowerCase(Locale.ROOT).contains(username.toLowerCase(Locale.ROOT))) {
            return Reason.of("password.name");
        }
        if (password.equalsIgnoreCase(OF_THE_DEMO)) {
            return demo ? null : Reason.of("password.common");
        }
        boolean fewKinds = password.chars().distinct().count() < FEWEST_KINDS;
        String letters = plain(password);
        if (fewKinds || letters.isEmpty() || common.contains(letters)) {
            return Reason.of("password.common");
        }
        List<String> known =
                Stream.concat(OF_THE_HOUSE.stream(), Stream.of(username)).toList();
        return guesses.measure(password, known).getScore() < HARD_TO_GUESS ? Reason.of("password.common") : null;
    }

    String hash(String password) {
        return String.valueOf(encoder.encode(password));
    }

    boolean matches(String password, String hash) {
        return encoder.matches(password, hash);
    }
}
