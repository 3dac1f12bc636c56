package fernstep.core.trace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Breath from a belt, in one pass over each filtered line.
 *
 * <p>Turning points are found with hysteresis of a share of the typical breath, so that noise makes none. An onset is where
 * a phase begins, which after a pause or a hold is not the highest point: it is carried back from where 10 % and 50 % of the
 * phase are passed, by how the recording's own breaths begin (the ratio of the times from 10 to 25 and from 25 to 50 % is
 * 0.6 for a straight line, 0.77 for a half cosine, 0.45 for a decay; each has its own way back to zero).
 */
final class Breathing {
    private static final double SMOOTH_S = 0.15;
    private static final double SLOPE_S = 0.3;
    private static final double DRIFT_S = 20;
    private static final double FIRST_SHARE = 0.35;
    private static final double SHARE = 0.3;
    /** A hold moves less than this share of a typical breath in a second (brief 9.2). */
    private static final double HOLD_SLOPE = 0.05;

    private static final double MOST_HOLD_SLOPE = 0.15;
    private static final double NOISE_SDS = 4;
    private static final double HOLD_RANGE = 0.25;
    private static final double BRIDGED_S = 0.2;
    private static final double[] RATIO = {0.45, 0.6, 0.77};
    private static final double[] CARRY_BACK = {0.18, 0.25, 0.69};

    private final Trace trace;
    private final double[] smooth;
    private final double[] slope;
    private final double amplitude;
    private final double holdSlope;
    private final List<Phase> phases;

    /**
     * One way of the belt, in or out.
     *
     * @param onset point at which it begins, possibly between two
     * @param end point of the next turn
     */
    record Phase(boolean in, double onset, int end) {}

    /** A stretch without breath, by points. */
    record Hold(int from, int to) {
        double seconds() {
            return (double) (to - from) / Trace.HZ;
        }
    }

    Breathing(Trace trace, double[] belt) {
        this.trace = trace;
        this.smooth = Signals.smooth(belt, SMOOTH_S);
        double[] level = Signals.minus(smooth, Signals.drift(smooth, DRIFT_S));
        double spread = Signals.quantile(level, 0.9) - Signals.quantile(level, 0.1);
        double[] swings = swings(level, turns(level, FIRST_SHARE * spread));
        this.amplitude = swings.length == 0 ? spread : Signals.median(swings);
        int[] turns = amplitude <= 0 ? new int[0] : turns(level, SHARE * amplitude);
        this.slope = Signals.slope(Signals.smooth(belt, SLOPE_S));
        double noise = Signals.noise(belt);
        // the slope of a Gaussian-smoothed white noise has this spread
        double slopeNoise = noise / Math.sqrt(4 * Math.sqrt(Math.PI) * Math.pow(SLOPE_S, 3) * Trace.HZ);
        this.holdSlope =
                Math.min(MOST_HOLD_SLOPE * amplitude, Math.max(HOLD_SLOPE * amplitude, NOISE_SDS * slopeNoise));
        this.phases = phases(level, turns);
    }

    /** Highest less lowest of a typical breath, in the belt's unit. */
    double amplitude() {
        return amplitude;
    }

    double[] smooth() {
        return smooth;
    }

    List<Phase> phases() {
        return phases;
    }

    private static int[] turns(double[] values, double step) {
        int[] turns = new int[values.length];
        int n = 0;
        int high = 0;
        int low = 0;
        int seeking = 0;
        for (int i = 1; i < values.length; i++) {
            if (values[i] > values[high]) {
                high = i;
            }
            if (values[i] < values[low]) {
                low = i;
            }
            if (seeking >= 0 && values[high] - values[i] > step) {
                turns[n++] = high;
                seeking = -1;
                low = i;
            } else if (seeking <= 0 && values[i] - values[low] > step) {
                turns[n++] = low;
                seeking = 1;
                high = i;
            }
        }
        return Arrays.copyOf(turns, n);
    }

    private static double[] swings(double[] values, int[] turns) {
        double[] swings = new double[Math.max(0, turns.length - 1)];
        for (int i = 1; i < turns.length; i++) {
            swings[i - 1] = Math.abs(values[turns[i]] - values[turns[i - 1]]);
        }
        return swings;
    }

    private static List<Phase> phases(double[] values, int[] turns) {
        List<double[]> crossings = new ArrayList<>();
        List<Double> ratios = new ArrayList<>();
        for (int i = 1; i < turns.length; i++) {
            double[] c = crossings(values, turns[i - 1], turns[i]);
            crossings.add(c);
            if (c[2] > c[1] && c[1] > c[0]) {
                ratios.add((c[1] - c[0]) / (c[2] - c[1]));
            }
        }
        double back = carryBack(
                Signals.median(ratios.stream().mapToDouble(ratio -> ratio).toArray()));
        List<Phase> phases = new ArrayList<>();
        for (int i = 1; i < turns.length; i++) {
            double[] c = crossings.get(i - 1);
            double onset = c[0] - back * (c[2] - c[0]);
            double earliest = i == 1 ? 0 : crossings.get(i - 2)[2];
            phases.add(new Phase(values[turns[i]] > values[turns[i - 1]], Math.max(earliest, onset), turns[i]));
        }
        return List.copyOf(phases);
    }

    /** Points at which 10, 25 and 50 % of the way from one turn to the next are passed for good. */
    private static double[] crossings(double[] values, int from, int to) {
        double start = values[from];
        double way = values[to] - start;
        double half = to;
        for (int i = from + 1; i <= to; i++) {
            if ((values[i] - start) / way >= 0.5) {
                half = between(values, i, start + 0.5 * way);
                break;
            }
        }
        return new double[] {
            last(values, from, half, start + 0.1 * way, way), last(values, from, half, start + 0.25 * way, way), half
        };
    }

    private static double last(double[] values, int from, double before, double level, double way) {
        for (int i = (int) Math.floor(before); i > from; i--) {
            boolean passes = (values[i] - level) * way >= 0 && (values[i - 1] - level) * way < 0;
            if (passes) {
                return between(values, i, level);
            }
        }
        return from;
    }

    private static double between(double[] values, int index, double level) {
        double step = values[index] - values[index - 1];
        return step == 0 ? index : index - 1 + (level - values[index - 1]) / step;
    }

    private static double carryBack(double ratio) {
        if (ratio <= RATIO[0]) {
            return CARRY_BACK[0];
        }
        for (int i = 1; i < RATIO.length; i++) {
            if (ratio <= RATIO[i]) {
                double share = (ratio - RATIO[i - 1]) / (RATIO[i] - RATIO[i - 1]);
                return CARRY_BACK[i - 1] + share * (CARRY_BACK[i] - CARRY_BACK[i - 1]);
            }
        }
        return CARRY_BACK[RATIO.length - 1];
    }

    /** @param leastS shorter ones are pauses */
    List<Hold> holds(double leastS) {
        List<Hold> all = new ArrayList<>();
        int bridge = (int) Math.round(BRIDGED_S * Trace.HZ);
        int from = -1;
        int lastStill = -1;
        for (int i = 0; i <= slope.length; i++) {
            boolean still = i < slope.length && Math.abs(slope[i]) < holdSlope;
            if (still) {
                from = from < 0 ? i : from;
                lastStill = i;
            } else if (from >= 0 && (i == slope.length || i - lastStill > bridge)) {
                Hold hold = new Hold(from, lastStill);
                if (hold.seconds() >= leastS && range(hold) <= HOLD_RANGE * amplitude) {
                    all.add(hold);
                }
                from = -1;
            }
        }
        return all.stream()
                .filter(each -> !trace.broken(trace.ms(each.from()), trace.ms(each.to())))
                .toList();
    }

    private double range(Hold hold) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (int i = hold.from(); i <= hold.to(); i++) {
            low = Math.min(low, smooth[i]);
            high = Math.max(high, smooth[i]);
        }
        return high - low;
    }

    /** The out-breath that begins nearest to a point, within so many seconds of it; null without one. */
    @Nullable
    Phase outBreathNear(double at, double withinS) {
        Phase nearest = null;
        for (Phase phase : phases) {
            boolean closer = nearest == null || Math.abs(phase.onset() - at) < Math.abs(nearest.onset() - at);
            if (!phase.in() && Math.abs(phase.onset() - at) <= withinS * Trace.HZ && closer) {
                nearest = phase;
            }
        }
        return nearest;
    }
}
