package fernstep.core.plan;

import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An exercise that begins easier than her place says, until she has earned it back.
 *
 * @param setting where it begins
 * @param since the session in which it was made easier
 * @param because what was seen then; null where it is not known
 */
public record Eased(
        CleanSetting setting, LocalDate since, @Nullable SignCode because) {
    private static final double PCT = 100;

    /** "67 % of the range: eased on 14 Nov, soft ridge". */
    public Reason why(PlanItem item) {
        List<Reason> parts = new ArrayList<>();
        if (item.rung().hasRange()) {
            parts.add(Reason.of("eased.range", Math.round(PCT * item.range())));
        }
        if (setting.easing().kneesBentDeg() > 0) {
            parts.add(Reason.of("eased.knees", setting.easing().kneesBentDeg()));
        }
        setting.easing().levers().stream()
                .filter(lever -> lever != Lever.BEND_KNEE)
                .sorted()
                .forEach(lever -> parts.add(Reason.of("eased.lever." + lever)));
        setting.easing().helpers().stream()
                .sorted()
                .forEach((Helper helper) -> parts.add(Reason.of("eased.helper", helper)));
        if (parts.isEmpty()) {
            parts.add(Reason.of("eased.dose"));
        }
        Reason how = parts.stream()
                .reduce((one, other) -> Reason.of("eased.and", one, other))
                .orElseThrow();
        return because == null
                ? Reason.of("eased.since", how, since)
                : Reason.of("eased.sinceBecause", how, since, because);
    }
}
