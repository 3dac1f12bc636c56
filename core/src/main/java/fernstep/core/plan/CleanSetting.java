package fernstep.core.plan;

import fernstep.core.catalogue.Easing;
import fernstep.core.measure.Range;
import org.jspecify.annotations.Nullable;

/**
 * How she could do an exercise without the sign for which it was made easier: kept from the session in which it was.
 *
 * @param rung its code: the planned one, or what was stepped back to
 * @param range 0 easiest to 1 full
 * @param times repetitions or breaths of a set; null where neither is counted
 * @param holdS seconds held; null where nothing is
 */
public record CleanSetting(
        String rung,
        double range,
        Easing easing,
        @Nullable Integer times,
        @Nullable Integer holdS) {
    private static final double HALF = 0.5;
    private static final double HUNDREDTHS = 100;

    /** @throws fernstep.core.measure.OutOfRange for a range outside 0 to 1 */
    public CleanSetting {
        Range.RANGE_FRACTION.check(range);
    }

    /** Half of the way back to how it is planned. */
    public CleanSetting halfWayTo(double plannedRange, Dose planned) {
        return new CleanSetting(
                rung,
                Math.min(plannedRange, Math.floor(HUNDREDTHS * (range + (plannedRange - range) * HALF)) / HUNDREDTHS),
                easing.half(),
                times == null ? null : Integer.valueOf(between(times, planned.times())),
                holdS == null || planned.holdS() == null ? null : Integer.valueOf(between(holdS, planned.holdS())));
    }

    /** Half of what was planned: where an exercise begins again that pain has ended. */
    public static CleanSetting halfOf(String rung, double range, Dose planned) {
        return new CleanSetting(
                rung,
                Math.floor(HUNDREDTHS * range * HALF) / HUNDREDTHS,
                Easing.NONE,
                between(0, planned.times()),
                planned.holdS() == null ? null : Integer.valueOf(between(0, planned.holdS())));
    }

    private static int between(int from, int to) {
        return from >= to ? to : Math.max(1, from + (to - from) / 2);
    }

    /** No more of a dose than this. */
    public Dose atMost(Dose dose) {
        Dose fewer = times == null ? dose : dose.withTimes(Math.min(dose.times(), times));
        Integer hold = fewer.holdS();
        return hold == null || holdS == null ? fewer : fewer.withHoldS(Math.min(hold, holdS));
    }

    /** Whether it asks less than this. */
    public boolean easierThan(double plannedRange, Dose planned) {
        return range < plannedRange || !easing.isNone() || !atMost(planned).equals(planned);
    }
}
