package fernstep.core.screening;

import fernstep.core.client.ClientFacts;
import java.time.LocalDate;

/** Whom to call in an emergency and how soon, most urgent first. */
public enum EmergencyCall {
    /** The emergency number, now. */
    EMERGENCY_NOW,
    /** A crisis line or the emergency number, now; she is not left alone. */
    CRISIS_NOW,
    /** Her maternity unit, now, by telephone. */
    MATERNITY_NOW,
    /** Her doctor, the maternity or the surgical unit, today; out of hours the emergency number. */
    DOCTOR_TODAY;

    private static final int MATERNITY_WEEKS = 12;

    /** Whether today will do. */
    public boolean mayWaitForToday() {
        return this == DOCTOR_TODAY;
    }

    /** Whether a maternity unit knows her: pregnant, or within twelve weeks of a birth. */
    public static boolean maternityUnitKnows(ClientFacts facts, LocalDate today) {
        return facts.pregnant()
                || facts.latestBirth()
                        .map(birth -> birth.date().plusWeeks(MATERNITY_WEEKS).isAfter(today))
                        .orElse(false);
    }
}
