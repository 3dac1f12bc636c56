package fernstep.bench;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Tempo;
import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace;
import fernstep.core.trace.Samples;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceReport;
import fernstep.device.Performance;
import fernstep.device.Quality;
import fernstep.device.Script;
import fernstep.device.Sensor;
import fernstep.exchange.edf.EdfReader;
import fernstep.exchange.edf.EdfWriter;
import fernstep.exchange.table.TraceCsv;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** How long an hour of three channels at 50 Hz takes to analyse and to read, and a live repetition to judge. */
public final class TraceTimes {
    private static final int TURNS = 30;
    private static final int WOMEN = 20;
    private static final int REPS_IN_AN_HOUR = 290;
    private static final LiveTrace.Settings USUAL =
            new LiveTrace.Settings(Stances.EffortTiming.EXHALE_EFFORT_ONLY, Stances.Spine.NATURAL_CURVE, 40, 10);

    private TraceTimes() {}

    private interface Work {
        void run() throws Exception;
    }

    public static void main(String[] args) throws Exception {
        System.out.println(Quality.table(WOMEN, 0.05));
        Performance she = new Performance(Script.ARCHES_LATE, new Tempo(3, 3, 2), REPS_IN_AN_HOUR, 1);
        Samples hour = new Sensor(she, 50, 0.03, 0.02, 1).whole();
        System.out.printf("%.1f min, %d samples of three channels%n", she.endS() / 60, hour.size());
        time("analyse, samples to report", () -> TraceAnalysis.of(USUAL.over(hour.trace(), she.marks())));
        LiveTrace live = new LiveTrace();
        List<LiveTrace.Sample> window = new ArrayList<>();
        for (int i = hour.size() - 7000; i < hour.size(); i++) {
            window.add(new LiveTrace.Sample(
                    hour.timeMs(i),
                    Map.of(
                            Channel.CUFF, hour.value(Channel.CUFF, i),
                            Channel.RIBS, hour.value(Channel.RIBS, i),
                            Channel.BELLY, hour.value(Channel.BELLY, i))));
        }
        live.take(1, window);
        TraceAnalysis.Mark last = she.marks().get(she.marks().size() - 1);
        time("judge a live repetition", () -> {
            TraceReport.Rep rep = live.judge(last, USUAL).orElseThrow();
            if (rep.rep() != last.rep()) {
                throw new IllegalStateException("another repetition");
            }
        });
        String csv = TraceCsv.wide(hour);
        byte[] edf = EdfWriter.write(LocalDateTime.of(2026, 3, 9, 9, 0), hour, List.of());
        System.out.printf("CSV %.1f MB, EDF %.1f MB%n", csv.length() / 1e6, edf.length / 1e6);
        time("read CSV", () -> TraceCsv.read(csv));
        time("read EDF", () -> EdfReader.read(edf, false));
    }

    private static void time(String what, Work work) throws Exception {
        double[] ms = new double[TURNS];
        for (int i = 0; i < TURNS; i++) {
            long began = System.nanoTime();
            work.run();
            ms[i] = (System.nanoTime() - began) / 1e6;
        }
        double first = ms[0];
        Arrays.sort(ms);
        System.out.printf(
                "%-28s first %7.1f ms, median %7.1f ms, worst of the rest %7.1f ms%n",
                what, first, ms[TURNS / 2], ms[TURNS - 1] == first ? ms[TURNS - 2] : ms[TURNS - 1]);
    }
}
