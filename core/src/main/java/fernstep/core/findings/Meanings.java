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

    public static List<Reason> of(Findings f) {
        List<Reason> all = new ArrayList<>();
        if (f.cough() != null || f.floorOnCough() != null) {
            all.add(Reason.of(f.coughReversed() ? "meaning.coughReversed" : "meaning.coughHolds"));
        }
        add(all, f.doming(), "meaning.doming.");
        f.weakerGrade()
                .ifPresent(g -> all.add(Reason.of(
                        g.isWeak() ? "meaning.set.weak" : g.isFirm() ? "meaning.set.firm" : "meaning.set.fair",
                        g.value())));
        f.tolerance()
                .ifPresent(t -> all.add(
                        Reason.of("meaning.tolerance." + t.level().name().toLowerCase(Locale.ROOT), t.breaths())));
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

    /** The same for what was observed beside. */
    public static List<Reason> of(Observed o) {
        List<Reason> all = new ArrayList<>();
        if (o.effortPct() != null) {
            all.add(Reason.of(
                    o.effortPct() > TOO_STRONG_PCT ? "meaning.effort.strong" : "meaning.effort.light", o.effortPct()));
        }
        add(all, o.floorLift(), "meaning.floor.");
        add(all, o.letGo(), "meaning.letGo.");
        if (o.overRecruits() == Observed.YesNo.YES) {
            all.add(Reason.of("meaning.overRecruits"));
        }
        if (o.ribFlare() == Observed.YesNo.YES) {
            all.add(Reason.of(flare(o.flareSettles())));
        }
        add(all, o.straw(), "meaning.straw.");
        for (Side side : Side.values()) {
            rod(all, "meaning.rodArm", side, o.rodArm().get(side));
            rod(all, "meaning.rodLeg", side, o.rodLeg().get(side));
        }
        if (o.bellyDrops() == Observed.YesNo.YES) {
            all.add(Reason.of("meaning.bellyDrops"));
        }
        if (o.hoverS() != null) {
            all.add(Reason.of(o.hoverS() >= HOVER_HELD_S ? "meaning.hover.holds" : "meaning.hover.short", o.hoverS()));
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
