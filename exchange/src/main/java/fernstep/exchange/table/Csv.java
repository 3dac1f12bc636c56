package fernstep.exchange.table;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Any table as CSV: quoted where it must be, and no cell that a spreadsheet would take for a formula. */
public final class Csv {
    private static final String BEGINS_A_FORMULA = "=+-@\t\r";

    private Csv() {}

    /** The header and one line a row, each ended by CRLF. */
    public static String write(List<String> header, List<? extends List<?>> rows) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(header);
            for (List<?> row : rows) {
                csv.printRecord(row.stream().map(Csv::harmless).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static Object harmless(Object cell) {
        return cell instanceof String text && !text.isEmpty() && BEGINS_A_FORMULA.indexOf(text.charAt(0)) >= 0
                ? "'" + text
                : cell;
    }
}
