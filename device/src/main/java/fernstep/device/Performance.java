package fernstep.device;

import fernstep.core.catalogue.Tempo;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** A woman breathing and lifting to a tempo, by a script and a seed: what is true at any moment, and the truth in a list. */
public final class Performance {
    private static final double FIRST_BREATH_S = 2;
    private static final int QUIET_BREATHS = 3;
    private static final double OFTEN = 0.6;
    private static final double HELD_S = 3.2;
    private static final double BASELINE_MMHG = 40;
    private static final double USUAL_MMHG = 4;
    private static final double WRONG_MMHG = 15;
    private static final double BREATH_MMHG = 1.2;
    private static final double BELLY_SHARE = 0.8;
    private static final double RAMP_S = 1;

    private final Script script;
    private final List<Way> ways = new ArrayList<>();
    private final List<Effort> efforts = new ArrayList<>();
    private final List<TraceReport.Breath> breaths = new ArrayList<>();
    private final List<TraceReport.Hold> holds = new ArrayList<>();
    private final double driftPerMin;
    private double endS;

    /** One way of the ribs, a half cosine. */
    private record Way(double startS, double lengthS, double from, double to) {
        double at(double s) {
            double share = Math.max(0, Math.min(1, (s - startS) / lengthS));
            return from + (to - from) * (1 - Math.cos(Math.PI * share)) / 2;
        }
    }

    /**
     * One repetition.
     *
     * @param size of its movement of the cuff, as a share of the usual
     * @param tired in mmHg beyond the usual
     */
    private record Effort(int rep, Side side, double startS, double endS, double size, boolean wrong, double tired) {}

    /**
     * @param reps of the set, from 1
     * @param seed the same seed, the same woman
     */
    public Performance(Script script, Tempo tempo, int reps, long seed) {
        this.script = script;
        Random random = new Random(seed);
        this.driftPerMin = 0.5 * random.nextGaussian();
        double in = 1.4 + random.nextDouble();
        double out = Math.max(in * (1.2 + 0.4 * random.nextDouble()), tempo.liftS());
        double pause = 0.2 + 0.6 * random.nextDouble();
        double lasts = Math.max(3, tempo.liftS() + tempo.returnS());
        double t = FIRST_BREATH_S;
        int rep = 0;
        int lastWorked = 0;
        double workEndS = 0;
        // she breathes on until the last is over, and some breaths more
        for (int cycle = 0; rep < reps || t < workEndS || cycle < lastWorked + QUIET_BREATHS; cycle++) {
            double depth = 1 + 0.15 * random.nextGaussian();
            double inS = t;
            ways.add(new Way(t, in, 0, depth));
            t += in;
            // a breath between two repetitions, and the one before is over
            boolean works = rep < reps && cycle >= QUIET_BREATHS && cycle > lastWorked + 1 && t > workEndS;
            Side side = rep % 2 == 0 ? Side.LEFT : Side.RIGHT;
            boolean wrong = works && script.happens(rep + 1, side, random.nextDouble() < OFTEN);
            double lead = 0.2 + 0.5 * random.nextDouble();
            double effort = t + lead;
            if (wrong && script == Script.BREATH_HOLDER) {
                double held = HELD_S + 2 * random.nextDouble();
                holds.add(new TraceReport.Hold(1000 * t, 1000 * (t + held)));
                effort = t + 0.2;
                t += held;
            }
            breaths.add(new TraceReport.Breath(1000 * inS, 1000 * t));
            ways.add(new Way(t, out, depth, 0));
            t += out + pause * (0.8 + 0.4 * random.nextDouble());
            if (works) {
                rep++;
                lastWorked = cycle;
                double end = Math.max(effort + lasts, t - pause);
                double tired = wrong && script == Script.TIRES_AFTER_SIX ? 1.8 * (rep - 6) + 3 : 0;
                workEndS = end;
                efforts.add(new Effort(rep, side, effort, end, 0.85 + 0.3 * random.nextDouble(), wrong, tired));
            }
        }
        this.endS = t + 1;
    }

    /** When she has done the set and breathed out, in seconds. */
    public double endS() {
        return endS;
    }

    /** The ribs in breaths: 0 breathed out, about 1 breathed in. */
    double ribs(double s) {
        Way now = null;
        for (Way way : ways) {
            if (way.startS() > s) {
                break;
            }
            now = way;
        }
        return now == null ? 0 : now.at(s);
    }

    double belly(double s) {
        double belly = BELLY_SHARE * ribs(s);
        for (Effort e : efforts) {
            if (e.wrong() && script == Script.PUSHES_OUT) {
                belly += BELLY_SHARE * 1.1 * e.size() * shape(s, e.startS(), e.endS());
            }
        }
        return belly;
    }

    /** mmHg. */
    double cuff(double s) {
        double mmHg = BASELINE_MMHG + BREATH_MMHG * ribs(s) + driftPerMin * s / 60;
        for (Effort e : efforts) {
            mmHg += moved(e, s);
        }
        return mmHg;
    }

    private double moved(Effort effort, double s) {
        double shape = shape(s, effort.startS(), effort.endS());
        double usual = USUAL_MMHG * effort.size();
        if (!effort.wrong()) {
            return shape * usual;
        }
        return switch (script) {
            case ARCHES_LATE, ONE_SIDED -> {
                double turn = (effort.startS() + effort.endS()) / 2;
                yield shape * usual - shape(s, turn - RAMP_S / 2, effort.endS()) * (usual + WRONG_MMHG * effort.size());
            }
            case PRESSES_FLAT -> shape * WRONG_MMHG * effort.size();
            case TIRES_AFTER_SIX -> shape * (USUAL_MMHG + effort.tired());
            case WELL_TIMED, BREATH_HOLDER, PUSHES_OUT -> shape * usual;
        };
    }

    /** Up within a second, held, and down within a second. */
    private static double shape(double s, double from, double to) {
        if (s <= from || s >= to) {
            return 0;
        }
        double ramp = Math.min(RAMP_S, (to - from) / 2);
        double share = Math.min(1, Math.min(s - from, to - s) / ramp);
        return (1 - Math.cos(Math.PI * share)) / 2;
    }

    public List<TraceReport.Breath> breaths() {
        return List.copyOf(breaths);
    }

    public List<TraceReport.Hold> holds() {
        return List.copyOf(holds);
    }

    public List<TraceAnalysis.Mark> marks() {
        return efforts.stream()
                .map(effort -> new TraceAnalysis.Mark(
                        effort.rep(), effort.side(), 1000 * effort.startS(), 1000 * effort.endS()))
                .toList();
    }

    /** What is wrong in which repetition; a repetition that is clean is not in it. */
    public Map<Integer, SignCode> signs() {
        Map<Integer, SignCode> signs = new TreeMap<>();
        script.sign()
                .ifPresent(sign ->
                        efforts.stream().filter(Effort::wrong).forEach(effort -> signs.put(effort.rep(), sign)));
        return signs;
    }
}
