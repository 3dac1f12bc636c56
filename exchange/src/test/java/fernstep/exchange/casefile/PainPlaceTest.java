package fernstep.exchange.casefile;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PainPlaceTest {
    @ParameterizedTest
    @CsvSource({
        "HIP, HIP, ",
        "left hip, HIP, LEFT",
        "Hip left, HIP, LEFT",
        "' right knee ', KNEE, RIGHT",
        "low back, LOW_BACK, ",
        "back of the pelvis right, SACROILIAC, RIGHT",
        "somewhere left, OTHER, ",
        "'', OTHER, "
    })
    void the_same_place_is_read_from_a_code_and_from_words_in_any_order(String said, BodyPlace place, Side side) {
        assertThat(PainPlace.read(said)).isEqualTo(new PainPlace(place, side));
    }
}
