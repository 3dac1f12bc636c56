package fernstep.core.screening;

import fernstep.core.client.BodyEvent;
import fernstep.core.client.ClientFacts;
import fernstep.core.measure.Reason;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Where she stands in time.
 *
 * @param daysSinceEvent days since the latest birth or operation; null when pregnant or when there was none
 * @param daysSinceBirth days since the latest birth; null when pregnant or when there was none
 * @param gestationDays whole days of pregnancy; null when not pregnant
 */
public record Stage(
        Reason label,
        @Nullable Integer daysSinceEvent,
        @Nullable Integer daysSinceBirth,
        @Nullable Integer gestationDays) {

    /** How a width is to be read at her stage. */
    public enum ForWidth {
        PREGNANT,
        POSTNATAL_FIRST_6_WEEKS,
        POSTNATAL_AFTER_6_WEEKS,
        OTHER
    }

    private static final int FIRST_WEEKS_DAYS = 42;

    static Stage of(ClientFacts facts, LocalDate today) {
        Optional<Integer> gestation = facts.gestationDays(today);
        if (gestation.isPresent()) {
            int days = gestation.get();
            return new Stage(Reason.of("stage.pregnant", days / 7, days % 7), null, null, days);
        }
        Optional<BodyEvent> event = facts.latestEvent();
        if (event.isEmpty()) {
            return new Stage(Reason.of("stage.general"), null, null, null);
        }
        int days = (int) ChronoUnit.DAYS.between(event.get().date(), today);
        Integer sinceBirth = facts.latestBirth()
                .map(birth -> (int) ChronoUnit.DAYS.between(birth.date(), today))
                .orElse(null);
        return new Stage(Reason.of("stage." + event.get().kind(), days / 7, days % 7), days, sinceBirth, null);
    }

    /** The first six weeks run to the 41st day after the birth; on the 42nd, limits apply again. */
    public static ForWidth forWidth(ClientFacts facts, LocalDate today) {
        if (facts.pregnant()) {
            return ForWidth.PREGNANT;
        }
        return facts.latestBirth()
                .map(birth -> today.isBefore(birth.date().plusDays(FIRST_WEEKS_DAYS))
                        ? ForWidth.POSTNATAL_FIRST_6_WEEKS
                        : ForWidth.POSTNATAL_AFTER_6_WEEKS)
                .orElse(ForWidth.OTHER);
    }

    /** "24+3" for 24 weeks and 3 days; null when not pregnant. */
    public @Nullable String gestation() {
        return gestationDays == null ? null : gestationDays / 7 + "+" + gestationDays % 7;
    }
}
