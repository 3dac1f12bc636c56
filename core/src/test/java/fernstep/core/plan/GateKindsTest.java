package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static fernstep.core.plan.Woman.pregnant;
import static fernstep.core.plan.Woman.weeks_after_birth;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.GateCode;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each kind of condition on a rung, by itself: what opens it and what is said while it holds. */
class GateKindsTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;

    private static RungGates.Known bare(Findings findings, @Nullable Boolean pregnant, RungGates.History history) {
        return new RungGates.Known(CATALOGUE, null, pregnant, findings, null, Set.of(), history);
    }

    private static Optional<Waiting> own(RungGate gate, RungGates.Known known) {
        return RungGates.own(gate, CATALOGUE.rung("HP4"), known);
    }

    private static RungGates.Known done(RungGates.Done... done) {
        return RungGates.Known.nothing(CATALOGUE).withDone(Set.of(done));
    }

    private static RungGates.Done done(String rung, @Nullable Side side) {
        return new RungGates.Done(rung, side);
    }

    @ParameterizedTest(name = "{0} of 8 clean weeks: {1}")
    @CsvSource({"0, false", "7, false", "8, true", "9, true"})
    void clean_weeks_are_counted_and_said(int weeks, boolean opens) {
        Optional<Waiting> waiting =
                own(new RungGate.CleanWeeks(8), bare(Findings.NONE, null, new RungGates.History(weeks, Map.of())));
        assertThat(waiting.isEmpty()).isEqualTo(opens);
        waiting.ifPresent(each -> {
            assertThat(each.code()).isEqualTo("CLEAN_WEEKS");
            assertThat(each.reason().facts()).containsExactly(8, weeks);
        });
    }

    @ParameterizedTest(name = "{0} of 4 weeks at its top: {1}")
    @CsvSource({"3, false", "4, true"})
    void weeks_at_the_top_of_a_rung_are_those_of_that_rung(int weeks, boolean opens) {
        RungGates.History history = new RungGates.History(20, Map.of("HK7", weeks, "HK6", 9));
        Optional<Waiting> waiting = own(new RungGate.TopHeldWeeks("HK7", 4), bare(Findings.NONE, null, history));
        assertThat(waiting.isEmpty()).isEqualTo(opens);
        waiting.ifPresent(each -> {
            assertThat(each.code()).isEqualTo("TOP_HELD");
            assertThat(each.reason().facts()).contains(4, weeks);
        });
        assertThat(own(new RungGate.TopHeldWeeks("HK8", 1), bare(Findings.NONE, null, history)))
                .isPresent();
    }

    @ParameterizedTest(name = "cough {0}, tolerance {1}: {2}")
    @CsvSource({
        ", , false",
        "PUSHES_OUT, , false",
        "DRAWS_IN, , true",
        "PUSHES_OUT, 2, false",
        "PUSHES_OUT, 3, true",
        ", 2, false",
        ", 3, true",
        "DRAWS_IN, 1, true"
    })
    void breath_control_is_a_cough_that_holds_or_three_breaths(
            Observed.@Nullable Cough cough, @Nullable Integer breaths, boolean opens) {
        Findings f = never_pregnant().cough(cough).findings();
        if (breaths != null) {
            f = never_pregnant().cough(cough).breaths(breaths).findings();
        }
        Optional<Waiting> waiting = own(new RungGate.BreathControl(), bare(f, null, RungGates.History.NONE));
        assertThat(waiting.isEmpty()).isEqualTo(opens);
        waiting.ifPresent(each -> assertThat(each.code()).isEqualTo("BREATH_CONTROL"));
    }

    @ParameterizedTest
    @CsvSource({"2, false", "3, true", "4, true"})
    void a_grade_is_that_of_the_weaker_side(int weaker, boolean opens) {
        Findings f = never_pregnant().grade(5, weaker).findings();
        Optional<Waiting> waiting = own(new RungGate.SetGrade(3), bare(f, null, RungGates.History.NONE));
        assertThat(waiting.isEmpty()).isEqualTo(opens);
        assertThat(own(new RungGate.SetGrade(1), bare(Findings.NONE, null, RungGates.History.NONE)))
                .as("nobody graded it")
                .isPresent();
    }

    @Test
    void a_scoop_and_a_midline_have_to_have_been_seen() {
        RungGates.Known nothing = bare(Findings.NONE, null, RungGates.History.NONE);
        assertThat(own(new RungGate.Scoop(), nothing)).isPresent();
        assertThat(own(new RungGate.FirmMidline(), nothing)).isPresent();
        Findings seen = never_pregnant()
                .scoop(Observed.Scoop.YES)
                .ridge(Observed.Doming.NONE)
                .findings();
        RungGates.Known good = bare(seen, null, RungGates.History.NONE);
        assertThat(own(new RungGate.Scoop(), good)).isEmpty();
        assertThat(own(new RungGate.FirmMidline(), good)).isEmpty();
        Findings soft = never_pregnant()
                .scoop(Observed.Scoop.NO)
                .ridge(Observed.Doming.SOFT)
                .findings();
        RungGates.Known bad = bare(soft, null, RungGates.History.NONE);
        assertThat(own(new RungGate.Scoop(), bad))
                .get()
                .extracting(Waiting::code)
                .isEqualTo("SCOOP");
        assertThat(own(new RungGate.FirmMidline(), bad))
                .get()
                .extracting(Waiting::code)
                .isEqualTo("FIRM_MIDLINE");
    }

    @Test
    void pregnancy_closes_what_is_for_after_it_and_an_unknown_week_counts_as_late() {
        RungGate after = new RungGate.NotPregnant();
        RungGate early = new RungGate.PregnantToWeek(20);
        assertThat(own(after, bare(Findings.NONE, true, RungGates.History.NONE)))
                .get()
                .extracting(Waiting::code)
                .isEqualTo("BIRTH");
        assertThat(own(early, bare(Findings.NONE, true, RungGates.History.NONE)))
                .get()
                .extracting(Waiting::code)
                .isEqualTo("BIRTH");
        for (Boolean not : Arrays.asList(false, null)) {
            assertThat(own(after, bare(Findings.NONE, not, RungGates.History.NONE)))
                    .isEmpty();
            assertThat(own(early, bare(Findings.NONE, not, RungGates.History.NONE)))
                    .isEmpty();
        }
    }

    @ParameterizedTest(name = "week {0}: {1}")
    @CsvSource({"19, true", "20, true", "21, false", "30, false"})
    void up_to_a_week_of_pregnancy_means_with_that_week(int week, boolean opens) {
        RungGates.Known known = pregnant(week).strong().cleared().question().known();
        assertThat(own(new RungGate.PregnantToWeek(20), known).isEmpty()).isEqualTo(opens);
    }

    @Test
    void a_rung_asked_for_on_any_side_may_be_done_on_either() {
        RungGate gate = new RungGate.AnySide("F3");
        assertThat(own(gate, done())).get().satisfies(waiting -> {
            assertThat(waiting.code()).isEqualTo("F3");
            assertThat(waiting.reason().key()).isEqualTo("waiting.rungAnySide");
        });
        for (Side side : Side.values()) {
            assertThat(own(gate, done(done("F3", side)))).as(side.name()).isEmpty();
        }
    }

    @Test
    void a_rung_asked_for_on_both_sides_waits_for_the_second() {
        RungGate both = new RungGate.CleanRung("HS1", true);
        for (Side side : Side.values()) {
            assertThat(own(both, done(done("HS1", side))))
                    .get()
                    .extracting(waiting -> waiting.reason().key())
                    .isEqualTo("waiting.rungBothSides");
        }
        assertThat(own(both, done(done("HS1", Side.LEFT), done("HS1", Side.RIGHT))))
                .isEmpty();
        assertThat(own(both, done(done("HS1", null)))).as("a rung done as one").isEmpty();
    }

    @Test
    void a_rung_of_her_own_side_opens_that_side_alone() {
        Woman w = weeks_after_birth(40)
                .cleared(Clearance.Scope.FULL)
                .strong()
                .reaches(Set.of(Side.LEFT), Set.of(Side.LEFT));
        RungGates.Known known = w.question().known();
        Rung hold = CATALOGUE.rung("HK7");
        assertThat(RungGates.waiting(hold, Side.LEFT, known)).isEmpty();
        assertThat(RungGates.waiting(hold, Side.RIGHT, known))
                .extracting(Waiting::code)
                .contains("HK4", "HK5");
        assertThat(RungGates.waiting(hold, Side.RIGHT, known))
                .extracting(waiting -> waiting.reason().key())
                .contains("waiting.rung");
        assertThat(RungGates.open(hold, Side.LEFT, known)).isTrue();
        assertThat(RungGates.open(hold, Side.RIGHT, known)).isFalse();
    }

    @Test
    void below_a_rung_still_to_be_done_no_other_is_named_but_dates_are() {
        Woman w = weeks_after_birth(5).cleared().strong().floats(0, 0);
        List<Waiting> waiting =
                RungGates.waiting(CATALOGUE.rung("F5"), Side.LEFT, w.question().known());
        assertThat(waiting)
                .as("F4 has to come first; that F3 has to before it is not said")
                .extracting(Waiting::code)
                .contains("F4")
                .doesNotContain("F2", "F1");
    }

    @Test
    void below_a_rung_done_on_that_side_the_next_that_is_missing_is_named() {
        Woman w = never_pregnant().strong().floats(0, 0);
        RungGates.Known known = w.question().known();
        RungGates.Known right = known.withDone(Set.of(done("F4", Side.RIGHT)));
        // F4 asks for F3 on both sides
        assertThat(RungGates.waiting(CATALOGUE.rung("F5"), Side.RIGHT, right))
                .extracting(Waiting::code)
                .containsExactly("F3");
        assertThat(RungGates.waiting(CATALOGUE.rung("F5"), Side.LEFT, right))
                .extracting(Waiting::code)
                .containsExactly("F4");
        RungGates.Known both = known.withDone(Set.of(done("F4", null)));
        assertThat(RungGates.waiting(CATALOGUE.rung("F8"), null, both))
                .as("F7 is not done: nothing below it is named")
                .extracting(Waiting::code)
                .containsExactly("F7");
    }

    @Test
    void what_stands_in_for_a_closed_position_opens_what_comes_after_it() {
        Woman w =
                never_pregnant().strong().reaches(Set.of(), Set.of()).hovers(0).may_not(Restriction.NO_KNEELING);
        RungGates.Known known = w.question().known();
        int closedOnes = 0;
        for (Rung rung : CATALOGUE.rungs()) {
            Optional<RungGate> asks = rung.gates().stream()
                    .filter(gate -> gate.rungAskedFor().isPresent())
                    .findFirst();
            if (asks.isEmpty()) {
                continue;
            }
            Rung asked = CATALOGUE.rung(asks.get().rungAskedFor().orElseThrow());
            boolean closed = !RungGates.closedPosition(asked, known).isEmpty();
            List<String> standIns = StandIns.replacing(CATALOGUE, asked, known.closed())
                    .map(Rung::code)
                    .toList();
            RungGates.Known bare = new RungGates.Known(
                    CATALOGUE, known.screening(), false, known.findings(), known.stances(), Set.of(), known.history());
            boolean named = RungGates.waiting(rung, Side.LEFT, bare).stream()
                    .anyMatch(waiting -> waiting.code().equals(asked.code()));
            if (!closed) {
                continue;
            }
            closedOnes++;
            assertThat(named)
                    .as("%s waits for %s, stood in for by %s", rung.code(), asked.code(), standIns)
                    .isEqualTo(!standIns.contains(rung.code()));
            for (String standIn : standIns) {
                RungGates.Known with = bare.withDone(Set.of(done(standIn, null)));
                assertThat(RungGates.waiting(rung, Side.LEFT, with))
                        .as("%s once %s is done for %s", rung.code(), standIn, asked.code())
                        .noneMatch(waiting -> waiting.code().equals(asked.code()));
            }
        }
        assertThat(closedOnes).isPositive();
    }

    @Test
    void of_dates_the_last_is_told_whatever_order_they_are_asked_in() {
        Woman w = weeks_after_birth(3).strong();
        RungGates.Known known = w.question().known();
        Optional<Waiting> one = own(new RungGate.Opened(GateCode.FIRST_LOADED), known);
        assertThat(one).get().extracting(Waiting::code).isEqualTo("FIRST_LOADED");
        assertThat(RungGates.waiting(CATALOGUE.rung("HP4"), null, known))
                .extracting(Waiting::code)
                .contains("LONG_LEVER")
                .doesNotContain("FIRST_LOADED");
        assertThat(RungGates.closedToday(CATALOGUE.rung("HP4"), null, known))
                .extracting(Waiting::code)
                .containsExactly("LONG_LEVER");
    }

    @Test
    void a_floor_that_bears_down_carries_no_load() {
        Woman w = never_pregnant().strong().floor(Observed.FloorLift.BEARS_DOWN, Observed.LetGo.FULLY);
        for (Rung rung : CATALOGUE.rungs()) {
            List<String> codes = RungGates.waiting(rung, Side.LEFT, w.question().known()).stream()
                    .map(Waiting::code)
                    .toList();
            assertThat(codes.contains("FLOOR_LIFT")).as(rung.code()).isEqualTo(rung.loaded());
        }
        Reason said = RungGates.waiting(
                        CATALOGUE.rung("F1"), Side.LEFT, w.question().known())
                .get(0)
                .reason();
        assertThat(said.key()).isEqualTo("waiting.floorBearsDown");
    }

    @ParameterizedTest(name = "{0} ridge, {1}: up to {2}")
    @CsvSource({
        "FIRM, F2, F2",
        "FIRM, RO1, ",
        "FIRM, BR2, ",
        "SOFT, F3, F3",
        "SOFT, HS1, F3",
        "NONE, F2, ",
        "SOFT, BG1, "
    })
    void a_ridge_keeps_the_load_at_the_front_to_that_of_a_float(
            Observed.Doming ridge, String code, @Nullable String float_) {
        Woman w = never_pregnant().strong().ridge(ridge);
        Rung rung = CATALOGUE.rung(code);
        if (float_ == null) {
            assertThat(Ceilings.index(rung, w.question().known(), w.body())).isEmpty();
        } else {
            assertThat(Ceilings.index(rung, w.question().known(), w.body()))
                    .hasValue(CATALOGUE.rung(float_).indexAt(1, w.body()));
        }
    }
}
