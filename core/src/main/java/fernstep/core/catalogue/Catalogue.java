package fernstep.core.catalogue;

import fernstep.core.body.Body;
import fernstep.core.body.Pose;
import fernstep.core.screening.Strand;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;

/** All strands and rungs, checked as a whole. */
public final class Catalogue {
    /** The named poses that rungs start from. */
    public static final String POSTURES = "postures.yaml";

    /** How the name of a file with a house's own rungs begins. */
    public static final String HOUSE = "house-";

    private final Map<Strand, CatalogueStrand> strands = new EnumMap<>(Strand.class);
    private final Map<String, Rung> rungs = new LinkedHashMap<>();
    private final Map<Waymark, List<Rung>> byWaymark = new EnumMap<>(Waymark.class);

    private static final Body USUAL_BODY = Body.of(null, null);
    private final Map<String, double[]> frontIndices = new ConcurrentHashMap<>();
    private final Map<String, Pose> postures;

    private Catalogue(Map<String, Pose> postures) {
        this.postures = postures;
    }

    /** The named poses that rungs start from. */
    public Map<String, Pose> postures() {
        return postures;
    }

    /**
     * Reads strand files.
     *
     * @param textByFile the text of each file under its name, which is used in messages
     * @throws CatalogueProblem naming file, line and reason
     */
    public static Catalogue read(Map<String, String> textByFile) {
        Map<String, String> fileOf = new LinkedHashMap<>();
        String postures = textByFile.get(POSTURES);
        if (postures == null) {
            throw new CatalogueProblem(POSTURES, 1, "the file is missing: rungs start from its postures");
        }
        PoseReader poses = PoseReader.withPostures(POSTURES, postures);
        Catalogue catalogue = new Catalogue(poses.postures());
        textByFile.forEach((file, text) -> {
            if (file.equals(POSTURES)) {
                return;
            }
            CatalogueStrand strand = StrandReader.read(file, text, poses);
            if (file.startsWith(HOUSE)) {
                catalogue.addHouseRungs(file, strand);
            } else if (catalogue.strands.put(strand.code(), strand) != null) {
                throw new CatalogueProblem(file, 1, "strand " + strand.code() + " stands in two files");
            }
            strand.rungs().forEach(rung -> {
                if (catalogue.rungs.put(rung.code(), rung) != null) {
                    throw problemAt(file, text, rung.code(), "rung " + rung.code() + " stands twice");
                }
                fileOf.put(rung.code(), file);
            });
        });
        catalogue.rungs.values().forEach(rung -> catalogue.checkReferences(rung, fileOf, textByFile));
        catalogue.rungs.values().forEach(rung -> catalogue.checkLoops(rung, fileOf, textByFile));
        catalogue
                .rungs
                .values()
                .forEach(rung -> rung.means()
                        .forEach(waymark -> catalogue
                                .byWaymark
                                .computeIfAbsent(waymark, key -> new ArrayList<>())
                                .add(rung)));
        catalogue.checkWaymarks(fileOf);
        return catalogue;
    }

    /** What the rules need by name must be there, once: a house's own catalogue may not leave plans without it. */
    private void checkWaymarks(Map<String, String> fileOf) {
        for (Waymark waymark : Waymark.values()) {
            List<Rung> marked = marked(waymark);
            Strand strand = waymark.strand();
            boolean fits = strand == null
                    ? !marked.isEmpty()
                    : marked.size() == 1 && marked.get(0).strand() == strand;
            if (!fits) {
                String where = rungs.values().stream()
                        .filter(rung -> strand == null || rung.strand() == strand)
                        .findFirst()
                        .map(rung -> fileOf.getOrDefault(rung.code(), ""))
                        .orElse(POSTURES);
                String found = marked.isEmpty()
                        ? "none does"
                        : String.join(", ", marked.stream().map(Rung::code).toList()) + " do";
                throw new CatalogueProblem(
                        where,
                        1,
                        (strand == null ? "some rung" : "one rung of " + strand) + " must mean " + waymark + ", "
                                + found);
            }
        }
    }

    /** The one rung that the rules know by this. */
    public Rung at(Waymark waymark) {
        return marked(waymark).get(0);
    }

    /** Every rung that the rules know by this, in the order of the strands. */
    public List<Rung> marked(Waymark waymark) {
        return byWaymark.getOrDefault(waymark, List.of());
    }

    /** A house's own rungs come after the shipped ones of their strand, as side branches. */
    private void addHouseRungs(String file, CatalogueStrand own) {
        CatalogueStrand shipped = strands.get(own.code());
        if (shipped == null) {
            throw new CatalogueProblem(file, 1, "strand " + own.code() + " must stand before rungs are added to it");
        }
        own.rungs().stream().filter(rung -> rung.branchOf() == null).findFirst().ifPresent(rung -> {
            throw new CatalogueProblem(file, 1, rung.code() + " must say which rung it branches off");
        });
        List<Rung> all = new ArrayList<>(shipped.rungs());
        all.addAll(own.rungs());
        strands.put(own.code(), new CatalogueStrand(own.code(), shipped.name(), all));
    }

    private void checkReferences(Rung rung, Map<String, String> fileOf, Map<String, String> textByFile) {
        String file = fileOf.getOrDefault(rung.code(), "");
        String text = textByFile.getOrDefault(file, "");
        if (rung.branchOf() != null && !rungs.containsKey(rung.branchOf())) {
            throw problemAt(file, text, rung.code(), rung.code() + " branches off an unknown rung " + rung.branchOf());
        }
        rung.standIns().stream()
                .filter(code -> !rungs.containsKey(code))
                .findFirst()
                .ifPresent(code -> {
                    throw problemAt(file, text, rung.code(), rung.code() + " names an unknown stand-in " + code);
                });
        rung.gates().forEach(gate -> {
            gate.rungAskedFor().filter(code -> !rungs.containsKey(code)).ifPresent(code -> {
                throw problemAt(file, text, rung.code(), rung.code() + " waits for an unknown rung " + code);
            });
        });
    }

    private void checkLoops(Rung rung, Map<String, String> fileOf, Map<String, String> textByFile) {
        if (leading(rung).stream().anyMatch(each -> each.code().equals(rung.code()))) {
            String file = fileOf.getOrDefault(rung.code(), "");
            String text = textByFile.getOrDefault(file, "");
            throw problemAt(file, text, rung.code(), rung.code() + " waits for itself");
        }
    }

    /**
     * The rungs that lead to this one at once: those its gates ask for, and the one it branches off. What opens with the
     * first day has none.
     */
    public List<Rung> leadingAtOnce(Rung rung) {
        if (rung.fromDayOne()) {
            return List.of();
        }
        Set<String> codes = new LinkedHashSet<>();
        rung.gates().forEach(gate -> gate.rungAskedFor().ifPresent(codes::add));
        if (rung.branchOf() != null) {
            codes.add(rung.branchOf());
        }
        return codes.stream().map(this::rung).toList();
    }

    /** Every rung that leads to this one, near or far. */
    public List<Rung> leading(Rung rung) {
        Map<String, Rung> all = new LinkedHashMap<>();
        Deque<Rung> open = new ArrayDeque<>(leadingAtOnce(rung));
        while (!open.isEmpty()) {
            Rung next = open.pop();
            if (all.put(next.code(), next) == null) {
                open.addAll(leadingAtOnce(next));
            }
        }
        return List.copyOf(all.values());
    }

    /** Load index without what the back line carries, of a usual body, at the easiest (0) or full range (1). */
    public double frontIndex(Rung rung, int range) {
        if (rung.family() == null) {
            return 0;
        }
        return frontIndices
                .computeIfAbsent(rung.code(), code -> new double[] {
                    rung.movement().peak(USUAL_BODY, 0).frontIndex(USUAL_BODY),
                    rung.movement().peak(USUAL_BODY, 1).frontIndex(USUAL_BODY)
                })[range];
    }

    private static CatalogueProblem problemAt(String file, String text, String code, String reason) {
        List<String> lines = text.lines().toList();
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).strip().matches("-?\\s*code:\\s*" + code)) {
                return new CatalogueProblem(file, i + 1, reason);
            }
        }
        return new CatalogueProblem(file, 1, reason);
    }

    public Collection<CatalogueStrand> strands() {
        return List.copyOf(strands.values());
    }

    public Optional<CatalogueStrand> strand(Strand code) {
        return Optional.ofNullable(strands.get(code));
    }

    public Collection<Rung> rungs() {
        return List.copyOf(rungs.values());
    }

    public Optional<Rung> find(String code) {
        return Optional.ofNullable(rungs.get(code));
    }

    /** @throws IllegalArgumentException for an unknown code */
    public Rung rung(String code) {
        return find(code).orElseThrow(() -> new IllegalArgumentException("no rung " + code));
    }

    /** The rung to step back to: the one before on the main line, or the one it branches off. */
    public Optional<Rung> previous(Rung rung) {
        if (rung.branchOf() != null) {
            return find(rung.branchOf());
        }
        return neighbour(rung, -1);
    }

    /** The next on the main line; a branch leads nowhere further. */
    public Optional<Rung> next(Rung rung) {
        return rung.branchOf() != null ? Optional.empty() : neighbour(rung, 1);
    }

    /** The next that is not left out: what leads through such a rung leads past it. */
    public Optional<Rung> next(Rung rung, Predicate<Rung> leftOut) {
        Optional<Rung> next = next(rung);
        while (next.filter(leftOut).isPresent()) {
            next = next.flatMap(this::next);
        }
        return next;
    }

    /** The one to step back to that is not left out. */
    public Optional<Rung> previous(Rung rung, Predicate<Rung> leftOut) {
        Optional<Rung> before = previous(rung);
        while (before.filter(leftOut).isPresent()) {
            before = before.flatMap(this::previous);
        }
        return before;
    }

    /**
     * Place on the main line of its strand, from 1: a side branch stands beside the rung it branches off. Two sides are
     * compared by it, since branches come between in the order of the strand. 0 for a rung of a strand that is not here.
     */
    public int placeOnLine(Rung rung) {
        String onTheLine = rung.branchOf() == null ? rung.code() : rung.branchOf();
        return 1 + codesOf(line(rung)).indexOf(onTheLine);
    }

    private List<Rung> line(Rung rung) {
        return strand(rung.strand()).map(CatalogueStrand::mainLine).orElse(List.of());
    }

    /** By its code the same rung inclined or on forearms stands where it always stands. */
    private static List<String> codesOf(List<Rung> line) {
        return line.stream().map(Rung::code).toList();
    }

    private Optional<Rung> neighbour(Rung rung, int step) {
        List<Rung> line = line(rung);
        int own = codesOf(line).indexOf(rung.code());
        int at = own + step;
        return own >= 0 && at >= 0 && at < line.size() ? Optional.of(line.get(at)) : Optional.empty();
    }
}
