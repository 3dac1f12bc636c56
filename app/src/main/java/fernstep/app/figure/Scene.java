package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.ArmContact;
import fernstep.core.body.Body;
import fernstep.core.body.LegContact;
import fernstep.core.body.Point3;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.Prop;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What stands around her: mat, bed, wedge, wall, chair, step, where the end pose has them. Metres. */
record Scene(Stage stage, Rung rung, Body body) {
    private static final double MAT_THICK = 0.012;
    private static final double MATTRESS_THICK = 0.16;
    private static final double MAT_BEYOND = 0.10;
    private static final double MAT_HALF_WIDTH = 0.33;

    List<Stroke> strokes() {
        List<Stroke> scene = new ArrayList<>();
        Skeleton f = stage.end();
        double[] along = stage.span(Point3::x);
        double[] across = stage.span(Point3::z);
        boolean bed = rung.props().contains(Prop.BED);
        boolean upright = f.pose().position().upright() && f.pose().position() != Position.KNEELING;
        double beyond = upright ? 0.04 : MAT_BEYOND;
        double nearZ = Math.max(upright ? 0.24 : MAT_HALF_WIDTH, across[1] + beyond);
        double farZ = Math.min(upright ? -0.24 : -MAT_HALF_WIDTH, across[0] - beyond);
        farZ += stage.turns() ? stage.besideHer().z() : 0;
        Double wall = wallX(f);
        if (wall != null) {
            boolean behind = wall < f.hip().x();
            double high = upright ? 1.06 * body.heightM() : stage.span(Point3::y)[1] + 0.08;
            slab(scene, "wall", behind ? wall - 0.03 : wall, behind ? wall : wall + 0.03, 0, high, farZ, nearZ);
        }
        slab(
                scene,
                bed ? "bed" : "mat",
                along[0] - beyond,
                along[1] + beyond,
                bed ? -MATTRESS_THICK : -MAT_THICK,
                0,
                farZ,
                nearZ);
        if (f.pose().position() == Position.INCLINED) {
            wedge(scene, f);
        }
        boolean sits = f.pose().trunk().on() == TrunkContact.SEAT;
        if (sits || rung.props().contains(Prop.CHAIR)) {
            chair(scene, f, sits);
        }
        if (rung.props().contains(Prop.TABLE)) {
            table(scene, f);
        }
        if (rung.props().contains(Prop.STEP)) {
            double high = Math.max(0.06, f.left().heel().y() - 0.01);
            Point3 shift = stage.shift(f);
            double heel = f.left().heel().x() + shift.x();
            double toe = f.left().toe().x() + shift.x();
            slab(scene, "step", Math.min(heel, toe) - 0.05, Math.max(heel, toe) + 0.06, 0, high, -0.26, 0.26);
        }
        return scene;
    }

    private void chair(List<Stroke> scene, Skeleton skeleton, boolean sits) {
        Point3 shift = stage.shift(skeleton);
        double seat = (0.285 - 0.075) * body.heightM();
        double x = skeleton.hip().x() + shift.x() - (sits ? 0 : 0.02);
        for (double leg : new double[] {x - 0.17, x + 0.13}) {
            for (double z : new double[] {-0.2, 0.2}) {
                slab(scene, "chair", leg - 0.02, leg + 0.02, 0, seat - 0.03, z - 0.02, z + 0.02);
            }
        }
        slab(scene, "chair", x - 0.22, x - 0.19, seat - 0.04, seat + 0.42, -0.21, 0.21);
        slab(scene, "chair", x - 0.2, x + 0.17, seat - 0.045, seat, -0.22, 0.22);
    }

    /** Its edge is under the hands that bear. */
    private void table(List<Stroke> scene, Skeleton skeleton) {
        Side bears = skeleton.pose().leftArm().on().onFloor() ? Side.LEFT : Side.RIGHT;
        double top = skeleton.arm(bears).wrist().y() - 0.018 * body.heightM();
        double edge = skeleton.arm(bears).wrist().x() + stage.shift(skeleton).x() - 0.05;
        for (double leg : new double[] {edge + 0.05, edge + 0.52}) {
            for (double z : new double[] {-0.36, 0.36}) {
                slab(scene, "chair", leg - 0.025, leg + 0.025, 0, top - 0.04, z - 0.025, z + 0.025);
            }
        }
        slab(scene, "chair", edge, edge + 0.58, top - 0.05, top, -0.42, 0.42);
    }

    private void wedge(List<Stroke> scene, Skeleton skeleton) {
        Point3 hip = skeleton.hip();
        double headX = skeleton.head().x() - 0.16;
        double rise = (skeleton.shoulder().y() - hip.y())
                / Math.max(0.05, hip.x() - skeleton.shoulder().x());
        double top = Math.max(0.05, rise * (hip.x() - headX) - 0.02);
        for (boolean topFace : new boolean[] {false, true}) {
            List<Ball> corners = new ArrayList<>();
            for (double z : new double[] {-0.3, 0.3}) {
                corners.add(corner(hip.x() + 0.02, 0, z));
                corners.add(corner(headX, top, z));
                if (!topFace) {
                    corners.add(corner(headX, 0, z));
                }
            }
            scene.add(fixed(topFace ? "wedge-top" : "wedge", corners));
        }
    }

    private static Ball corner(double x, double y, double z) {
        return Ball.round(new Point3(x, y, z), 0.003);
    }

    /** A box, with the face that is seen from above a little lighter. */
    private void slab(
            List<Stroke> scene, String kind, double x0, double x1, double y0, double y1, double z0, double z1) {
        for (boolean topFace : new boolean[] {false, true}) {
            List<Ball> corners = new ArrayList<>();
            for (double x : new double[] {x0, x1}) {
                for (double z : new double[] {z0, z1}) {
                    corners.add(corner(x, y1, z));
                    if (!topFace) {
                        corners.add(corner(x, y0, z));
                    }
                }
            }
            scene.add(fixed(topFace ? kind + "-top" : kind, corners));
        }
    }

    private Stroke fixed(String kind, List<Ball> corners) {
        return new Stroke(kind, List.of(new Hull(corners).outline(stage.camera())), Hull.CORNERS);
    }

    private @Nullable Double wallX(Skeleton skeleton) {
        double shift = stage.shift(skeleton).x();
        if (skeleton.pose().leftArm().on() == ArmContact.WALL) {
            return Math.max(
                            skeleton.leftArm().wrist().x(),
                            skeleton.rightArm().wrist().x())
                    + shift
                    + 0.018 * body.heightM();
        }
        if (skeleton.pose().left().on() == LegContact.WALL) {
            return skeleton.left().ankle().x() + shift + 0.039 * body.heightM() + 0.01;
        }
        return rung.props().contains(Prop.WALL) && skeleton.pose().position().upright()
                ? (Double) (skeleton.hip().x() + shift - 0.075 * body.heightM())
                : null;
    }
}
