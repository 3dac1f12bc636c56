package fernstep.exchange.table;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.OutOfRange;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.progress.SessionResult;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.table.TableKind.Column;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Reads the rows of a table, each into what it says or a problem by its column.
 *
 * @param columns which column of the file each of ours is
 */
public record TableRows(TableText table, Map<Column, Integer> columns, Catalogue catalogue, LocalDate today) {
    private static final Set<String> SIGNS =
            Arrays.stream(SignCode.values()).map(Enum::name).collect(Collectors.toSet());
    private static final int LONGEST_SIGNS = 120;

    public TableRows {
        columns = Map.copyOf(columns);
    }

    private String cell(TableText.Row row, Column column) {
        return row.cell(columns.getOrDefault(column, -1));
    }

    /** Whom a row is about, as it says; empty where no column says. */
    public String client(TableText.Row row) {
        return cell(row, Column.CLIENT);
    }

    /** @throws CaseProblem where it is no day, or one to come */
    public LocalDate day(TableText.Row row) {
        String text = needed(row, Column.DATE);
        LocalDate day;
        try {
            day = LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw problem(Column.DATE, "not a calendar day: " + text, "YYYY-MM-DD");
        }
        if (day.isAfter(today)) {
            throw problem(Column.DATE, day + " is still to come", "up to " + today);
        }
        return day;
    }

    /** @throws CaseProblem where no reading can be built from it */
    public CaseFile.Read reading(TableText.Row row) {
        double siteCm = number(row, Column.SITE_CM, Range.SITE_CM)
                .orElseThrow(() -> problem(Column.SITE_CM, "is missing", Range.SITE_CM.allowed()));
        Condition condition = code(row, Column.CONDITION, Condition.class)
                .orElseThrow(() -> problem(Column.CONDITION, "is missing", names(Condition.class)));
        Method method = code(row, Column.METHOD, Method.class)
                .orElseThrow(() -> problem(Column.METHOD, "is missing", names(Method.class)));
        Range unit = method == Method.FINGERS ? Range.FINGERS : Range.WIDTH_MM;
        List<Double> values = new ArrayList<>();
        for (String part : needed(row, Column.VALUES).split("\\s+")) {
            values.add(number(part, Column.VALUES, unit));
        }
        Double depthMm = number(row, Column.DEPTH_MM, Range.DEPTH_MM).orElse(null);
        Feel feel = code(row, Column.FEEL, Feel.class).orElse(null);
        try {
            new Reading(siteCm, condition, method, values, depthMm, feel);
        } catch (IllegalArgumentException e) {
            throw problem(Column.VALUES, String.valueOf(e.getMessage()), null);
        }
        return new CaseFile.Read(
                siteCm,
                condition,
                method,
                values,
                depthMm,
                code(row, Column.DEPTH, Depth.class).orElse(null),
                feel);
    }

    /** @throws CaseProblem where it cannot be read */
    public boolean atHome(TableText.Row row) {
        String where = cell(row, Column.WHERE).toUpperCase(Locale.ROOT);
        if (!Set.of("", "HOME", "STUDIO").contains(where)) {
            throw problem(Column.WHERE, "unknown code " + where, "HOME, STUDIO");
        }
        return where.equals("HOME");
    }

    /** @throws CaseProblem where it cannot be read */
    public CaseFile.Went result(TableText.Row row) {
        String rung = needed(row, Column.RUNG).toUpperCase(Locale.ROOT);
        if (catalogue.find(rung).isEmpty()) {
            throw problem(Column.RUNG, "a rung that is not in this house's catalogue: " + rung, null);
        }
        SessionResult.Kind result = code(row, Column.RESULT, SessionResult.Kind.class)
                .orElseThrow(() -> problem(Column.RESULT, "is missing", names(SessionResult.Kind.class)));
        Double effort = number(row, Column.EFFORT, Range.EFFORT).orElse(null);
        if (effort != null && effort != Math.rint(effort)) {
            throw problem(Column.EFFORT, "expected a whole number", Range.EFFORT.allowed());
        }
        String nextDay = cell(row, Column.NEXT_DAY).toUpperCase(Locale.ROOT);
        return new CaseFile.Went(
                rung,
                code(row, Column.SIDE, Side.class).orElse(null),
                result,
                effort == null ? null : effort.intValue(),
                nextDay.isEmpty() ? null : nextDay(nextDay),
                signs(Column.SIGNS, cell(row, Column.SIGNS).toUpperCase(Locale.ROOT)),
                number(row, Column.RANGE, Range.RANGE_FRACTION).orElse(1.0));
    }

    private static String nextDay(String said) {
        return said.equals(SessionsCsv.NONE) ? "" : signs(Column.NEXT_DAY, said);
    }

    private static String signs(Column column, String text) {
        List<String> codes = Arrays.stream(text.split("[\\s,]+"))
                .filter(part -> !part.isEmpty())
                .toList();
        for (String code : codes) {
            if (!SIGNS.contains(code.replaceFirst(":(10|[0-9])$", ""))) {
                throw problem(column, "unknown code " + code, "codes with blanks, pain as PAIN:level");
            }
        }
        String joined = String.join(",", codes);
        if (joined.length() > LONGEST_SIGNS) {
            throw problem(column, "too many codes", null);
        }
        return joined;
    }

    private String needed(TableText.Row row, Column column) {
        String text = cell(row, column);
        if (text.isEmpty()) {
            throw problem(column, "is missing", null);
        }
        return text;
    }

    private Optional<Double> number(TableText.Row row, Column column, Range range) {
        String text = cell(row, column);
        return text.isEmpty() ? Optional.empty() : Optional.of(number(text, column, range));
    }

    private double number(String text, Column column, Range range) {
        String point = table.decimalComma() ? text.replace(',', '.') : text;
        // what a spreadsheet was kept from taking for a formula comes back as the number it was
        String plain = point.startsWith("'") ? point.substring(1) : point;
        if (!plain.matches("[+-]?\\d{1,6}(\\.\\d{1,6})?")) {
            throw problem(column, "expected a number, not " + text, range.allowed());
        }
        try {
            return range.check(Double.parseDouble(plain));
        } catch (OutOfRange e) {
            throw problem(column, String.valueOf(e.getMessage()), null);
        }
    }

    private <E extends Enum<E>> Optional<E> code(TableText.Row row, Column column, Class<E> type) {
        String text = cell(row, column).toUpperCase(Locale.ROOT).replace(' ', '_');
        if (text.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Arrays.stream(type.getEnumConstants())
                .filter(part -> part.name().equals(text))
                .findFirst()
                .orElseThrow(() -> problem(column, "unknown code " + text, names(type))));
    }

    private static <E extends Enum<E>> String names(Class<E> type) {
        return Arrays.stream(type.getEnumConstants()).map(Enum::name).collect(Collectors.joining(", "));
    }

    private static CaseProblem problem(Column column, String message, @Nullable String allowed) {
        return new CaseProblem(column.header(), message, allowed);
    }
}
