package fernstep.core.client;

import fernstep.core.measure.Range;
import java.time.LocalDate;

/**
 * One birth: date, how, and the perineal tear degree from 0 (none) to 4.
 *
 * @param tearDegree 0 (none) to 4
 */
public record Birth(LocalDate date, BirthMode mode, int tearDegree) {
    private static final int SEVERE_TEAR = 3;

    /** @throws fernstep.core.measure.OutOfRange for a tear degree outside 0 to 4 */
    public Birth {
        Range.TEAR_DEGREE.check(tearDegree);
    }

    /** A tear of the third or fourth degree: it waits for somebody qualified for its first weeks. */
    public boolean severelyTorn() {
        return tearDegree >= SEVERE_TEAR;
    }

    BodyEvent asEvent() {
        return new BodyEvent(
                mode == BirthMode.CAESAREAN ? BodyEvent.Kind.CAESAREAN : BodyEvent.Kind.VAGINAL_BIRTH, date, "");
    }
}
