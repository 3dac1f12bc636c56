package fernstep.core.spotting;

import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import org.jspecify.annotations.Nullable;

/**
 * What was called out.
 *
 * @param rep repetition in which, from 1
 * @param move what she would do now; null where she did not say
 */
public record Mark(SignCode sign, int rep, @Nullable Move move) {}
