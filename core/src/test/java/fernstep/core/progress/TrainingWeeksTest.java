package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.SignCode;
import fernstep.core.progress.SessionResult.Kind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Four sessions a week planned; the log began four weeks ago. */
class TrainingWeeksTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);
    private final List<SessionResult> log = new ArrayList<>();

    private void session(int daysAgo, Kind kind, List<SessionResult.Symptom> nextDay) {
        log.add(new SessionResult(TODAY.minusDays(daysAgo), kind, 3, nextDay));
    }

    private void clean(int... daysAgo) {
        for (int d : daysAgo) {
            session(d, Kind.CLEAN, List.of());
        }
    }

    private int weeks() {
        return TrainingWeeks.clean(log, 4, TODAY);
    }

    @Test
    void half_of_the_planned_sessions_make_a_week() {
        clean(27, 24, 20, 18, 13, 6, 3);
        assertThat(weeks()).as("two, two, one, two").isEqualTo(3);
        assertThat(TrainingWeeks.of(log, 4, TODAY))
                .extracting(week -> week.why().key())
                .containsExactly("week.clean", "week.clean", "week.tooFew", "week.clean");
    }

    @Test
    void two_sessions_on_one_day_are_one() {
        clean(27, 27);
        assertThat(weeks()).isZero();
    }

    @Test
    void an_eased_set_does_not_spoil_a_week_and_a_step_back_does() {
        clean(27, 20);
        session(25, Kind.EASED, List.of());
        session(19, Kind.STEPPED_BACK, List.of());
        assertThat(weeks()).isEqualTo(1);
    }

    @Test
    void mornings_that_nobody_asked_about_make_no_clean_week() {
        session(27, Kind.CLEAN, null);
        session(25, Kind.CLEAN, List.of());
        assertThat(weeks()).as("one of four planned is known").isZero();
        session(24, Kind.CLEAN, List.of());
        assertThat(weeks()).as("two of four planned are known").isEqualTo(1);
    }

    @Test
    void a_symptom_the_day_after_spoils_it() {
        clean(27, 25, 24);
        session(26, Kind.CLEAN, List.of(new SessionResult.Symptom(SignCode.HEAVY, null)));
        assertThat(weeks()).isZero();
    }

    @Test
    void a_week_that_is_not_over_does_not_count_yet_and_no_log_has_none() {
        clean(5, 3);
        assertThat(weeks()).isZero();
        assertThat(TrainingWeeks.clean(List.of(), 4, TODAY)).isZero();
    }

    @Test
    void clean_weeks_add_up_from_the_start_whatever_lies_between() {
        clean(27, 26, 6, 5);
        assertThat(weeks()).as("the first and the last of four").isEqualTo(2);
    }
}
