package fernstep.app.progress;

import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.Eased;
import fernstep.core.plan.Place;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A step on a ladder as stored: where she stands on one strand and side from a day on.
 *
 * @param side empty where the rung has none
 * @param changeCode what brought her here: START or a progress change
 * @param follows id of the step it replaces, 0 for the first; two steps cannot follow the same one
 */
public record LadderRow(
        @Nullable Long id,
        long clientId,
        Strand strand,
        String side,
        String rung,
        int sets,
        @Nullable Integer reps,
        @Nullable Integer holdS,
        @Nullable Integer breaths,
        int perDay,
        int daysPerWeek,
        LocalDate since,
        String changeCode,
        long staffId,
        long follows,
        double rangeFraction) {

    public Dose dose() {
        return new Dose(sets, reps, holdS, breaths, perDay, daysPerWeek);
    }

    public @Nullable Side sideOrNull() {
        return side.isEmpty() ? null : Side.valueOf(side);
    }

    public Place asPlace() {
        return asPlace(null);
    }

    /** @param eased how much easier it begins; null where it begins as it stands here */
    Place asPlace(@Nullable Eased eased) {
        return new Place(strand, sideOrNull(), rung, dose(), rangeFraction, Reason.of("why.progress"), eased);
    }

    /** A step not yet stored. */
    public static LadderRow of(
            long clientId,
            Strand strand,
            @Nullable Side side,
            String rung,
            Dose dose,
            LocalDate since,
            String change,
            long staffId,
            long follows,
            double range) {
        return new LadderRow(
                null,
                clientId,
                strand,
                side == null ? "" : side.name(),
                rung,
                dose.sets(),
                dose.reps(),
                dose.holdS(),
                dose.breaths(),
                dose.perDay(),
                dose.daysPerWeek(),
                since,
                change,
                staffId,
                follows,
                range);
    }
}
