package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.body.TrunkLoad;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.client.Restriction;
import fernstep.core.plan.StandIns.Kind;
import fernstep.core.plan.StandIns.StandIn;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class StandInsTest {
    private static final Body BODY = Body.of(70.0, 170.0);

    private static List<StandIn> of(String rung, Restriction... closed) {
        return StandIns.of(ShippedCatalogue.CATALOGUE, ShippedCatalogue.CATALOGUE.rung(rung), Set.of(closed), BODY);
    }

    @ParameterizedTest
    @CsvSource({"BK6, BK1", "BK7, HK9", "BK8, HK4", "BK5, BK1"})
    void face_down_work_has_the_stand_ins_practitioners_take(String rung, String first) {
        assertThat(of(rung, Restriction.NO_PRONE).get(0).rung().code()).isEqualTo(first);
    }

    @Test
    void flat_on_the_back_becomes_the_same_rung_on_a_wedge() {
        StandIn s = of("F3", Restriction.SUPINE_INCLINED).get(0);
        assertThat(s.kind()).isEqualTo(Kind.SAME_INCLINED);
        assertThat(s.rung().code()).isEqualTo("F3");
        assertThat(s.rung().position()).isEqualTo(Position.INCLINED);
        assertThat(s.rung().movement().full().trunk().pitchDeg()).isEqualTo(25);
    }

    @Test
    void sore_wrists_go_on_the_forearms() {
        StandIn s = of("HK4", Restriction.NO_WRIST_LOAD).get(0);
        assertThat(s.kind()).isEqualTo(Kind.SAME_ON_FOREARMS);
        assertThat(s.rung().movement().full().bearsOnHands()).isFalse();
        assertThat(TrunkLoad.of(BODY, s.rung().movement().full()).loadIndex()).isPositive();
    }

    @Test
    void a_rung_in_an_open_position_needs_none() {
        assertThat(of("F3", Restriction.NO_PRONE)).isEmpty();
        assertThat(of("DC4", Restriction.NO_FLOOR)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Restriction.class)
    void whatever_stands_in_is_open_itself_and_of_the_same_aim_and_not_heavier_at_its_easiest(Restriction closed) {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            double easiest = easiest(rung);
            for (StandIn s : of(rung.code(), closed)) {
                assertThat(s.rung().closedBy(Set.of(closed))).as(rung.code()).isEmpty();
                if (s.kind() == Kind.OTHER_RUNG) {
                    assertThat(s.rung().aim() == rung.aim()
                                    || rung.standIns().contains(s.rung().code()))
                            .as(rung.code() + " " + s.rung().code())
                            .isTrue();
                    assertThat(easiest(s.rung())).as(rung.code()).isLessThanOrEqualTo(easiest + 1e-6);
                }
            }
        }
    }

    private static double easiest(Rung rung) {
        return rung.loadAt(0, BODY).map(TrunkLoad::loadIndex).orElse(0.0);
    }

    @Test
    void a_rung_done_on_a_wedge_keeps_its_neighbours() {
        Rung inclined = ShippedCatalogue.CATALOGUE.rung("BR2").inclined(RungForm.WEDGE_DEG);
        assertThat(ShippedCatalogue.CATALOGUE.next(inclined)).map(Rung::code).contains("BR3");
        assertThat(ShippedCatalogue.CATALOGUE.previous(inclined))
                .map(Rung::code)
                .contains("BR1");
    }

    @Test
    void the_same_rung_comes_first_then_what_practitioners_take_then_the_nearest_in_load() {
        int others = 0;
        for (Restriction closed : Restriction.values()) {
            others += inOrder(closed);
        }
        assertThat(others).isPositive();
    }

    /** How many other rungs stand in. */
    private static int inOrder(Restriction closed) {
        int named = 0;
        int byLoad = 0;
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            List<StandIn> all = of(rung.code(), closed);
            assertThat(all).as(rung.code()).doesNotHaveDuplicates();
            assertThat(all)
                    .filteredOn(standIn -> standIn.kind() == Kind.OTHER_RUNG)
                    .noneMatch(standIn -> standIn.rung().code().equals(rung.code()));
            List<Integer> rank = all.stream()
                    .map(standIn -> standIn.kind() != Kind.OTHER_RUNG
                            ? 0
                            : rung.standIns().contains(standIn.rung().code()) ? 1 : 2)
                    .toList();
            assertThat(rank).as(rung.code()).isSorted();
            List<String> taken = all.stream()
                    .filter(standIn -> standIn.kind() == Kind.OTHER_RUNG)
                    .map(standIn -> standIn.rung().code())
                    .filter(rung.standIns()::contains)
                    .toList();
            assertThat(taken)
                    .as(rung.code())
                    .isEqualTo(rung.standIns().stream().filter(taken::contains).toList());
            named += taken.size();
            List<Double> loads = all.stream()
                    .filter(standIn -> standIn.kind() == Kind.OTHER_RUNG
                            && !rung.standIns().contains(standIn.rung().code()))
                    .map(standIn -> -easiest(standIn.rung()))
                    .toList();
            assertThat(loads).as(rung.code()).isSorted();
            byLoad += loads.size();
            for (StandIn s : all) {
                if (s.kind() != Kind.OTHER_RUNG) {
                    assertThat(s.rung()).isNotEqualTo(rung);
                    assertThat(s.rung().code()).isEqualTo(rung.code());
                }
            }
            boolean isClosed = rung.closedBy(Set.of(closed)).isPresent();
            assertThat(all.isEmpty() || isClosed).as(rung.code()).isTrue();
        }
        return named + byLoad;
    }

    @Test
    void what_may_replace_a_rung_is_open_itself_and_of_its_aim_or_named_whatever_its_load() {
        for (Restriction closed : Restriction.values()) {
            for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
                assertThat(StandIns.replacing(ShippedCatalogue.CATALOGUE, rung, Set.of(closed)))
                        .as("%s, %s", rung.code(), closed)
                        .containsExactlyInAnyOrderElementsOf(ShippedCatalogue.CATALOGUE.rungs().stream()
                                .filter(each -> !each.code().equals(rung.code()))
                                .filter(each -> (each.aim() == rung.aim()
                                                && (closed == Restriction.NO_FLOOR || !atATable(each)))
                                        || rung.standIns().contains(each.code()))
                                .map(each -> closed == Restriction.NO_FLOOR
                                                && each.closedBy(Set.of(closed)).isPresent()
                                        ? each.onABed()
                                        : each)
                                .filter(each -> each.closedBy(Set.of(closed)).isEmpty())
                                .toList());
            }
        }
    }

    /** Asked for by name, or where she is kept off the floor. */
    private static boolean atATable(Rung rung) {
        return rung.code().startsWith("WT");
    }

    @Test
    void off_the_floor_a_table_takes_the_place_of_hands_and_knees_where_it_asks_no_more() {
        assertThat(of("HK7", Restriction.NO_FLOOR))
                .extracting(standIn -> standIn.rung().code())
                .contains("WT4");
        assertThat(of("HK4", Restriction.NO_FLOOR))
                .as("asks for more on one hand than on hands and knees")
                .extracting(standIn -> standIn.rung().code())
                .doesNotContain("WT2");
    }

    @Test
    void the_first_open_one_is_taken_and_the_same_rung_in_another_place_asks_no_more() {
        Rung rung = ShippedCatalogue.CATALOGUE.rung("BK5");
        StandIn same = new StandIn(rung, Kind.SAME_INCLINED);
        StandIn other = new StandIn(ShippedCatalogue.CATALOGUE.rung("BK1"), Kind.OTHER_RUNG);
        StandIn third = new StandIn(ShippedCatalogue.CATALOGUE.rung("BK2"), Kind.OTHER_RUNG);
        assertThat(StandIns.firstOpen(List.of(same, other), each -> false)).hasValue(same);
        assertThat(StandIns.firstOpen(List.of(other, same), each -> false)).hasValue(same);
        assertThat(StandIns.firstOpen(List.of(other, third), each -> each.code().equals("BK2")))
                .hasValue(third);
        assertThat(StandIns.firstOpen(List.of(other, third), each -> true)).hasValue(other);
        assertThat(StandIns.firstOpen(List.of(other), each -> false)).isEmpty();
    }
}
