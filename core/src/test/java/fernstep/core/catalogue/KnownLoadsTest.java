package fernstep.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.body.Movement;
import fernstep.core.body.RangeSolver;
import org.junit.jupiter.api.Test;

class KnownLoadsTest {
    private final Catalogue catalogue = ShippedCatalogue.CATALOGUE;

    @Test
    void every_rung_weighs_on_everybody_what_it_weighed_when_it_was_worked_out() {
        KnownLoads known = new KnownLoads();
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
        KnownLoads known = new KnownLoads();
        Movement one = catalogue.rung("F3").movement();
        Movement other = catalogue.rung("F5").movement();
        Body body = Body.of(70.0, 170.0);
        assertThat(known.of(one, body, 1)).isNotEqualTo(known.of(other, body, 1));
        assertThat(known.of(one, body, 1)).isNotEqualTo(known.of(one, body, 0));
        assertThat(known.of(one, body, 1)).isNotEqualTo(known.of(one, Body.of(95.0, 181.0), 1));
    }

    @Test
    void what_is_shortened_and_how_far_it_may_go_is_what_the_body_says_however_often_it_is_asked() {
        KnownLoads known = new KnownLoads();
        Rung twoLegs = catalogue.rung("F5");
        Movement movement = twoLegs.movement();
        Body body = Body.of(70.0, 170.0);
        for (int asked = 0; asked < 2; asked++) {
            assertThat(known.ofOneLimb(movement, body, 0.7))
                    .isEqualTo(movement.peakOfOneLimb(body, 0.7).loadIndex());
            assertThat(known.withKneesBent(movement, body, 0.7, 30))
                    .hasValue(movement.peakWithKneesBent(body, 0.7, 30).loadIndex());
            assertThat(known.shortened(twoLegs, body, 0.7, 60, true))
                    .isEqualTo(movement.withKneesBent(body, 60)
                            .oneLimb()
                            .peak(body, 0.7)
                            .loadIndex());
            double ceiling = movement.peak(body, 0.5).loadIndex();
            assertThat(known.furthestUnder(movement, body, ceiling))
                    .isEqualTo(RangeSolver.solve(movement, body, ceiling));
        }
    }

    @Test
    void it_does_not_grow_without_end() {
        KnownLoads known = new KnownLoads();
        Movement movement = catalogue.rung("F3").movement();
        Body body = Body.of(70.0, 170.0);
        for (int i = 0; i <= KnownLoads.AT_MOST; i++) {
            known.of(movement, body, (double) i / (KnownLoads.AT_MOST + 1));
        }
        assertThat(known.size()).isEqualTo(1);
        assertThat(known.of(movement, body, 0.5))
                .isEqualTo(movement.peak(body, 0.5).loadIndex());
    }
}
