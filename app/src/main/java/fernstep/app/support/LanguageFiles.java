package fernstep.app.support;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/**
 * Which languages there are: each is a file of words beside the English one. Whose file holds every key is read by the
 * staff as well; whose file holds less is for clients.
 */
record LanguageFiles(List<Locale> forClients, List<Locale> forStaff) {
    private static final String FOLDER = "fernstep/wording/";
    private static final String FILE = "words_";
    private static final String END = ".properties";

    /** English first, the others in the order of their tags. */
    static LanguageFiles in(ClassLoader place) {
        PathMatchingResourcePatternResolver files = new PathMatchingResourcePatternResolver(place);
        try {
            Set<String> english = keys(files.getResource("classpath:" + FOLDER + "words" + END));
            List<Locale> clients = new ArrayList<>();
            List<Locale> staff = new ArrayList<>();
            for (Resource file : files.getResources("classpath*:" + FOLDER + FILE + "*" + END)) {
                String name = Objects.requireNonNull(file.getFilename());
                Locale language = Locale.forLanguageTag(name.substring(FILE.length(), name.length() - END.length())
                        .replace('_', '-'));
                clients.add(language);
                if (keys(file).containsAll(english)) {
                    staff.add(language);
                }
            }
            return new LanguageFiles(afterEnglish(clients), afterEnglish(staff));
        } catch (IOException e) {
            throw new UncheckedIOException("the files of words could not be read", e);
        }
    }

    private static List<Locale> afterEnglish(List<Locale> others) {
        return Stream.concat(
                        Stream.of(Locale.ENGLISH), others.stream().sorted(Comparator.comparing(Locale::toLanguageTag)))
                .toList();
    }

    private static Set<String> keys(Resource file) throws IOException {
        Properties words = new Properties();
        try (Reader in = new InputStreamReader(file.getInputStream(), StandardCharsets.UTF_8)) {
            words.load(in);
        }
        return words.stringPropertyNames();
    }
}
