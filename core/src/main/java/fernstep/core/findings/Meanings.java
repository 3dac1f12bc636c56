package fernstep.core.findings;

import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What each finding means for what may follow, as one reason a finding; only what was taken is said. */
public final class Meanings {
    private static final int POOR_TOLERANCE = 2;
    private static final int FAIR_TOLERANCE = 4;
    private static final int GOOD_TOLERANCE = 10;
    private static final int WEAK_SET = 2;
    private static final int FIRM_SET = 4;

    private Meanings() {}

    public static List<Reason> of(Findings f) {
        List<Reason> all = new ArrayList<>();
        if (f.cough() != null || f.floorOnCough() != null) {
            all.add(Reason.of(f.coughReversed() ? "meaning.coughReversed" : "meaning.coughHolds"));
        }
        add(all, f.doming(), "meaning.doming.");
        f.weakerSetGrade()
                .ifPresent(g -> all.add(Reason.of(
                        g <= WEAK_SET ? "meaning.set.weak" : g < FIRM_SET ? "meaning.set.fair" : "meaning.set.firm",
                        g)));
        if (f.toleranceBreaths() != null) {
            all.add(Reason.of("meaning.tolerance." + tolerance(f.toleranceBreaths()), f.toleranceBreaths()));
        }
        add(all, f.breathPattern(), "meaning.pattern.");
        add(all, f.lumbarGap(), "meaning.gap.");
        add(all, f.ribs(), "meaning.ribs.");
        add(all, f.scoop(), "meaning.scoop.");
        Integer left = f.floatScore().get(Side.LEFT);
        Integer right = f.floatScore().get(Side.RIGHT);
        if (left != null && right != null && !left.equals(right)) {
            all.add(Reason.of("meaning.floatSides", left < right ? Side.LEFT : Side.RIGHT, Math.abs(left - right)));
        }
        return List.copyOf(all);
    }

    /** 1–2 breaths poor, 3–4 fair, 10 and more good. */
    private static String tolerance(int breaths) {
        if (breaths <= POOR_TOLERANCE) {
            return "poor";
        }
        return breaths <= FAIR_TOLERANCE ? "fair" : breaths < GOOD_TOLERANCE ? "between" : "good";
    }

    private static void add(List<Reason> all, @Nullable Enum<?> finding, String prefix) {
        if (finding != null) {
            all.add(Reason.of(prefix + finding.name()));
        }
    }
}
