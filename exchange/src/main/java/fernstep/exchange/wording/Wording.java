package fernstep.exchange.wording;

import fernstep.core.body.Dial;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import java.text.DecimalFormatSymbols;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;

/** Turns codes and reasons into sentences of one language. */
public final class Wording {
    private static final String BUNDLE = "fernstep.wording.words";
    private static final String RUNGS = "fernstep.wording.rungs";
    /** Of a locale: how lengths and weights are said ("en-u-ms-ussystem"), as BCP 47 has it. */
    private static final String UNITS = "ms";

    private static final String INCHES_AND_POUNDS = "ussystem";
    /** Reasons whose first two facts are the name of a rung, as the catalogue has it, and its code. */
    private static final Set<String> NAMES_A_RUNG = Set.of("rung.name", "rung.lessFar", "difference.rung");

    private static final double CM_PER_INCH = 2.54;
    private static final double POUNDS_PER_KG = 2.204_622_6;

    /** English with every word made longer, for tests of pages. */
    public static final Locale PSEUDO = Locale.forLanguageTag("en-XA");

    private final ResourceBundle words;
    private final ResourceBundle rungs;
    private final boolean longer;
    private final boolean imperial;
    private final char decimal;
    private final Locale locale;
    private final DateTimeFormatter dates;
    private final Map<String, Sentence> ready = new ConcurrentHashMap<>();

    /** @param locale a language and, in its extension, units: without one centimetres and kilograms */
    public Wording(Locale locale) {
        Locale plain = locale.stripExtensions();
        this.words = bundle(BUNDLE, plain);
        this.rungs = bundle(RUNGS, plain);
        this.imperial = INCHES_AND_POUNDS.equals(locale.getUnicodeLocaleType(UNITS));
        this.decimal = DecimalFormatSymbols.getInstance(plain).getDecimalSeparator();
        this.locale = locale;
        this.longer = locale.equals(PSEUDO);
        this.dates = DateTimeFormatter.ofPattern("d MMM yyyy", plain);
    }

    private static ResourceBundle bundle(String name, Locale locale) {
        return ResourceBundle.getBundle(
                name, locale, ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
    }

    /** The same language in inches and pounds. */
    public static Locale inInchesAndPounds(Locale language) {
        return new Locale.Builder()
                .setLocale(language)
                .setUnicodeLocaleKeyword(UNITS, INCHES_AND_POUNDS)
                .build();
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
        Object[] facts = reason.facts().toArray();
        if (NAMES_A_RUNG.contains(reason.key())) {
            facts[0] = name(String.valueOf(facts[1]), String.valueOf(facts[0]));
        }
        return text(reason.key(), facts);
    }

    private String list(List<String> parts) {
        if (parts.size() < 2) {
            return String.join("", parts);
        }
        String first = String.join(", ", parts.subList(0, parts.size() - 1));
        return text("list.and", first, parts.get(parts.size() - 1));
    }

    /** How far, in the one phrase a practitioner would use: "hip 41°, heel 44 cm". */
    public String range(Dial dial, RangePoint point) {
        boolean none = Numbers.rounded(point.value(), 1) == 0 && knows("range.none." + dial);
        String own = none ? text("range.none." + dial) : amount(dial, point.value());
        boolean heel = dial.ofTheLeg() && Math.round(point.heightCm()) > 0;
        boolean hand = dial.ofTheArm();
        return heel || hand
                ? text(units(heel ? "range.withHeel" : "range.withHand"), own, length(point.heightCm()))
                : own;
    }

    private String amount(Dial dial, double value) {
        return switch (dial) {
            case WEIGHT -> text(units("range.WEIGHT"), Numbers.rounded(imperial ? value * POUNDS_PER_KG : value, 1));
            case SURFACE -> text(units("range.SURFACE"), length(value));
            default -> text("range." + dial, Math.round(value));
        };
    }

    /** Whole inches or centimetres. */
    private long length(double cm) {
        return Math.round(imperial ? cm / CM_PER_INCH : cm);
    }

    private String units(String key) {
        return imperial ? key + ".imperial" : key;
    }

    /** A rung as its client calls it. */
    public String name(Rung rung) {
        return toHer(rung, "name", rung.name());
    }

    private String name(String code, String asWritten) {
        String key = code + ".name";
        return rungs.containsKey(key) ? rungs.getString(key) : asWritten;
    }

    /** Whether it is the made-up language of tests. */
    public boolean isPseudo() {
        return longer;
    }

    /** How she does it. */
    public String howTo(Rung rung) {
        return toHer(rung, "howTo", rung.howTo());
    }

    /** What she minds. */
    public String caution(Rung rung) {
        return toHer(rung, "caution", rung.caution());
    }

    /** A house's own rung is said as the house wrote it. */
    private String toHer(Rung rung, String what, String asWritten) {
        String key = rung.code() + "." + what;
        String text = rungs.containsKey(key) ? rungs.getString(key) : asWritten;
        return longer ? PseudoLanguage.longer(text) : text;
    }

    public String of(Enum<?> code) {
        return pattern(CodeWords.key(code));
    }

    /** One of the choices on which schools differ, as one picks it. */
    public String option(Enum<?> stance) {
        return pattern("option." + stance.name());
    }

    /**
     * A phrase as it stands within a sentence: its first letter small, unless what it begins with is written in
     * capitals or the language keeps them (amid.capitals).
     */
    public String amid(String phrase) {
        char second = phrase.length() > 1 ? phrase.charAt(1) : 'a';
        boolean capitals = Character.isUpperCase(second) || Character.isDigit(second);
        return phrase.isEmpty() || capitals || words.getString("amid.capitals").equals("kept")
                ? phrase
                : phrase.substring(0, 1).toLowerCase(locale) + phrase.substring(1);
    }

    public String cue(SignCode sign) {
        return pattern("cue." + sign);
    }

    /** A number with the decimal point or comma of the language. */
    public String number(double value) {
        return Numbers.plain(value).replace('.', decimal);
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
                .filter(text -> text.startsWith(prefix))
                .forEach(text ->
                        all.put(text.substring(prefix.length()), pattern(text).replace("''", "'")));
        return all;
    }

    /** @throws java.util.MissingResourceException for a key without words */
    public String text(String key, Object... facts) {
        return ready.computeIfAbsent(key, unknown -> Sentence.of(pattern(unknown), locale.stripExtensions()))
                .with(facts, fact -> String.valueOf(readable(fact)));
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
                ? Numbers.plain(number.doubleValue()).replace('-', '−').replace('.', decimal)
                : String.valueOf(fact);
    }
}
