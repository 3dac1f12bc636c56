package fernstep.exchange.eval;

import fernstep.core.body.ArmContact;
import fernstep.core.body.ArmPose;
import fernstep.core.body.Body;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.LegContact;
import fernstep.core.body.LegPose;
import fernstep.core.body.Point3;
import fernstep.core.body.Pose;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.body.TrunkLoad;
import fernstep.core.body.TrunkPose;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.CaseProblem;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;

/** {@code op: "load"}: what a pose, or a rung at a range, asks of the trunk. */
final class LoadOp implements Operation {
    private final Supplier<Catalogue> catalogue;

    LoadOp(Supplier<Catalogue> catalogue) {
        this.catalogue = catalogue;
    }

    /** Contacts as the case format names them. */
    enum Contact {
        BACK,
        SEAT,
        HEAD,
        FRONT,
        FLANK,
        LEFT_FOOT,
        LEFT_HEEL,
        LEFT_TOES,
        LEFT_KNEE,
        LEFT_HAND,
        LEFT_FOREARM,
        RIGHT_FOOT,
        RIGHT_HEEL,
        RIGHT_TOES,
        RIGHT_KNEE,
        RIGHT_HAND,
        RIGHT_FOREARM,
        WALL_FEET,
        WALL_HANDS
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        Body body = BodyReader.read(request);
        boolean byRung = request.has("rung");
        RungAsked asked = byRung ? rung(request) : null;
        Pose pose = asked == null ? pose(request.object("pose")) : asked.pose();
        request.nothingElse();
        try {
            Skeleton s = Skeleton.of(body, pose);
            TrunkLoad held = TrunkLoad.of(body, s);
            return asJson(body, s, asked == null ? held : asked.peak(body), held);
        } catch (ImpossiblePose e) {
            throw new CaseProblem("pose." + e.field(), String.valueOf(e.getMessage()), e.allowed());
        }
    }

    /** A rung at a range: its load is the greatest on the way, its joints are those of the end. */
    private record RungAsked(Rung rung, Side side, double range) {
        Pose pose() {
            Pose pose = rung.movement().at(range);
            return side == Side.RIGHT ? pose.mirrored() : pose;
        }

        TrunkLoad peak(Body body) {
            TrunkLoad left = rung.movement().peak(body, range);
            return side == Side.LEFT ? left : left.mirrored();
        }
    }

    private RungAsked rung(CaseObject request) {
        Rung rung = RungReader.read(request, "rung", catalogue.get());
        Side side = request.optionalCode("side", Side.class).orElse(Side.LEFT);
        return new RungAsked(
                rung,
                side,
                request.optionalNumber("range", Range.RANGE_FRACTION).orElse(1.0));
    }

    private static Pose pose(CaseObject p) {
        try {
            Position position = p.code("position", Position.class);
            Set<Contact> contacts = p.codes("contacts", Contact.class);
            double weight =
                    p.optionalNumber("handWeightKg", Range.HAND_WEIGHT_KG).orElse(0.0);
            double pitch = p.optionalNumber("trunkPitch", Range.ANGLE_DEG).orElse(0.0);
            Side lower = p.optionalCode("lower", Side.class).orElse(Side.LEFT);
            CaseObject left = p.object("left");
            CaseObject right = p.object("right");
            Pose pose = new Pose(
                    position,
                    new TrunkPose(pitch, 0, 0, 0, trunk(contacts), 0),
                    leg(left, contacts, Side.LEFT),
                    leg(right, contacts, Side.RIGHT),
                    arm(left, contacts, Side.LEFT, weight),
                    arm(right, contacts, Side.RIGHT, weight),
                    lower);
            left.nothingElse();
            right.nothingElse();
            p.nothingElse();
            return pose;
        } catch (ImpossiblePose e) {
            throw p.problem(e.field(), String.valueOf(e.getMessage()), e.allowed());
        }
    }

    private static TrunkContact trunk(Set<Contact> contacts) {
        return contacts.contains(Contact.BACK)
                ? TrunkContact.BACK
                : contacts.contains(Contact.SEAT)
                        ? TrunkContact.SEAT
                        : contacts.contains(Contact.FRONT)
                                ? TrunkContact.FRONT
                                : contacts.contains(Contact.FLANK) ? TrunkContact.FLANK : TrunkContact.NONE;
    }

    private static LegPose leg(CaseObject side, Set<Contact> contacts, Side which) {
        LegContact on = contacts.contains(Contact.WALL_FEET) ? LegContact.WALL : LegContact.NONE;
        for (LegContact each : new LegContact[] {LegContact.FOOT, LegContact.HEEL, LegContact.TOES, LegContact.KNEE}) {
            on = contacts.contains(Contact.valueOf(which + "_" + each)) ? each : on;
        }
        return new LegPose(
                angle(side, "hip"),
                angle(side, "knee"),
                angle(side, "sweep"),
                angle(side, "out"),
                on,
                on == LegContact.FOOT ? 1 : 0);
    }

    private static ArmPose arm(CaseObject side, Set<Contact> contacts, Side which, double weightKg) {
        ArmContact on = contacts.contains(Contact.WALL_HANDS) ? ArmContact.WALL : ArmContact.NONE;
        for (ArmContact each : new ArmContact[] {ArmContact.HAND, ArmContact.FOREARM}) {
            on = contacts.contains(Contact.valueOf(which + "_" + each)) ? each : on;
        }
        return new ArmPose(
                angle(side, "shoulder"),
                angle(side, "elbow"),
                side.optionalNumber("armOut", Range.ANGLE_DEG).orElse(0.0),
                on,
                weightKg,
                0);
    }

    private static double angle(CaseObject side, String field) {
        return side.optionalNumber(field, Range.ANGLE_DEG).orElse(0.0);
    }

    private static Map<String, Object> asJson(Body body, Skeleton s, TrunkLoad load, TrunkLoad held) {
        return Json.object(
                "bendingNm",
                Json.rounded(load.bendingNm()),
                "turningNm",
                Json.rounded(load.turningNm()),
                "lateralNm",
                Json.rounded(load.lateralNm()),
                "loadIndex",
                Json.rounded(load.loadIndex()),
                "holdIndex",
                Json.rounded(held.loadIndex()),
                "heelHeightCm",
                Json.object("left", heel(body, s, Side.LEFT), "right", heel(body, s, Side.RIGHT)),
                "joints",
                joints(s),
                "assumed",
                body.assumed());
    }

    /** A heel or foot in contact has height 0. */
    private static double heel(Body body, Skeleton s, Side side) {
        boolean bears = s.pose().leg(side).on().onFloor();
        return bears ? 0 : Numbers.rounded(s.leg(side).heelHeightCm(body), 2);
    }

    private static Map<String, Object> joints(Skeleton s) {
        Map<String, Object> joints = new LinkedHashMap<>();
        joints.put("hip", point(s.hip()));
        joints.put("shoulder", point(s.shoulder()));
        joints.put("head", point(s.head()));
        for (Side side : Side.values()) {
            String name = side == Side.LEFT ? "left" : "right";
            joints.put(name + "Hip", point(s.leg(side).hip()));
            joints.put(name + "Knee", point(s.leg(side).knee()));
            joints.put(name + "Ankle", point(s.leg(side).ankle()));
            joints.put(name + "Toe", point(s.leg(side).toe()));
            joints.put(name + "Shoulder", point(s.arm(side).shoulder()));
            joints.put(name + "Elbow", point(s.arm(side).elbow()));
            joints.put(name + "Wrist", point(s.arm(side).wrist()));
        }
        return joints;
    }

    private static Map<String, Object> point(Point3 p) {
        return Json.object(
                "x", Numbers.rounded(p.x(), 4), "y", Numbers.rounded(p.y(), 4), "z", Numbers.rounded(p.z(), 4));
    }
}
