package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Restriction;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Findings.Cough;
import fernstep.core.findings.Findings.Doming;
import fernstep.core.findings.Findings.LumbarGap;
import fernstep.core.findings.Findings.RibsOverPelvis;
import fernstep.core.findings.Findings.Scoop;
import fernstep.core.measure.Side;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Where she starts on every strand: cleared, five months after a birth, with time for everything. */
class StartingRungsTest {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);

    private static ClientFacts facts(Set<Restriction> restrictions) {
        return new ClientFacts(
                Status.POSTNATAL,
                null,
                List.of(new Birth(TODAY.minusDays(150), BirthMode.VAGINAL, 0)),
                List.of(),
                List.of(new Clearance(Clearance.Scope.EXERCISE, TODAY.minusDays(9), "MIDWIFE", null, null, null)),
                166.0,
                66.0,
                30,
                restrictions);
    }

    private static Plan plan(Findings findings, Approach approach, int minutes, Restriction... restrictions) {
        ClientFacts facts = facts(Set.of(restrictions));
        Screening screening = Screening.of(Screening.Question.of(facts, List.of(), approach.stances(), TODAY));
        return Plan.of(new Plan.Question(
                ShippedCatalogue.CATALOGUE,
                screening,
                false,
                approach.stances(),
                findings,
                Body.of(66.0, 166.0),
                List.of(),
                minutes));
    }

    /** Rung of a strand in the plan or left out for time, or "-" where it is not open. */
    private static String on(Plan plan, Strand strand) {
        return Stream.concat(plan.items().stream(), plan.leftOut().stream())
                .filter(i -> i.strand() == strand)
                .map(i -> i.rung().code())
                .findFirst()
                .orElse("-");
    }

    /**
     * cough, grade, tolerance, float, scoop, gap, ribs, reaches kept (A arm, L leg), hover s → breath, set, pelvic control,
     * float, heel slide, arm and leg, hands and knees, hover, side.
     */
    @ParameterizedTest
    @CsvSource({
        "DRAWS_IN,   2, 5, 3, YES,    FLAT_HAND, STACKED,    AL, 6,  BR2, DC1, PC1, -,  -,   -,   HK1, -,   -",
        "DRAWS_IN,   0, 5, 0, YES,    FLAT_HAND, STACKED,    -,  0,  BR2, DC1, PC1, -,  -,   -,   HK1, -,   -",
        "DRAWS_IN,   3, 5, 0, YES,    FLAT_HAND, STACKED,    -,  0,  BR3, DC2, PC2, F1, HS1, AL1, HK1, -,   SS1",
        "DRAWS_IN,   3, 5, 1, YES,    FLAT_HAND, STACKED,    -,  0,  BR3, DC2, PC2, F1, HS1, AL1, HK1, -,   SS1",
        "DRAWS_IN,   3, 5, 2, YES,    FLAT_HAND, STACKED,    A,  0,  BR3, DC2, PC2, F2, HS1, AL1, HK4, HP1, SS1",
        "DRAWS_IN,   4, 5, 3, YES,    FLAT_HAND, STACKED,    AL, 0,  BR3, DC4, PC2, F3, HS1, AL1, HK5, HP1, SS1",
        "DRAWS_IN,   4, 5, 4, YES,    FLAT_HAND, STACKED,    AL, 5,  BR3, DC4, PC2, F4, HS1, AL1, HK5, HP2, SS1",
        "DRAWS_IN,   5, 10, 5, YES,   NONE,      STACKED,    AL, 5,  BR4, DC4, PC2, F5, HS1, AL1, HK5, HP2, SS1",
        "PUSHES_OUT, 4, 5, 4, YES,    FLAT_HAND, STACKED,    AL, 5,  BR1, DC4, PC2, F1, -,   -,   HK1, -,   -",
        "PUSHES_OUT, 3, 9, 2, YES,    FIST,      STACKED,    -,  0,  BR1, DC2, PC1, F1, -,   -,   HK1, -,   -",
        "DRAWS_IN,   4, 2, 4, YES,    FLAT_HAND, STACKED,    AL, 5,  BR1, DC4, PC2, F1, -,   -,   HK1, -,   -",
        "DRAWS_IN,   4, 5, 3, NO,     FLAT_HAND, STACKED,    AL, 5,  BR3, DC3, PC2, F3, HS1, AL1, -,   -,   SS1",
        "DRAWS_IN,   4, 5, 3, PARTLY, FLAT_HAND, STACKED,    A,  0,  BR3, DC4, PC2, F3, HS1, AL1, HK4, -,   SS1",
        "DRAWS_IN,   4, 5, 3, YES,    FIST,      STACKED,    -,  0,  BR3, DC4, PC1, F3, HS1, AL1, HK1, -,   SS1",
        "DRAWS_IN,   4, 5, 3, YES,    FLAT_HAND, RIBS_AHEAD, -,  0,  BR3, DC4, PC6, F3, HS1, AL1, HK1, -,   SS1",
        "NO_CHANGE,  3, 3, 1, YES,    FIST,      RIBS_AHEAD, -,  0,  BR3, DC2, PC1, F1, HS1, AL1, HK1, -,   SS1"
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
            String set,
            String control,
            String leg,
            String slide,
            String arms,
            String knees,
            String hover,
            String side) {
        for (Approach approach : new Approach[] {Approach.SLOW_LADDER, Approach.BREATH_LED, Approach.GRADED_LOAD}) {
            Plan p = plan(findings(cough, grade, tolerance, score, scoop, gap, ribs, reaches, hoverS), approach, 90);
            Map<Strand, String> expected = Map.of(
                    Strand.BREATH, breath,
                    Strand.DEEP_CORE, set,
                    Strand.PELVIC_CONTROL, control,
                    Strand.LEG_FLOAT, leg,
                    Strand.HEEL_SLIDE, slide,
                    Strand.ARM_LEG, arms,
                    Strand.HANDS_KNEES, knees,
                    Strand.HOVER_PLANK, hover,
                    Strand.SIDE_SUPPORT, side,
                    Strand.UPRIGHT, "UP1");
            Map<Strand, String> found = expected.keySet().stream().collect(Collectors.toMap(s -> s, s -> on(p, s)));
            assertThat(found).as(approach.name()).isEqualTo(expected);
        }
    }

    private static Findings findings(
            Cough cough,
            int grade,
            int tolerance,
            int score,
            Scoop scoop,
            LumbarGap gap,
            RibsOverPelvis ribs,
            String reaches,
            int hoverS) {
        Set<Side> both = Set.of(Side.LEFT, Side.RIGHT);
        return new Findings(
                cough,
                Map.of(Side.LEFT, grade, Side.RIGHT, grade),
                tolerance,
                null,
                Map.of(Side.LEFT, score, Side.RIGHT, score),
                gap,
                ribs,
                Doming.NONE,
                null,
                scoop,
                reaches.contains("A") ? both : Set.of(),
                reaches.contains("L") ? both : Set.of(),
                hoverS == 0 ? null : hoverS);
    }

    private static final Findings GOOD =
            findings(Cough.DRAWS_IN, 4, 6, 4, Scoop.YES, LumbarGap.FLAT_HAND, RibsOverPelvis.STACKED, "AL", 5);

    @ParameterizedTest
    @EnumSource(Approach.class)
    void every_item_says_why_and_what_ends_it_and_keeps_to_its_window(Approach approach) {
        Plan p = plan(GOOD, approach, 90);
        assertThat(p.items()).isNotEmpty().allSatisfy(i -> {
            assertThat(i.why().key()).startsWith("why.");
            assertThat(i.whyNotNext().key()).startsWith("whyNot.");
            assertThat(i.stopSigns()).isNotEmpty();
            assertThat(i.firstLever()).isNotNull();
            if (i.rung().window().reps() != null) {
                assertThat(i.rung().window().reps().holds(i.dose().reps())).isTrue();
            }
            assertThat(i.range()).isBetween(0.0, 1.0);
        });
    }

    @ParameterizedTest
    @CsvSource({"3", "6", "10", "15", "25"})
    void a_plan_keeps_to_her_minutes_and_breath_set_and_getting_up_are_always_in(int minutes) {
        Plan p = plan(GOOD, Approach.SLOW_LADDER, minutes);
        assertThat(p.items()).extracting(PlanItem::strand).contains(Strand.BREATH, Strand.DEEP_CORE, Strand.UPRIGHT);
        boolean onlyMusts = p.items().stream()
                .allMatch(i ->
                        Set.of(Strand.BREATH, Strand.DEEP_CORE, Strand.UPRIGHT).contains(i.strand()));
        assertThat(p.fits() || onlyMusts).isTrue();
        assertThat(p.items().size() + p.leftOut().size())
                .as("what does not fit is said")
                .isEqualTo(plan(GOOD, Approach.SLOW_LADDER, 90).items().size()
                        + plan(GOOD, Approach.SLOW_LADDER, 90).leftOut().size());
    }

    @Test
    void flat_on_the_back_closed_keeps_the_rung_on_a_wedge() {
        Plan p = plan(GOOD, Approach.SLOW_LADDER, 90, Restriction.SUPINE_INCLINED);
        PlanItem f = p.items().stream()
                .filter(i -> i.strand() == Strand.LEG_FLOAT)
                .findFirst()
                .orElseThrow();
        assertThat(f.rung().code()).isEqualTo("F4");
        assertThat(f.rung().position()).isEqualTo(Position.INCLINED);
        assertThat(f.standInKind()).isEqualTo(StandIns.Kind.SAME_INCLINED);
    }

    @Test
    void a_closed_position_is_replaced_never_just_dropped() {
        Plan p = plan(GOOD, Approach.SLOW_LADDER, 90, Restriction.NO_WRIST_LOAD);
        PlanItem hands = Stream.concat(p.items().stream(), p.leftOut().stream())
                .filter(i -> i.strand() == Strand.HANDS_KNEES)
                .findFirst()
                .orElseThrow();
        assertThat(hands.standInKind()).isEqualTo(StandIns.Kind.SAME_ON_FOREARMS);
        assertThat(hands.rung().movement().full().bearsOnHands()).isFalse();
    }

    @Test
    void what_the_practitioner_set_by_hand_stands() {
        ClientFacts facts = facts(Set.of());
        Screening screening =
                Screening.of(Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), TODAY));
        Dose own = new Dose(1, 7, null, null, 1, 3);
        Plan p = Plan.of(new Plan.Question(
                ShippedCatalogue.CATALOGUE,
                screening,
                false,
                Approach.SLOW_LADDER.stances(),
                GOOD,
                Body.of(66.0, 166.0),
                List.of(),
                8,
                5,
                6,
                false,
                RungGates.History.NONE,
                List.of(
                        new Choice(Strand.ROTATION, null, null, own, 0.5, true, false),
                        new Choice(Strand.LEG_FLOAT, null, null, null, null, false, true))));
        assertThat(p.items())
                .filteredOn(i -> i.strand() == Strand.ROTATION)
                .isNotEmpty()
                .allSatisfy(i -> {
                    assertThat(i.baseDose().reps()).isEqualTo(7);
                    assertThat(i.range()).isEqualTo(0.5);
                });
        assertThat(p.items()).noneMatch(i -> i.strand() == Strand.LEG_FLOAT);
        assertThat(p.leftOut()).anyMatch(i -> i.strand() == Strand.LEG_FLOAT);
    }

    @Test
    void days_a_week_keep_to_hers() {
        assertThat(Arrays.asList(1, 2, 3)).allSatisfy(days -> {
            ClientFacts facts = facts(Set.of());
            Screening screening =
                    Screening.of(Screening.Question.of(facts, List.of(), Approach.QUIET_START.stances(), TODAY));
            Plan p = Plan.of(new Plan.Question(
                    ShippedCatalogue.CATALOGUE,
                    screening,
                    false,
                    Approach.QUIET_START.stances(),
                    GOOD,
                    Body.of(66.0, 166.0),
                    List.of(),
                    30,
                    days,
                    6,
                    false,
                    RungGates.History.NONE,
                    List.of()));
            assertThat(p.items())
                    .allSatisfy(i -> assertThat(i.dose().daysPerWeek()).isEqualTo(days));
        });
    }
}
