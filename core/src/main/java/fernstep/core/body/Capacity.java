package fernstep.core.body;

import fernstep.core.measure.Side;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The highest load held clean in one family and on one side, as much of it as is left: it halves in 42 days without
 * practice.
 *
 * @param loadIndex today's, aged
 * @param holdS how long that one was held; null where it was moved, not held
 * @param shownOn the day of the session it comes from
 */
public record Capacity(
        LoadFamily family,
        @Nullable Side side,
        double loadIndex,
        @Nullable Integer holdS,
        LocalDate shownOn) {
    private static final double HALF_LIFE_DAYS = 42;
    public static final double USUAL_STEP = 0.10;
    public static final double CAUTIOUS_STEP = 0.05;

    /**
     * A load that was held clean.
     *
     * @param loadIndex of the range, from 0, in thousandths of weight times height
     * @param holdS seconds held; null where it was moved, not held
     */
    public record Clean(
            LocalDate date,
            LoadFamily family,
            @Nullable Side side,
            double loadIndex,
            @Nullable Integer holdS) {}

    /** Empty where nothing of this family and side was done clean up to that day. */
    public static Optional<Capacity> of(List<Clean> log, LoadFamily family, @Nullable Side side, LocalDate today) {
        return log.stream()
                .filter(clean -> clean.family() == family && !clean.date().isAfter(today))
                .filter(clean -> clean.side() == null || side == null || clean.side() == side)
                .map(clean -> new Capacity(
                        family, side, aged(clean.loadIndex(), clean.date(), today), clean.holdS(), clean.date()))
                .max(Comparator.comparing(Capacity::loadIndex));
    }

    private static double aged(double index, LocalDate shown, LocalDate today) {
        return index * Math.pow(0.5, ChronoUnit.DAYS.between(shown, today) / HALF_LIFE_DAYS);
    }

    /** What to try next: a step above; the rung's own end of range bounds it. */
    public double nextTarget(double step) {
        return loadIndex * (1 + step);
    }
}
