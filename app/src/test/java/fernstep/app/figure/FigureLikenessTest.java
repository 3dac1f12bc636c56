package fernstep.app.figure;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CataloguePackage;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Drawn small, as on a card of the plan: no two exercises look alike, and what moves is seen to. */
class FigureLikenessTest {
    private static final int WIDE = 220;
    private static final int HIGH = 150;
    private static final int ROOM = 12;
    private static final Body HER = Body.of(null, null);
    private static final List<Rung> RUNGS = CataloguePackage.shipped().strands().stream()
            .flatMap(strand -> strand.rungs().stream())
            .toList();

    private static Figure figure(Rung rung) {
        return FigureDrawing.still(rung, HER, rung.perSide() ? Side.LEFT : null, 1);
    }

    private static BufferedImage drawn(Figure.Box box, List<List<Stroke>> layers) {
        BufferedImage image = new BufferedImage(WIDE, HIGH, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D on = image.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setColor(Color.WHITE);
        on.fillRect(0, 0, WIDE, HIGH);
        double scale = Math.min((double) WIDE / box.width(), (double) HIGH / box.height());
        on.translate((WIDE - scale * box.width()) / 2, (HIGH - scale * box.height()) / 2);
        on.scale(scale, scale);
        on.translate(-box.x(), -box.y());
        for (List<Stroke> layer : layers) {
            for (Stroke stroke : layer) {
                draw(on, stroke, stroke.frames().get(stroke.frames().size() - 1));
            }
        }
        on.dispose();
        return image;
    }

    private static void draw(Graphics2D on, Stroke stroke, double[] xy) {
        int corners = stroke.corners() == 0 ? xy.length / 2 : stroke.corners();
        Path2D path = new Path2D.Double(Path2D.WIND_NON_ZERO);
        for (int from = 0; from < xy.length; from += 2 * corners) {
            for (int i = from; i < from + 2 * corners; i += 2) {
                if (i == from) {
                    path.moveTo(xy[i], xy[i + 1]);
                } else {
                    path.lineTo(xy[i], xy[i + 1]);
                }
            }
            if (stroke.corners() > 0) {
                path.closePath();
            }
        }
        on.setStroke(new BasicStroke(stroke.kind().equals("mark-halo") ? 5.5f : 2.2f));
        on.setColor(stroke.kind().equals("mark-halo") ? Color.WHITE : Color.BLACK);
        on.draw(path);
        if (stroke.corners() > 0) {
            on.setColor(tone(stroke.kind()));
            on.fill(path);
        }
    }

    private static Color tone(String kind) {
        int grey = kind.startsWith("legging") || kind.equals("lap")
                ? 110
                : kind.startsWith("top") ? 175 : kind.equals("hair") ? 60 : kind.equals("ghost") ? 225 : 205;
        return new Color(grey, grey, grey);
    }

    private static BufferedImage whole(Figure figure) {
        return drawn(figure.box(), List.of(figure.scene(), figure.ghost(), figure.body()));
    }

    /** Share of the picture that differs plainly, wherever the one is laid over the other within a few pixels. */
    private static double difference(BufferedImage one, BufferedImage other) {
        double least = 1;
        for (int dx = -4; dx <= 4; dx += 2) {
            for (int dy = -4; dy <= 4; dy += 2) {
                int differs = 0;
                for (int y = ROOM; y < HIGH - ROOM; y++) {
                    for (int x = ROOM; x < WIDE - ROOM; x++) {
                        int by = one.getRaster().getSample(x, y, 0)
                                - other.getRaster().getSample(x + dx, y + dy, 0);
                        differs += Math.abs(by) > 60 ? 1 : 0;
                    }
                }
                least = Math.min(least, (double) differs / ((WIDE - 2 * ROOM) * (HIGH - 2 * ROOM)));
            }
        }
        return least;
    }

    private record Pair(String one, String other, double differs) {}

    @Test
    void no_two_exercises_look_alike() {
        List<BufferedImage> all =
                RUNGS.stream().map(rung -> whole(figure(rung))).toList();
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (RUNGS.get(i).position() == RUNGS.get(j).position()) {
                    pairs.add(new Pair(RUNGS.get(j).code(), RUNGS.get(i).code(), difference(all.get(i), all.get(j))));
                }
            }
        }
        pairs.sort(Comparator.comparingDouble(Pair::differs));
        pairs.stream()
                .limit(16)
                .forEach(pair -> System.out.printf(
                        "%s and %s differ in %.2f %%%n", pair.one(), pair.other(), 100 * pair.differs()));
        assertThat(pairs.get(0).differs()).as(pairs.get(0).toString()).isGreaterThan(0.008);
    }

    @Test
    void what_is_done_is_seen_beside_the_body_at_rest() {
        for (Rung rung : RUNGS) {
            Figure figure = figure(rung);
            List<Stroke> body = figure.body().stream()
                    .filter(stroke -> !stroke.kind().startsWith("mark")
                            && !stroke.kind().equals("way")
                            && !stroke.kind().equals("judged"))
                    .toList();
            double differs = difference(whole(figure), drawn(figure.box(), List.of(figure.scene(), body)));
            assertThat(differs).as(rung.code()).isGreaterThan(0.001);
        }
    }
}
