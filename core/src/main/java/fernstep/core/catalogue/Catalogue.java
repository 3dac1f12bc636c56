package fernstep.core.catalogue;

import fernstep.core.body.Pose;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** All strands and rungs, checked as a whole. */
public final class Catalogue {
    /** The named poses that rungs start from. */
    public static final String POSTURES = "postures.yaml";

    /** How the name of a file with a house's own rungs begins. */
    public static final String HOUSE = "house-";

    private final Map<Strand, CatalogueStrand> strands = new EnumMap<>(Strand.class);
    private final Map<String, Rung> rungs = new LinkedHashMap<>();

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
        return catalogue;
    }

    /** A house's own rungs come after the shipped ones of their strand, as side branches. */
    private void addHouseRungs(String file, CatalogueStrand own) {
        CatalogueStrand shipped = strands.get(own.code());
        if (shipped == null) {
            throw new CatalogueProblem(file, 1, "strand " + own.code() + " must stand before rungs are added to it");
        }
        own.rungs().stream().filter(r -> r.branchOf() == null).findFirst().ifPresent(r -> {
            throw new CatalogueProblem(file, 1, r.code() + " must say which rung it branches off");
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
            rungOf(gate).filter(code -> !rungs.containsKey(code)).ifPresent(code -> {
                throw problemAt(file, text, rung.code(), rung.code() + " waits for an unknown rung " + code);
            });
        });
    }

    private static Optional<String> rungOf(RungGate gate) {
        if (gate instanceof RungGate.CleanRung clean) {
            return Optional.of(clean.rung());
        }
        if (gate instanceof RungGate.AnySide any) {
            return Optional.of(any.rung());
        }
        return gate instanceof RungGate.TopHeldWeeks held ? Optional.of(held.rung()) : Optional.empty();
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

    private Optional<Rung> neighbour(Rung rung, int step) {
        List<Rung> line = strand(rung.strand()).map(CatalogueStrand::mainLine).orElse(List.of());
        // By its code: the same rung inclined or on forearms stands where it always stands.
        List<String> codes = line.stream().map(Rung::code).toList();
        int own = codes.indexOf(rung.code());
        int at = own + step;
        return own >= 0 && at >= 0 && at < line.size() ? Optional.of(line.get(at)) : Optional.empty();
    }
}
