package fernstep.app.house;

import java.time.LocalTime;

/**
 * Whom a client calls, and when the house writes to nobody.
 *
 * @param numbers whom to telephone in an emergency
 * @param contactName who answers questions; empty for her practitioner
 * @param contactPhone empty where the house gives none
 * @param quietFrom no message leaves from this hour on
 * @param quietTo until this one
 */
public record HouseFacts(
        EmergencyNumbers numbers, String contactName, String contactPhone, LocalTime quietFrom, LocalTime quietTo) {
    /** Where nothing was set: the number that works in most of Europe, and a night's rest. */
    static final HouseFacts AT_FIRST = new HouseFacts(
            new EmergencyNumbers("112", "", "", "", ""), "", "", LocalTime.of(21, 0), LocalTime.of(8, 0));

    public String emergencyNumber() {
        return numbers.emergency();
    }

    public String maternityNumber() {
        return numbers.maternity();
    }

    /** Quiet hours may run over midnight; the same hour twice means none. */
    public boolean quietAt(LocalTime time) {
        if (quietFrom.equals(quietTo)) {
            return false;
        }
        boolean overMidnight = quietFrom.isAfter(quietTo);
        boolean afterBegin = !time.isBefore(quietFrom);
        boolean beforeEnd = time.isBefore(quietTo);
        return overMidnight ? afterBegin || beforeEnd : afterBegin && beforeEnd;
    }
}
