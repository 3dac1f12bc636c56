package fernstep.core.plan;

import fernstep.core.catalogue.Waymark;
import fernstep.core.findings.DeepCoreGrade;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
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
    record Start(@Nullable Waymark rung, Reason why) {
        static Start at(Waymark rung, String why, Object... facts) {
            return new Start(rung, Reason.of(why, facts));
        }

        static Start waits(String why, Object... facts) {
            return new Start(null, Reason.of(why, facts));
        }
    }

    private StartingRungs() {}

    static Start of(Strand strand, @Nullable Side side, Findings findings) {
        return switch (strand) {
            case BREATH -> breath(findings);
            case DEEP_CORE -> deepCore(findings);
            case PELVIC_FLOOR -> Start.at(Waymark.FLOOR_FIRST, "why.floorFirst");
            case PELVIC_CONTROL -> pelvicControl(findings);
            case LEG_FLOAT -> legFloat(side == null ? Side.LEFT : side, findings);
            case HEEL_SLIDE -> loaded(findings, Waymark.HEEL_SLIDE_FIRST, true);
            case ARM_LEG -> armLeg(findings);
            case ROTATION -> loaded(findings, Waymark.ROTATION_FIRST, false);
            case BRIDGE -> loaded(findings, Waymark.BRIDGE_FIRST, false);
            case HANDS_KNEES -> handsAndKnees(side, findings);
            case HOVER_PLANK -> hover(findings);
            case SIDE_SUPPORT -> loaded(findings, Waymark.SIDE_SUPPORT_FIRST, false);
            case BACK_LINE -> Start.at(Waymark.BACK_LINE_FIRST, "why.backLine");
            case UPRIGHT -> Start.at(Waymark.UPRIGHT_WORK, "why.upright");
            case IMPACT -> Start.at(Waymark.IMPACT_FIRST, "why.impact");
            case CURL -> loaded(findings, Waymark.CURL_FIRST, false);
        };
    }

    /**
     * The first rung of a loaded strand: not on a weak engagement, and not while breath comes first. On a fair one only leg
     * float, heel slide and neutral on hands and knees begin, unless a float of three shows more.
     */
    private static Start loaded(Findings findings, Waymark first, boolean onFair) {
        Optional<DeepCoreGrade> grade = findings.weakerGrade();
        if (grade.isEmpty()) {
            return Start.waits("waiting.setUnknown");
        }
        if (findings.engagementWeak()) {
            return Start.waits("waiting.setGrade", DeepCoreGrade.MOST_WEAK + 1);
        }
        if (findings.breathComesFirst()) {
            return Start.waits("waiting.breathControl");
        }
        return onFair || grade.get().isFirm() || floatsWell(findings)
                ? Start.at(first, "why.setAllowsFirst", grade.get().value())
                : Start.waits("waiting.setGrade", DeepCoreGrade.LEAST_FIRM);
    }

    private static boolean floatsWell(Findings findings) {
        return findings.floatScore().size() == Side.values().length
                && findings.floatScore().values().stream().allMatch(number -> number >= FLOAT_SHOWS_CONTROL);
    }

    private static Start armLeg(Findings findings) {
        boolean ribs = findings.ribs() == Observed.RibsOverPelvis.RIBS_AHEAD;
        Start start = loaded(findings, Waymark.ARM_LEG_FIRST, ribs);
        return ribs && start.rung() != null ? Start.at(Waymark.ARM_LEG_FIRST, "why.ribsAhead") : start;
    }

    private static Start pelvicControl(Findings findings) {
        if (findings.lumbarGap() == Observed.LumbarGap.FIST) {
            return Start.at(Waymark.TILT_FIRST, "why.fistGap");
        }
        Double tiltDeg = findings.shown().tiltDeg();
        if (tiltDeg != null && findings.tiltedForward()) {
            return Start.at(Waymark.TILT_FIRST, "why.tiltForward", Math.round(tiltDeg));
        }
        boolean steady =
                findings.lumbarGap() != null && findings.weakerGrade().isPresent() && !findings.engagementWeak();
        return steady ? Start.at(Waymark.TILT_STEADY, "why.gapSteady") : Start.at(Waymark.TILT_FIRST, "why.tiltFirst");
    }

    /** As far as the rod kept its contacts; the arm before the leg. */
    private static Start handsAndKnees(@Nullable Side side, Findings findings) {
        boolean first =
                findings.scoop() == Observed.Scoop.NO || findings.engagementWeak() || findings.breathComesFirst();
        if (first || side == null || !findings.armReachKept().contains(side)) {
            return Start.at(Waymark.NEUTRAL_FIRST, "why.neutralFirst");
        }
        return findings.legReachKept().contains(side)
                ? Start.at(Waymark.LEG_REACH, "why.legReachKept")
                : Start.at(Waymark.ARM_REACH, "why.armReachKept");
    }

    private static Start hover(Findings findings) {
        if (findings.scoop() == Observed.Scoop.NO) {
            return Start.waits("waiting.scoop");
        }
        Start start = loaded(findings, Waymark.HOVER_FIRST, false);
        Integer hoverS = findings.hoverS();
        return start.rung() != null && hoverS != null && findings.hoverClean()
                ? Start.at(Waymark.HOVER_FIRST, "why.hoverClean", hoverS)
                : start;
    }

    private static Start breath(Findings findings) {
        if (findings.coughReversed()) {
            return Start.at(Waymark.BREATH_FIRST, "why.coughReversed");
        }
        if (findings.breathComesFirst()) {
            return Start.at(
                    Waymark.BREATH_FIRST, "why.toleranceLow", Objects.requireNonNull(findings.toleranceBreaths()));
        }
        if (findings.breathPatternOff()) {
            return Start.at(Waymark.BREATH_FIRST, "why.patternOff");
        }
        Optional<DeepCoreGrade> grade = findings.weakerGrade();
        if (grade.isEmpty() || findings.engagementWeak()) {
            return Start.at(Waymark.BREATH_BASE, "why.breathBase");
        }
        return findings.tolerance()
                .filter(Tolerance::isGood)
                .map(tolerance -> Start.at(Waymark.BREATHS_MANY, "why.toleranceGood", tolerance.breaths()))
                .orElseGet(() -> Start.at(
                        Waymark.BREATHS_KEPT, "why.setKept", grade.get().value()));
    }

    private static Start deepCore(Findings findings) {
        Optional<DeepCoreGrade> grade = findings.weakerGrade();
        if (findings.scoop() == Observed.Scoop.NO && grade.isPresent() && !findings.engagementWeak()) {
            return Start.at(Waymark.SET_BY_SCOOP, "why.scoopFirst");
        }
        if (grade.isEmpty()) {
            return Start.at(Waymark.SET_FIRST, "why.setUnknown");
        }
        if (findings.engagementWeak()) {
            return Start.at(Waymark.SET_FIRST, "why.setWeak", grade.get().value());
        }
        return grade.get().isFirm()
                ? Start.at(Waymark.SET_FIRM, "why.setFirm", grade.get().value())
                : Start.at(Waymark.SET_FAIR, "why.setFair", grade.get().value());
    }

    private static Start legFloat(Side side, Findings findings) {
        Optional<DeepCoreGrade> grade = findings.weakerGrade();
        if (findings.engagementWeak()) {
            return Start.waits("waiting.setGrade", DeepCoreGrade.MOST_WEAK + 1);
        }
        Integer score = findings.floatScore().get(side);
        if (findings.breathComesFirst()) {
            return grade.isEmpty() && score == null
                    ? Start.waits("waiting.floatTest")
                    : Start.at(Waymark.FLOAT_1, "why.floatCapped");
        }
        if (score == null) {
            return grade.isEmpty()
                    ? Start.waits("waiting.floatTest")
                    : Start.at(
                            Waymark.FLOAT_1, "why.setAllowsFirst", grade.get().value());
        }
        return score == 0
                ? Start.at(Waymark.FLOAT_1, "why.floatNone")
                : Start.at(Waymark.floatOf(score), "why.floatScore", score);
    }
}
