package fernstep.app.support;

import fernstep.core.measure.OutOfRange;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Reads what was typed, field by field; what is wrong stands beside its field with the allowed range. */
public final class FormProblems {
    private final Map<String, String> byField = new LinkedHashMap<>();
    private final Words words;

    public FormProblems(Words words) {
        this.words = words;
    }

    public Map<String, String> byField() {
        return byField;
    }

    public boolean any() {
        return !byField.isEmpty();
    }

    /** In the words of whoever typed it; the first thing wrong with a field is the one that is told. */
    public void add(String field, Reason problem) {
        byField.putIfAbsent(field, words.of(problem));
    }

    public String text(String field, @Nullable String typed, int longest) {
        String text = typed == null ? "" : PlainText.line(typed).strip();
        if (text.length() > longest) {
            add(field, Reason.of("told.atMost", longest));
        }
        return text;
    }

    public String needed(String field, @Nullable String typed, int longest) {
        String text = text(field, typed, longest);
        if (text.isEmpty()) {
            add(field, Reason.of("told.pleaseFillThisIn"));
        }
        return text;
    }

    public @Nullable Double number(String field, @Nullable String typed, Range range) {
        if (typed == null || typed.isBlank()) {
            return null;
        }
        try {
            return range.check(Double.parseDouble(typed.strip().replace(',', '.')));
        } catch (OutOfRange e) {
            add(
                    field,
                    range.unit().isEmpty()
                            ? Reason.of("told.outOfRange", range, e.actual(), range.span())
                            : Reason.of("told.outOfRangeUnit", range, e.actual(), range.unit(), range.span()));
        } catch (NumberFormatException e) {
            add(field, Reason.of("told.needsNumber", range, range.span()));
        }
        return null;
    }

    public @Nullable Integer whole(String field, @Nullable String typed, Range range) {
        Double value = number(field, typed, range);
        if (value != null && value != Math.rint(value)) {
            add(field, Reason.of("told.needsWhole", range, range.span()));
            return null;
        }
        return value == null ? null : value.intValue();
    }

    public int neededWhole(String field, @Nullable String typed, Range range) {
        Integer value = whole(field, typed, range);
        if (value == null) {
            add(field, Reason.of("told.mustBe", range, range.span()));
            return (int) range.min();
        }
        return value;
    }

    public @Nullable LocalDate date(String field, @Nullable String typed) {
        if (typed == null || typed.isBlank()) {
            return null;
        }
        try {
            return Days.parse(typed);
        } catch (DateTimeException e) {
            add(field, Reason.of("told.needsACalendarDaySuch"));
            return null;
        }
    }

    public <E extends Enum<E>> @Nullable E code(String field, @Nullable String typed, Class<E> type) {
        for (E constant : type.getEnumConstants()) {
            if (constant.name().equals(typed)) {
                return constant;
            }
        }
        return null;
    }

    public <E extends Enum<E>> E neededCode(String field, @Nullable String typed, Class<E> type) {
        E found = code(field, typed, type);
        if (found == null) {
            add(field, Reason.of("told.pleaseChooseOne"));
            return type.getEnumConstants()[0];
        }
        return found;
    }
}
