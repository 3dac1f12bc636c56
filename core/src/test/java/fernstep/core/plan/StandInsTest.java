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
}
