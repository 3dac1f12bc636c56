package fernstep.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.findings.Alignment.Posture;
import fernstep.core.findings.Alignment.Tilt;
import fernstep.core.measure.Point2;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AlignmentTest {
    private static Alignment standing(double ribX, double asisX, double symphysisX) {
        return new Alignment(
                Posture.STANDING,
                new Point2(ribX, 1150),
                new Point2(asisX, 950),
                new Point2(symphysisX, 850),
                new Point2(60, 0));
    }

    @ParameterizedTest
    @CsvSource({"115, STACKED", "116, RIBS_AHEAD", "85, STACKED", "84, RIBS_BEHIND", "100, STACKED"})
    void ribs_are_stacked_within_fifteen_mm_of_the_hip_bone(double ribX, Observed.RibsOverPelvis expected) {
        assertThat(standing(ribX, 100, 100).ribs()).isEqualTo(expected);
    }

    @Test
    void the_tilt_is_the_angle_from_the_vertical_standing() {
        // 100 mm up and 100 mm ahead: 45°
        assertThat(standing(200, 200, 100).tiltDeg()).isCloseTo(45, within(1e-9));
        assertThat(standing(100, 100, 110).tiltDeg()).isCloseTo(-Math.toDegrees(Math.atan(0.1)), within(1e-9));
    }

    @ParameterizedTest
    // tan 5° = 0.0875 over 100 mm
    @CsvSource({"108.7, NEUTRAL", "108.8, FORWARD", "91.3, NEUTRAL", "91.2, BACKWARD"})
    void neutral_is_within_five_degrees(double asisX, Tilt tilt) {
        assertThat(standing(asisX, asisX, 100).tilt()).isEqualTo(tilt);
    }

    @Test
    void lying_counts_from_the_horizontal() {
        // toward the head 80, toward the front 10
        Alignment lying = new Alignment(
                Posture.LYING, new Point2(260, 220), new Point2(80, 200), new Point2(0, 190), new Point2(-800, 0));
        assertThat(lying.tiltDeg()).isCloseTo(Math.toDegrees(Math.atan2(10, 80)), within(1e-9));
        assertThat(lying.ribOffsetMm()).isEqualTo(20);
        assertThat(lying.ribs()).isEqualTo(Observed.RibsOverPelvis.RIBS_AHEAD);
    }

    @Test
    void the_plumb_is_the_middle_of_the_pelvis_over_the_heel() {
        assertThat(standing(100, 110, 90).plumbMm()).isEqualTo(40);
    }

    @Test
    void landmarks_in_one_place_say_nothing() {
        Point2 p = new Point2(1, 1);
        assertThatThrownBy(() -> new Alignment(Posture.STANDING, p, p, p, p)).hasMessageContaining("must lie apart");
    }
}
