package fernstep.app.support;

import fernstep.core.body.Dial;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.catalogue.Tempo;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.HomeReport;
import fernstep.core.schedule.Prescription;
import fernstep.core.schedule.SessionCalendar;
import fernstep.core.screening.Strand;
import fernstep.core.standing.SafetyReport;
import fernstep.exchange.calendar.CalendarFile;
import fernstep.exchange.wording.DoseWords;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The wording for templates, as the bean {@code words}. */
@Component("words")
public class Words {
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm");

    private static final String CLIENTS = "home.";
    private static final JsonMapper JSON = JsonMapper.shared();

    private final Languages languages;
    private final Supplier<Catalogue> catalogue;
    /** On every page, and never different. */
    private final Map<Locale, String> scripts = new ConcurrentHashMap<>();

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

    /** What scripts of the staff's pages say, as JSON for the head of a page. */
    public String forScripts() {
        return scripts.computeIfAbsent(wording().locale(), locale -> scripts(key -> !key.startsWith(CLIENTS)));
    }

    /** What the script of a client's page says. */
    public String forClientsScript() {
        return scripts(key -> key.startsWith(CLIENTS));
    }

    private String scripts(Predicate<String> which) {
        Map<String, String> some = new TreeMap<>(wording().under("script."));
        some.keySet().removeIf(which.negate());
        return JSON.writeValueAsString(some).replace("<", "\\u003c");
    }

    /** Several, with commas. */
    public String all(List<Reason> reasons) {
        return reasons.stream().map(this::of).collect(Collectors.joining(", "));
    }

    /** Of the words just now. */
    public Locale locale() {
        return wording().locale();
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

    /** A rung's code with its side, where it has one: "F5 L". */
    public String codeOn(Rung rung, @Nullable Side side) {
        return side == null ? rung.code() : rung.code() + " " + text("sideLetter." + side);
    }

    /** A phrase as it stands within a sentence. */
    public String amid(String phrase) {
        return wording().amid(phrase);
    }

    /** A code within a sentence: "left". */
    public String amid(Enum<?> code) {
        return amid(code(code));
    }

    public String text(String key, Object... facts) {
        return wording().text(key, facts);
    }

    /** "lift 4 s, return 4 s, rest 2 s"; a breath is in and out. */
    public String tempo(Rung rung) {
        Tempo t = rung.tempo();
        return text(rung.strand() == Strand.BREATH ? "tempo.breath" : "tempo.move", t.liftS(), t.returnS(), t.restS());
    }

    /** A code as it is said to the client, in plain words of her own. */
    public String toHer(Enum<?> code) {
        String kind = code.getDeclaringClass().getSimpleName();
        return text("her." + Character.toLowerCase(kind.charAt(0)) + kind.substring(1) + "." + code.name());
    }

    /** A rung as the client calls it. */
    public String name(Rung rung) {
        return wording().name(rung);
    }

    /** What must not happen, as it is said about her: in English the catalogue's own line. */
    public String mind(Rung rung) {
        return locale().getLanguage().equals(Locale.ENGLISH.getLanguage())
                        && !wording().isPseudo()
                ? rung.caution()
                : wording().caution(rung);
    }

    /** How the client does it. */
    public String howTo(Rung rung) {
        return wording().howTo(rung);
    }

    /** What the client minds. */
    public String caution(Rung rung) {
        return wording().caution(rung);
    }

    /** Who cleared her: a code of the case format in words, anything else as it was typed. */
    public String clearedBy(String role) {
        String key = "clearedBy." + role;
        return knows(key) ? text(key) : role;
    }

    public boolean knows(String key) {
        return wording().knows(key);
    }

    /** A rung by its name, its code behind it. */
    public String rung(String code) {
        return catalogue
                .get()
                .find(code)
                .map(rung -> text("rung.name", rung.name(), rung.code()))
                .orElse(code);
    }

    /** What holds a goal: a gate, or a finding by its code. */
    public String gate(String code) {
        return wording().knows("gate." + code) ? text("gate." + code) : text("held." + code);
    }

    public String day(@Nullable LocalDate date) {
        return date == null ? "" : wording().of(date);
    }

    /** "Monday". */
    public String weekday(LocalDate date) {
        return code(date.getDayOfWeek());
    }

    /** A side by its code. */
    public String side(String code) {
        return text("side." + code);
    }

    /** A day and its hour. */
    public String moment(LocalDateTime at) {
        return text("words.moment", day(at.toLocalDate()), HOUR.format(at));
    }

    public String number(@Nullable Double value, int decimals) {
        return value == null ? "–" : wording().number(Numbers.rounded(value, decimals));
    }

    /** "+2 cm", "navel", "−5 cm". */
    public String site(double siteCm) {
        return siteCm == 0
                ? text("site.navel")
                : (siteCm > 0 ? "+" : "−") + wording().number(Math.abs(siteCm)) + " cm";
    }

    /** One of the choices on which schools differ, as one picks it. */
    public String option(Enum<?> stance) {
        return wording().option(stance);
    }

    /** The same by its code. */
    public String option(String code) {
        return text("option." + code);
    }

    private DoseWords doses() {
        return new DoseWords(wording());
    }

    /** "2 sets × 10 reps × 5 s". */
    public String dose(Dose dose) {
        return doses().dose(dose);
    }

    /** "3 × a day, 5 days a week". */
    public String often(Dose dose) {
        return doses().often(dose);
    }

    /** "1–3 sets × 6–10 reps × 2–5 s". */
    public String window(Window window) {
        return doses().window(window);
    }

    /** What a rung waits for, for anyone: nothing known of her counts as nothing reached. */
    public String gates(Rung rung, Catalogue catalogue) {
        List<String> gates = new ArrayList<>();
        rung.gates().stream()
                .filter(RungGate.Opened.class::isInstance)
                .map(gate -> amid(text("gate." + ((RungGate.Opened) gate).code())))
                .forEach(gates::add);
        RungGates.Known nothing = RungGates.Known.nothing(catalogue);
        rung.gates().stream()
                .flatMap(gate -> RungGates.own(gate, rung, nothing).stream())
                .forEach(waiting -> gates.add(of(waiting.reason())));
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
        return CalendarFile.mark(wording(), mark);
    }

    /** "14 min", for where seconds do not matter. */
    public String minutes(int seconds) {
        return doses().minutes(seconds);
    }

    /** "11 min 20 s". */
    public String time(int seconds) {
        return doses().time(seconds);
    }

    /** When and to whom something was said: "21:40 on 30 Nov, on her own page". */
    public String saidHow(LocalDateTime at, String heardBy, SafetyReport.Way way) {
        return text("reported.how." + way, moment(at), heardBy);
    }

    /** An exercise that waits, and for what. */
    public String withheld(Prescription.Withheld waits) {
        PlanItem item = waits.item();
        String exercise = name(item.rung()) + (item.side() == null ? "" : ", " + code(item.side()));
        return text("plan.withheld", exercise, of(waits.why()));
    }

    /** One report from home among several: its hour, how it went and what was felt. */
    public String homeReport(LocalDateTime at, HomeReport report) {
        String felt = codes(report.signs());
        String pain = report.painLevel() == null ? "" : text("home.reportedPain", report.painLevel());
        String both = Stream.of(felt, pain).filter(part -> !part.isEmpty()).collect(Collectors.joining(", "));
        return both.isEmpty()
                ? text("home.reported", HOUR.format(at), report.told())
                : text("home.reportedWith", HOUR.format(at), report.told(), both);
    }

    /** Codes in a row, within a sentence. */
    public String codes(Collection<? extends Enum<?>> codes) {
        return codes.stream().map(this::amid).collect(Collectors.joining(", "));
    }

    /** The same for codes whose words stand under a key of their own. */
    public String all(String prefix, Collection<? extends Enum<?>> codes) {
        return codes.stream().map(code -> amid(text(prefix + code.name()))).collect(Collectors.joining(", "));
    }

    /** Exercises by name, each once, with its sides left aside. */
    public String names(List<PlanItem> items) {
        return items.stream().map(item -> name(item.rung())).distinct().collect(Collectors.joining(", "));
    }
}
