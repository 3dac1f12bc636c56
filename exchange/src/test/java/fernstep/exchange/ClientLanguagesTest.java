package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.body.Dial;
import fernstep.core.body.RangePoint;
import fernstep.core.body.TrunkLoad;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.wording.Wording;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What a client reads is there in her language, whole, and not much longer than the page has room for. */
class ClientLanguagesTest {
    private static final Wording SPANISH = new Wording(Locale.forLanguageTag("es"));
    private static final TrunkLoad NOTHING = new TrunkLoad(0, 0, 0, 0, List.of());
    /** Keys of the client's side, by how they begin. */
    private static final List<String> HERS = List.of(
            "page.her.",
            "script.home.",
            "her.",
            "answer.",
            "sign.",
            "position.",
            "strand.",
            "side.",
            "pacer.",
            "count.",
            "often.",
            "tempo.",
            "weekday.");
    /** Said with a fact in front, by nobody's page of hers. */
    private static final Set<String> NOT_HERS = Set.of("answer.fromFacts");

    private static Properties file(String name) throws IOException {
        Properties all = new Properties();
        try (Reader in = new InputStreamReader(
                ClientLanguagesTest.class.getResourceAsStream("/fernstep/wording/" + name), StandardCharsets.UTF_8)) {
            all.load(in);
        }
        return all;
    }

    static List<String> languages() throws IOException {
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/fernstep/wording"))) {
            return files.map(file -> file.getFileName().toString())
                    .filter(text -> text.startsWith("words_"))
                    .toList();
        }
    }

    @ParameterizedTest
    @MethodSource("languages")
    void every_sentence_of_the_clients_side_is_translated_and_nothing_is_left_over(String language) throws IOException {
        Properties english = file("words.properties");
        Properties hers = file(language);
        Set<String> missing = english.stringPropertyNames().stream()
                .filter(stringPropertyName -> HERS.stream().anyMatch(stringPropertyName::startsWith)
                        && !NOT_HERS.contains(stringPropertyName))
                .filter(stringPropertyName -> !hers.containsKey(stringPropertyName))
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(missing).isEmpty();
        assertThat(hers.stringPropertyNames())
                .allSatisfy(text -> assertThat(english).containsKey(text));
        assertThat(hers.stringPropertyNames()).hasSizeGreaterThan(200);
    }

    @ParameterizedTest
    @MethodSource("languages")
    void a_translation_has_the_same_places_for_facts(String language) throws IOException {
        Properties english = file("words.properties");
        Properties hers = file(language);
        Pattern place = Pattern.compile("\\{\\d}|\\[[a-z]+]");
        for (String key : hers.stringPropertyNames()) {
            assertThat(places(place, hers.getProperty(key))).as(key).isEqualTo(places(place, english.getProperty(key)));
        }
    }

    private static Set<String> places(Pattern place, String text) {
        return place.matcher(text)
                .results()
                .map(result -> result.group())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @Test
    void what_stands_on_a_button_fits_it() throws IOException {
        Properties spanish = file("words_es.properties");
        for (String key :
                List.of("asPlanned", "easier", "stopped", "effort1", "effort3", "effort5", "effort7", "effort9")) {
            assertThat(spanish.getProperty("page.her." + key)).as(key).hasSizeLessThanOrEqualTo(14);
        }
    }

    @Test
    void every_rung_has_its_name_how_and_caution_in_spanish_and_a_house_rung_stays_as_written() {
        Catalogue catalogue = CataloguePackage.shipped();
        for (Rung rung : catalogue.rungs()) {
            assertThat(SPANISH.name(rung)).as(rung.code()).isNotEqualTo(rung.name());
            assertThat(SPANISH.howTo(rung)).as(rung.code()).isNotEqualTo(rung.howTo());
            assertThat(SPANISH.caution(rung)).as(rung.code()).isNotEqualTo(rung.caution());
        }
        assertThat(catalogue.rungs()).hasSize(92);
    }

    @Test
    void no_rung_speaks_of_her_to_herself_in_english() {
        Wording english = Wording.english();
        Pattern ofHer = Pattern.compile("\\b(she|her|herself)\\b", Pattern.CASE_INSENSITIVE);
        for (Rung rung : CataloguePackage.shipped().rungs()) {
            for (String said : List.of(english.name(rung), english.howTo(rung), english.caution(rung))) {
                assertThat(ofHer.matcher(said).find())
                        .as(rung.code() + ": " + said)
                        .isFalse();
            }
        }
    }

    @Test
    void numbers_have_a_comma_and_lengths_can_be_inches() {
        assertThat(SPANISH.range(Dial.WEIGHT, point(1.5, 0))).isEqualTo("1,5 kg en la mano");
        Wording inches = new Wording(Wording.inInchesAndPounds(Locale.ENGLISH));
        // 44 cm / 2.54 = 17.3 in; 1.5 kg × 2.2046 = 3.3 lb
        assertThat(inches.range(Dial.HIP, point(41, 44))).isEqualTo("hip 41°, heel 17 in");
        assertThat(inches.range(Dial.WEIGHT, point(1.5, 0))).isEqualTo("3.3 lb in the hand");
    }

    private static RangePoint point(double value, double heightCm) {
        return new RangePoint(1, value, heightCm, NOTHING, NOTHING);
    }
}
