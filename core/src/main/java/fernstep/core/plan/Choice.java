package fernstep.core.plan;

import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import org.jspecify.annotations.Nullable;

/**
 * What the practitioner has set by hand in a plan.
 *
 * @param side null where it is about both, or the rung has none
 * @param rung another rung instead, or null
 * @param dose her own dose, or null
 * @param range 0 to 1, or null
 * @param locked in, whatever the minutes say
 * @param leftOut not today
 */
public record Choice(
        Strand strand,
        @Nullable Side side,
        @Nullable String rung,
        @Nullable Dose dose,
        @Nullable Double range,
        boolean locked,
        boolean leftOut) {

    boolean about(Strand other, @Nullable Side which) {
        return strand == other && (side == null || which == null || side == which);
    }
}
