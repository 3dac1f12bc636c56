package fernstep.app.support;

import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Dose;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The wording for templates, as the bean {@code words}. */
@Component("words")
public class Words {
    private final Wording wording;

    public Words(Wording wording) {
        this.wording = wording;
    }

    public String of(Reason reason) {
        return wording.of(reason);
    }

    public String code(Enum<?> code) {
        return wording.of(code);
    }

    public String text(String key, Object... facts) {
        return wording.text(key, facts);
    }

    public String day(@Nullable LocalDate date) {
        return date == null ? "" : wording.of(date);
    }

    public String number(@Nullable Double value, int decimals) {
        return value == null ? "–" : Numbers.plain(Numbers.rounded(value, decimals));
    }

    /** "+2 cm", "navel", "−5 cm". */
    public String site(double siteCm) {
        return siteCm == 0 ? "navel" : (siteCm > 0 ? "+" : "−") + Numbers.plain(Math.abs(siteCm)) + " cm";
    }

    /** "natural curve" for NATURAL_CURVE: for codes without a sentence of their own. */
    public String plain(Enum<?> code) {
        String lower = code.name().toLowerCase(Locale.ROOT).replace('_', ' ');
        return Character.toUpperCase(lower.charAt(0)) + lower.substring(1);
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

    /** "11 min 20 s". */
    public String time(int seconds) {
        int rest = seconds % 60;
        return seconds < 60 ? seconds + " s" : seconds / 60 + " min" + (rest == 0 ? "" : " " + rest + " s");
    }
}
