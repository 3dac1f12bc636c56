package fernstep.exchange.wording;

import fernstep.core.body.Dial;
import fernstep.core.body.RangePoint;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import java.text.MessageFormat;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.TreeMap;

/** Turns codes and reasons into sentences of one language. */
public final class Wording {
    private static final String BUNDLE = "fernstep.wording.words";

    /** English with every word made longer, for tests of pages. */
    public static final Locale PSEUDO = Locale.forLanguageTag("en-XA");

    private final ResourceBundle words;
    private final boolean longer;
    private final Locale locale;
    private final DateTimeFormatter dates;

    public Wording(Locale locale) {
        this.words = ResourceBundle.getBundle(
                BUNDLE, locale, ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
        this.locale = locale;
        this.longer = locale.equals(PSEUDO);
        this.dates = DateTimeFormatter.ofPattern("d MMM yyyy", locale);
    }

    public static Wording english() {
        return new Wording(Locale.ENGLISH);
    }

    /** Every word longer and in brackets: shows on a page what was left behind, and whether the page holds longer words. */
    public static Wording pseudo() {
        return new Wording(PSEUDO);
    }

    /** @throws java.util.MissingResourceException for a key without words */
    private String pattern(String key) {
        String text = words.getString(key);
        return longer ? PseudoLanguage.longer(text) : text;
    }

    public Locale locale() {
        return locale;
    }

    public String of(Reason reason) {
        if (reason.key().equals(Reason.LIST)) {
            return list(reason.facts().stream()
                    .map(this::readable)
                    .map(String::valueOf)
                    .toList());
        }
        return text(reason.key(), reason.facts().toArray());
    }

    private String list(List<String> parts) {
        if (parts.size() < 2) {
            return String.join("", parts);
        }
        String first = String.join(", ", parts.subList(0, parts.size() - 1));
        return text("list.and", first, parts.get(parts.size() - 1));
    }

    /** How far, in the one phrase a practitioner would use: "hip 41°, heel 44 cm". */
    public String range(Dial dial, RangePoint p) {
        String value = Numbers.plain((double) Math.round(p.value()));
        boolean none = Numbers.rounded(p.value(), 1) == 0 && knows("range.none." + dial);
        String own = none
                ? text("range.none." + dial)
                : text("range." + dial, dial == Dial.WEIGHT ? Numbers.plain(Numbers.rounded(p.value(), 1)) : value);
        boolean heel = dial.ofTheLeg() && Math.round(p.heightCm()) > 0;
        boolean hand = dial.ofTheArm();
        return heel || hand
                ? text(heel ? "range.withHeel" : "range.withHand", own, Numbers.plain((double)
                        Math.round(p.heightCm())))
                : own;
    }

    public String of(Enum<?> code) {
        return pattern(CodeWords.key(code));
    }

    /** One of the choices on which schools differ, as one picks it. */
    public String option(Enum<?> stance) {
        return pattern("option." + stance.name());
    }

    public String cue(SignCode sign) {
        return pattern("cue." + sign);
    }

    public String of(LocalDate date) {
        return dates.format(date);
    }

    public boolean knows(String key) {
        return words.containsKey(key);
    }

    /** A sentence as it stands in the file, for a formatter of its own. */
    public String raw(String key) {
        return pattern(key);
    }

    /** Sentences under keys that begin so, by the rest of the key; places for facts stay as {0}, {1} …. */
    public Map<String, String> under(String prefix) {
        Map<String, String> all = new TreeMap<>();
        words.keySet().stream()
                .filter(k -> k.startsWith(prefix))
                .forEach(k -> all.put(k.substring(prefix.length()), pattern(k).replace("''", "'")));
        return all;
    }

    /** @throws java.util.MissingResourceException for a key without words */
    public String text(String key, Object... facts) {
        Object[] readable = new Object[facts.length];
        for (int i = 0; i < facts.length; i++) {
            readable[i] = readable(facts[i]);
        }
        return MessageFormat.format(pattern(key), readable);
    }

    private Object readable(Object fact) {
        if (fact instanceof Reason reason) {
            return of(reason);
        }
        if (fact instanceof LocalDate date) {
            return of(date);
        }
        if (fact instanceof Enum<?> code && CodeWords.known(code)) {
            return of(code);
        }
        return fact instanceof Number number
                ? Numbers.plain(number.doubleValue()).replace('-', '−')
                : String.valueOf(fact);
    }
}
