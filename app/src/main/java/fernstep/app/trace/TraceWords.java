package fernstep.app.trace;

import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import fernstep.core.trace.TraceReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A repetition's numbers in a line. */
final class TraceWords {
    private TraceWords() {}

    static String detail(Words words, TraceReport.Rep rep) {
        List<String> parts = new ArrayList<>();
        if (rep.leadS() != null) {
            String seconds = String.format(Locale.ROOT, "%.1f", Math.abs(rep.leadS()));
            parts.add(words.of(Reason.of(rep.leadS() >= 0 ? "trace.breathFirst" : "trace.effortFirst", seconds)));
        }
        if (rep.excursionMmHg() != null) {
            parts.add(words.of(Reason.of(
                    "trace.moved",
                    String.format(Locale.ROOT, "%+.0f", rep.excursionMmHg()).replace('-', '−'))));
        }
        return String.join(" · ", parts);
    }
}
