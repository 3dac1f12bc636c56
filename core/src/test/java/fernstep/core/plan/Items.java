package fernstep.core.plan;

import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;

/** Exercises as a plan holds them, made by hand. */
final class Items {
    private Items() {}

    /** On a side, so far, taking so long; nothing stands in for anything, and why it is in is of no matter. */
    static PlanItem item(
            Rung rung,
            @Nullable Side side,
            Role role,
            Dose dose,
            double range,
            @Nullable RangePoint point,
            int seconds,
            int loadSeconds) {
        return new PlanItem(
                rung.strand(),
                role,
                rung,
                side,
                null,
                null,
                dose,
                dose,
                range,
                point,
                seconds,
                loadSeconds,
                Reason.of("why.progress"),
                Reason.of("whyNot.top"),
                null,
                null,
                null);
    }
}
