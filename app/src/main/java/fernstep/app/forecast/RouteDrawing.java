package fernstep.app.forecast;

import fernstep.app.support.Words;
import fernstep.core.forecast.Forecast;
import fernstep.core.measure.Side;
import fernstep.core.screening.Gate;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The forecast as a dated route: one band a rung from the early to the late date, in units of a wide view box. */
public record RouteDrawing(List<Row> rows, List<Mark> weeks, List<Mark> gates, int height) {
    private static final int LEFT = 190;
    private static final int RIGHT = 985;
    private static final int ROW = 24;
    private static final int TOP = 44;
    private static final int AHEAD_PER_STRAND = 2;
    private static final int WEEK_STEP = 4;
    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /**
     * One rung.
     *
     * @param from x of the early date
     * @param middle x of the middle date, or null where fewer than half the runs reach it
     * @param to x of the late date, or the right edge
     * @param ofGoal one of the rungs of her goal
     */
    public record Row(
            String label,
            double y,
            double from,
            @Nullable Double middle,
            double to,
            boolean ends,
            boolean ofGoal,
            String text) {}

    /** A line across the route. */
    public record Mark(double x, String text) {}

    /** @param inTraining strands to show besides those of the goal; all where it is empty */
    static RouteDrawing of(Forecast.Question question, Forecast forecast, Set<Strand> inTraining, Words words) {
        List<Row> rows = new ArrayList<>();
        Map<String, Integer> shown = new HashMap<>();
        List<String> goal =
                question.goal() == null ? List.of() : question.goal().rungs(question.catalogue());
        for (Forecast.Route route : forecast.routes()) {
            String strand = route.rung().strand() + "/" + route.side();
            boolean ofGoal = goal.contains(route.rung().code());
            if (!inTraining.isEmpty() && !inTraining.contains(route.rung().strand()) && !ofGoal) {
                continue;
            }
            int before = shown.merge(strand, 1, Integer::sum);
            if ((before > AHEAD_PER_STRAND && !ofGoal) || route.opens().p10() == null) {
                continue;
            }
            rows.add(row(question, route, ofGoal, TOP + ROW * rows.size(), words));
        }
        List<Mark> weeks = new ArrayList<>();
        for (int week = 0; week <= question.horizon().weeks(); week += WEEK_STEP) {
            LocalDate day = question.horizon().today().plusWeeks(week);
            weeks.add(new Mark(x(question, day), week == 0 ? "today" : SHORT.format(day)));
        }
        List<Mark> gates = new ArrayList<>();
        Screening screening = question.start().known().screening();
        if (screening != null) {
            for (Gate gate : screening.gates().values()) {
                LocalDate opens = gate.opensOn();
                if (!gate.open()
                        && opens != null
                        && opens.isBefore(question.horizon()
                                .today()
                                .plusWeeks(question.horizon().weeks()))) {
                    gates.add(new Mark(x(question, opens), words.code(gate.code())));
                }
            }
        }
        return new RouteDrawing(rows, weeks, gates, TOP + ROW * Math.max(1, rows.size()) + 8);
    }

    private static Row row(Forecast.Question question, Forecast.Route route, boolean ofGoal, double y, Words words) {
        Forecast.Quantiles o = route.opens();
        String side = side(route.side());
        LocalDate early = o.p10() == null ? question.horizon().today() : o.p10();
        boolean ends = o.p90() != null;
        String text = route.rung().code() + side + " " + words.name(route.rung()) + ": " + words.day(early)
                + " in 10 of 100, "
                + (o.p50() == null ? "not in half of them" : words.day(o.p50()) + " in 50") + ", "
                + (o.p90() == null ? "not in 90 by the end" : words.day(o.p90()) + " in 90");
        return new Row(
                route.rung().code() + side + " " + shortened(words.name(route.rung())),
                y,
                x(question, early),
                o.p50() == null ? null : x(question, o.p50()),
                o.p90() == null ? RIGHT : x(question, o.p90()),
                ends,
                ofGoal,
                text);
    }

    private static String side(@Nullable Side side) {
        if (side == null) {
            return "";
        }
        return side == Side.LEFT ? " L" : " R";
    }

    private static String shortened(String name) {
        return name.length() <= 24 ? name : name.substring(0, 23).stripTrailing() + "…";
    }

    private static double x(Forecast.Question question, LocalDate day) {
        double share = (double) ChronoUnit.DAYS.between(question.horizon().today(), day)
                / (7.0 * question.horizon().weeks());
        return Math.round(10 * (LEFT + (RIGHT - LEFT) * Math.max(0, Math.min(1, share)))) / 10.0;
    }
}
