package fernstep.exchange.edf;

import fernstep.core.trace.Channel;
import fernstep.core.trace.Samples;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Writes EDF+C: records of one second, 16 bits a sample, the channels on an even time axis at the nearest whole rate, and
 * nobody's name in it. A stretch without samples holds the last value and is annotated as a gap.
 */
public final class EdfWriter {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("dd.MM.yy", Locale.ROOT);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH.mm.ss", Locale.ROOT);
    private static final DateTimeFormatter LONG_DAY = DateTimeFormatter.ofPattern("dd-MMM-yyyy", Locale.ENGLISH);
    private static final int DIGITAL_MIN = -32768;
    private static final int DIGITAL_MAX = 32767;
    private static final int LEAST_ANNOTATION_BYTES = 64;
    private static final int MOST_HZ = 1000;

    private final Samples samples;
    private final int hz;
    private final double startMs;
    private final int records;
    private final List<Channel> channels;
    private final List<Integer> gaps = new ArrayList<>();

    private EdfWriter(Samples samples) {
        this.samples = samples;
        this.hz = (int) Math.max(1, Math.min(MOST_HZ, Math.round(samples.trace().rateHz())));
        this.startMs = samples.timeMs(0);
        double lengthS = (Arrays.stream(samples.times()).max().orElse(startMs) - startMs) / 1000;
        this.records = (int) Math.floor(lengthS) + 1;
        this.channels = Arrays.stream(Channel.values()).filter(samples::has).toList();
    }

    /**
     * @param start when the recording began
     * @param annotations repetitions and signs, by seconds from the start
     */
    public static byte[] write(LocalDateTime start, Samples samples, List<EdfFile.Annotation> annotations) {
        return new EdfWriter(samples).bytes(start, annotations);
    }

    private byte[] bytes(LocalDateTime start, List<EdfFile.Annotation> told) {
        double[][] lines = new double[channels.size()][];
        double[] low = new double[channels.size()];
        double[] high = new double[channels.size()];
        for (int c = 0; c < lines.length; c++) {
            lines[c] = even(channels.get(c), c == 0);
            low[c] = rounded(Arrays.stream(lines[c]).min().orElse(0), false);
            high[c] = rounded(Arrays.stream(lines[c]).max().orElse(1), true);
            high[c] = high[c] > low[c] ? high[c] : low[c] + 1;
        }
        List<EdfFile.Annotation> annotations = new ArrayList<>(told);
        annotations.addAll(gaps());
        List<byte[]> texts = texts(annotations);
        int annotationBytes =
                texts.stream().mapToInt(octets -> octets.length).max().orElse(0);
        annotationBytes = Math.max(LEAST_ANNOTATION_BYTES, annotationBytes + annotationBytes % 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(header(start, low, high, annotationBytes / 2));
        ByteBuffer record =
                ByteBuffer.allocate(2 * hz * channels.size() + annotationBytes).order(ByteOrder.LITTLE_ENDIAN);
        for (int r = 0; r < records; r++) {
            record.clear();
            for (int c = 0; c < lines.length; c++) {
                for (int i = r * hz; i < (r + 1) * hz; i++) {
                    double share = (lines[c][i] - low[c]) / (high[c] - low[c]);
                    record.putShort((short) Math.round(DIGITAL_MIN + share * (DIGITAL_MAX - DIGITAL_MIN)));
                }
            }
            record.put(Arrays.copyOf(texts.get(r), annotationBytes));
            out.writeBytes(record.array());
        }
        return out.toByteArray();
    }

    /** Each point takes the sample nearest to it in time; a point without one near holds the last and is a gap. */
    private double[] even(Channel channel, boolean noteGaps) {
        double[] line = new double[records * hz];
        Arrays.fill(line, Double.NaN);
        for (int i = 0; i < samples.size(); i++) {
            int at = (int) Math.round((samples.timeMs(i) - startMs) * hz / 1000);
            if (at >= 0 && at < line.length && !Double.isNaN(samples.value(channel, i))) {
                line[at] = samples.value(channel, i);
            }
        }
        double last =
                Arrays.stream(line).filter(x -> !Double.isNaN(x)).findFirst().orElse(0);
        for (int i = 0; i < line.length; i++) {
            if (Double.isNaN(line[i])) {
                line[i] = last;
                if (noteGaps) {
                    gaps.add(i);
                }
            }
            last = line[i];
        }
        return line;
    }

    private List<EdfFile.Annotation> gaps() {
        List<EdfFile.Annotation> all = new ArrayList<>();
        for (int i = 0; i < gaps.size(); ) {
            int first = i;
            while (i + 1 < gaps.size() && gaps.get(i + 1) == gaps.get(i) + 1) {
                i++;
            }
            i++;
            all.add(new EdfFile.Annotation((double) gaps.get(first) / hz, (double) (i - first) / hz, EdfFile.GAP));
        }
        return all;
    }

    /** Eight characters hold it, and what it bounds stays within. */
    private static double rounded(double value, boolean up) {
        double step = Math.abs(value) >= 1000 ? 1 : 0.001;
        return (up ? Math.ceil(value / step) : Math.floor(value / step)) * step;
    }

    /** Of each record: its time, then what begins in it. */
    private List<byte[]> texts(List<EdfFile.Annotation> annotations) {
        List<StringBuilder> texts = new ArrayList<>();
        for (int r = 0; r < records; r++) {
            texts.add(new StringBuilder("+" + r + "\u0014\u0014\u0000"));
        }
        for (EdfFile.Annotation a : annotations) {
            int r = (int) Math.max(0, Math.min(records - 1, Math.floor(a.onsetS())));
            texts.get(r).append(a.onsetS() < 0 ? "" : "+").append(number(a.onsetS()));
            if (a.durationS() > 0) {
                texts.get(r).append('\u0015').append(number(a.durationS()));
            }
            texts.get(r)
                    .append('\u0014')
                    .append(a.text().replaceAll("\\p{Cntrl}", " "))
                    .append("\u0014\u0000");
        }
        return texts.stream()
                .map(text -> text.toString().getBytes(StandardCharsets.UTF_8))
                .toList();
    }

    private static String number(double seconds) {
        return String.format(Locale.ROOT, "%.3f", seconds);
    }

    private byte[] header(LocalDateTime start, double[] low, double[] high, int annotationSamples) {
        int n = channels.size() + 1;
        StringBuilder h = new StringBuilder();
        String day = LONG_DAY.format(start).toUpperCase(Locale.ROOT);
        h.append(field("0", 8)).append(field("X X X X", 80));
        h.append(field("Startdate " + day + " X X fern_step", 80));
        h.append(DAY.format(start)).append(TIME.format(start));
        h.append(field(String.valueOf(EdfFile.HEADER_BYTES + n * EdfFile.SIGNAL_BYTES), 8));
        h.append(field("EDF+C", 44)).append(field(String.valueOf(records), 8)).append(field("1", 8));
        h.append(field(String.valueOf(n), 4));
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            all.add(i);
        }
        int last = n - 1;
        all.forEach(number -> h.append(field(
                number == last ? EdfFile.ANNOTATIONS : channels.get(number).name(), 16)));
        all.forEach(number -> h.append(field(number == last ? "" : "stretch or pressure", 80)));
        all.forEach(number -> h.append(field(number == last ? "" : unit(channels.get(number)), 8)));
        all.forEach(number -> h.append(field(number == last ? "-1" : limit(low[number]), 8)));
        all.forEach(number -> h.append(field(number == last ? "1" : limit(high[number]), 8)));
        all.forEach(number -> h.append(field(String.valueOf(DIGITAL_MIN), 8)));
        all.forEach(number -> h.append(field(String.valueOf(DIGITAL_MAX), 8)));
        all.forEach(number -> h.append(field("", 80)));
        all.forEach(number -> h.append(field(String.valueOf(number == last ? annotationSamples : hz), 8)));
        all.forEach(number -> h.append(field("", 32)));
        return h.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static String unit(Channel channel) {
        return channel == Channel.CUFF ? "mmHg" : "";
    }

    private static String limit(double value) {
        return String.format(Locale.ROOT, Math.abs(value) >= 1000 ? "%.0f" : "%.3f", value);
    }

    private static String field(String text, int length) {
        String cut = text.length() > length ? text.substring(0, length) : text;
        return cut + " ".repeat(length - cut.length());
    }
}
