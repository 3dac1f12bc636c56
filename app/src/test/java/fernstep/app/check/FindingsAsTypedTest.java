package fernstep.app.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.measure.Side;
import fernstep.core.progress.ChangeReport.Key;
import fernstep.core.progress.Measure;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class FindingsAsTypedTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "COUGH|PUSHES_OUT|",
                "COUGH|SNEEZES|One of DRAWS_IN, NO_CHANGE, PUSHES_OUT.",
                "SET_GRADE|5|",
                "SET_GRADE|6|Engagement grade must be a whole number from 0 to 5.",
                "SET_GRADE|2.5|Engagement grade must be a whole number from 0 to 5.",
                "SET_HOLD_S|600|",
                "SET_HOLD_S|601|Hold must be a number from 0 to 600 s.",
                "RIB_IN_CM|84.5|",
                "RIB_IN_CM|wide|Girth must be a number from 40 to 180 cm.",
                "ALIGNMENT_POINTS|4.4;1,2;3,4;5,6;7,8|",
                "ALIGNMENT_POINTS|4.4;1,2;3,4|Needs 4 points on the picture.",
                "ALIGNMENT_POINTS|0;1,2;3,4;5,6;7,8|The scale must be above 0 and up to 50 mm a unit.",
                "ALIGNMENT_POINTS|x|Needs a scale and 4 points.",
                "DOME_POINTS|1;0,0;1,1;2,2;3,9999;4,2;5,1;6,0|Needs 7 points on the picture."
            })
    void a_value_is_refused_with_what_is_allowed(FindingField field, String value, String problem) {
        assertThat(field.typed(value).problem()).isEqualTo(problem);
    }

    /** One value, one stored form: whatever reads it later finds what it expects. */
    @ParameterizedTest
    @CsvSource({"SET_GRADE, 2.0, 2", "SET_GRADE, ' 2', 2", "RIB_IN_CM, 84.50, 84.5", "COUGH, ' DRAWS_IN ', DRAWS_IN"})
    void a_value_is_stored_in_one_form(FindingField field, String value, String stored) {
        assertThat(field.typed(value).canonical()).isEqualTo(stored);
    }

    @ParameterizedTest
    @CsvSource({"TOLERANCE_BREATHS, 3d", "SET_GRADE, 0x2", "SET_HOLD_S, NaN", "SET_HOLD_S, 1e3"})
    void what_only_a_machine_reads_as_a_number_is_refused(FindingField field, String value) {
        assertThat(field.typed(value).canonical()).isNull();
        assertThat(field.typed(value).problem()).contains("from");
    }

    /** The hip-bone mark dragged onto the pubic-bone mark, and the two feet of a ridge in one place. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"ALIGNMENT_POINTS|2;110,100;100,200;100,200;80,400", "DOME_POINTS|1;0,0;1,1;2,2;3,3;4,2;5,1;0,0"})
    void marks_that_lie_on_each_other_are_refused_at_the_picture(FindingField field, String value) {
        assertThat(field.typed(value).canonical()).isNull();
        assertThat(field.typed(value).problem()).isNotBlank();
    }

    @ParameterizedTest
    @EnumSource(FindingField.class)
    void every_field_stands_in_exactly_one_section_or_is_dragged(FindingField field) {
        long sections = java.util.Arrays.stream(CheckSection.values())
                .filter(s -> s.fields().contains(field))
                .count();
        boolean dragged = field == FindingField.ALIGNMENT_POINTS || field == FindingField.DOME_POINTS;
        assertThat(sections).isEqualTo(dragged ? 0 : 1);
    }

    @Nested
    class Marks_on_a_picture {
        @Test
        void are_scaled_and_turned_upright() {
            // screen y runs down: rib 10 units right of the hip bone, 2 mm a unit
            var a = Landmarks.of("2;110,100;100,200;100,250;80,400").alignment();
            assertThat(a.ribOffsetMm()).isCloseTo(20, within(1e-9));
            assertThat(a.tiltDeg()).isCloseTo(0, within(1e-9));
            assertThat(a.plumbMm()).isCloseTo(40, within(1e-9));
        }

        @Test
        void of_a_ridge_stand_above_the_chord() {
            assertThat(Landmarks.of("0.5;0,100;20,100;40,100;60,76;80,100;100,100;120,100")
                            .profile()
                            .heightMm())
                    .isCloseTo(12, within(1e-9));
        }
    }

    @Test
    void findings_become_measures_that_can_be_followed() {
        Map<Key, Double> m = Measures.of(Map.of(
                "SET_HOLD_S/LEFT",
                "8",
                "FLOAT_F1/RIGHT",
                "CLEAN",
                "FLOAT_F2/RIGHT",
                "SIGN",
                "RIB_IN_CM/",
                "84.5",
                "RIB_OUT_CM/",
                "80",
                "HOVER_S/",
                "5"));
        assertThat(m)
                .containsEntry(new Key(Measure.SET_HOLD_S, Side.LEFT), 8.0)
                .containsEntry(new Key(Measure.FLOAT_SCORE, Side.RIGHT), 1.0)
                .containsEntry(new Key(Measure.RIB_EXCURSION_CM, null), 4.5)
                .containsEntry(new Key(Measure.HOVER_S, null), 5.0)
                .hasSize(4);
    }
}
