package fernstep.exchange.eval;

import fernstep.core.measure.Numbers;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Small helpers for building answers: fields keep their order, and null is written as null. */
final class Json {
    private Json() {}

    static Map<String, Object> object(@Nullable Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            map.put(String.valueOf(namesAndValues[i]), namesAndValues[i + 1]);
        }
        return map;
    }

    /** Two decimals: finer than any instrument here, coarse enough to read. */
    static @Nullable Double rounded(@Nullable Double value) {
        return value == null ? null : Numbers.rounded(value, 2);
    }

    static @Nullable String text(@Nullable Object value) {
        return value == null ? null : value.toString();
    }
}
