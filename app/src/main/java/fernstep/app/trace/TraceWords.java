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
    private TraceWords() {}

    /** @param timing by which the lead is judged; who breathes through has none to keep */
    static String detail(Words words, TraceReport.Rep rep, Stances.EffortTiming timing) {
        List<String> parts = new ArrayList<>();
        if (rep.leadS() != null) {
            String seconds = String.format(Locale.ROOT, "%.1f", Math.abs(rep.leadS()));
            parts.add(words.of(Reason.of(rep.leadS() >= 0 ? "trace.breathFirst" : "trace.effortFirst", seconds)));
            rep.lead(timing)
                    .filter(lead -> lead != TraceReport.Lead.WANTED)
                    .ifPresent(lead -> parts.add(words.text("trace.lead." + lead)));
        }
        if (rep.heldS() > 0) {
            parts.add(words.of(Reason.of("trace.held", String.format(Locale.ROOT, "%.1f", rep.heldS()))));
        }
        if (rep.excursionMmHg() != null) {
            parts.add(words.of(Reason.of(
                    "trace.moved",
                    String.format(Locale.ROOT, "%+.0f", rep.excursionMmHg()).replace('-', '−'))));
        }
        if (rep.returnControl() != null && rep.letDrop()) {
            parts.add(words.of(
                    Reason.of("trace.backFaster", String.format(Locale.ROOT, "%.1f", 1 / rep.returnControl()))));
        }
        return String.join(" · ", parts);
    }
}
