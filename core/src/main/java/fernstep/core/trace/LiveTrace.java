package fernstep.core.trace;

import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A recording while it comes in: the last two minutes and the repetitions in them, whatever its length. A repetition is
 * judged when it is counted, from what has arrived: filters end where the line ends, so there is no delay of theirs, at the
 * price of more noise in the last half second. Not for two threads at once.
 */
public final class LiveTrace {
    /** How much is looked at, in ms. */
    public static final double WINDOW_MS = 120_000;

    private static final int MOST_MARKS = 60;

    private final SampleBuffer window = new SampleBuffer();
    private final Deque<TraceAnalysis.Mark> marks = new ArrayDeque<>();
    private long lastSequence;
    private boolean begun = true;
    private int repeated;
    private int missing;
    private int backwards;
    private int notANumber;

    /** Of a device that streamed to somebody else before: its first batch may have any number. */
    public static LiveTrace ofOneUnderWay() {
        LiveTrace trace = new LiveTrace();
        trace.begun = false;
        return trace;
    }

    /** What became of a batch. */
    public enum Taken {
        NEW,
        /** Its number was there before: nothing was taken. */
        REPEATED
    }

    /** @param samples those whose time rises, in the order they came; empty where none does */
    public record Batch(Taken taken, List<Sample> samples) {
        public Batch {
            samples = List.copyOf(samples);
        }
    }

    /**
     * @param timeMs as the device counts
     * @param values by channel; one that is missing or not a number is not in it
     */
    public record Sample(double timeMs, Map<Channel, Double> values) {
        public Sample {
            values = Map.copyOf(values);
        }
    }

    /**
     * @param sequence number of the batch, rising by one from 1
     * @return what is new in it
     */
    public Batch take(long sequence, List<Sample> samples) {
        if (sequence <= lastSequence) {
            repeated++;
            return new Batch(Taken.REPEATED, List.of());
        }
        missing += begun ? (int) Math.min(Integer.MAX_VALUE / 2, sequence - lastSequence - 1) : 0;
        begun = true;
        lastSequence = sequence;
        List<Sample> fresh = new ArrayList<>();
        for (Sample sample : samples) {
            if (!Double.isFinite(sample.timeMs()) || (!window.isEmpty() && sample.timeMs() <= window.lastMs())) {
                backwards++;
                continue;
            }
            Map<Channel, Double> there = new EnumMap<>(Channel.class);
            sample.values().forEach((channel, value) -> {
                if (Double.isFinite(value)) {
                    there.put(channel, value);
                } else {
                    notANumber++;
                }
            });
            window.add(sample.timeMs(), there);
            fresh.add(new Sample(sample.timeMs(), there));
        }
        if (!window.isEmpty()) {
            window.forgetBefore(window.lastMs() - WINDOW_MS);
        }
        return new Batch(Taken.NEW, fresh);
    }

    /**
     * Judges a repetition that has just been counted.
     *
     * @param like what is asked beside the samples and the repetitions: those of the question are not looked at
     * @return empty where nothing was recorded of it
     */
    public Optional<TraceReport.Rep> judge(TraceAnalysis.Mark mark, Settings like) {
        if (window.isEmpty() || window.lastMs() < mark.startMs()) {
            return Optional.empty();
        }
        marks.removeIf(each -> each.endMs() < window.lastMs() - WINDOW_MS || each.startMs() == mark.startMs());
        marks.add(mark);
        while (marks.size() > MOST_MARKS) {
            marks.removeFirst();
        }
        return counted(look(like), mark);
    }

    /**
     * A repetition that has just been counted. Whether she let go after one is known only when the next begins, so that is
     * said with the next: beside the mat it is then still new.
     *
     * @return empty where the report has nothing of it
     */
    public static Optional<TraceReport.Rep> counted(TraceReport report, TraceAnalysis.Mark mark) {
        List<TraceReport.Rep> reps = report.reps();
        for (int i = 0; i < reps.size(); i++) {
            if (reps.get(i).startMs() == mark.startMs()) {
                TraceReport.Rep counted = reps.get(i);
                return Optional.of(
                        i == 0
                                ? counted
                                : notLetGo(reps.get(i - 1)).map(counted::with).orElse(counted));
            }
        }
        return Optional.empty();
    }

    private static Optional<TraceReport.Verdict> notLetGo(TraceReport.Rep rep) {
        return rep.verdict().stream()
                .filter(verdict -> verdict.sign() == SignCode.NO_LET_GO)
                .findFirst();
    }

    /**
     * What the last two minutes show.
     *
     * @throws IllegalArgumentException where nothing has come
     */
    public TraceReport look(Settings like) {
        return TraceAnalysis.of(like.over(window.whole().trace(), List.copyOf(marks)));
    }

    /** What must be known about the device, with how often it happened; empty where all is well. */
    public List<Trace.Problem> problems() {
        List<Trace.Problem> problems = new ArrayList<>();
        add(problems, Trace.Problem.Code.BATCH_REPEATED, repeated);
        add(problems, Trace.Problem.Code.BATCH_MISSING, missing);
        add(problems, Trace.Problem.Code.TIME_NOT_RISING, backwards);
        add(problems, Trace.Problem.Code.NOT_A_NUMBER, notANumber);
        if (window.size() > 1) {
            window.whole().trace().problems().stream()
                    .filter(problem -> problem.code() != Trace.Problem.Code.TOO_SHORT)
                    .forEach(problems::add);
        }
        return problems;
    }

    private static void add(List<Trace.Problem> problems, Trace.Problem.Code code, int times) {
        if (times > 0) {
            problems.add(Trace.Problem.of(code, times));
        }
    }

    /** The last two minutes, or less. */
    public SampleBuffer window() {
        return window;
    }

    /**
     * How a recording is to be read.
     *
     * @param baselineMmHg what the cuff was set to
     * @param toleranceMmHg how far it may move, above 0
     * @param tempoS seconds a repetition is to take; null where only the others tell
     * @param letsGo whether she is to let go fully between two repetitions
     */
    public record Settings(
            Stances.EffortTiming timing,
            Stances.Spine spine,
            double baselineMmHg,
            double toleranceMmHg,
            @Nullable Double tempoS,
            boolean letsGo) {
        /** Without a tempo, and without anything to let go of. */
        public Settings(Stances.EffortTiming timing, Stances.Spine spine, double baselineMmHg, double toleranceMmHg) {
            this(timing, spine, baselineMmHg, toleranceMmHg, null, false);
        }

        /**
         * The same on a rung.
         *
         * @param seconds its tempo, from 1
         * @param fullyLetsGo whether it asks to let go
         */
        public Settings on(double seconds, boolean fullyLetsGo) {
            return new Settings(timing, spine, baselineMmHg, toleranceMmHg, seconds, fullyLetsGo);
        }

        /** Where the cuff may be at the least, mmHg: a light imprint leaves the back where it was set. */
        public double bandLowMmHg() {
            return spine == Stances.Spine.LIGHT_IMPRINT ? baselineMmHg : baselineMmHg - toleranceMmHg;
        }

        /** Where the cuff may be at most, mmHg. */
        public double bandHighMmHg() {
            return baselineMmHg + toleranceMmHg;
        }

        public TraceAnalysis.Question over(Trace trace, List<TraceAnalysis.Mark> marks) {
            return new TraceAnalysis.Question(trace, timing, spine, baselineMmHg, toleranceMmHg, tempoS, letsGo, marks);
        }
    }
}
