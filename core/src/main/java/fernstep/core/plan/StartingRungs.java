package fernstep.core.plan;

import fernstep.core.findings.DeepCoreGrade;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Tolerance;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Where to start on each strand, from what the checks found: the highest rung tested clean, else what findings allow. */
final class StartingRungs {
    /** Floats that show control under load where the engagement alone is only fair. */
    private static final int FLOAT_SHOWS_CONTROL = 3;

    /** A rung and why it is this one; no rung means the strand waits, and the reason says for what. */
    record Start(@Nullable String rung, Reason why) {
        static Start at(String rung, String why, Object... facts) {
            return new Start(rung, Reason.of(why, facts));
        }

        static Start waits(String why, Object... facts) {
            return new Start(null, Reason.of(why, facts));
        }
    }

    private StartingRungs() {}

    static Start of(Strand strand, @Nullable Side side, Findings f) {
        return switch (strand) {
            case BREATH -> breath(f);
            case DEEP_CORE -> deepCore(f);
            case PELVIC_FLOOR -> Start.at("PF1", "why.floorFirst");
            case PELVIC_CONTROL -> pelvicControl(f);
            case LEG_FLOAT -> legFloat(side == null ? Side.LEFT : side, f);
            case HEEL_SLIDE -> loaded(f, "HS1", true);
            case ARM_LEG -> armLeg(f);
            case ROTATION -> loaded(f, "RO1", false);
            case BRIDGE -> loaded(f, "BG1", false);
            case HANDS_KNEES -> handsAndKnees(side, f);
            case HOVER_PLANK -> hover(f);
            case SIDE_SUPPORT -> loaded(f, "SS1", false);
            case BACK_LINE -> Start.at("BK1", "why.backLine");
            case UPRIGHT -> Start.at("UP2", "why.upright");
            case CURL -> loaded(f, "CU1", false);
        };
    }

    /**
     * The first rung of a loaded strand: not on a weak engagement, and not while breath comes first. On a fair one only leg
     * float, heel slide and neutral on hands and knees begin, unless a float of three shows more.
     */
    private static Start loaded(Findings f, String first, boolean onFair) {
        Optional<DeepCoreGrade> grade = f.weakerGrade();
        if (grade.isEmpty()) {
            return Start.waits("waiting.setUnknown");
        }
        if (f.engagementWeak()) {
            return Start.waits("waiting.setGrade", DeepCoreGrade.MOST_WEAK + 1);
        }
        if (f.breathComesFirst()) {
            return Start.waits("waiting.breathControl");
        }
        return onFair || grade.get().isFirm() || floatsWell(f)
                ? Start.at(first, "why.setAllowsFirst", grade.get().value())
                : Start.waits("waiting.setGrade", DeepCoreGrade.LEAST_FIRM);
    }

    private static boolean floatsWell(Findings f) {
        return f.floatScore().size() == Side.values().length
                && f.floatScore().values().stream().allMatch(s -> s >= FLOAT_SHOWS_CONTROL);
    }

    private static Start armLeg(Findings f) {
        boolean ribs = f.ribs() == Findings.RibsOverPelvis.RIBS_AHEAD;
        Start start = loaded(f, "AL1", ribs);
        return ribs && start.rung() != null ? Start.at("AL1", "why.ribsAhead") : start;
    }

    private static Start pelvicControl(Findings f) {
        if (f.lumbarGap() == Findings.LumbarGap.FIST) {
            return Start.at("PC1", "why.fistGap");
        }
        Double tiltDeg = f.shown().tiltDeg();
        if (tiltDeg != null && f.tiltedForward()) {
            return Start.at("PC1", "why.tiltForward", Math.round(tiltDeg));
        }
        boolean steady = f.lumbarGap() != null && f.weakerGrade().isPresent() && !f.engagementWeak();
        return steady ? Start.at("PC2", "why.gapSteady") : Start.at("PC1", "why.tiltFirst");
    }

    /** As far as the rod kept its contacts; the arm before the leg. */
    private static Start handsAndKnees(@Nullable Side side, Findings f) {
        boolean first = f.scoop() == Findings.Scoop.NO || f.engagementWeak() || f.breathComesFirst();
        if (first || side == null || !f.armReachKept().contains(side)) {
            return Start.at("HK1", "why.neutralFirst");
        }
        return f.legReachKept().contains(side)
                ? Start.at("HK5", "why.legReachKept")
                : Start.at("HK4", "why.armReachKept");
    }

    private static Start hover(Findings f) {
        if (f.scoop() == Findings.Scoop.NO) {
            return Start.waits("waiting.scoop");
        }
        Start start = loaded(f, "HP1", false);
        Integer hoverS = f.hoverS();
        return start.rung() != null && hoverS != null && f.hoverClean()
                ? Start.at("HP1", "why.hoverClean", hoverS)
                : start;
    }

    private static Start breath(Findings f) {
        if (f.coughReversed()) {
            return Start.at("BR1", "why.coughReversed");
        }
        if (f.breathComesFirst()) {
            return Start.at("BR1", "why.toleranceLow", Objects.requireNonNull(f.toleranceBreaths()));
        }
        if (f.breathPatternOff()) {
            return Start.at("BR1", "why.patternOff");
        }
        Optional<DeepCoreGrade> grade = f.weakerGrade();
        if (grade.isEmpty() || f.engagementWeak()) {
            return Start.at("BR2", "why.breathBase");
        }
        return f.tolerance()
                .filter(Tolerance::isGood)
                .map(t -> Start.at("BR4", "why.toleranceGood", t.breaths()))
                .orElseGet(() -> Start.at("BR3", "why.setKept", grade.get().value()));
    }

    private static Start deepCore(Findings f) {
        Optional<DeepCoreGrade> grade = f.weakerGrade();
        if (f.scoop() == Findings.Scoop.NO && grade.isPresent() && !f.engagementWeak()) {
            return Start.at("DC3", "why.scoopFirst");
        }
        if (grade.isEmpty()) {
            return Start.at("DC1", "why.setUnknown");
        }
        if (f.engagementWeak()) {
            return Start.at("DC1", "why.setWeak", grade.get().value());
        }
        return grade.get().isFirm()
                ? Start.at("DC4", "why.setFirm", grade.get().value())
                : Start.at("DC2", "why.setFair", grade.get().value());
    }

    private static Start legFloat(Side side, Findings f) {
        Optional<DeepCoreGrade> grade = f.weakerGrade();
        if (f.engagementWeak()) {
            return Start.waits("waiting.setGrade", DeepCoreGrade.MOST_WEAK + 1);
        }
        Integer score = f.floatScore().get(side);
        if (f.breathComesFirst()) {
            return grade.isEmpty() && score == null
                    ? Start.waits("waiting.floatTest")
                    : Start.at("F1", "why.floatCapped");
        }
        if (score == null) {
            return grade.isEmpty()
                    ? Start.waits("waiting.floatTest")
                    : Start.at("F1", "why.setAllowsFirst", grade.get().value());
        }
        return score == 0 ? Start.at("F1", "why.floatNone") : Start.at("F" + score, "why.floatScore", score);
    }
}
