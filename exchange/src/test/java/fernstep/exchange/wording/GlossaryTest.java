package fernstep.exchange.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Properties;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** One word for one thing: what the glossary has replaced is on no screen, letter or mail. */
class GlossaryTest {
    /** Last column of the glossary, where the word can be told from an ordinary one. */
    private static final List<String> REPLACED = List.of(
            "houses?(?!\\.zip)",
            "studio lead",
            "struck out",
            "strike out",
            "put right",
            "let in",
            "rungs?",
            "strands?",
            "stances?",
            "gates?",
            "ridges?",
            "lets? go",
            "letting go",
            "let-go",
            "set lost",
            "no room",
            "breath leads",
            "client page",
            "spot the sign",
            "my fingers",
            "trace lab",
            "traces?",
            "easing",
            "nobody here",
            "whoever",
            "somebody",
            "what was told",
            "moves? (?:up|down) to");

    private static final Pattern NOT_SAID = Pattern.compile("(?i)\\b(?:" + String.join("|", REPLACED) + ")\\b");

    /** In her own words a ridge is what she can see. */
    private static boolean toHer(String key) {
        return key.startsWith("her.") || key.startsWith("forHer.");
    }

    private static BufferedReader words() {
        InputStream in = GlossaryTest.class.getResourceAsStream("/fernstep/wording/words.properties");
        assertThat(in).isNotNull();
        return new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
    }

    @Test
    void what_the_glossary_replaced_is_said_nowhere() throws IOException {
        Properties words = new Properties();
        try (BufferedReader in = words()) {
            words.load(in);
        }
        assertThat(words).hasSizeGreaterThan(2_500);
        assertThat(words.stringPropertyNames())
                .filteredOn(key -> !toHer(key))
                .allSatisfy(key -> assertThat(
                                NOT_SAID.matcher(words.getProperty(key)).find())
                        .as("%s=%s", key, words.getProperty(key))
                        .isFalse());
    }

    @Test
    void no_key_stands_twice() throws IOException {
        Set<String> seen = new HashSet<>();
        try (BufferedReader in = words()) {
            in.lines()
                    .filter(line -> !line.startsWith("#") && line.contains("="))
                    .map(line -> line.substring(0, line.indexOf('=')))
                    .forEach(key -> assertThat(seen.add(key)).as(key).isTrue());
        }
    }
}
