package fernstep.core.catalogue;

import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Dial;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Movement;
import fernstep.core.body.Pose;
import fernstep.core.body.TrunkLoad;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads one strand file; the field list here is its schema. */
final class StrandReader {
    private static final Body TRIED_ON = Body.of(68.0, 165.0);
    private static final int POSES_TRIED = 8;
    private static final double STILL_THE_SAME = 0.99;

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
                own(p, usual, "family").has("family") ? own(p, usual, "family").code("family", LoadFamily.class) : null,
                own(p, usual, "view").has("view") ? own(p, usual, "view").code("view", View.class) : View.SIDE,
                p.codes("props", Prop.class),
                own(p, usual, "watch").codes("watch", SignCode.class),
                own(p, usual, "levers").codes("levers", Lever.class),
                own(p, usual, "helpers").codes("helpers", Helper.class),
                p.optionalText("branchOf").orElse(null),
                p.texts("standIns"),
                p.text("howTo"),
                cues,
                p.text("caution"));
        boolean everyCue = Arrays.stream(Stances.Activation.values())
                .allMatch(a -> rung.cues().containsKey(a.name()));
        if (!everyCue) {
            throw p.problem("code", rung.code() + " needs a cue for every activation stance");
        }
        boolean needsRange = rung.offers(Lever.RAISE_RANGE) || rung.offers(Lever.BEND_KNEE);
        if (needsRange && !rung.hasRange()) {
            throw p.problem("levers", rung.code() + " offers a range lever but has no range");
        }
        boolean needsHelper = rung.offers(Lever.ADD_HELPER) || rung.offers(Lever.SUPPORT);
        if (needsHelper && rung.helpers().isEmpty()) {
            throw p.problem("levers", rung.code() + " offers a helper lever but names no helper");
        }
        tempo.nothingElse();
        p.nothingElse();
        return rung;
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
            if (g.has("topHeldWeeks")) {
                gates.add(new RungGate.TopHeldWeeks(g.text("rung"), g.whole("topHeldWeeks")));
            } else if (g.has("opened")) {
                gates.add(new RungGate.Opened(g.code("opened", GateCode.class)));
            } else if (g.has("rung")) {
                gates.add(new RungGate.CleanRung(g.text("rung"), g.flag("bothSides", false)));
            } else if (g.has("setGrade")) {
                gates.add(new RungGate.SetGrade(g.whole("setGrade")));
            } else if (g.has("without")) {
                gates.add(new RungGate.Without(g.code("without", Restriction.class)));
            } else if (g.flag("notPregnant", false)) {
                gates.add(new RungGate.NotPregnant());
            } else if (g.has("pregnantToWeek")) {
                gates.add(new RungGate.PregnantToWeek(g.whole("pregnantToWeek")));
            } else if (g.has("cleanWeeks")) {
                gates.add(new RungGate.CleanWeeks(g.whole("cleanWeeks")));
            } else if (g.flag("scoop", false)) {
                gates.add(new RungGate.Scoop());
            } else if (g.flag("firmMidline", false)) {
                gates.add(new RungGate.FirmMidline());
            } else if (g.has("anySide")) {
                gates.add(new RungGate.AnySide(g.text("anySide")));
            } else if (g.flag("breathControl", false)) {
                gates.add(new RungGate.BreathControl());
            }
            g.nothingElse();
        }
        return gates;
    }

    private static Movement movement(YamlPart p, PoseReader poses) {
        YamlPart move = p.part("move");
        Pose full = poses.read(move, "full");
        Pose start = move.has("start") ? poses.read(move, "start") : full;
        Pose easiest = move.has("easiest") ? poses.read(move, "easiest") : full;
        Dial dial = move.has("dial") ? move.code("dial", Dial.class) : Dial.HIP;
        boolean rises = move.flag("rises", true);
        move.nothingElse();
        Movement movement = new Movement(start, easiest, full, dial, rises);
        try {
            double before = 0;
            for (int i = 0; i <= POSES_TRIED; i++) {
                double share = (double) i / POSES_TRIED;
                double index = TrunkLoad.of(TRIED_ON, movement.at(share)).loadIndex();
                TrunkLoad.of(TRIED_ON, movement.during(1, share));
                if (rises && index < before * STILL_THE_SAME) {
                    throw p.problem("move", "the load falls while the range grows; say 'rises: false'");
                }
                before = index;
            }
        } catch (ImpossiblePose e) {
            throw p.problem("move", e.getMessage());
        }
        return movement;
    }
}
