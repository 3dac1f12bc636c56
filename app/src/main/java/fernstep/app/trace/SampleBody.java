package fernstep.app.trace;

import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace.Sample;
import fernstep.core.trace.SampleBuffer;
import fernstep.core.trace.Samples;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.Inflater;

/**
 * Samples as bytes: times, then each channel, as the bits of a double beside those of the one before (what changes little
 * leaves zeros), by the place of the byte, deflated. Every value comes back to the last bit.
 */
final class SampleBody {
    private static final int LINES = 1 + Channel.values().length;

    private SampleBody() {}

    static byte[] written(Samples samples) {
        int n = samples.size();
        byte[] plain = new byte[LINES * n * Long.BYTES];
        for (int line = 0; line < LINES; line++) {
            long before = 0;
            for (int i = 0; i < n; i++) {
                double value = line == 0 ? samples.timeMs(i) : samples.value(Channel.values()[line - 1], i);
                long bits = Double.doubleToLongBits(value);
                ByteBuffer bytes = ByteBuffer.allocate(Long.BYTES).putLong(bits ^ before);
                before = bits;
                for (int k = 0; k < Long.BYTES; k++) {
                    plain[(line * Long.BYTES + k) * n + i] = bytes.get(k);
                }
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (DeflaterOutputStream deflated = new DeflaterOutputStream(out, new Deflater(Deflater.BEST_SPEED))) {
            deflated.write(plain);
        } catch (IOException e) {
            throw new IllegalStateException("nothing is written anywhere", e);
        }
        return out.toByteArray();
    }

    /**
     * @param count samples in it
     * @throws IllegalArgumentException for bytes that are not so many samples
     */
    static void read(byte[] body, int count, SampleBuffer into) {
        byte[] plain = new byte[LINES * count * Long.BYTES];
        Inflater inflater = new Inflater();
        try {
            inflater.setInput(body);
            int got = inflater.inflate(plain);
            if (got != plain.length) {
                throw new IllegalArgumentException("a batch of " + count + " samples has " + got + " bytes");
            }
        } catch (DataFormatException e) {
            throw new IllegalArgumentException("a batch that is not deflated", e);
        } finally {
            inflater.end();
        }
        double[][] lines = new double[LINES][count];
        for (int line = 0; line < LINES; line++) {
            long before = 0;
            for (int i = 0; i < count; i++) {
                long bits = 0;
                for (int k = 0; k < Long.BYTES; k++) {
                    bits = (bits << Byte.SIZE) | (plain[(line * Long.BYTES + k) * count + i] & 0xff);
                }
                before ^= bits;
                lines[line][i] = Double.longBitsToDouble(before);
            }
        }
        for (int i = 0; i < count; i++) {
            Map<Channel, Double> values = new EnumMap<>(Channel.class);
            for (Channel channel : Channel.values()) {
                double value = lines[1 + channel.ordinal()][i];
                if (!Double.isNaN(value)) {
                    values.put(channel, value);
                }
            }
            into.add(lines[0][i], values);
        }
    }

    static Samples of(List<Sample> samples) {
        Map<Channel, double[]> values = new EnumMap<>(Channel.class);
        double[] times = samples.stream().mapToDouble(Sample::timeMs).toArray();
        for (Channel channel : Channel.values()) {
            if (samples.stream().anyMatch(sample -> sample.values().containsKey(channel))) {
                double[] line = new double[times.length];
                Arrays.setAll(line, index -> samples.get(index).values().getOrDefault(channel, Double.NaN));
                values.put(channel, line);
            }
        }
        return new Samples(times, values);
    }
}
