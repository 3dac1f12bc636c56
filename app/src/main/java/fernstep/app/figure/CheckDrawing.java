package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Body;
import fernstep.core.body.Point3;
import fernstep.core.body.Pose;
import fernstep.core.body.Skeleton;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Prop;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.CheckSection;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** How each check is done: her, and hands at work where the check needs them. No picture serves two. */
public final class CheckDrawing {
    private static final Body HER = Body.of(null, null);
    private static final double EXAMINER_M = 1.70;
    private static final double HIGH_FOR_WIDE = 0.62;
    private static final Camera FROM_ABOVE = new Camera(0, 68);
    private static final Camera BESIDE_HER = new Camera(18, 22);

    private final Catalogue catalogue;

    public CheckDrawing(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    public Figure of(CheckSection section) {
        return switch (section) {
            case SEPARATION -> separation();
            case RIDGE -> ridge(BESIDE_HER, "ridge");
            case COUGH -> cough();
            case DEEP_CORE -> rung(Waymark.SET_FIRST);
            case PELVIC_FLOOR -> rung(Waymark.FLOOR_FIRST);
            case BREATH -> rung(Waymark.BREATH_FIRST);
            case LOW_BACK -> lowBack();
            case ALIGNMENT -> alignment();
            case DOME_PROFILE -> ridge(Camera.FLAT, "profile");
            case TOLERANCE -> rung(Waymark.BREATHS_MANY);
            case STRAW -> drawn(withProp(Prop.STRAW));
            case FLOAT -> rung(Waymark.FLOAT_3);
            case SCOOP -> rung(Waymark.SET_BY_SCOOP);
            case ROD -> rung(Waymark.NEUTRAL_FIRST);
            case HOVER -> rung(Waymark.HOVER_FIRST);
            case IMPACT -> {
                List<Rung> line = catalogue.strand(Strand.IMPACT).orElseThrow().mainLine();
                yield drawn(line.get(line.size() - 2));
            }
        };
    }

    private Rung withProp(Prop prop) {
        return catalogue.rungs().stream()
                .filter(rung -> rung.props().contains(prop))
                .findFirst()
                .orElseThrow();
    }

    private Figure rung(Waymark waymark) {
        return drawn(catalogue.at(waymark));
    }

    private static Figure drawn(Rung rung) {
        return FigureDrawing.of(rung, HER, rung.perSide() ? Side.LEFT : null, 1);
    }

    /** Lying with bent knees. */
    private Pose crook() {
        return catalogue.at(Waymark.FLOOR_FIRST).movement().full();
    }

    private Pose headLifted() {
        return catalogue.at(Waymark.CURL_FIRST).movement().full();
    }

    /** Two fingers in the gap, from above; the other sites are dots on the midline. */
    private Figure separation() {
        return picture(crook(), FROM_ABOVE, "section.SEPARATION", skeleton -> {
            Anatomy flesh = new Anatomy(skeleton, HER);
            List<Hull> dots = new ArrayList<>();
            for (double share : new double[] {0.16, 0.26, 0.46, 0.58}) {
                dots.add(Hull.of(Ball.round(flesh.onBelly(share, 0), 0.006)));
            }
            Point3 navel = flesh.onBelly(0.36, 0);
            return List.of(
                    new Extra("dot", dots),
                    hand(navel, skeleton.hip().minus(skeleton.shoulder()), new Point3(0, 0, 1), new Point3(0, 1, 0), 2),
                    forearm(
                            navel,
                            skeleton.hip().minus(skeleton.shoulder()),
                            new Point3(0, 0, 1),
                            new Point3(0, 1, 0)));
        });
    }

    private Figure cough() {
        return picture(crook(), BESIDE_HER, "section.COUGH", skeleton -> {
            Anatomy flesh = new Anatomy(skeleton, HER);
            Point3 low = flesh.onBelly(0.16, 0);
            Point3 toHer = new Point3(0, 0, -1);
            return List.of(
                    hand(low, toHer, new Point3(1, 0, 0), new Point3(0, 1, 0), 0),
                    forearm(low, toHer, new Point3(1, 0, 0), new Point3(0, 1, 0)));
        });
    }

    /** A flat hand slides in under the low back. */
    private Figure lowBack() {
        Pose arched = catalogue.at(Waymark.TILT_FIRST).movement().start();
        return picture(arched, BESIDE_HER, "section.LOW_BACK", skeleton -> {
            Point3 under = new Point3(skeleton.lowBack().x(), 0.02, 0.10);
            Point3 toHer = new Point3(0, 0, -1);
            return List.of(
                    hand(under, toHer, new Point3(1, 0, 0), new Point3(0, 0.4, 0), 0),
                    forearm(under, toHer, new Point3(1, 0, 0), new Point3(0, 0.4, 0)));
        });
    }

    private Figure ridge(Camera camera, String kind) {
        return picture(
                headLifted(), camera, kind.equals("ridge") ? "section.RIDGE" : "section.DOME_PROFILE", skeleton -> {
                    Anatomy flesh = new Anatomy(skeleton, HER);
                    List<Ball> bump = new ArrayList<>();
                    for (double share : new double[] {0.26, 0.36, 0.48}) {
                        bump.add(Ball.round(flesh.onBelly(share, 0), share == 0.36 ? 0.03 : 0.018));
                    }
                    List<Hull> marks = new ArrayList<>();
                    if (kind.equals("profile")) {
                        for (double share = 0.1; share < 0.75; share += 0.1) {
                            marks.add(Hull.of(Ball.round(
                                    flesh.onBelly(share, 0)
                                            .plus(Lines.front(skeleton).times(0.012)),
                                    0.009)));
                        }
                    }
                    return List.of(new Extra("sign", List.of(new Hull(bump))), new Extra("dot", marks));
                });
    }

    /** Ear, shoulder, lowest rib, hip bone: what stands over what. */
    private Figure alignment() {
        Pose standing = catalogue.at(Waymark.RIBS_OVER_PELVIS).movement().full();
        return picture(standing, Camera.FLAT, "section.ALIGNMENT", skeleton -> {
            Anatomy flesh = new Anatomy(skeleton, HER);
            List<Hull> dots = new ArrayList<>();
            for (Point3 at : List.of(
                    flesh.ear(Side.RIGHT), skeleton.shoulder(), flesh.onBelly(0.62, 0), flesh.onBelly(0.12, 0))) {
                dots.add(Hull.of(Ball.round(at, 0.016)));
            }
            return List.of(new Extra("dot", dots));
        });
    }

    /** What is drawn over her. */
    private record Extra(String kind, List<Hull> hulls) {}

    private static Extra hand(Point3 tips, Point3 along, Point3 across, Point3 away, int inTheGap) {
        return new Extra("hand", new ExaminerHand(tips, Spine.unit(along), across, away, EXAMINER_M).hulls(inTheGap));
    }

    private static Extra forearm(Point3 tips, Point3 along, Point3 across, Point3 away) {
        return new Extra("sleeve", new ExaminerHand(tips, Spine.unit(along), across, away, EXAMINER_M).forearm());
    }

    private Figure picture(Pose pose, Camera camera, String alt, Function<Skeleton, List<Extra>> extras) {
        Rung dressedAs = catalogue.at(Waymark.TILT_STEADY);
        Skeleton f = Skeleton.of(HER, pose);
        Stage stage = new Stage(List.of(f), camera);
        List<Stroke> strokes = new Painter(stage, dressedAs, HER, Side.LEFT).strokes();
        for (Extra extra : extras.apply(f)) {
            if (!extra.hulls().isEmpty()) {
                strokes.add(stage.flesh(extra.kind(), at -> extra.hulls()));
            }
        }
        List<Stroke> scene = new Scene(stage, dressedAs, HER).strokes();
        boolean whole = f.pose().position().upright();
        Figure.Box box = whole ? Figure.Box.around(strokes, scene, List.of()) : nearTheTrunk(stage, f);
        return new Figure(box, scene, List.of(), strokes, List.of(), Reason.of(alt));
    }

    /** From the head to the knees: what is looked at is large. */
    private static Figure.Box nearTheTrunk(Stage stage, Skeleton skeleton) {
        double[] head = stage.at(skeleton.head(), skeleton);
        double[] hip = stage.at(skeleton.hip(), skeleton);
        int left = (int) Math.min(head[0], hip[0]) - 12;
        int width = (int) Math.abs(head[0] - hip[0]) + 34;
        int height = (int) (width * HIGH_FOR_WIDE);
        int top = (int) ((head[1] + hip[1]) / 2 - height * 0.62);
        return new Figure.Box(left, top, width, height);
    }
}
