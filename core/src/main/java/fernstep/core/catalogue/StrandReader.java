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
            YamlPart p, YamlPart usual, PoseReader poses, Strand strand, int order, Map<String, String> strandCues) {
        Map<String, String> cues = new LinkedHashMap<>(strandCues);
        cues.putAll(p.textByCode("cues", Stances.Activation.class));
        cues.putAll(p.textByCode("spineCues", Stances.Spine.class));
        YamlPart tempo = own(p, usual, "tempo").part("tempo");
        Movement movement = movement(p, poses);
        LoadFamily family =
                own(p, usual, "family").has("family") ? own(p, usual, "family").code("family", LoadFamily.class) : null;
        Rung rung = new Rung(
                p.text("code"),
                p.text("name"),
                strand,
                order,
                own(p, usual, "aim").code("aim", Aim.class),
                movement.full().position(),
                p.flag("perSide", false),
                p.flag("loaded", false),
                window(p.part("window")),
                new Tempo(tempo.whole("lift"), tempo.whole("return"), tempo.whole("rest")),
                gates(p),
                movement,
                family,
                sight(p, usual),
                p.codes("props", Prop.class),
                own(p, usual, "watch").codes("watch", SignCode.class),
                own(p, usual, "levers").codes("levers", Lever.class),
                own(p, usual, "helpers").codes("helpers", Helper.class),
                p.flag("fromDayOne", false),
                variant(p, "upright", poses),
                variant(p, "easier", poses),
                p.optionalText("branchOf").orElse(null),
                p.texts("standIns"),
                p.text("howTo"),
                cues,
                p.text("caution"),
                p.codes("means", Waymark.class),
                own(p, usual, "shows").codes("shows", ActionMark.class),
                p.codes("asks", Strain.class));
        boolean everyCue = Arrays.stream(Stances.Activation.values())
                .allMatch(a -> rung.cues().containsKey(a.name()));
        if (!everyCue) {
            throw p.problem("code", rung.code() + " needs a cue for every activation stance");
        }
        if (rung.offers(Lever.RAISE_RANGE) && !rung.hasRange()) {
            throw p.problem("levers", rung.code() + " offers a range lever but has no range");
        }
        if (rung.offers(Lever.EASIER_POSITION) != (rung.easierPosition() != null)) {
            throw p.problem("levers", rung.code() + " must name its easier position where it offers that lever");
        }
        checkRange(p, rung);
        checkEasier(p, rung);
        boolean needsHelper = rung.offers(Lever.ADD_HELPER) || rung.offers(Lever.SUPPORT);
        if (needsHelper && rung.helpers().isEmpty()) {
            throw p.problem("levers", rung.code() + " offers a helper lever but names no helper");
        }
        tempo.nothingElse();
        p.nothingElse();
        return rung;
    }

    private static Sight sight(YamlPart p, YamlPart usual) {
        usual.isKnown("sight");
        return p.has("sight") || usual.has("sight") ? Sight.read(p, usual) : Sight.USUAL;
    }

    private static YamlPart own(YamlPart p, YamlPart usual, String field) {
        usual.isKnown(field);
        return p.has(field) ? p : usual;
    }

    private static Window window(YamlPart p) {
        Optional<Span> reps = p.span("reps");
        Optional<Span> hold = p.span("holdS");
        Optional<Span> breaths = p.span("breaths");
        if (reps.isEmpty() && hold.isEmpty() && breaths.isEmpty()) {
            throw p.problem("window", "a window needs reps, holdS or breaths");
        }
        Window window = new Window(
                p.span("sets").orElse(new Span(1, 3)), reps.orElse(null), hold.orElse(null), breaths.orElse(null));
        p.nothingElse();
        return window;
    }

    private static List<RungGate> gates(YamlPart p) {
        List<RungGate> gates = new ArrayList<>();
        for (YamlPart g : p.parts("gates")) {
            gates.add(gate(g));
            g.nothingElse();
        }
        return gates;
    }

    /** A kind that is not known stops the start: it could only be read as open. */
    private static RungGate gate(YamlPart g) {
        if (g.has("topHeldWeeks")) {
            return new RungGate.TopHeldWeeks(g.text("rung"), g.whole("topHeldWeeks"));
        } else if (g.has("opened")) {
            return new RungGate.Opened(g.code("opened", GateCode.class));
        } else if (g.has("rung")) {
            return new RungGate.CleanRung(g.text("rung"), g.flag("bothSides", false));
        } else if (g.has("setGrade")) {
            return new RungGate.SetGrade(g.whole("setGrade"));
        } else if (g.flag("notPregnant", false)) {
            return new RungGate.NotPregnant();
        } else if (g.has("pregnantToWeek")) {
            return new RungGate.PregnantToWeek(g.whole("pregnantToWeek"));
        } else if (g.has("cleanWeeks")) {
            return new RungGate.CleanWeeks(g.whole("cleanWeeks"));
        } else if (g.flag("scoop", false)) {
            return new RungGate.Scoop();
        } else if (g.flag("firmMidline", false)) {
            return new RungGate.FirmMidline();
        } else if (g.has("anySide")) {
            return new RungGate.AnySide(g.text("anySide"));
        } else if (g.flag("breathControl", false)) {
            return new RungGate.BreathControl();
        } else if (g.has("weeksAfterBirth")) {
            return new RungGate.WeeksAfterBirth(g.whole("weeksAfterBirth"));
        } else if (g.flag("floorQuiet", false)) {
            return new RungGate.FloorQuiet();
        } else if (g.flag("floorReady", false)) {
            return new RungGate.FloorReady();
        } else if (g.has("eitherRung")) {
            return new RungGate.EitherRung(g.text("eitherRung"), g.text("or"));
        }
        throw g.problem("", "a gate of a kind that is not known: " + String.join(", ", g.names()));
    }

    private static Rung.@Nullable Variant variant(YamlPart p, String field, PoseReader poses) {
        return p.optionalPart(field)
                .map(v -> {
                    Movement movement = read(v, poses);
                    return new Rung.Variant(movement.full().position(), movement);
                })
                .orElse(null);
    }

    private static Movement movement(YamlPart p, PoseReader poses) {
        return read(p.part("move"), poses);
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

    private static void checkRange(YamlPart p, Rung rung) {
        if (!rung.hasRange()) {
            return;
        }
        if (rung.family() == null) {
            throw p.problem("move", rung.code() + " has a range but no load family: nothing says what the range does");
        }
        for (Body body : BODIES) {
            double before = 0;
            for (int i = 0; i <= RANGES_TRIED; i++) {
                double index = rung.indexAt((double) i / RANGES_TRIED, body);
                if (index < before * STILL_THE_SAME) {
                    throw p.problem("move", rung.code() + ": the load falls while the range grows");
                }
                before = index;
            }
            double rises = before / rung.indexAt(0, body);
            if (rises < RANGE_WORTH_HAVING) {
                throw p.problem(
                        "move",
                        rung.code() + ": from its easiest to its full range the load rises by "
                                + Math.round(100 * (rises - 1)) + " %, less than 15 %: such a rung has no range");
            }
        }
    }

    private static void checkEasier(YamlPart p, Rung rung) {
        Rung.Variant easier = rung.easierPosition();
        if (easier == null || rung.family() == null) {
            return;
        }
        double index = easier.movement().peak(TRIED_ON, 1).loadIndex();
        if (index > EASIER_AT_MOST * rung.indexAt(0, TRIED_ON)) {
            throw p.problem("easier", rung.code() + ": its easier position asks no less of her");
        }
    }
}
