package fernstep.core.session;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.plan.CleanSetting;
import fernstep.core.progress.Amount;
import fernstep.core.progress.SessionResult;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What is on record of one exercise when the session is over.
 *
 * @param rung the planned one, whatever was stepped back to
 * @param effort 0 to 10; null where it was not told
 * @param signs in the order in which they were seen first
 * @param range 0 to 1, where it was done in the end
 * @param cleanAt what the next session begins with; null where it begins as planned
 * @param amount sets in which something was done, as long as they were in the end; null where nothing was
 */
public record ExerciseResult(
        String rung,
        @Nullable Side side,
        SessionResult.Kind kind,
        @Nullable Integer effort,
        Set<SignCode> signs,
        double range,
        @Nullable CleanSetting cleanAt,
        @Nullable Amount amount) {}
