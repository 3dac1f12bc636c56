package fernstep.core.plan;

import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What an item of a plan may be swapped for: open rungs of its strand, and what may stand in for it. */
public final class Swaps {
    private Swaps() {}

    /** In strand order, then the stand-ins; no rung that the plan has already, or leaves out for want of time. */
    public static List<Rung> of(Plan.Question q, Plan plan, PlanItem item) {
        RungGates.Known known = q.known();
        Rung now = item.rung();
        Set<String> planned = Stream.concat(
                        plan.items().stream(), plan.leftOut().stream().flatMap(l -> l.items().stream()))
                .map(i -> i.rung().code())
                .collect(Collectors.toSet());
        List<Rung> options = new ArrayList<>(q.catalogue().strand(item.strand()).map(CatalogueStrand::rungs).stream()
                .flatMap(List::stream)
                .toList());
        Rung asked = item.standInFor() == null ? now : item.standInFor();
        asked.standIns().stream().map(q.catalogue()::rung).forEach(options::add);
        q.catalogue().rungs().stream().filter(r -> r.aim() == asked.aim()).forEach(options::add);
        return options.stream()
                .filter(r -> !r.code().equals(now.code()))
                .filter(r -> r.strand() == item.strand() || !planned.contains(r.code()))
                .filter(r -> r.perSide() == now.perSide())
                .filter(r -> r.closedBy(q.screening().closed()).isEmpty())
                .filter(r -> RungGates.open(r, item.side(), known))
                .distinct()
                .toList();
    }
}
