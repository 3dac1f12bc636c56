package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.findings.Finding;
import fernstep.core.findings.Recorded;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.measure.Symmetry;
import fernstep.core.progress.ChangeReport.Found;
import fernstep.core.progress.ChangeReport.Key;
import fernstep.core.progress.ChangeReport.Observation;
import fernstep.core.progress.ChangeReport.SymmetryChange;
import fernstep.core.screening.Stage.ForWidth;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Separation;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the report says to her and to the file: the gap first, forward before back, and how much stayed as it was. */
class WhatIsSaidOfAChangeTest {
    private static final Key HOLD_LEFT = new Key(Measure.SET_HOLD_S, Side.LEFT);
    private static final Key HOLD_RIGHT = new Key(Measure.SET_HOLD_S, Side.RIGHT);
    private static final Key TILT = new Key(Measure.TILT_DEG, null);
    private static final Key HOVER = new Key(Measure.HOVER_S, null);

    /** Tape at 0 and 2 cm: an area of 20 mm times the width, real beyond 144.03 mm². */
    private static Separation gap(@Nullable Double before, double now) {
        return Separation.of(
                new Separation.Check(tape(now), Examiner.UNKNOWN),
                before == null ? null : new Separation.Check(tape(before), Examiner.UNKNOWN),
                GapReading.WIDTH_BY_SITE,
                ForWidth.POSTNATAL_AFTER_6_WEEKS);
    }

    private static List<Reading> tape(double mm) {
        return List.of(Reading.of(0, Condition.REST, Method.TAPE, mm), Reading.of(2, Condition.REST, Method.TAPE, mm));
    }

    private static Separation noGap() {
        return Separation.of(
                new Separation.Check(List.of(), Examiner.UNKNOWN),
                null,
                GapReading.WIDTH_BY_SITE,
                ForWidth.POSTNATAL_AFTER_6_WEEKS);
    }

    private static ChangeReport report(Separation separation, Map<Key, Double> before, Map<Key, Double> now) {
        return ChangeReport.of(separation, new Found(before, Map.of()), new Found(now, Map.of()));
    }

    private static Reason measure(Measure measure) {
        return Reason.of("forHer.measure", Reason.of("measure." + measure), "");
    }

    private static Reason measure(Measure measure, Side side) {
        return Reason.of("forHer.measureSide", Reason.of("measure." + measure), side);
    }

    @Nested
    class To_her {
        @ParameterizedTest(name = "{0} mm, then {1}: {2}")
        // 8 mm over 20 mm are 160 mm²; 5 mm are 100
        @CsvSource({"40, 32, NARROWER", "40, 48, WIDER", "40, 35, NO_REAL_CHANGE"})
        void the_gap_comes_first(double before, double now, String kind) {
            ChangeReport r = report(gap(before, now), Map.of(HOVER, 4.0), Map.of(HOVER, 12.0));
            assertThat(r.forHer())
                    .containsExactly(
                            Reason.of("forHer.gap." + kind),
                            Reason.of("forHer.forward", Reason.list(List.of(measure(Measure.HOVER_S)))));
        }

        @Test
        void what_the_gap_does_on_the_lift_is_said_where_it_differs_from_rest() {
            List<Reading> before = lifted(40, 40);
            assertThat(report(between(lifted(40, 52), before), Map.of(), Map.of())
                            .forHer())
                    .containsExactly(Reason.of("forHer.gap.NO_REAL_CHANGE"), Reason.of("forHer.lift.WIDER"));
            assertThat(report(between(lifted(52, 52), before), Map.of(), Map.of())
                            .forHer())
                    .containsExactly(Reason.of("forHer.gap.WIDER"));
        }

        private static List<Reading> lifted(double restMm, double liftMm) {
            return List.of(
                    Reading.of(0, Condition.REST, Method.TAPE, restMm),
                    Reading.of(2, Condition.REST, Method.TAPE, restMm),
                    Reading.of(0, Condition.HEAD_LIFT, Method.TAPE, liftMm),
                    Reading.of(2, Condition.HEAD_LIFT, Method.TAPE, liftMm));
        }

        private static Separation between(List<Reading> now, List<Reading> before) {
            return Separation.of(
                    new Separation.Check(now, Examiner.UNKNOWN),
                    new Separation.Check(before, Examiner.UNKNOWN),
                    GapReading.WIDTH_BY_SITE,
                    ForWidth.POSTNATAL_AFTER_6_WEEKS);
        }

        @Test
        void what_went_forward_and_what_went_back_are_two_sentences() {
            ChangeReport r = report(
                    noGap(),
                    Map.of(HOLD_LEFT, 6.0, HOLD_RIGHT, 14.0, TILT, 12.0, HOVER, 5.0),
                    Map.of(HOLD_LEFT, 12.0, HOLD_RIGHT, 8.0, TILT, 4.0, HOVER, 6.0));
            assertThat(r.forHer())
                    .containsExactly(
                            Reason.of(
                                    "forHer.forward",
                                    Reason.list(List.of(
                                            measure(Measure.SET_HOLD_S, Side.LEFT), measure(Measure.TILT_DEG)))),
                            Reason.of("forHer.back", Reason.list(List.of(measure(Measure.SET_HOLD_S, Side.RIGHT)))));
        }

        @Test
        void one_that_only_went_back_says_so_and_nothing_of_staying() {
            ChangeReport r = report(noGap(), Map.of(HOVER, 20.0), Map.of(HOVER, 5.0));
            assertThat(r.forHer())
                    .containsExactly(Reason.of("forHer.back", Reason.list(List.of(measure(Measure.HOVER_S)))));
        }

        @Test
        void nothing_beyond_error_stayed_the_same_and_nothing_measured_twice_says_little() {
            assertThat(report(noGap(), Map.of(HOVER, 5.0), Map.of(HOVER, 6.0)).forHer())
                    .containsExactly(Reason.of("forHer.same"));
            assertThat(report(noGap(), Map.of(), Map.of(HOVER, 6.0)).forHer())
                    .containsExactly(Reason.of("forHer.little"));
            assertThat(report(gap(null, 30), Map.of(), Map.of()).forHer())
                    .as("a first visit")
                    .containsExactly(Reason.of("forHer.little"));
        }
    }

    @Nested
    class Forward {
        @ParameterizedTest(name = "{0} from {1} to {2}: forward {3}")
        @CsvSource({
            "SET_HOLD_S, 6, 12, true",
            "SET_HOLD_S, 12, 6, false",
            "SET_GRADE, 2, 3, true",
            "TOLERANCE_BREATHS, 8, 2, false",
            "QUICK_LIFTS, 4, 9, true",
            "HOVER_S, 4, 20, true",
            // what leans or rises is better the nearer it comes to nothing, from either side
            "TILT_DEG, 12, 4, true",
            "TILT_DEG, -12, -4, true",
            "TILT_DEG, -4, -12, false",
            "TILT_DEG, 4, -12, false",
            "RIB_OFFSET_MM, 40, 5, true",
            "RIB_OFFSET_MM, 5, -40, false",
            "DOME_HEIGHT_MM, 12, 4, true",
            "DOME_HEIGHT_MM, 4, 12, false"
        })
        void is_more_of_what_she_does_and_less_of_what_leans_or_rises(
                Measure measure, double before, double now, boolean forward) {
            Key key = new Key(measure, null);
            ChangeReport r = report(noGap(), Map.of(key, before), Map.of(key, now));
            assertThat(r.forHer()).extracting(Reason::key).containsExactly(forward ? "forHer.forward" : "forHer.back");
        }

        @Test
        void has_its_unit_and_its_error() {
            assertThat(Measure.SET_HOLD_S.unit()).isEqualTo("s");
            assertThat(Measure.TILT_DEG.unit()).isEqualTo("°");
            assertThat(Measure.SET_GRADE.unit()).isEmpty();
            // 1.96·√2·2
            assertThat(Measure.TILT_DEG.smallestRealChange()).isCloseTo(5.5437, within(1e-4));
            assertThat(Measure.FLOAT_SCORE.smallestRealChange()).isEqualTo(1);
            assertThat(Measure.FLOAT_SCORE.real(-1)).isTrue();
            assertThat(Measure.TILT_DEG.real(-5.6)).isTrue();
            assertThat(Measure.TILT_DEG.real(5.5)).isFalse();
        }
    }

    @Nested
    class In_the_file {
        @Test
        void the_area_is_the_headline_with_its_limit() {
            ChangeReport r = report(gap(40.0, 32), Map.of(), Map.of());
            // 20·8 = 160 against 144.03; each site's 8 mm is within 8.3
            assertThat(r.paragraph())
                    .containsExactly(
                            Reason.of("report.area.NARROWER", Reason.of("condition.REST"), 160L, 144L),
                            Reason.of("report.unchanged", 2));
        }

        @Test
        void an_area_that_stayed_is_said_and_is_not_nothing() {
            assertThat(report(gap(40.0, 40), Map.of(), Map.of()).paragraph())
                    .containsExactly(
                            Reason.of("report.area.NO_REAL_CHANGE", Reason.of("condition.REST"), 0L, 144L),
                            Reason.of("report.unchanged", 2));
        }

        @Test
        void a_value_is_named_with_both_numbers_its_unit_and_its_side() {
            ChangeReport r = report(noGap(), Map.of(HOLD_LEFT, 6.0, HOVER, 4.0), Map.of(HOLD_LEFT, 12.04, HOVER, 12.0));
            assertThat(r.paragraph())
                    .containsExactly(
                            Reason.of("report.valueSide", Reason.of("measure.SET_HOLD_S"), 6.0, 12.0, "s", Side.LEFT),
                            Reason.of("report.value", Reason.of("measure.HOVER_S"), 4.0, 12.0, "s", ""));
        }

        @Test
        void a_check_with_sides_is_named_with_its_side_and_a_change_alone_counts_nothing_beside() {
            Observation leg = new Observation("ROD_LEG", Side.RIGHT);
            ChangeReport r = ChangeReport.of(
                    noGap(), new Found(Map.of(), Map.of(leg, "SACRUM")), new Found(Map.of(), Map.of(leg, "KEPT")));
            assertThat(r.paragraph())
                    .containsExactly(Reason.of(
                            "report.codeSide",
                            Reason.of("field.ROD_LEG"),
                            Reason.of("finding.SACRUM"),
                            Reason.of("finding.KEPT"),
                            Side.RIGHT));
        }

        @Test
        void checks_stand_in_the_order_of_their_names_left_before_right() {
            Map<Observation, String> then = Map.of(
                    new Observation("ROD_LEG", Side.RIGHT), "SACRUM",
                    new Observation("ROD_LEG", Side.LEFT), "SACRUM",
                    new Observation("COUGH", null), "PUSHES_OUT");
            Map<Observation, String> now = Map.of(
                    new Observation("ROD_LEG", Side.LEFT), "KEPT",
                    new Observation("COUGH", null), "DRAWS_IN",
                    new Observation("ROD_LEG", Side.RIGHT), "SACRUM",
                    new Observation("SCOOP", null), "YES");
            ChangeReport r = ChangeReport.of(noGap(), new Found(Map.of(), then), new Found(Map.of(), now));
            assertThat(r.codeChanges())
                    .extracting(
                            change -> change.of().check() + " " + change.of().side())
                    .containsExactly("COUGH null", "ROD_LEG LEFT", "ROD_LEG RIGHT");
            assertThat(r.paragraph()).last().isEqualTo(Reason.of("report.unchanged", 1));
        }

        @Test
        void measures_stand_in_the_order_of_the_check_left_before_right() {
            Map<Key, Double> numbers = Map.of(HOVER, 5.0, HOLD_RIGHT, 5.0, HOLD_LEFT, 5.0, TILT, 5.0);
            assertThat(report(noGap(), numbers, numbers).changes())
                    .extracting(ChangeReport.Change::key)
                    .containsExactly(HOLD_LEFT, HOLD_RIGHT, HOVER, TILT);
        }

        @Test
        void sides_that_grew_less_alike_are_named_with_how_far_apart_they_are() {
            ChangeReport r = report(
                    noGap(), Map.of(HOLD_LEFT, 20.0, HOLD_RIGHT, 20.0), Map.of(HOLD_LEFT, 10.0, HOLD_RIGHT, 20.0));
            assertThat(r.paragraph()).contains(Reason.of("report.lessAlike", Reason.of("measure.SET_HOLD_S"), 0L, 50L));
        }

        @Test
        void one_side_alone_has_nothing_to_be_like() {
            assertThat(report(noGap(), Map.of(HOLD_LEFT, 20.0), Map.of(HOLD_LEFT, 10.0, HOLD_RIGHT, 20.0))
                            .symmetry())
                    .isEmpty();
        }

        /** The index of a hold that was never above a second is not divided by less than one. */
        @Test
        void tiny_sides_do_not_make_certainty() {
            ChangeReport r =
                    report(noGap(), Map.of(HOLD_LEFT, 0.0, HOLD_RIGHT, 0.5), Map.of(HOLD_LEFT, 0.5, HOLD_RIGHT, 0.5));
            // 1.96·√2·2·√(1 + 1) = 7.84
            assertThat(r.symmetry().get(0).smallestReal()).isCloseTo(7.84, within(1e-9));
            assertThat(r.symmetry().get(0).real()).isFalse();
        }

        @Test
        void a_difference_as_large_as_the_limit_is_not_beyond_it() {
            SymmetryChange same = new SymmetryChange(Measure.FLOAT_SCORE, new Symmetry(2, 4), new Symmetry(4, 4), 0.5);
            assertThat(same.moreAlikeBy()).isEqualTo(0.5);
            assertThat(same.real()).isFalse();
        }
    }

    @Nested
    class Compared_at_all {
        @Test
        void is_anything_that_was_taken_twice() {
            assertThat(report(noGap(), Map.of(), Map.of()).comparesAnything()).isFalse();
            assertThat(report(gap(null, 30), Map.of(), Map.of()).comparesAnything())
                    .as("read once")
                    .isFalse();
            assertThat(report(gap(30.0, 30), Map.of(), Map.of()).comparesAnything())
                    .isTrue();
            assertThat(report(noGap(), Map.of(HOVER, 1.0), Map.of(HOVER, 1.0)).comparesAnything())
                    .isTrue();
            Found cough = new Found(Map.of(), Map.of(new Observation("COUGH", null), "DRAWS_IN"));
            assertThat(ChangeReport.of(noGap(), cough, cough).comparesAnything())
                    .isTrue();
        }

        @Test
        void holds_what_a_picture_and_a_float_test_tell() {
            Found found = Found.of(Recorded.of(Map.of(
                    new Recorded.Key(Finding.ALIGNMENT_POINTS, null), "2;110,100;100,200;100,250;80,400",
                    new Recorded.Key(Finding.DOME_POINTS, null), "0.5;0,100;20,100;40,100;60,76;80,100;100,100;120,100",
                    new Recorded.Key(Finding.FLOAT_F1, Side.LEFT), "SIGN",
                    new Recorded.Key(Finding.PF_QUICK, null), "7")));
            assertThat(found.numbers().get(new Key(Measure.RIB_OFFSET_MM, null)))
                    .isCloseTo(20, within(1e-9));
            assertThat(found.numbers().get(TILT)).isCloseTo(0, within(1e-9));
            assertThat(found.numbers().get(new Key(Measure.DOME_HEIGHT_MM, null)))
                    .isCloseTo(12, within(1e-9));
            assertThat(found.numbers().get(new Key(Measure.FLOAT_SCORE, Side.LEFT)))
                    .isZero();
            assertThat(found.numbers().get(new Key(Measure.QUICK_LIFTS, null))).isEqualTo(7);
            assertThat(found.numbers()).hasSize(5);
        }
    }
}
