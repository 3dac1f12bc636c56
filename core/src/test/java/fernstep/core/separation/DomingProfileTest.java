package fernstep.core.separation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.measure.Point2;
import fernstep.core.separation.DomingProfile.Moment;
import java.util.List;
import org.junit.jupiter.api.Test;

class DomingProfileTest {
    private static DomingProfile of(double... xy) {
        java.util.ArrayList<Point2> points = new java.util.ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            points.add(new Point2(xy[i], xy[i + 1]));
        }
        return new DomingProfile(points);
    }

    @Test
    void a_tent_of_sixty_by_twelve() {
        DomingProfile tent = of(0, 0, 30, 12, 60, 0);
        assertThat(tent.heightMm()).isCloseTo(12, within(1e-9));
        assertThat(tent.areaMm2()).isCloseTo(360, within(1e-9)); // half of 60 · 12
        assertThat(tent.distortionMm()).isCloseTo(6, within(1e-9));
        assertThat(tent.symmetry().index()).isCloseTo(0, within(1e-9));
    }

    @Test
    void the_same_tent_held_aslant_measures_the_same() {
        // turned by 30°: (30,12) → (30·cos30 − 12·sin30, 30·sin30 + 12·cos30)
        double c = Math.cos(Math.PI / 6);
        DomingProfile tent = of(0, 0, 30 * c - 6, 15 + 12 * c, 60 * c, 30);
        assertThat(tent.heightMm()).isCloseTo(12, within(1e-9));
        assertThat(tent.areaMm2()).isCloseTo(360, within(1e-9));
    }

    @Test
    void a_ridge_on_one_side_shows_in_the_symmetry() {
        // first half: triangle of 30 · 12 / 2 = 180 up to the middle, second half flat
        DomingProfile ridge = of(0, 0, 15, 12, 30, 0, 60, 0);
        assertThat(ridge.symmetry().right()).isCloseTo(180, within(1e-9));
        assertThat(ridge.symmetry().left()).isCloseTo(0, within(1e-9));
    }

    @Test
    void what_sinks_below_the_chord_is_no_ridge() {
        assertThat(of(0, 0, 30, -8, 60, 0).heightMm()).isZero();
        assertThat(of(0, 0, 30, -8, 60, 0).areaMm2()).isZero();
    }

    @Test
    void the_onset_is_when_it_rises_and_stays() {
        List<Moment> series =
                List.of(new Moment(0, 1), new Moment(1, 5), new Moment(2, 1.5), new Moment(3, 4.2), new Moment(4, 6));
        assertThat(DomingProfile.onsetSecond(series, 3)).hasValue(3.0);
        assertThat(DomingProfile.onsetSecond(series, 9)).isEmpty();
        assertThat(DomingProfile.onsetSecond(List.of(), 3)).isEmpty();
    }

    @Test
    void two_points_make_no_profile() {
        assertThatThrownBy(() -> of(0, 0, 60, 0)).hasMessage("a profile needs at least three points");
        assertThatThrownBy(() -> of(0, 0, 30, 5, 0, 0)).hasMessageContaining("must lie apart");
    }
}
