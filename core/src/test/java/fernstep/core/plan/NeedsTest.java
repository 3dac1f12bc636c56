package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** How much a strand is needed, point by point, and the reason said for it. */
class NeedsTest {
    private static Needs of(Woman woman) {
        return new Needs(woman.question());
    }

    @Test
    void without_anything_known_the_order_of_the_catalogue_decides_and_nothing_calls() {
        Needs needs = of(never_pregnant());
        assertThat(needs.of(Strand.BREATH)).isEqualTo(15);
        assertThat(needs.of(Strand.LEG_FLOAT)).isEqualTo(11);
        assertThat(needs.of(Strand.CURL)).isEqualTo(1);
        for (Strand strand : Strand.values()) {
            assertThat(needs.calls(strand)).as(strand.name()).isFalse();
        }
        assertThat(needs.why(Strand.HOVER_PLANK)).isEqualTo(Reason.of("need.slot.FRONT"));
        assertThat(needs.why(Strand.BRIDGE)).isEqualTo(Reason.of("need.slot.BACK"));
    }

    @ParameterizedTest(name = "trained {0} days ago: {1} more")
    @CsvSource({"1, 1001", "9, 1009", "27, 1027", "28, 1027", "40, 1027"})
    void what_she_climbs_outranks_all_else_and_more_the_longer_it_has_rested(int daysAgo, int more) {
        Needs needs = of(never_pregnant().trained("RO1", daysAgo));
        assertThat(needs.of(Strand.ROTATION)).isEqualTo(8 + more);
        assertThat(needs.calls(Strand.ROTATION)).isTrue();
        assertThat(needs.calls(Strand.BRIDGE)).isFalse();
        assertThat(needs.why(Strand.ROTATION)).isEqualTo(Reason.of("need.climbing"));
    }

    @Test
    void what_a_plan_gave_and_she_has_not_done_yet_has_rested_longest() {
        Needs needs = of(never_pregnant().at("RO1"));
        assertThat(needs.of(Strand.ROTATION)).isEqualTo(8 + 1027);
        assertThat(needs.calls(Strand.ROTATION)).isTrue();
    }

    /** A finding, the strand it speaks for, and the reason given. */
    record Spoken(String what, Woman of, Strand strand, Reason why) {
        @Override
        public String toString() {
            return what;
        }
    }

    static Stream<Spoken> findings() {
        return Stream.of(
                new Spoken(
                        "left floats less",
                        never_pregnant().floats(2, 4),
                        Strand.LEG_FLOAT,
                        Reason.of("need.sideLags", Side.LEFT)),
                new Spoken(
                        "right floats less",
                        never_pregnant().floats(5, 4),
                        Strand.LEG_FLOAT,
                        Reason.of("need.sideLags", Side.RIGHT)),
                new Spoken(
                        "both float alike, not all five",
                        never_pregnant().floats(4, 4),
                        Strand.LEG_FLOAT,
                        Reason.of("need.floatWeak", 4)),
                new Spoken(
                        "the belly rises in part",
                        never_pregnant().scoop(Observed.Scoop.PARTLY),
                        Strand.HANDS_KNEES,
                        Reason.of("need.bellyDrops")),
                new Spoken(
                        "the rod left its place",
                        never_pregnant().loses(Set.of(Side.RIGHT)),
                        Strand.HANDS_KNEES,
                        Reason.of("need.contactLost")),
                new Spoken(
                        "ribs ahead, lying",
                        never_pregnant().ribs(Observed.RibsOverPelvis.RIBS_AHEAD),
                        Strand.ARM_LEG,
                        Reason.of("need.ribsAhead")),
                new Spoken(
                        "ribs ahead, standing",
                        never_pregnant().ribs(Observed.RibsOverPelvis.RIBS_AHEAD),
                        Strand.PELVIC_CONTROL,
                        Reason.of("need.ribsAheadStanding")),
                new Spoken("tipped forward", never_pregnant().tilt(6), Strand.BACK_LINE, Reason.of("need.tiltForward")),
                new Spoken(
                        "right holds a third less",
                        never_pregnant().holds(12, 8),
                        Strand.SIDE_SUPPORT,
                        Reason.of("need.sideHoldsLess", Side.RIGHT)));
    }

    @ParameterizedTest
    @MethodSource("findings")
    void a_finding_calls_for_its_strand_and_is_the_reason_said(Spoken spoken) {
        Needs needs = of(spoken.of());
        assertThat(needs.of(spoken.strand())).isEqualTo(15 - spoken.strand().ordinal() + 300);
        assertThat(needs.calls(spoken.strand())).isTrue();
        assertThat(needs.why(spoken.strand())).isEqualTo(spoken.why());
    }

    @Test
    void what_was_found_good_calls_for_nothing() {
        Woman good = never_pregnant()
                .floats(5, 5)
                .scoop(Observed.Scoop.YES)
                .ribs(Observed.RibsOverPelvis.STACKED)
                .tilt(5)
                .holds(10, 10);
        for (Strand strand : Strand.values()) {
            assertThat(of(good).calls(strand)).as(strand.name()).isFalse();
            assertThat(of(good).of(strand)).isEqualTo(15 - strand.ordinal());
        }
    }

    @Test
    void a_goal_calls_for_every_strand_on_the_way_to_it_and_for_no_other() {
        for (Goal goal : Goal.values()) {
            Set<Strand> onTheWay = EnumSet.noneOf(Strand.class);
            for (String code : goal.rungs(ShippedCatalogue.CATALOGUE)) {
                onTheWay.add(ShippedCatalogue.CATALOGUE.rung(code).strand());
                ShippedCatalogue.CATALOGUE
                        .leading(ShippedCatalogue.CATALOGUE.rung(code))
                        .forEach(rung -> onTheWay.add(rung.strand()));
            }
            assertThat(onTheWay).as(goal.name()).isNotEmpty();
            Needs needs = of(never_pregnant().wants(goal));
            for (Strand strand : Strand.values()) {
                boolean called = onTheWay.contains(strand);
                assertThat(needs.calls(strand)).as("%s: %s", goal, strand).isEqualTo(called);
                assertThat(needs.of(strand)).isEqualTo(15 - strand.ordinal() + (called ? 200 : 0));
                assertThat(needs.why(strand))
                        .isEqualTo(
                                called ? Reason.of("need.goal", goal) : Reason.of("need.slot." + Role.Slot.of(strand)));
            }
        }
    }

    @Test
    void of_several_reasons_the_finding_is_said_then_the_goal_then_that_she_climbs_it() {
        Woman w = never_pregnant().wants(Goal.FULL_PLANK).trained("HP1", 3).trained("HK4", 3);
        assertThat(of(w).why(Strand.HOVER_PLANK)).isEqualTo(Reason.of("need.goal", Goal.FULL_PLANK));
        assertThat(of(w).of(Strand.HOVER_PLANK)).isEqualTo(5 + 1003 + 200);
        Woman lagging = never_pregnant().trained("F2", 3).floats(1, 1);
        assertThat(of(lagging).why(Strand.LEG_FLOAT)).isEqualTo(Reason.of("need.floatWeak", 1));
        assertThat(of(lagging).of(Strand.LEG_FLOAT)).isEqualTo(11 + 1003 + 300);
    }
}
