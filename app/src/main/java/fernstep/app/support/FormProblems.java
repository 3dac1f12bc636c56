package fernstep.app.support;

import fernstep.core.measure.OutOfRange;
import fernstep.core.measure.Range;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Reads what was typed, field by field; what is wrong stands beside its field with the allowed range. */
public final class FormProblems {
    private final Map<String, String> byField = new LinkedHashMap<>();

    public Map<String, String> byField() {
        return byField;
    }

    public boolean any() {
        return !byField.isEmpty();
    }

    public void add(String field, String message) {
        byField.putIfAbsent(field, message);
    }

    public String text(String field, @Nullable String typed, int longest) {
        String text = typed == null ? "" : typed.strip();
        if (text.length() > longest) {
            add(field, "At most " + longest + " characters.");
        }
        return text;
    }

    public String needed(String field, @Nullable String typed, int longest) {
        String text = text(field, typed, longest);
        if (text.isEmpty()) {
            add(field, "Please fill this in.");
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
            add(field, e.getMessage() + ".");
        } catch (NumberFormatException e) {
            add(field, range.label() + " needs a number " + range.allowed() + ".");
        }
        return null;
    }

    public @Nullable Integer whole(String field, @Nullable String typed, Range range) {
        Double value = number(field, typed, range);
        if (value != null && value != Math.rint(value)) {
            add(field, range.label() + " needs a whole number " + range.allowed() + ".");
            return null;
        }
        return value == null ? null : value.intValue();
    }

    public int neededWhole(String field, @Nullable String typed, Range range) {
        Integer value = whole(field, typed, range);
        if (value == null) {
            add(field, range.label() + " must be " + range.allowed() + ".");
            return (int) range.min();
        }
        return value;
    }

    public @Nullable LocalDate date(String field, @Nullable String typed) {
        if (typed == null || typed.isBlank()) {
            return null;
        }
        try {
            return LocalDate.parse(typed.strip());
        } catch (DateTimeParseException e) {
            add(field, "Needs a calendar day such as 2031-05-02.");
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
            add(field, "Please choose one.");
            return type.getEnumConstants()[0];
        }
        return found;
    }
}
