package fernstep.exchange.wording;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.measure.Side;
import java.util.Locale;
import java.util.ResourceBundle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SentenceTest {
    private static String said(String pattern, Object... facts) {
        return Sentence.of(pattern, Locale.ENGLISH).with(facts, String::valueOf);
    }

    @ParameterizedTest
    @CsvSource({"0, 0 visits", "1, 1 visit", "2, 2 visits", "21, 21 visits"})
    void one_is_said_as_one_and_several_as_several(int visits, String sentence) {
        assertThat(said("{0, plural, one {# visit} other {# visits}}", visits)).isEqualTo(sentence);
    }

    @Test
    void a_side_is_chosen_by_its_code() {
        String pattern = "{0, select, LEFT {the left leg} RIGHT {the right leg} other {both legs}}";

        assertThat(said(pattern, Side.RIGHT)).isEqualTo("the right leg");
        assertThat(said(pattern, "NONE")).isEqualTo("both legs");
    }

    @Test
    void facts_that_are_not_counted_are_said_beside_those_that_are() {
        assertThat(said("Saved: {0, plural, one {# exercise} other {# exercises}} on {1}.", 1, "2 Dec 2026"))
                .isEqualTo("Saved: 1 exercise on 2 Dec 2026.");
    }

    @Test
    void an_apostrophe_is_written_twice_and_a_missing_fact_keeps_its_place() {
        assertThat(said("It isn''t {0} of {1}", 3)).isEqualTo("It isn't 3 of {1}");
    }

    @ParameterizedTest
    @ValueSource(strings = {"en", "es"})
    void every_sentence_of_a_language_can_be_read(String language) {
        Locale locale = Locale.forLanguageTag(language);
        ResourceBundle words = ResourceBundle.getBundle(
                "fernstep.wording.words",
                locale,
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
        Object[] facts = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10};

        assertThat(words.keySet())
                .hasSizeGreaterThan(2000)
                .allSatisfy(key -> assertThat(
                                Sentence.of(words.getString(key), locale).with(facts, String::valueOf))
                        .doesNotContain("plural,", "select,"));
    }
}
