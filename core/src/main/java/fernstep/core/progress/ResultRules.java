package fernstep.core.progress;

import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Move;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the moves made during an exercise add up to. */
public final class ResultRules {
    private ResultRules() {}

    /**
     * A move as it was made, advised or overridden.
     *
     * @param fromTiredness a set ended, or carried on, for tiredness alone: that stays clean
     */
    public record Made(Move move, @Nullable Lever lever, boolean fromTiredness) {}

    /** The worst thing that happened decides; a cue makes the session clean with help: no credit, no loss. */
    public static SessionResult.Kind of(List<Made> moves) {
        if (moves.stream().anyMatch(m -> m.move().compareTo(Move.END_EXERCISE) >= 0)) {
            return SessionResult.Kind.STOPPED;
        }
        if (moves.stream().anyMatch(ResultRules::back)) {
            return SessionResult.Kind.STEPPED_BACK;
        }
        if (moves.stream().anyMatch(m -> m.move().eases() && !helps(m))) {
            return SessionResult.Kind.EASED;
        }
        boolean unclean = moves.stream().anyMatch(m -> !m.fromTiredness() && m.move() != Move.CARRY_ON);
        return unclean ? SessionResult.Kind.HELPED : SessionResult.Kind.CLEAN;
    }

    private static boolean back(Made m) {
        return m.move() == Move.STEP_BACK || (m.move() == Move.EASE_ONE_SIDE && m.lever() == null);
    }

    private static boolean helps(Made m) {
        return m.lever() == Lever.ADD_HELPER || m.lever() == Lever.SUPPORT;
    }
}
