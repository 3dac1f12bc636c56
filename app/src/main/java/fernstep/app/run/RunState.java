package fernstep.app.run;

import fernstep.core.decision.Move;
import fernstep.core.measure.Side;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What the runner page shows. The server's word stands; the page runs ahead of it by what it has not sent yet.
 *
 * @param version changes with everything that happens in the session
 * @param answersKey stands for all that the answers to a sign depend on now
 * @param at place of the exercise in hand, from 0; behind the last when the session is over
 * @param seen signs of the repetition in hand
 * @param instead what each other move would do instead of the one advised; empty where none can be chosen any more
 */
public record RunState(
        String version,
        String answersKey,
        String phase,
        int at,
        List<Item> items,
        List<Seen> seen,
        @Nullable AdviceView advice,
        boolean canUndo,
        boolean canRepeat,
        Map<Move, After> instead) {

    RunState with(Map<Move, After> others) {
        return new RunState(
                version, answersKey, phase, at, items, seen, advice, canUndo, canRepeat, Map.copyOf(others));
    }

    /**
     * What the session is after something that has not happened yet.
     *
     * @param items those that change, by their place
     * @param instead the same for moves that can be chosen instead, where the page could not work it out
     */
    public record After(
            String key,
            String phase,
            int at,
            @Nullable AdviceView advice,
            boolean canRepeat,
            Map<Integer, Item> items,
            Map<Move, After> instead) {}

    /**
     * One exercise.
     *
     * @param key the answers key of a set of it in which nothing was seen yet
     * @param watch the likeliest signs, at most five
     * @param history signs of hers on this rung in earlier sessions
     * @param idle signs that cannot show in this position
     */
    public record Item(
            String rung,
            String name,
            String side,
            @Nullable Side sideCode,
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
            List<String> watch,
            List<String> history,
            List<String> idle,
            String state,
            String figure,
            String key) {}

    /** Part of a repetition for the pacer. */
    public record Phase(String part, String text, String breath, int seconds) {}

    /** A sign already on record in this repetition. */
    public record Seen(String code, String severity) {}

    /**
     * The next safe move as shown.
     *
     * @param exercise what it was about; null while that is still in hand
     * @param easier what making it easier would be instead; null where nothing is left
     * @param open it can still be overridden
     */
    public record AdviceView(
            String signEventId,
            String code,
            String severity,
            String sign,
            @Nullable String exercise,
            String move,
            String moveText,
            @Nullable String lever,
            String reason,
            String rule,
            @Nullable String watchNext,
            @Nullable String runnerUp,
            @Nullable String overridden,
            @Nullable String easier,
            boolean open) {}
}
