package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.exchange.wording.Wording;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Every key that a page, a script or a controller names has its words, and no page's words are left over. */
class WordsUsedTest {
    private static final Wording WORDS = Wording.english();
    private static final Path RESOURCES = Path.of("src/main/resources");
    /** In templates: #{key}, #{key(…)}, words.text('key', …), #messages.msg('key'); a key that ends with a point goes on. */
    private static final Pattern IN_TEMPLATES = Pattern.compile(
            "(?:#\\{|words\\.text\\('|#messages\\.msg\\(')([A-Za-z][A-Za-z0-9._]*[A-Za-z0-9])(?=[}(',])");

    private static final Pattern IN_SCRIPTS = Pattern.compile("fern\\.text\\('([A-Za-z]+)'");
    /** Three words in quotes are a sentence; what is only thrown is never shown. */
    private static final Pattern SENTENCE =
            Pattern.compile("(?<!new Error\\()(['`\"])[^'`\"]*[A-Za-z]{2,} [a-z]{2,} [a-z]{2,}[^'`\"]*\\1");

    private static final Pattern IN_JAVA =
            Pattern.compile("(?:\\bwords\\.text\\(|Reason\\.of\\()\\s*\"([A-Za-z0-9.]*[A-Za-z0-9])\"\\s*[,)]");

    @Test
    void every_key_in_a_template_has_its_words() throws IOException {
        assertThat(unknown(read(RESOURCES.resolve("templates"), ".html"), IN_TEMPLATES, ""))
                .isEmpty();
    }

    @Test
    void every_key_in_a_script_has_its_words() throws IOException {
        assertThat(unknown(read(RESOURCES.resolve("static"), ".js"), IN_SCRIPTS, "script."))
                .isEmpty();
    }

    @Test
    void no_script_says_a_sentence_of_its_own() throws IOException {
        assertThat(read(RESOURCES.resolve("static"), ".js").stream()
                        .flatMap(String::lines)
                        .map(String::strip)
                        .filter(text -> !text.startsWith("//") && !text.startsWith("*") && !text.startsWith("/*"))
                        .map(text -> text.replaceAll("<[^>]*>", ""))
                        .filter(text -> SENTENCE.matcher(text).find()))
                .isEmpty();
    }

    @Test
    void every_key_in_the_app_has_its_words() throws IOException {
        assertThat(unknown(read(Path.of("src/main/java"), ".java"), IN_JAVA, ""))
                .isEmpty();
    }

    @Test
    void no_words_of_a_page_are_left_over() throws IOException {
        String used = String.join("", read(RESOURCES.resolve("templates"), ".html"));
        assertThat(WORDS.under("page.").keySet()).allMatch(text -> used.contains("page." + text));
    }

    /** A phrase, a blank, a phrase: another language has another order. */
    private static final Pattern GLUED =
            Pattern.compile("words\\.text\\('[^']*'\\) ?\\+ ?' |\\+ ?words\\.text\\('[^']*'\\) ?\\+|== 1 \\?");

    @Test
    void no_template_glues_a_sentence_or_counts_by_hand() throws IOException {
        assertThat(read(RESOURCES.resolve("templates"), ".html").stream()
                        .map(page -> page.replaceAll("\\s+", " "))
                        .flatMap(page -> GLUED.matcher(page).results())
                        .map(MatchResult::group))
                .isEmpty();
    }

    private static Set<String> unknown(List<String> sources, Pattern named, String prefix) {
        Set<String> keys = sources.stream()
                .flatMap(source -> named.matcher(source).results())
                .map(match -> prefix + match.group(1))
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(keys).hasSizeGreaterThan(10);
        keys.removeIf(WORDS::knows);
        return keys;
    }

    private static List<String> read(Path folder, String ending) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().endsWith(ending))
                    .filter(file -> Arrays.stream(file.toString().split("/")).noneMatch("vendor"::equals))
                    .map(WordsUsedTest::text)
                    .toList();
        }
    }

    private static String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new AssertionError(file.toString(), e);
        }
    }
}
