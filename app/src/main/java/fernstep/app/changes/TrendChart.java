package fernstep.app.changes;

import fernstep.app.check.Checks;
import fernstep.core.client.BodyEvent;
import fernstep.core.measure.MeasurementError;
import fernstep.core.measure.TheilSen;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Separation;
import fernstep.core.separation.Width;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The width at one site and condition over the visits, in a {@value #WIDTH} × {@value #HEIGHT} view box: points with
 * error bars (1.96 errors of the mean), the band in which nothing really changed from the first reading, and events.
 *
 * @param gatesX where a dated gate opens
 * @param slopeMmPerWeek Theil–Sen; null below four visits
 * @param interval where the slope lies with 95 %; null below five visits
 */
public record TrendChart(
        double siteCm,
        Condition condition,
        List<Dot> dots,
        double bandTop,
        double bandHeight,
        List<Mark> events,
        List<Double> gatesX,
        List<Tick> ticks,
        String line,
        @Nullable Double slopeMmPerWeek,
        TheilSen.@Nullable Interval interval) {
    static final int WIDTH = 560;
    static final int HEIGHT = 200;
    private static final int LEFT = 40;
    private static final int RIGHT = 545;
    private static final int TOP = 14;
    private static final int BOTTOM = 170;
    private static final double TWO_SIDED_95 = 1.96;
    private static final double DAYS_PER_WEEK = 7;
    private static final int TICK_MM = 10;
    private static final long DAYS_AT_LEAST = 28;

    /** A visit's reading: where it lies, and its error bar. */
    public record Dot(LocalDate day, double mm, double errorMm, double x, double y, double barTop, double barBottom) {}

    /** A birth, an operation or a re-check on the axis. */
    public record Mark(double x, BodyEvent.Kind kind) {}

    /** A width on the upright axis. */
    public record Tick(double y, int mm) {}

    private record Reading(LocalDate day, Width width) {}

    static @Nullable TrendChart of(
            double siteCm,
            Condition condition,
            List<Checks.Taken> history,
            List<BodyEvent> events,
            List<LocalDate> gates,
            Separations separations) {
        List<Reading> readings = new ArrayList<>();
        for (Checks.Taken t : history) {
            separations.of(t).widths().stream()
                    .filter(width -> width.reading().siteCm() == siteCm
                            && width.reading().condition() == condition)
                    .findFirst()
                    .ifPresent(width -> readings.add(new Reading(t.visit().heldOn(), width)));
        }
        return readings.isEmpty() ? null : draw(siteCm, condition, readings, events, gates);
    }

    /** Widths of one visit, worked out. */
    interface Separations {
        Separation of(Checks.Taken taken);
    }

    private static TrendChart draw(
            double siteCm, Condition condition, List<Reading> readings, List<BodyEvent> events, List<LocalDate> gates) {
        Reading first = readings.get(0);
        LocalDate start = first.day();
        long span = Math.max(
                DAYS_AT_LEAST,
                ChronoUnit.DAYS.between(start, readings.get(readings.size() - 1).day()));
        double topMm = readings.stream()
                        .mapToDouble(reading -> reading.width().mm()
                                + TWO_SIDED_95 * reading.width().errorMm())
                        .max()
                        .orElse(0)
                + TICK_MM;
        double limit = MeasurementError.smallestRealChange(
                first.width().errorMm(), first.width().errorMm());
        List<Dot> dots = readings.stream()
                .map(reading -> dot(reading, start, span, topMm))
                .toList();
        List<Tick> ticks = new ArrayList<>();
        for (int mm = 0; mm <= topMm; mm += TICK_MM) {
            ticks.add(new Tick(y(mm, topMm), mm));
        }
        double bandTop = y(Math.min(topMm, first.width().mm() + limit), topMm);
        double bandBottom = y(Math.max(0, first.width().mm() - limit), topMm);
        List<Mark> marks = events.stream()
                .filter(event -> !event.date().isBefore(start))
                .map(event -> new Mark(x(event.date(), start, span), event.kind()))
                .toList();
        LocalDate end = start.plusDays(span);
        List<Double> gatesX = gates.stream()
                .filter(gate -> !gate.isBefore(start) && !gate.isAfter(end))
                .map(gate -> x(gate, start, span))
                .toList();
        StringBuilder line = new StringBuilder();
        dots.forEach(dot -> line.append(line.isEmpty() ? "M" : "L")
                .append(dot.x())
                .append(' ')
                .append(dot.y()));
        List<TheilSen.Point> points = readings.stream()
                .map(reading -> new TheilSen.Point(
                        ChronoUnit.DAYS.between(start, reading.day()) / DAYS_PER_WEEK,
                        reading.width().mm()))
                .toList();
        return new TrendChart(
                siteCm,
                condition,
                dots,
                bandTop,
                bandBottom - bandTop,
                marks,
                gatesX,
                ticks,
                line.toString(),
                TheilSen.slope(points).orElse(null),
                TheilSen.interval(points).orElse(null));
    }

    /** Five visits whose slope may as well be zero tell no trend. */
    public boolean noTrend() {
        return interval != null && interval.holdsZero();
    }

    private static Dot dot(Reading reading, LocalDate start, long span, double topMm) {
        double error = TWO_SIDED_95 * reading.width().errorMm();
        return new Dot(
                reading.day(),
                reading.width().mm(),
                reading.width().errorMm(),
                x(reading.day(), start, span),
                y(reading.width().mm(), topMm),
                y(reading.width().mm() + error, topMm),
                y(Math.max(0, reading.width().mm() - error), topMm));
    }

    private static double x(LocalDate day, LocalDate start, long span) {
        return LEFT + (RIGHT - LEFT) * (double) ChronoUnit.DAYS.between(start, day) / span;
    }

    private static double y(double mm, double topMm) {
        return BOTTOM - (BOTTOM - TOP) * mm / topMm;
    }
}
