package fernstep.exchange.table;

import fernstep.core.measure.Numbers;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Width;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;

/** Every reading of a separation, one a line. */
public final class ReadingsCsv {
    private static final String HEADER = "date,site_cm,condition,method,values,width_mm,error_mm,calibrated";
    private static final String LINE_END = "\r\n";

    private ReadingsCsv() {}

    /** A width and the day on which it was read. */
    public record Line(LocalDate day, Width width) {}

    public static String write(List<Line> lines) {
        StringBuilder csv = new StringBuilder(HEADER).append(LINE_END);
        lines.forEach(l -> csv.append(line(l)).append(LINE_END));
        return csv.toString();
    }

    private static String line(Line l) {
        Reading r = l.width().reading();
        return String.join(
                ",",
                l.day().toString(),
                number(r.siteCm(), 1),
                r.condition().name(),
                r.method().name(),
                r.values().stream().map(v -> number(v, 2)).collect(Collectors.joining(" ")),
                number(l.width().mm(), 2),
                number(l.width().errorMm(), 2),
                String.valueOf(l.width().calibrated()));
    }

    private static String number(double value, int decimals) {
        return Numbers.plain(Numbers.rounded(value, decimals));
    }
}
