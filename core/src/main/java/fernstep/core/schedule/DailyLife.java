package fernstep.core.schedule;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a woman minds outside her exercises (brief 10.2); she ticks what she thought of. */
public enum DailyLife {
    ROLL_TO_GET_UP,
    LIFT_ON_THE_BREATH,
    CHANGE_POSTURE,
    GARMENT_BY_DAY,
    GARMENT_OFF_AT_NIGHT;

    /** Said with the garment's days where those are told. */
    public boolean ofTheGarment() {
        return this == GARMENT_BY_DAY || this == GARMENT_OFF_AT_NIGHT;
    }

    /** Those of a day. */
    public static List<DailyLife> on(LocalDate day, @Nullable GarmentSchedule garment) {
        List<DailyLife> all = new ArrayList<>(List.of(ROLL_TO_GET_UP, LIFT_ON_THE_BREATH, CHANGE_POSTURE));
        if (garment != null && garment.wornOn(day)) {
            all.add(GARMENT_BY_DAY);
            all.add(GARMENT_OFF_AT_NIGHT);
        }
        return List.copyOf(all);
    }
}
