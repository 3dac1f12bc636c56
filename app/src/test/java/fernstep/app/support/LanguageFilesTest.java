package fernstep.app.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A language is a file: laid beside the others it is offered, without a line of code. */
class LanguageFilesTest {
    private static final Locale SPANISH = Locale.forLanguageTag("es");
    private static final Locale DANISH = Locale.forLanguageTag("da");
    private static final Locale NEPALI = Locale.forLanguageTag("ne");

    @Test
    void as_shipped_staff_and_clients_read_english_and_spanish() {
        LanguageFiles shipped = LanguageFiles.in(getClass().getClassLoader());
        assertThat(shipped.forClients()).containsExactly(Locale.ENGLISH, SPANISH);
        assertThat(shipped.forStaff()).containsExactly(Locale.ENGLISH, SPANISH);
    }

    @Test
    void a_whole_file_is_offered_to_the_staff_and_one_of_the_clients_side_to_clients(@TempDir Path folder)
            throws IOException {
        Path words = Files.createDirectories(folder.resolve("fernstep/wording"));
        try (InputStream english = getClass().getResourceAsStream("/fernstep/wording/words.properties")) {
            Files.copy(english, words.resolve("words_da.properties"));
        }
        Files.writeString(words.resolve("words_ne.properties"), "page.her.today=आज\n");
        try (URLClassLoader beside = new URLClassLoader(
                new URL[] {folder.toUri().toURL()}, getClass().getClassLoader())) {
            LanguageFiles found = LanguageFiles.in(beside);
            assertThat(found.forClients()).containsExactly(Locale.ENGLISH, DANISH, SPANISH, NEPALI);
            assertThat(found.forStaff()).containsExactly(Locale.ENGLISH, DANISH, SPANISH);
        }
    }
}
