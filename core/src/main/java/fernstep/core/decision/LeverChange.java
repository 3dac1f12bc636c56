package fernstep.core.decision;

import fernstep.core.catalogue.Lever;
import org.jspecify.annotations.Nullable;

/**
 * One lever and its size.
 *
 * @param from the value now: a number for range, hold (s) and repetitions, else a code; null where nothing was set
 * @param to the value to set
 * @param loadChangePct expected change of the load index, negative when it falls; null where load stays the same
 */
public record LeverChange(
        Lever lever,
        @Nullable Object from,
        @Nullable Object to,
        @Nullable Double loadChangePct) {}
