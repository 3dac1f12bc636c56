package fernstep.core.catalogue;

import org.jspecify.annotations.Nullable;

/**
 * What dose a rung may have: sets, and per set either repetitions (each perhaps held) or breaths.
 *
 * @param reps null where breaths count
 * @param holdS seconds held per repetition, or in all where there are no repetitions; null where nothing is held
 * @param breaths breaths kept per set, or null
 */
public record Window(
        Span sets,
        @Nullable Span reps,
        @Nullable Span holdS,
        @Nullable Span breaths) {
    /** @throws IllegalArgumentException without repetitions, hold and breaths */
    public Window {
        if (reps == null && holdS == null && breaths == null) {
            throw new IllegalArgumentException("a window needs reps, a hold or breaths");
        }
    }
}
