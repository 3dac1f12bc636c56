package fernstep.core.plan;

import fernstep.core.body.Body;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Rung;
import fernstep.core.screening.Strand;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** How far an exercise goes today: as far as was wished or as a first time goes, and never beyond what bounds it. */
final class ItemRange {
    /** Ribs that stand up ask for a third of the way overhead at most. */
    private static final double FLARED_ARMS_RANGE = 0.33;

    private final Plan.Question q;
    private final RungGates.Known known;
    private final Strand strand;
    private final Body body;

    /** @param strand whose place it takes in the plan */
    ItemRange(Plan.Question q, RungGates.Known known, Strand strand) {
        this.q = q;
        this.known = known;
        this.strand = strand;
        this.body = q.her().body();
    }

    /**
     * @param standInFor the rung it stands in for, whose easiest load bounds it; null where it stands for itself
     * @param wanted 0 to 1, by hand or where she stands; null for the first time
     */
    double of(Rung rung, @Nullable Rung standInFor, @Nullable Double wanted) {
        double most = Math.min(wanted == null ? first(rung) : wanted, under(rung, Ceilings.index(rung, known, body)));
        if (flared(rung)) {
            most = Math.min(most, FLARED_ARMS_RANGE);
        }
        return standInFor == null || standInFor.code().equals(rung.code())
                ? most
                : Math.min(most, under(rung, OptionalDouble.of(standInFor.indexAt(0, body))));
    }

    /** The furthest range under a load; the whole where none is given or followed. */
    private double under(Rung rung, OptionalDouble ceiling) {
        if (ceiling.isEmpty() || rung.family() == null || !rung.hasRange()) {
            return 1;
        }
        return RangeSolver.solve(rung.movement(), body, Math.max(0.1, ceiling.getAsDouble() + 1e-9))
                        instanceof RangeSolver.Answer.Reached reached
                ? Math.floor(100 * reached.point().range()) / 100
                : 0;
    }

    /** An arm exercise, or what stands in for one. */
    private boolean flared(Rung rung) {
        return (strand == Strand.ARM_LEG || rung.strand() == Strand.ARM_LEG)
                && Boolean.TRUE.equals(q.her().findings().shown().ribFlare())
                && rung.hasRange();
    }

    /** A step above what the rung before asks at its full range; the easiest of a first rung. */
    private double first(Rung rung) {
        return q.catalogue()
                .previous(rung)
                .filter(before -> before.family() != null)
                .map(before -> Plan.firstRange(rung, body, before.indexAt(1, body)))
                .orElse(rung.hasRange() && rung.loaded() ? 0.0 : 1.0);
    }
}
