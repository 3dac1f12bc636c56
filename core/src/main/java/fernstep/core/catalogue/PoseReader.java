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

    private Pose pose(YamlPart p) {
        @Nullable Pose from = p.has("from") ? read(p, "from") : null;
        try {
            Pose pose = new Pose(
                    p.has("position") || from == null ? p.code("position", Position.class) : from.position(),
                    trunk(p, from == null ? TRUNK : from.trunk()),
                    leg(p, "working", leg(p, "legs", from == null ? LEG : from.left())),
                    leg(p, "other", leg(p, "legs", from == null ? LEG : from.right())),
                    arm(p, "workingArm", arm(p, "arms", from == null ? ARM : from.leftArm())),
                    arm(p, "otherArm", arm(p, "arms", from == null ? ARM : from.rightArm())),
                    from == null ? Side.LEFT : from.lower());
            p.nothingElse();
            return pose;
        } catch (ImpossiblePose e) {
            throw p.problem("", e.getMessage());
        }
    }

    private static TrunkPose trunk(YamlPart p, TrunkPose from) {
        return p.optionalPart("trunk")
                .map(t -> {
                    TrunkPose trunk = new TrunkPose(
                            t.number("pitch", from.pitchDeg()),
                            t.number("spine", from.spineDeg()),
                            t.number("neck", from.neckDeg()),
                            t.number("pelvis", from.pelvisDeg()),
                            t.has("on") ? t.code("on", TrunkContact.class) : from.on(),
                            t.number("cushion", from.cushionShare()));
                    t.nothingElse();
                    return trunk;
                })
                .orElse(from);
    }

    private static LegPose leg(YamlPart p, String field, LegPose from) {
        return p.optionalPart(field)
                .map(l -> {
                    LegContact on = l.has("on") ? l.code("on", LegContact.class) : from.on();
                    double rests = on == from.on() ? from.floorShare() : on.onSole() ? 1 : 0;
                    LegPose leg = new LegPose(
                            l.number("hip", from.hipDeg()),
                            l.number("knee", from.kneeDeg()),
                            l.number("sweep", from.sweepDeg()),
                            l.number("out", from.outDeg()),
                            on,
                            l.number("floor", rests));
                    l.nothingElse();
                    return leg;
                })
                .orElse(from);
    }

    private static ArmPose arm(YamlPart p, String field, ArmPose from) {
        return p.optionalPart(field)
                .map(a -> {
                    ArmPose arm = new ArmPose(
                            a.number("shoulder", from.shoulderDeg()),
                            a.number("elbow", from.elbowDeg()),
                            a.number("out", from.outDeg()),
                            a.has("on") ? a.code("on", ArmContact.class) : from.on(),
                            a.number("kg", from.heldKg()),
                            a.number("surface", from.surfaceShare()));
                    a.nothingElse();
                    return arm;
                })
                .orElse(from);
    }
}
