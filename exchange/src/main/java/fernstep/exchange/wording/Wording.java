package fernstep.exchange.wording;

import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Dial;
import fernstep.core.body.LoadFamily;
import fernstep.core.body.Position;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Goal;
import fernstep.core.screening.Answer;
import fernstep.core.screening.GateCode;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Strand;
import fernstep.core.separation.Verdict;
import fernstep.core.separation.Width;
import java.text.MessageFormat;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;

/** Turns codes and reasons into sentences of one language. */
public final class Wording {
    private static final String BUNDLE = "fernstep.wording.words";

    /** Where the words of each kind of code stand. */
    private static final Map<Class<?>, String> PREFIX = Map.ofEntries(
            Map.entry(Answer.class, "answer."),
            Map.entry(Outcome.class, "outcome."),
            Map.entry(GateCode.class, "gate."),
            Map.entry(Clearance.Scope.class, "scope."),
            Map.entry(Restriction.class, "restriction."),
            Map.entry(Verdict.Code.class, "verdict."),
            Map.entry(Width.Kind.class, "change."),
            Map.entry(Move.class, "move."),
            Map.entry(Lever.class, "lever."),
            Map.entry(Helper.class, "helper."),
            Map.entry(Position.class, "position."),
            Map.entry(LoadFamily.class, "family."),
            Map.entry(Stances.Spine.class, "spine."),
            Map.entry(Stances.DoseStance.class, "dose."),
            Map.entry(Approach.class, "approach."),
            Map.entry(SignCode.class, "sign."),
            Map.entry(Goal.class, "goal."),
            Map.entry(Strand.class, "strand."),
            Map.entry(Side.class, "side."));

    private final ResourceBundle words;
    private final DateTimeFormatter dates;

    public Wording(Locale locale) {
        this.words = ResourceBundle.getBundle(
                BUNDLE, locale, ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
        this.dates = DateTimeFormatter.ofPattern("d MMM yyyy", locale);
    }

    public static Wording english() {
        return new Wording(Locale.ENGLISH);
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
        String own = text("range." + dial, dial == Dial.WEIGHT ? Numbers.plain(Numbers.rounded(p.value(), 1)) : value);
        boolean heel = dial.ofTheLeg() && Math.round(p.heightCm()) > 0;
        boolean hand = dial.ofTheArm();
        return heel || hand
                ? text(heel ? "range.withHeel" : "range.withHand", own, Numbers.plain((double)
                        Math.round(p.heightCm())))
                : own;
    }

    public String of(Enum<?> code) {
        return words.getString(PREFIX.get(code.getDeclaringClass()) + code.name());
    }

    public String cue(SignCode sign) {
        return words.getString("cue." + sign);
    }

    public String of(LocalDate date) {
        return dates.format(date);
    }

    public boolean knows(String key) {
        return words.containsKey(key);
    }

    /** @throws java.util.MissingResourceException for a key without words */
    public String text(String key, Object... facts) {
        Object[] readable = new Object[facts.length];
        for (int i = 0; i < facts.length; i++) {
            readable[i] = readable(facts[i]);
        }
        return MessageFormat.format(words.getString(key), readable);
    }

    private Object readable(Object fact) {
        if (fact instanceof Reason reason) {
            return of(reason);
        }
        if (fact instanceof LocalDate date) {
            return of(date);
        }
        if (fact instanceof Enum<?> code && PREFIX.containsKey(code.getDeclaringClass())) {
            return of(code);
        }
        return fact instanceof Number number
                ? Numbers.plain(number.doubleValue()).replace('-', '−')
                : String.valueOf(fact);
    }
}
