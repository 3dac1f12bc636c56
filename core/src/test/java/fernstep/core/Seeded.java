package fernstep.core;

import java.util.Random;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** A small seeded generator: the same cases on every machine, and the seed in the name of the one that fails. */
public final class Seeded {
    private Seeded() {}

    /** How many are made up; fewer where {@code -Dfern.seeds} says so, for runs in which every one counts thousands of times. */
    public static int atMost(int usual) {
        return Math.min(usual, Integer.getInteger("fern.seeds", usual));
    }

    public static <T> Stream<T> cases(int count, Function<Random, T> make) {
        return IntStream.range(0, atMost(count)).mapToObj(seed -> make.apply(new Random(seed)));
    }
}
