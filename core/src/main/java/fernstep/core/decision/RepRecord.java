package fernstep.core.decision;

import fernstep.core.catalogue.Lever;
import fernstep.core.findings.SignCode;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An earlier repetition of this set: what was seen in it, and the move that was then made, if any.
 *
 * @param rep from 1
 */
public record RepRecord(
        int rep,
        List<Seen> signs,
        @Nullable Move move,
        @Nullable Lever lever) {
    public RepRecord {
        signs = List.copyOf(signs);
    }

    boolean has(SignCode sign) {
        return signs.stream().anyMatch(s -> s.sign() == sign);
    }
}
