package fernstep.app.bodychart;

import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;

/**
 * One press for a place where it hurts; a place with sides has a press for each.
 *
 * @param side null for a place without sides
 */
public record PainPlace(BodyPlace place, @Nullable Side side, String text) {
    /** As the page tells them apart. */
    public String key() {
        return side == null ? place.name() : place + "_" + side;
    }
}
