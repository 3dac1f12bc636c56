package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class SignGroupTest {
    @Test
    void every_sign_has_one_place() {
        assertThat(Arrays.stream(SignGroup.values()).flatMap(group -> group.signs().stream()))
                .containsExactlyInAnyOrder(SignCode.values());
    }
}
