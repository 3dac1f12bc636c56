package fernstep.core.findings;

import fernstep.core.measure.Range;

/**
 * Grade of the deep-core engagement: what it carries.
 *
 * @param value 0 to 5
 */
public record DeepCoreGrade(int value) {
    /** Up to this grade it carries no load. */
    public static final int MOST_WEAK = 2;

    /** From this grade it is held while breathing. */
    public static final int LEAST_FIRM = 4;

    private static final int FAIR = 3;
    private static final int FULL = 5;
    private static final int WEAK_HOLDS_S = 0;
    private static final int FAIR_HOLDS_S = 4;
    private static final int FIRM_HOLDS_S = 5;
    private static final int FULL_HOLDS_S = 10;

    /** @throws fernstep.core.measure.OutOfRange outside 0 to 5 */
    public DeepCoreGrade {
        Range.SET_GRADE.check(value);
    }

    public boolean isWeak() {
        return value <= MOST_WEAK;
    }

    public boolean isFirm() {
        return value >= LEAST_FIRM;
    }

    /** The least this grade stands for: 4 s from grade 3, 5 s from 4, 10 s from 5. */
    public int holdS() {
        if (value >= FULL) {
            return FULL_HOLDS_S;
        }
        if (isFirm()) {
            return FIRM_HOLDS_S;
        }
        return value == FAIR ? FAIR_HOLDS_S : WEAK_HOLDS_S;
    }

    /** "weak", "fair" or "firm". */
    String inWord() {
        if (isWeak()) {
            return "weak";
        }
        return isFirm() ? "firm" : "fair";
    }
}
