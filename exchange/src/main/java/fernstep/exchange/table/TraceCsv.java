package fernstep.exchange.table;

import fernstep.core.trace.Channel;
import fernstep.core.trace.Samples;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A trace as a table (brief 9.4). Wide: {@code t_ms,cuff_mmhg,ribs,belly}, a channel may be missing, an empty cell is a
 * missing sample. Long: {@code t_ms,channel,value,unit}, channels CUFF (mmHg), RIBS, BELLY. Lines that begin with # are
 * remarks; times are ms from the start, rising.
 */
public final class TraceCsv {
    private static final Map<String, Channel> WIDE =
            Map.of("cuff_mmhg", Channel.CUFF, "ribs", Channel.RIBS, "belly", Channel.BELLY);
    private static final List<String> LONG = List.of("t_ms", "channel", "value", "unit");
    private static final int MOST_LINES = 20_000_000;

    private TraceCsv() {}

    /** A line that cannot be read: which, and why. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreadable(int line, String why) {
            super("line " + line + ": " + why);
        }
    }

    /** Numbers that grow as they come. */
    private static final class Column {
        private double[] values = new double[4096];
        private int size;

        void add(double value) {
            if (size == values.length) {
                values = Arrays.copyOf(values, 2 * size);
            }
            values[size++] = value;
        }

        double[] whole() {
            return Arrays.copyOf(values, size);
        }
    }

    /**
     * Wide, with the channels that are there; reading it gives the very same numbers.
     */
    public static String wide(Samples samples) {
        List<Channel> channels =
                Arrays.stream(Channel.values()).filter(samples::has).toList();
        StringBuilder text = new StringBuilder("t_ms");
        channels.forEach(channel -> text.append(',').append(heading(channel)));
        text.append('\n');
        for (int i = 0; i < samples.size(); i++) {
            text.append(written(samples.timeMs(i)));
            for (Channel c : channels) {
                double value = samples.value(c, i);
                text.append(',').append(Double.isNaN(value) ? "" : written(value));
            }
            text.append('\n');
        }
        return text.toString();
    }

    /** Long: a line for each value that is there. */
    public static String lines(Samples samples) {
        StringBuilder text = new StringBuilder(String.join(",", LONG)).append('\n');
        for (int i = 0; i < samples.size(); i++) {
            for (Channel c : Channel.values()) {
                double value = samples.value(c, i);
                if (!Double.isNaN(value)) {
                    text.append(written(samples.timeMs(i)))
                            .append(',')
                            .append(c)
                            .append(',')
                            .append(written(value));
                    text.append(c == Channel.CUFF ? ",mmHg\n" : ",relative\n");
                }
            }
        }
        return text.toString();
    }

    private static String heading(Channel channel) {
        return channel == Channel.CUFF ? "cuff_mmhg" : channel.name().toLowerCase(Locale.ROOT);
    }

    private static String written(double value) {
        boolean whole = value == Math.rint(value) && Math.abs(value) < 1e15;
        return whole ? Long.toString((long) value) : Double.toString(value);
    }

    /** @throws Unreadable with the number of the line, from 1 */
    public static Samples read(String text) throws Unreadable {
        String[] header = null;
        Column times = new Column();
        Map<Channel, Column> columns = new EnumMap<>(Channel.class);
        Map<Double, double[]> byTime = new LinkedHashMap<>();
        int number = 0;
        for (String line : (Iterable<String>) text.lines()::iterator) {
            number++;
            if (line.isBlank() || line.startsWith("#")) {
                continue;
            }
            if (number > MOST_LINES) {
                throw new Unreadable(number, "more lines than a trace has");
            }
            String[] cells = line.strip().split(",", -1);
            if (header == null) {
                header = header(number, cells);
                continue;
            }
            if (cells.length != header.length) {
                throw new Unreadable(number, cells.length + " cells under " + header.length + " headings");
            }
            if (header.length == LONG.size() && header[1].equals(LONG.get(1))) {
                longLine(number, cells, byTime);
            } else {
                times.add(number(number, cells[0], false));
                for (int i = 1; i < cells.length; i++) {
                    columns.computeIfAbsent(WIDE.get(header[i]), key -> new Column())
                            .add(number(number, cells[i], true));
                }
            }
        }
        if (header == null) {
            throw new Unreadable(
                    Math.max(1, number), "no heading; t_ms,cuff_mmhg,ribs,belly or t_ms,channel,value,unit");
        }
        if (!byTime.isEmpty()) {
            byTime.forEach((value, values) -> {
                times.add(value);
                for (Channel c : Channel.values()) {
                    columns.computeIfAbsent(c, key -> new Column()).add(values[c.ordinal()]);
                }
            });
        }
        Map<Channel, double[]> values = new EnumMap<>(Channel.class);
        columns.forEach((channel, column) -> values.put(channel, column.whole()));
        try {
            return new Samples(times.whole(), values);
        } catch (IllegalArgumentException e) {
            throw new Unreadable(number, String.valueOf(e.getMessage()));
        }
    }

    private static String[] header(int line, String[] cells) throws Unreadable {
        String[] names = Arrays.stream(cells)
                .map(name -> name.strip().toLowerCase(Locale.ROOT))
                .toArray(String[]::new);
        boolean wide = names.length > 1
                && names[0].equals(LONG.get(0))
                && Arrays.stream(names).skip(1).allMatch(WIDE::containsKey)
                && Arrays.stream(names).distinct().count() == names.length;
        if (!wide && !Arrays.asList(names).equals(LONG)) {
            throw new Unreadable(line, "headings are t_ms,cuff_mmhg,ribs,belly or t_ms,channel,value,unit");
        }
        return names;
    }

    private static void longLine(int line, String[] cells, Map<Double, double[]> byTime) throws Unreadable {
        Channel channel;
        try {
            channel = Channel.valueOf(cells[1].strip());
        } catch (IllegalArgumentException e) {
            throw new Unreadable(line, "channel is one of CUFF, RIBS, BELLY, not " + cells[1]);
        }
        if (channel == Channel.CUFF && !cells[3].strip().equalsIgnoreCase("mmHg")) {
            throw new Unreadable(line, "a cuff is in mmHg, not " + cells[3]);
        }
        double[] values = byTime.computeIfAbsent(number(line, cells[0], false), key -> {
            double[] none = new double[Channel.values().length];
            Arrays.fill(none, Double.NaN);
            return none;
        });
        values[channel.ordinal()] = number(line, cells[2], true);
    }

    private static double number(int line, String cell, boolean mayBeMissing) throws Unreadable {
        String text = cell.strip();
        if (text.isEmpty() && mayBeMissing) {
            return Double.NaN;
        }
        try {
            double value = Double.parseDouble(text);
            if (!mayBeMissing && !Double.isFinite(value)) {
                throw new Unreadable(line, "a time is a number, not " + cell);
            }
            return Double.isFinite(value) ? value : Double.NaN;
        } catch (NumberFormatException e) {
            throw new Unreadable(line, "not a number: " + cell);
        }
    }
}
