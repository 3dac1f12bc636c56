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
    record Start(@Nullable String rung, Reason why) {
        Start because(String key) {
            return rung == null ? this : new Start(rung, Reason.of(key));
        }
    }

    private StartingRungs() {}

    static Start of(Strand strand, @Nullable Side side, Findings f) {
        return switch (strand) {
            case BREATH -> breath(f);
            case DEEP_CORE -> deepCore(f);
            case PELVIC_FLOOR -> new Start("PF1", Reason.of("why.floorFirst"));
            case PELVIC_CONTROL -> pelvicControl(f);
            case LEG_FLOAT -> legFloat(side == null ? Side.LEFT : side, f);
            case HEEL_SLIDE -> loaded(f, "HS1");
            case ARM_LEG ->
                f.ribs() == Findings.RibsOverPelvis.RIBS_AHEAD
                        ? loaded(f, "AL1").because("why.ribsAhead")
                        : loaded(f, "AL1");
            case ROTATION -> loaded(f, "RO1");
            case BRIDGE -> loaded(f, "BG1");
            case HANDS_KNEES -> handsAndKnees(side, f);
            case HOVER_PLANK -> hover(f);
            case SIDE_SUPPORT -> loaded(f, "SS1");
            case BACK_LINE -> new Start("BK1", Reason.of("why.backLine"));
            case UPRIGHT -> new Start("UP1", Reason.of("why.dayOne"));
            case CURL -> loaded(f, "CU1");
        };
    }

    /** The first rung of a loaded strand: not on a weak set, and not while breath comes first. */
    private static Start loaded(Findings f, String first) {
        Optional<Integer> grade = f.weakerSetGrade();
        if (grade.isEmpty()) {
            return new Start(null, Reason.of("waiting.setUnknown"));
        }
        if (grade.get() <= WEAK_SET) {
            return new Start(null, Reason.of("waiting.setGrade", WEAK_SET + 1));
        }
        return f.breathComesFirst()
                ? new Start(null, Reason.of("waiting.breathControl"))
                : new Start(first, Reason.of("why.setAllowsFirst", grade.get()));
    }

    private static Start pelvicControl(Findings f) {
        if (f.lumbarGap() == Findings.LumbarGap.FIST) {
            return new Start("PC1", Reason.of("why.fistGap"));
        }
        if (f.ribs() == Findings.RibsOverPelvis.RIBS_AHEAD) {
            return new Start("PC6", Reason.of("why.ribsAhead"));
        }
        boolean steady = f.lumbarGap() != null && f.weakerSetGrade().orElse(0) > WEAK_SET;
        return steady ? new Start("PC2", Reason.of("why.gapSteady")) : new Start("PC1", Reason.of("why.tiltFirst"));
    }

    /** No hands-and-knees load while the belly does not lift; else as far as the rod kept its contacts. */
    private static Start handsAndKnees(@Nullable Side side, Findings f) {
        if (f.scoop() == Findings.Scoop.NO) {
            return new Start(null, Reason.of("waiting.scoop"));
        }
        boolean weak = f.weakerSetGrade().orElse(0) <= WEAK_SET || f.breathComesFirst();
        if (weak || side == null || !f.armReachKept().contains(side)) {
            return new Start("HK1", Reason.of("why.neutralFirst"));
        }
        return f.legReachKept().contains(side)
                ? new Start("HK5", Reason.of("why.legReachKept"))
                : new Start("HK4", Reason.of("why.armReachKept"));
    }

    private static Start hover(Findings f) {
        if (f.scoop() == Findings.Scoop.NO) {
            return new Start(null, Reason.of("waiting.scoop"));
        }
        Start start = loaded(f, "HP1");
        return start.rung() != null && f.hoverClean()
                ? new Start("HP2", Reason.of("why.hoverClean", f.hoverS()))
                : start;
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
        if (f.scoop() == Findings.Scoop.NO && grade.orElse(0) > WEAK_SET) {
            return new Start("DC3", Reason.of("why.scoopFirst"));
        }
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
