package fernstep.exchange.table;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;

/**
 * A table as it was found in a file: its header, its rows, and how it was written.
 *
 * @param separator comma, semicolon or tab
 * @param decimalComma whether 2,5 is two and a half
 */
public record TableText(List<String> header, List<Row> rows, Charset charset, char separator, boolean decimalComma) {
    /** Characters a file may be in when it is not Unicode; which of them, only its reader can say. */
    public static final List<String> OLDER = List.of("windows-1252", "windows-1250", "ISO-8859-15");

    public static final int MOST_ROWS = 200_000;
    private static final int MOST_COLUMNS = 60;
    private static final int LONGEST_CELL = 500;
    private static final char[] SEPARATORS = {',', ';', '\t'};
    private static final char BOM = '\uFEFF';
    private static final Pattern WITH_COMMA = Pattern.compile("-?\\d+,\\d+");
    private static final Pattern WITH_POINT = Pattern.compile("-?\\d+\\.\\d+");

    public TableText {
        header = List.copyOf(header);
        rows = List.copyOf(rows);
    }

    /**
     * One row.
     *
     * @param line in the file, from 1
     */
    public record Row(long line, List<String> cells) {
        /** Without the blanks around it; empty where the row is shorter. */
        public String cell(int column) {
            return column < 0 || column >= cells.size() ? "" : cells.get(column).strip();
        }
    }

    /** A file that is no table. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1L;

        /** What is wrong. */
        public enum Why {
            EMPTY,
            /** Not Unicode: its characters must be said. */
            CHARACTERS,
            NO_TABLE,
            TOO_MANY_ROWS,
            BOTH_DECIMALS
        }

        private final Why why;
        private final long line;

        Refused(Why why, long line) {
            super(why + " in line " + line);
            this.why = why;
            this.line = line;
        }

        public Why why() {
            return why;
        }

        /** 0 where it is about the whole file. */
        public long line() {
            return line;
        }
    }

    /**
     * Reads a file.
     *
     * @param said the characters it is in; null finds out, where it is Unicode
     * @throws Refused where it is no table, or its characters must be said
     */
    public static TableText read(byte[] bytes, @Nullable String said) throws Refused {
        Charset charset = said == null ? unicode(bytes) : Charset.forName(said);
        return read(decoded(bytes, charset), charset);
    }

    /** Reads text that was decoded before. */
    public static TableText read(String whole, Charset charset) throws Refused {
        String text = !whole.isEmpty() && whole.charAt(0) == BOM ? whole.substring(1) : whole;
        if (text.isBlank()) {
            throw new Refused(Refused.Why.EMPTY, 0);
        }
        char separator = separator(text.lines().findFirst().orElse(""));
        List<Row> rows = new ArrayList<>();
        List<String> header = rows(text, separator, rows);
        return new TableText(header, rows, charset, separator, decimalComma(rows));
    }

    private static Charset unicode(byte[] bytes) {
        boolean little = bytes.length > 1 && bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE;
        boolean big = bytes.length > 1 && bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF;
        return little || big ? StandardCharsets.UTF_16 : StandardCharsets.UTF_8;
    }

    private static String decoded(byte[] bytes, Charset charset) throws Refused {
        try {
            String text = charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            if (text.indexOf('\0') >= 0) {
                throw new Refused(Refused.Why.NO_TABLE, 0);
            }
            return text;
        } catch (CharacterCodingException e) {
            throw new Refused(Refused.Why.CHARACTERS, 0);
        }
    }

    /** The one that stands most often in the first line. */
    private static char separator(String first) {
        char best = SEPARATORS[0];
        for (char c : SEPARATORS) {
            if (first.chars().filter(x -> x == c).count() > count(first, best)) {
                best = c;
            }
        }
        return best;
    }

    private static long count(String text, char letter) {
        return text.chars().filter(x -> x == letter).count();
    }

    /** @return the header */
    private static List<String> rows(String text, char separator, List<Row> rows) throws Refused {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(true)
                .build();
        List<String> header = List.of();
        long line = 1;
        try (CSVParser parser = new CSVParser(new StringReader(text), format)) {
            for (CSVRecord found : parser) {
                List<String> cells = Arrays.asList(found.values());
                if (cells.size() > MOST_COLUMNS || cells.stream().anyMatch(cell -> cell.length() > LONGEST_CELL)) {
                    throw new Refused(Refused.Why.NO_TABLE, line);
                }
                if (header.isEmpty()) {
                    header = cells.stream().map(String::strip).toList();
                } else if (rows.size() == MOST_ROWS) {
                    throw new Refused(Refused.Why.TOO_MANY_ROWS, line);
                } else if (cells.stream().anyMatch(cell -> !cell.isBlank())) {
                    rows.add(new Row(line, cells));
                }
                line = parser.getCurrentLineNumber() + 1;
            }
        } catch (IOException | IllegalStateException | UncheckedIOException e) {
            throw new Refused(Refused.Why.NO_TABLE, line);
        }
        if (header.size() < 2) {
            throw new Refused(Refused.Why.NO_TABLE, 1);
        }
        return header;
    }

    private static boolean decimalComma(List<Row> rows) throws Refused {
        long comma = 0;
        long point = 0;
        for (Row row : rows) {
            for (String cell : row.cells()) {
                // several values of a reading stand with blanks between them
                for (String part : cell.strip().split(" ")) {
                    comma += WITH_COMMA.matcher(part).matches() ? 1 : 0;
                    point += WITH_POINT.matcher(part).matches() ? 1 : 0;
                }
            }
        }
        if (comma > 0 && point > 0) {
            throw new Refused(Refused.Why.BOTH_DECIMALS, 0);
        }
        return comma > 0;
    }

    /** A header's name as it is compared: letters and digits alone. */
    static String plain(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    }
}
