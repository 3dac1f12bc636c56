package fernstep.app.run;

import fernstep.app.support.Words;
import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One press for a place where it hurts; a place with sides has a press for each.
 *
 * @param side null for a place without sides
 */
public record PainPlaceKey(BodyPlace place, @Nullable Side side, String text) {
    /** As the page tells them apart. */
    public String key() {
        return side == null ? place.name() : place + "_" + side;
    }

    static List<PainPlaceKey> all(Words words) {
        List<PainPlaceKey> keys = new ArrayList<>();
        for (BodyPlace place : BodyPlace.values()) {
            if (place.sided()) {
                for (Side side : Side.values()) {
                    keys.add(new PainPlaceKey(place, side, words.text("pain.place", words.code(place), side)));
                }
            } else {
                keys.add(new PainPlaceKey(place, null, words.code(place)));
            }
        }
        return keys;
    }
}
