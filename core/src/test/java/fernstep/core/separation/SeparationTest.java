package fernstep.core.separation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.screening.Stage.ForWidth;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SeparationTest {
    private static final FingerCalibration TABLE = FingerCalibration.of(List.of(16.0, 31.0, 46.0, 60.0));
    private static final Examiner EXAMINER = Examiner.calibrated(TABLE);

    private static Separation of(GapReading stance, ForWidth stage, Reading... readings) {
        return Separation.of(new Separation.Check(List.of(readings), EXAMINER), null, stance, stage);
    }

    private static Verdict verdict(GapReading stance, Reading... readings) {
        return of(stance, ForWidth.POSTNATAL_AFTER_6_WEEKS, readings)
                .sites()
                .get(0)
                .verdict();
    }

    @Nested
    class Fingers_to_millimetres {
        @ParameterizedTest
        @CsvSource({
            "0, 0",
            "0.5, 8",
            "1, 16",
            "1.5, 23.5",
            "2, 31",
            "2.5, 38.5",
            "3.5, 53",
            "4, 60",
            // above four: the mean width 60/4 = 15 goes on
            "4.5, 67.5",
            "6, 90"
        })
        void interpolate_on_the_examiners_table(double fingers, double mm) {
            assertThat(TABLE.toMm(fingers)).isCloseTo(mm, within(1e-9));
            assertThat(TABLE.toFingers(mm)).isCloseTo(fingers, within(1e-9));
        }

        @Test
        void without_calibration_a_finger_is_fifteen_mm_and_the_result_says_so() {
            Separation s = Separation.of(
                    new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.FINGERS, 2.5)), Examiner.UNKNOWN),
                    null,
                    GapReading.FUNCTION_FIRST,
                    ForWidth.OTHER);
            assertThat(s.widths().get(0).mm()).isEqualTo(37.5);
            assertThat(s.widths().get(0).calibrated()).isFalse();
        }

        @Test
        void a_quarter_finger_is_refused() {
            assertThatThrownBy(() -> Reading.of(2, Condition.REST, Method.FINGERS, 2.25))
                    .hasMessage("finger-widths are read in steps of a half");
        }

        @Test
        void a_table_must_rise() {
            assertThatThrownBy(() -> FingerCalibration.of(List.of(16.0, 15.0, 46.0, 60.0)))
                    .hasMessage("each finger must add width");
        }
    }

    @Nested
    class Change {
        private Width.Change change(double now, double before) {
            Separation s = Separation.of(
                    new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.TAPE, now)), EXAMINER),
                    new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.TAPE, before)), EXAMINER),
                    GapReading.WIDTH_BY_SITE,
                    ForWidth.POSTNATAL_AFTER_6_WEEKS);
            return s.widths().get(0).change();
        }

        @ParameterizedTest
        // tape: 1.96·√(9 + 9) = 8.3156
        @CsvSource({"30, 38.3, NO_REAL_CHANGE", "30, 38.4, NARROWER", "38.4, 30, WIDER", "30, 30, NO_REAL_CHANGE"})
        void is_real_only_beyond_the_limit(double now, double before, Width.Kind kind) {
            assertThat(change(now, before).kind()).isEqualTo(kind);
            assertThat(change(now, before).smallestRealMm()).isCloseTo(8.3156, within(1e-4));
        }

        @Test
        void two_examiners_combine_their_own_errors() {
            Examiner steady = new Examiner(null, TABLE, Map.of(Method.FINGERS, TypicalError.of(2.0)), Map.of());
            Examiner newcomer = new Examiner(null, TABLE, Map.of(Method.FINGERS, TypicalError.of(5.0)), Map.of());
            Separation s = Separation.of(
                    new Separation.Check(List.of(Reading.of(0, Condition.REST, Method.FINGERS, 2.0, 2.5)), steady),
                    new Separation.Check(List.of(Reading.of(0, Condition.REST, Method.FINGERS, 3.0)), newcomer),
                    GapReading.FUNCTION_FIRST,
                    ForWidth.POSTNATAL_AFTER_6_WEEKS);
            // mean of 31 and 38.5 is 34.75; half fingers of 7.5 mm round by 7.5/√12, 4.6875 mm²; of
            // 4 + 4.6875 one half is the visit's, the other halved for two; limit 1.96·√(6.515625 + 29.6875) = 11.7931
            assertThat(s.widths().get(0).mm()).isEqualTo(34.75);
            assertThat(s.widths().get(0).change().smallestRealMm()).isCloseTo(11.7931, within(1e-4));
            assertThat(s.widths().get(0).change().kind())
                    .as("46 to 34.75 is less than that")
                    .isEqualTo(Width.Kind.NO_REAL_CHANGE);
        }

        @Test
        void a_site_without_a_reading_before_has_none() {
            Separation s = Separation.of(
                    new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.TAPE, 30.0)), EXAMINER),
                    new Separation.Check(List.of(Reading.of(2, Condition.HEAD_LIFT, Method.TAPE, 30.0)), EXAMINER),
                    GapReading.WIDTH_BY_SITE,
                    ForWidth.OTHER);
            assertThat(s.widths().get(0).change()).isNull();
        }
    }

    @Nested
    class Closure_set_effect_and_area {
        private final Separation s = of(
                GapReading.WIDTH_BY_SITE,
                ForWidth.POSTNATAL_AFTER_6_WEEKS,
                Reading.of(2, Condition.REST, Method.CALIPER, 25.0),
                Reading.of(2, Condition.HEAD_LIFT, Method.CALIPER, 22.0),
                Reading.of(2, Condition.HEAD_LIFT_SET, Method.CALIPER, 19.0),
                Reading.of(0, Condition.REST, Method.CALIPER, 20.0),
                Reading.of(0, Condition.HEAD_LIFT, Method.CALIPER, 24.0));

        @Test
        void closure_is_the_share_that_closes_and_negative_where_it_opens() {
            assertThat(s.sites().get(0).closurePct()).isCloseTo(12, within(1e-9));
            assertThat(s.sites().get(1).closurePct()).isCloseTo(-20, within(1e-9));
        }

        @Test
        void set_effect_is_lift_less_lift_with_set() {
            assertThat(s.sites().get(0).setEffectMm()).isCloseTo(3, within(1e-9));
            assertThat(s.sites().get(1).setEffectMm()).isNull();
        }

        @Test
        void area_runs_between_the_outermost_sites() {
            // two sites make a straight edge: 2 cm = 20 mm long, mean width 22.5 mm
            assertThat(s.profiles().get(Condition.REST).areaMm2())
                    .hasValueSatisfying(value -> assertThat(value).isCloseTo(450, within(1e-9)));
            assertThat(s.profiles().get(Condition.HEAD_LIFT_SET).areaMm2()).isEmpty();
        }

        @Test
        void the_same_spot_twice_is_refused_because_repeats_belong_together() {
            assertThatThrownBy(() -> of(
                            GapReading.WIDTH_BY_SITE,
                            ForWidth.OTHER,
                            Reading.of(2, Condition.REST, Method.TAPE, 20.0),
                            Reading.of(2, Condition.REST, Method.TAPE, 21.0)))
                    .hasMessageContaining("give repeats as values of one reading");
        }
    }

    @Nested
    class The_verdict {
        @ParameterizedTest
        @CsvSource({
            "MORE_THAN_TWO_FINGERS, 2, USUAL", "MORE_THAN_TWO_FINGERS, 2.5, WIDER",
                    "MORE_THAN_TWO_FINGERS, 4, MARKEDLY_WIDER",
            "TWO_OR_MORE_FINGERS, 1.5, USUAL", "TWO_OR_MORE_FINGERS, 2, WIDER", "TWO_OR_MORE_FINGERS, 3.5, WIDER",
            "TWO_OR_MORE_FINGERS, 4, MARKEDLY_WIDER"
        })
        void by_fingers(GapReading stance, double fingers, Verdict.Code code) {
            Verdict v = verdict(stance, Reading.of(2, Condition.REST, Method.FINGERS, fingers));
            assertThat(v.code()).isEqualTo(code);
            assertThat(v.limitMm()).isEqualTo(31.0);
        }

        @Test
        void by_fingers_turns_millimetres_into_this_examiners_fingers() {
            assertThat(verdict(GapReading.TWO_OR_MORE_FINGERS, Reading.of(2, Condition.REST, Method.CALIPER, 30.9))
                            .code())
                    .isEqualTo(Verdict.Code.USUAL);
            assertThat(verdict(GapReading.TWO_OR_MORE_FINGERS, Reading.of(2, Condition.REST, Method.CALIPER, 31.0))
                            .code())
                    .isEqualTo(Verdict.Code.WIDER);
        }

        @ParameterizedTest
        @CsvSource({
            // limits: 27 at the navel, 22 at +3, 16 at −2, 15 where the ribs meet (+14), straight between, level beyond
            "0, 27, 27, USUAL",
            "0, 27.1, 27, WIDER",
            "0, 40.4, 27, WIDER",
            "0, 40.5, 27, MARKEDLY_WIDER",
            "3, 22, 22, USUAL",
            "8.5, 18.6, 18.5, WIDER",
            "16, 15, 15, USUAL",
            "1.5, 24.5, 24.5, USUAL",
            "-1, 21.5, 21.5, USUAL",
            "-2, 16.1, 16, WIDER",
            "-5, 16, 16, USUAL"
        })
        void by_site(double site, double mm, double limit, Verdict.Code code) {
            Verdict v = verdict(GapReading.WIDTH_BY_SITE, Reading.of(site, Condition.REST, Method.CALIPER, mm));
            assertThat(v.limitMm()).isCloseTo(limit, within(1e-9));
            assertThat(v.code()).isEqualTo(code);
        }

        @ParameterizedTest
        @CsvSource({
            "SPRINGY, 40, 36, USUAL",
            "TAUT, 40, 40, USUAL",
            "SPRINGY, 40, 44, USUAL", // no wider than the error of two caliper readings
            "SOFT, 40, 36, WIDER",
            "SPRINGY, 40, 48, WIDER",
            "SOFT, 40, 48, MARKEDLY_WIDER"
        })
        void by_function_asks_tissue_and_closure_not_width(Feel feel, double rest, double lift, Verdict.Code code) {
            Verdict v = verdict(
                    GapReading.FUNCTION_FIRST,
                    new Reading(2, Condition.REST, Method.CALIPER, List.of(rest), null, feel),
                    Reading.of(2, Condition.HEAD_LIFT, Method.CALIPER, lift));
            assertThat(v.code()).isEqualTo(code);
            assertThat(v.limitMm()).isNull();
        }

        @ParameterizedTest
        @CsvSource({"PREGNANT", "POSTNATAL_FIRST_6_WEEKS"})
        void is_a_baseline_while_a_wide_midline_is_expected(ForWidth stage) {
            Verdict v = of(GapReading.TWO_OR_MORE_FINGERS, stage, Reading.of(2, Condition.REST, Method.FINGERS, 5.0))
                    .sites()
                    .get(0)
                    .verdict();
            assertThat(v.code()).isEqualTo(Verdict.Code.BASELINE_ONLY);
        }

        @Test
        void judges_the_head_lift_where_rest_is_missing() {
            assertThat(verdict(
                                    GapReading.MORE_THAN_TWO_FINGERS,
                                    Reading.of(2, Condition.HEAD_LIFT, Method.FINGERS, 3.0))
                            .code())
                    .isEqualTo(Verdict.Code.WIDER);
        }
    }

    @Nested
    class Many_readings_at_once {
        private static final double[] SITES = {-4, -2, 0, 2, 4};

        /** Tape at five sites, before 40 mm everywhere; 3 mm of error each, so a difference has 3·√2 = 4.2426 mm. */
        private static Separation fiveSites(double... now) {
            List<Reading> after = new java.util.ArrayList<>();
            List<Reading> before = new java.util.ArrayList<>();
            for (int i = 0; i < SITES.length; i++) {
                after.add(Reading.of(SITES[i], Condition.REST, Method.TAPE, now[i]));
                before.add(Reading.of(SITES[i], Condition.REST, Method.TAPE, 40.0));
            }
            return Separation.of(
                    new Separation.Check(after, EXAMINER),
                    new Separation.Check(before, EXAMINER),
                    GapReading.WIDTH_BY_SITE,
                    ForWidth.POSTNATAL_AFTER_6_WEEKS);
        }

        @Test
        void a_site_that_would_be_real_alone_may_be_chance_among_five() {
            // 9 mm: z = 2.1213, chance 0.0339; Holm asks the smallest of five for 0.05/5 = 0.01
            Separation s = fiveSites(40, 40, 31, 40, 40);
            Width.Change navel = s.widths().get(2).change();
            assertThat(navel.kind()).isEqualTo(Width.Kind.NARROWER);
            assertThat(navel.chance()).isCloseTo(0.0339, within(5e-4));
            assertThat(navel.confirmed()).isFalse();
            // 12 mm: z = 2.8284, chance 0.0047
            assertThat(fiveSites(40, 40, 28, 40, 40).widths().get(2).change().confirmed())
                    .isTrue();
        }

        @Test
        void once_the_surest_is_called_the_next_is_asked_for_less() {
            // 12 mm stands at 0.0047 ≤ 0.01; then 11 mm, z = 2.5927, chance 0.0095 ≤ 0.05/4; 9 mm, 0.0339 > 0.05/3
            Separation s = fiveSites(28, 29, 31, 40, 40);
            assertThat(s.widths())
                    .extracting(width -> width.change().confirmed())
                    .containsExactly(true, true, false, false, false);
        }

        @Test
        void the_area_is_judged_as_one_number_with_its_propagated_error() {
            // two sites 20 mm apart: (w₁ + w₂)/2·20; each visit 10·√(9/2 + 9/2) alone and 10·(3 + 3)/√2 shared: √2700,
            // limit 1.96·√5400 = 144.03
            Separation s = Separation.of(
                    new Separation.Check(tape(30, 30), EXAMINER),
                    new Separation.Check(tape(40, 40), EXAMINER),
                    GapReading.WIDTH_BY_SITE,
                    ForWidth.POSTNATAL_AFTER_6_WEEKS);
            AreaChange area = s.areaChanges().get(Condition.REST);
            assertThat(area.mm2()).isCloseTo(-200, within(1e-6));
            assertThat(area.smallestRealMm2()).isCloseTo(144.03, within(0.05));
            assertThat(area.kind()).isEqualTo(Width.Kind.NARROWER);
        }

        private static List<Reading> tape(double lower, double upper) {
            return List.of(
                    Reading.of(0, Condition.REST, Method.TAPE, lower),
                    Reading.of(2, Condition.REST, Method.TAPE, upper));
        }

        private static Examiner tapes(String who, Map<Method, Double> bias) {
            return new Examiner(who, TABLE, Map.of(), bias);
        }

        private static Width.Change between(Examiner now, Examiner then) {
            return Separation.of(
                            new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.TAPE, 30.0)), now),
                            new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.TAPE, 39.0)), then),
                            GapReading.WIDTH_BY_SITE,
                            ForWidth.POSTNATAL_AFTER_6_WEEKS)
                    .widths()
                    .get(0)
                    .change();
        }

        @Test
        void another_pair_of_hands_widens_the_limit() {
            // 2 mm in quadrature on each side: 1.96·√(9 + 4 + 9 + 4) = 9.9941
            Width.Change c = between(tapes("1", Map.of()), tapes("2", Map.of()));
            assertThat(c.smallestRealMm()).isCloseTo(9.9941, within(1e-4));
            assertThat(c.otherExaminer()).isTrue();
            assertThat(c.kind()).isEqualTo(Width.Kind.NO_REAL_CHANGE);
        }

        @Test
        void known_biases_of_both_are_taken_off_instead() {
            // she reads 1 mm narrow now, the other read 2 mm wide then: 31 against 37
            Width.Change c = between(tapes("1", Map.of(Method.TAPE, -1.0)), tapes("2", Map.of(Method.TAPE, 2.0)));
            assertThat(c.mm()).isCloseTo(-6, within(1e-9));
            assertThat(c.smallestRealMm()).isCloseTo(8.3156, within(1e-4));
        }
    }
}
