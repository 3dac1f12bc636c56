package fernstep.core.progress;

import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.body.RangeSolver;
import fernstep.core.body.TrunkLoad;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.core.plan.Plan;
import fernstep.core.progress.Progress.GrowFirst;
import fernstep.core.progress.Progress.RangeState;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** How far a rung may go next: what she has held clean and a step more, never past the rung's own end. */
public final class RangeGrowth {
    private static final double WORTH_A_NOTCH = 0.02;
    private static final double HUNDREDTHS = 100;

    private RangeGrowth() {}

    /**
     * @param now 0 easiest to 1 full
     * @param heldClean loads held clean, from her log
     * @param step share of load a step is, {@link Capacity#USUAL_STEP} as a rule
     */
    public static RangeState of(
            Catalogue catalogue,
            Rung rung,
            @Nullable Side side,
            double now,
            Body body,
            List<Capacity.Clean> heldClean,
            double step,
            GrowFirst growFirst,
            LocalDate today) {
        double ofNext = catalogue
                .next(rung)
                .map(next -> rung.loadAt(now, body)
                        .map(TrunkLoad::loadIndex)
                        .map(index -> Plan.firstRange(next, body, index))
                        .orElse(next.hasRange() && next.loaded() ? 0.0 : 1.0))
                .orElse(1.0);
        return new RangeState(
                now,
                next(rung, side, now, body, heldClean, step, today),
                ofNext,
                before(catalogue, rung, now, body),
                growFirst);
    }

    /** On the rung before: as far as it asks for no more than now. */
    private static double before(Catalogue catalogue, Rung rung, double now, Body body) {
        double index = rung.indexAt(now, body);
        return catalogue
                .previous(rung)
                .filter(each -> each.hasRange() && each.family() != null && index > 0)
                .map(each ->
                        RangeSolver.solve(each.movement(), body, index) instanceof RangeSolver.Answer.Reached reached
                                ? Math.floor(HUNDREDTHS * reached.point().range()) / HUNDREDTHS
                                : 0.0)
                .orElse(1.0);
    }

    private static @Nullable Double next(
            Rung rung,
            @Nullable Side side,
            double now,
            Body body,
            List<Capacity.Clean> heldClean,
            double step,
            LocalDate today) {
        if (!rung.hasRange() || now >= 1) {
            return null;
        }
        if (rung.family() == null) {
            return null;
        }
        double index = rung.loadAt(now, body).map(TrunkLoad::loadIndex).orElse(0.0);
        Optional<Capacity> capacity = Capacity.of(heldClean, rung.family(), side, today);
        double held = Math.max(index, capacity.map(Capacity::loadIndex).orElse(0.0));
        if (held <= 0) {
            return 1.0;
        }
        double further = RangeSolver.solve(rung.movement(), body, held * (1 + step))
                        instanceof RangeSolver.Answer.Reached reached
                ? Math.floor(HUNDREDTHS * reached.point().range()) / HUNDREDTHS
                : now;
        return further >= now + WORTH_A_NOTCH ? Double.valueOf(further) : nextSmall(now);
    }

    /** Where the load rises too steeply for a step to show, the smallest one worth a session. */
    private static Double nextSmall(double now) {
        return Math.min(1, Math.floor(HUNDREDTHS * (now + WORTH_A_NOTCH)) / HUNDREDTHS);
    }
}
