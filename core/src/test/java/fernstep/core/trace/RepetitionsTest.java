package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.trace.TraceReport.Lead;
import fernstep.core.trace.TraceReport.Rep;
import fernstep.core.trace.TraceReport.Verdict;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.assertj.core.data.Offset;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What repetitions show together, from repetitions written by hand. */
class RepetitionsTest {
    private static Rep rep(int number, @Nullable Side side, @Nullable Double moved, Verdict... verdict) {
        return new Rep(
                number,
                side,
                10_000.0 * number,
                10_000.0 * number + 3000,
                null,
                0,
                moved,
                0,
                0,
                null,
                null,
                List.of(verdict));
    }

    private static Repetitions moving(double... mmHg) {
        List<Rep> all = new ArrayList<>();
        for (double m : mmHg) {
            all.add(rep(all.size() + 1, null, m));
        }
        return new Repetitions(all);
    }

    private static Repetitions seen(String marks) {
        List<Rep> all = new ArrayList<>();
        for (int i = 0; i < marks.length(); i++) {
            Verdict[] verdict =
                    switch (marks.charAt(i)) {
                        case '!' -> new Verdict[] {new Verdict(SignCode.BACK_ARCHES, 0.6)};
                        case '?' -> new Verdict[] {new Verdict(SignCode.BACK_ARCHES, 0.59)};
                        default -> new Verdict[0];
                    };
            all.add(rep(all.size() + 1, null, 1.0, verdict));
        }
        return new Repetitions(all);
    }

    private static List<Integer> tired(Repetitions reps) {
        return reps.tiring(10, 0.1).all().stream()
                .filter(rep -> rep.verdict().stream().anyMatch(verdict -> verdict.sign() == SignCode.TIRED))
                .map(Rep::rep)
                .toList();
    }

    @Nested
    class She_tires {
        @Test
        void from_where_the_cuff_moves_further_than_fresh_and_ever_further() {
            // fresh 3 and 3, limit 3 + 0.35 of 10
            assertThat(tired(moving(3, 3, 3, 7, 8, 9))).containsExactly(4, 5, 6);
            assertThat(tired(moving(-3, -3, -3, -7, -8, -9))).containsExactly(4, 5, 6);
        }

        @Test
        void not_where_it_grows_no_more_or_comes_back() {
            assertThat(tired(moving(3, 3, 3, 9, 8, 7))).isEmpty();
            assertThat(tired(moving(3, 3, 3, 7, 9, 3))).isEmpty();
            assertThat(tired(moving(3, 3, 3, 3, 3, 9))).as("once is not tired").isEmpty();
            assertThat(tired(moving(3, 3, 3, 6.4, 6.45, 6.5)))
                    .as("within the limit")
                    .isEmpty();
            assertThat(tired(moving(3, 3, 3, 6.5, 7, 8)))
                    .as("at the limit is within")
                    .containsExactly(5, 6);
            assertThat(tired(moving(3, 3, 7, 8))).as("the last two of four").containsExactly(3, 4);
            assertThat(tired(moving(3, 7, 8, 9))).as("one fresh is none").isEmpty();
            assertThat(tired(moving(3, 3, 3, 8, 8))).as("it grows no more").isEmpty();
        }

        @Test
        void is_not_said_of_three_nor_where_the_cuff_was_lost() {
            assertThat(tired(moving(3, 7, 9))).isEmpty();
            assertThat(tired(new Repetitions(
                            List.of(rep(1, null, 3.0), rep(2, null, 3.0), rep(3, null, null), rep(4, null, 8.0)))))
                    .isEmpty();
        }

        @Test
        void the_further_the_surer_and_the_surest_sign_comes_first() {
            List<Rep> all = new ArrayList<>(moving(3, 3, 3, 8).all());
            all.add(rep(5, null, 14.0, new Verdict(SignCode.BACK_ARCHES, 0.7)));
            List<Rep> judged = new Repetitions(all).tiring(10, 0.1).all();
            double first = judged.get(3).verdict().get(0).confidence();
            assertThat(judged.get(4).verdict())
                    .extracting(Verdict::sign)
                    .containsExactly(SignCode.TIRED, SignCode.BACK_ARCHES);
            assertThat(judged.get(4).verdict().get(0).confidence()).isGreaterThan(first);
            // 1.5 beyond the limit of 6.5, counted from one before it; the scale is half of what tiring is: 1.75
            assertThat(first).isCloseTo(1 - 0.5 * Math.exp(-2.5 / 1.75), Offset.offset(1e-9));
        }
    }

    @Nested
    class Over_all_of_them {
        @ParameterizedTest(name = "{0} breaks at {1}")
        @CsvSource({
            "......, 0",
            "..!!!!, 3",
            "..!.!!, 3",
            "!....., 0",
            "...?!!, 5",
            ".!!.!., 2",
            "!!!!!!, 1",
            "!!.., 0",
            "!., 0",
            "!!., 1"
        })
        void quality_breaks_where_from_then_on_most_are_not_clean(String marks, int at) {
            assertThat(seen(marks).summary(List.of()).breaksAtRep()).isEqualTo(at == 0 ? null : Integer.valueOf(at));
        }

        @Test
        void her_tolerance_is_the_breaths_from_the_first_effort_to_the_first_that_is_lost() {
            // the first begins at 10 s, the third at 30 s
            List<TraceReport.Breath> breaths = List.of(
                    new TraceReport.Breath(4_000, 6_000),
                    new TraceReport.Breath(10_000, 12_000),
                    new TraceReport.Breath(16_000, 18_000),
                    new TraceReport.Breath(29_999, 31_000),
                    new TraceReport.Breath(30_000, 32_000));
            assertThat(seen("..!").summary(breaths).toleranceBreaths()).isEqualTo(3);
            assertThat(seen("...").summary(breaths).toleranceBreaths()).isEqualTo(4);
            // four from 4 s to 30 s
            assertThat(seen("...").summary(breaths).breathsPerMin()).isCloseTo(60.0 * 4 / 26, Offset.offset(1e-9));
            assertThat(seen("...").summary(breaths.subList(0, 1)).breathsPerMin())
                    .isNull();
            assertThat(seen("...").summary(breaths.subList(0, 2)).breathsPerMin())
                    .isCloseTo(10, Offset.offset(1e-9));
        }

        @Test
        void sides_are_compared_by_how_far_the_cuff_moves() {
            Repetitions both = new Repetitions(List.of(
                    rep(1, Side.LEFT, -4.0),
                    rep(2, Side.RIGHT, 8.0),
                    rep(3, Side.LEFT, 8.0),
                    rep(4, Side.RIGHT, -8.0)));
            // left 6, right 8
            assertThat(both.summary(List.of()).symmetry()).isEqualTo(0.25);
            assertThat(new Repetitions(List.of(rep(1, Side.LEFT, 4.0)))
                            .summary(List.of())
                            .symmetry())
                    .isNull();
            assertThat(new Repetitions(List.of(rep(1, Side.LEFT, 0.0), rep(2, Side.RIGHT, 0.0)))
                            .summary(List.of())
                            .symmetry())
                    .isNull();
        }
    }

    @ParameterizedTest(name = "{0} s is {1}")
    @CsvSource({"-0.2, SHORT", "0.09, SHORT", "0.1, WANTED", "0.5, WANTED", "1.5, WANTED", "1.51, LONG"})
    void the_breath_is_to_lead_by_a_tenth_of_a_second_to_one_and_a_half(double leadS, Lead lead) {
        Rep rep = new Rep(1, null, 0, 3000, leadS, 0, null, 0, 0, null, null, List.of());
        assertThat(rep.lead(EffortTiming.EXHALE_EFFORT_ONLY)).contains(lead);
        assertThat(rep.lead(EffortTiming.BREATHE_THROUGH)).as("no lead to keep").isEmpty();
        assertThat(rep(1, null, null).lead(EffortTiming.EXHALE_EFFORT_ONLY)).isEmpty();
    }

    @Nested
    class One_is_shown_as {
        private TraceReport of(Rep... reps) {
            return new TraceReport(
                    50,
                    60_000,
                    List.of(),
                    List.of(),
                    List.of(reps),
                    new Repetitions(List.of(reps)).summary(List.of()),
                    List.of(),
                    List.of());
        }

        private final Verdict sure = new Verdict(SignCode.BACK_ARCHES, 0.9);
        private final Verdict unsure = new Verdict(SignCode.BACK_ARCHES, 0.5);

        @Test
        void her_best_where_the_cuff_moved_least_of_those_without_a_sign() {
            TraceReport report = of(rep(1, null, 1.0, sure), rep(2, null, 4.0), rep(3, null, -3.0), rep(4, null, 3.0));
            assertThat(report.best()).map(Rep::rep).hasValue(3);
            assertThat(of(rep(1, null, 1.0, sure)).best()).isEmpty();
        }

        @Test
        void her_worst_with_the_surest_sign_or_the_widest_way_and_never_the_best_one() {
            assertThat(of(rep(1, null, 9.0), rep(2, null, 4.0, unsure), rep(3, null, 3.0, sure))
                            .worst())
                    .map(Rep::rep)
                    .hasValue(3);
            assertThat(of(rep(1, null, 4.0), rep(2, null, 9.0), rep(3, null, -3.0))
                            .worst())
                    .map(Rep::rep)
                    .hasValue(2);
            assertThat(of(rep(1, null, 4.0)).worst()).as("one has no other").isEmpty();
            assertThat(of(rep(1, null, 4.0, sure)).worst())
                    .as("nor has one with a sign")
                    .isEmpty();
            assertThat(of(rep(1, null, 1.0, unsure), rep(2, null, 5.0)).worst())
                    .as("the best one has the surest sign")
                    .map(Rep::rep)
                    .hasValue(2);
            assertThat(of(rep(1, null, 4.0, sure), rep(2, null, 5.0, sure)).worst())
                    .as("none is best")
                    .map(Rep::rep)
                    .hasValue(2);
        }

        @Test
        void clean_where_nobody_could_be_sure_and_dropped_where_it_came_back_fast() {
            assertThat(rep(1, null, 1.0, new Verdict(SignCode.BACK_ARCHES, 0.59))
                            .clean())
                    .isTrue();
            assertThat(rep(1, null, 1.0, new Verdict(SignCode.BACK_ARCHES, 0.6)).clean())
                    .isFalse();
            assertThat(rep(1, null, 1.0, unsure, sure).surest()).isEqualTo(0.9);
            assertThat(rep(1, null, null).moved()).isZero();
            assertThat(rep(1, null, -2.0).moved()).isEqualTo(2);
            assertThat(returning(0.59).letDrop()).isTrue();
            assertThat(returning(0.6).letDrop()).isFalse();
            assertThat(returning(null).letDrop()).isFalse();
        }

        private Rep returning(@Nullable Double control) {
            return new Rep(1, null, 0, 3000, null, 0, 5.0, 0, 0, control, null, List.of());
        }
    }

    @Nested
    class Where_pressure_goes {
        private PressureCylinder cylinder(Rep... reps) {
            return PressureCylinder.of(new TraceReport(
                    50,
                    60_000,
                    List.of(),
                    List.of(),
                    Arrays.asList(reps),
                    new Repetitions(Arrays.asList(reps)).summary(List.of()),
                    List.of(),
                    List.of()));
        }

        private Rep with(double back, double bellyOut, Verdict... verdict) {
            return new Rep(1, null, 0, 3000, null, 0, back, 0, 0, null, bellyOut, List.of(verdict));
        }

        private final Verdict held = new Verdict(SignCode.BREATH_HELD, 0.9);
        private final Verdict bulge = new Verdict(SignCode.WALL_BULGE, 0.9);
        private final Rep clean = with(2, 0.05);

        @Test
        void is_told_by_the_quarter_of_the_repetitions_that_show_it() {
            assertThat(cylinder(clean, clean).way()).isEqualTo(PressureCylinder.Way.SHARED);
            assertThat(cylinder(clean, clean, clean, with(2, 0.4, bulge)).way())
                    .isEqualTo(PressureCylinder.Way.MIDDLE_SQUEEZED);
            assertThat(cylinder(clean, clean, clean, clean, with(2, 0.4, bulge)).way())
                    .isEqualTo(PressureCylinder.Way.MOSTLY_SHARED);
            assertThat(cylinder(clean, with(2, 0, held, bulge)).way())
                    .as("a held breath is said first")
                    .isEqualTo(PressureCylinder.Way.TOP_CRUNCHED);
            assertThat(cylinder(clean, with(2, 0, new Verdict(SignCode.BREATH_HELD, 0.5)))
                            .way())
                    .as("nobody is sure of it")
                    .isEqualTo(PressureCylinder.Way.SHARED);
        }

        @Test
        void shows_the_side_that_gives_most_and_not_an_average() {
            PressureCylinder c = cylinder(with(-9, 0.1), with(4, 0.3), with(2, 0.2, held), clean);
            assertThat(c.back()).isEqualTo(-9);
            assertThat(c.front()).isEqualTo(0.3);
            assertThat(c.held()).isEqualTo(0.25);
        }

        @Test
        void is_not_measured_without_repetitions_or_without_cuff_and_belts() {
            assertThat(cylinder().way()).isEqualTo(PressureCylinder.Way.NOT_MEASURED);
            assertThat(cylinder(rep(1, null, null)).way()).isEqualTo(PressureCylinder.Way.NOT_MEASURED);
            assertThat(cylinder(rep(1, null, 2.0)).way()).isEqualTo(PressureCylinder.Way.SHARED);
        }
    }
}
