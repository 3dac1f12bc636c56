package fernstep.app.progress;

import fernstep.core.catalogue.Rung;
import fernstep.core.progress.Progress;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** One place, its log since it was reached, and what the rules make of it. */
public record Standing(
        LadderRow step,
        Rung rung,
        List<ResultRow> log,
        Progress progress,
        @Nullable HoldRow held) {
    public boolean canMove() {
        return progress.change().moves() && held == null;
    }

    /** How the tag of its move looks: what grows, what stops, what stays, and the rest. */
    public String tone() {
        if (held != null) {
            return "tag-warn";
        }
        return switch (progress.change()) {
            case NOTCH_UP, NEXT_RUNG -> "tag-open";
            case REFER, RECHECK_FIRST -> "tag-stop";
            case HOLD -> "";
            default -> "tag-warn";
        };
    }

    public boolean up() {
        return progress.change() == Progress.Change.NOTCH_UP || progress.change() == Progress.Change.NEXT_RUNG;
    }
}
