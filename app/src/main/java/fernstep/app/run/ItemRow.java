package fernstep.app.run;

import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import org.jspecify.annotations.Nullable;

/** One planned item of a session as stored. */
public record ItemRow(
        String sessionId,
        int ordinal,
        String rung,
        String side,
        int sets,
        @Nullable Integer reps,
        @Nullable Integer holdS,
        @Nullable Integer breaths,
        int perDay,
        int daysPerWeek,
        double rangeFraction) {

    Dose dose() {
        return new Dose(sets, reps, holdS, breaths, perDay, daysPerWeek);
    }

    @Nullable
    Side sideOrNull() {
        return side.isEmpty() ? null : Side.valueOf(side);
    }
}
