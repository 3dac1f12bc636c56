package fernstep.core.measure;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Numbers as people read them. */
public final class Numbers {
    private Numbers() {}

    /** Without a trailing ".0": 2.0 reads "2", 2.5 reads "2.5". */
    public static String plain(double value) {
        if (Double.isNaN(value) || Double.isInfinite(value)) {
            return "not a number";
        }
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** Half away from zero, to the given decimals; for showing, never inside a computation. */
    public static double rounded(double value, int decimals) {
        return BigDecimal.valueOf(value)
                .setScale(decimals, RoundingMode.HALF_UP)
                .doubleValue();
    }
}
