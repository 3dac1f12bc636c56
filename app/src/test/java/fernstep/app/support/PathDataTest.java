package fernstep.app.support;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PathDataTest {
    @ParameterizedTest(name = "{0} is drawn as {1}")
    @CsvSource({
        "0, 0",
        "7, 7",
        "12.34, 12.3",
        "12.36, 12.4",
        "-0.04, 0",
        "-0.3, -0.3",
        "-12.96, -13",
        "99.95, 100",
        "1000.5, 1000.5"
    })
    void a_number_has_a_tenth_where_it_needs_one(double value, String drawn) {
        assertThat(new PathData().draw("M", value)).hasToString("M" + drawn);
    }

    /** The flags of an arc must be 0 or 1 and nothing else. */
    @Test
    void commands_follow_each_other_with_their_numbers() {
        assertThat(new PathData()
                        .draw("M", 160, 20.5)
                        .draw("A", 7, 7, 0, 1, 0, 172, 12.25)
                        .draw("Z"))
                .hasToString("M160 20.5A7 7 0 1 0 172 12.3Z");
    }
}
