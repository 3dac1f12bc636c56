package fernstep.core.trace;

import fernstep.core.approach.Stances;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.trace.TraceReport.Rep;
import fernstep.core.trace.TraceReport.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Judges a recorded trace, repetition by repetition (brief 9.2).
 *
 * <p>Thresholds are shares of what the recording itself shows (the typical breath, the cuff's own noise) or the brief's
 * numbers; a confidence says how far beyond its threshold something lies, in units of the noise: at the threshold 0.5, one
 * scale beyond it 0.82.
 */
public final class TraceAnalysis {
    private static final double HOLD_S = 2.5;
    private static final double UNDER_EFFORT_S = 1;
    private static final double LEAD_WITHIN_S = 4;
    private static final double BULGE_SHARE = 0.25;
    private static final double BULGE_SCALE = 0.15;
    private static final double RUSHED_SHARE = 0.6;

    private final Question q;
    private final Trace trace;
    private final @Nullable Breathing breathing;
    private final @Nullable CuffLine cuff;
    private final double @Nullable [] belly;
    private final double bellyBreath;

    /**
     * What is asked.
     *
     * @param baselineMmHg what the cuff was set to
     * @param toleranceMmHg how far it may move, above 0
     * @param tempoS seconds a repetition is to take from lift to return; null where only the others tell
     * @param letsGo whether she is to let go fully between two repetitions
     * @param marks each repetition from the start of the lift to the end of the return; empty to find them by the cuff
     */
    public record Question(
            Trace trace,
            Stances.EffortTiming timing,
            Stances.Spine spine,
            double baselineMmHg,
            double toleranceMmHg,
            @Nullable Double tempoS,
            boolean letsGo,
            List<Mark> marks) {
        public static final double USUAL_BASELINE_MMHG = 40;
        public static final double USUAL_TOLERANCE_MMHG = 10;

        /** Without a tempo, and without anything to let go of. */
        public Question(
                Trace trace,
                Stances.EffortTiming timing,
                Stances.Spine spine,
                double baselineMmHg,
                double toleranceMmHg,
                List<Mark> marks) {
            this(trace, timing, spine, baselineMmHg, toleranceMmHg, null, false, marks);
        }

        public Question {
            marks = marks.stream()
                    .sorted(Comparator.comparingDouble(Mark::startMs))
                    .toList();
        }
    }

    /**
     * One repetition as the runner counted it.
     *
     * @param rep from 1
     * @param startMs the lift begins
     * @param endMs the return is over, after the start
     */
    public record Mark(int rep, @Nullable Side side, double startMs, double endMs) {
        /** @throws IllegalArgumentException where it ends before it starts */
        public Mark {
            if (!(endMs > startMs)) {
                throw new IllegalArgumentException("a repetition ends after it starts");
            }
        }
    }

    private TraceAnalysis(Question question) {
        this.q = question;
        this.trace = question.trace();
        Channel belt = trace.has(Channel.RIBS) ? Channel.RIBS : Channel.BELLY;
        this.breathing = trace.has(belt) ? new Breathing(trace, trace.values(belt)) : null;
        this.cuff = trace.has(Channel.CUFF) ? new CuffLine(question) : null;
        boolean both = trace.has(Channel.RIBS) && trace.has(Channel.BELLY);
        Breathing low = both ? new Breathing(trace, trace.values(Channel.BELLY)) : null;
        this.belly = low == null ? null : low.smooth();
        this.bellyBreath = low == null ? 0 : low.amplitude();
    }

    public static TraceReport of(Question question) {
        return new TraceAnalysis(question).report();
    }

    private TraceReport report() {
        List<Mark> squeezed = cuff == null ? List.of() : cuff.repetitions();
        List<Mark> marks = q.marks().isEmpty() ? squeezed : q.marks();
        List<Breathing.Hold> holds = breathing == null
                ? List.of()
                : breathing.holds(HOLD_S).stream()
                        .filter(hold -> underEffort(hold, marks))
                        .toList();
        List<Rep> reps = new ArrayList<>();
        double usual = q.tempoS() != null
                ? 1000 * q.tempoS()
                : Signals.median(marks.stream()
                        .mapToDouble(mark -> mark.endMs() - mark.startMs())
                        .toArray());
        for (int i = 0; i < marks.size(); i++) {
            Mark before = i == 0 ? null : marks.get(i - 1);
            Mark after = i + 1 == marks.size() ? null : marks.get(i + 1);
            reps.add(rep(marks.get(i), before, after, holds, usual));
        }
        Repetitions together = new Repetitions(reps).tiring(q.toleranceMmHg(), cuff == null ? 0 : cuff.noise());
        List<TraceReport.Breath> breaths = breaths();
        return new TraceReport(
                trace.rateHz(),
                trace.durationMs(),
                breaths,
                holds.stream()
                        .map(hold -> new TraceReport.Hold(trace.ms(hold.from()), trace.ms(hold.to())))
                        .toList(),
                together.all(),
                together.summary(breaths),
                trace.gaps(),
                trace.problems());
    }

    private List<TraceReport.Breath> breaths() {
        List<TraceReport.Breath> all = new ArrayList<>();
        if (breathing == null) {
            return all;
        }
        List<Breathing.Phase> phases = breathing.phases();
        for (int i = 0; i + 1 < phases.size(); i++) {
            if (phases.get(i).in() && !phases.get(i + 1).in()) {
                all.add(new TraceReport.Breath(
                        trace.ms(phases.get(i).onset()),
                        trace.ms(phases.get(i + 1).onset())));
            }
        }
        return all;
    }

    private boolean underEffort(Breathing.Hold hold, List<Mark> marks) {
        double from = trace.ms(hold.from());
        double to = trace.ms(hold.to());
        return marks.stream().anyMatch(mark -> overlapS(mark, from, to) >= UNDER_EFFORT_S);
    }

    private static double overlapS(Mark mark, double fromMs, double toMs) {
        return (Math.min(mark.endMs(), toMs) - Math.max(mark.startMs(), fromMs)) / 1000;
    }

    private Rep rep(
            Mark mark, @Nullable Mark before, @Nullable Mark after, List<Breathing.Hold> holds, double usualMs) {
        List<Verdict> verdict = new ArrayList<>();
        double heldS = heldS(mark, holds);
        if (heldS > 0) {
            verdict.add(new Verdict(SignCode.BREATH_HELD, confidence(heldS - HOLD_S + 0.3, 0.6)));
        }
        CuffLine.Moved c = cuff == null ? null : cuff.of(mark, before);
        if (cuff != null && c != null) {
            cuff.judge(c, verdict);
            cuff.letsGo(mark, before, after, verdict);
        }
        Double bellyOut = bellyOut(mark);
        if (bellyOut != null && bellyOut > BULGE_SHARE) {
            verdict.add(new Verdict(SignCode.WALL_BULGE, confidence(bellyOut - BULGE_SHARE, BULGE_SCALE)));
        }
        double share = (mark.endMs() - mark.startMs()) / usualMs;
        if (share < RUSHED_SHARE) {
            verdict.add(new Verdict(SignCode.RUSHED, confidence(RUSHED_SHARE - share, 0.1)));
        }
        verdict.sort(Comparator.comparingDouble(Verdict::confidence).reversed());
        return new Rep(
                mark.rep(),
                mark.side(),
                mark.startMs(),
                mark.endMs(),
                lead(mark),
                heldS,
                c == null ? null : c.excursion(),
                c == null ? 0 : c.outsideS(),
                c == null ? 0 : Math.max(c.below(), c.above()),
                c == null ? null : c.returnControl(),
                bellyOut,
                List.copyOf(verdict));
    }

    /** At its threshold 0.5, one scale beyond 0.82, two 0.93. */
    static double confidence(double beyond, double scale) {
        return beyond <= 0 ? 0.5 * Math.exp(beyond / scale) : 1 - 0.5 * Math.exp(-beyond / scale);
    }

    /** The longest breath held under this effort, in seconds; 0 without one. */
    private double heldS(Mark mark, List<Breathing.Hold> holds) {
        return holds.stream()
                .filter(hold -> overlapS(mark, trace.ms(hold.from()), trace.ms(hold.to())) >= UNDER_EFFORT_S)
                .mapToDouble(Breathing.Hold::seconds)
                .max()
                .orElse(0);
    }

    private @Nullable Double lead(Mark mark) {
        if (breathing == null) {
            return null;
        }
        Breathing.Phase out = breathing.outBreathNear(trace.at(mark.startMs()), LEAD_WITHIN_S);
        return out == null ? null : (mark.startMs() - trace.ms(out.onset())) / 1000;
    }

    /** How far the belly moves out while the ribs come in, under effort, as a share of a breath. */
    private @Nullable Double bellyOut(Mark mark) {
        if (breathing == null || belly == null || bellyBreath <= 0) {
            return null;
        }
        int from = trace.at(mark.startMs());
        int to = trace.at(mark.endMs());
        double worst = 0;
        for (Breathing.Phase phase : breathing.phases()) {
            int a = Math.max(from, (int) Math.round(phase.onset()));
            int b = Math.min(to, phase.end());
            if (phase.in() || b - a < Trace.HZ / 2) {
                continue;
            }
            double lowest = belly[a];
            for (int i = a; i <= b; i++) {
                lowest = Math.min(lowest, belly[i]);
                worst = Math.max(worst, belly[i] - lowest);
            }
        }
        return worst / bellyBreath;
    }
}
