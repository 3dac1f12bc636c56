package fernstep.app.transfer;

import fernstep.app.check.ReadingRow;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.table.TableKind;
import fernstep.exchange.table.TableKind.Column;
import fernstep.exchange.table.TableText;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** What would become of a table, row by row: nothing is written yet. */
record TablePreview(TableText table, TableKind kind, Map<Column, Integer> columns, List<Line> lines) {
    TablePreview {
        columns = Map.copyOf(columns);
        lines = List.copyOf(lines);
    }

    /** What becomes of a row. */
    public enum Becomes {
        NEW,
        CHANGED,
        SAME,
        REFUSED
    }

    /**
     * One row.
     *
     * @param clientId 0 where nobody is found
     * @param before what stands there now, of a reading
     * @param problem null unless it is refused
     */
    public record Line(
            long line,
            Becomes becomes,
            long clientId,
            String client,
            @Nullable LocalDate day,
            CaseFile.@Nullable Read reading,
            CaseFile.@Nullable Went result,
            boolean atHome,
            @Nullable ReadingRow before,
            @Nullable CaseProblem problem) {
        static Line refused(long line, String client, CaseProblem problem) {
            return new Line(line, Becomes.REFUSED, 0, client, null, null, null, false, null, problem);
        }
    }

    public Map<Becomes, Long> counts() {
        Map<Becomes, Long> counts = new EnumMap<>(Becomes.class);
        Arrays.stream(Becomes.values()).forEach(becomes -> counts.put(becomes, 0L));
        lines.forEach(line -> counts.merge(line.becomes(), 1L, Long::sum));
        return counts;
    }

    public long refused() {
        return lines.stream().filter(line -> line.becomes() == Becomes.REFUSED).count();
    }

    /** Rows that would be written. */
    public List<Line> toWrite() {
        return lines.stream()
                .filter(line -> line.becomes() == Becomes.NEW || line.becomes() == Becomes.CHANGED)
                .toList();
    }

    /** Columns of the file that nothing is taken from. */
    public List<String> left() {
        return IntStream.range(0, table.header().size())
                .filter(index -> !columns.containsValue(index))
                .mapToObj(table.header()::get)
                .filter(text -> !text.isBlank())
                .toList();
    }
}
