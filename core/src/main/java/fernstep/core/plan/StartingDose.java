package fernstep.core.plan;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A first dose from what she has shown: four fifths of her longest clean hold, one breath fewer than she kept, repetitions
 * at the window's low end. A hold or a breath that the window asks for and she has not shown is not begun with: the window
 * opens downward.
 *
 * @param opened why the dose lies below the rung's window; null where it does not
 */
record StartingDose(Dose dose, @Nullable Reason opened) {
    private static final double OF_THE_LONGEST = 0.8;
    private static final int SHORTEST_HOLD_S = 3;
    private static final double BREATH_S = 5;
    private static final int FEWEST_BREATHS = 3;
    /** One breath at a time is done so often, with rests between. */
    private static final int SHORT_SETS = 4;

    static StartingDose of(Rung rung, DoseStance stance, Findings findings, @Nullable Side side) {
        Window window = DoseRules.window(rung.window(), stance);
        Dose dose = DoseRules.first(rung, stance);
        Reason opened = null;
        if (dose.holdS() != null && window.holdS() != null && !rung.apart()) {
            int hold = hold(rung, window.holdS(), findings, side);
            opened = hold < window.holdS().min()
                    ? Reason.of("dose.openedHold", hold, window.holdS().min())
                    : opened;
            dose = dose.withHoldS(hold);
        }
        if (dose.breaths() != null && window.breaths() != null && keepsEngagement(rung)) {
            int breaths = breaths(rung, window.breaths(), findings);
            opened = breaths < window.breaths().min()
                    ? Reason.of("dose.openedBreaths", breaths, window.breaths().min())
                    : opened;
            dose = dose.withBreaths(breaths);
            boolean tooFew = breaths < Math.min(FEWEST_BREATHS, window.breaths().min());
            dose = tooFew ? dose.withSets(Math.max(dose.sets(), breaths == 1 ? SHORT_SETS : 2)) : dose;
        }
        return new StartingDose(dose, opened);
    }

    private static int hold(Rung rung, Span window, Findings findings, @Nullable Side side) {
        Optional<Double> shown = shownS(rung, findings, side);
        if (shown.isEmpty()) {
            return window.min();
        }
        int fourFifths = (int) Math.floor(OF_THE_LONGEST * shown.get() + 1e-9);
        boolean measured =
                rung.strand() == Strand.DEEP_CORE || (rung.strand() == Strand.HOVER_PLANK && findings.hoverS() != null);
        int least = Math.min(window.min(), shown.get() >= SHORTEST_HOLD_S ? SHORTEST_HOLD_S : leastOf(shown.get()));
        int most = measured ? window.max() : window.min();
        return Math.max(least, Math.min(most, fourFifths));
    }

    /** Somebody who cannot hold yet begins with a touch; the window of a first rung asks for little enough. */
    private static int leastOf(double shownS) {
        return shownS < 1 ? SHORTEST_HOLD_S : (int) Math.floor(shownS);
    }

    private static Optional<Double> shownS(Rung rung, Findings findings, @Nullable Side side) {
        if (rung.strand() == Strand.HOVER_PLANK && findings.hoverS() != null) {
            return Optional.of(findings.hoverS().doubleValue());
        }
        boolean byBreaths = rung.strand() == Strand.BREATH;
        return byBreaths && findings.toleranceBreaths() != null
                ? Optional.of(BREATH_S * findings.toleranceBreaths())
                : findings.holdShownS(side);
    }

    /** Resting breath and straw blow ask for no engagement; nor does posture through the day. */
    private static boolean keepsEngagement(Rung rung) {
        return !rung.fromDayOne();
    }

    private static int breaths(Rung rung, Span window, Findings findings) {
        if (findings.toleranceBreaths() == null) {
            return window.min();
        }
        int kept = Math.max(1, findings.toleranceBreaths() - 1);
        return Math.min(rung.loaded() ? window.min() : window.max(), kept);
    }
}
