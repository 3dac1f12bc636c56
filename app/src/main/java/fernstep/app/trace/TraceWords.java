package fernstep.app.trace;

import fernstep.app.support.Words;
import fernstep.core.approach.Stances;
import fernstep.core.measure.Reason;
import fernstep.core.trace.TraceReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A repetition's numbers in a line. */
final class TraceWords {
    private static final double LEAST_LEAD_S = 0.1;
    private static final double MOST_LEAD_S = 1.5;

    private TraceWords() {}

    /** @param timing by which the lead is judged; who breathes through has none to keep */
    static String detail(Words words, TraceReport.Rep rep, Stances.EffortTiming timing) {
        List<String> parts = new ArrayList<>();
        if (rep.leadS() != null) {
            String seconds = String.format(Locale.ROOT, "%.1f", Math.abs(rep.leadS()));
            parts.add(words.of(Reason.of(rep.leadS() >= 0 ? "trace.breathFirst" : "trace.effortFirst", seconds)));
            boolean wanted = rep.leadS() >= LEAST_LEAD_S && rep.leadS() <= MOST_LEAD_S;
            if (timing != Stances.EffortTiming.BREATHE_THROUGH && !wanted) {
                parts.add(words.text(rep.leadS() < LEAST_LEAD_S ? "trace.leadShort" : "trace.leadLong"));
            }
        }
        if (rep.excursionMmHg() != null) {
            parts.add(words.of(Reason.of(
                    "trace.moved",
                    String.format(Locale.ROOT, "%+.0f", rep.excursionMmHg()).replace('-', '−'))));
        }
        return String.join(" · ", parts);
    }
}
