package fernstep.exchange.wording;

import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.plan.Dose;
import java.util.ArrayList;
import java.util.List;

/** Doses, windows and times as people read them, in one language. */
public record DoseWords(Wording words) {
    private static final int EVERY_DAY = 7;
    private static final int S_PER_MIN = 60;

    /** "2 sets × 10 reps × 5 s". */
    public String dose(Dose dose) {
        List<String> per = new ArrayList<>();
        per.add(dose.sets() == 1 ? words.text("count.set") : words.text("count.sets", dose.sets()));
        if (dose.reps() != null) {
            per.add(words.text("count.reps", dose.reps()));
        }
        if (dose.holdS() != null) {
            per.add(words.text("count.seconds", dose.holdS()));
        }
        if (dose.breaths() != null) {
            per.add(words.text("count.breaths", dose.breaths()));
        }
        return String.join(" × ", per);
    }

    /** "3 × a day, 5 days a week". */
    public String often(Dose dose) {
        String days = dose.daysPerWeek() == EVERY_DAY
                ? words.text("often.daily")
                : words.text("often.days", dose.daysPerWeek());
        return dose.perDay() == 1 ? days : words.text("often.perDay", dose.perDay(), days);
    }

    /** "1–3 sets × 6–10 reps × 2–5 s". */
    public String window(Window window) {
        List<String> parts = new ArrayList<>();
        parts.add(words.text("count.sets", span(window.sets())));
        if (window.reps() != null) {
            parts.add(words.text("count.reps", span(window.reps())));
        }
        if (window.holdS() != null) {
            parts.add(words.text("count.seconds", span(window.holdS())));
        }
        if (window.breaths() != null) {
            parts.add(words.text("count.breaths", span(window.breaths())));
        }
        return String.join(" × ", parts);
    }

    private static String span(Span span) {
        return span.min() == span.max() ? String.valueOf(span.min()) : span.min() + "–" + span.max();
    }

    /** "14 min", for where seconds do not matter. */
    public String minutes(int seconds) {
        return words.text("count.minutes", Math.max(1, Math.round(seconds / (double) S_PER_MIN)));
    }

    /** "11 min 20 s". */
    public String time(int seconds) {
        int rest = seconds % S_PER_MIN;
        if (seconds < S_PER_MIN) {
            return words.text("count.seconds", seconds);
        }
        String minutes = words.text("count.minutes", seconds / S_PER_MIN);
        return rest == 0 ? minutes : minutes + " " + words.text("count.seconds", rest);
    }
}
