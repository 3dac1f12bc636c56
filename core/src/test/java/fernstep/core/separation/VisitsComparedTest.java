package fernstep.core.separation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Stage.ForWidth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** One visit against the one before: what is compared with what, what the headline says, and how the tissue works. */
class VisitsComparedTest {
    private static final Examiner TAPES = examiner("1", Map.of());

    private static Examiner examiner(String who, Map<Method, Double> biasMm) {
        return new Examiner(who, FingerCalibration.of(List.of(16.0, 31.0, 46.0, 60.0)), Map.of(), biasMm);
    }

    private static Reading rest(double siteCm, Method method, double value) {
        return Reading.of(siteCm, Condition.REST, method, value);
    }

    private static Reading lift(double siteCm, double mm) {
        return Reading.of(siteCm, Condition.HEAD_LIFT, Method.TAPE, mm);
    }

    private static Separation of(Examiner now, List<Reading> readings, Examiner then, List<Reading> before) {
        return Separation.of(
                new Separation.Check(readings, now),
                new Separation.Check(before, then),
                GapReading.WIDTH_BY_SITE,
                ForWidth.POSTNATAL_AFTER_6_WEEKS);
    }

    private static Separation of(List<Reading> readings, List<Reading> before) {
        return of(TAPES, readings, TAPES, before);
    }

    private static final List<Reading> FORTY = List.of(rest(0, Method.TAPE, 40), rest(2, Method.TAPE, 40));

    @Nested
    class The_area {
        /** Two sites 2 cm apart: 20 mm long, each millimetre at either end is 10 mm². */
        private AreaChange at(Separation separation) {
            return separation.areaChanges().get(Condition.REST);
        }

        @Test
        void takes_the_surer_of_two_methods_at_a_site_whichever_was_written_first() {
            Reading tape = rest(0, Method.TAPE, 30);
            Reading scan = rest(0, Method.ULTRASOUND, 34);
            Reading upper = rest(2, Method.TAPE, 30);
            for (List<Reading> now : List.of(List.of(tape, scan, upper), List.of(scan, tape, upper))) {
                AreaChange change = at(of(now, FORTY));
                // (34 + 30)/2·20 = 640 against 800
                assertThat(change.mm2()).isCloseTo(-160, within(1e-6));
                // half of each variance is the visit's and adds up: now 10²·(1.5² + 3²)/2 + 10²·(1.5 + 3)²/2 = 1575,
                // then 10²·(3² + 3²)/2 + 10²·(3 + 3)²/2 = 2700; 1.96·√4275
                assertThat(change.smallestRealMm2()).isCloseTo(128.152, within(0.01));
                assertThat(of(now, FORTY).profiles().get(Condition.REST).measured())
                        .containsOnly(Map.entry(0.0, 34.0), Map.entry(2.0, 30.0));
            }
        }

        @Test
        void carries_what_two_pairs_of_hands_may_differ_by_over_every_site() {
            List<Reading> now = List.of(rest(0, Method.TAPE, 32), rest(2, Method.TAPE, 32));
            // each visit: √(2700 + 20²·2²) = √4300; 1.96·√8600 = 181.76; alone it would be 144.03
            AreaChange others = at(of(TAPES, now, examiner("2", Map.of()), FORTY));
            assertThat(others.smallestRealMm2()).isCloseTo(181.76, within(0.05));
            assertThat(others.kind()).isEqualTo(Width.Kind.NO_REAL_CHANGE);
            assertThat(at(of(now, FORTY)).kind()).isEqualTo(Width.Kind.NARROWER);
        }

        @Test
        void takes_known_biases_off_and_never_goes_below_nothing() {
            Examiner narrow = examiner("1", Map.of(Method.TAPE, -1.0));
            Examiner wide = examiner("2", Map.of(Method.TAPE, 2.0));
            List<Reading> thirty = List.of(rest(0, Method.TAPE, 30), rest(2, Method.TAPE, 30));
            // 31 against 38, 20 mm long
            AreaChange change = at(of(narrow, thirty, wide, FORTY));
            assertThat(change.mm2()).isCloseTo(-140, within(1e-6));
            assertThat(change.smallestRealMm2()).isCloseTo(144.03, within(0.05));
            List<Reading> one = List.of(rest(0, Method.TAPE, 1), rest(2, Method.TAPE, 1));
            // one millimetre by somebody who reads two too wide is nothing; 40 by the other is 41
            assertThat(at(of(wide, one, narrow, FORTY)).mm2()).isCloseTo(-820, within(1e-6));
        }

        @Test
        void leaves_the_biases_on_where_the_same_hands_took_both() {
            Examiner wide = examiner("2", Map.of(Method.TAPE, 2.0));
            List<Reading> one = List.of(rest(0, Method.TAPE, 1), rest(2, Method.TAPE, 1));
            assertThat(at(of(wide, one, wide, FORTY)).mm2()).isCloseTo(-780, within(1e-6));
        }

        @Test
        void runs_over_the_sites_read_both_times() {
            List<Reading> three =
                    List.of(rest(-4, Method.TAPE, 90), rest(0, Method.TAPE, 40), rest(2, Method.TAPE, 40));
            assertThat(at(of(three, FORTY)).mm2()).isCloseTo(0, within(1e-6));
            assertThat(at(of(FORTY, three)).mm2()).isCloseTo(0, within(1e-6));
            assertThat(at(of(List.of(rest(0, Method.TAPE, 40), rest(4, Method.TAPE, 40)), FORTY)))
                    .as("one site in common makes no line")
                    .isNull();
        }

        @Test
        void is_told_for_the_lift_apart() {
            Separation s = of(
                    List.of(lift(0, 50), lift(2, 50), rest(0, Method.TAPE, 40), rest(2, Method.TAPE, 40)),
                    List.of(lift(0, 40), lift(2, 40), rest(0, Method.TAPE, 40), rest(2, Method.TAPE, 40)));
            assertThat(s.areaChanges().get(Condition.HEAD_LIFT).mm2()).isCloseTo(200, within(1e-6));
            assertThat(s.areaChanges().get(Condition.HEAD_LIFT).kind()).isEqualTo(Width.Kind.WIDER);
            assertThat(s.areaChanges().get(Condition.REST).kind()).isEqualTo(Width.Kind.NO_REAL_CHANGE);
            assertThat(s.widenedAtRest()).as("it opened on the lift").isFalse();
        }
    }

    /** Visits of somebody who has not changed, by another route than the rules: half of every error is common to a visit. */
    @Nested
    class Nothing_changed {
        private static final List<Double> SITES = List.of(6.0, 4.0, 2.0, 0.0, -2.0, -4.0);
        private static final double SD_MM = 3;
        private static final int VISITS = 4000;

        private List<Reading> visit(Random random, int repeats) {
            double shared = random.nextGaussian() * SD_MM / Math.sqrt(2);
            List<Reading> readings = new ArrayList<>();
            for (Condition condition : List.of(Condition.REST, Condition.HEAD_LIFT)) {
                for (double site : SITES) {
                    List<Double> values = new ArrayList<>();
                    for (int i = 0; i < repeats; i++) {
                        values.add(40 - Math.abs(site) + shared + random.nextGaussian() * SD_MM / Math.sqrt(2));
                    }
                    readings.add(new Reading(site, condition, Method.TAPE, values, null, null));
                }
            }
            return readings;
        }

        @ParameterizedTest(name = "{0} repeats")
        @ValueSource(ints = {1, 3})
        void is_called_a_change_in_at_most_six_visits_of_a_hundred(int repeats) {
            Random random = new Random(20251114);
            int alarms = 0;
            for (int i = 0; i < VISITS; i++) {
                Separation s = of(visit(random, repeats), visit(random, repeats));
                alarms +=
                        s.areaChanges().values().stream().anyMatch(change -> change.kind() != Width.Kind.NO_REAL_CHANGE)
                                ? 1
                                : 0;
            }
            assertThat((double) alarms / VISITS).isBetween(0.02, 0.06);
        }

        @Test
        void hides_no_change_of_a_finger_everywhere() {
            Random random = new Random(7);
            int seen = 0;
            for (int i = 0; i < 500; i++) {
                List<Reading> wider = visit(random, 3).stream()
                        .map(reading -> new Reading(
                                reading.siteCm(),
                                reading.condition(),
                                reading.method(),
                                reading.values().stream()
                                        .map(value -> value + 15)
                                        .toList(),
                                null,
                                null))
                        .toList();
                seen += of(wider, visit(random, 3)).widenedAtRest() ? 1 : 0;
            }
            assertThat(seen).isGreaterThan(490);
        }
    }

    @Nested
    class Beside_its_limit {
        private Verdict verdict(double siteCm, double mm) {
            return of(List.of(rest(siteCm, Method.CALIPER, mm)), List.of())
                    .sites()
                    .get(0)
                    .verdict();
        }

        @ParameterizedTest(name = "{0} mm at +1 cm, limit 25.3: {1}, said to be at the limit: {2}")
        // a caliper's error of 2 mm reaches 3.92 mm either way
        @CsvSource({
            "26.0, WIDER, true",
            "25.0, USUAL, true",
            "21.5, USUAL, true",
            "21.3, USUAL, false",
            "29.3, WIDER, false"
        })
        void a_width_says_so(double mm, Verdict.Code code, boolean atLimit) {
            Verdict v = verdict(1, mm);
            assertThat(v.code()).isEqualTo(code);
            assertThat(v.reason().key()).isEqualTo(atLimit ? "verdict.bySite.atLimit" : "verdict.bySite");
        }

        @ParameterizedTest(name = "at {0} cm: {1} mm")
        @CsvSource({"3, 22", "8.5, 18.5", "14, 15", "18, 15", "0, 27", "-2, 16", "-6, 16", "1, 25.333"})
        void falls_toward_the_ribs(double siteCm, double limitMm) {
            assertThat(verdict(siteCm, 20).limitMm()).isCloseTo(limitMm, within(0.001));
        }
    }

    @Nested
    class The_headline {
        private boolean widened(List<Reading> now, List<Reading> before) {
            return of(now, before).widenedAtRest();
        }

        @ParameterizedTest(name = "{0} mm at the navel after 30: {1}")
        // 1.96·√18 = 8.3156
        @CsvSource({"30, false", "38.3, false", "38.4, true", "45, true", "15, false"})
        void is_by_the_one_site_where_there_is_no_line(double now, boolean widened) {
            assertThat(widened(List.of(rest(0, Method.TAPE, now)), List.of(rest(0, Method.TAPE, 30))))
                    .isEqualTo(widened);
        }

        @Test
        void asks_the_one_site_to_stand_beside_everything_else_compared_that_day() {
            // 9 mm: chance 0.034, the smallest of five must be within 0.01; 12 mm: 0.0047
            for (double now : new double[] {39, 42}) {
                List<Reading> readings =
                        List.of(rest(0, Method.TAPE, now), lift(-4, 30), lift(-2, 30), lift(0, 30), lift(2, 30));
                List<Reading> before =
                        List.of(rest(0, Method.TAPE, 30), lift(-4, 30), lift(-2, 30), lift(0, 30), lift(2, 30));
                assertThat(widened(readings, before)).as("%s mm", now).isEqualTo(now == 42);
            }
        }

        @Test
        void says_nothing_of_what_only_the_lift_did_or_of_a_first_visit() {
            assertThat(widened(List.of(lift(0, 50)), List.of(lift(0, 30)))).isFalse();
            assertThat(widened(List.of(rest(0, Method.TAPE, 50)), List.of())).isFalse();
        }

        @Test
        void is_by_the_area_where_there_is_a_line() {
            List<Reading> wider = List.of(rest(0, Method.TAPE, 48), rest(2, Method.TAPE, 48));
            // 8 mm everywhere: no site alone (8.3), the area yes: 160 over 144.03
            assertThat(widened(wider, FORTY)).isTrue();
            assertThat(widened(FORTY, wider)).isFalse();
            assertThat(widened(FORTY, FORTY)).isFalse();
        }
    }

    @Nested
    class The_reading_before {
        private final Reading tape = rest(0, Method.TAPE, 40);
        private final Reading fingers = rest(0, Method.FINGERS, 2);

        @Test
        void is_the_one_by_the_same_method_though_another_was_surer() {
            for (List<Reading> before : List.of(List.of(tape, fingers), List.of(fingers, tape))) {
                Width now =
                        of(List.of(rest(0, Method.FINGERS, 3)), before).widths().get(0);
                // three fingers of hers are 46 mm, two are 31
                assertThat(now.change().mm()).isCloseTo(15, within(1e-9));
            }
        }

        @Test
        void is_the_surest_where_that_method_was_not_used() {
            for (List<Reading> before : List.of(List.of(tape, fingers), List.of(fingers, tape))) {
                Width now = of(List.of(rest(0, Method.CALIPER, 35)), before)
                        .widths()
                        .get(0);
                assertThat(now.change().mm()).isCloseTo(-5, within(1e-9));
                // a caliper's 2 and a tape's 3: 1.96·√13 = 7.0669
                assertThat(now.change().smallestRealMm()).isCloseTo(7.0669, within(1e-4));
            }
        }

        @Test
        void lies_at_the_same_place_under_the_same_condition() {
            assertThat(of(List.of(rest(2, Method.TAPE, 30)), List.of(tape))
                            .widths()
                            .get(0)
                            .change())
                    .isNull();
            assertThat(of(List.of(lift(0, 30)), List.of(tape)).widths().get(0).change())
                    .isNull();
        }
    }

    @Nested
    class How_the_tissue_works {
        private Verdict verdict(@Nullable Feel feel, @Nullable Double liftMm, boolean firmRidge) {
            Reading atRest = new Reading(2, Condition.REST, Method.CALIPER, List.of(40.0), null, feel);
            Separation.Check check = new Separation.Check(
                    liftMm == null
                            ? List.of(atRest)
                            : List.of(atRest, Reading.of(2, Condition.HEAD_LIFT, Method.CALIPER, liftMm)),
                    TAPES);
            return Separation.of(check, null, GapReading.FUNCTION_FIRST, ForWidth.POSTNATAL_AFTER_6_WEEKS, firmRidge)
                    .sites()
                    .get(0)
                    .verdict();
        }

        @ParameterizedTest(name = "feels {0}, lift {1} mm, firm ridge {2}: {3} ({4})")
        @CsvSource(
                nullValues = "-",
                value = {
                    // a width alone says nothing of how it works
                    "-, -, false, BASELINE_ONLY, unknown",
                    "SPRINGY, -, false, USUAL, holds",
                    "TAUT, -, false, USUAL, holds",
                    "SOFT, -, false, WIDER, soft",
                    "-, 38, false, USUAL, holds",
                    "-, 45.5, false, USUAL, holds",
                    // two calipers hide 1.96·√8 = 5.54 mm
                    "-, 45.6, false, WIDER, opens",
                    "SOFT, 46, false, MARKEDLY_WIDER, both",
                    "SOFT, 40, false, WIDER, soft",
                    "SPRINGY, 46, false, WIDER, opens",
                    "-, -, true, MARKEDLY_WIDER, firmRidge",
                    "SPRINGY, 38, true, MARKEDLY_WIDER, firmRidge",
                    "SOFT, 46, true, MARKEDLY_WIDER, firmRidge"
                })
        void decides_where_function_comes_first(
                @Nullable Feel feel, @Nullable Double liftMm, boolean firmRidge, Verdict.Code code, String reason) {
            Verdict v = verdict(feel, liftMm, firmRidge);
            assertThat(v.code()).isEqualTo(code);
            assertThat(v.stance()).isEqualTo(GapReading.FUNCTION_FIRST);
            assertThat(v.limitMm()).isNull();
            assertThat(v.reason())
                    .isEqualTo(
                            reason.equals("unknown")
                                    ? Reason.of("verdict.function.unknown")
                                    : Reason.of("verdict.function." + reason, 40.0));
        }
    }

    @Nested
    class A_site {
        private SiteResult only(Reading... readings) {
            return of(List.of(readings), List.of()).sites().get(0);
        }

        @Test
        void closed_at_rest_has_no_share_that_closes() {
            assertThat(only(rest(0, Method.TAPE, 0), lift(0, 5)).closurePct()).isNull();
            assertThat(only(rest(0, Method.TAPE, 20)).closurePct()).isNull();
            assertThat(only(lift(0, 20)).closurePct()).isNull();
        }

        @Test
        void read_with_the_set_alone_is_not_judged() {
            SiteResult site = only(Reading.of(0, Condition.HEAD_LIFT_SET, Method.TAPE, 40.0));
            assertThat(site.verdict()).isNull();
            assertThat(site.setEffectMm()).isNull();
        }

        @Test
        void stands_in_the_order_from_the_ribs_down() {
            assertThat(of(
                                    List.of(
                                            rest(-2, Method.TAPE, 20),
                                            rest(4, Method.TAPE, 20),
                                            rest(0, Method.TAPE, 20)),
                                    List.of())
                            .sites())
                    .extracting(SiteResult::siteCm)
                    .containsExactly(4.0, 0.0, -2.0);
        }
    }

    @Test
    void a_ridge_begins_with_the_first_height_at_the_threshold_itself() {
        List<DomingProfile.Moment> series = List.of(
                new DomingProfile.Moment(0, 1),
                new DomingProfile.Moment(1, 3.5),
                new DomingProfile.Moment(2, 4),
                new DomingProfile.Moment(3, 9));
        assertThat(DomingProfile.onsetSecond(series, 3)).contains(2.0);
        assertThat(DomingProfile.onsetSecond(series, 2.5)).contains(1.0);
    }

    @Test
    void nothing_read_has_no_profile() {
        Separation s = of(List.of(lift(0, 20)), List.of());
        assertThat(s.profiles()).containsOnlyKeys(Condition.HEAD_LIFT);
        assertThat(s.profiles().get(Condition.HEAD_LIFT).isEmpty()).isFalse();
        assertThat(s.profiles().get(Condition.HEAD_LIFT).areaMm2()).isEmpty();
    }
}
