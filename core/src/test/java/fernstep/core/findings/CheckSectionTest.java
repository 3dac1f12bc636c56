package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class CheckSectionTest {
    @ParameterizedTest
    @EnumSource(Finding.class)
    void every_finding_stands_in_exactly_one_section_or_is_dragged(Finding finding) {
        long sections = Arrays.stream(CheckSection.values())
                .filter(section -> section.fields().contains(finding))
                .count();
        boolean dragged = finding == Finding.ALIGNMENT_POINTS || finding == Finding.DOME_POINTS;
        assertThat(sections).isEqualTo(dragged ? 0 : 1);
    }

    @Test
    void a_section_asks_first_what_is_asked_of_everybody_in_the_order_of_the_check() {
        assertThat(CheckSection.PELVIC_FLOOR.first()).containsExactly(Finding.PF_LIFT, Finding.PF_LET_GO);
        assertThat(CheckSection.PELVIC_FLOOR.rarely())
                .containsExactly(Finding.PF_OVER, Finding.PF_HOLD_S, Finding.PF_QUICK, Finding.PF_INTERNAL);
        assertThat(CheckSection.ROD.first())
                .containsExactly(Finding.ROD_ARM, Finding.ROD_LEG, Finding.BELLY_DROP, Finding.HIP_DROP);
    }

    @Test
    void the_check_goes_from_lying_to_hands_and_knees_and_each_posture_knows_what_comes_next() {
        assertThat(CheckPosture.LYING.sections())
                .containsExactly(
                        CheckSection.SEPARATION,
                        CheckSection.RIDGE,
                        CheckSection.COUGH,
                        CheckSection.DEEP_CORE,
                        CheckSection.PELVIC_FLOOR,
                        CheckSection.BREATH,
                        CheckSection.LOW_BACK);
        assertThat(CheckPosture.LYING.next()).contains(CheckPosture.SIDE_VIEW);
        assertThat(CheckPosture.HANDS_KNEES.next()).isEmpty();
        assertThat(CheckSection.SEPARATION.previous()).isEmpty();
        assertThat(CheckSection.FLOAT.previous()).contains(CheckSection.STRAW);
    }

    @Test
    void an_address_names_a_part_as_it_is_spoken() {
        assertThat(CheckSection.ofPath("deep-core")).contains(CheckSection.DEEP_CORE);
        assertThat(CheckPosture.ofPath("hands-knees")).contains(CheckPosture.HANDS_KNEES);
        assertThat(CheckSection.ofPath("DEEP_CORE")).isEmpty();
        assertThat(CheckPosture.ofPath("")).isEmpty();
    }

    @Test
    void a_plan_needs_the_cough_the_set_the_breaths_and_the_float() {
        assertThat(Arrays.stream(CheckSection.values())
                        .filter(CheckSection::neededForPlan)
                        .toList())
                .isEqualTo(List.of(
                        CheckSection.COUGH, CheckSection.DEEP_CORE, CheckSection.TOLERANCE, CheckSection.FLOAT));
    }
}
