package fernstep.core.catalogue;

import fernstep.core.body.ArmContact;
import fernstep.core.body.ArmPose;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.LegContact;
import fernstep.core.body.LegPose;
import fernstep.core.body.Pose;
import fernstep.core.body.Position;
import fernstep.core.body.TrunkContact;
import fernstep.core.body.TrunkPose;
import fernstep.core.measure.Side;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Reads poses: a posture by its name, or {@code from} a posture with what differs. {@code working} is the left side,
 * {@code other} the right; {@code legs} and {@code arms} say both at once.
 */
final class PoseReader {
    private static final LegPose LEG = LegPose.free(0, 0);
    private static final ArmPose ARM = ArmPose.free(0, 0);
    private static final TrunkPose TRUNK = TrunkPose.on(TrunkContact.NONE);

    private final Map<String, Pose> postures = new LinkedHashMap<>();

    /** Named postures; one may start from another above it. */
    static PoseReader withPostures(String file, String text) {
        PoseReader reader = new PoseReader();
        YamlPart all = YamlPart.parse(file, text).part("postures");
        for (String name : all.names()) {
            reader.postures.put(name, reader.pose(all.part(name)));
        }
        return reader;
    }

    Map<String, Pose> postures() {
        return Collections.unmodifiableMap(postures);
    }

    /** The pose under this field. */
    Pose read(YamlPart holder, String field) {
        if (holder.isText(field)) {
            String name = holder.text(field);
            Pose named = postures.get(name);
            if (named == null) {
                throw holder.problem(
                        field, "no posture " + name + "; known are " + String.join(", ", postures.keySet()));
            }
            return named;
        }
        return pose(holder.part(field));
    }

    private Pose pose(YamlPart part) {
        @Nullable Pose from = part.has("from") ? read(part, "from") : null;
        try {
            Pose pose = new Pose(
                    part.has("position") || from == null ? part.code("position", Position.class) : from.position(),
                    trunk(part, from == null ? TRUNK : from.trunk()),
                    leg(part, "working", leg(part, "legs", from == null ? LEG : from.left())),
                    leg(part, "other", leg(part, "legs", from == null ? LEG : from.right())),
                    arm(part, "workingArm", arm(part, "arms", from == null ? ARM : from.leftArm())),
                    arm(part, "otherArm", arm(part, "arms", from == null ? ARM : from.rightArm())),
                    from == null ? Side.LEFT : from.lower());
            part.nothingElse();
            return pose;
        } catch (ImpossiblePose e) {
            throw part.problem("", e.getMessage());
        }
    }

    private static TrunkPose trunk(YamlPart part, TrunkPose from) {
        return part.optionalPart("trunk")
                .map(yamlPart -> {
                    TrunkPose trunk = new TrunkPose(
                            yamlPart.number("pitch", from.pitchDeg()),
                            yamlPart.number("spine", from.spineDeg()),
                            yamlPart.number("neck", from.neckDeg()),
                            yamlPart.number("pelvis", from.pelvisDeg()),
                            yamlPart.has("on") ? yamlPart.code("on", TrunkContact.class) : from.on(),
                            yamlPart.number("cushion", from.cushionShare()));
                    yamlPart.nothingElse();
                    return trunk;
                })
                .orElse(from);
    }

    private static LegPose leg(YamlPart part, String field, LegPose from) {
        return part.optionalPart(field)
                .map(yamlPart -> {
                    LegContact on = yamlPart.has("on") ? yamlPart.code("on", LegContact.class) : from.on();
                    double rests = on == from.on() ? from.floorShare() : on.usualShare();
                    LegPose leg = new LegPose(
                            yamlPart.number("hip", from.hipDeg()),
                            yamlPart.number("knee", from.kneeDeg()),
                            yamlPart.number("sweep", from.sweepDeg()),
                            yamlPart.number("out", from.outDeg()),
                            on,
                            yamlPart.number("floor", rests));
                    yamlPart.nothingElse();
                    return leg;
                })
                .orElse(from);
    }

    private static ArmPose arm(YamlPart part, String field, ArmPose from) {
        return part.optionalPart(field)
                .map(yamlPart -> {
                    ArmPose arm = new ArmPose(
                            yamlPart.number("shoulder", from.shoulderDeg()),
                            yamlPart.number("elbow", from.elbowDeg()),
                            yamlPart.number("out", from.outDeg()),
                            yamlPart.has("on") ? yamlPart.code("on", ArmContact.class) : from.on(),
                            yamlPart.number("kg", from.heldKg()),
                            yamlPart.number("surface", from.surfaceShare()));
                    yamlPart.nothingElse();
                    return arm;
                })
                .orElse(from);
    }
}
