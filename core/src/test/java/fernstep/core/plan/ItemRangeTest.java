package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.LoadFamily;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** How far a rung goes today. */
class ItemRangeTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;

    private static double range(
            Woman woman, Strand strand, Rung rung, @Nullable Rung standInFor, @Nullable Double wanted) {
        Plan.Question q = woman.question();
        return new ItemRange(q, q.known(), new Shown(q), strand)
                .of(rung, null, standInFor, wanted)
                .share();
    }

    private static double range(Woman woman, Rung rung, @Nullable Double wanted) {
        return range(woman, rung.strand(), rung, null, wanted);
    }

    @Test
    void what_was_wished_is_done_where_nothing_bounds_it() {
        Woman w = never_pregnant().strong();
        for (Rung rung : CATALOGUE.rungs()) {
            assertThat(range(w, rung, 0.7)).as(rung.code()).isEqualTo(0.7);
            assertThat(range(w, rung.strand(), rung, rung, 0.7))
                    .as("%s in another form", rung.code())
                    .isEqualTo(0.7);
        }
    }

    @Test
    void a_first_time_goes_a_step_beyond_the_full_rung_before_and_a_first_loaded_rung_begins_at_its_easiest() {
        Woman w = never_pregnant().grade(4, 4);
        int beyond = 0;
        int easiest = 0;
        int whole = 0;
        for (Rung rung : CATALOGUE.rungs()) {
            double range = range(w, rung, null);
            Optional<Rung> before = CATALOGUE.previous(rung).filter(each -> each.family() != null);
            if (before.isPresent() && rung.family() != null && rung.hasRange()) {
                double full = before.get().indexAt(1, w.body());
                // a tenth more than the rung before in full, or the easiest where even that is more
                if (range > 0 && range < 1) {
                    assertThat(rung.indexAt(range, w.body())).as(rung.code()).isLessThanOrEqualTo(1.1 * full + 1e-6);
                    assertThat(rung.indexAt(range + 0.01, w.body()))
                            .as(rung.code())
                            .isGreaterThan(1.1 * full - 1e-6);
                    beyond++;
                } else if (range == 0) {
                    assertThat(rung.indexAt(0.01, w.body())).as(rung.code()).isGreaterThan(1.1 * full);
                } else {
                    assertThat(rung.indexAt(1, w.body())).as(rung.code()).isLessThanOrEqualTo(1.1 * full + 1e-6);
                }
            } else if (before.isEmpty()) {
                boolean loaded = rung.loaded() && rung.hasRange();
                assertThat(range).as(rung.code()).isEqualTo(loaded ? 0 : 1);
                easiest += loaded ? 1 : 0;
                whole += loaded ? 0 : 1;
            }
        }
        assertThat(beyond).isPositive();
        assertThat(easiest).isPositive();
        assertThat(whole).isPositive();
    }

    @Test
    void a_ridge_takes_a_rung_at_the_front_back_to_the_load_of_a_float() {
        int taken = 0;
        for (Observed.Doming ridge : new Observed.Doming[] {Observed.Doming.FIRM, Observed.Doming.SOFT}) {
            Woman w = never_pregnant().strong().ridge(ridge);
            double most =
                    CATALOGUE.rung(ridge == Observed.Doming.FIRM ? "F2" : "F3").indexAt(1, w.body());
            for (Rung rung : CATALOGUE.rungs()) {
                double range = range(w, rung, 1.0);
                boolean front = rung.loaded()
                        && switch (rung.strand()) {
                            case LEG_FLOAT, HEEL_SLIDE, ARM_LEG, HOVER_PLANK, CURL -> true;
                            default -> false;
                        };
                if (!front || rung.family() == null || !rung.hasRange() || rung.indexAt(1, w.body()) <= most) {
                    assertThat(range).as("%s, %s", rung.code(), ridge).isEqualTo(1);
                    continue;
                }
                taken++;
                if (range > 0) {
                    assertThat(rung.indexAt(range, w.body())).as(rung.code()).isLessThanOrEqualTo(most + 1e-6);
                    assertThat(range).isLessThan(1);
                }
                assertThat(rung.indexAt(Math.min(1, range + 0.011), w.body()))
                        .as("%s goes as far as it may", rung.code())
                        .isGreaterThan(most - 1e-6);
                assertThat(100 * range).isCloseTo(Math.rint(100 * range), within(1e-9));
            }
        }
        assertThat(taken).isGreaterThan(5);
    }

    @Test
    void what_stands_in_asks_for_no_more_than_the_easiest_of_what_it_replaces() {
        Woman w = never_pregnant().strong();
        Rung replaced = CATALOGUE.rung("F4");
        double most = replaced.indexAt(0, w.body());
        int bounded = 0;
        for (Rung rung : CATALOGUE.rungs()) {
            if (rung.code().equals("F4")) {
                continue;
            }
            double range = range(w, replaced.strand(), rung, replaced, 1.0);
            if (rung.family() == null || !rung.hasRange() || rung.indexAt(1, w.body()) <= most) {
                assertThat(range).as(rung.code()).isEqualTo(1);
            } else {
                bounded++;
                assertThat(range).as(rung.code()).isLessThan(1);
                assertThat(range == 0 || rung.indexAt(range, w.body()) <= most + 1e-6)
                        .as(rung.code())
                        .isTrue();
            }
        }
        assertThat(bounded).isPositive();
    }

    @Test
    void arms_go_a_third_of_the_way_over_ribs_that_stand_up() {
        Woman flared = never_pregnant().strong().ribs_flare();
        Woman not = never_pregnant().strong();
        Rung arms = CATALOGUE.rung("AL1");
        assertThat(range(flared, arms, 1.0)).isEqualTo(0.33);
        assertThat(range(flared, arms, 0.2)).isEqualTo(0.2);
        assertThat(range(not, arms, 1.0)).isEqualTo(1);
        assertThat(range(flared, CATALOGUE.rung("F2"), 1.0)).isEqualTo(1);
        assertThat(range(flared, Strand.ARM_LEG, CATALOGUE.rung("F2"), arms, 1.0))
                .as("another rung in its place")
                .isLessThanOrEqualTo(0.33);
        assertThat(range(flared, Strand.LEG_FLOAT, arms, CATALOGUE.rung("F5"), 1.0))
                .as("an arm rung in the place of another")
                .isLessThanOrEqualTo(0.33);
        for (Rung rung : CATALOGUE.rungs()) {
            if (rung.strand() == Strand.ARM_LEG && !rung.hasRange()) {
                assertThat(range(flared, rung, 1.0)).as(rung.code()).isEqualTo(1);
            }
        }
    }

    @Test
    void what_was_not_tried_begins_at_four_fifths_of_what_a_check_showed_and_three_fifths_of_the_nearest_kind() {
        Woman w = never_pregnant().grade(4, 4).floats(3, 3);
        double shown = CATALOGUE.rung("F3").indexAt(1, w.body());
        Shown of = new Shown(w.question());
        assertThat(of.of(LoadFamily.LYING_LEGS, Side.LEFT).orElseThrow()).isCloseTo(shown, within(1e-9));
        int ranged = 0;
        for (Rung rung : CATALOGUE.rungs()) {
            if (rung.loaded() && rung.hasRange() && rung.family() != null) {
                double share =
                        rung.family() == LoadFamily.LYING_LEGS ? 0.8 : rung.family() == LoadFamily.SIDE ? 0.5 : 0.6;
                double range = range(w, rung, null);
                if (range > 0 && range < 1) {
                    assertThat(rung.indexAt(range, w.body())).as(rung.code()).isLessThanOrEqualTo(share * shown + 1e-6);
                    assertThat(rung.indexAt(range + 0.011, w.body()))
                            .as(rung.code())
                            .isGreaterThan(share * shown - 1e-6);
                    ranged++;
                } else {
                    assertThat(rung.indexAt(range == 0 ? 0.01 : 1, w.body()) > share * shown)
                            .as(rung.code())
                            .isEqualTo(range == 0);
                }
            }
        }
        assertThat(ranged).isGreaterThan(5);
    }

    @Test
    void the_stronger_of_check_and_log_counts_and_each_side_for_itself() {
        Woman w = never_pregnant().grade(4, 4).floats(1, 4);
        double f1 = CATALOGUE.rung("F1").indexAt(1, w.body());
        double f4 = CATALOGUE.rung("F4").indexAt(1, w.body());
        Shown of = new Shown(w.question());
        assertThat(of.of(LoadFamily.LYING_LEGS, Side.LEFT).orElseThrow()).isCloseTo(f1, within(1e-9));
        assertThat(of.of(LoadFamily.LYING_LEGS, Side.RIGHT).orElseThrow()).isGreaterThanOrEqualTo(f4 - 1e-9);
        assertThat(of.of(LoadFamily.SIDE, Side.LEFT)).isEmpty();
        assertThat(of.target(LoadFamily.SIDE, Side.LEFT).orElseThrow().loadIndex())
                .isCloseTo(0.5 * f1, within(1e-9));
    }
}
