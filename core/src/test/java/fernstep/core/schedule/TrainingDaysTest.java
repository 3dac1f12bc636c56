package fernstep.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TrainingDaysTest {
    private static Set<DayOfWeek> days(String text) {
        Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
        if (text != null) {
            Arrays.stream(text.split(" ")).map(DayOfWeek::valueOf).forEach(days::add);
        }
        return days;
    }

    @ParameterizedTest
    @CsvSource({
        // gaps of 2, 2 and 3 are the most even for three days
        "3, , MONDAY WEDNESDAY FRIDAY",
        // of five in seven, two single rest days apart from each other
        "5, , MONDAY TUESDAY WEDNESDAY FRIDAY SATURDAY",
        // Wednesday blocked: 2 + 2 + 3 still fits, one day later
        "3, WEDNESDAY, MONDAY THURSDAY SATURDAY",
        "3, MONDAY TUESDAY WEDNESDAY THURSDAY FRIDAY, SATURDAY SUNDAY",
        "7, SUNDAY, MONDAY TUESDAY WEDNESDAY THURSDAY FRIDAY SATURDAY",
        "1, MONDAY, TUESDAY",
    })
    void rest_days_lie_between(int daysPerWeek, String blocked, String wanted) {
        assertThat(TrainingDays.of(daysPerWeek, days(blocked))).isEqualTo(days(wanted));
    }

    @Test
    void every_day_blocked_leaves_none() {
        assertThat(TrainingDays.of(3, EnumSet.allOf(DayOfWeek.class))).isEmpty();
    }

    @Test
    void no_two_rest_days_meet_where_that_can_be_had() {
        for (int n = 4; n <= 6; n++) {
            Set<DayOfWeek> chosen = TrainingDays.of(n, Set.of());
            for (DayOfWeek day : DayOfWeek.values()) {
                assertThat(chosen.contains(day) || chosen.contains(day.plus(1)))
                        .as(n + " days, " + day)
                        .isTrue();
            }
        }
    }
}
