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
import fernstep.core.catalogue.View;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What stands around her. */
record Scene(Stage stage, Rung rung, Body body) {
    /** How thick a mattress is drawn, in units of the picture. */
    private static final double BED_DEPTH = 7;

    /** Floor, bed, wedge, wall, chair, step: drawn where the end pose needs them. */
    List<Stroke> strokes() {
        List<Stroke> scene = new ArrayList<>();
        Skeleton f = stage.end();
        if (stage.view() == View.FEET) {
            double far = stage.flat(new Point3(-0.55, 0, 0), 0)[1];
            double near = stage.flat(new Point3(0.75, 0, 0), 0)[1];
            scene.add(fixed("mat", -34, far, 34, far, 42, near, -42, near, -34, far));
            return scene;
        }
        double[] span = stage.span();
        scene.add(fixed("floor", span[0] - 12, 0.5, span[1] + 12, 0.5));
        if (rung.props().contains(Prop.BED)) {
            double from = span[0] - 12;
            double to = span[1] + 12;
            scene.add(fixed("step", from, 0.5, to, 0.5, to, BED_DEPTH, from, BED_DEPTH, from, 0.5));
        }
        if (f.pose().position() == Position.INCLINED) {
            double[] hip = stage.at(f.hip(), f);
            double[] shoulder = stage.at(f.shoulder(), f);
            scene.add(fixed(
                    "wedge", hip[0] - 4, 0, shoulder[0] - 8, 0, shoulder[0] - 8, shoulder[1] + 11, hip[0] - 4, 0));
        }
        Double wall = wallX(f);
        if (wall != null) {
            scene.add(fixed("wall", wall, 0, wall, -150));
        }
        if (f.pose().trunk().on() == TrunkContact.SEAT || rung.props().contains(Prop.CHAIR)) {
            double seat = -Stage.CM * (0.285 - 0.06) * body.heightM();
            double x = stage.at(f.hip(), f)[0];
            scene.add(fixed("chair", x + 12, 0, x + 12, seat, x - 16, seat, x - 16, 0));
        }
        if (rung.props().contains(Prop.STEP)) {
            double[] heel = stage.at(f.left().heel(), f);
            double[] toe = stage.at(f.left().toe(), f);
            scene.add(fixed("step", heel[0] - 4, 0, heel[0] - 4, heel[1], toe[0] + 6, heel[1], toe[0] + 6, 0));
        }
        return scene;
    }

    private @Nullable Double wallX(Skeleton f) {
        if (f.pose().leftArm().on() == ArmContact.WALL) {
            return Math.max(
                            stage.at(f.leftArm().wrist(), f)[0],
                            stage.at(f.rightArm().wrist(), f)[0])
                    + 2;
        }
        if (f.pose().left().on() == LegContact.WALL) {
            return stage.at(f.left().ankle(), f)[0] + Stage.CM * 0.039 * body.heightM() + 1;
        }
        return rung.props().contains(Prop.WALL) && f.pose().position().upright()
                ? (Double) (stage.at(f.hip(), f)[0] - 10.5)
                : null;
    }

    private static Stroke fixed(String kind, double... points) {
        return new Stroke(kind, List.of(points));
    }
}
