package fernstep.core.separation;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.measure.Reason;
import org.jspecify.annotations.Nullable;

/**
 * How one site reads under one stance: never shown bare, always with its limit and stance.
 *
 * @param limitMm the width from which the stance calls it wide; null where width does not decide
 */
public record Verdict(Code code, @Nullable Double limitMm, GapReading stance, Reason reason) {
    /** How wide. */
    public enum Code {
        USUAL,
        WIDER,
        MARKEDLY_WIDER,
        BASELINE_ONLY
    }
}
