package fernstep.exchange.table;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** The tables that can be brought in, and what their columns may be called. */
public enum TableKind {
    READINGS(
            Column.CLIENT,
            Column.DATE,
            Column.SITE_CM,
            Column.CONDITION,
            Column.METHOD,
            Column.VALUES,
            Column.DEPTH_MM,
            Column.DEPTH,
            Column.FEEL),
    /** At home and with her practitioner: one table, told apart by a column. */
    SESSIONS(
            Column.CLIENT,
            Column.DATE,
            Column.WHERE,
            Column.RUNG,
            Column.SIDE,
            Column.RESULT,
            Column.EFFORT,
            Column.NEXT_DAY,
            Column.SIGNS,
            Column.RANGE);

    /** One column, with other names it goes by. */
    public enum Column {
        CLIENT(true, "client", "name", "client name", "clientid", "id", "person"),
        DATE(true, "date", "day", "held on", "when"),
        SITE_CM(true, "site_cm", "site", "cm from navel", "place"),
        CONDITION(true, "condition", "state", "doing"),
        METHOD(true, "method", "how", "taken by"),
        VALUES(true, "values", "value", "width", "reading", "fingers"),
        DEPTH_MM(false, "depth_mm"),
        DEPTH(false, "depth"),
        FEEL(false, "feel", "tissue"),
        WHERE(false, "where", "location"),
        RUNG(true, "rung", "exercise", "code"),
        SIDE(false, "side"),
        RESULT(true, "result", "outcome", "went"),
        EFFORT(false, "effort", "rpe"),
        NEXT_DAY(false, "next_day", "day after"),
        SIGNS(false, "signs", "seen"),
        RANGE(false, "range");

        private final boolean needed;
        private final List<String> names;

        Column(boolean needed, String... names) {
            this.needed = needed;
            this.names = Arrays.stream(names).map(TableText::plain).toList();
        }

        public boolean needed() {
            return needed;
        }

        /** As a file that goes out writes it. */
        public String header() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private final List<Column> columns;

    TableKind(Column... columns) {
        this.columns = List.of(columns);
    }

    public List<Column> columns() {
        return columns;
    }

    /** Which column of the file each of ours is, by its names; what is not found is not there. */
    public Map<Column, Integer> matched(List<String> header) {
        Map<Column, Integer> found = new EnumMap<>(Column.class);
        for (Column column : columns) {
            for (String name : column.names) {
                for (int i = 0; i < header.size() && !found.containsKey(column); i++) {
                    if (TableText.plain(header.get(i)).equals(name) && !found.containsValue(i)) {
                        found.put(column, i);
                    }
                }
            }
        }
        return found;
    }

    /** The kind whose needed columns are all there, or most of them. */
    public static Optional<TableKind> of(List<String> header) {
        return Arrays.stream(values())
                .filter(kind -> kind.missing(kind.matched(header)).size() < 3)
                .min(Comparator.comparing(
                        kind -> kind.missing(kind.matched(header)).size()));
    }

    /** Needed columns that no column of the file is. */
    public List<Column> missing(Map<Column, Integer> matched) {
        return columns.stream()
                .filter(column -> column.needed() && !matched.containsKey(column))
                .collect(Collectors.toList());
    }
}
