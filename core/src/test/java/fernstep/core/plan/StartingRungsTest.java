package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.findings.Observed.Cough;
import fernstep.core.findings.Observed.Doming;
import fernstep.core.findings.Observed.LumbarGap;
import fernstep.core.findings.Observed.RibsOverPelvis;
import fernstep.core.findings.Observed.Scoop;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StartingRungsTest {
    private static final Set<Side> BOTH = Set.of(Side.LEFT, Side.RIGHT);

    private static String start(Strand strand, Findings findings) {
        return Optional.ofNullable(StartingRungs.of(strand, Side.LEFT, findings).rung())
                .map(waymark -> ShippedCatalogue.CATALOGUE.at(waymark).code())
                .orElse("-");
    }

    private static Findings findings(
            Cough cough,
            Integer grade,
            Integer tolerance,
            Integer score,
            Scoop scoop,
            LumbarGap gap,
            RibsOverPelvis ribs,
            String reaches,
            int hoverS) {
        return Findings.NONE
                .with(new Findings.Pressure(cough, null, Doming.NONE))
                .with(new Findings.AtRest(null, gap, ribs))
                .with(new Findings.DeepCore(
                        grade == null ? Map.of() : Map.of(Side.LEFT, grade, Side.RIGHT, grade),
                        tolerance,
                        score == null ? Map.of() : Map.of(Side.LEFT, score, Side.RIGHT, score)))
                .with(new Findings.HandsAndKnees(
                        scoop,
                        reaches.contains("A") ? BOTH : Set.of(),
                        reaches.contains("L") ? BOTH : Set.of(),
                        Set.of(),
                        hoverS == 0 ? null : hoverS));
    }

    /**
     * cough, grade, tolerance, float, scoop, gap, ribs, reaches kept (A arm, L leg), hover s → breath, engagement, pelvic
     * control, float, heel slide, arm and leg, hands and knees, hover, side; "-" waits.
     */
    @ParameterizedTest
    @CsvSource({
        "DRAWS_IN,   2, 5, 3,  YES,    FLAT_HAND, STACKED,    AL, 6,  BR2, DC1, PC1, -,  -,   -,   HK1, -,   -",
        "DRAWS_IN,   0, 5, 0,  YES,    FLAT_HAND, STACKED,    -,  0,  BR2, DC1, PC1, -,  -,   -,   HK1, -,   -",
        "DRAWS_IN,   3, 5, 0,  YES,    FLAT_HAND, STACKED,    -,  0,  BR3, DC2, PC2, F1, HS1, -,   HK1, -,   -",
        "DRAWS_IN,   3, 5, 2,  YES,    FLAT_HAND, STACKED,    A,  0,  BR3, DC2, PC2, F2, HS1, -,   HK4, -,   -",
        "DRAWS_IN,   3, 5, 3,  YES,    FLAT_HAND, STACKED,    A,  0,  BR3, DC2, PC2, F3, HS1, AL1, HK4, HP1, SS1",
        "DRAWS_IN,   4, 5, 3,  YES,    FLAT_HAND, STACKED,    AL, 0,  BR3, DC4, PC2, F3, HS1, AL1, HK5, HP1, SS1",
        "DRAWS_IN,   4, 5, 4,  YES,    FLAT_HAND, STACKED,    AL, 5,  BR3, DC4, PC2, F4, HS1, AL1, HK5, HP1, SS1",
        "DRAWS_IN,   5, 10, 5, YES,    NONE,      STACKED,    AL, 5,  BR4, DC4, PC2, F5, HS1, AL1, HK5, HP1, SS1",
        "PUSHES_OUT, 4, 5, 4,  YES,    FLAT_HAND, STACKED,    AL, 5,  BR1, DC4, PC2, F1, -,   -,   HK1, -,   -",
        "PUSHES_OUT, 3, 9, 2,  YES,    FIST,      STACKED,    -,  0,  BR1, DC2, PC1, F1, -,   -,   HK1, -,   -",
        "DRAWS_IN,   4, 2, 4,  YES,    FLAT_HAND, STACKED,    AL, 5,  BR1, DC4, PC2, F1, -,   -,   HK1, -,   -",
        "DRAWS_IN,   4, 5, 3,  NO,     FLAT_HAND, STACKED,    AL, 5,  BR3, DC3, PC2, F3, HS1, AL1, HK1, -,   SS1",
        "DRAWS_IN,   4, 5, 3,  YES,    FIST,      STACKED,    -,  0,  BR3, DC4, PC1, F3, HS1, AL1, HK1, HP1, SS1",
        "NO_CHANGE,  3, 3, 1,  YES,    FIST,      RIBS_AHEAD, -,  0,  BR3, DC2, PC1, F1, HS1, AL1, HK1, -,   -"
    })
    void follow_the_findings(
            Cough cough,
            int grade,
            int tolerance,
            int score,
            Scoop scoop,
            LumbarGap gap,
            RibsOverPelvis ribs,
            String reaches,
            int hoverS,
            String breath,
            String engagement,
            String control,
            String leg,
            String slide,
            String arms,
            String knees,
            String hover,
            String side) {
        Findings f = findings(cough, grade, tolerance, score, scoop, gap, ribs, reaches, hoverS);
        assertThat(start(Strand.BREATH, f)).isEqualTo(breath);
        assertThat(start(Strand.DEEP_CORE, f)).isEqualTo(engagement);
        assertThat(start(Strand.PELVIC_CONTROL, f)).isEqualTo(control);
        assertThat(start(Strand.LEG_FLOAT, f)).isEqualTo(leg);
        assertThat(start(Strand.HEEL_SLIDE, f)).isEqualTo(slide);
        assertThat(start(Strand.ARM_LEG, f)).isEqualTo(arms);
        assertThat(start(Strand.HANDS_KNEES, f)).isEqualTo(knees);
        assertThat(start(Strand.HOVER_PLANK, f)).isEqualTo(hover);
        assertThat(start(Strand.SIDE_SUPPORT, f)).isEqualTo(side);
    }

    @Test
    void an_engagement_nobody_graded_counts_as_weak_but_a_float_tested_clean_counts_for_the_float() {
        Findings f =
                findings(Cough.DRAWS_IN, null, 5, 3, Scoop.YES, LumbarGap.FLAT_HAND, RibsOverPelvis.STACKED, "-", 0);
        assertThat(start(Strand.LEG_FLOAT, f)).isEqualTo("F3");
        assertThat(start(Strand.DEEP_CORE, f)).isEqualTo("DC1");
        assertThat(start(Strand.HEEL_SLIDE, f)).isEqualTo("-");
        assertThat(start(Strand.SIDE_SUPPORT, f)).isEqualTo("-");
        Findings untested =
                findings(Cough.DRAWS_IN, null, 5, null, Scoop.YES, LumbarGap.FLAT_HAND, RibsOverPelvis.STACKED, "-", 0);
        assertThat(start(Strand.LEG_FLOAT, untested)).isEqualTo("-");
    }

    @Test
    void a_pelvis_tipped_forward_finds_the_small_tilt_first_whatever_the_gap() {
        Findings f = findings(Cough.DRAWS_IN, 4, 5, 3, Scoop.YES, LumbarGap.FLAT_HAND, RibsOverPelvis.STACKED, "-", 0)
                .with(new Findings.Shown(Map.of(), 7.0, null, (Observed.FloorLift) null, null, null));
        assertThat(start(Strand.PELVIC_CONTROL, f)).isEqualTo("PC1");
    }

    private static StartingRungs.Start begins(Strand strand, Woman woman) {
        return StartingRungs.of(strand, Side.LEFT, woman.findings());
    }

    @Test
    void ribs_ahead_begin_arms_overhead_on_a_fair_engagement_and_say_so_but_not_on_a_weak_one() {
        Observed.RibsOverPelvis ahead = Observed.RibsOverPelvis.RIBS_AHEAD;
        Observed.RibsOverPelvis stacked = Observed.RibsOverPelvis.STACKED;
        StartingRungs.Start fair = begins(
                Strand.ARM_LEG, Woman.never_pregnant().grade(3, 3).breaths(5).ribs(ahead));
        assertThat(fair).isEqualTo(StartingRungs.Start.at(Waymark.ARM_LEG_FIRST, "why.ribsAhead"));
        StartingRungs.Start weak = begins(
                Strand.ARM_LEG, Woman.never_pregnant().grade(2, 3).breaths(5).ribs(ahead));
        assertThat(weak).isEqualTo(StartingRungs.Start.waits("waiting.setGrade", 3));
        StartingRungs.Start firm = begins(
                Strand.ARM_LEG, Woman.never_pregnant().grade(4, 4).breaths(5).ribs(stacked));
        assertThat(firm).isEqualTo(StartingRungs.Start.at(Waymark.ARM_LEG_FIRST, "why.setAllowsFirst", 4));
        assertThat(begins(
                        Strand.ARM_LEG,
                        Woman.never_pregnant().grade(3, 3).breaths(5).ribs(stacked)))
                .isEqualTo(StartingRungs.Start.waits("waiting.setGrade", 4));
    }

    @Test
    void a_clean_hover_is_the_reason_for_it_where_the_engagement_allows_one() {
        Woman firm = Woman.never_pregnant().grade(4, 4).breaths(5).scoop(Observed.Scoop.YES);
        assertThat(begins(Strand.HOVER_PLANK, firm))
                .isEqualTo(StartingRungs.Start.at(Waymark.HOVER_FIRST, "why.setAllowsFirst", 4));
        assertThat(begins(Strand.HOVER_PLANK, firm.hovers(3)))
                .isEqualTo(StartingRungs.Start.at(Waymark.HOVER_FIRST, "why.setAllowsFirst", 4));
        assertThat(begins(Strand.HOVER_PLANK, firm.hovers(6)))
                .isEqualTo(StartingRungs.Start.at(Waymark.HOVER_FIRST, "why.hoverClean", 6));
        assertThat(begins(Strand.HOVER_PLANK, firm.grade(2, 4)))
                .isEqualTo(StartingRungs.Start.waits("waiting.setGrade", 3));
    }

    @Test
    void where_breath_comes_first_a_float_is_capped_and_waits_only_while_nothing_was_tested() {
        assertThat(begins(Strand.LEG_FLOAT, Woman.never_pregnant().breaths(2)))
                .isEqualTo(StartingRungs.Start.waits("waiting.floatTest"));
        StartingRungs.Start capped = StartingRungs.Start.at(Waymark.FLOAT_1, "why.floatCapped");
        assertThat(begins(Strand.LEG_FLOAT, Woman.never_pregnant().breaths(2).floats(4, 4)))
                .isEqualTo(capped);
        assertThat(begins(Strand.LEG_FLOAT, Woman.never_pregnant().breaths(2).grade(4, 4)))
                .isEqualTo(capped);
        assertThat(begins(
                        Strand.LEG_FLOAT,
                        Woman.never_pregnant().breaths(2).grade(4, 4).floats(4, 4)))
                .isEqualTo(capped);
    }
}
