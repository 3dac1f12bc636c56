package fernstep.exchange.table;

import fernstep.core.measure.Numbers;
import fernstep.exchange.casefile.CaseFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** How every exercise of every session went, at home and with her practitioner, one a line. */
public final class SessionsCsv {
    /** Codes of signs and of the day after stand with blanks between them; nothing asked is empty, nothing told is NONE. */
    static final List<String> HEADER =
            List.of("date", "where", "rung", "side", "result", "effort", "next_day", "signs", "range");

    /** Asked, and nothing was told. */
    static final String NONE = "NONE";

    private SessionsCsv() {}

    public static byte[] written(CaseFile record) {
        return write(record.sessions()).getBytes(StandardCharsets.UTF_8);
    }

    public static String write(List<CaseFile.Trained> sessions) {
        List<List<Object>> rows = new ArrayList<>();
        for (CaseFile.Trained s : sessions) {
            for (CaseFile.Went r : s.results()) {
                rows.add(List.of(
                        s.date().toString(),
                        s.atHome() ? "HOME" : "STUDIO",
                        r.rung(),
                        r.side() == null ? "" : r.side().name(),
                        r.result().name(),
                        Objects.requireNonNullElse(r.effort(), ""),
                        nextDay(r.nextDay()),
                        r.signs().replace(',', ' '),
                        Numbers.plain(r.range())));
            }
        }
        return Csv.write(HEADER, rows);
    }

    private static String nextDay(@Nullable String told) {
        if (told == null) {
            return "";
        }
        return told.isEmpty() ? NONE : told.replace(',', ' ');
    }
}
