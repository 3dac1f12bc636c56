package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Waiting.Lift;
import fernstep.core.screening.Answer;
import fernstep.core.screening.GateCode;
import java.time.LocalDate;
import java.util.Arrays;
import org.junit.jupiter.api.Test;

class WaitingTest {
    private static final Rung F3 = ShippedCatalogue.CATALOGUE.rung("F3");

    @Test
    void what_days_bring_and_what_is_of_today_tell_themselves_apart_from_findings_and_training() {
        LocalDate day = LocalDate.of(2031, 7, 1);
        Waiting dated = new Waiting.Dated(GateCode.FIRST_LOADED, day, Reason.of("gate"));
        assertThat(dated.code()).isEqualTo("FIRST_LOADED");
        assertThat(dated.opensOn()).isEqualTo(day);
        assertThat(dated.liftedBy().ofToday()).isTrue();
        assertThat(new Waiting.Told(Answer.BACK_PAIN, Reason.of("told"))
                        .liftedBy()
                        .ofToday())
                .isTrue();
        assertThat(new Waiting.SetGrade(3).liftedBy()).isEqualTo(Lift.CHECK);
        assertThat(new Waiting.CleanWeeks(4, 1).liftedBy()).isEqualTo(Lift.TRAINING);
        assertThat(new Waiting.Until(Waiting.Until.What.LED_OTHERWISE)
                        .liftedBy()
                        .ofToday())
                .isFalse();
    }

    @Test
    void the_sentence_comes_from_its_facts() {
        assertThat(new Waiting.CleanWeeks(4, 1).reason()).isEqualTo(Reason.of("waiting.cleanWeeks", 4, 1));
        assertThat(new Waiting.Birth(28).reason()).isEqualTo(Reason.of("waiting.pregnantToWeek", 28));
        assertThat(new Waiting.Birth(null).reason()).isEqualTo(Reason.of("waiting.birth"));
        assertThat(new Waiting.RungFirst(F3, Waiting.RungFirst.On.BOTH_SIDES).reason())
                .isEqualTo(Reason.of("waiting.rungBothSides", Reason.of("rung.name", F3.name(), "F3")));
    }

    @Test
    void only_what_asks_for_a_rung_names_one() {
        assertThat(new Waiting.RungFirst(F3, Waiting.RungFirst.On.ITS_SIDE).rungAskedFor())
                .contains(F3);
        assertThat(new Waiting.TopHeld(F3, 2, 0).rungAskedFor()).isEmpty();
    }

    @Test
    void each_has_a_code_of_its_own_but_the_two_ridges() {
        assertThat(Arrays.stream(Waiting.Until.What.values())
                        .map(what -> new Waiting.Until(what).code())
                        .distinct())
                .hasSize(Waiting.Until.What.values().length - 1);
    }
}
