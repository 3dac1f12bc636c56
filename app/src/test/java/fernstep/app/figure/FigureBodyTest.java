package fernstep.app.figure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.LegContact;
import fernstep.core.body.Point3;
import fernstep.core.body.Pose;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.HandsAt;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CataloguePackage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A body that lies on the mat, rests its hands and stands on its feet: every rung, both sides, five moments, six bodies. */
class FigureBodyTest {
    private static final List<Rung> RUNGS = CataloguePackage.shipped().strands().stream()
            .flatMap(strand -> strand.rungs().stream())
            .toList();
    private static final int MOMENTS = 5;
    private static final double SINKS_IN_M = 0.01;

    static Stream<Body> bodies() {
        return Stream.of(Body.of(45.0, 150.0), Body.of(70.0, 165.0), Body.of(110.0, 180.0))
                .flatMap(body -> Stream.of(body, body.pregnant(32)));
    }

    private record Moment(Rung rung, Side side, double share, Body body) {
        Skeleton skeleton() {
            Pose pose = rung.movement().during(1, share);
            Skeleton skeleton = Skeleton.of(body, side == Side.RIGHT ? pose.mirrored() : pose);
            return new RestingHands(skeleton, body).at(rung.sight().hands(), side);
        }

        String name() {
            return "%s %s at %.2f, %.0f kg".formatted(rung.code(), side, share, body.massKg());
        }
    }

    private static List<Moment> moments(Body body) {
        List<Moment> all = new ArrayList<>();
        for (Rung rung : RUNGS) {
            for (Side side : Side.values()) {
                for (int moment = 0; moment < MOMENTS; moment++) {
                    all.add(new Moment(rung, side, moment / (MOMENTS - 1.0), body));
                }
            }
        }
        return all;
    }

    /** Half of its height: of a sum of three axes the greatest reach upward. */
    private static double halfHeight(Ball ball) {
        return Math.sqrt(Stream.of(ball.a(), ball.b(), ball.c())
                .mapToDouble(axis -> axis.y() * axis.y())
                .sum());
    }

    @ParameterizedTest
    @MethodSource("bodies")
    void nothing_goes_through_the_mat(Body body) {
        for (Moment moment : moments(body)) {
            double lowest = new Anatomy(moment.skeleton(), body)
                    .all().stream()
                            .flatMap(hull -> hull.balls().stream())
                            .mapToDouble(ball -> ball.centre().y() - halfHeight(ball))
                            .min()
                            .orElseThrow();
            assertThat(lowest).as(moment.name()).isGreaterThan(-0.01);
        }
    }

    /** Points along the middle of a limb's pieces, with the radius there. */
    private record Flesh(Point3 at, double radius) {
        static List<Flesh> of(List<Hull> hulls) {
            List<Flesh> all = new ArrayList<>();
            for (Hull hull : hulls) {
                for (int i = 1; i < hull.balls().size(); i++) {
                    Ball from = hull.balls().get(i - 1);
                    Ball to = hull.balls().get(i);
                    for (int step = 0; step <= 6; step++) {
                        Point3 at = from.centre()
                                .plus(to.centre().minus(from.centre()).times(step / 6.0));
                        all.add(new Flesh(at, halfHeight(from) + (halfHeight(to) - halfHeight(from)) * step / 6.0));
                    }
                }
            }
            return all;
        }

        static double deepest(List<Flesh> one, List<Flesh> other) {
            double deepest = -1;
            for (Flesh a : one) {
                for (Flesh b : other) {
                    deepest = Math.max(deepest, a.radius + b.radius - a.at.distance(b.at));
                }
            }
            return deepest;
        }
    }

    @ParameterizedTest
    @MethodSource("bodies")
    void no_limb_goes_through_another(Body body) {
        for (Moment moment : moments(body)) {
            Anatomy her = new Anatomy(moment.skeleton(), body);
            List<Flesh> head = Flesh.of(her.hair().subList(0, 1));
            for (Side side : Side.values()) {
                List<Flesh> forearm = Flesh.of(her.arm(side).subList(1, 4));
                List<Flesh> shank = Flesh.of(her.leg(side).subList(1, 3));
                for (Side leg : Side.values()) {
                    Hull thigh = her.leg(leg).get(0);
                    List<Flesh> lower = Flesh.of(List.of(new Hull(thigh.balls().subList(1, 4))));
                    assertThat(Flesh.deepest(forearm, lower))
                            .as(moment.name() + ": " + side + " forearm in the " + leg + " thigh")
                            .isLessThan(SINKS_IN_M);
                    if (leg != side) {
                        assertThat(Flesh.deepest(shank, lower))
                                .as(moment.name() + ": " + side + " shank in the other thigh")
                                .isLessThan(SINKS_IN_M);
                    }
                }
                assertThat(Flesh.deepest(forearm, head))
                        .as(moment.name() + ": " + side + " forearm in the head")
                        .isLessThan(SINKS_IN_M);
            }
            assertThat(Flesh.deepest(
                            Flesh.of(her.leg(Side.LEFT).subList(1, 3)),
                            Flesh.of(her.leg(Side.RIGHT).subList(1, 3))))
                    .as(moment.name() + ": shank in shank")
                    .isLessThan(SINKS_IN_M);
            assertThat(Flesh.deepest(
                            Flesh.of(her.arm(Side.LEFT).subList(1, 4)),
                            Flesh.of(her.arm(Side.RIGHT).subList(1, 4))))
                    .as(moment.name() + ": forearm in forearm")
                    .isLessThan(SINKS_IN_M);
        }
    }

    @ParameterizedTest
    @MethodSource("bodies")
    void what_bears_is_on_what_it_bears_on(Body body) {
        for (Moment moment : moments(body)) {
            Skeleton f = moment.skeleton();
            for (Side side : Side.values()) {
                if (f.pose().position() != Position.SIDE
                        && f.pose().leg(side).on() == LegContact.FOOT
                        && f.pose().leg(side).outDeg() == 0) {
                    assertThat(f.leg(side).ankle().y())
                            .as(moment.name() + ": ankle of a standing foot")
                            .isLessThan(0.055 * body.heightM());
                }
                if (f.pose().arm(side).on() == ArmContact.HAND
                        && f.pose().arm(side).surfaceShare() == 0
                        && f.pose().trunk().on() == TrunkContact.NONE) {
                    assertThat(f.arm(side).wrist().y())
                            .as(moment.name() + ": wrist of a bearing hand")
                            .isCloseTo(0.02 * body.heightM(), within(0.005));
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("bodies")
    void a_resting_hand_is_where_it_rests_and_the_arm_keeps_its_length(Body body) {
        for (Moment moment : moments(body)) {
            Skeleton f = moment.skeleton();
            Anatomy flesh = new Anatomy(f, body);
            HandsAt where = moment.rung().sight().hands();
            for (Side side : Side.values()) {
                if (f.pose().arm(side).on() != ArmContact.NONE) {
                    continue;
                }
                Skeleton.Arm arm = f.arm(side);
                double palm = arm.wrist().plus(arm.fingertip()).times(0.5).distance(flesh.onBelly(0.2, 0));
                if (where == HandsAt.BELLY) {
                    assertThat(palm).as(moment.name()).isLessThan(0.11 * body.heightM());
                }
                if (where == HandsAt.EARS) {
                    assertThat(arm.fingertip().distance(flesh.ear(side)))
                            .as(moment.name())
                            .isLessThan(0.05 * body.heightM());
                }
                if (where != HandsAt.POSE) {
                    assertThat(arm.elbow().distance(arm.shoulder()))
                            .as(moment.name() + ": upper arm")
                            .isCloseTo(0.186 * body.heightM(), within(0.05));
                }
            }
        }
    }

    @Test
    void start_and_end_differ_so_that_it_is_seen_or_a_sign_says_what_is_done() {
        for (Rung rung : RUNGS) {
            Figure figure = FigureDrawing.of(rung, Body.of(70.0, 165.0), rung.perSide() ? Side.LEFT : null, 1);
            boolean marked = figure.body().stream()
                    .anyMatch(stroke -> stroke.kind().equals("mark")
                            || stroke.kind().equals("way")
                            || stroke.kind().equals("judged"));
            assertThat(marked || !figure.ghost().isEmpty()).as(rung.code()).isTrue();
        }
    }

    @Test
    void a_movement_is_drawn_corner_by_corner_so_that_one_moment_can_be_turned_into_the_next() {
        for (Rung rung : RUNGS) {
            Figure figure = FigureDrawing.of(rung, Body.of(70.0, 165.0), rung.perSide() ? Side.LEFT : null, 1);
            for (Stroke stroke : figure.body()) {
                assertThat(stroke.frames())
                        .as(rung.code() + " " + stroke.kind())
                        .allMatch(frame -> frame.length == stroke.frames().get(0).length);
                if (stroke.corners() > 0) {
                    assertThat(stroke.frames().get(0).length % (2 * stroke.corners()))
                            .isZero();
                }
            }
        }
    }

    /** A ball seen from anywhere is as wide as it is. */
    @Test
    void the_outline_of_a_ball_is_a_circle_from_everywhere() {
        for (int yaw = -90; yaw <= 90; yaw += 15) {
            double[] xy = Hull.of(Ball.round(new Point3(0, 1, 0), 0.1)).outline(new Camera(yaw, 20));
            double width = 0;
            for (int i = 0; i < xy.length; i += 2) {
                for (int j = 0; j < xy.length; j += 2) {
                    width = Math.max(width, Math.hypot(xy[i] - xy[j], xy[i + 1] - xy[j + 1]));
                }
            }
            assertThat(width).isCloseTo(20, within(0.01));
        }
    }

    @Test
    void a_limb_that_points_at_us_is_still_as_thick_as_it_is() {
        Hull toUs = Hull.of(Ball.round(new Point3(0, 1, 0), 0.05), Ball.round(new Point3(0, 1, 0.4), 0.03));
        double[] xy = toUs.outline(Camera.FLAT);
        double widest = 0;
        for (int i = 0; i < xy.length; i += 2) {
            widest = Math.max(widest, Math.abs(xy[i]));
        }
        assertThat(widest).isCloseTo(5, within(0.01));
    }

    @Test
    void she_who_weighs_more_is_broader_and_who_is_pregnant_has_a_belly() {
        Rung standing = RUNGS.stream()
                .filter(rung -> rung.code().equals("PF4"))
                .findFirst()
                .orElseThrow();
        Pose pose = standing.movement().full();
        assertThat(front(Body.of(110.0, 165.0), pose)).isGreaterThan(front(Body.of(55.0, 165.0), pose) + 0.01);
        assertThat(front(Body.of(60.0, 165.0).pregnant(36), pose))
                .isGreaterThan(front(Body.of(60.0, 165.0), pose) + 0.05);
    }

    /** How far her trunk reaches forward, metres. */
    private static double front(Body body, Pose pose) {
        return new Anatomy(Skeleton.of(body, pose), body)
                .top().stream()
                        .flatMap(hull -> hull.balls().stream())
                        .mapToDouble(ball -> ball.centre().x()
                                + Math.sqrt(Stream.of(ball.a(), ball.b(), ball.c())
                                        .mapToDouble(axis -> axis.x() * axis.x())
                                        .sum()))
                        .max()
                        .orElseThrow();
    }

    private static int compressed(String text) {
        try (ByteArrayOutputStream bytes = new ByteArrayOutputStream()) {
            try (GZIPOutputStream zip = new GZIPOutputStream(bytes)) {
                zip.write(text.getBytes(StandardCharsets.UTF_8));
            }
            return bytes.size();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void figures_are_small_enough_for_a_phone() {
        StringBuilder catalogue = new StringBuilder();
        for (Rung rung : RUNGS) {
            Figure figure = FigureDrawing.of(rung, Body.of(70.0, 165.0), rung.perSide() ? Side.LEFT : null, 1);
            StringBuilder still = new StringBuilder();
            StringBuilder moving = new StringBuilder();
            Stream.of(figure.scene(), figure.ghost(), figure.body())
                    .flatMap(List::stream)
                    .forEach(stroke -> {
                        still.append(stroke.kind()).append(stroke.d());
                        moving.append(stroke.data());
                    });
            catalogue.append(still);
            assertThat(compressed(still.toString())).as(rung.code() + " still").isLessThan(14_000);
            assertThat(compressed(still.toString() + moving))
                    .as(rung.code() + " moving")
                    .isLessThan(30_000);
        }
        int all = compressed(catalogue.toString());
        System.out.println("all figures, still, compressed: " + all + " bytes");
        assertThat(all).isLessThan(400_000);
    }
}
