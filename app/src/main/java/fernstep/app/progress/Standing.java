package fernstep.app.progress;

import fernstep.core.catalogue.Rung;
import fernstep.core.progress.Progress;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** One place, its log since it was reached, and what the rules make of it. */
public record Standing(
        LadderRow step,
        Rung rung,
        List<ResultRow> log,
        Progress progress,
        @Nullable HoldRow held) {
    private static final Set<Progress.Change> MOVES = Set.of(
            Progress.Change.NOTCH_UP, Progress.Change.NEXT_RUNG, Progress.Change.NOTCH_DOWN, Progress.Change.RUNG_DOWN);

    public boolean canMove() {
        return MOVES.contains(progress.change()) && held == null;
    }

    public boolean up() {
        return progress.change() == Progress.Change.NOTCH_UP || progress.change() == Progress.Change.NEXT_RUNG;
    }
}
