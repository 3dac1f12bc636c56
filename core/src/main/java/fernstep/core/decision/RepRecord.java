package fernstep.core.decision;

import fernstep.core.catalogue.Lever;
import fernstep.core.findings.SignCode;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An earlier repetition of this set: what was seen in it, and the move that was then made, if any.
 *
 * @param rep from 1
 * @param alsoLever the second of two levers pulled together; null where one was enough
 */
public record RepRecord(
        int rep,
        List<Seen> signs,
        @Nullable Move move,
        @Nullable Lever lever,
        @Nullable Lever alsoLever) {
    /** With one lever, or none. */
    public RepRecord(int rep, List<Seen> signs, @Nullable Move move, @Nullable Lever lever) {
        this(rep, signs, move, lever, null);
    }

    public RepRecord {
        signs = List.copyOf(signs);
    }

    boolean has(SignCode sign) {
        return signs.stream().anyMatch(seen -> seen.sign() == sign);
    }
}
