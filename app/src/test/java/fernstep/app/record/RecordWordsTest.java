package fernstep.app.record;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.support.Languages;
import fernstep.app.support.Words;
import fernstep.exchange.casefile.CataloguePackage;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A practitioner reads her record in words: no code of ours, no day as a machine writes it. */
class RecordWordsTest {
    private final RecordWords words = new RecordWords(new Words(new Languages(false), CataloguePackage::shipped));

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {
                "none|–",
                "EXERCISE 2026-10-19 MIDWIFE|Exercise 19 Oct 2026 midwife",
                "FULL 2026-10-19 – 2027-01-31 SURGEON Rowan Pike|Full 19 Oct 2026 – 31 Jan 2027 surgeon Rowan Pike",
                "2027-04-17|17 Apr 2027",
                "2026-13-45|2026-13-45",
                "MONDAY,FRIDAY|Monday,Friday",
                "NO_PRONE, NO_FLOOR|Not face down, Not down on the mat",
                "2026-09-05 CAESAREAN|5 Sep 2026 Caesarean",
                "38.5|38.5",
                "1 FINGERS|Fingers: 1",
                "2.5 3 FINGERS|Fingers: 2.5 3",
                "24 25 ULTRASOUND|Ultrasound: 24 25 mm",
                "carry the car seat|carry the car seat"
            })
    void a_value_has_its_codes_and_days_in_words(@Nullable String stored, String read) {
        assertThat(words.value(stored)).isEqualTo(read);
    }

    @Test
    void what_was_changed_is_named_as_its_page_names_it() {
        assertThat(words.part("finding", List.of("SET_GRADE", "LEFT"))).contains("Left");
        assertThat(words.part("reading", List.of("-5.0", "REST")))
                .contains("−5 cm")
                .contains("Rest");
        assertThat(words.part("fact", List.of("BIRTH 2026-09-05"))).isEqualTo("Birth 5 Sep 2026");
        assertThat(words.part("fact", List.of("SURGERY 2026-09-05"))).isEqualTo("Operation 5 Sep 2026");
        assertThat(words.part("fact", List.of("goalDate"))).isEqualTo("Goal by");
        assertThat(words.part("clearance", List.of("FULL"))).isEqualTo("Clearance");
        assertThat(words.part("answer", List.of("HEAVINESS")))
                .isEqualTo("Heaviness, dragging or a bulge in the vagina");
        assertThat(words.part("plan", List.of("LEG_FLOAT", "RIGHT")))
                .contains("Leg float")
                .contains("Right");
    }

    @Test
    void the_trail_names_what_it_knows_and_shows_what_it_does_not() {
        assertThat(words.audit("READ")).isEqualTo("Read");
        assertThat(words.audit("OF_A_LATER_VERSION")).isEqualTo("OF_A_LATER_VERSION");
    }
}
