package fernstep.app.figure;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CataloguePackage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Signs drawn on the body: each changes the picture where it is seen, and nowhere else. */
class SignsOnBodyTest {
    private static final Body HER = Body.of(70.0, 165.0);
    private static final List<Rung> RUNGS = CataloguePackage.shipped().strands().stream()
            .flatMap(strand -> strand.rungs().stream())
            .toList();

    /** Of a stroke's numbers, in tenths of a centimetre: the greatest change at any moment. */
    private static double greatest(String changes) {
        double most = 0;
        double[] before = null;
        for (String frame : changes.split(";")) {
            double[] now = Arrays.stream(frame.split(" "))
                    .mapToDouble(Double::parseDouble)
                    .toArray();
            for (int i = 0; i < now.length; i++) {
                now[i] += before == null ? (i < 2 ? 0 : now[i - 2]) : before[i];
                most = Math.max(most, Math.abs(now[i]));
            }
            before = now;
        }
        return most / 10;
    }

    /** Kinds of parts that a sign changes by more than so many centimetres. */
    private static Set<String> changed(Spotted her, SignCode sign, double cm) {
        Set<String> kinds = new TreeSet<>();
        List<String> changes = her.changes().get(sign.name());
        for (int i = 0; i < changes.size(); i++) {
            if (changes.get(i) != null && greatest(changes.get(i)) > cm) {
                kinds.add(her.figure().body().get(i).kind());
            }
        }
        return kinds;
    }

    private static Set<String> seenIn(SignCode sign) {
        return switch (sign) {
            case DOME_SOFT, DOME_FIRM, WALL_BULGE, BELLY_DROPS, BEARS_DOWN, SET_LOST -> Set.of("top", "legging");
            case RIBS_FLARE, BACK_ARCHES, BACK_PRESSED, CONTACT_LOST -> Set.of("top");
            case BREATH_HELD -> Set.of("face");
            case PELVIS_ROCKS -> Set.of("lap", "legging");
            case NECK_SHOULDERS -> Set.of("face", "hair", "neck", "skin");
            default -> Set.of();
        };
    }

    @Test
    void in_the_trainer_two_pictures_differ_where_the_sign_is() {
        List<SignCode> shown = Arrays.stream(SignCode.values())
                .filter(sign -> !seenIn(sign).isEmpty())
                .toList();
        for (Rung rung : RUNGS) {
            if (rung.family() == null || rung.position() == Position.SIDE) {
                continue;
            }
            Spotted beside = Spotted.beside(rung, HER, shown);
            Spotted feet = Spotted.fromHerFeet(rung, HER, shown);
            Spotted face = Spotted.face(rung, HER, shown);
            for (SignCode sign : shown) {
                if (!SignOnBody.drawn(sign, rung)) {
                    continue;
                }
                Set<String> kinds = new TreeSet<>(changed(beside, sign, 0.7));
                kinds.addAll(changed(feet, sign, 0.7));
                kinds.addAll(changed(face, sign, 0.7));
                assertThat(kinds).as(rung.code() + " " + sign).containsAnyElementsOf(seenIn(sign));
                if (sign != SignCode.NECK_SHOULDERS) {
                    assertThat(kinds)
                            .as(rung.code() + " " + sign + " leaves the arms alone")
                            .noneMatch(kind -> kind.startsWith("skin-") || kind.startsWith("top-"));
                }
            }
        }
    }

    @Test
    void a_body_that_shows_nothing_changes_by_its_breath_alone() {
        Rung rung = RUNGS.stream()
                .filter(each -> each.code().equals("F3"))
                .findFirst()
                .orElseThrow();
        Spotted her = Spotted.beside(rung, HER, List.of(SignCode.RUSHED));
        assertThat(her.changes().get("RUSHED")).containsOnlyNulls();
        assertThat(her.changes().get(Spotted.BREATH)).anyMatch(change -> change != null && greatest(change) > 0.7);
        assertThat(her.figure().body())
                .extracting(Figure.Stroke::kind)
                .as("nothing gives it away")
                .doesNotContain("sign", "mark", "way", "judged");
    }

    @ParameterizedTest
    @EnumSource(
            value = SignCode.class,
            mode = EnumSource.Mode.EXCLUDE,
            names = {"TIRED", "RUSHED", "PAIN", "HEAVY", "LEAK"})
    void every_sign_that_can_be_seen_has_a_picture_with_its_place_on_some_exercise(SignCode sign) {
        List<Rung> with =
                RUNGS.stream().filter(rung -> SignOnBody.drawn(sign, rung)).toList();
        assertThat(with).isNotEmpty();
        for (Rung rung : with) {
            Figure figure = FigureDrawing.sign(rung, HER, rung.perSide() ? Side.LEFT : null, 1, sign);
            Figure.Stroke place = figure.body().get(figure.body().size() - 1);
            assertThat(place.kind()).isEqualTo("sign");
            double[] xy = place.frames().get(0);
            List<Double> inside = new ArrayList<>();
            for (int i = 0; i < xy.length; i += 2) {
                boolean within = xy[i] > figure.box().x()
                        && xy[i] < figure.box().x() + figure.box().width()
                        && xy[i + 1] > figure.box().y()
                        && xy[i + 1] < figure.box().y() + figure.box().height();
                inside.add(within ? 1.0 : 0.0);
            }
            assertThat(inside.stream().mapToDouble(value -> value).average().orElse(0))
                    .as(rung.code() + ": the place is in the picture")
                    .isGreaterThan(0.95);
        }
    }

    @Test
    void what_is_only_felt_or_timed_has_no_picture() {
        for (Rung rung : RUNGS) {
            assertThat(FigureDrawing.signsOf(rung))
                    .as(rung.code())
                    .doesNotContain(SignCode.PAIN, SignCode.LEAK, SignCode.HEAVY, SignCode.RUSHED);
        }
    }

    @Test
    void a_belly_sinks_only_on_hands_and_knees_and_a_rod_is_needed_to_lose_its_touch() {
        for (Rung rung : RUNGS) {
            assertThat(FigureDrawing.signsOf(rung).contains(SignCode.BELLY_DROPS))
                    .as(rung.code())
                    .isEqualTo(rung.position() == Position.HANDS_KNEES);
        }
        assertThat(RUNGS.stream()
                        .filter(each -> FigureDrawing.signsOf(each).contains(SignCode.CONTACT_LOST))
                        .map(Rung::code))
                .contains("HK1");
    }
}
