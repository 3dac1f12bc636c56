package fernstep.core.plan;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import org.jspecify.annotations.Nullable;

/**
 * Where she stands on a strand: rung and dose, per side where the rung has sides.
 *
 * @param range how far the rung goes, 0 easiest to 1 full
 * @param eased how much easier it begins for now; null where it does not
 */
public record Place(
        Strand strand,
        @Nullable Side side,
        String rung,
        Dose dose,
        double range,
        Reason why,
        @Nullable Eased eased) {

    /** As she stands there, nothing eased. */
    public Place(Strand strand, @Nullable Side side, String rung, Dose dose, double range, Reason why) {
        this(strand, side, rung, dose, range, why, null);
    }

    /** The same place in the dose of another stance. */
    public Place fitted(Rung on, DoseStance stance) {
        return new Place(strand, side, rung, DoseRules.fitted(dose, on, stance), range, why, eased);
    }
}
