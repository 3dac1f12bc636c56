package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Observed;
import fernstep.core.screening.Strand;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a finding keeps closed of all the rungs, by itself. */
class CeilingsTest {
    private static List<Rung> over(Woman woman) {
        return ShippedCatalogue.CATALOGUE.rungs().stream()
                .filter(rung -> Ceilings.over(rung, woman.question().known()).isPresent())
                .toList();
    }

    private static Set<String> codes(List<Rung> rungs, Strand strand) {
        return rungs.stream()
                .filter(rung -> rung.strand() == strand)
                .map(Rung::code)
                .collect(Collectors.toSet());
    }

    private static Set<String> of(Strand strand, String... open) {
        return ShippedCatalogue.CATALOGUE.strand(strand).orElseThrow().rungs().stream()
                .map(Rung::code)
                .filter(text -> !Set.of(open).contains(text))
                .collect(Collectors.toSet());
    }

    private static double front(String code, int range) {
        return ShippedCatalogue.CATALOGUE.frontIndex(ShippedCatalogue.CATALOGUE.rung(code), range);
    }

    @Test
    void a_firm_ridge_leaves_two_floats_one_slide_and_the_neutral_on_hands_and_knees() {
        List<Rung> over = over(never_pregnant().strong().ridge(Observed.Doming.FIRM));
        assertThat(over).allMatch(Rung::loaded);
        assertThat(codes(over, Strand.LEG_FLOAT)).isEqualTo(of(Strand.LEG_FLOAT, "F1", "F2"));
        assertThat(codes(over, Strand.HEEL_SLIDE)).isEqualTo(of(Strand.HEEL_SLIDE, "HS1"));
        assertThat(codes(over, Strand.HANDS_KNEES))
                .contains("HK4", "HK5", "HK7")
                .doesNotContain("HK1", "HK2");
        assertThat(codes(over, Strand.HOVER_PLANK)).isEqualTo(of(Strand.HOVER_PLANK));
        assertThat(codes(over, Strand.CURL)).isEqualTo(of(Strand.CURL));
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            boolean byLoad = rung.loaded()
                    && EnumSet.of(
                                    Strand.ARM_LEG,
                                    Strand.ROTATION,
                                    Strand.BRIDGE,
                                    Strand.SIDE_SUPPORT,
                                    Strand.BACK_LINE,
                                    Strand.UPRIGHT)
                            .contains(rung.strand());
            if (byLoad) {
                assertThat(over.contains(rung)).as(rung.code()).isEqualTo(front(rung.code(), 0) > front("F2", 1));
            }
        }
    }

    @ParameterizedTest(name = "{0}: {1} closed on hands and knees")
    @CsvSource({"NO, true", "PARTLY, false", "YES, false"})
    void a_belly_that_does_not_rise_closes_what_is_above_the_neutral_loaded_or_not(
            Observed.Scoop scoop, boolean closed) {
        List<Rung> over = over(never_pregnant().strong().scoop(scoop));
        Set<String> above = ShippedCatalogue.CATALOGUE.strand(Strand.HANDS_KNEES).orElseThrow().rungs().stream()
                .filter(rung -> !List.of("HK1", "HK2").contains(rung.code()))
                .filter(rung -> !"HK1".equals(rung.branchOf()))
                .map(Rung::code)
                .collect(Collectors.toSet());
        assertThat(codes(over, Strand.HANDS_KNEES)).isEqualTo(closed ? above : Set.of());
        assertThat(over).allMatch(rung -> rung.strand() == Strand.HANDS_KNEES);
    }

    @Test
    void a_soft_ridge_closes_what_is_above_the_third_float_where_none_is_allowed_and_in_pregnancy_always() {
        Woman strict = never_pregnant().strong().ridge(Observed.Doming.SOFT);
        List<Rung> over = over(strict);
        assertThat(codes(over, Strand.LEG_FLOAT)).isEqualTo(of(Strand.LEG_FLOAT, "F1", "F2", "F3"));
        assertThat(codes(over, Strand.CURL)).isEqualTo(of(Strand.CURL));
        assertThat(codes(over, Strand.BRIDGE)).isEmpty();
        assertThat(codes(over, Strand.HANDS_KNEES)).isEmpty();
        for (Strand strand : EnumSet.of(Strand.HEEL_SLIDE, Strand.ARM_LEG, Strand.HOVER_PLANK)) {
            for (Rung rung :
                    ShippedCatalogue.CATALOGUE.strand(strand).orElseThrow().rungs()) {
                assertThat(over.contains(rung))
                        .as(rung.code())
                        .isEqualTo(rung.loaded() && front(rung.code(), 0) > front("F3", 1));
            }
        }
        assertThat(over(strict.by(Approach.GRADED_LOAD))).isEmpty();
        Woman pregnant = Woman.pregnant(14).strong().ridge(Observed.Doming.SOFT).by(Approach.GRADED_LOAD);
        assertThat(codes(over(pregnant), Strand.LEG_FLOAT)).isEqualTo(of(Strand.LEG_FLOAT, "F1", "F2", "F3"));
        assertThat(over(never_pregnant().strong())).isEmpty();
    }

    @Test
    void a_weak_engagement_carries_no_load_and_a_breath_that_comes_first_one_float() {
        Set<String> loaded = ShippedCatalogue.CATALOGUE.rungs().stream()
                .filter(Rung::loaded)
                .map(Rung::code)
                .collect(Collectors.toSet());
        assertThat(over(never_pregnant().strong().grade(2, 5)).stream()
                        .map(Rung::code)
                        .collect(Collectors.toSet()))
                .isEqualTo(loaded);
        loaded.remove("F1");
        assertThat(over(never_pregnant().strong().breaths(2)).stream()
                        .map(Rung::code)
                        .collect(Collectors.toSet()))
                .isEqualTo(loaded);
    }
}
