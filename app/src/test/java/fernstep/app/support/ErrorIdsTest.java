package fernstep.app.support;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ErrorIdsTest {
    @ParameterizedTest
    @CsvSource({
        "/home/AbC-123_x, /home/…",
        "/home/AbC-123_x/entries, /home/…/entries",
        "/join/AbC, /join/…",
        "/feeds/AbC.ics, /feeds/…",
        "/mail-off/AbC, /mail-off/…",
        "/clients/12/home-log, /clients/12/home-log",
        "/home, /home"
    })
    void no_address_in_the_log_opens_anything(String path, String logged) {
        assertThat(ErrorIds.withoutSecrets(path)).isEqualTo(logged);
    }
}
