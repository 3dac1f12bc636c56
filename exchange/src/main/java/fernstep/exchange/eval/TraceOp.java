package fernstep.exchange.eval;

import fernstep.core.approach.Stances;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceAnalysis;
import fernstep.core.trace.TraceReport;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.edf.EdfFile;
import fernstep.exchange.edf.EdfReader;
import fernstep.exchange.table.TraceCsv;
import fernstep.exchange.wording.Wording;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** {@code op: "trace"}: what a recording of cuff and belts shows, repetition by repetition. */
final class TraceOp implements Operation {
    private final Wording words;
    private final Files files;

    TraceOp(Wording words, Files files) {
        this.words = words;
        this.files = files;
    }

    /** Where the command line reads a trace from; the pages read none. */
    @FunctionalInterface
    interface Files {
        byte[] read(String name) throws IOException;
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        Trace trace = trace(request);
        TraceAnalysis.Question question = new TraceAnalysis.Question(
                trace,
                request.optionalCode("timing", Stances.EffortTiming.class)
                        .orElse(Stances.EffortTiming.EXHALE_EFFORT_ONLY),
                request.optionalCode("spine", Stances.Spine.class).orElse(Stances.Spine.NATURAL_CURVE),
                request.optionalNumber("baselineMmHg", Range.CUFF_MMHG)
                        .orElse(TraceAnalysis.Question.USUAL_BASELINE_MMHG),
                request.optionalNumber("toleranceMmHg", Range.CUFF_TOLERANCE_MMHG)
                        .orElse(TraceAnalysis.Question.USUAL_TOLERANCE_MMHG),
                request.optionalNumber("tempoS", Range.REP_S).orElse(null),
                request.optionalFlag("letGo").orElse(false),
                request.has("marks")
                        ? request.items("marks", (node, path) -> mark(CaseObject.at(node, path)))
                        : List.of());
        request.nothingElse();
        return written(TraceAnalysis.of(question));
    }

    private Trace trace(CaseObject request) {
        String where = request.has("file") ? "file" : "csv";
        String text = request.text(where);
        try {
            if (where.equals("file")) {
                byte[] bytes = files.read(text);
                if (text.endsWith(".edf")) {
                    return EdfReader.read(bytes, false).samples().trace();
                }
                if (!text.endsWith(".csv")) {
                    throw request.problem("file", "only CSV and EDF are read", "a file that ends in .csv or .edf");
                }
                text = new String(bytes, StandardCharsets.UTF_8);
            }
            return TraceCsv.read(text).trace();
        } catch (IOException e) {
            throw request.problem("file", "the file cannot be read", "a readable file, or csv");
        } catch (EdfFile.Damaged e) {
            throw request.problem("file", String.valueOf(e.getMessage()), "a whole EDF or EDF+ file");
        } catch (TraceCsv.Unreadable e) {
            throw request.problem(
                    where, String.valueOf(e.getMessage()), "t_ms,cuff_mmhg,ribs,belly or t_ms,channel,value,unit");
        }
    }

    private static TraceAnalysis.Mark mark(CaseObject object) {
        int rep = object.whole("rep", Range.REP);
        Side side = object.optionalCode("side", Side.class).orElse(null);
        double start = object.number("startMs", Range.TIME_MS);
        double end = object.number("endMs", Range.TIME_MS);
        object.nothingElse();
        return object.checked("endMs", () -> new TraceAnalysis.Mark(rep, side, start, end));
    }

    private Map<String, Object> written(TraceReport report) {
        return Json.object(
                "sampleRateHz",
                Numbers.rounded(report.sampleRateHz(), 2),
                "durationMs",
                Math.round(report.durationMs()),
                "breaths",
                report.breaths().stream()
                        .map(breath ->
                                Json.object("inMs", Math.round(breath.inMs()), "outMs", Math.round(breath.outMs())))
                        .toList(),
                "holds",
                report.holds().stream()
                        .map(hold ->
                                Json.object("startMs", Math.round(hold.startMs()), "endMs", Math.round(hold.endMs())))
                        .toList(),
                "reps",
                report.reps().stream().map(TraceOp::rep).toList(),
                "summary",
                Json.object(
                        "breathsPerMin",
                        Json.rounded(report.summary().breathsPerMin()),
                        "toleranceBreaths",
                        report.summary().toleranceBreaths(),
                        "breaksAtRep",
                        report.summary().breaksAtRep(),
                        "symmetry",
                        Json.rounded(report.summary().symmetry())),
                "gaps",
                report.gaps().stream()
                        .map(gap -> Json.object("startMs", Math.round(gap.startMs()), "endMs", Math.round(gap.endMs())))
                        .toList(),
                "problems",
                report.problems().stream()
                        .map(problem -> Json.object("code", problem.code().name(), "text", words.of(problem.text())))
                        .toList());
    }

    private static Map<String, Object> rep(TraceReport.Rep rep) {
        return Json.object(
                "rep",
                rep.rep(),
                "side",
                name(rep.side()),
                "leadS",
                Json.rounded(rep.leadS()),
                "heldS",
                Json.rounded(rep.heldS()),
                "excursionMmHg",
                Json.rounded(rep.excursionMmHg()),
                "outsideS",
                Json.rounded(rep.outsideS()),
                "overshootMmHg",
                Json.rounded(rep.overshootMmHg()),
                "returnControl",
                Json.rounded(rep.returnControl()),
                "verdict",
                rep.verdict().stream()
                        .map(verdict -> Json.object(
                                "sign", verdict.sign().name(), "confidence", Json.rounded(verdict.confidence())))
                        .toList());
    }

    private static @Nullable String name(@Nullable Side side) {
        return side == null ? null : side.name();
    }
}
