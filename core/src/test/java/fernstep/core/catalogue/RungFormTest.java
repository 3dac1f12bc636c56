package fernstep.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.client.Restriction;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A rung in the form in which it is open to her. */
class RungFormTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;
    private static final Body BODY = Body.of(null, null);

    @Test
    void a_rung_on_the_back_is_open_inclined_to_her_who_may_not_lie_flat() {
        Rung slide = CATALOGUE.rung("F3");
        assertThat(RungForm.openTo(slide, Set.of(Restriction.SUPINE_INCLINED))).contains(RungForm.INCLINED);
        assertThat(RungForm.INCLINED.of(slide).position()).isEqualTo(Position.INCLINED);
        assertThat(RungForm.openTo(slide, Set.of())).contains(RungForm.PLAIN);
    }

    @Test
    void nothing_on_the_mat_is_open_where_the_mat_is_closed_and_the_rung_has_no_form_off_it() {
        assertThat(RungForm.openTo(CATALOGUE.rung("F4"), Set.of(Restriction.NO_FLOOR)))
                .isEmpty();
    }

    @Test
    void what_is_done_lying_up_to_the_third_float_is_open_on_a_firm_bed_unless_there_is_none() {
        for (String code :
                List.of("F1", "F2", "F3", "HS1", "BG1", "DC1", "DC2", "PC1", "PC2", "PF1", "PF2", "BR3", "BR5")) {
            Rung rung = CATALOGUE.rung(code);
            assertThat(RungForm.openTo(rung, Set.of(Restriction.NO_FLOOR)))
                    .as(code)
                    .contains(RungForm.ON_A_BED);
            Rung onBed = RungForm.ON_A_BED.of(rung);
            assertThat(onBed.position()).isEqualTo(rung.position());
            assertThat(onBed.props()).contains(Prop.BED);
            assertThat(onBed.closedBy(Set.of(Restriction.NO_FLOOR, Restriction.NO_FIRM_BED)))
                    .as(code)
                    .contains(Restriction.NO_FLOOR);
        }
        for (String code : List.of("F4", "HS2", "BG2", "HK1", "CU1", "SS1")) {
            assertThat(RungForm.ON_A_BED.of(CATALOGUE.rung(code))).as(code).isEqualTo(CATALOGUE.rung(code));
        }
    }

    @ParameterizedTest
    @EnumSource(
            value = RungForm.class,
            names = {"INCLINED", "ON_FOREARMS", "ON_A_BED", "OFF_THE_FLOOR", "EASIER"})
    void the_form_is_found_again_from_how_a_rung_is_done(RungForm form) {
        for (Rung plain : CATALOGUE.rungs()) {
            Rung done = form.of(plain);
            RungForm found = RungForm.of(done, plain);
            assertThat(found.of(plain)).as("%s %s", plain.code(), form).isEqualTo(done);
        }
    }

    @Test
    void bent_knees_and_one_limb_show_in_the_movement_and_take_load_away() {
        Rung legs = CATALOGUE.rungs().stream()
                .filter(rung -> rung.offers(Lever.BEND_KNEE) && rung.family() != null)
                .findFirst()
                .orElseThrow();
        Rung bent = legs.shortened(BODY, 60, false);
        assertThat(bent.movement().full()).isNotEqualTo(legs.movement().full());
        assertThat(bent.indexAt(1, BODY)).isLessThan(legs.indexAt(1, BODY));
        Rung both = CATALOGUE.rungs().stream()
                .filter(rung -> rung.offers(Lever.ONE_LIMB) && rung.family() != null)
                .findFirst()
                .orElseThrow();
        assertThat(both.shortened(BODY, 0, true).movement().full())
                .isNotEqualTo(both.movement().full());
        assertThat(both.shortened(BODY, 0, false)).isSameAs(both);
    }
}
