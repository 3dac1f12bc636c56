package fernstep.core.catalogue;

import fernstep.core.approach.Stances;
import fernstep.core.body.LyingLeg;
import fernstep.core.body.LyingLegs;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads one strand file; the field list here is its schema. */
final class StrandReader {
    private StrandReader() {}

    static CatalogueStrand read(String file, String text) {
        YamlPart part = YamlPart.parse(file, text);
        Strand strand = part.code("strand", Strand.class);
        String name = part.text("name");
        Map<String, String> cues = part.textByCode("cues", Stances.Activation.class);
        List<Rung> rungs = new ArrayList<>();
        for (YamlPart rungPart : part.parts("rungs")) {
            rungs.add(rung(rungPart, strand, rungs.size() + 1, cues));
        }
        if (rungs.isEmpty()) {
            throw part.problem("rungs", "a strand needs at least one rung");
        }
        part.nothingElse();
        return new CatalogueStrand(strand, name, rungs);
    }

    private static Rung rung(YamlPart p, Strand strand, int order, Map<String, String> strandCues) {
        Map<String, String> cues = new LinkedHashMap<>(strandCues);
        cues.putAll(p.textByCode("cues", Stances.Activation.class));
        YamlPart tempo = p.part("tempo");
        Rung rung = new Rung(
                p.text("code"),
                p.text("name"),
                strand,
                order,
                p.code("position", Position.class),
                p.flag("perSide", false),
                p.flag("loaded", false),
                window(p.part("window")),
                new Tempo(tempo.whole("lift"), tempo.whole("return"), tempo.whole("rest")),
                gates(p),
                poses(p),
                p.codes("watch", SignCode.class),
                p.codes("levers", Lever.class),
                p.codes("helpers", Helper.class),
                p.optionalText("branchOf").orElse(null),
                p.text("howTo"),
                cues,
                p.text("caution"));
        if (rung.cues().size() != Stances.Activation.values().length) {
            throw p.problem("code", rung.code() + " needs a cue for every activation stance");
        }
        boolean needsRange = rung.offers(Lever.RAISE_RANGE) || rung.offers(Lever.BEND_KNEE);
        if (needsRange && rung.poses() == null) {
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
            if (g.has("opened")) {
                gates.add(new RungGate.Opened(g.code("opened", GateCode.class)));
            } else if (g.has("rung")) {
                gates.add(new RungGate.CleanRung(g.text("rung"), g.flag("bothSides", false)));
            } else if (g.has("setGrade")) {
                gates.add(new RungGate.SetGrade(g.whole("setGrade")));
            } else if (g.has("without")) {
                gates.add(new RungGate.Without(g.code("without", Restriction.class)));
            } else if (g.flag("notPregnant", false)) {
                gates.add(new RungGate.NotPregnant());
            } else if (g.flag("breathControl", false)) {
                gates.add(new RungGate.BreathControl());
            }
            g.nothingElse();
        }
        return gates;
    }

    private static Rung.Poses poses(YamlPart p) {
        return p.optionalPart("range")
                .map(range -> {
                    Rung.Poses poses = new Rung.Poses(legs(range.part("easiest")), legs(range.part("full")));
                    range.nothingElse();
                    return poses;
                })
                .orElse(null);
    }

    private static LyingLegs legs(YamlPart p) {
        LyingLegs legs = new LyingLegs(leg(p, "working"), leg(p, "other"));
        p.nothingElse();
        return legs;
    }

    private static LyingLeg leg(YamlPart p, String field) {
        List<Double> hipKneeFloor = p.numbers(field, 3);
        try {
            return new LyingLeg(hipKneeFloor.get(0), hipKneeFloor.get(1), hipKneeFloor.get(2));
        } catch (IllegalArgumentException e) {
            throw p.problem(field, e.getMessage());
        }
    }
}
