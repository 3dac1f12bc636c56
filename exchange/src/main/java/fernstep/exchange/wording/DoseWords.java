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
    public String dose(Dose d) {
        List<String> per = new ArrayList<>();
        per.add(d.sets() == 1 ? words.text("count.set") : words.text("count.sets", d.sets()));
        if (d.reps() != null) {
            per.add(words.text("count.reps", d.reps()));
        }
        if (d.holdS() != null) {
            per.add(words.text("count.seconds", d.holdS()));
        }
        if (d.breaths() != null) {
            per.add(words.text("count.breaths", d.breaths()));
        }
        return String.join(" × ", per);
    }

    /** "3 × a day, 5 days a week". */
    public String often(Dose d) {
        String days =
                d.daysPerWeek() == EVERY_DAY ? words.text("often.daily") : words.text("often.days", d.daysPerWeek());
        return d.perDay() == 1 ? days : words.text("often.perDay", d.perDay(), days);
    }

    /** "1–3 sets × 6–10 reps × 2–5 s". */
    public String window(Window w) {
        List<String> parts = new ArrayList<>();
        parts.add(words.text("count.sets", span(w.sets())));
        if (w.reps() != null) {
            parts.add(words.text("count.reps", span(w.reps())));
        }
        if (w.holdS() != null) {
            parts.add(words.text("count.seconds", span(w.holdS())));
        }
        if (w.breaths() != null) {
            parts.add(words.text("count.breaths", span(w.breaths())));
        }
        return String.join(" × ", parts);
    }

    private static String span(Span s) {
        return s.min() == s.max() ? String.valueOf(s.min()) : s.min() + "–" + s.max();
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
