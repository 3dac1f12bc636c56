package fernstep.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is asked of whom, and who takes it back. */
class AnswerTest {
    private static final LocalDate DAY = LocalDate.of(2031, 5, 2);

    private static ClientFacts facts(Status status, LocalDate due, List<Birth> births) {
        return new ClientFacts(status, due, births, List.of(), List.of(), null, null, null, Set.of());
    }

    private static List<Answer> notAsked(ClientFacts her) {
        return Arrays.stream(Answer.values()).filter(a -> !a.mayApplyTo(her)).toList();
    }

    @Test
    void what_belongs_to_a_pregnancy_is_asked_only_in_one() {
        assertThat(notAsked(facts(Status.GENERAL, null, List.of())))
                .containsExactly(
                        Answer.FLUID_LEAK,
                        Answer.CONTRACTIONS,
                        Answer.LESS_MOVEMENT,
                        Answer.PREGNANCY_CONDITION,
                        Answer.TEAR_RECENT);
        assertThat(notAsked(facts(Status.PREGNANT, DAY.plusWeeks(16), List.of())))
                .as("her first: no tear yet")
                .containsExactly(Answer.TEAR_RECENT);
        Birth birth = new Birth(DAY.minusWeeks(9), BirthMode.VAGINAL, 3);
        assertThat(notAsked(facts(Status.POSTNATAL, null, List.of(birth)))).doesNotContain(Answer.TEAR_RECENT);
    }

    @Test
    void what_closes_is_taken_back_with_the_licence_and_nothing_else_is() {
        assertThat(Answer.CALF.needsLicenceToTakeBack()).isTrue();
        assertThat(Answer.HEAVINESS.needsLicenceToTakeBack()).isTrue();
        assertThat(Answer.WRIST_PAIN.needsLicenceToTakeBack()).isFalse();
    }
}
