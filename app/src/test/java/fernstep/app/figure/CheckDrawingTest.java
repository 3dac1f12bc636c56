package fernstep.app.figure;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Point3;
import fernstep.core.findings.CheckSection;
import fernstep.exchange.casefile.CataloguePackage;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What the one who checks sees of how it is done. */
class CheckDrawingTest {
    private static final CheckDrawing DRAWING = new CheckDrawing(CataloguePackage.shipped());

    @Test
    void no_picture_serves_two_checks() {
        Map<String, CheckSection> seen = new HashMap<>();
        for (CheckSection section : CheckSection.values()) {
            StringBuilder picture = new StringBuilder();
            DRAWING.of(section)
                    .body()
                    .forEach(stroke -> picture.append(stroke.kind()).append(stroke.d()));
            assertThat(seen.put(picture.toString(), section)).as(section.name()).isNull();
        }
    }

    @ParameterizedTest
    @EnumSource(CheckSection.class)
    void every_check_shows_a_whole_person(CheckSection section) {
        assertThat(DRAWING.of(section).body())
                .extracting(Stroke::kind)
                .contains("top", "legging", "hair", "face", "skin-near", "skin-far");
    }

    @ParameterizedTest
    @EnumSource(
            value = CheckSection.class,
            names = {"SEPARATION", "COUGH", "LOW_BACK"})
    void where_somebody_feels_for_it_the_hand_is_drawn(CheckSection section) {
        assertThat(DRAWING.of(section).body()).extracting(Stroke::kind).contains("hand", "sleeve");
    }

    /** As many fingers lie deeper as the gap holds. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4})
    void so_many_fingers_lie_in_the_gap(int inTheGap) {
        List<Hull> hulls = new ExaminerHand(
                        new Point3(0, 0.1, 0), new Point3(-1, 0, 0), new Point3(0, 0, 1), new Point3(0, 1, 0), 1.7)
                .hulls(inTheGap);
        long deep = hulls.stream()
                .filter(hull ->
                        hull.balls().stream().anyMatch(ball -> ball.centre().y() < 0.1))
                .count();
        assertThat(deep).isEqualTo(inTheGap);
    }
}
