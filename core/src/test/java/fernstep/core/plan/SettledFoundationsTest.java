package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static fernstep.core.plan.Woman.pregnant;
import static fernstep.core.plan.Woman.weeks_after_birth;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.findings.Observed.FloorLift;
import fernstep.core.findings.Observed.LetGo;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Strand;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What of the foundations has been learnt, by each thing that says so alone. */
class SettledFoundationsTest {
    private static Set<Strand> settled(Woman woman) {
        return new Foundations(woman.question()).settled();
    }

    private static Woman somebody() {
        return weeks_after_birth(40).cleared();
    }

    /** What is told, about which foundation, and whether that is then settled. */
    record Told(String what, Strand strand, UnaryOperator<Woman> of, boolean settled) {
        @Override
        public String toString() {
            return what + ": " + strand + (settled ? " settled" : " not settled");
        }
    }

    static Stream<Told> told() {
        return Stream.of(
                new Told("nothing", Strand.BREATH, woman -> woman, false),
                new Told("four breaths", Strand.BREATH, woman -> woman.breaths(4), true),
                new Told("three breaths", Strand.BREATH, woman -> woman.breaths(3), false),
                new Told(
                        "ten breaths, chest up",
                        Strand.BREATH,
                        woman -> woman.breaths(10).pattern(Observed.BreathPattern.CHEST_UP),
                        false),
                new Told(
                        "ten breaths, the cough pushes out",
                        Strand.BREATH,
                        woman -> woman.breaths(10).cough(Observed.Cough.PUSHES_OUT),
                        false),
                new Told("stands on the rung after", Strand.BREATH, woman -> woman.at("BR4"), true),
                new Told("stands on the rung itself", Strand.BREATH, woman -> woman.at("BR3"), false),
                new Told(
                        "minutes a day, ten breaths",
                        Strand.BREATH,
                        woman -> woman.breaths(10).by(Approach.QUIET_START),
                        Approach.QUIET_START.stances().dose()
                                != fernstep.core.approach.Stances.DoseStance.MINUTES_DAILY),
                new Told("graded 4 and 4", Strand.DEEP_CORE, woman -> woman.grade(4, 4), true),
                new Told("graded 5 and 3", Strand.DEEP_CORE, woman -> woman.grade(5, 3), false),
                new Told("held opposite limbs, not graded", Strand.DEEP_CORE, woman -> woman.trained("HK7", 3), true),
                new Told(
                        "held them, but graded weak",
                        Strand.DEEP_CORE,
                        woman -> woman.trained("HK7", 3).grade(2, 4),
                        false),
                new Told("held an easy rung", Strand.DEEP_CORE, woman -> woman.trained("HK3", 3), false),
                new Told("nothing", Strand.PELVIC_FLOOR, woman -> woman, false),
                new Told("lifts", Strand.PELVIC_FLOOR, woman -> woman.floor(FloorLift.LIFTS, null), true),
                new Told(
                        "lifts and lets go",
                        Strand.PELVIC_FLOOR,
                        woman -> woman.floor(FloorLift.LIFTS, LetGo.FULLY),
                        true),
                new Told(
                        "bears down",
                        Strand.PELVIC_FLOOR,
                        woman -> woman.floor(FloorLift.BEARS_DOWN, LetGo.FULLY),
                        false),
                new Told("firm on both sides, lift not asked", Strand.PELVIC_FLOOR, woman -> woman.grade(4, 4), true),
                new Told(
                        "firm on both sides, bears down",
                        Strand.PELVIC_FLOOR,
                        woman -> woman.grade(4, 4).floor(FloorLift.BEARS_DOWN, null),
                        false),
                new Told(
                        "lifts, leaked lately",
                        Strand.PELVIC_FLOOR,
                        woman -> woman.floor(FloorLift.LIFTS, LetGo.FULLY).leaked_lately(),
                        false),
                new Told("stands beyond what teaches it", Strand.PELVIC_FLOOR, woman -> woman.at("PF4"), true),
                new Told("nothing", Strand.PELVIC_CONTROL, woman -> woman, false),
                new Told("a flat hand", Strand.PELVIC_CONTROL, woman -> woman.gap(Observed.LumbarGap.FLAT_HAND), true),
                new Told("a fist", Strand.PELVIC_CONTROL, woman -> woman.gap(Observed.LumbarGap.FIST), false),
                new Told(
                        "a fist, though she held opposite limbs: found is found",
                        Strand.PELVIC_CONTROL,
                        woman -> woman.gap(Observed.LumbarGap.FIST).trained("HK7", 3),
                        false),
                new Told(
                        "a flat hand, tipped six degrees",
                        Strand.PELVIC_CONTROL,
                        woman -> woman.gap(Observed.LumbarGap.FLAT_HAND).tilt(6),
                        false),
                new Told(
                        "a flat hand, tipped five degrees",
                        Strand.PELVIC_CONTROL,
                        woman -> woman.gap(Observed.LumbarGap.FLAT_HAND).tilt(5),
                        true),
                new Told(
                        "a flat hand, arched in the last session",
                        Strand.PELVIC_CONTROL,
                        woman -> woman.gap(Observed.LumbarGap.FLAT_HAND).seen(SignCode.BACK_ARCHES, "F2", 2),
                        false));
    }

    @ParameterizedTest
    @MethodSource("told")
    void follows_from_what_was_shown(Told told) {
        assertThat(settled(told.of().apply(somebody())).contains(told.strand())).isEqualTo(told.settled());
    }

    @Test
    void a_floor_that_does_not_let_go_is_not_settled() {
        for (LetGo how : LetGo.values()) {
            assertThat(settled(somebody().floor(FloorLift.LIFTS, how)).contains(Strand.PELVIC_FLOOR))
                    .as(how.name())
                    .isEqualTo(how == LetGo.FULLY);
        }
    }

    @Test
    void a_floor_is_not_settled_before_six_months_nor_in_pregnancy() {
        assertThat(settled(weeks_after_birth(26).cleared().floor(FloorLift.LIFTS, LetGo.FULLY)))
                .contains(Strand.PELVIC_FLOOR);
        assertThat(settled(Woman.days_after_birth(181, fernstep.core.client.BirthMode.VAGINAL)
                        .cleared()
                        .floor(FloorLift.LIFTS, LetGo.FULLY)))
                .doesNotContain(Strand.PELVIC_FLOOR);
        assertThat(settled(pregnant(20).cleared().floor(FloorLift.LIFTS, LetGo.FULLY)))
                .doesNotContain(Strand.PELVIC_FLOOR);
        assertThat(settled(never_pregnant().floor(FloorLift.LIFTS, LetGo.FULLY)))
                .contains(Strand.PELVIC_FLOOR);
    }

    @Test
    void what_a_floor_does_on_a_cough_speaks_where_nobody_asked_whether_it_lifts() {
        Findings lifts = Findings.NONE.with(new Findings.Pressure(null, Observed.FloorOnCough.LIFTS, null));
        Findings descends = Findings.NONE.with(new Findings.Pressure(null, Observed.FloorOnCough.DESCENDS, null));
        Plan.Question q = somebody().question();
        assertThat(new Foundations(withFindings(q, lifts)).settled()).contains(Strand.PELVIC_FLOOR);
        assertThat(new Foundations(withFindings(q, descends)).settled()).doesNotContain(Strand.PELVIC_FLOOR);
    }

    private static Plan.Question withFindings(Plan.Question question, Findings findings) {
        return new Plan.Question(
                question.catalogue(),
                new Plan.Her(
                        question.screening(),
                        question.her().pregnant(),
                        findings,
                        question.her().body()),
                question.training(),
                question.wishes());
    }

    @Test
    void nothing_is_settled_before_loaded_work_may_begin() {
        assertThat(settled(weeks_after_birth(3).strong())).isEmpty();
        assertThat(settled(never_pregnant().strong()))
                .containsExactlyInAnyOrder(Strand.BREATH, Strand.DEEP_CORE, Strand.PELVIC_FLOOR, Strand.PELVIC_CONTROL);
    }

    @Test
    void a_settled_foundation_goes_on_where_its_upper_rungs_begin_and_teaches_all_below() {
        for (Strand strand : Foundations.ORDER) {
            Foundations.firstUpper(ShippedCatalogue.CATALOGUE, strand).ifPresent(first -> {
                assertThat(first.strand()).isEqualTo(strand);
                assertThat(Foundations.upper(first)).isTrue();
                assertThat(ShippedCatalogue.CATALOGUE
                                .strand(strand)
                                .orElseThrow()
                                .rungs())
                        .filteredOn(rung -> rung.order() < first.order())
                        .noneMatch(Foundations::upper);
            });
        }
        assertThat(Foundations.firstUpper(ShippedCatalogue.CATALOGUE, Strand.BREATH))
                .get()
                .extracting(Rung::code)
                .isEqualTo("BR4");
        assertThat(Foundations.firstUpper(ShippedCatalogue.CATALOGUE, Strand.DEEP_CORE))
                .get()
                .extracting(Rung::code)
                .isEqualTo("DC4");
        RungGates.Known known = never_pregnant().question().knownWithoutSettled();
        assertThat(Foundations.taughtBy(Set.of(Strand.BREATH), known))
                .contains(
                        new RungGates.Done("BR1", null),
                        new RungGates.Done("BR2", null),
                        new RungGates.Done("BR3", null))
                .noneMatch(done -> done.rung().startsWith("DC") || done.rung().equals("BR4"));
    }

    @Test
    void by_minutes_a_day_breath_is_settled_only_once_she_has_talked_through_it() {
        var minutes = StanceChange.DOSE.in(Approach.SLOW_LADDER.stances(), "MINUTES_DAILY");
        assertThat(settled(somebody().breaths(10).by(minutes))).doesNotContain(Strand.BREATH);
        assertThat(settled(somebody().breaths(10).at("BR4").by(minutes))).doesNotContain(Strand.BREATH);
        assertThat(settled(somebody().breaths(10).at("BR5").by(minutes))).contains(Strand.BREATH);
    }
}
