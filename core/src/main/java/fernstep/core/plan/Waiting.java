package fernstep.core.plan;

import fernstep.core.measure.Reason;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What a rung still waits for.
 *
 * @param code a gate code, a rung code, or the name of a finding
 * @param opensOn the day, where a date is known
 */
public record Waiting(String code, @Nullable LocalDate opensOn, Reason reason) {}
