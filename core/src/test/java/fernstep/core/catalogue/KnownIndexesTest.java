package fernstep.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.body.Movement;
import org.junit.jupiter.api.Test;

class KnownIndexesTest {
    private final Catalogue catalogue = ShippedCatalogue.CATALOGUE;

    @Test
    void every_rung_weighs_on_everybody_what_it_weighed_when_it_was_worked_out() {
        KnownIndexes known = new KnownIndexes();
        for (Body body : new Body[] {Body.of(70.0, 170.0), Body.of(52.0, 158.0), Body.of(95.0, 181.0)}) {
            for (Rung rung : catalogue.rungs()) {
                for (double range : new double[] {0, 0.4, 1}) {
                    double weighed = rung.movement().peak(body, range).loadIndex();
                    assertThat(known.of(rung.movement(), body, range)).isEqualTo(weighed);
                    assertThat(known.of(rung.movement(), body, range))
                            .as("asked again")
                            .isEqualTo(weighed);
                }
            }
        }
        assertThat(known.size()).isEqualTo(3 * 3 * catalogue.rungs().size());
    }

    @Test
    void two_movements_that_begin_alike_are_not_taken_for_each_other() {
        KnownIndexes known = new KnownIndexes();
        Movement one = catalogue.rung("F3").movement();
        Movement other = catalogue.rung("F5").movement();
        Body body = Body.of(70.0, 170.0);
        assertThat(known.of(one, body, 1)).isNotEqualTo(known.of(other, body, 1));
        assertThat(known.of(one, body, 1)).isNotEqualTo(known.of(one, body, 0));
        assertThat(known.of(one, body, 1)).isNotEqualTo(known.of(one, Body.of(95.0, 181.0), 1));
    }

    @Test
    void it_does_not_grow_without_end() {
        KnownIndexes known = new KnownIndexes();
        Movement movement = catalogue.rung("F3").movement();
        Body body = Body.of(70.0, 170.0);
        for (int i = 0; i <= KnownIndexes.AT_MOST; i++) {
            known.of(movement, body, (double) i / (KnownIndexes.AT_MOST + 1));
        }
        assertThat(known.size()).isEqualTo(1);
        assertThat(known.of(movement, body, 0.5))
                .isEqualTo(movement.peak(body, 0.5).loadIndex());
    }
}
