package fernstep.core;

import fernstep.core.findings.Findings;
import fernstep.core.plan.RungGates;
import fernstep.core.screening.Screening;
import java.util.Set;

/** What is known of somebody, against the shipped catalogue and without a stance on ridges. */
public final class KnownOf {
    private KnownOf() {}

    public static RungGates.Known her(
            Screening screening, Boolean pregnant, Findings findings, Set<RungGates.Done> done) {
        return her(screening, pregnant, findings, done, RungGates.History.NONE);
    }

    public static RungGates.Known her(
            Screening screening,
            Boolean pregnant,
            Findings findings,
            Set<RungGates.Done> done,
            RungGates.History history) {
        return new RungGates.Known(ShippedCatalogue.CATALOGUE, screening, pregnant, findings, null, done, history);
    }
}
