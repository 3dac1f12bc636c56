package fernstep.device;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Tempo;
import fernstep.core.findings.SignCode;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceReport;
import fernstep.device.QualityTest.Quality.Found;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** What the analysis makes of the seven characters, each by many seeds, tempi, rates and noises that nobody chose. */
class QualityTest {
    private static final double ONSET_MS = 150;
    private static final double HOLD_MS = 3000;
    private static final int WOMEN = 8;
    private static final double LOSS = 0.02;

    /** Found of what was there, and what was made up. */
    static final class Quality {
        private final Map<Found, int[]> counts = new EnumMap<>(Found.class);

        enum Found {
            ONSET,
            HOLD,
            SIGN
        }

        void hit(Found what, boolean hit) {
            counts.computeIfAbsent(what, w -> new int[3])[hit ? 0 : 1]++;
        }

        void madeUp(Found what, long times) {
            counts.computeIfAbsent(what, w -> new int[3])[2] += (int) times;
        }

        double recall(Found what) {
            int[] n = counts.getOrDefault(what, new int[3]);
            return n[0] + n[1] == 0 ? 1 : (double) n[0] / (n[0] + n[1]);
        }

        double precision(Found what) {
            int[] n = counts.getOrDefault(what, new int[3]);
            return n[0] + n[2] == 0 ? 1 : (double) n[0] / (n[0] + n[2]);
        }

        double f1() {
            return 2 * recall(Found.SIGN) * precision(Found.SIGN) / (recall(Found.SIGN) + precision(Found.SIGN));
        }
    }

    private static Quality of(Script script, double dropped, LongStream seeds) {
        Quality quality = new Quality();
        seeds.forEach(seed -> {
            SplittableRandom random = new SplittableRandom(seed);
            Tempo tempo = new Tempo(2 + random.nextInt(3), 2 + random.nextInt(3), 1 + random.nextInt(3));
            double rateHz = 10 * (2 + random.nextInt(9));
            double noise = 0.01 + 0.04 * random.nextDouble();
            Performance she = new Performance(script, tempo, 12, seed);
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
                    Found.ONSET, report.breaths().stream().anyMatch(f -> Math.abs(f.inMs() - b.inMs()) <= ONSET_MS));
            quality.hit(
                    Found.ONSET, report.breaths().stream().anyMatch(f -> Math.abs(f.outMs() - b.outMs()) <= ONSET_MS));
        }
        for (TraceReport.Hold h : she.holds()) {
            quality.hit(
                    Found.HOLD,
                    report.holds().stream().anyMatch(f -> f.startMs() < h.endMs() && f.endMs() > h.startMs()));
        }
        quality.madeUp(
                Found.HOLD,
                report.holds().stream()
                        .filter(f -> f.endMs() - f.startMs() >= HOLD_MS)
                        .filter(f ->
                                she.holds().stream().noneMatch(h -> f.startMs() < h.endMs() && f.endMs() > h.startMs()))
                        .count());
        for (TraceReport.Rep rep : report.reps()) {
            SignCode truth = she.signs().get(rep.rep());
            List<SignCode> told = rep.verdict().stream()
                    .filter(v -> v.confidence() >= TraceReport.SURE)
                    .map(TraceReport.Verdict::sign)
                    .toList();
            if (truth != null) {
                quality.hit(Found.SIGN, told.contains(truth));
            }
            // who tires so far that the cuff leaves the band is pressing it flat as well: both are true
            quality.madeUp(
                    Found.SIGN,
                    told.stream()
                            .filter(s -> s != truth && !(truth == SignCode.TIRED && s == SignCode.BACK_PRESSED))
                            .count());
        }
    }

    @Test
    void onsets_holds_and_signs_are_found_in_every_character_and_lost_packets_cost_at_most_two_in_a_hundred() {
        System.out.println("character          onsets  holds p/r    signs F1  with 5 % lost");
        for (Script script : Script.values()) {
            Quality whole = of(script, 0, LongStream.range(0, WOMEN));
            Quality lossy = of(script, 0.05, LongStream.range(0, WOMEN));
            System.out.printf(
                    "%-18s %.3f   %.3f/%.3f  %.3f     %.3f %.3f/%.3f %.3f%n",
                    script,
                    whole.recall(Found.ONSET),
                    whole.precision(Found.HOLD),
                    whole.recall(Found.HOLD),
                    whole.f1(),
                    lossy.recall(Found.ONSET),
                    lossy.precision(Found.HOLD),
                    lossy.recall(Found.HOLD),
                    lossy.f1());
            assertThat(whole.recall(Found.ONSET)).as(script + " onsets").isGreaterThanOrEqualTo(0.95);
            assertThat(whole.precision(Found.HOLD))
                    .as(script + " holds made up")
                    .isGreaterThanOrEqualTo(0.95);
            assertThat(whole.recall(Found.HOLD)).as(script + " holds").isGreaterThanOrEqualTo(0.95);
            assertThat(whole.f1()).as(script + " signs").isGreaterThanOrEqualTo(0.9);
            assertThat(whole.precision(Found.SIGN))
                    .as(script + " signs made up")
                    .isGreaterThanOrEqualTo(0.9);
            assertThat(lossy.recall(Found.ONSET)).isGreaterThanOrEqualTo(whole.recall(Found.ONSET) - LOSS);
            assertThat(lossy.precision(Found.HOLD)).isGreaterThanOrEqualTo(whole.precision(Found.HOLD) - LOSS);
            assertThat(lossy.recall(Found.HOLD)).isGreaterThanOrEqualTo(whole.recall(Found.HOLD) - LOSS);
            assertThat(lossy.f1()).isGreaterThanOrEqualTo(whole.f1() - LOSS);
        }
    }
}
