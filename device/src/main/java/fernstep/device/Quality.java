package fernstep.device;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Tempo;
import fernstep.core.findings.SignCode;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceReport;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.LongStream;

/** How well the analysis finds what is true of scripted women: found of what was there, and what was made up. */
public final class Quality {
    private static final double ONSET_MS = 150;
    private static final double HOLD_MS = 3000;
    private static final int REPS = 12;

    private final Map<Found, int[]> counts = new EnumMap<>(Found.class);

    /** What is looked for. */
    public enum Found {
        ONSET,
        HOLD,
        SIGN
    }

    private void hit(Found what, boolean hit) {
        counts.computeIfAbsent(what, key -> new int[3])[hit ? 0 : 1]++;
    }

    private void madeUp(Found what, long times) {
        counts.computeIfAbsent(what, key -> new int[3])[2] += (int) times;
    }

    /** Found of what was there, 0 to 1; 1 where nothing was. */
    public double recall(Found what) {
        int[] n = counts.getOrDefault(what, new int[3]);
        return n[0] + n[1] == 0 ? 1 : (double) n[0] / (n[0] + n[1]);
    }

    /** True of what was found, 0 to 1; 1 where nothing was found. */
    public double precision(Found what) {
        int[] n = counts.getOrDefault(what, new int[3]);
        return n[0] + n[2] == 0 ? 1 : (double) n[0] / (n[0] + n[2]);
    }

    /** Of the signs, by repetition. */
    public double f1() {
        return 2 * recall(Found.SIGN) * precision(Found.SIGN) / (recall(Found.SIGN) + precision(Found.SIGN));
    }

    /**
     * One script by many seeds, each with a tempo, a rate (20 to 100 Hz) and a noise (1 to 5 % of a breath) of its own.
     *
     * @param dropped share of the packets that are lost, 0 to 1
     */
    public static Quality of(Script script, double dropped, LongStream seeds) {
        Quality quality = new Quality();
        seeds.forEach(seed -> {
            SplittableRandom random = new SplittableRandom(seed);
            Tempo tempo = new Tempo(2 + random.nextInt(3), 2 + random.nextInt(3), 1 + random.nextInt(3));
            double rateHz = 10 * (2 + random.nextInt(9));
            double noise = 0.01 + 0.04 * random.nextDouble();
            Performance she = new Performance(script, tempo, REPS, seed);
            TraceReport report = TraceAnalysis.of(new TraceAnalysis.Question(
                    new Sensor(she, rateHz, noise, dropped, seed).whole().trace(),
                    Stances.EffortTiming.EXHALE_EFFORT_ONLY,
                    Stances.Spine.NATURAL_CURVE,
                    40,
                    10,
                    she.marks()));
            count(she, report, quality);
        });
        return quality;
    }

    private static void count(Performance she, TraceReport report, Quality quality) {
        for (TraceReport.Breath b : she.breaths().subList(1, she.breaths().size() - 1)) {
            quality.hit(
                    Found.ONSET,
                    report.breaths().stream().anyMatch(breath -> Math.abs(breath.inMs() - b.inMs()) <= ONSET_MS));
            quality.hit(
                    Found.ONSET,
                    report.breaths().stream().anyMatch(breath -> Math.abs(breath.outMs() - b.outMs()) <= ONSET_MS));
        }
        for (TraceReport.Hold h : she.holds()) {
            quality.hit(
                    Found.HOLD,
                    report.holds().stream().anyMatch(hold -> hold.startMs() < h.endMs() && hold.endMs() > h.startMs()));
        }
        quality.madeUp(
                Found.HOLD,
                report.holds().stream()
                        .filter(hold -> hold.endMs() - hold.startMs() >= HOLD_MS)
                        .filter(hold -> she.holds().stream()
                                .noneMatch(each -> hold.startMs() < each.endMs() && hold.endMs() > each.startMs()))
                        .count());
        for (TraceReport.Rep rep : report.reps()) {
            SignCode truth = she.signs().get(rep.rep());
            List<SignCode> told = rep.verdict().stream()
                    .filter(verdict -> verdict.confidence() >= TraceReport.SURE)
                    .map(TraceReport.Verdict::sign)
                    .toList();
            if (truth != null) {
                quality.hit(Found.SIGN, told.contains(truth));
            }
            // who tires so far that the cuff leaves the band is pressing it flat as well: both are true
            quality.madeUp(
                    Found.SIGN,
                    told.stream()
                            .filter(code ->
                                    code != truth && !(truth == SignCode.TIRED && code == SignCode.BACK_PRESSED))
                            .count());
        }
    }

    /** The table of all scripts, whole and with packets lost, in lines. */
    public static String table(int women, double dropped) {
        StringBuilder text = new StringBuilder();
        text.append(
                String.format("%-16s onsets holds p/r   signs F1 | with %.0f %% lost%n", "character", 100 * dropped));
        for (Script script : Script.values()) {
            text.append(String.format(
                    "%-16s %s | %s%n",
                    script,
                    of(script, 0, LongStream.range(0, women)),
                    of(script, dropped, LongStream.range(0, women))));
        }
        return text.toString();
    }

    @Override
    public String toString() {
        return String.format(
                "%.3f  %.3f/%.3f %.3f", recall(Found.ONSET), precision(Found.HOLD), recall(Found.HOLD), f1());
    }
}
