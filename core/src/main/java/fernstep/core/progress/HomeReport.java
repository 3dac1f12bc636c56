package fernstep.core.progress;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import java.util.EnumSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How an exercise went at home, as she tells it. Nobody watched: a sign she names costs the credit, a strong one counts
 * as eased whatever she calls it.
 *
 * @param painLevel 0 to 10; null where none was told
 */
public record HomeReport(
        Told told, Set<SignCode> signs, @Nullable Integer painLevel) {
    private static final Set<SignCode> STRONG =
            EnumSet.of(SignCode.DOME_FIRM, SignCode.BEARS_DOWN, SignCode.HEAVY, SignCode.LEAK);
    private static final int STRONG_PAIN = 4;

    /** In her words. */
    public enum Told {
        DONE,
        EASED,
        STOPPED
    }

    /** @throws fernstep.core.measure.OutOfRange for a pain level outside 0 to 10 */
    public HomeReport {
        signs = Set.copyOf(signs);
        if (painLevel != null) {
            Range.PAIN_LEVEL.check(painLevel);
        }
    }

    public SessionResult.Kind kind() {
        if (told == Told.STOPPED) {
            return SessionResult.Kind.STOPPED;
        }
        boolean strong = signs.stream().anyMatch(STRONG::contains) || (painLevel != null && painLevel >= STRONG_PAIN);
        if (told == Told.EASED || strong) {
            return SessionResult.Kind.EASED;
        }
        boolean some = signs.stream().anyMatch(code -> code != SignCode.TIRED) || (painLevel != null && painLevel > 0);
        return some ? SessionResult.Kind.HELPED : SessionResult.Kind.CLEAN;
    }
}
