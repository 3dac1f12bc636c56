package fernstep.core.schedule;

import fernstep.core.approach.Stances;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.ClientFacts;
import fernstep.core.screening.Gate;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.Optional;

/**
 * When a support garment is worn: by day only, from its gate on, until six weeks after a birth, eight after a caesarean
 * (brief 02 and 10.2).
 *
 * @param from first day
 * @param until last day
 * @param besideWound it must lie clear of a wound
 */
public record GarmentSchedule(LocalDate from, LocalDate until, boolean besideWound) {
    private static final int WEEKS = 6;
    private static final int WEEKS_AFTER_CAESAREAN = 8;
    private static final int WEEK = 7;

    /** Empty where none is suggested, she is pregnant, has not given birth or an answer of today closes everything. */
    public static Optional<GarmentSchedule> of(ClientFacts facts, Stances stances, Screening screening) {
        boolean suggested = stances.garment() == Stances.Garment.SUGGEST && !facts.pregnant();
        if (!suggested || screening.closedByWhatSheSays()) {
            return Optional.empty();
        }
        Gate gate = screening.gates().get(GateCode.GARMENT);
        return facts.latestBirth().map(birth -> {
            LocalDate opens = gate == null || gate.opensOn() == null ? birth.date() : gate.opensOn();
            return new GarmentSchedule(opens, until(birth), birth.mode() == BirthMode.CAESAREAN);
        });
    }

    /** The last day on which it is worn after this birth. */
    public static LocalDate until(Birth birth) {
        int weeks = birth.mode() == BirthMode.CAESAREAN ? WEEKS_AFTER_CAESAREAN : WEEKS;
        return birth.date().plusDays((long) WEEK * weeks);
    }

    public boolean wornOn(LocalDate day) {
        return !day.isBefore(from) && !day.isAfter(until);
    }

    /** Worn on that day, or still to begin. */
    public boolean concerns(LocalDate day) {
        return !day.isAfter(until);
    }
}
