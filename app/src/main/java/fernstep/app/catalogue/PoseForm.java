package fernstep.app.catalogue;

import fernstep.core.body.ArmContact;
import fernstep.core.body.ArmPose;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.LegContact;
import fernstep.core.body.LegPose;
import fernstep.core.body.Pose;
import fernstep.core.body.TrunkPose;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The end pose of a rung in the making: a posture with other angles, as numbers beside the figure. */
record PoseForm(String posture, Map<String, String> values) {

    /** The angles that can be dragged or typed, by their names in the form. */
    static final List<String> ANGLES = List.of(
            "workingHip",
            "workingKnee",
            "otherHip",
            "otherKnee",
            "workingShoulder",
            "workingElbow",
            "otherShoulder",
            "otherElbow",
            "pitch");

    /** A posture as it is, to start from. */
    static PoseForm of(String posture, Pose pose) {
        return new PoseForm(
                posture,
                Map.ofEntries(
                        Map.entry("workingHip", plain(pose.left().hipDeg())),
                        Map.entry("workingKnee", plain(pose.left().kneeDeg())),
                        Map.entry("workingOn", pose.left().on().name()),
                        Map.entry("otherHip", plain(pose.right().hipDeg())),
                        Map.entry("otherKnee", plain(pose.right().kneeDeg())),
                        Map.entry("otherOn", pose.right().on().name()),
                        Map.entry("workingShoulder", plain(pose.leftArm().shoulderDeg())),
                        Map.entry("workingElbow", plain(pose.leftArm().elbowDeg())),
                        Map.entry("workingArmOn", pose.leftArm().on().name()),
                        Map.entry("otherShoulder", plain(pose.rightArm().shoulderDeg())),
                        Map.entry("otherElbow", plain(pose.rightArm().elbowDeg())),
                        Map.entry("otherArmOn", pose.rightArm().on().name()),
                        Map.entry("pitch", plain(pose.trunk().pitchDeg()))));
    }

    private static String plain(double deg) {
        return String.valueOf(Math.round(deg));
    }

    /** @throws ImpossiblePose for an angle no joint has */
    Pose pose(Pose from) {
        TrunkPose t = from.trunk();
        return from.withTrunk(new TrunkPose(
                        deg("pitch", t.pitchDeg()), t.spineDeg(), t.neckDeg(), t.pelvisDeg(), t.on(), t.cushionShare()))
                .withLegs(leg("working", from.left()), leg("other", from.right()))
                .withArms(arm("working", from.leftArm()), arm("other", from.rightArm()));
    }

    private LegPose leg(String which, LegPose from) {
        LegContact on =
                LegContact.valueOf(values.getOrDefault(which + "On", from.on().name()));
        double share = on == from.on() ? from.floorShare() : on.usualShare();
        return new LegPose(
                deg(which + "Hip", from.hipDeg()),
                deg(which + "Knee", from.kneeDeg()),
                from.sweepDeg(),
                from.outDeg(),
                on,
                share);
    }

    private ArmPose arm(String which, ArmPose from) {
        return new ArmPose(
                deg(which + "Shoulder", from.shoulderDeg()),
                deg(which + "Elbow", from.elbowDeg()),
                from.outDeg(),
                ArmContact.valueOf(
                        values.getOrDefault(which + "ArmOn", from.on().name())),
                from.heldKg(),
                from.surfaceShare());
    }

    double deg(String field, double otherwise) {
        @Nullable String text = values.get(field);
        if (text == null || text.isBlank()) {
            return otherwise;
        }
        try {
            return Double.parseDouble(text.strip());
        } catch (NumberFormatException e) {
            throw new ImpossiblePose(field, "'" + text + "' is no angle", "in whole degrees");
        }
    }

    PoseForm with(String field, double deg) {
        Map<String, String> more = new java.util.HashMap<>(values);
        more.put(field, String.valueOf(deg));
        return new PoseForm(posture, more);
    }

    /** As it stands in a strand file. */
    Map<String, Object> asData() {
        Map<String, Object> pose = new LinkedHashMap<>();
        pose.put("from", posture);
        pose.put("trunk", Map.of("pitch", tenths("pitch")));
        for (String which : List.of("working", "other")) {
            pose.put(
                    which,
                    Map.of("hip", tenths(which + "Hip"), "knee", tenths(which + "Knee"), "on", code(which + "On")));
            pose.put(
                    which + "Arm",
                    Map.of(
                            "shoulder", tenths(which + "Shoulder"),
                            "elbow", tenths(which + "Elbow"),
                            "on", code(which + "ArmOn")));
        }
        return pose;
    }

    private double tenths(String field) {
        return Math.round(10 * deg(field, 0)) / 10.0;
    }

    private String code(String field) {
        return values.getOrDefault(field, "NONE");
    }
}
