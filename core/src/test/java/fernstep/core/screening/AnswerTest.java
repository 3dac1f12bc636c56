package fernstep.core.screening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is asked of whom, and who takes it back. */
class AnswerTest {
    private static final LocalDate DAY = LocalDate.of(2031, 5, 2);

    private static ClientFacts facts(Status status, LocalDate due, List<Birth> births) {
        return new ClientFacts(status, due, births, List.of(), List.of(), null, null, null, Set.of());
    }

    private static List<Answer> notAsked(ClientFacts her) {
        return Arrays.stream(Answer.values())
                .filter(answer -> !answer.mayApplyTo(her))
                .toList();
    }

    @Test
    void what_belongs_to_a_pregnancy_is_asked_only_in_one() {
        assertThat(notAsked(facts(Status.GENERAL, null, List.of())))
                .containsExactly(
                        Answer.FLUID_LEAK,
                        Answer.CONTRACTIONS,
                        Answer.LESS_MOVEMENT,
                        Answer.WOUND,
                        Answer.PREGNANCY_CONDITION,
                        Answer.TEAR_RECENT,
                        Answer.SCAR_TENDER);
        assertThat(notAsked(facts(Status.PREGNANT, DAY.plusWeeks(16), List.of())))
                .as("her first: no tear, wound or scar yet")
                .containsExactly(Answer.WOUND, Answer.TEAR_RECENT, Answer.SCAR_TENDER);
    }

    @ParameterizedTest
    @CsvSource({"2, false", "3, true", "4, true"})
    void a_tear_is_asked_about_only_after_one_of_that_degree(int degree, boolean asked) {
        ClientFacts her =
                facts(Status.POSTNATAL, null, List.of(new Birth(DAY.minusWeeks(9), BirthMode.VAGINAL, degree)));
        assertThat(Answer.TEAR_RECENT.mayApplyTo(her)).isEqualTo(asked);
        assertThat(notAsked(her)).doesNotContain(Answer.WOUND, Answer.SCAR_TENDER);
    }

    @ParameterizedTest
    @CsvSource({
        "BLEEDING, MATERNITY_NOW, EMERGENCY_NOW, EMERGENCY_NOW",
        "CONTRACTIONS, MATERNITY_NOW, MATERNITY_NOW, MATERNITY_NOW",
        "CHEST_PAIN, EMERGENCY_NOW, EMERGENCY_NOW, EMERGENCY_NOW",
        "CALF, DOCTOR_TODAY, DOCTOR_TODAY, DOCTOR_TODAY",
        "SELF_HARM, CRISIS_NOW, CRISIS_NOW, CRISIS_NOW"
    })
    void each_emergency_says_whom_to_call(
            Answer answer, EmergencyCall pregnant, EmergencyCall postnatal, EmergencyCall neither) {
        assertThat(answer.call(facts(Status.PREGNANT, DAY.plusWeeks(16), List.of())))
                .isEqualTo(pregnant);
        Birth birth = new Birth(DAY.minusWeeks(9), BirthMode.VAGINAL, 0);
        assertThat(answer.call(facts(Status.POSTNATAL, null, List.of(birth)))).isEqualTo(postnatal);
        assertThat(answer.call(facts(Status.GENERAL, null, List.of()))).isEqualTo(neither);
    }

    @Test
    void every_emergency_has_somebody_to_call_and_nothing_else_has() {
        ClientFacts her = facts(Status.GENERAL, null, List.of());
        for (Answer answer : Answer.values()) {
            if (answer.emergency()) {
                assertThat(answer.call(her)).as("%s", answer).isNotNull();
            } else {
                assertThatThrownBy(() -> answer.call(her)).isInstanceOf(IllegalStateException.class);
            }
        }
    }

    @Test
    void what_closes_is_taken_back_with_the_licence_and_nothing_else_is() {
        assertThat(Answer.CALF.needsLicenceToTakeBack()).isTrue();
        assertThat(Answer.HEAVINESS.needsLicenceToTakeBack()).isTrue();
        assertThat(Answer.WRIST_PAIN.needsLicenceToTakeBack()).isFalse();
    }
}
