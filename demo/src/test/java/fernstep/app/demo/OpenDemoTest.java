package fernstep.app.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OpenDemoTest {
    @ParameterizedTest
    @CsvSource({"127.0.0.1, true", "127.0.0.9, true", "::1, true", "0.0.0.0, false", "192.0.2.7, false", "'', false"})
    void loopback_is_what_only_this_machine_reaches(String address, boolean loopback) {
        assertThat(OpenDemo.loopback(address)).isEqualTo(loopback);
    }

    @Test
    void an_address_that_others_reach_needs_a_word() {
        assertThatThrownBy(() -> new OpenDemo("0.0.0.0", false)).hasMessageContaining("FERN_DEMO_OPEN=true");
        assertThatCode(() -> new OpenDemo("0.0.0.0", true)).doesNotThrowAnyException();
        assertThatCode(() -> new OpenDemo("127.0.0.1", false)).doesNotThrowAnyException();
    }
}
