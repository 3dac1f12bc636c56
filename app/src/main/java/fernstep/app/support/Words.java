package fernstep.app.support;

import fernstep.core.body.Dial;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Dose;
import fernstep.core.plan.RungGates;
import fernstep.core.schedule.SessionCalendar;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The wording for templates, as the bean {@code words}. */
@Component("words")
public class Words {
    private static final JsonMapper JSON = JsonMapper.shared();

    private final Languages languages;
    private final Supplier<Catalogue> catalogue;

    public Words(Languages languages, Supplier<Catalogue> catalogue) {
        this.languages = languages;
        this.catalogue = catalogue;
    }

    private Wording wording() {
        return languages.now();
    }

    public String of(Reason reason) {
        return wording().of(reason);
    }

    /** What scripts say, as JSON for the head of a page. */
    public String forScripts() {
        return JSON.writeValueAsString(wording().under("script.")).replace("<", "\\u003c");
    }

    /** What to say beside a sign that asks for a cue. */
    public String cue(SignCode sign) {
        return wording().cue(sign);
    }

    /** How far, in one phrase. */
    public String range(Dial dial, RangePoint point) {
        return wording().range(dial, point);
    }

    public String code(Enum<?> code) {
        return wording().of(code);
    }

    public String text(String key, Object... facts) {
        return wording().text(key, facts);
    }

    /** A rung by its name, its code behind it. */
    public String rung(String code) {
        return catalogue
                .get()
                .find(code)
                .map(r -> text("rung.name", r.name(), r.code()))
                .orElse(code);
    }

    /** What holds a goal: a gate, or a finding by its code. */
    public String gate(String code) {
        return wording().knows("gate." + code) ? text("gate." + code) : text("held." + code);
    }

    public String day(@Nullable LocalDate date) {
        return date == null ? "" : wording().of(date);
    }

    public String number(@Nullable Double value, int decimals) {
        return value == null ? "–" : Numbers.plain(Numbers.rounded(value, decimals));
    }

    /** "+2 cm", "navel", "−5 cm". */
    public String site(double siteCm) {
        return siteCm == 0 ? "navel" : (siteCm > 0 ? "+" : "−") + Numbers.plain(Math.abs(siteCm)) + " cm";
    }

    /** One of the choices on which schools differ, as one picks it. */
    public String option(Enum<?> stance) {
        return wording().option(stance);
    }

    /** The same by its code. */
    public String option(String code) {
        return text("option." + code);
    }

    /** "2 × 10 × 5 s, 3 × a day, 5 days a week". */
    public String dose(Dose d) {
        List<String> per = new ArrayList<>();
        per.add(d.sets() == 1 ? "1 set" : d.sets() + " sets");
        if (d.reps() != null) {
            per.add(d.reps() + " reps");
        }
        if (d.holdS() != null) {
            per.add(d.holdS() + " s");
        }
        if (d.breaths() != null) {
            per.add(d.breaths() + " breaths");
        }
        return String.join(" × ", per);
    }

    public String often(Dose d) {
        String days = d.daysPerWeek() == 7 ? "daily" : d.daysPerWeek() + " days a week";
        return d.perDay() == 1 ? days : d.perDay() + " × a day, " + days;
    }

    /** "1–3 sets × 6–10 reps × 2–5 s". */
    public String window(Window w) {
        List<String> parts = new ArrayList<>();
        parts.add(span(w.sets()) + " sets");
        if (w.reps() != null) {
            parts.add(span(w.reps()) + " reps");
        }
        if (w.holdS() != null) {
            parts.add(span(w.holdS()) + " s");
        }
        if (w.breaths() != null) {
            parts.add(span(w.breaths()) + " breaths");
        }
        return String.join(" × ", parts);
    }

    private static String span(Span s) {
        return s.min() == s.max() ? String.valueOf(s.min()) : s.min() + "–" + s.max();
    }

    /** What a rung waits for, for anyone: nothing known of her counts as nothing reached. */
    public String gates(Rung rung, Catalogue catalogue) {
        List<String> gates = new ArrayList<>();
        rung.gates().stream()
                .filter(RungGate.Opened.class::isInstance)
                .map(g -> text("gate." + ((RungGate.Opened) g).code()).toLowerCase(Locale.ROOT))
                .forEach(gates::add);
        RungGates.Known nothing = RungGates.Known.nothing(catalogue);
        rung.gates().stream()
                .flatMap(g -> RungGates.own(g, rung, nothing).stream())
                .forEach(w -> gates.add(of(w.reason())));
        boolean notPregnant = rung.gates().stream().anyMatch(RungGate.NotPregnant.class::isInstance);
        if (notPregnant) {
            gates.add(text("waiting.birth"));
        }
        return gates.isEmpty() ? text("gates.none") : String.join("; ", gates);
    }

    /** "Heaviness, Pain 4" for HEAVY,PAIN:4. */
    public String symptoms(String codes) {
        List<String> parts = new ArrayList<>();
        for (String code : codes.split(",")) {
            String[] halves = code.split(":", 2);
            parts.add(code(SignCode.valueOf(halves[0])) + (halves.length > 1 ? " " + halves[1] : ""));
        }
        return String.join(", ", parts);
    }

    /** What falls on a day of the calendar. */
    public String mark(SessionCalendar.Mark mark) {
        return switch (mark.what()) {
            case GATE_OPENS -> mark.gate() == null ? "" : text("calendar.gate", mark.gate());
            case RECHECK -> text("calendar.recheck");
            case CLEARANCE_ENDS -> mark.scope() == null ? "" : text("calendar.clearanceEnds." + mark.scope());
        };
    }

    /** "14 min", for where seconds do not matter. */
    public String minutes(int seconds) {
        return Math.max(1, Math.round(seconds / 60.0)) + " min";
    }

    /** "11 min 20 s". */
    public String time(int seconds) {
        int rest = seconds % 60;
        return seconds < 60 ? seconds + " s" : seconds / 60 + " min" + (rest == 0 ? "" : " " + rest + " s");
    }
}
