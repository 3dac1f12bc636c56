package fernstep.exchange.edf;

import fernstep.core.trace.Channel;
import fernstep.core.trace.Samples;
import fernstep.exchange.edf.EdfFile.Annotation;
import fernstep.exchange.edf.EdfFile.Damaged;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Reads EDF and EDF+ (continuous and discontinuous); channels are known by their labels CUFF, RIBS and BELLY. */
public final class EdfReader {
    private static final int MOST_SIGNALS = 64;
    private static final int MOST_SAMPLES = 50_000_000;
    /** Two digits of a year: 1985 to 2084, as the format says. */
    private static final int FIRST_YEAR = 85;

    private final byte[] bytes;
    private final boolean keepReadable;
    private int signals;
    private int records;
    private double recordS;
    private String[] labels = {};
    private double[] physicalMin = {};
    private double[] physicalMax = {};
    private double[] digitalMin = {};
    private double[] digitalMax = {};
    private int[] perRecord = {};

    private EdfReader(byte[] bytes, boolean keepReadable) {
        this.bytes = bytes;
        this.keepReadable = keepReadable;
    }

    /**
     * @param keepReadable of a file that ends too early, takes the whole records that are there
     * @throws Damaged with the byte from which it cannot be read
     */
    public static EdfFile read(byte[] bytes, boolean keepReadable) throws Damaged {
        return new EdfReader(bytes, keepReadable).file();
    }

    private EdfFile file() throws Damaged {
        if (bytes.length < EdfFile.HEADER_BYTES) {
            throw new Damaged(bytes.length, "the file ends within its header of " + EdfFile.HEADER_BYTES + " bytes");
        }
        if (!text(0, 8).equals("0")) {
            throw new Damaged(0, "an EDF file begins with 0");
        }
        LocalDateTime start = start();
        signals = whole(252, 4, 1, MOST_SIGNALS, "number of signals");
        int headerBytes = whole(184, 8, 0, Integer.MAX_VALUE, "size of the header");
        int expected = EdfFile.HEADER_BYTES + signals * EdfFile.SIGNAL_BYTES;
        if (headerBytes != expected) {
            throw new Damaged(
                    184, "the header of " + signals + " signals has " + expected + " bytes, not " + headerBytes);
        }
        if (bytes.length < expected) {
            throw new Damaged(bytes.length, "the file ends within its header of " + expected + " bytes");
        }
        records = whole(236, 8, -1, Integer.MAX_VALUE, "number of records");
        recordS = number(244, 8, "duration of a record");
        readSignals();
        int recordBytes = Arrays.stream(perRecord).sum() * 2;
        if (recordBytes <= 0) {
            throw new Damaged(expected, "records without samples");
        }
        int there = (bytes.length - expected) / recordBytes;
        if (records < 0) {
            records = there;
        }
        if (there < records) {
            if (!keepReadable || there == 0) {
                throw new Damaged(
                        expected + (long) there * recordBytes,
                        "the file ends in record " + (there + 1) + " of " + records);
            }
            records = there;
        }
        return body(start, expected, recordBytes);
    }

    private void readSignals() throws Damaged {
        labels = new String[signals];
        physicalMin = new double[signals];
        physicalMax = new double[signals];
        digitalMin = new double[signals];
        digitalMax = new double[signals];
        perRecord = new int[signals];
        int at = EdfFile.HEADER_BYTES;
        for (int i = 0; i < signals; i++) {
            labels[i] = text(at + 16 * i, 16);
            physicalMin[i] = number(at + 104 * signals + 8 * i, 8, "physical minimum");
            physicalMax[i] = number(at + 112 * signals + 8 * i, 8, "physical maximum");
            digitalMin[i] = number(at + 120 * signals + 8 * i, 8, "digital minimum");
            digitalMax[i] = number(at + 128 * signals + 8 * i, 8, "digital maximum");
            perRecord[i] = whole(at + 216 * signals + 8 * i, 8, 0, 1_000_000, "samples in a record");
            if (!(digitalMax[i] > digitalMin[i])) {
                throw new Damaged(at + 128L * signals + 8L * i, "digital maximum not above the minimum");
            }
        }
    }

    private EdfFile body(LocalDateTime start, int headerBytes, int recordBytes) throws Damaged {
        Map<Channel, Integer> channels = new EnumMap<>(Channel.class);
        List<Integer> annotationSignals = new ArrayList<>();
        for (int i = 0; i < signals; i++) {
            if (labels[i].equals(EdfFile.ANNOTATIONS)) {
                annotationSignals.add(i);
            } else if (channel(labels[i]) != null) {
                channels.put(channel(labels[i]), i);
            }
        }
        if (channels.isEmpty()) {
            throw new Damaged(EdfFile.HEADER_BYTES, "no signal is labelled CUFF, RIBS or BELLY");
        }
        int most = channels.values().stream()
                .mapToInt(channel -> perRecord[channel])
                .max()
                .orElse(0);
        if (most == 0 || !(recordS > 0) || (long) most * records > MOST_SAMPLES) {
            throw new Damaged(244, "records that hold no samples or more than a trace has");
        }
        List<Annotation> annotations = new ArrayList<>();
        double[] times = new double[most * records];
        Map<Channel, double[]> values = new EnumMap<>(Channel.class);
        channels.keySet().forEach(channel -> values.put(channel, new double[most * records]));
        ByteBuffer data = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        for (int r = 0; r < records; r++) {
            int from = headerBytes + r * recordBytes;
            double at = r * recordS;
            for (int s : annotationSignals) {
                at = annotations(
                        from + 2 * before(s), 2 * perRecord[s], s == annotationSignals.get(0), at, annotations);
            }
            for (int i = 0; i < most; i++) {
                times[r * most + i] = 1000 * (at + recordS * i / most);
            }
            for (Map.Entry<Channel, Integer> e : channels.entrySet()) {
                int s = e.getValue();
                double[] line = values.get(e.getKey());
                for (int i = 0; line != null && i < most; i++) {
                    int sample = i * perRecord[s] / most;
                    line[r * most + i] = physical(s, data.getShort(from + 2 * (before(s) + sample)));
                }
            }
        }
        annotations.stream()
                .filter(annotation -> annotation.text().equals(EdfFile.GAP))
                .forEach(annotation -> blank(times, values, annotation));
        annotations.removeIf(annotation -> annotation.text().equals(EdfFile.GAP));
        return new EdfFile(start, new Samples(times, values), annotations);
    }

    private static void blank(double[] times, Map<Channel, double[]> values, Annotation gap) {
        // a thousandth is what an annotation is rounded to
        double from = 1000 * gap.onsetS() - 1;
        double to = from + 1000 * gap.durationS();
        int found = Arrays.binarySearch(times, from);
        for (int i = found < 0 ? -found - 1 : found; i < times.length && times[i] < to; i++) {
            for (double[] line : values.values()) {
                line[i] = Double.NaN;
            }
        }
    }

    private int before(int signal) {
        int n = 0;
        for (int i = 0; i < signal; i++) {
            n += perRecord[i];
        }
        return n;
    }

    private double physical(int number, short digital) {
        double share = (digital - digitalMin[number]) / (digitalMax[number] - digitalMin[number]);
        return physicalMin[number] + share * (physicalMax[number] - physicalMin[number]);
    }

    private static @Nullable Channel channel(String label) {
        for (Channel channel : Channel.values()) {
            if (label.toUpperCase(Locale.ROOT).contains(channel.name())) {
                return channel;
            }
        }
        return null;
    }

    /** @return when the record begins: its first annotation says so */
    private double annotations(int from, int length, boolean keepsTime, double usual, List<Annotation> into)
            throws Damaged {
        String all = new String(bytes, from, length, StandardCharsets.UTF_8);
        double begins = usual;
        boolean first = keepsTime;
        int offset = from;
        for (String list : all.split("\u0000")) {
            if (!list.isBlank()) {
                String[] parts = list.split("\u0014", -1);
                String[] when = parts[0].split("\u0015", -1);
                double onset = seconds(when[0], offset);
                double duration = when.length > 1 && !when[1].isEmpty() ? seconds(when[1], offset) : 0;
                if (first) {
                    begins = onset;
                }
                first = false;
                for (int i = 1; i < parts.length; i++) {
                    if (!parts[i].isEmpty()) {
                        into.add(new Annotation(onset, duration, parts[i]));
                    }
                }
            }
            offset += list.getBytes(StandardCharsets.UTF_8).length + 1;
        }
        return begins;
    }

    private static double seconds(String text, int at) throws Damaged {
        try {
            double seconds = Double.parseDouble(text);
            if (Double.isFinite(seconds)) {
                return seconds;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new Damaged(at, "an annotation begins with its time in seconds");
    }

    private LocalDateTime start() throws Damaged {
        String day = text(168, 8);
        String time = text(176, 8);
        try {
            int year = Integer.parseInt(day.substring(6, 8));
            return LocalDateTime.of(
                    year >= FIRST_YEAR ? 1900 + year : 2000 + year,
                    Integer.parseInt(day.substring(3, 5)),
                    Integer.parseInt(day.substring(0, 2)),
                    Integer.parseInt(time.substring(0, 2)),
                    Integer.parseInt(time.substring(3, 5)),
                    Integer.parseInt(time.substring(6, 8)));
        } catch (NumberFormatException | IndexOutOfBoundsException | DateTimeException e) {
            throw new Damaged(168, "the start is written as dd.mm.yy and hh.mm.ss");
        }
    }

    private String text(int at, int length) {
        return new String(bytes, at, length, StandardCharsets.US_ASCII).strip();
    }

    private int whole(int at, int length, int least, int most, String what) throws Damaged {
        double n = number(at, length, what);
        if (n < least || n > most || n != Math.rint(n)) {
            throw new Damaged(at, what + " is not a whole number from " + least + " to " + most);
        }
        return (int) n;
    }

    private double number(int at, int length, String what) throws Damaged {
        try {
            double n = Double.parseDouble(text(at, length));
            if (Double.isFinite(n)) {
                return n;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new Damaged(at, what + " is not a number");
    }
}
