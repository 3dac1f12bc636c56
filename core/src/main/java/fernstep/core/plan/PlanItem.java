package fernstep.core.plan;

import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One thing to do.
 *
 * @param baseDose her dose on this rung
 * @param dose what to do today: the base, and one set more on the weaker side
 * @param range 0 to 1
 * @param hipDeg hip angle of the working leg at that range; null where there is none
 * @param heelHeightCm height of the working heel at that range; null where there is none
 * @param seconds time for all sets with the rest between them
 */
public record PlanItem(
        Rung rung,
        @Nullable Side side,
        Dose baseDose,
        Dose dose,
        double range,
        @Nullable Double hipDeg,
        @Nullable Double heelHeightCm,
        int seconds,
        int loadSeconds,
        Reason why,
        Reason whyNotNext,
        List<SignCode> stopSigns,
        @Nullable Lever firstLever) {}
