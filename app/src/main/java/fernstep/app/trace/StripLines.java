package fernstep.app.trace;

import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace;
import fernstep.core.trace.LiveTrace.Sample;
import fernstep.core.trace.Samples;
import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Lines of the strips as a page is told them.
 *
 * @param ms times of the points
 * @param lines by channel, null where a point is missing
 * @param outBreaths from and to, in ms; the last may still be going on
 * @param bandLow where the cuff may be at the least, mmHg; null before a device speaks
 * @param bandHigh where it may be at most
 */
record StripLines(
        String state,
        List<Double> ms,
        Map<String, List<Double>> lines,
        List<List<Double>> outBreaths,
        @Nullable Double bandLow,
        @Nullable Double bandHigh,
        List<String> problems) {
    /** What a page that opens late is given, ms. */
    static final double SHOWN_MS = 30_000;
    /** Of a line: as many points as a strip can show. */
    private static final int SHOWN_POINTS = 1200;

    static StripLines of(
            String state,
            Optional<Samples> samples,
            Optional<TraceReport> report,
            LiveTrace.@Nullable Settings settings,
            List<String> problems) {
        List<Double> ms = new ArrayList<>();
        Map<String, List<Double>> lines = new TreeMap<>();
        samples.ifPresent(each -> {
            int step = Math.max(1, each.size() / SHOWN_POINTS);
            for (Channel channel : Channel.values()) {
                if (each.has(channel)) {
                    lines.put(channel.name(), new ArrayList<>());
                }
            }
            // the newest is always one of them: the page counts from it
            for (int i = (each.size() - 1) % step; i < each.size(); i += step) {
                ms.add(each.timeMs(i));
                for (Map.Entry<String, List<Double>> line : lines.entrySet()) {
                    double value = each.value(Channel.valueOf(line.getKey()), i);
                    line.getValue().add(Double.isNaN(value) ? null : Double.valueOf(value));
                }
            }
        });
        return new StripLines(
                state,
                ms,
                lines,
                report.map(StripLines::outBreaths).orElse(List.of()),
                settings == null ? null : settings.bandLowMmHg(),
                settings == null ? null : settings.bandHighMmHg(),
                problems);
    }

    /** What came after a moment, of the last half minute. */
    static Samples later(Samples all, double ms) {
        List<Sample> late = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            if (all.timeMs(i) > Math.max(ms, all.timeMs(all.size() - 1) - SHOWN_MS)) {
                Map<Channel, Double> values = new TreeMap<>();
                for (Channel channel : Channel.values()) {
                    if (!Double.isNaN(all.value(channel, i))) {
                        values.put(channel, all.value(channel, i));
                    }
                }
                late.add(new Sample(all.timeMs(i), values));
            }
        }
        return SampleBody.of(late);
    }

    /** Each goes on to the next in-breath, or to the gap before it; the last may still be going on. */
    static List<List<Double>> outBreaths(TraceReport report) {
        List<List<Double>> all = new ArrayList<>();
        List<TraceReport.Breath> breaths = report.breaths();
        for (int i = 0; i < breaths.size(); i++) {
            double out = breaths.get(i).outMs();
            double next = i + 1 < breaths.size() ? breaths.get(i + 1).inMs() : Double.POSITIVE_INFINITY;
            double end = report.gaps().stream()
                    .mapToDouble(Trace.Gap::startMs)
                    .filter(gap -> gap > out)
                    .min()
                    .orElse(next);
            double until = Math.min(next, end);
            all.add(Double.isInfinite(until) ? List.of(out) : List.of(out, until));
        }
        return all;
    }
}
