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
    public static List<Rung> of(Plan.Question question, Plan plan, PlanItem item) {
        RungGates.Known known = question.known();
        Rung now = item.rung();
        Set<String> planned = Stream.concat(
                        plan.items().stream(), plan.leftOut().stream().flatMap(out -> out.items().stream()))
                .map(planItem -> planItem.rung().code())
                .collect(Collectors.toSet());
        List<Rung> options =
                new ArrayList<>(question.catalogue().strand(item.strand()).map(CatalogueStrand::rungs).stream()
                        .flatMap(List::stream)
                        .toList());
        Rung asked = item.standInFor() == null ? now : item.standInFor();
        asked.standIns().stream().map(question.catalogue()::rung).forEach(options::add);
        question.catalogue().rungs().stream()
                .filter(rung -> rung.aim() == asked.aim())
                .forEach(options::add);
        return options.stream()
                .filter(rung -> !rung.code().equals(now.code()))
                .filter(rung -> rung.strand() == item.strand() || !planned.contains(rung.code()))
                .filter(rung -> rung.perSide() == now.perSide())
                .filter(rung -> rung.closedBy(question.screening().closed()).isEmpty())
                .filter(rung -> RungGates.open(rung, item.side(), known))
                .distinct()
                .toList();
    }
}
