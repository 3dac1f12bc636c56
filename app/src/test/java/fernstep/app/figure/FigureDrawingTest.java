package fernstep.app.figure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Body;
import fernstep.core.catalogue.ActionMark;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CataloguePackage;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What a practitioner sees of a rung without reading. */
class FigureDrawingTest {
    private static final Catalogue CATALOGUE = CataloguePackage.shipped();
    private static final Body HER = Body.of(71.0, 168.0);

    private static List<Rung> all() {
        return CATALOGUE.strands().stream()
                .flatMap(strand -> strand.rungs().stream())
                .toList();
    }

    private static Rung rung(String code) {
        return CATALOGUE.find(code).orElseThrow();
    }

    private static Figure drawn(Rung rung) {
        return FigureDrawing.of(rung, HER, rung.perSide() ? Side.LEFT : null, 1);
    }

    private static List<double[]> of(Figure figure, String kind) {
        return figure.body().stream()
                .filter(stroke -> stroke.kind().equals(kind))
                .map(stroke -> stroke.frames().get(stroke.frames().size() - 1))
                .toList();
    }

    @Test
    void no_two_rungs_share_a_picture() {
        Map<String, String> pictures = new HashMap<>();
        for (Rung rung : all()) {
            StringBuilder picture = new StringBuilder();
            Figure figure = drawn(rung);
            figure.scene().forEach(stroke -> picture.append(stroke.kind()).append(stroke.d()));
            figure.body().forEach(stroke -> picture.append(stroke.kind()).append(stroke.d()));
            String other = pictures.put(picture.toString(), rung.code());
            assertThat(other).as(rung.code() + " looks like " + other).isNull();
        }
        assertThat(pictures).hasSizeGreaterThan(70);
    }

    /** Either a limb goes somewhere, or a sign says what happens inside. */
    @Test
    void every_rung_shows_what_is_done_and_not_only_where_she_lies() {
        for (Rung rung : all()) {
            assertThat(of(drawn(rung), "mark").size()
                            + of(drawn(rung), "way").size()
                            + rung.props().size()
                            + (rung.movement().start().equals(rung.movement().full()) ? 0 : 1))
                    .as(rung.code())
                    .isPositive();
        }
    }

    @Test
    void the_way_goes_from_where_the_heel_starts_to_where_it_ends() {
        Figure float3 = drawn(rung("F3"));
        double[] way = of(float3, "way").get(0);
        assertThat(of(float3, "way")).hasSize(1);
        // up: y grows downward
        assertThat(way[way.length - 1]).isLessThan(way[1] - 20);
        double[] head = of(float3, "way-head").get(0);
        assertThat(head[2]).isCloseTo(way[way.length - 2], within(0.1));
        assertThat(head[3]).isCloseTo(way[way.length - 1], within(0.1));
    }

    @Test
    void the_way_is_the_working_limb_s() {
        Rung rung = rung("F7");
        double[] left = of(FigureDrawing.of(rung, HER, Side.LEFT, 1), "way").get(0);
        double[] right = of(FigureDrawing.of(rung, HER, Side.RIGHT, 1), "way").get(0);
        assertThat(left).isNotEqualTo(right);
        assertThat(FigureDrawing.of(rung, HER, Side.RIGHT, 1).labels())
                .extracting(Figure.Label::text)
                .contains("R");
    }

    @Test
    void the_pelvic_floor_lifts_toward_the_head_and_lets_go_toward_the_feet() {
        // lying, her head is on the left: smaller x
        List<double[]> marks = of(drawn(rung("PF1")), "mark");
        assertThat(marks).hasSize(2);
        assertThat(marks.get(0)[2]).as("lifts").isLessThan(marks.get(0)[0] - 10);
        assertThat(marks.get(1)[2]).as("lets go").isGreaterThan(marks.get(1)[0] + 10);
    }

    @Test
    void the_belly_comes_in_toward_the_mat_where_she_lies_and_away_from_it_on_hands_and_knees() {
        double[] lying = of(drawn(rung("DC1")), "mark").get(0);
        assertThat(lying[3]).isGreaterThan(lying[1] + 5);
        double[] kneeling = of(drawn(rung("DC3")), "mark").get(0);
        assertThat(kneeling[3]).isLessThan(kneeling[1] - 5);
    }

    @ParameterizedTest
    @EnumSource(ActionMark.class)
    void every_mark_is_drawn_somewhere_in_the_catalogue(ActionMark mark) {
        assertThat(all())
                .filteredOn(rung -> !rung.sight().alongHer() && rung.shows().contains(mark))
                .isNotEmpty()
                .allSatisfy(rung -> assertThat(of(drawn(rung), "mark")).isNotEmpty());
    }

    @Test
    void a_letter_says_which_side_and_lies_on_no_part_of_her() {
        for (Rung rung : all()) {
            if (!rung.perSide()) {
                continue;
            }
            for (Side side : Side.values()) {
                Figure figure = FigureDrawing.of(rung, HER, side, 1);
                Figure.Label letter = figure.labels().get(0);
                assertThat(letter.text()).isEqualTo(side == Side.LEFT ? "L" : "R");
                assertThat(figure.body())
                        .as(rung.code() + " " + side)
                        .noneMatch(part -> part.covers(letter.x(), letter.y() - 4));
            }
        }
    }

    @Test
    void what_a_sign_says_is_said_in_words_too() {
        assertThat(drawn(rung("PF1")).alt().key()).isEqualTo("figure.altShows");
        assertThat(drawn(rung("F5")).alt().key()).isEqualTo("figure.alt");
    }

    @Test
    void who_is_to_spot_what_happens_is_told_nothing_by_the_figure() {
        Figure bare = FigureDrawing.bare(rung("PF1"), HER, null, 1);
        assertThat(bare.body()).extracting(Stroke::kind).doesNotContain("mark", "way");
        assertThat(bare.alt().key()).isEqualTo("figure.alt");
        assertThat(FigureDrawing.overRange(rung("F7"), HER, Side.LEFT).body())
                .as("the range dial has its own handle")
                .extracting(Stroke::kind)
                .doesNotContain("mark", "way");
    }

    @Test
    void a_still_one_is_the_end_of_the_moving_one() {
        for (Rung rung : all()) {
            Side side = rung.perSide() ? Side.LEFT : null;
            Figure still = FigureDrawing.still(rung, HER, side, 1);
            Figure moving = FigureDrawing.of(rung, HER, side, 1);
            assertThat(still.body().stream().map(Stroke::d).toList())
                    .as(rung.code())
                    .isEqualTo(moving.body().stream().map(Stroke::d).toList());
            assertThat(still.ghost().stream().map(Stroke::d).toList())
                    .as(rung.code())
                    .isEqualTo(moving.ghost().stream().map(Stroke::d).toList());
        }
    }
}
