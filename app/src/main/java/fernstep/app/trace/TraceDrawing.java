package fernstep.app.trace;

import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace;
import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceReport;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** A whole recording as three strips on one time axis, and its repetitions laid over each other, as points of SVG lines. */
public record TraceDrawing(
        List<Strip> strips, List<Span> outBreaths, List<RepSpan> reps, List<Over> overlay, double lengthS) {
    public static final int WIDTH = 1000;
    public static final int STRIP_HEIGHT = 90;
    public static final int OVER_WIDTH = 600;
    public static final int OVER_HEIGHT = 260;
    private static final int POINTS = 1400;
    private static final int OVER_POINTS = 120;
    private static final double BEFORE_S = 1.5;
    private static final double AFTER_S = 2;
    private static final double MARGIN = 6;
    private static final double REST_S = 1;

    /**
     * One channel.
     *
     * @param lines pieces between gaps
     * @param low least value drawn, in its unit
     * @param high greatest value drawn
     * @param bandTop upper edge of the band that is allowed; null where there is none
     */
    public record Strip(
            Channel channel,
            List<String> lines,
            double low,
            double high,
            @Nullable Double bandTop,
            @Nullable Double bandHeight) {}

    /** From x, so wide. */
    public record Span(double x, double width) {}

    /** @param kind sure, unsure or clean */
    public record RepSpan(int rep, double x, double width, String kind) {}

    /** @param kind best, worst, or nothing */
    public record Over(int rep, String kind, List<String> lines) {}

    static TraceDrawing of(Trace trace, TraceReport report, double startMs, LiveTrace.Settings settings) {
        double end = startMs + Math.max(1, trace.durationMs());
        List<Strip> strips = new ArrayList<>();
        for (Channel channel : Channel.values()) {
            if (trace.has(channel)) {
                strips.add(strip(trace, channel, startMs, end, settings));
            }
        }
        double scale = WIDTH / (end - startMs);
        List<Span> outs = new ArrayList<>();
        StripLines.outBreaths(report).stream()
                .filter(values -> values.size() == 2)
                .forEach(values ->
                        outs.add(new Span((values.get(0) - startMs) * scale, (values.get(1) - values.get(0)) * scale)));
        List<RepSpan> reps = report.reps().stream()
                .map(rep -> new RepSpan(
                        rep.rep(),
                        (rep.startMs() - startMs) * scale,
                        Math.max(2, (rep.endMs() - rep.startMs()) * scale),
                        kind(rep)))
                .toList();
        return new TraceDrawing(
                strips, outs, reps, overlay(trace, report, settings.toleranceMmHg()), (end - startMs) / 1000);
    }

    static String kind(TraceReport.Rep rep) {
        if (!rep.clean()) {
            return "sure";
        }
        return rep.verdict().isEmpty() ? "clean" : "unsure";
    }

    private static Strip strip(Trace trace, Channel channel, double fromMs, double toMs, LiveTrace.Settings settings) {
        double[] line = trace.line(channel, fromMs, toMs, POINTS);
        double low = Arrays.stream(line).filter(x -> !Double.isNaN(x)).min().orElse(0);
        double high = Arrays.stream(line).filter(x -> !Double.isNaN(x)).max().orElse(1);
        Double top = null;
        Double height = null;
        if (channel == Channel.CUFF) {
            low = Math.min(low, settings.bandLowMmHg() - 2);
            high = Math.max(high, settings.bandHighMmHg() + 2);
            top = y(settings.bandHighMmHg(), low, high, STRIP_HEIGHT);
            height = y(settings.bandLowMmHg(), low, high, STRIP_HEIGHT) - top;
        }
        high = high > low ? high : low + 1;
        return new Strip(channel, pieces(line, low, high, WIDTH, STRIP_HEIGHT), low, high, top, height);
    }

    /** Each repetition of the cuff from a second and a half before the lift, against the second before it. */
    private static List<Over> overlay(Trace trace, TraceReport report, double tolerance) {
        if (!trace.has(Channel.CUFF) || report.reps().isEmpty()) {
            return List.of();
        }
        double longest = report.reps().stream()
                .mapToDouble(each -> each.endMs() - each.startMs())
                .max()
                .orElse(0);
        double most = Math.max(
                1.5 * tolerance,
                1.1
                        * report.reps().stream()
                                .mapToDouble(each -> each.excursionMmHg() == null ? 0 : Math.abs(each.excursionMmHg()))
                                .max()
                                .orElse(0));
        List<Over> all = new ArrayList<>();
        for (TraceReport.Rep rep : report.reps()) {
            double from = rep.startMs() - 1000 * BEFORE_S;
            double[] rest = trace.line(Channel.CUFF, rep.startMs() - 1000 * REST_S, rep.startMs(), 10);
            double level =
                    Arrays.stream(rest).filter(x -> !Double.isNaN(x)).average().orElse(Double.NaN);
            double[] line = trace.line(Channel.CUFF, from, rep.startMs() + longest + 1000 * AFTER_S, OVER_POINTS);
            double[] moved = Arrays.stream(line).map(x -> x - level).toArray();
            all.add(new Over(rep.rep(), extreme(report, rep), pieces(moved, -most, most, OVER_WIDTH, OVER_HEIGHT)));
        }
        // the two that matter are drawn last, on top
        all.sort((one, other) ->
                Boolean.compare(!one.kind().isEmpty(), !other.kind().isEmpty()));
        return all;
    }

    static String extreme(TraceReport report, TraceReport.Rep rep) {
        if (report.best().filter(each -> each.startMs() == rep.startMs()).isPresent()) {
            return "best";
        }
        return report.worst().filter(each -> each.startMs() == rep.startMs()).isPresent() ? "worst" : "";
    }

    private static List<String> pieces(double[] line, double low, double high, int width, int height) {
        List<String> pieces = new ArrayList<>();
        StringBuilder piece = new StringBuilder();
        for (int i = 0; i < line.length; i++) {
            if (Double.isNaN(line[i])) {
                end(piece, pieces);
            } else {
                piece.append(String.format(
                        Locale.ROOT,
                        "%.1f,%.1f ",
                        (double) i * width / (line.length - 1),
                        y(Math.max(low, Math.min(high, line[i])), low, high, height)));
            }
        }
        end(piece, pieces);
        return pieces;
    }

    private static void end(StringBuilder piece, List<String> pieces) {
        if (piece.length() > 0) {
            pieces.add(piece.toString().strip());
        }
        piece.setLength(0);
    }

    private static double y(double value, double low, double high, int height) {
        return MARGIN + (high - value) / (high - low) * (height - 2 * MARGIN);
    }
}
