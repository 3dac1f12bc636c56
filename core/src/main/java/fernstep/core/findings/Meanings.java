package fernstep.core.findings;

import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** What each finding means for what may follow, as one reason a finding; only what was taken is said. */
public final class Meanings {
    /** About a fifth of full effort is wanted; above a third it is too strong. */
    private static final double TOO_STRONG_PCT = 33;
    /** The hover test asks for four to five seconds. */
    private static final double HOVER_HELD_S = 4;

    private Meanings() {}

    public static List<Reason> of(Findings findings) {
        List<Reason> all = new ArrayList<>();
        if (findings.cough() != null || findings.floorOnCough() != null) {
            all.add(Reason.of(findings.coughReversed() ? "meaning.coughReversed" : "meaning.coughHolds"));
        }
        add(all, findings.doming(), "meaning.doming.");
        findings.weakerGrade().ifPresent(grade -> all.add(Reason.of("meaning.set." + grade.inWord(), grade.value())));
        findings.tolerance()
                .ifPresent(tolerance -> all.add(Reason.of(
                        "meaning.tolerance." + tolerance.level().name().toLowerCase(Locale.ROOT),
                        tolerance.breaths())));
        add(all, findings.breathPattern(), "meaning.pattern.");
        add(all, findings.lumbarGap(), "meaning.gap.");
        add(all, findings.ribs(), "meaning.ribs.");
        add(all, findings.scoop(), "meaning.scoop.");
        Integer left = findings.floatScore().get(Side.LEFT);
        Integer right = findings.floatScore().get(Side.RIGHT);
        if (left != null && right != null && !left.equals(right)) {
            all.add(Reason.of("meaning.floatSides", left < right ? Side.LEFT : Side.RIGHT, Math.abs(left - right)));
        }
        return List.copyOf(all);
    }

    /** The same for what was observed beside. */
    public static List<Reason> of(Observed observed) {
        List<Reason> all = new ArrayList<>();
        if (observed.effortPct() != null) {
            all.add(Reason.of(
                    observed.effortPct() > TOO_STRONG_PCT ? "meaning.effort.strong" : "meaning.effort.light",
                    observed.effortPct()));
        }
        add(all, observed.floorLift(), "meaning.floor.");
        add(all, observed.letGo(), "meaning.letGo.");
        if (observed.overRecruits() == Observed.YesNo.YES) {
            all.add(Reason.of("meaning.overRecruits"));
        }
        if (observed.ribFlare() == Observed.YesNo.YES) {
            all.add(Reason.of(flare(observed.flareSettles())));
        }
        add(all, observed.straw(), "meaning.straw.");
        for (Side side : Side.values()) {
            rod(all, "meaning.rodArm", side, observed.rodArm().get(side));
            rod(all, "meaning.rodLeg", side, observed.rodLeg().get(side));
        }
        if (observed.bellyDrops() == Observed.YesNo.YES) {
            all.add(Reason.of("meaning.bellyDrops"));
        }
        if (observed.hoverS() != null) {
            all.add(Reason.of(
                    observed.hoverS() >= HOVER_HELD_S ? "meaning.hover.holds" : "meaning.hover.short",
                    observed.hoverS()));
        }
        return List.copyOf(all);
    }

    /** What was not asked is not "no". */
    private static String flare(Observed.@Nullable YesNo settles) {
        if (settles == null) {
            return "meaning.flare.unknown";
        }
        return settles == Observed.YesNo.YES ? "meaning.flare.settles" : "meaning.flare.stays";
    }

    private static void rod(List<Reason> all, String key, Side side, Observed.@Nullable RodContact lost) {
        if (lost != null && lost != Observed.RodContact.KEPT) {
            all.add(Reason.of(key, side, Reason.of("finding." + lost)));
        }
    }

    private static void add(List<Reason> all, @Nullable Enum<?> finding, String prefix) {
        if (finding != null) {
            all.add(Reason.of(prefix + finding.name()));
        }
    }
}
