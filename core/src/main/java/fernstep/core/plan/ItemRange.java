package fernstep.core.plan;

import fernstep.core.body.Body;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** How far an exercise goes today: as far as was wished or as a first time goes, and never beyond what bounds it. */
final class ItemRange {
    private static final double HUNDRED = 100;
    /** Ribs that stand up ask for a third of the way overhead at most. */
    private static final double FLARED_ARMS_RANGE = 0.33;

    private final Plan.Question q;
    private final RungGates.Known known;
    private final Strand strand;
    private final Body body;
    private final Shown shown;

    /** @param strand whose place it takes in the plan */
    ItemRange(Plan.Question question, RungGates.Known known, Shown shown, Strand strand) {
        this.shown = shown;
        this.q = question;
        this.known = known;
        this.strand = strand;
        this.body = question.her().body();
    }

    /**
     * How far it goes today.
     *
     * @param share 0 to 1
     * @param why what it begins from; null where it was set or goes all the way
     */
    record Begins(double share, @Nullable Reason why) {}

    /**
     * @param standInFor the rung it stands in for, whose easiest load bounds it; null where it stands for itself
     * @param wanted 0 to 1, by hand or where she stands; null for the first time
     */
    Begins of(Rung rung, @Nullable Side side, @Nullable Rung standInFor, @Nullable Double wanted) {
        Begins begins = wanted == null ? first(rung, side) : new Begins(wanted, null);
        double most = Math.min(begins.share(), under(rung, Ceilings.index(rung, known, body)));
        if (flared(rung)) {
            most = Math.min(most, FLARED_ARMS_RANGE);
        }
        if (standInFor != null && !standInFor.code().equals(rung.code())) {
            most = Math.min(most, under(rung, OptionalDouble.of(standInFor.indexAt(0, body))));
        }
        return most < begins.share() ? new Begins(most, null) : begins;
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

    /**
     * Four fifths of the load she has shown of its kind, three fifths of the nearest; where nothing was shown, a step above
     * what the rung before asks at its full range.
     */
    private Begins first(Rung rung, @Nullable Side side) {
        LoadFamily family = rung.family();
        if (family == null || !rung.loaded() || !rung.hasRange()) {
            return new Begins(family == null && rung.hasRange() && rung.loaded() ? 0 : 1, null);
        }
        if (known.isDone(rung.code(), side)) {
            return new Begins(1, null);
        }
        Optional<Shown.Target> target = shown.target(family, side);
        if (target.isEmpty()) {
            double above = q.catalogue()
                    .previous(rung)
                    .filter(before -> before.family() != null)
                    .map(before -> Plan.firstRange(rung, body, before.indexAt(1, body)))
                    .orElse(0.0);
            return new Begins(above, Reason.of("range.nothingShown"));
        }
        Shown.Target at = target.get();
        double share = under(rung, OptionalDouble.of(at.loadIndex()));
        if (share >= 1) {
            return new Begins(1, null);
        }
        boolean own = at.share() == Shown.OF_OWN;
        String shown = own ? "range.ofOwn" : "range.ofNearest";
        String key = share == 0 ? "range.easiestAsIs" : shown;
        return new Begins(
                share,
                Reason.of(
                        key,
                        Math.round(HUNDRED * share),
                        Math.round(HUNDRED * at.share()),
                        Reason.of("family." + at.from())));
    }
}
