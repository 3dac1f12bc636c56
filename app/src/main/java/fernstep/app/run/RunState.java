package fernstep.app.run;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the runner page shows: written by the server alone, so that two tablets agree. */
public record RunState(
        String sessionId,
        List<Item> items,
        int at,
        String phase,
        @Nullable AdviceView advice,
        boolean locked,
        boolean canUndo) {

    /** One item on the list beside the count. */
    public record Item(
            String rung,
            String name,
            String side,
            String dose,
            String position,
            String howTo,
            String cue,
            String caution,
            int set,
            int sets,
            int rep,
            int target,
            boolean breaths,
            @Nullable Integer holdS,
            int rangePct,
            @Nullable String heelHeight,
            List<String> eased,
            List<Phase> phases,
            List<Sign> signs,
            String state,
            String figure) {}

    /** Part of a repetition for the pacer. */
    public record Phase(String part, String text, String breath, int seconds) {}

    /** A sign mark; {@code key} is the digit that presses it, or empty. */
    public record Sign(String code, String label, String key, boolean seenThisRep) {}

    /** The next safe move as shown. */
    public record AdviceView(
            String signEventId,
            String sign,
            String move,
            String moveText,
            @Nullable String lever,
            String reason,
            String rule,
            @Nullable String watchNext,
            @Nullable String runnerUp,
            @Nullable String overridden) {}
}
