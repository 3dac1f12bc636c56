package fernstep.core.screening;

import fernstep.core.client.Clearance;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One gate today.
 *
 * @param opensOn the first day its date rule allows; null where no date decides
 * @param needs clearances that are still missing; empty when only the date, or nothing, is waited for
 */
public record Gate(
        GateCode code, boolean open, @Nullable LocalDate opensOn, List<Clearance.Scope> needs, Reason reason) {}
