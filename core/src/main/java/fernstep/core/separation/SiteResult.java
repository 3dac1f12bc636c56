package fernstep.core.separation;

import org.jspecify.annotations.Nullable;

/**
 * What one site says.
 *
 * @param closurePct (rest − lift)/rest in %; negative is a gap that opens on effort; null without both, or at rest 0
 * @param setEffectMm lift − lift with set; null without both
 * @param siteCm from the navel, toward the head positive, -20 to 20
 */
public record SiteResult(
        double siteCm,
        @Nullable Double closurePct,
        @Nullable Double setEffectMm,
        @Nullable Verdict verdict) {}
