package fernstep.core.findings;

import java.util.Map;

/**
 * The leg-float test of one side: F1 to F5 tried once each until a sign shows. The test ends with the sign: what is
 * said to be clean above one does not count. The score is the highest clean rung below it; clean with help is kept apart.
 */
public record FloatTest(Map<Integer, Try> byRung) {
    /** How one try went. */
    public enum Try {
        CLEAN,
        HELPED,
        SIGN
    }

    /** @throws IllegalArgumentException for a rung outside 1 to 5 */
    public FloatTest {
        byRung = Map.copyOf(byRung);
        byRung.keySet().forEach(number -> {
            if (number < 1 || number > Findings.FLOAT_RUNGS) {
                throw new IllegalArgumentException("the float test has rungs 1 to 5, was " + number);
            }
        });
    }

    public boolean tried() {
        return !byRung.isEmpty();
    }

    /** 0 to 5; 0 when none was clean. */
    public int score() {
        return highest(Try.CLEAN);
    }

    /** Highest rung done clean or with help; never below the score. */
    public int scoreWithHelp() {
        return Math.max(score(), highest(Try.HELPED));
    }

    /** Whether something above a sign was said to be clean, which does not count. */
    public boolean wentOnAfterASign() {
        return Math.max(highest(Try.CLEAN, Findings.FLOAT_RUNGS), highest(Try.HELPED, Findings.FLOAT_RUNGS))
                > firstSign();
    }

    private int highest(Try kind) {
        return highest(kind, firstSign());
    }

    private int highest(Try kind, int atMost) {
        return byRung.entrySet().stream()
                .filter(entry -> entry.getValue() == kind)
                .mapToInt(Map.Entry::getKey)
                .filter(number -> number <= atMost)
                .max()
                .orElse(0);
    }

    /** The lowest rung that showed one; beyond the last where none did. */
    private int firstSign() {
        return byRung.entrySet().stream()
                .filter(entry -> entry.getValue() == Try.SIGN)
                .mapToInt(Map.Entry::getKey)
                .min()
                .orElse(Findings.FLOAT_RUNGS + 1);
    }
}
