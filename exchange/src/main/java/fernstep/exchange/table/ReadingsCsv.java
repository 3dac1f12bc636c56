package fernstep.exchange.table;

import fernstep.core.measure.Numbers;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Width;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Every reading of a separation, one a line; what is worked out from it (width, error) stands beside what was read. */
public final class ReadingsCsv {
    private static final String HEADER =
            "date,site_cm,condition,method,values,width_mm,error_mm,calibrated,depth_mm,depth,feel";
    private static final String LINE_END = "\r\n";

    private ReadingsCsv() {}

    /**
     * A width and the day on which it was read.
     *
     * @param depth as it was felt; null where it was not, or was measured
     */
    public record Line(LocalDate day, Width width, @Nullable Depth depth) {}

    public static String write(List<Line> lines) {
        StringBuilder csv = new StringBuilder(HEADER).append(LINE_END);
        lines.forEach(each -> csv.append(line(each)).append(LINE_END));
        return csv.toString();
    }

    private static String line(Line line) {
        Reading r = line.width().reading();
        return String.join(
                ",",
                line.day().toString(),
                number(r.siteCm(), 1),
                r.condition().name(),
                r.method().name(),
                r.values().stream().map(value -> number(value, 2)).collect(Collectors.joining(" ")),
                number(line.width().mm(), 2),
                number(line.width().errorMm(), 2),
                String.valueOf(line.width().calibrated()),
                r.depthMm() == null ? "" : number(r.depthMm(), 2),
                line.depth() == null ? "" : line.depth().name(),
                r.feel() == null ? "" : r.feel().name());
    }

    private static String number(double value, int decimals) {
        return Numbers.plain(Numbers.rounded(value, decimals));
    }
}
