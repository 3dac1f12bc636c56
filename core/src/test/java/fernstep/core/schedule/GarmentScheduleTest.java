package fernstep.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class GarmentScheduleTest {
    private static final LocalDate BIRTH = LocalDate.of(2031, 3, 3);

    private static Optional<GarmentSchedule> schedule(
            Approach approach, BirthMode mode, Status status, Answer... answers) {
        ClientFacts facts = new ClientFacts(
                status,
                status == Status.PREGNANT ? BIRTH.plusDays(200) : null,
                List.of(new Birth(BIRTH, mode, 0)),
                List.of(),
                List.of(),
                null,
                null,
                null,
                Set.of());
        Screening screening =
                Screening.of(Screening.Question.of(facts, List.of(answers), approach.stances(), BIRTH.plusDays(9)));
        return GarmentSchedule.of(facts, approach.stances(), screening);
    }

    @Test
    void after_a_vaginal_birth_it_is_worn_from_the_next_day_for_six_weeks() {
        GarmentSchedule garment = schedule(Approach.QUIET_START, BirthMode.VAGINAL, Status.POSTNATAL)
                .orElseThrow();
        assertThat(garment.from()).isEqualTo(LocalDate.of(2031, 3, 4));
        assertThat(garment.until()).isEqualTo(LocalDate.of(2031, 4, 14));
        assertThat(garment.besideWound()).isFalse();
        assertThat(garment.wornOn(LocalDate.of(2031, 3, 3))).isFalse();
        assertThat(garment.wornOn(LocalDate.of(2031, 4, 14))).isTrue();
        assertThat(garment.wornOn(LocalDate.of(2031, 4, 15))).isFalse();
        assertThat(DailyLife.on(LocalDate.of(2031, 4, 14), garment)).contains(DailyLife.GARMENT_OFF_AT_NIGHT);
        assertThat(DailyLife.on(LocalDate.of(2031, 4, 15), garment)).doesNotContain(DailyLife.GARMENT_BY_DAY);
    }

    @Test
    void after_a_caesarean_it_begins_later_lasts_eight_weeks_and_minds_the_wound() {
        GarmentSchedule garment = schedule(Approach.QUIET_START, BirthMode.CAESAREAN, Status.POSTNATAL)
                .orElseThrow();
        assertThat(garment.from()).isEqualTo(LocalDate.of(2031, 3, 6));
        assertThat(garment.until()).isEqualTo(LocalDate.of(2031, 4, 28));
        assertThat(garment.besideWound()).isTrue();
    }

    @Test
    void none_where_the_school_leaves_it_open_in_pregnancy_or_under_an_emergency() {
        assertThat(schedule(Approach.SLOW_LADDER, BirthMode.VAGINAL, Status.POSTNATAL))
                .isEmpty();
        assertThat(schedule(Approach.QUIET_START, BirthMode.VAGINAL, Status.PREGNANT))
                .isEmpty();
        assertThat(schedule(Approach.QUIET_START, BirthMode.VAGINAL, Status.POSTNATAL, Answer.FEVER))
                .isEmpty();
    }

    @Test
    void it_concerns_her_until_its_last_day_even_before_it_begins() {
        GarmentSchedule garment = schedule(Approach.QUIET_START, BirthMode.VAGINAL, Status.POSTNATAL)
                .orElseThrow();
        assertThat(garment.concerns(BIRTH)).as("still to begin").isTrue();
        assertThat(garment.concerns(LocalDate.of(2031, 4, 14))).isTrue();
        assertThat(garment.concerns(LocalDate.of(2031, 4, 15))).isFalse();
    }

    @Test
    void of_her_daily_life_only_the_garment_s_two_go_with_its_days() {
        assertThat(List.of(DailyLife.values()))
                .filteredOn(DailyLife::ofTheGarment)
                .containsExactly(DailyLife.GARMENT_BY_DAY, DailyLife.GARMENT_OFF_AT_NIGHT);
        assertThat(DailyLife.on(BIRTH, null))
                .containsExactly(DailyLife.ROLL_TO_GET_UP, DailyLife.LIFT_ON_THE_BREATH, DailyLife.CHANGE_POSTURE);
    }
}
