package fernstep.app.progress;

import fernstep.app.support.Words;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import fernstep.core.plan.DoseRules;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** The sessions of one strand and side on a line of days, and under them the path of rung and dose. */
public record StrandStrip(List<Mark> marks, String path, List<Label> labels, List<Tick> ticks) {
    private static final int MOST_DAYS = 126;
    private static final int LEAST_DAYS = 42;
    private static final int WIDTH = 620;
    private static final int TOP = 46;
    private static final int BOTTOM = 96;

    /**
     * One session.
     *
     * @param kind the result in small letters, for its shape
     */
    public record Mark(double x, String kind, String text) {}

    /** A rung where the path reaches it. */
    public record Label(double x, double y, String text) {}

    /** A day on the line. */
    public record Tick(double x, String text) {}

    static StrandStrip of(
            Strand strand,
            @Nullable Side side,
            List<LadderRow> path,
            List<ResultRow> results,
            Catalogue catalogue,
            DoseStance stance,
            LocalDate today,
            Words words) {
        LocalDate from = path.stream()
                .map(LadderRow::since)
                .min(LocalDate::compareTo)
                .map(first -> first.minusDays(1))
                .filter(first -> first.isAfter(today.minusDays(MOST_DAYS)))
                .map(first -> first.isAfter(today.minusDays(LEAST_DAYS)) ? today.minusDays(LEAST_DAYS) : first)
                .orElse(today.minusDays(MOST_DAYS));
        Scale scale = new Scale(from, (int) ChronoUnit.DAYS.between(from, today));
        List<Mark> marks = new ArrayList<>();
        for (ResultRow r : results) {
            boolean here = catalogue
                    .find(r.rung())
                    .map(rung -> rung.strand() == strand && (r.sideOrNull() == side || !rung.perSide()))
                    .orElse(false);
            if (here && !r.heldOn().isBefore(from)) {
                marks.add(new Mark(
                        scale.x(r.heldOn()),
                        r.result().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        told(r, words)));
            }
        }
        List<LadderRow> steps = path.stream()
                .filter(row -> row.strand() == strand && row.sideOrNull() == side)
                .toList();
        return new StrandStrip(
                marks,
                line(steps, catalogue, stance, scale, today),
                labels(steps, catalogue, stance, scale),
                ticks(scale));
    }

    /** All strips of a client share it. */
    private static String told(ResultRow row, Words words) {
        String went =
                words.text("strip.went", words.day(row.heldOn()), row.rung(), words.text("result." + row.result()));
        String effort = row.effort() == null ? went : words.text("strip.effort", went, row.effort());
        return row.nextDay() == null || row.nextDay().isEmpty()
                ? effort
                : words.text("strip.dayAfter", effort, words.symptoms(row.nextDay()));
    }

    private record Scale(LocalDate from, int days) {
        double x(LocalDate day) {
            return Math.round(10.0 * WIDTH * Math.max(0, ChronoUnit.DAYS.between(from, day)) / days) / 10.0;
        }
    }

    /** Rung by rung and, within a rung, from the bottom of its window to the top. */
    private static double level(LadderRow step, Catalogue catalogue, DoseStance stance) {
        Rung rung = catalogue.rung(step.rung());
        return rung.order() + DoseRules.share(step.dose(), DoseRules.window(rung.window(), stance), stance);
    }

    private static double[] span(List<LadderRow> steps, Catalogue catalogue) {
        int low = steps.stream()
                .mapToInt(row -> catalogue.rung(row.rung()).order())
                .min()
                .orElse(1);
        int high = steps.stream()
                .mapToInt(row -> catalogue.rung(row.rung()).order())
                .max()
                .orElse(1);
        return new double[] {low, high + 1};
    }

    private static double y(double level, double[] span) {
        return Math.round(10 * (BOTTOM - (BOTTOM - TOP) * (level - span[0]) / (span[1] - span[0]))) / 10.0;
    }

    private static String line(
            List<LadderRow> steps, Catalogue catalogue, DoseStance stance, Scale scale, LocalDate today) {
        if (steps.isEmpty()) {
            return "";
        }
        double[] span = span(steps, catalogue);
        StringBuilder d = new StringBuilder();
        for (LadderRow step : steps) {
            double x = scale.x(step.since());
            double y = y(level(step, catalogue, stance), span);
            d.append(d.isEmpty() ? "M" + x + " " + y : "H" + x + "V" + y);
        }
        return d.append("H").append(scale.x(today)).toString();
    }

    private static List<Label> labels(List<LadderRow> steps, Catalogue catalogue, DoseStance stance, Scale scale) {
        double[] span = span(steps, catalogue);
        List<Label> labels = new ArrayList<>();
        String before = "";
        for (LadderRow step : steps) {
            if (!step.rung().equals(before)) {
                double x = Math.min(WIDTH - 30, scale.x(step.since()) + 3);
                labels.removeIf(label -> Math.abs(label.x() - x) < 24);
                labels.add(new Label(x, y(level(step, catalogue, stance), span) - 4, step.rung()));
                before = step.rung();
            }
        }
        return labels;
    }

    private static List<Tick> ticks(Scale scale) {
        List<Tick> ticks = new ArrayList<>();
        LocalDate month = scale.from().withDayOfMonth(1).plusMonths(1);
        while (month.isBefore(scale.from().plusDays(scale.days()))) {
            ticks.add(new Tick(
                    scale.x(month), month.getMonth().getDisplayName(java.time.format.TextStyle.SHORT, Locale.ENGLISH)));
            month = month.plusMonths(1);
        }
        return ticks;
    }
}
