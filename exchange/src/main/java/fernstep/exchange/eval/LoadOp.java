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

    private static Pose pose(CaseObject object) {
        try {
            Position position = object.code("position", Position.class);
            Set<Contact> contacts = object.codes("contacts", Contact.class);
            double weight =
                    object.optionalNumber("handWeightKg", Range.HAND_WEIGHT_KG).orElse(0.0);
            double pitch = object.optionalNumber("trunkPitch", Range.ANGLE_DEG).orElse(0.0);
            Side lower = object.optionalCode("lower", Side.class).orElse(Side.LEFT);
            CaseObject left = object.object("left");
            CaseObject right = object.object("right");
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
            object.nothingElse();
            return pose;
        } catch (ImpossiblePose e) {
            throw object.problem(e.field(), String.valueOf(e.getMessage()), e.allowed());
        }
    }

    private static TrunkContact trunk(Set<Contact> contacts) {
        if (contacts.contains(Contact.BACK)) {
            return TrunkContact.BACK;
        }
        if (contacts.contains(Contact.SEAT)) {
            return TrunkContact.SEAT;
        }
        if (contacts.contains(Contact.FRONT)) {
            return TrunkContact.FRONT;
        }
        return contacts.contains(Contact.FLANK) ? TrunkContact.FLANK : TrunkContact.NONE;
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

    private static Map<String, Object> asJson(Body body, Skeleton skeleton, TrunkLoad load, TrunkLoad held) {
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
                Json.object("left", heel(body, skeleton, Side.LEFT), "right", heel(body, skeleton, Side.RIGHT)),
                "joints",
                joints(skeleton),
                "assumed",
                body.assumed());
    }

    /** A heel or foot in contact has height 0. */
    private static double heel(Body body, Skeleton skeleton, Side side) {
        boolean bears = skeleton.pose().leg(side).on().onFloor();
        return bears ? 0 : Numbers.rounded(skeleton.leg(side).heelHeightCm(body), 2);
    }

    private static Map<String, Object> joints(Skeleton skeleton) {
        Map<String, Object> joints = new LinkedHashMap<>();
        joints.put("hip", point(skeleton.hip()));
        joints.put("shoulder", point(skeleton.shoulder()));
        joints.put("head", point(skeleton.head()));
        for (Side side : Side.values()) {
            String name = side == Side.LEFT ? "left" : "right";
            joints.put(name + "Hip", point(skeleton.leg(side).hip()));
            joints.put(name + "Knee", point(skeleton.leg(side).knee()));
            joints.put(name + "Ankle", point(skeleton.leg(side).ankle()));
            joints.put(name + "Toe", point(skeleton.leg(side).toe()));
            joints.put(name + "Shoulder", point(skeleton.arm(side).shoulder()));
            joints.put(name + "Elbow", point(skeleton.arm(side).elbow()));
            joints.put(name + "Wrist", point(skeleton.arm(side).wrist()));
        }
        return joints;
    }

    private static Map<String, Object> point(Point3 point) {
        return Json.object(
                "x",
                Numbers.rounded(point.x(), 4),
                "y",
                Numbers.rounded(point.y(), 4),
                "z",
                Numbers.rounded(point.z(), 4));
    }
}
