package fernstep.core.plan;

import static fernstep.core.plan.Woman.days_after_birth;
import static fernstep.core.plan.Woman.days_after_surgery;
import static fernstep.core.plan.Woman.never_pregnant;
import static fernstep.core.plan.Woman.pregnant;
import static fernstep.core.plan.Woman.weeks_after_birth;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.GateCode;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What leads to a rung binds it, tested, trained or skipped. */
class GatesTest {
    private static List<String> codes(Woman woman, String rung) {
        return RungGates.waiting(
                        ShippedCatalogue.CATALOGUE.rung(rung),
                        Side.LEFT,
                        woman.question().known())
                .stream()
                .map(Waiting::code)
                .toList();
    }

    static Stream<Woman> not_cleared() {
        return Stream.of(
                pregnant(24).strong(),
                days_after_birth(20, BirthMode.CAESAREAN).strong().by(Approach.QUIET_START),
                days_after_surgery(10).strong().by(Approach.QUIET_START),
                days_after_birth(30, BirthMode.VAGINAL)
                        .strong()
                        .cleared(Clearance.Scope.GENTLE)
                        .at("HK3"));
    }

    @ParameterizedTest
    @MethodSource("not_cleared")
    void a_reach_that_was_tested_clean_does_not_open_without_the_clearance_before_it(Woman woman) {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            if (rung.loaded()) {
                assertThat(codes(woman, rung.code())).as(rung.code()).isNotEmpty();
            }
        }
        assertThat(woman.plan().items()).noneMatch(item -> item.rung().loaded());
    }

    @Test
    void the_last_of_several_dates_stands_for_those_before_it() {
        Woman w = days_after_birth(20, BirthMode.CAESAREAN).strong().by(Approach.QUIET_START);
        List<Waiting> waiting = RungGates.waiting(
                ShippedCatalogue.CATALOGUE.rung("HK7"), Side.LEFT, w.question().known());
        assertThat(waiting).extracting(Waiting::code).containsExactly(GateCode.OPPOSITE_LIMBS.name());
        LocalDate twelveWeeks = Woman.TODAY.minusDays(20).plusDays(84);
        assertThat(waiting.get(0).opensOn()).isEqualTo(twelveWeeks);
    }

    @Test
    void posture_and_breath_are_for_everyone_also_while_asking_first() {
        Woman w = weeks_after_birth(20).cleared().strong().says(Answer.HERNIA);
        for (String free : List.of("BR1", "BR2", "PC6", "BK1", "BK2", "UP1")) {
            assertThat(codes(w, free)).as(free).isEmpty();
        }
        for (String closed : List.of("BR3", "DC1", "PF1", "PC1", "HK1", "F1", "BK3", "UP3")) {
            assertThat(codes(w, closed)).as(closed).isNotEmpty();
        }
    }

    @Test
    void an_emergency_closes_everything() {
        Woman w = weeks_after_birth(20).cleared().strong().says(Answer.FEVER);
        assertThat(ShippedCatalogue.CATALOGUE.rungs())
                .allSatisfy(rung -> assertThat(codes(w, rung.code())).isNotEmpty());
        assertThat(w.plan().items()).isEmpty();
    }

    @Test
    void what_a_house_adds_is_bound_by_the_rung_it_branches_off() {
        Rung f9 = ShippedCatalogue.CATALOGUE.rung("F9");
        assertThat(ShippedCatalogue.CATALOGUE.leading(f9))
                .extracting(Rung::code)
                .contains("F3", "F2", "F1");
        assertThat(codes(weeks_after_birth(5).strong().by(Approach.QUIET_START), "F9"))
                .isNotEmpty();
    }

    @Test
    void curl_waits_for_the_float_and_the_hover_whatever_clearance_there_is() {
        Woman w = weeks_after_birth(40)
                .cleared(Clearance.Scope.FULL)
                .strong()
                .floats(2, 2)
                .hovers(0);
        assertThat(codes(w, "CU1")).contains("F3", "HP1");
        assertThat(codes(weeks_after_birth(40).cleared(Clearance.Scope.FULL).strong(), "CU1"))
                .isEmpty();
        assertThat(codes(
                        weeks_after_birth(40)
                                .cleared(Clearance.Scope.FULL)
                                .strong()
                                .by(Approach.QUIET_START),
                        "CU1"))
                .containsExactly("CURL");
    }

    @Test
    void a_rung_she_cannot_do_is_not_asked_of_her() {
        Woman w = never_pregnant().strong().may_not(Restriction.NO_FLOOR);
        assertThat(codes(w, "PC3"))
                .as("lying tilt is replaced by the seated one")
                .isEmpty();
    }

    @ParameterizedTest
    @MethodSource("ceilings")
    void findings_cap_what_she_may_do(Woman woman, List<String> open, List<String> closed) {
        open.forEach(text -> assertThat(codes(woman, text)).as(text).isEmpty());
        closed.forEach(text -> assertThat(codes(woman, text)).as(text).isNotEmpty());
    }

    static Stream<Object[]> ceilings() {
        return Stream.of(
                new Object[] {
                    never_pregnant().strong().grade(2, 4),
                    List.of("BR1", "DC1", "HK1", "BK1"),
                    List.of("F1", "HS1", "HK3", "UP3")
                },
                new Object[] {
                    never_pregnant().strong().cough(Observed.Cough.PUSHES_OUT),
                    List.of("F1", "BR2", "HK1"),
                    List.of("F2", "HS1", "AL1", "SS1")
                },
                new Object[] {never_pregnant().strong().breaths(2), List.of("F1"), List.of("F2", "BG1")},
                new Object[] {
                    never_pregnant().strong().ridge(Observed.Doming.FIRM),
                    List.of("F2", "HS1", "HK2", "AL1", "RO1", "BG1"),
                    List.of("F3", "HS2", "HK3", "HK4", "HP1", "SS1", "CU1")
                },
                new Object[] {
                    never_pregnant().strong().ridge(Observed.Doming.SOFT),
                    List.of("F3", "HS1", "HK4", "SS1"),
                    List.of("F4", "HP1", "HS2", "CU1")
                },
                new Object[] {
                    never_pregnant().strong().ridge(Observed.Doming.SOFT).by(Approach.GRADED_LOAD),
                    List.of("F5", "HP1"),
                    List.of("CU1")
                },
                new Object[] {
                    pregnant(18).strong().cleared().ridge(Observed.Doming.SOFT).by(Approach.GRADED_LOAD),
                    List.of("F3"),
                    List.of("F4", "HP1")
                },
                new Object[] {
                    never_pregnant().strong().scoop(Observed.Scoop.NO).reaches(Set.of(), Set.of()),
                    List.of("HK1", "HK2", "DC3"),
                    List.of("HK3", "HP1")
                });
    }
}
