package fernstep.app.support;

import java.time.DateTimeException;
import java.time.LocalDate;

/** Calendar days as they are typed or sent: of a life, and as the database can hold them. */
final class Days {
    private static final LocalDate EARLIEST = LocalDate.of(1900, 1, 1);
    private static final LocalDate LATEST = LocalDate.of(2199, 12, 31);

    private Days() {}

    /**
     * A day as year-month-day.
     *
     * @throws DateTimeException for anything else, and for days before 1900 or after 2199
     */
    static LocalDate parse(String typed) {
        LocalDate day = LocalDate.parse(typed.strip());
        if (day.isBefore(EARLIEST) || day.isAfter(LATEST)) {
            throw new DateTimeException("a day from " + EARLIEST + " to " + LATEST);
        }
        return day;
    }
}
