package fernstep.core.catalogue;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Dial;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Movement;
import fernstep.core.body.Pose;
import fernstep.core.body.TrunkLoad;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Reads one strand file; the field list here is its schema. */
final class StrandReader {
    /** A range that a practitioner can feel: the load rises by at least this much from its easiest to its full end. */
    private static final double RANGE_WORTH_HAVING = 1.15;

    private static final double STILL_THE_SAME = 0.999;
    /** An easier position takes off at least this much. */
    private static final double EASIER_AT_MOST = 0.97;

    private static final int RANGES_TRIED = 4;
    private static final Body TRIED_ON = Body.of(68.0, 165.0);
    private static final List<Body> BODIES =
            List.of(TRIED_ON, Body.of(68.0, 165.0).pregnant(40));

    private StrandReader() {}

    static CatalogueStrand read(String file, String text, PoseReader poses) {
        YamlPart part = YamlPart.parse(file, text);
        Strand strand = part.code("strand", Strand.class);
        String name = part.text("name");
        Map<String, String> cues = new LinkedHashMap<>(part.textByCode("cues", Stances.Activation.class));
        cues.putAll(part.textByCode("spineCues", Stances.Spine.class));
        YamlPart usual = part.optionalPart("usual").orElse(YamlPart.empty(file));
        List<Rung> rungs = new ArrayList<>();
        for (YamlPart rungPart : part.parts("rungs")) {
            rungs.add(rung(rungPart, usual, poses, strand, rungs.size() + 1, cues));
        }
        if (rungs.isEmpty()) {
            throw part.problem("rungs", "a strand needs at least one rung");
        }
        usual.nothingElse();
        part.nothingElse();
        return new CatalogueStrand(strand, name, rungs);
    }

    /** What a rung does not say itself is as usual on its strand. */
    private static Rung rung(
            YamlPart part, YamlPart usual, PoseReader poses, Strand strand, int order, Map<String, String> strandCues) {
        Map<String, String> cues = new LinkedHashMap<>(strandCues);
        cues.putAll(part.textByCode("cues", Stances.Activation.class));
        cues.putAll(part.textByCode("spineCues", Stances.Spine.class));
        YamlPart tempo = own(part, usual, "tempo").part("tempo");
        Movement movement = movement(part, poses);
        LoadFamily family = own(part, usual, "family").has("family")
                ? own(part, usual, "family").code("family", LoadFamily.class)
                : null;
        Rung rung = new Rung(
                part.text("code"),
                part.text("name"),
                strand,
                order,
                own(part, usual, "aim").code("aim", Aim.class),
                movement.full().position(),
                part.flag("perSide", false),
                part.flag("loaded", false),
                window(part.part("window")),
                new Tempo(tempo.whole("lift"), tempo.whole("return"), tempo.whole("rest")),
                gates(part),
                movement,
                family,
                sight(part, usual),
                part.codes("props", Prop.class),
                own(part, usual, "watch").codes("watch", SignCode.class),
                own(part, usual, "levers").codes("levers", Lever.class),
                own(part, usual, "helpers").codes("helpers", Helper.class),
                part.flag("fromDayOne", false),
                variant(part, "upright", poses),
                variant(part, "easier", poses),
                part.optionalText("branchOf").orElse(null),
                part.texts("standIns"),
                part.text("howTo"),
                cues,
                part.text("caution"),
                part.codes("means", Waymark.class),
                own(part, usual, "shows").codes("shows", ActionMark.class),
                part.codes("asks", Strain.class));
        boolean everyCue = Arrays.stream(Stances.Activation.values())
                .allMatch(activation -> rung.cues().containsKey(activation.name()));
        if (!everyCue) {
            throw part.problem("code", rung.code() + " needs a cue for every activation stance");
        }
        if (rung.offers(Lever.RAISE_RANGE) && !rung.hasRange()) {
            throw part.problem("levers", rung.code() + " offers a range lever but has no range");
        }
        if (rung.offers(Lever.EASIER_POSITION) != (rung.easierPosition() != null)) {
            throw part.problem("levers", rung.code() + " must name its easier position where it offers that lever");
        }
        checkRange(part, rung);
        checkEasier(part, rung);
        boolean needsHelper = rung.offers(Lever.ADD_HELPER) || rung.offers(Lever.SUPPORT);
        if (needsHelper && rung.helpers().isEmpty()) {
            throw part.problem("levers", rung.code() + " offers a helper lever but names no helper");
        }
        tempo.nothingElse();
        part.nothingElse();
        return rung;
    }

    private static Sight sight(YamlPart part, YamlPart usual) {
        usual.isKnown("sight");
        return part.has("sight") || usual.has("sight") ? Sight.read(part, usual) : Sight.USUAL;
    }

    private static YamlPart own(YamlPart part, YamlPart usual, String field) {
        usual.isKnown(field);
        return part.has(field) ? part : usual;
    }

    private static Window window(YamlPart part) {
        Optional<Span> reps = part.span("reps");
        Optional<Span> hold = part.span("holdS");
        Optional<Span> breaths = part.span("breaths");
        if (reps.isEmpty() && hold.isEmpty() && breaths.isEmpty()) {
            throw part.problem("window", "a window needs reps, holdS or breaths");
        }
        Window window = new Window(
                part.span("sets").orElse(new Span(1, 3)), reps.orElse(null), hold.orElse(null), breaths.orElse(null));
        part.nothingElse();
        return window;
    }

    private static List<RungGate> gates(YamlPart part) {
        List<RungGate> gates = new ArrayList<>();
        for (YamlPart g : part.parts("gates")) {
            gates.add(gate(g));
            g.nothingElse();
        }
        return gates;
    }

    /** A kind that is not known stops the start: it could only be read as open. */
    private static RungGate gate(YamlPart part) {
        if (part.has("topHeldWeeks")) {
            return new RungGate.TopHeldWeeks(part.text("rung"), part.whole("topHeldWeeks"));
        } else if (part.has("opened")) {
            return new RungGate.Opened(part.code("opened", GateCode.class));
        } else if (part.has("rung")) {
            return new RungGate.CleanRung(part.text("rung"), part.flag("bothSides", false));
        } else if (part.has("setGrade")) {
            return new RungGate.SetGrade(part.whole("setGrade"));
        } else if (part.flag("notPregnant", false)) {
            return new RungGate.NotPregnant();
        } else if (part.has("pregnantToWeek")) {
            return new RungGate.PregnantToWeek(part.whole("pregnantToWeek"));
        } else if (part.has("cleanWeeks")) {
            return new RungGate.CleanWeeks(part.whole("cleanWeeks"));
        } else if (part.flag("scoop", false)) {
            return new RungGate.Scoop();
        } else if (part.flag("firmMidline", false)) {
            return new RungGate.FirmMidline();
        } else if (part.has("anySide")) {
            return new RungGate.AnySide(part.text("anySide"));
        } else if (part.flag("breathControl", false)) {
            return new RungGate.BreathControl();
        } else if (part.has("weeksAfterBirth")) {
            return new RungGate.WeeksAfterBirth(part.whole("weeksAfterBirth"));
        } else if (part.flag("floorQuiet", false)) {
            return new RungGate.FloorQuiet();
        } else if (part.flag("floorReady", false)) {
            return new RungGate.FloorReady();
        } else if (part.has("eitherRung")) {
            return new RungGate.EitherRung(part.text("eitherRung"), part.text("or"));
        }
        throw part.problem("", "a gate of a kind that is not known: " + String.join(", ", part.names()));
    }

    private static Rung.@Nullable Variant variant(YamlPart part, String field, PoseReader poses) {
        return part.optionalPart(field)
                .map(yamlPart -> {
                    Movement movement = read(yamlPart, poses);
                    return new Rung.Variant(movement.full().position(), movement);
                })
                .orElse(null);
    }

    private static Movement movement(YamlPart part, PoseReader poses) {
        return read(part.part("move"), poses);
    }

    private static Movement read(YamlPart move, PoseReader poses) {
        Pose full = poses.read(move, "full");
        Pose start = move.has("start") ? poses.read(move, "start") : full;
        Pose startEasiest = move.has("startEasiest") ? poses.read(move, "startEasiest") : start;
        Pose easiest = move.has("easiest") ? poses.read(move, "easiest") : full;
        Dial dial = move.has("dial") ? move.code("dial", Dial.class) : Dial.HIP;
        move.nothingElse();
        Movement movement = new Movement(startEasiest, start, easiest, full, dial);
        try {
            for (int i = 0; i <= RANGES_TRIED; i++) {
                movement.peak(TRIED_ON, (double) i / RANGES_TRIED);
                TrunkLoad.of(TRIED_ON, movement.startAt((double) i / RANGES_TRIED));
            }
        } catch (ImpossiblePose e) {
            throw move.problem("", e.getMessage());
        }
        return movement;
    }

    private static void checkRange(YamlPart part, Rung rung) {
        if (!rung.hasRange()) {
            return;
        }
        if (rung.family() == null) {
            throw part.problem(
                    "move", rung.code() + " has a range but no load family: nothing says what the range does");
        }
        for (Body body : BODIES) {
            double before = 0;
            for (int i = 0; i <= RANGES_TRIED; i++) {
                double index = rung.indexAt((double) i / RANGES_TRIED, body);
                if (index < before * STILL_THE_SAME) {
                    throw part.problem("move", rung.code() + ": the load falls while the range grows");
                }
                before = index;
            }
            double rises = before / rung.indexAt(0, body);
            if (rises < RANGE_WORTH_HAVING) {
                throw part.problem(
                        "move",
                        rung.code() + ": from its easiest to its full range the load rises by "
                                + Math.round(100 * (rises - 1)) + " %, less than 15 %: such a rung has no range");
            }
        }
    }

    private static void checkEasier(YamlPart part, Rung rung) {
        Rung.Variant easier = rung.easierPosition();
        if (easier == null || rung.family() == null) {
            return;
        }
        double index = easier.movement().peak(TRIED_ON, 1).loadIndex();
        if (index > EASIER_AT_MOST * rung.indexAt(0, TRIED_ON)) {
            throw part.problem("easier", rung.code() + ": its easier position asks no less of her");
        }
    }
}
