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
        if (moves.stream().anyMatch(made -> made.move().compareTo(Move.END_EXERCISE) >= 0)) {
            return SessionResult.Kind.STOPPED;
        }
        if (moves.stream().anyMatch(ResultRules::back)) {
            return SessionResult.Kind.STEPPED_BACK;
        }
        if (moves.stream().anyMatch(made -> made.move().eases() && !helps(made))) {
            return SessionResult.Kind.EASED;
        }
        boolean unclean = moves.stream().anyMatch(made -> !made.fromTiredness() && made.move() != Move.CARRY_ON);
        return unclean ? SessionResult.Kind.HELPED : SessionResult.Kind.CLEAN;
    }

    private static boolean back(Made made) {
        return made.move() == Move.STEP_BACK || (made.move() == Move.EASE_ONE_SIDE && made.lever() == null);
    }

    private static boolean helps(Made made) {
        return made.lever() == Lever.ADD_HELPER || made.lever() == Lever.SUPPORT;
    }
}
