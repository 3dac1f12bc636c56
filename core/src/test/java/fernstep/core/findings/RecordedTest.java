package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.Arrays;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What can be recorded, in its one stored form, and what it adds up to. */
class RecordedTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "COUGH|PUSHES_OUT|",
                "COUGH|SNEEZES|refused.code",
                "SET_GRADE|5|",
                "SET_GRADE|6|refused.whole",
                "SET_GRADE|2.5|refused.whole",
                "SET_HOLD_S|600|",
                "SET_HOLD_S|601|refused.number",
                "RIB_IN_CM|84.5|",
                "RIB_IN_CM|wide|refused.number",
                "ALIGNMENT_POINTS|4.4;1,2;3,4;5,6;7,8|",
                "ALIGNMENT_POINTS|4.4;1,2;3,4|refused.pointsOnPicture",
                "ALIGNMENT_POINTS|0;1,2;3,4;5,6;7,8|refused.scale",
                "ALIGNMENT_POINTS|x|refused.points",
                "DOME_POINTS|1;0,0;1,1;2,2;3,9999;4,2;5,1;6,0|refused.pointsOnPicture"
            })
    void a_value_is_refused_with_what_is_allowed(Finding field, String value, String problem) {
        Reason told = field.typed(value).problem();
        assertThat(told == null ? null : told.key()).isEqualTo(problem);
    }

    /** One value, one stored form: whatever reads it later finds what it expects. */
    @ParameterizedTest
    @CsvSource({"SET_GRADE, 2.0, 2", "SET_GRADE, ' 2', 2", "RIB_IN_CM, 84.50, 84.5", "COUGH, ' DRAWS_IN ', DRAWS_IN"})
    void a_value_is_stored_in_one_form(Finding field, String value, String stored) {
        assertThat(field.typed(value).canonical()).isEqualTo(stored);
    }

    @ParameterizedTest
    @CsvSource({"TOLERANCE_BREATHS, 3d", "SET_GRADE, 0x2", "SET_HOLD_S, NaN", "SET_HOLD_S, 1e3"})
    void what_only_a_machine_reads_as_a_number_is_refused(Finding field, String value) {
        assertThat(field.typed(value).canonical()).isNull();
        assertThat(field.typed(value).problem()).isNotNull();
    }

    /** The hip-bone mark dragged onto the pubic-bone mark, and the two feet of a ridge in one place. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"ALIGNMENT_POINTS|2;110,100;100,200;100,200;80,400", "DOME_POINTS|1;0,0;1,1;2,2;3,3;4,2;5,1;0,0"})
    void marks_that_lie_on_each_other_are_refused_at_the_picture(Finding field, String value) {
        assertThat(field.typed(value).canonical()).isNull();
        assertThat(field.typed(value).problem()).isEqualTo(Reason.of("refused.samePlace"));
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

    @Nested
    class What_was_recorded {
        private final Recorded recorded = Recorded.of(Map.of(
                new Recorded.Key(Finding.SET_GRADE, Side.LEFT), "3",
                new Recorded.Key(Finding.SET_GRADE, Side.RIGHT), "2",
                new Recorded.Key(Finding.TOLERANCE_BREATHS, null), "2",
                new Recorded.Key(Finding.ROD_ARM, Side.LEFT), "KEPT",
                new Recorded.Key(Finding.ROD_ARM, Side.RIGHT), "SACRUM",
                new Recorded.Key(Finding.RIB_FLARE, null), "YES",
                new Recorded.Key(Finding.HOVER_S, null), "no number"));

        @Test
        void adds_up_to_the_findings_that_decide_the_start() {
            Findings f = recorded.findings();
            assertThat(f.weakerGrade()).contains(new DeepCoreGrade(2));
            assertThat(f.tolerance())
                    .hasValueSatisfying(
                            tolerance -> assertThat(tolerance.isPoor()).isTrue());
            assertThat(f.armReachKept()).containsExactly(Side.LEFT);
            assertThat(f.shown().ribFlare()).isTrue();
        }

        @Test
        void passes_over_what_cannot_be_read_and_keeps_the_rest() {
            assertThat(recorded.taken(Finding.HOVER_S)).isFalse();
            assertThat(recorded.findings().hoverS()).isNull();
            assertThat(recorded.bySide(Finding.SET_GRADE))
                    .containsOnly(Map.entry(Side.LEFT, 3.0), Map.entry(Side.RIGHT, 2.0));
        }

        @Test
        void takes_the_eye_before_the_landmarks_for_the_ribs() {
            String ahead = "2;110,100;100,200;100,250;80,400";
            assertThat(Recorded.of(Map.of(new Recorded.Key(Finding.ALIGNMENT_POINTS, null), ahead))
                            .findings()
                            .ribs())
                    .isEqualTo(Observed.RibsOverPelvis.RIBS_AHEAD);
            assertThat(Recorded.of(Map.of(
                                    new Recorded.Key(Finding.ALIGNMENT_POINTS, null),
                                    ahead,
                                    new Recorded.Key(Finding.RIBS, null),
                                    "STACKED"))
                            .findings()
                            .ribs())
                    .isEqualTo(Observed.RibsOverPelvis.STACKED);
        }
    }

    /** Rows worked out from the brief: 1–2 breaths poor, 3–4 fair, 10 and more good; a grade of 2 carries no load. */
    @ParameterizedTest
    @CsvSource({
        "1,POOR,true,false",
        "2,POOR,true,false",
        "3,FAIR,false,false",
        "4,FAIR,false,true",
        "5,BETWEEN,false,true",
        "9,BETWEEN,false,true",
        "10,GOOD,false,true"
    })
    void breaths_kept_are_told_by_level(int breaths, Tolerance.Level level, boolean poor, boolean kept) {
        Tolerance t = new Tolerance(breaths);
        assertThat(t.level()).isEqualTo(level);
        assertThat(t.isPoor()).isEqualTo(poor);
        assertThat(t.isKept()).isEqualTo(kept);
    }

    @ParameterizedTest
    @CsvSource({"0,true,false,0", "2,true,false,0", "3,false,false,4", "4,false,true,5", "5,false,true,10"})
    void a_grade_says_what_it_carries(int grade, boolean weak, boolean firm, int holdS) {
        DeepCoreGrade g = new DeepCoreGrade(grade);
        assertThat(g.isWeak()).isEqualTo(weak);
        assertThat(g.isFirm()).isEqualTo(firm);
        assertThat(g.holdS()).isEqualTo(holdS);
    }

    @Test
    void no_two_findings_have_one_name_in_a_case_file() {
        assertThat(Arrays.stream(Finding.values()).flatMap(finding -> finding.caseField().stream()))
                .doesNotHaveDuplicates();
    }
}
