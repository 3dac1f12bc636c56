package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.findings.SignCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class HomeAdviceTest {
    @ParameterizedTest
    @CsvSource({
        "TIRED,REST",
        "DOME_SOFT,SMALLER",
        "BREATH_HELD,SMALLER",
        "BACK_ARCHES,SMALLER",
        "DOME_FIRM,STOP_EXERCISE",
        "HEAVY,STOP_TODAY",
        "LEAK,STOP_EXERCISE"
    })
    void alone_at_home_a_strong_sign_ends_the_exercise_and_one_of_the_floor_the_day(SignCode sign, HomeAdvice then) {
        assertThat(HomeAdvice.to(sign)).isEqualTo(then);
    }

    @ParameterizedTest
    @CsvSource({"1,STOP_EXERCISE", "3,STOP_EXERCISE", "4,STOP_TODAY", "10,STOP_TODAY"})
    void pain_ends_the_exercise_and_from_four_on_the_day(int level, HomeAdvice then) {
        assertThat(HomeAdvice.toPain(level)).isEqualTo(then);
    }

    @ParameterizedTest
    @EnumSource(
            value = SignCode.class,
            names = {"RIBS_FLARE", "PELVIS_ROCKS", "WALL_BULGE", "PAIN"})
    void what_only_somebody_beside_her_sees_has_no_answer_from_home(SignCode sign) {
        assertThatThrownBy(() -> HomeAdvice.to(sign)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void every_sign_that_is_offered_has_an_answer() {
        assertThat(HomeAdvice.NOTICED.stream()
                        .filter(code -> code != SignCode.PAIN)
                        .map(HomeAdvice::to))
                .doesNotContainNull()
                .hasSize(7);
    }
}
