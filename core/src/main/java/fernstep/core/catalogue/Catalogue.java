package fernstep.core.catalogue;

import fernstep.core.screening.Strand;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** All strands and rungs, checked as a whole. */
public final class Catalogue {
    private final Map<Strand, CatalogueStrand> strands = new EnumMap<>(Strand.class);
    private final Map<String, Rung> rungs = new LinkedHashMap<>();

    private Catalogue() {}

    /**
     * Reads strand files.
     *
     * @param textByFile the text of each file under its name, which is used in messages
     * @throws CatalogueProblem naming file, line and reason
     */
    public static Catalogue read(Map<String, String> textByFile) {
        Catalogue catalogue = new Catalogue();
        Map<String, String> fileOf = new LinkedHashMap<>();
        textByFile.forEach((file, text) -> {
            CatalogueStrand strand = StrandReader.read(file, text);
            if (catalogue.strands.put(strand.code(), strand) != null) {
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

    private void checkReferences(Rung rung, Map<String, String> fileOf, Map<String, String> textByFile) {
        String file = fileOf.getOrDefault(rung.code(), "");
        String text = textByFile.getOrDefault(file, "");
        if (rung.branchOf() != null && !rungs.containsKey(rung.branchOf())) {
            throw problemAt(file, text, rung.code(), rung.code() + " branches off an unknown rung " + rung.branchOf());
        }
        rung.gates().forEach(gate -> {
            if (gate instanceof RungGate.CleanRung clean && !rungs.containsKey(clean.rung())) {
                throw problemAt(file, text, rung.code(), rung.code() + " waits for an unknown rung " + clean.rung());
            }
        });
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
        int at = line.indexOf(rung) + step;
        return at >= 0 && at < line.size() ? Optional.of(line.get(at)) : Optional.empty();
    }
}
