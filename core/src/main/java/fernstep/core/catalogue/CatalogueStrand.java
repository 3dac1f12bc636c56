package fernstep.core.catalogue;

import fernstep.core.screening.Strand;
import java.util.List;

/** One family of exercise, easiest first. */
public record CatalogueStrand(Strand code, String name, List<Rung> rungs) {
    public CatalogueStrand {
        rungs = List.copyOf(rungs);
    }

    /** Without side branches: the ladder she climbs. */
    public List<Rung> mainLine() {
        return rungs.stream().filter(rung -> rung.branchOf() == null).toList();
    }
}
