package fernstep.core.trace;

import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** A woman breathing and lifting, by a seed, with what is true of her. */
final class SimulatedTrace {
    /** What she does wrong in the repetitions told. */
    enum Script {
        WELL_TIMED,
        BREATH_HOLDER,
        PUSHES_OUT,
        ARCHES,
        PRESSES
    }

    final List<TraceReport.Breath> breaths = new ArrayList<>();
    final List<TraceReport.Hold> holds = new ArrayList<>();
    final List<TraceAnalysis.Mark> marks = new ArrayList<>();
    final Map<Integer, SignCode> signs = new HashMap<>();
    final Trace trace;

    private record Way(double startS, double endS, double from, double to) {
        double at(double s) {
            double share = Math.max(0, Math.min(1, (s - startS) / (endS - startS)));
            return from + (to - from) * (1 - Math.cos(Math.PI * share)) / 2;
        }
    }

    /**
     * @param noise of a sample, as a share of a breath
     * @param dropped share of samples that never arrive, in packets of ten
     */
    SimulatedTrace(long seed, Script character, double rateHz, double noise, double dropped) {
        Random random = new Random(seed);
        double in = 1.4 + random.nextDouble();
        double out = in * (1.2 + 0.4 * random.nextDouble());
        double pause = 0.2 + 0.6 * random.nextDouble();
        List<Way> ribs = new ArrayList<>();
        List<double[]> efforts = new ArrayList<>();
        double t = 2;
        int rep = 0;
        int cycle = 0;
        while (rep < 10) {
            double depth = 1 + 0.15 * random.nextGaussian();
            boolean works = cycle > 2 && cycle % 2 == 1;
            boolean wrong = works && character != Script.WELL_TIMED && random.nextDouble() < 0.6;
            double inS = t;
            ribs.add(new Way(t, t + in, 0, depth));
            t += in;
            double held = 0;
            if (wrong && character == Script.BREATH_HOLDER) {
                held = 3.2 + 2 * random.nextDouble();
                holds.add(new TraceReport.Hold(1000 * t, 1000 * (t + held)));
            }
            double effort = held > 0 ? t + 0.2 : t + 0.2 + 0.5 * random.nextDouble();
            t += held;
            breaths.add(new TraceReport.Breath(1000 * inS, 1000 * t));
            ribs.add(new Way(t, t + out, depth, 0));
            t += out + pause * (0.8 + 0.4 * random.nextDouble());
            if (works) {
                rep++;
                double end = Math.max(effort + 3.2, t - pause);
                marks.add(
                        new TraceAnalysis.Mark(rep, rep % 2 == 0 ? Side.RIGHT : Side.LEFT, 1000 * effort, 1000 * end));
                efforts.add(new double[] {effort, end, wrong ? 1 : 0, 0.85 + 0.3 * random.nextDouble()});
                if (wrong) {
                    signs.put(rep, sign(character));
                }
            }
            cycle++;
        }
        this.trace = sampled(random, character, ribs, efforts, t + 3, rateHz, noise, dropped);
    }

    private static SignCode sign(Script character) {
        return switch (character) {
            case BREATH_HOLDER -> SignCode.BREATH_HELD;
            case PUSHES_OUT -> SignCode.WALL_BULGE;
            case ARCHES -> SignCode.BACK_ARCHES;
            case PRESSES -> SignCode.BACK_PRESSED;
            case WELL_TIMED -> throw new IllegalArgumentException();
        };
    }

    private static Trace sampled(
            Random random,
            Script character,
            List<Way> ribs,
            List<double[]> efforts,
            double length,
            double rateHz,
            double noise,
            double dropped) {
        List<double[]> samples = new ArrayList<>();
        int packet = 0;
        boolean lost = false;
        double drift = 0.5 * random.nextGaussian();
        for (int i = 0; i < length * rateHz; i++) {
            if (packet++ % 10 == 0) {
                lost = random.nextDouble() < dropped;
            }
            if (lost) {
                continue;
            }
            double s = i / rateHz;
            double breath = level(ribs, s);
            double cuff = 40 + 1.2 * breath + drift * s / 60;
            double belly = 0.8 * breath;
            for (double[] e : efforts) {
                double bump = bump(s, e[0], e[1]);
                double usual = 4 * e[3];
                double wrong = 15 * e[3];
                boolean bad = e[2] > 0;
                cuff += switch (character) {
                    case ARCHES -> -bump * (bad ? wrong : usual);
                    case PRESSES -> bump * (bad ? wrong : usual);
                    default -> bump * usual;
                };
                belly += character == Script.PUSHES_OUT && bad ? 0.8 * 1.1 * bump * e[3] : 0;
            }
            samples.add(new double[] {
                1000 * s,
                cuff + 0.5 * random.nextGaussian(),
                10 + breath + 0.1 * drift * s / 60 + noise * random.nextGaussian(),
                6 + belly + noise * random.nextGaussian()
            });
        }
        Map<Channel, double[]> values = new EnumMap<>(Channel.class);
        values.put(Channel.CUFF, samples.stream().mapToDouble(each -> each[1]).toArray());
        values.put(Channel.RIBS, samples.stream().mapToDouble(each -> each[2]).toArray());
        values.put(Channel.BELLY, samples.stream().mapToDouble(each -> each[3]).toArray());
        return Trace.of(samples.stream().mapToDouble(each -> each[0]).toArray(), values);
    }

    private static double level(List<Way> ways, double s) {
        double level = 0;
        for (Way way : ways) {
            if (s < way.startS()) {
                return level;
            }
            level = way.at(s);
        }
        return level;
    }

    /** Up within a second, held, and down within a second. */
    private static double bump(double s, double from, double to) {
        if (s <= from || s >= to) {
            return 0;
        }
        double up = Math.min(1, (s - from) / 1.0);
        double down = Math.min(1, (to - s) / 1.0);
        return (1 - Math.cos(Math.PI * Math.min(up, down))) / 2;
    }

    TraceReport analysed(@Nullable List<TraceAnalysis.Mark> with) {
        return TraceAnalysis.of(new TraceAnalysis.Question(
                trace,
                Stances.EffortTiming.EXHALE_EFFORT_ONLY,
                Stances.Spine.NATURAL_CURVE,
                40,
                10,
                with == null ? List.of() : with));
    }
}
