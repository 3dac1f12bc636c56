package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.findings.Observed.BreathPattern;
import fernstep.core.findings.Observed.Cough;
import fernstep.core.findings.Observed.FloorOnCough;
import fernstep.core.measure.Side;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Woman;
import fernstep.core.screening.Strand;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What findings mean for what is safe, finding by finding; what was not looked at means nothing. */
class FindingsTest {
    private static Findings grades(@Nullable Integer left, @Nullable Integer right) {
        Map<Side, Integer> grades = new HashMap<>();
        if (left != null) {
            grades.put(Side.LEFT, left);
        }
        if (right != null) {
            grades.put(Side.RIGHT, right);
        }
        return Findings.NONE.with(new Findings.DeepCore(grades, null, Map.of()));
    }

    private static Findings holds(Map<Side, Double> seconds) {
        return Findings.NONE.with(new Findings.Shown(seconds, null, null, null, null, null));
    }

    private static Findings recorded(String... values) {
        Map<Recorded.Key, String> all = new HashMap<>();
        for (String value : values) {
            String[] part = value.split("=");
            String[] key = part[0].split(":");
            all.put(new Recorded.Key(Finding.valueOf(key[0]), key.length > 1 ? Side.valueOf(key[1]) : null), part[1]);
        }
        return Recorded.of(all).findings();
    }

    @Test
    void nothing_looked_at_claims_nothing() {
        Findings none = Findings.NONE;
        assertThat(none.coughReversed()).isFalse();
        assertThat(none.breathComesFirst()).isFalse();
        assertThat(none.breathPatternOff()).isFalse();
        assertThat(none.engagementFirm()).isFalse();
        assertThat(none.engagementWeak()).isFalse();
        assertThat(none.tiltedForward()).isFalse();
        assertThat(none.tiltNeutral()).as("not measured is not tilted").isTrue();
        assertThat(none.contactLost()).isFalse();
        assertThat(none.hoverClean()).isFalse();
        assertThat(none.neutralOnHandsAndKnees()).isFalse();
        assertThat(none.weakerGrade()).isEmpty();
        assertThat(none.weakerHold()).isEmpty();
        assertThat(none.holdShownS(Side.LEFT)).isEmpty();
        assertThat(none.holdShownS(null)).isEmpty();
        assertThat(none.tolerance()).isEmpty();
    }

    @Nested
    class The_engagement {
        @ParameterizedTest(name = "left {0}, right {1}: firm {2}, weak {3}")
        @CsvSource({
            "4, 4, true, false",
            "5, 4, true, false",
            "5, 3, false, false",
            "3, 3, false, false",
            "5, 2, false, true",
            "2, 2, false, true",
            "0, 5, false, true",
            "5,  , false, false",
            " , 2, false, true"
        })
        void is_as_good_as_its_weaker_side_and_firm_only_where_both_were_graded(
                @Nullable Integer left, @Nullable Integer right, boolean firm, boolean weak) {
            assertThat(grades(left, right).engagementFirm()).isEqualTo(firm);
            assertThat(grades(left, right).engagementWeak()).isEqualTo(weak);
        }

        @ParameterizedTest(name = "grade {0} holds {1} s at least")
        @CsvSource({"0, 0", "1, 0", "2, 0", "3, 4", "4, 5", "5, 10"})
        void stands_for_a_hold_where_none_was_timed(int grade, double seconds) {
            assertThat(grades(grade, 5).holdShownS(Side.LEFT)).contains(seconds);
            assertThat(grades(grade, 5).holdShownS(null)).as("of both").contains(seconds);
        }

        @Test
        void is_shown_by_the_hold_that_was_timed_on_that_side_else_by_the_shorter() {
            Findings both = holds(Map.of(Side.LEFT, 12.0, Side.RIGHT, 7.0));
            assertThat(both.holdShownS(Side.LEFT)).contains(12.0);
            assertThat(both.holdShownS(Side.RIGHT)).contains(7.0);
            assertThat(both.holdShownS(null)).contains(7.0);
            assertThat(holds(Map.of(Side.LEFT, 12.0)).holdShownS(Side.RIGHT))
                    .as("the only one there is")
                    .contains(12.0);
        }

        @Test
        void falls_back_on_the_weaker_grade_where_that_side_has_none() {
            assertThat(grades(4, null).holdShownS(Side.RIGHT)).contains(5.0);
        }
    }

    @ParameterizedTest(name = "left {0} s, right {1} s: {2}")
    @CsvSource({"10, 8, RIGHT", "8, 10, LEFT", "10, 8.1, ", "10, 10, ", "0, 5, LEFT", "0, 0, "})
    void a_side_that_holds_a_fifth_less_is_the_weaker_one(double left, double right, @Nullable Side weaker) {
        assertThat(holds(Map.of(Side.LEFT, left, Side.RIGHT, right))
                        .weakerHold()
                        .orElse(null))
                .isEqualTo(weaker);
        assertThat(holds(Map.of(Side.LEFT, left)).weakerHold())
                .as("one side alone is no comparison")
                .isEmpty();
    }

    @Nested
    class Pressure {
        @ParameterizedTest
        @EnumSource(Cough.class)
        void goes_the_wrong_way_where_the_belly_pushes_out(Cough cough) {
            Findings f = Findings.NONE.with(new Findings.Pressure(cough, null, null));
            assertThat(f.coughReversed()).isEqualTo(cough == Cough.PUSHES_OUT);
            assertThat(f.breathComesFirst()).isEqualTo(cough == Cough.PUSHES_OUT);
        }

        @ParameterizedTest
        @EnumSource(FloorOnCough.class)
        void goes_the_wrong_way_where_the_pelvic_floor_goes_down_whatever_the_belly_does(FloorOnCough floor) {
            Findings f = Findings.NONE.with(new Findings.Pressure(Cough.DRAWS_IN, floor, null));
            assertThat(f.coughReversed()).isEqualTo(floor == FloorOnCough.DESCENDS);
        }

        @ParameterizedTest(name = "{0} breaths: {1}, kept {2}")
        @CsvSource({
            "0, POOR, false",
            "1, POOR, false",
            "2, POOR, false",
            "3, FAIR, false",
            "4, FAIR, true",
            "5, BETWEEN, true",
            "9, BETWEEN, true",
            "10, GOOD, true",
            "30, GOOD, true"
        })
        void tolerance_is_poor_to_two_breaths_kept_from_four_and_good_from_ten(
                int breaths, Tolerance.Level level, boolean kept) {
            Tolerance tolerance = new Tolerance(breaths);
            assertThat(tolerance.level()).isEqualTo(level);
            assertThat(tolerance.isKept()).isEqualTo(kept);
            assertThat(tolerance.isGood()).isEqualTo(level == Tolerance.Level.GOOD);
            assertThat(Findings.NONE
                            .with(new Findings.DeepCore(Map.of(), breaths, Map.of()))
                            .breathComesFirst())
                    .isEqualTo(level == Tolerance.Level.POOR);
        }

        @ParameterizedTest
        @EnumSource(BreathPattern.class)
        void a_breath_up_the_chest_or_reversed_is_learnt_first(BreathPattern pattern) {
            assertThat(Findings.NONE
                            .with(new Findings.AtRest(pattern, null, null))
                            .breathPatternOff())
                    .isEqualTo(pattern == BreathPattern.CHEST_UP || pattern == BreathPattern.REVERSED);
        }
    }

    @ParameterizedTest(name = "{0}°: forward {1}, neutral {2}")
    @CsvSource({"0, false, true", "5, false, true", "5.1, true, false", "-5, false, true", "-5.1, false, false"})
    void the_pelvis_is_neutral_within_five_degrees(double deg, boolean forward, boolean neutral) {
        Findings f = Findings.NONE.with(Findings.Shown.NOTHING.tilted(deg));
        assertThat(f.tiltedForward()).isEqualTo(forward);
        assertThat(f.tiltNeutral()).isEqualTo(neutral);
    }

    @Nested
    class On_hands_and_knees {
        @ParameterizedTest(name = "{0} s: {1}")
        @CsvSource({"3, false", "4, true", "60, true"})
        void a_hover_is_clean_from_four_seconds_and_shows_neutral(int seconds, boolean clean) {
            Findings f = Findings.NONE.withReaches(Set.of(), Set.of(), Set.of(), seconds);
            assertThat(f.hoverClean()).isEqualTo(clean);
            assertThat(f.neutralOnHandsAndKnees()).isEqualTo(clean);
        }

        @Test
        void a_reach_that_keeps_the_rod_shows_neutral() {
            assertThat(recorded("ROD_ARM:LEFT=KEPT").neutralOnHandsAndKnees()).isTrue();
            assertThat(recorded("ROD_LEG:RIGHT=KEPT").neutralOnHandsAndKnees()).isTrue();
            assertThat(recorded("ROD_LEG:RIGHT=SACRUM").neutralOnHandsAndKnees())
                    .isFalse();
        }

        @Test
        void contact_is_lost_where_the_rod_left_its_place_and_only_there() {
            assertThat(recorded("ROD_ARM:LEFT=KEPT", "ROD_ARM:RIGHT=MID_BACK").contactLost())
                    .isTrue();
            assertThat(recorded("ROD_ARM:LEFT=SKULL", "ROD_ARM:RIGHT=SACRUM").contactLost())
                    .as("lost in every reach that was tried")
                    .isTrue();
            assertThat(recorded("ROD_LEG:LEFT=SACRUM").contactLost()).isTrue();
            assertThat(recorded("ROD_ARM:LEFT=KEPT").contactLost())
                    .as("the other side was not tried")
                    .isFalse();
            assertThat(recorded("ROD_ARM:LEFT=KEPT", "ROD_LEG:LEFT=KEPT").contactLost())
                    .isFalse();
        }

        /** Who loses it everywhere needs the work more than who loses it on one side. */
        @Test
        void lost_everywhere_calls_for_work_on_hands_and_knees() {
            Plan plan = Woman.never_pregnant()
                    .strong()
                    .minutes(40)
                    .reaches(Set.of(), Set.of())
                    .loses(Set.of(Side.LEFT, Side.RIGHT))
                    .plan();
            assertThat(plan.items())
                    .filteredOn(item -> item.strand() == Strand.HANDS_KNEES)
                    .isNotEmpty()
                    .extracting(PlanItem::why)
                    .allSatisfy(why -> assertThat(why.toString()).contains("contactLost"));
        }
    }

    @Nested
    class The_float_test {
        @Test
        void scores_the_highest_clean_rung_and_keeps_what_took_help_apart() {
            FloatTest test = new FloatTest(Map.of(
                    1, FloatTest.Try.CLEAN, 2, FloatTest.Try.CLEAN, 3, FloatTest.Try.HELPED, 4, FloatTest.Try.SIGN));
            assertThat(test.score()).isEqualTo(2);
            assertThat(test.scoreWithHelp()).isEqualTo(3);
            assertThat(test.tried()).isTrue();
        }

        @Test
        void scores_nothing_where_the_first_showed_a_sign_and_says_when_it_was_not_done() {
            assertThat(new FloatTest(Map.of(1, FloatTest.Try.SIGN)).score()).isZero();
            assertThat(new FloatTest(Map.of(1, FloatTest.Try.SIGN)).scoreWithHelp())
                    .isZero();
            assertThat(new FloatTest(Map.of()).tried()).isFalse();
            assertThat(new FloatTest(Map.of(5, FloatTest.Try.CLEAN, 2, FloatTest.Try.HELPED)).scoreWithHelp())
                    .as("never below the score")
                    .isEqualTo(5);
        }

        /** Clean, helped, a sign, or not tried, from the first rung on. */
        @ParameterizedTest(name = "{0} scores {1}, with help {2}")
        @CsvSource({
            "CCSCS, 2, 2, true",
            "CCSHS, 2, 2, true",
            "CHSCC, 1, 2, true",
            "SCCCC, 0, 0, true",
            "CCCCS, 4, 4, false",
            "CCCCC, 5, 5, false",
            "CCS--, 2, 2, false",
            "C-C-C, 5, 5, false",
            "CCHS-, 2, 3, false",
            "C-S-H, 1, 1, true"
        })
        void ends_with_the_first_sign(String tries, int score, int withHelp, boolean wentOn) {
            Map<Integer, FloatTest.Try> byRung = new HashMap<>();
            for (int i = 0; i < tries.length(); i++) {
                char each = tries.charAt(i);
                if (each != '-') {
                    byRung.put(
                            i + 1,
                            each == 'C'
                                    ? FloatTest.Try.CLEAN
                                    : each == 'H' ? FloatTest.Try.HELPED : FloatTest.Try.SIGN);
                }
            }
            FloatTest test = new FloatTest(byRung);
            assertThat(test.score()).isEqualTo(score);
            assertThat(test.scoreWithHelp()).isEqualTo(withHelp);
            assertThat(test.wentOnAfterASign()).isEqualTo(wentOn);
        }

        @ParameterizedTest
        @CsvSource({"0", "6"})
        void has_five_rungs(int rung) {
            assertThatThrownBy(() -> new FloatTest(Map.of(rung, FloatTest.Try.CLEAN)))
                    .hasMessageContaining("rungs 1 to 5");
        }

        @Test
        void counts_for_a_side_as_far_as_that_side_was_tried() {
            Findings f = recorded("FLOAT_F1:LEFT=CLEAN", "FLOAT_F2:LEFT=CLEAN", "FLOAT_F3:LEFT=SIGN");
            assertThat(f.floatScore()).containsExactly(Map.entry(Side.LEFT, 2));
        }
    }

    @Nested
    class How_it_is_taken {
        @Test
        void a_grade_is_one_tap_a_time_has_a_stepper_and_a_girth_goes_by_halves() {
            assertThat(Finding.SET_GRADE.choices()).containsExactly("0", "1", "2", "3", "4", "5");
            assertThat(Finding.SET_GRADE.stepper()).isFalse();
            assertThat(Finding.SET_HOLD_S.stepper()).isTrue();
            assertThat(Finding.SET_HOLD_S.choices()).isEmpty();
            assertThat(Finding.SET_HOLD_S.step()).isEqualTo(1);
            assertThat(Finding.RIB_IN_CM.step()).isEqualTo(0.5);
            assertThat(Finding.COUGH.stepper()).isFalse();
            assertThat(Finding.COUGH.choices()).containsExactlyElementsOf(Finding.COUGH.codes());
            assertThat(Finding.RIB_FLARE.flag()).isTrue();
            assertThat(Finding.COUGH.flag()).isFalse();
            assertThat(Finding.SET_GRADE.perSide()).isTrue();
            assertThat(Finding.SCOOP.perSide()).isFalse();
        }

        @Test
        void the_internal_one_is_named_wherever_it_stands_and_no_other() {
            assertThat(Finding.namesTherapistOnly("PF_INTERNAL")).isTrue();
            assertThat(Finding.namesTherapistOnly("finding:PF_INTERNAL:LEFT\nmore"))
                    .isTrue();
            assertThat(Finding.namesTherapistOnly("PF_INTERNALS")).isFalse();
            assertThat(Finding.namesTherapistOnly("finding:PF_LIFT")).isFalse();
            assertThat(Finding.values()).filteredOn(Finding::therapistOnly).containsExactly(Finding.PF_INTERNAL);
        }
    }
}
