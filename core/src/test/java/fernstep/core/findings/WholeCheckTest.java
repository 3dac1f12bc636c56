package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** One check from its first line to its last, as it is written down, as it is read, and what it means. */
class WholeCheckTest {
    private static final Map<String, String> SHEET = Map.ofEntries(
            Map.entry("COUGH", "NO_CHANGE"),
            Map.entry("COUGH_FLOOR", "NONE"),
            Map.entry("DOMING", "FIRM"),
            Map.entry("BREATH_PATTERN", "CHEST_UP"),
            Map.entry("LUMBAR_GAP", "FLAT_HAND"),
            Map.entry("RIB_IN_CM", "84.5"),
            Map.entry("RIB_OUT_CM", "81"),
            Map.entry("RIB_FLARE", "YES"),
            Map.entry("FLARE_SETTLES", "YES"),
            Map.entry("ALIGNMENT_POINTS", "2;110,100;100,200;100,250;80,400"),
            Map.entry("DOME_POINTS", "0.5;0,100;20,100;40,100;60,76;80,100;100,100;120,100"),
            Map.entry("SET_GRADE:LEFT", "4"),
            Map.entry("SET_GRADE:RIGHT", "3"),
            Map.entry("SET_HOLD_S:LEFT", "9"),
            Map.entry("SET_HOLD_S:RIGHT", "6"),
            Map.entry("SET_EFFORT_PCT", "20"),
            Map.entry("PF_LIFT", "LIFTS"),
            Map.entry("PF_LET_GO", "PARTLY"),
            Map.entry("PF_OVER", "YES"),
            Map.entry("TOLERANCE_BREATHS", "6"),
            Map.entry("STRAW", "GENTLE"),
            Map.entry("FLOAT_F1:LEFT", "CLEAN"),
            Map.entry("FLOAT_F2:LEFT", "CLEAN"),
            Map.entry("FLOAT_F3:LEFT", "CLEAN"),
            Map.entry("FLOAT_F1:RIGHT", "CLEAN"),
            Map.entry("FLOAT_F2:RIGHT", "SIGN"),
            Map.entry("SCOOP", "PARTLY"),
            Map.entry("ROD_ARM:LEFT", "KEPT"),
            Map.entry("ROD_ARM:RIGHT", "SKULL"),
            Map.entry("ROD_LEG:RIGHT", "KEPT"),
            Map.entry("BELLY_DROP", "YES"),
            Map.entry("HOVER_S", "5"));

    private static Recorded recorded(Map<String, String> sheet) {
        Map<Recorded.Key, String> all = new HashMap<>();
        sheet.forEach((at, value) -> {
            String[] key = at.split(":");
            all.put(new Recorded.Key(Finding.valueOf(key[0]), key.length > 1 ? Side.valueOf(key[1]) : null), value);
        });
        return Recorded.of(all);
    }

    private static Recorded one(String finding, String value) {
        return recorded(Map.of(finding, value));
    }

    @Nested
    class As_it_is_read {
        private final Recorded check = recorded(SHEET);
        private final Findings found = check.findings();

        @Test
        void pressure_and_rest_are_what_was_chosen() {
            assertThat(found.cough()).isEqualTo(Observed.Cough.NO_CHANGE);
            assertThat(found.floorOnCough()).isEqualTo(Observed.FloorOnCough.NONE);
            assertThat(found.doming()).isEqualTo(Observed.Doming.FIRM);
            assertThat(check.firmRidge()).isTrue();
            assertThat(found.breathPattern()).isEqualTo(Observed.BreathPattern.CHEST_UP);
            assertThat(found.lumbarGap()).isEqualTo(Observed.LumbarGap.FLAT_HAND);
            // nobody judged the ribs by eye: 10 units of 2 mm before the hip bone are 20 mm, above the 15 of stacked
            assertThat(found.ribs()).isEqualTo(Observed.RibsOverPelvis.RIBS_AHEAD);
        }

        @Test
        void the_deep_core_is_kept_side_by_side() {
            assertThat(found.setGrade()).containsOnly(Map.entry(Side.LEFT, 4), Map.entry(Side.RIGHT, 3));
            assertThat(found.toleranceBreaths()).isEqualTo(6);
            assertThat(found.floatScore()).containsOnly(Map.entry(Side.LEFT, 3), Map.entry(Side.RIGHT, 1));
            assertThat(found.shown().longestHoldS())
                    .containsOnly(Map.entry(Side.LEFT, 9.0), Map.entry(Side.RIGHT, 6.0));
            // six seconds are a third less than nine
            assertThat(found.weakerHold()).contains(Side.RIGHT);
        }

        @Test
        void hands_and_knees_tell_what_was_kept_and_what_was_lost() {
            assertThat(found.scoop()).isEqualTo(Observed.Scoop.PARTLY);
            assertThat(found.armReachKept()).containsExactly(Side.LEFT);
            assertThat(found.legReachKept()).containsExactly(Side.RIGHT);
            assertThat(found.handsAndKnees().contactLost()).containsExactly(Side.RIGHT);
            assertThat(found.hoverS()).isEqualTo(5);
        }

        @Test
        void what_was_seen_beside_is_there_too() {
            assertThat(found.shown().tiltDeg()).isCloseTo(0, within(1e-9));
            assertThat(found.shown().ribFlare()).isTrue();
            assertThat(found.shown().lift()).isEqualTo(Observed.FloorLift.LIFTS);
            assertThat(found.shown().letGo()).isEqualTo(Observed.LetGo.PARTLY);
            assertThat(found.shown().bellyDrops()).isTrue();
        }

        @Test
        void tape_and_picture_give_their_numbers() {
            assertThat(check.ribExcursionCm()).contains(3.5);
            assertThat(check.alignment().orElseThrow().tilt()).isEqualTo(Alignment.Tilt.NEUTRAL);
            // the middle point stands 24 units of half a millimetre above the chord
            assertThat(check.domingProfile().orElseThrow().heightMm()).isCloseTo(12, within(1e-9));
        }

        @Test
        void what_was_observed_is_told_as_it_was_seen() {
            assertThat(check.observed())
                    .isEqualTo(new Observed(
                            20.0,
                            Observed.FloorLift.LIFTS,
                            Observed.LetGo.PARTLY,
                            Observed.YesNo.YES,
                            Observed.YesNo.YES,
                            Observed.YesNo.YES,
                            Observed.Straw.GENTLE,
                            Map.of(Side.LEFT, Observed.RodContact.KEPT, Side.RIGHT, Observed.RodContact.SKULL),
                            Map.of(Side.RIGHT, Observed.RodContact.KEPT),
                            Observed.YesNo.YES,
                            5.0));
        }

        @Test
        void one_part_of_it_is_that_part_alone() {
            Recorded set = check.only(List.of(Finding.SET_GRADE, Finding.COUGH));
            assertThat(set.bySide(Finding.SET_GRADE)).hasSize(2);
            assertThat(set.taken(Finding.COUGH)).isTrue();
            assertThat(set.taken(Finding.DOMING)).isFalse();
            assertThat(set.isEmpty()).isFalse();
            assertThat(check.only(List.of(Finding.HIP_DROP)).isEmpty()).isTrue();
            assertThat(check.taken(Finding.DOMING)).as("the whole is as it was").isTrue();
        }
    }

    @Nested
    class As_it_is_not_read {
        @Test
        void half_a_tape_tells_nothing() {
            assertThat(one("RIB_IN_CM", "84").ribExcursionCm()).isEmpty();
            assertThat(one("RIB_OUT_CM", "84").ribExcursionCm()).isEmpty();
        }

        @Test
        void a_soft_ridge_is_not_a_firm_one() {
            assertThat(one("DOMING", "SOFT").firmRidge()).isFalse();
            assertThat(Recorded.NOTHING.firmRidge()).isFalse();
            assertThat(Recorded.NOTHING.domingProfile()).isEmpty();
            assertThat(Recorded.NOTHING.isEmpty()).isTrue();
        }

        @Test
        void no_is_an_answer_and_silence_is_none() {
            assertThat(one("RIB_FLARE", "NO").findings().shown().ribFlare()).isFalse();
            assertThat(one("COUGH", "DRAWS_IN").findings().shown().ribFlare()).isNull();
            assertThat(one("BELLY_DROP", "NO").findings().shown().bellyDrops()).isFalse();
        }

        @Test
        void breaths_are_never_rounded_up() {
            // nobody types halves; a file from elsewhere must not make nearly four out of more than three
            assertThat(Finding.TOLERANCE_BREATHS.typed("3.9").canonical()).isNull();
            assertThat(one("TOLERANCE_BREATHS", "3").findings().toleranceBreaths())
                    .isEqualTo(3);
        }
    }

    @Nested
    class What_it_means {
        @Test
        void every_line_taken_has_its_sentence_in_the_order_of_the_check() {
            assertThat(Meanings.of(recorded(SHEET).findings()))
                    .containsExactly(
                            Reason.of("meaning.coughHolds"),
                            Reason.of("meaning.doming.FIRM"),
                            Reason.of("meaning.set.fair", 3),
                            Reason.of("meaning.tolerance.between", 6),
                            Reason.of("meaning.pattern.CHEST_UP"),
                            Reason.of("meaning.gap.FLAT_HAND"),
                            Reason.of("meaning.ribs.RIBS_AHEAD"),
                            Reason.of("meaning.scoop.PARTLY"),
                            Reason.of("meaning.floatSides", Side.RIGHT, 2));
        }

        @Test
        void what_was_seen_beside_has_its_own() {
            assertThat(Meanings.of(recorded(SHEET).observed()))
                    .containsExactly(
                            Reason.of("meaning.effort.light", 20.0),
                            Reason.of("meaning.floor.LIFTS"),
                            Reason.of("meaning.letGo.PARTLY"),
                            Reason.of("meaning.overRecruits"),
                            Reason.of("meaning.flare.settles"),
                            Reason.of("meaning.straw.GENTLE"),
                            Reason.of("meaning.rodArm", Side.RIGHT, Reason.of("finding.SKULL")),
                            Reason.of("meaning.bellyDrops"),
                            Reason.of("meaning.hover.holds", 5.0));
        }

        @Test
        void the_floor_alone_tells_how_a_cough_went() {
            assertThat(Meanings.of(one("COUGH_FLOOR", "LIFTS").findings()))
                    .containsExactly(Reason.of("meaning.coughHolds"));
            assertThat(Meanings.of(one("COUGH_FLOOR", "DESCENDS").findings()))
                    .containsExactly(Reason.of("meaning.coughReversed"));
        }

        @ParameterizedTest
        @CsvSource({"0, weak", "2, weak", "3, fair", "4, firm", "5, firm"})
        void the_grade_of_the_weaker_side_is_named(int grade, String word) {
            Recorded check = recorded(Map.of("SET_GRADE:LEFT", "5", "SET_GRADE:RIGHT", String.valueOf(grade)));
            assertThat(Meanings.of(check.findings())).containsExactly(Reason.of("meaning.set." + word, grade));
        }

        @ParameterizedTest
        @CsvSource({"3, short", "4, holds"})
        void a_hover_holds_from_four_seconds(int seconds, String word) {
            assertThat(Meanings.of(one("HOVER_S", String.valueOf(seconds)).observed()))
                    .containsExactly(Reason.of("meaning.hover." + word, (double) seconds));
        }

        @Test
        void one_side_of_the_float_test_is_no_difference() {
            assertThat(Meanings.of(Findings.NONE.withFloats(Map.of(Side.LEFT, 2))))
                    .isEmpty();
            assertThat(Meanings.of(Findings.NONE.withFloats(Map.of(Side.RIGHT, 2))))
                    .isEmpty();
        }
    }

    @Nested
    class Marks_on_the_picture {
        private static final String LYING_TOGETHER = "1;0,0;1,0;2,0;3,0;4,0;5,0;6,0";

        @Test
        void are_kept_in_one_form_however_they_were_written() {
            assertThat(Finding.ALIGNMENT_POINTS
                            .typed("2.50;1.0,2;3,4;5,6;7,8.125")
                            .canonical())
                    .isEqualTo("2.5;1,2;3,4;5,6;7,8.125");
            assertThat(Finding.DOME_POINTS.typed(LYING_TOGETHER).canonical()).isEqualTo(LYING_TOGETHER);
        }

        @ParameterizedTest(name = "{0} {1}: {2}")
        @CsvSource(
                delimiter = '|',
                nullValues = "kept",
                value = {
                    // five thousand units either way, fifty millimetres a unit: what no screen shows is a slip
                    "50|5000|kept",
                    "50|-5000|kept",
                    "50|5000.1|refused.pointsOnPicture",
                    "50|-5000.1|refused.pointsOnPicture",
                    "50|NaN|refused.points",
                    "50.1|10|refused.scale",
                    "-1|10|refused.scale",
                    "0.01|10|kept"
                })
        void are_refused_where_no_picture_has_them(String scale, String at, @Nullable String problem) {
            for (String points : List.of(at + ",1;3,4;5,6;7,8", "1," + at + ";3,4;5,6;7,8")) {
                Reason told =
                        Finding.ALIGNMENT_POINTS.typed(scale + ";" + points).problem();
                assertThat(told == null ? null : told.key()).as(points).isEqualTo(problem);
            }
        }

        @Test
        void are_refused_with_how_many_are_wanted() {
            assertThat(Finding.ALIGNMENT_POINTS.typed("1;1;2;3;4").problem()).isEqualTo(Reason.of("refused.points", 4));
            assertThat(Finding.DOME_POINTS.typed("1;1,2").problem()).isEqualTo(Reason.of("refused.pointsOnPicture", 7));
            assertThat(Finding.DOME_POINTS.typed("").problem()).isEqualTo(Reason.of("refused.points", 7));
        }
    }

    @Nested
    class The_ribs_and_the_hips {
        private static final double FORWARD_DEG = 8;

        @Test
        void a_tilt_on_the_picture_is_the_tilt_that_counts() {
            // 100 mm between the marks: 100·tan 8° = 14.05 mm ahead
            Findings f = one("ALIGNMENT_POINTS", "1;114.05,0;114.05,100;100,200;100,400")
                    .findings();
            assertThat(f.shown().tiltDeg()).isCloseTo(FORWARD_DEG, within(0.01));
            assertThat(f.tiltedForward()).isTrue();
            assertThat(f.ribs()).isEqualTo(Observed.RibsOverPelvis.STACKED);
        }
    }

    /** What is only looked at and what is graded: whatever has codes takes each of them and nothing else. */
    @ParameterizedTest
    @EnumSource(Finding.class)
    void every_finding_takes_what_it_offers_and_nothing_else(Finding finding) {
        for (String choice : finding.choices()) {
            assertThat(finding.canonical(choice)).contains(choice);
        }
        assertThat(finding.canonical("sometimes")).isEmpty();
        Range range = finding.range();
        if (range != null) {
            assertThat(finding.canonical(String.valueOf((int) range.max() + 1))).isEmpty();
            assertThat(finding.canonical(String.valueOf((int) range.max()))).isPresent();
        }
    }

    @Test
    void a_case_file_holds_grades_and_looks_and_leaves_pictures_where_they_are() {
        assertThat(Finding.COUGH_FLOOR.caseField()).contains("coughFloor");
        assertThat(Finding.SET_HOLD_S.caseField()).contains("longestHoldS");
        assertThat(Finding.ALIGNMENT_POINTS.caseField()).isEmpty();
        assertThat(Finding.FLOAT_F1.caseField()).isEmpty();
        assertThat(Finding.SET_GRADE.range()).isEqualTo(Range.SET_GRADE);
        assertThat(Finding.COUGH.range()).isNull();
    }

    @Test
    void scores_told_as_such_leave_the_rest_of_the_check_as_it_was() {
        Findings told = recorded(SHEET).findings().withFloats(Map.of(Side.LEFT, 5, Side.RIGHT, 4));
        assertThat(told.floatScore()).containsOnly(Map.entry(Side.LEFT, 5), Map.entry(Side.RIGHT, 4));
        assertThat(told.setGrade()).containsEntry(Side.LEFT, 4);
        assertThat(told.toleranceBreaths()).isEqualTo(6);
        assertThat(told.armReachKept()).isEqualTo(Set.of(Side.LEFT));
    }
}
