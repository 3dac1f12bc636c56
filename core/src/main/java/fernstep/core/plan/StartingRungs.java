package fernstep.core.plan;

import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Where to start on each strand, from what the checks found. */
final class StartingRungs {
    private static final int WEAK_SET = 2;
    private static final int FIRM_SET = 4;
    private static final int GOOD_TOLERANCE_BREATHS = 10;

    /** A rung and why it is this one; no rung means the strand waits, and the reason says for what. */
    record Start(@Nullable String rung, Reason why) {}

    private StartingRungs() {}

    static Optional<Start> of(Strand strand, @Nullable Side side, Findings f) {
        return switch (strand) {
            case BREATH -> Optional.of(breath(f));
            case DEEP_CORE -> Optional.of(deepCore(f));
            case LEG_FLOAT -> side == null ? Optional.empty() : Optional.of(legFloat(side, f));
            default -> Optional.empty();
        };
    }

    private static Start breath(Findings f) {
        if (f.coughReversed()) {
            return new Start("BR1", Reason.of("why.coughReversed"));
        }
        if (f.breathComesFirst()) {
            return new Start("BR1", Reason.of("why.toleranceLow", f.toleranceBreaths()));
        }
        int grade = f.weakerSetGrade().orElse(0);
        if (grade <= WEAK_SET) {
            return new Start("BR2", Reason.of("why.breathBase"));
        }
        return f.toleranceBreaths() != null && f.toleranceBreaths() >= GOOD_TOLERANCE_BREATHS
                ? new Start("BR4", Reason.of("why.toleranceGood", f.toleranceBreaths()))
                : new Start("BR3", Reason.of("why.setKept", grade));
    }

    private static Start deepCore(Findings f) {
        Optional<Integer> grade = f.weakerSetGrade();
        if (grade.isEmpty()) {
            return new Start("DC1", Reason.of("why.setUnknown"));
        }
        if (grade.get() <= WEAK_SET) {
            return new Start("DC1", Reason.of("why.setWeak", grade.get()));
        }
        return grade.get() < FIRM_SET
                ? new Start("DC2", Reason.of("why.setFair", grade.get()))
                : new Start("DC4", Reason.of("why.setFirm", grade.get()));
    }

    private static Start legFloat(Side side, Findings f) {
        Optional<Integer> grade = f.weakerSetGrade();
        if (grade.isPresent() && grade.get() <= WEAK_SET) {
            return new Start(null, Reason.of("waiting.setGrade", WEAK_SET + 1));
        }
        Integer score = f.floatScore().get(side);
        if (f.breathComesFirst()) {
            return new Start("F1", Reason.of("why.floatCapped"));
        }
        if (score == null) {
            return grade.isEmpty()
                    ? new Start(null, Reason.of("waiting.floatTest"))
                    : new Start("F1", Reason.of("why.setAllowsFirst", grade.get()));
        }
        return score == 0
                ? new Start("F1", Reason.of("why.floatNone"))
                : new Start("F" + score, Reason.of("why.floatScore", score));
    }
}
