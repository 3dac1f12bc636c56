package fernstep.device;

import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace.Sample;
import fernstep.core.trace.SampleBuffer;
import fernstep.core.trace.Samples;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Cuff and belts on her: samples at a rate, with noise, in packets some of which are lost. */
public final class Sensor {
    private static final double CUFF_NOISE_MMHG = 0.5;
    private static final double RIBS_AT = 10;
    private static final double BELLY_AT = 6;

    private final Performance she;
    private final double rateHz;
    private final double noise;
    private final double dropped;
    private final int perPacket;
    private final Random random;
    private long next;

    /**
     * @param rateHz 10 to 100
     * @param noise of a belt's sample, as a share of a breath
     * @param dropped share of packets that never arrive, 0 to 1
     */
    public Sensor(Performance she, double rateHz, double noise, double dropped, long seed) {
        this.she = she;
        this.rateHz = rateHz;
        this.noise = noise;
        this.dropped = dropped;
        this.perPacket = (int) Math.max(1, Math.round(rateHz / 10));
        this.random = new Random(seed * 31 + 7);
    }

    /** A tenth of a second; whether it is lost is for whoever sends it to heed. */
    public record Packet(boolean lost, List<Sample> samples) {
        public Packet {
            samples = List.copyOf(samples);
        }
    }

    Packet packet() {
        List<Sample> samples = new ArrayList<>();
        boolean lost = random.nextDouble() < dropped;
        for (int i = 0; i < perPacket; i++) {
            double s = next++ / rateHz;
            samples.add(new Sample(
                    rounded(1000 * s, 10),
                    Map.of(
                            Channel.CUFF, rounded(she.cuff(s) + CUFF_NOISE_MMHG * random.nextGaussian(), 100),
                            Channel.RIBS, rounded(RIBS_AT + she.ribs(s) + noise * random.nextGaussian(), 10_000),
                            Channel.BELLY, rounded(BELLY_AT + she.belly(s) + noise * random.nextGaussian(), 10_000))));
        }
        return new Packet(lost, samples);
    }

    private static double rounded(double x, int steps) {
        return (double) Math.round(x * steps) / steps;
    }

    boolean isOver() {
        return next / rateHz > she.endS();
    }

    /** Samples so far, in seconds. */
    double atS() {
        return next / rateHz;
    }

    /** The whole set as it would arrive. */
    public Samples whole() {
        SampleBuffer all = new SampleBuffer();
        while (!isOver()) {
            Packet packet = packet();
            if (!packet.lost()) {
                packet.samples().forEach(sample -> all.add(sample.timeMs(), sample.values()));
            }
        }
        return all.whole();
    }
}
